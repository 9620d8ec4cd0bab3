import { Component, computed, inject, signal } from '@angular/core';
import { assessmentDateFault, formatDate } from '@yandle/core';
import { AccountService } from '../data/account.service';
import { ClientContext } from '../data/client-context';
import { ProblemNote } from '../ui/problem-note';
import { AssessmentRecordStore } from './assessment-record.store';
import { EraseDialog } from './erase-dialog';
import { MeasureStore } from './measure.store';

/** The open assessment as a record: when and how it was taken, entered anew where it was wrong; taken back, or erased for good. */
@Component({
  selector: 'y-assessment-record',
  imports: [EraseDialog, ProblemNote],
  template: `
    @let a = store.assessment()!;
    <details class="text-sm">
      <summary class="font-semibold">This assessment: date, note, take back</summary>
      <form class="mt-2 flex flex-col gap-3" (submit)="keep($event, date.value, time.value, body.value, note.value)">
        <div class="flex flex-wrap gap-3">
          <label class="field">
            <span class="label">Date</span>
            <input
              class="input"
              type="date"
              #date
              [value]="a.date"
              [attr.max]="today"
              [attr.aria-invalid]="fault() !== null"
              (input)="typed.set(date.value)"
            />
            @if (fault(); as words) {
              <span class="field-error" role="alert">{{ words }}</span>
            }
          </label>
          <label class="field">
            <span class="label">Time</span>
            <input class="input" type="time" #time [value]="a.time" required />
          </label>
          <label class="field">
            <span class="label">Body</span>
            <select class="input" #body>
              <option value="cold" [selected]="!a.warm">cold</option>
              <option value="warm" [selected]="a.warm">warm</option>
            </select>
          </label>
        </div>
        <label class="field">
          <span class="label">Note</span>
          <textarea class="input" rows="2" maxlength="2000" #note [value]="a.note"></textarea>
        </label>
        <div class="flex flex-wrap gap-2">
          <button class="btn" type="submit">Keep the change</button>
          <button type="button" class="btn" (click)="records.remove()">Take this assessment back</button>
          <button type="button" class="btn btn-stop" (click)="erasing.set(true)">Erase for good…</button>
        </div>
        <p class="hint">
          Taken back, it counts nowhere and can be restored. Erased, it is gone: where the client asks for it.
        </p>
      </form>
      @if (records.requests.problem(); as p) {
        <y-problem-note class="mt-2 block" [problem]="p" />
      }
    </details>
    @if (erasing()) {
      <y-erase-dialog [day]="day(a.date)" (erased)="erase(a.id)" (closed)="erasing.set(false)" />
    }
  `,
})
export class AssessmentRecord {
  protected readonly store = inject(MeasureStore);
  protected readonly records = inject(AssessmentRecordStore);
  private readonly context = inject(ClientContext);
  protected readonly today = inject(AccountService).me()?.today ?? '';
  protected readonly erasing = signal(false);
  /** Date as it is typed; null before anything is. */
  protected readonly typed = signal<string | null>(null);
  protected readonly fault = computed(() => {
    const date = this.typed();
    if (date === null) return null;
    if (date === '') return 'Enter a date.';
    return assessmentDateFault(date, this.today, this.context.client()?.birthDate ?? null);
  });

  protected day(date: string): string {
    return formatDate(date, 'd MMM yyyy');
  }

  protected keep(event: Event, date: string, time: string, body: string, note: string): void {
    event.preventDefault();
    this.typed.set(date);
    if (this.fault() !== null || time === '') return;
    this.records.keepConditions({ date, time, warm: body === 'warm', note });
  }

  protected async erase(id: string): Promise<void> {
    this.erasing.set(false);
    await this.records.erase(id);
  }
}
