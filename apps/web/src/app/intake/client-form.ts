import { Component, computed, effect, inject, input, output, signal } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule, Validators } from '@angular/forms';
import { FIELD, type ClientBody, type Problem, type ScreeningState } from '@yandle/contract';
import {
  EXPERIENCES,
  MUSCLE_GROUPS,
  weekdaysFrom,
  type Experience,
  type MuscleGroupId,
  type Sex,
  type Weekday,
} from '@yandle/core';
import { AccountService } from '../data/account.service';
import { fieldMessage } from '../data/problem';
import { ProblemNote } from '../ui/problem-note';

const EXPERIENCE_WORDS: Readonly<Record<Experience, string>> = {
  beginner: 'Beginner: sensation starts at 4 of 10',
  regular: 'Stretches regularly: starts at 5',
  experienced: 'Experienced: starts at 5',
};

/** What a coach writes down of a client, and what follows from it for the plan. */
@Component({
  selector: 'y-client-form',
  imports: [ReactiveFormsModule, ProblemNote],
  templateUrl: './client-form.html',
})
export class ClientForm {
  private readonly account = inject(AccountService);
  readonly value = input<ClientBody | null>(null);
  readonly problem = input<Problem | null>(null);
  readonly busy = input(false);
  readonly saveLabel = input('Save');
  readonly saved = output<ClientBody>();

  protected readonly coaches = computed(() => this.account.me()?.coaches ?? []);
  protected readonly experiences = EXPERIENCES;
  protected readonly experienceWords = EXPERIENCE_WORDS;
  protected readonly weekdays = computed(() => weekdaysFrom(this.account.settings().firstWeekday));
  protected readonly groups = MUSCLE_GROUPS;
  protected readonly field = FIELD;
  private readonly tried = signal(false);
  protected readonly days = signal<readonly Weekday[]>([1, 3, 5]);
  protected readonly gentleGroups = signal<readonly MuscleGroupId[]>([]);

  protected readonly form = new FormGroup({
    name: new FormControl('', { nonNullable: true, validators: [Validators.required, Validators.pattern(/\S/)] }),
    birthDate: new FormControl('', { nonNullable: true, validators: Validators.required }),
    aim: new FormControl('', { nonNullable: true, validators: Validators.maxLength(FIELD.aim.max) }),
    sex: new FormControl<Sex | null>(null),
    experience: new FormControl<Experience>('beginner', { nonNullable: true }),
    minutesPerSession: new FormControl<number | null>(this.account.settings().minutesPerSession, {
      validators: [
        Validators.required,
        Validators.min(FIELD.minutes.min),
        Validators.max(FIELD.minutes.max),
        Validators.pattern(/^\d+$/),
      ],
    }),
    screening: new FormControl<ScreeningState>('open', { nonNullable: true }),
    screeningNote: new FormControl('', { nonNullable: true, validators: Validators.maxLength(FIELD.note.max) }),
    notes: new FormControl('', { nonNullable: true, validators: Validators.maxLength(FIELD.note.max) }),
    leadCoachId: new FormControl('', { nonNullable: true, validators: Validators.required }),
  });

  constructor() {
    effect(() => {
      const v = this.value();
      if (v) {
        this.form.reset({ ...v });
        this.days.set(v.trainingDays);
        this.gentleGroups.set(v.gentleGroups);
      } else if (!this.form.controls.leadCoachId.value) {
        this.form.controls.leadCoachId.setValue(this.account.me()?.coach.id ?? '');
      }
    });
  }

  protected toggleDay(day: Weekday): void {
    this.days.update((d) => (d.includes(day) ? d.filter((x) => x !== day) : [...d, day].sort((a, b) => a - b)));
  }

  protected toggleGroup(group: MuscleGroupId): void {
    this.gentleGroups.update((g) => (g.includes(group) ? g.filter((x) => x !== group) : [...g, group]));
  }

  /** The message of a field: what the browser sees at once, else what the server found. */
  protected message(name: keyof typeof this.form.controls | 'trainingDays'): string | null {
    if (this.tried()) {
      if (name === 'trainingDays') {
        if (this.days().length === 0) return 'Choose at least one day.';
      } else {
        const c = this.form.controls[name];
        if (c.hasError('required') || (name === 'name' && c.hasError('pattern'))) return 'Required.';
        if (c.hasError('maxlength')) return 'This is too long.';
        if (name === 'minutesPerSession' && c.invalid)
          return `Whole minutes, ${FIELD.minutes.min} to ${FIELD.minutes.max}.`;
      }
    }
    return fieldMessage(this.problem(), name);
  }

  protected submit(): void {
    this.tried.set(true);
    const v = this.form.getRawValue();
    if (this.form.invalid || this.days().length === 0 || v.minutesPerSession === null) {
      queueMicrotask(() => setTimeout(() => document.querySelector<HTMLElement>('[aria-invalid="true"]')?.focus()));
      return;
    }
    this.saved.emit({
      ...v,
      name: v.name.trim(),
      minutesPerSession: v.minutesPerSession,
      trainingDays: this.days(),
      gentleGroups: this.gentleGroups(),
    });
  }
}
