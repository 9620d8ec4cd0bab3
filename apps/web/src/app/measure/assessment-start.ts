import { Component, computed, effect, inject, input, output, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormControl, FormGroup, ReactiveFormsModule, Validators } from '@angular/forms';
import type { CreateAssessmentBody } from '@yandle/contract';
import {
  assessmentDateFault,
  BATTERIES,
  batteryMinutes,
  inPositionOrder,
  lowerFirst,
  type RomTest,
} from '@yandle/core';
import { RouterLink } from '@angular/router';
import { AccountService } from '../data/account.service';
import { ClientContext } from '../data/client-context';
import { TestCatalogueService } from '../data/test-catalogue.service';

/** The conditions of an assessment, asked once: when, and cold or warm. */
@Component({
  selector: 'y-assessment-start',
  imports: [ReactiveFormsModule, RouterLink],
  template: `
    <form class="sheet flex flex-col gap-4 p-5" [formGroup]="form" (ngSubmit)="start()" novalidate>
      <h1>New assessment</h1>
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
          Measure cold, at the same time of day, at least 24 hours after a session, so that results can be compared.
        </p>
      </fieldset>
      <label class="field">
        <span class="label">Battery</span>
        <select class="input" formControlName="batteryId">
          @if (lastBattery().length > 0) {
            <option value="last">
              As last time: {{ lastBattery().length }} tests, about {{ minutes(lastBattery()) }} min
            </option>
          }
          @if (quickCheck().length > 0) {
            <option value="quick-check">Weekly quick check: about {{ minutes(quickCheck()) }} min</option>
          }
          @for (b of own(); track b.id) {
            <option [value]="b.id">
              {{ b.name }}: {{ b.testIds.length }} tests, about {{ minutes(b.testIds) }} min
            </option>
          }
          @for (b of batteries; track b.id) {
            <option [value]="b.id">
              {{ b.name }}: {{ b.testIds.length }} tests, about {{ minutes(b.testIds) }} min
            </option>
          }
        </select>
        <span class="hint">{{ about() }}</span>
      </label>
      <p class="hint">
        <a class="link" routerLink="/tests">Your own tests and batteries</a>
      </p>
      <div><button class="btn btn-go" type="submit">Start measuring</button></div>
    </form>
  `,
})
export class AssessmentStart {
  protected readonly today = inject(AccountService).me()?.today ?? '';
  readonly begin = output<Omit<CreateAssessmentBody, 'id' | 'note'>>();
  /** Tests of the client's last assessment; empty before the first. */
  readonly lastBattery = input<readonly string[]>([]);
  /** The client's two tests of the week; empty for none. */
  readonly quickCheck = input<readonly string[]>([]);
  private readonly testCatalogue = inject(TestCatalogueService);
  private readonly context = inject(ClientContext);
  protected readonly own = computed(() => this.testCatalogue.view().batteries.filter((b) => !b.archived));
  protected readonly tried = signal(false);
  protected readonly batteries = BATTERIES;

  protected readonly form = new FormGroup({
    date: new FormControl(this.today, { nonNullable: true, validators: Validators.required }),
    time: new FormControl(new Date().toTimeString().slice(0, 5), {
      nonNullable: true,
      validators: Validators.required,
    }),
    warm: new FormControl(false, { nonNullable: true }),
    batteryId: new FormControl('quick-five', { nonNullable: true }),
  });

  private readonly date = toSignal(this.form.controls.date.valueChanges, { initialValue: this.today });
  private readonly batteryId = toSignal(this.form.controls.batteryId.valueChanges, { initialValue: 'quick-five' });
  protected readonly about = computed(() => {
    const tests = this.testsOf(this.batteryId());
    return `In this order: ${tests.map((t) => lowerFirst(t.name)).join(', ')}.`;
  });

  constructor() {
    effect(() => {
      if (this.lastBattery().length > 0) this.form.controls.batteryId.setValue('last');
    });
  }

  protected minutes(ids: readonly string[]): number {
    return batteryMinutes(this.testsIn(ids));
  }

  /** Tests of a list that are in the catalogue. */
  private testsIn(ids: readonly string[]): RomTest[] {
    const { tests } = this.testCatalogue.catalogue();
    return ids.flatMap((id) => tests.filter((t) => t.id === id));
  }

  private testsOf(batteryId: string): RomTest[] {
    if (batteryId === 'last') return inPositionOrder(this.testsIn(this.lastBattery()));
    if (batteryId === 'quick-check') return inPositionOrder(this.testsIn(this.quickCheck()));
    const ids = [...this.own(), ...BATTERIES].find((b) => b.id === batteryId)?.testIds ?? [];
    return inPositionOrder(this.testsIn(ids));
  }

  protected dateMessage(): string | null {
    const date = this.date();
    if (!date) return this.tried() ? 'Required.' : null;
    return assessmentDateFault(date, this.today, this.context.client()?.birthDate ?? null);
  }

  protected start(): void {
    this.tried.set(true);
    if (this.form.invalid || this.dateMessage()) return;
    const { batteryId, ...conditions } = this.form.getRawValue();
    this.begin.emit({ ...conditions, battery: this.testsOf(batteryId).map((t) => t.id) });
  }
}
