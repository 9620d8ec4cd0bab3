import { Component, computed, DestroyRef, effect, inject, input, output, signal, untracked } from '@angular/core';
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
import { KeptDraft } from '../data/kept-draft';
import { ProblemNote } from '../ui/problem-note';

const EXPERIENCE_WORDS: Readonly<Record<Experience, string>> = {
  beginner: 'Beginner: sensation starts at 4 of 10',
  regular: 'Stretches regularly: starts at 5',
  experienced: 'Experienced: starts at 5',
};

/** What is typed of a client and not saved. */
interface Draft {
  /** As typed: minutes may be empty. */
  readonly form: ReturnType<ClientForm['form']['getRawValue']>;
  readonly days: readonly Weekday[];
  readonly gentleGroups: readonly MuscleGroupId[];
}

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
  /** What the draft is kept under until it is saved. */
  readonly draftOf = input.required<string>();
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

  readonly form = new FormGroup({
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

  private readonly draft = computed(() => new KeptDraft<Draft>(`yandle-client:${this.draftOf()}`));
  /** True once what was typed before a reload is back. */
  protected readonly restored = signal(false);

  constructor() {
    effect(() => {
      const v = this.value();
      const kept = untracked(() => this.draft().read());
      if (kept && !this.restored()) {
        this.form.reset(kept.form);
        this.days.set(kept.days);
        this.gentleGroups.set(kept.gentleGroups);
        this.restored.set(true);
      } else if (v && !kept) {
        this.form.reset({ ...v });
        this.days.set(v.trainingDays);
        this.gentleGroups.set(v.gentleGroups);
      } else if (!this.form.controls.leadCoachId.value) {
        this.form.controls.leadCoachId.setValue(this.account.me()?.coach.id ?? '');
      }
    });
    // Only what a person changes: a reset from the saved client is no draft.
    const typed = this.form.valueChanges.subscribe(() => {
      if (this.form.dirty) this.keep();
    });
    inject(DestroyRef).onDestroy(() => typed.unsubscribe());
  }

  /** Kept on every key, so that neither a reload nor another part of the intake loses it. */
  private keep(): void {
    this.draft().write({ form: this.form.getRawValue(), days: this.days(), gentleGroups: this.gentleGroups() });
  }

  /** It is saved: the draft has done its work. */
  forget(): void {
    this.draft().clear();
    this.restored.set(false);
  }

  /** Back to what is saved. */
  protected discard(): void {
    this.forget();
    const v = this.value();
    this.form.reset(v ? { ...v } : { leadCoachId: this.account.me()?.coach.id ?? '' });
    this.days.set(v?.trainingDays ?? [1, 3, 5]);
    this.gentleGroups.set(v?.gentleGroups ?? []);
  }

  protected toggleDay(day: Weekday): void {
    this.days.update((d) => (d.includes(day) ? d.filter((x) => x !== day) : [...d, day].sort((a, b) => a - b)));
    this.keep();
  }

  protected toggleGroup(group: MuscleGroupId): void {
    this.gentleGroups.update((g) => (g.includes(group) ? g.filter((x) => x !== group) : [...g, group]));
    this.keep();
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
