import { Component, inject, input, output, signal } from '@angular/core';
import type { Account } from '@yandle/contract';
import { formatDate } from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { AccountService } from '../data/account.service';
import { fieldMessage } from '../data/problem';
import { Requests } from '../data/requests';
import { StudioApi } from '../data/studio-api';
import { ToastService } from '../data/toast.service';
import { ProblemNote } from '../ui/problem-note';

/** That the coach is qualified for nerve glides: without it they are off for all clients they lead. */
@Component({
  selector: 'y-nerve-glides',
  imports: [ProblemNote],
  template: `
    <section class="sheet p-4" aria-labelledby="glides">
      <h2 id="glides">Nerve glides</h2>
      @if (account().nerveGlides; as g) {
        <p class="mt-1 text-sm">
          On for the clients you lead: {{ g.licence }}, since {{ day(g.since) }}. Numbness, tingling or weakness in the
          intake still rules them out.
        </p>
        <button type="button" class="btn mt-2" [disabled]="requests.busy()" (click)="end()">Turn them off</button>
      } @else {
        <p class="mt-1 text-sm text-soft">
          Off. Moving an irritated nerve wrongly keeps it irritated: they are for coaches whose licence covers them.
        </p>
        <form class="mt-3 flex max-w-sm flex-col gap-3" (submit)="record($event, licence.value, since.value)">
          <label class="field">
            <span class="label">Profession and licence number</span>
            <input class="input" #licence maxlength="120" [attr.aria-invalid]="message('licence') !== null" />
            @if (message('licence'); as m) {
              <span class="field-error">{{ m }}</span>
            }
          </label>
          <label class="field">
            <span class="label">Held since</span>
            <input class="input" type="date" #since [max]="today()" [attr.aria-invalid]="message('since') !== null" />
            @if (message('since'); as m) {
              <span class="field-error">{{ m }}</span>
            }
          </label>
          <button type="submit" class="btn self-start" [disabled]="requests.busy()">
            I am qualified: turn them on
          </button>
        </form>
      }
      @if (requests.problem(); as p) {
        @if (!p.errors) {
          <y-problem-note [problem]="p" />
        }
      }
    </section>
  `,
})
export class NerveGlides {
  private readonly api = inject(StudioApi);
  private readonly accounts = inject(AccountService);
  private readonly toasts = inject(ToastService);
  readonly account = input.required<Account>();
  readonly changed = output<void>();
  protected readonly requests = new Requests();
  protected readonly empty = signal<readonly string[]>([]);

  protected today(): string {
    return this.accounts.me()?.today ?? '';
  }

  protected day(date: string): string {
    return formatDate(date, 'd MMM yyyy');
  }

  protected message(path: string): string | null {
    return this.empty().includes(path) ? 'Required.' : fieldMessage(this.requests.problem(), path);
  }

  protected async record(event: Event, licence: string, since: string): Promise<void> {
    event.preventDefault();
    this.empty.set([...(licence.trim() ? [] : ['licence']), ...(since ? [] : ['since'])]);
    if (this.empty().length > 0) return;
    await this.requests.run(async () => {
      await firstValueFrom(this.api.putNerveGlides({ licence: licence.trim(), since }));
      this.toasts.show('Recorded. Nerve glides are on for the clients you lead.');
      this.changed.emit();
    });
  }

  protected async end(): Promise<void> {
    await this.requests.run(async () => {
      await firstValueFrom(this.api.endNerveGlides());
      this.toasts.show('Nerve glides are off.');
      this.changed.emit();
    });
  }
}
