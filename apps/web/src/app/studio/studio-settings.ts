import { Component, inject, input, linkedSignal, output } from '@angular/core';
import { RETENTION, type StudioView } from '@yandle/contract';
import { parseNumber } from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { AccountService } from '../data/account.service';
import { fieldMessage } from '../data/problem';
import { Requests } from '../data/requests';
import { StudioApi } from '../data/studio-api';
import { ToastService } from '../data/toast.service';
import { ProblemNote } from '../ui/problem-note';
import { TextField } from '../ui/text-field';

/** Name and time zone of the studio, and how long archived clients are kept. */
@Component({
  selector: 'y-studio-settings',
  imports: [ProblemNote, TextField],
  template: `
    <section class="sheet p-4" aria-labelledby="settings">
      <h2 id="settings">Studio</h2>
      <form class="mt-3 flex flex-col gap-3" (submit)="save($event)">
        <y-text-field label="Name" [value]="name()" [error]="message('name')" (typed)="name.set($event)" />
        <y-text-field
          label="Time zone"
          hint="Used for all session and retest dates, for example Europe/Vienna."
          [value]="timeZone()"
          [error]="message('timeZone')"
          (typed)="timeZone.set($event)"
        />
        <y-text-field
          label="Erase archived clients after, months"
          hint="Leave it empty to keep them. What is erased does not come back, and every one is written down under What was done."
          [decimal]="true"
          [value]="months()"
          [error]="message('retentionMonths')"
          (typed)="months.set($event)"
        />
        @if (requests.problem(); as p) {
          @if (!p.errors) {
            <y-problem-note [problem]="p" />
          }
        }
        <button type="submit" class="btn self-start" [disabled]="requests.busy()">Save</button>
      </form>
    </section>
  `,
})
export class StudioSettings {
  private readonly api = inject(StudioApi);
  private readonly account = inject(AccountService);
  private readonly toasts = inject(ToastService);
  readonly studio = input.required<StudioView>();
  readonly saved = output();
  protected readonly requests = new Requests();
  protected readonly name = linkedSignal(() => this.studio().name);
  protected readonly timeZone = linkedSignal(() => this.studio().timeZone);
  protected readonly months = linkedSignal(() => String(this.studio().retentionMonths ?? ''));

  protected message(path: string): string | null {
    const said = fieldMessage(this.requests.problem(), path);
    return said && path === 'retentionMonths' ? `Whole months, ${RETENTION.min} to ${RETENTION.max}.` : said;
  }

  protected async save(event: Event): Promise<void> {
    event.preventDefault();
    const typed = this.months().trim();
    // What is no number is refused by the server with its reason.
    const retentionMonths = typed === '' ? null : (parseNumber(typed) ?? 0);
    await this.requests.run(async () => {
      await firstValueFrom(this.api.editStudio({ name: this.name(), timeZone: this.timeZone(), retentionMonths }));
      await this.account.load();
      this.toasts.show('Studio saved.');
      this.saved.emit();
    });
  }
}
