import { Component, inject, output, signal } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule, Validators } from '@angular/forms';
import type { CreateAssessmentBody } from '@yandle/contract';
import { AccountService } from '../data/account.service';

/** The conditions of a visit, asked once: when, and cold or warm. */
@Component({
  selector: 'y-visit-start',
  imports: [ReactiveFormsModule],
  template: `
    <form class="sheet flex flex-col gap-4 p-5" [formGroup]="form" (ngSubmit)="start()" novalidate>
      <h1>New visit</h1>
      <div class="flex flex-wrap gap-4">
        <label class="field">
          <span class="label">Date</span>
          <input
            class="input"
            type="date"
            formControlName="date"
            [attr.max]="today"
            [attr.aria-invalid]="!!dateMessage()"
          />
          @if (dateMessage(); as m) {
            <span class="field-error">{{ m }}</span>
          }
        </label>
        <label class="field">
          <span class="label">Time</span>
          <input
            class="input"
            type="time"
            formControlName="time"
            [attr.aria-invalid]="tried() && form.controls.time.invalid"
          />
        </label>
      </div>
      <fieldset>
        <legend class="label mb-1">Body</legend>
        <div class="flex flex-wrap gap-1.5">
          <label class="choice"><input type="radio" formControlName="warm" [value]="false" /> Cold</label>
          <label class="choice"><input type="radio" formControlName="warm" [value]="true" /> Warm</label>
        </div>
        <p class="hint mt-1">
          Measure cold, at the same time of day, at least 24 hours after a session: only like conditions compare.
        </p>
      </fieldset>
      <div><button class="btn btn-go" type="submit">Start measuring</button></div>
    </form>
  `,
})
export class VisitStart {
  protected readonly today = inject(AccountService).me()?.today ?? '';
  readonly begin = output<Omit<CreateAssessmentBody, 'id' | 'note'>>();
  protected readonly tried = signal(false);

  protected readonly form = new FormGroup({
    date: new FormControl(this.today, { nonNullable: true, validators: Validators.required }),
    time: new FormControl(new Date().toTimeString().slice(0, 5), {
      nonNullable: true,
      validators: Validators.required,
    }),
    warm: new FormControl(false, { nonNullable: true }),
  });

  protected dateMessage(): string | null {
    if (!this.tried()) return null;
    const date = this.form.controls.date.value;
    if (!date) return 'This is needed.';
    return date > this.today ? 'A visit cannot lie in the future.' : null;
  }

  protected start(): void {
    this.tried.set(true);
    if (this.form.invalid || this.dateMessage()) return;
    this.begin.emit(this.form.getRawValue());
  }
}
