import { Component, inject, input, linkedSignal, output } from '@angular/core';
import type { CoachSummary } from '@yandle/contract';
import { addDays } from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { AccountService } from '../data/account.service';
import { fieldMessage } from '../data/problem';
import { Requests } from '../data/requests';
import { StudioApi } from '../data/studio-api';
import { ToastService } from '../data/toast.service';
import { ProblemNote } from '../ui/problem-note';

/** Names who looks after a coach's clients, and to which day. */
@Component({
  selector: 'y-stand-in-form',
  imports: [ProblemNote],
  template: `
    <form class="flex flex-wrap items-end gap-3" (submit)="save($event)">
      <label class="field min-w-40 flex-1">
        <span class="label">Stands in</span>
        <select class="input" #who (change)="standIn.set(who.value)">
          <option value="">Nobody</option>
          @for (c of others(); track c.id) {
            <option [value]="c.id" [selected]="c.id === standIn()">{{ c.name }}</option>
          }
        </select>
      </label>
      <label class="field">
        <span class="label">Until</span>
        <input class="input" type="date" #day [min]="today()" [value]="until()" (input)="until.set(day.value)" />
      </label>
      <button type="submit" class="btn" [disabled]="requests.busy()">Save</button>
    </form>
    @if (message(); as m) {
      <p class="field-error mt-1">{{ m }}</p>
    } @else if (requests.problem(); as p) {
      <y-problem-note [problem]="p" />
    }
  `,
})
export class StandInForm {
  private readonly api = inject(StudioApi);
  private readonly account = inject(AccountService);
  private readonly toasts = inject(ToastService);
  readonly coachId = input.required<string>();
  readonly others = input.required<readonly CoachSummary[]>();
  /** As it stands now. */
  readonly now = input<{ readonly standInId: string | null; readonly until: string | null }>({
    standInId: null,
    until: null,
  });
  readonly saved = output();
  protected readonly requests = new Requests();
  protected readonly standIn = linkedSignal(() => this.now().standInId ?? '');
  protected readonly until = linkedSignal(() => this.now().until ?? addDays(this.today(), 7));

  protected today(): string {
    return this.account.me()!.today;
  }

  protected message(): string | null {
    const problem = this.requests.problem();
    return fieldMessage(problem, 'standInId') ?? fieldMessage(problem, 'until');
  }

  protected async save(event: Event): Promise<void> {
    event.preventDefault();
    const standInId = this.standIn() || null;
    await this.requests.run(async () => {
      await firstValueFrom(this.api.setStandIn(this.coachId(), { standInId, until: standInId ? this.until() : null }));
      const name = this.others().find((c) => c.id === standInId)?.name;
      this.toasts.show(name ? `${name} stands in.` : 'Nobody stands in now.');
      this.saved.emit();
    });
  }
}
