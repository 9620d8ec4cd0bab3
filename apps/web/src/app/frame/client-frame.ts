import { Component, computed, effect, inject, input } from '@angular/core';
import { RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { SCREENING_WORDS } from '../intake/screening-words';
import { formatDate } from '@yandle/core';
import { AccountService } from '../data/account.service';
import { ClientContext } from '../data/client-context';
import { ProblemNote } from '../ui/problem-note';

interface Step {
  readonly path: string;
  readonly name: string;
  readonly state: string;
  readonly attention: boolean;
}

/** A client's work is a path in the order of the trade; each step shows its state. */
@Component({
  selector: 'y-client-frame',
  imports: [RouterOutlet, RouterLink, RouterLinkActive, ProblemNote],
  template: `
    @if (context.path().state === 'failed') {
      <div class="mx-auto max-w-xl px-6 py-10">
        <y-problem-note [problem]="context.path().problem!" [retry]="true" (again)="context.refresh()" />
        <a class="link mt-4 inline-block" routerLink="/clients">Back to clients</a>
      </div>
    } @else {
      <nav
        class="flex items-stretch gap-x-1 overflow-x-auto border-b border-line bg-sheet px-2 print:hidden sm:px-4"
        aria-label="Path of the client"
      >
        @for (s of steps(); track s.path) {
          <a
            class="flex shrink-0 flex-col justify-center border-b-[3px] border-transparent px-3 py-1.5 hover:bg-shade"
            [routerLink]="['/clients', clientId(), s.path]"
            routerLinkActive="!border-action"
            ariaCurrentWhenActive="step"
          >
            <span class="font-semibold">{{ s.name }}</span>
            <span class="text-[0.8rem]" [class.text-soft]="!s.attention" [class.text-attention]="s.attention">{{
              s.state
            }}</span>
          </a>
        }
      </nav>
      <router-outlet />
    }
  `,
})
export class ClientFrame {
  protected readonly context = inject(ClientContext);
  private readonly account = inject(AccountService);
  readonly clientId = input.required<string>();

  constructor() {
    effect(() => this.context.open(this.clientId()));
  }

  protected readonly steps = computed((): Step[] => {
    const p = this.context.path().value;
    const today = this.account.me()?.today ?? '';
    const day = (d: string) => (d === today ? 'today' : formatDate(d, 'd MMM'));
    const step = (path: string, name: string, state: string, attention = false): Step => ({
      path,
      name,
      state,
      attention,
    });
    if (!p)
      return ['Intake', 'Measure', 'Findings', 'Block', 'Sessions', 'Review', 'Progress'].map((n) =>
        step(n.toLowerCase(), n, ' '),
      );
    const screening = SCREENING_WORDS[p.client.screening];
    const retestDue = p.nextRetest !== null && p.nextRetest <= today;
    const blocked = p.client.screening === 'open' || p.client.screening === 'refer';
    return [
      step('intake', 'Intake', screening.state, blocked),
      step(
        'measure',
        'Measure',
        retestDue ? `retest due ${day(p.nextRetest)}` : p.lastAssessment ? `✓ ${day(p.lastAssessment)}` : 'not yet',
        retestDue,
      ),
      step('findings', 'Findings', p.lastAssessment ? `from ${day(p.lastAssessment)}` : 'not measured'),
      step(
        'block',
        'Block',
        p.block
          ? p.block.week < 1
            ? `${p.block.of} weeks, not started`
            : `week ${p.block.week} of ${p.block.of}`
          : blocked
            ? 'blocked: finish intake'
            : 'none running',
      ),
      step('sessions', 'Sessions', p.nextSession ? `next ${day(p.nextSession.date)}` : '–'),
      step('review', 'Review', p.block && p.block.week > 0 ? `of week ${Math.max(1, p.block.week - 1)}` : '–'),
      step(
        'progress',
        'Progress',
        p.nextRetest && !retestDue
          ? `retest ${day(p.nextRetest)}`
          : p.assessments > 1
            ? `${p.assessments} assessments`
            : '–',
      ),
    ];
  });
}
