import { oneOf } from '../ui/one-of';
import { Requests } from '../data/requests';
import { Component, computed, inject, input, linkedSignal, output } from '@angular/core';
import type { OwnExercise } from '@yandle/contract';
import {
  DEMANDS,
  demandWords,
  EXERCISES,
  firstItem,
  isCountedRight,
  kindOf,
  unitOf,
  type BoutUnit,
  DIFFICULTY_WORDS,
  MUSCLE_GROUPS,
  partList,
  partUnit,
  POSITIONS,
  PROPS,
  TECHNIQUES,
  TURNING_GROUPS,
  TURNS,
  turnWords,
  type Exercise,
  type ItemEdit,
  type SessionItem,
  type MuscleGroupId,
} from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { Api } from '../data/api';
import { newId } from '../data/ids';
import { fieldMessage } from '../data/problem';
import { ItemPace } from '../routines/item-pace';
import { PartLines } from '../routines/part-lines';
import { FigureView } from '../ui/figure';
import { ProblemNote } from '../ui/problem-note';
import { bodyOf, draftOf, type ExerciseDraft, type LineField } from './own-exercise-draft';

type TextField =
  | 'name'
  | 'aim'
  | 'endPoint'
  | 'felt'
  | 'notFelt'
  | 'breath'
  | 'easier'
  | 'harder'
  | 'sideWords'
  | 'depthMeasure'
  | 'substitute'
  | 'pushAgainst';
type ListField = 'secondary' | 'demands' | 'props' | 'optionalProps';

/** Lists of the draft that are typed as lines; what follows from it does not depend on them. */
const LISTS = { steps: [], faults: [], cautions: [], notFor: [], stages: [] };

/** Writes, copies, edits or archives an exercise of one's own. */
@Component({
  selector: 'y-own-exercise-form',
  imports: [FigureView, ItemPace, PartLines, ProblemNote],
  templateUrl: './own-exercise-form.html',
})
export class OwnExerciseForm {
  private readonly api = inject(Api);
  readonly of = input<Exercise | null>(null);
  readonly own = input<OwnExercise | null>(null);
  readonly saved = output<OwnExercise>();
  readonly closed = output();
  protected readonly draft = linkedSignal(() => draftOf(this.of(), this.own()));
  protected readonly requests = new Requests();
  protected readonly problem = this.requests.problem;
  protected readonly busy = this.requests.busy;
  /** One id for as long as the form is open: pressing twice creates once. */
  private id = newId();

  protected readonly groups = MUSCLE_GROUPS;
  protected readonly groupIds = MUSCLE_GROUPS.map((g) => g.id);
  protected readonly difficulties = [1, 2, 3] as const;
  protected readonly sidesOffered = ['each', 'both'] as const;
  protected readonly loads = ['none', 'body', 'weight', 'band'] as const;
  /** A hold is counted in seconds or breaths; what is repeated in its own unit. */
  protected readonly units = computed((): readonly BoutUnit[] => {
    const unit = unitOf(this.draft().technique);
    return unit === 'seconds' ? ['seconds', 'breaths'] : [unit];
  });
  protected readonly techniques = TECHNIQUES;
  protected readonly positions = POSITIONS;
  protected readonly props = PROPS;
  protected readonly demands = DEMANDS;
  protected readonly demandWords = demandWords;
  protected readonly difficultyWords = DIFFICULTY_WORDS;
  protected readonly figures = [...EXERCISES].sort((a, b) => a.name.localeCompare(b.name));
  protected readonly texts: readonly { readonly field: TextField; readonly label: string; readonly hint?: string }[] = [
    { field: 'name', label: 'Name' },
    { field: 'aim', label: 'What it is for, in plain words' },
    {
      field: 'endPoint',
      label: 'Stop when …',
      hint: 'The first compensation: the heel lifts, the back rounds.',
    },
    { field: 'felt', label: 'Where it should be felt' },
    { field: 'notFelt', label: 'Where it should not' },
    { field: 'breath', label: 'Breath' },
    { field: 'easier', label: 'Made easier by' },
    { field: 'harder', label: 'Made harder by' },
    { field: 'sideWords', label: 'What “left” means: write {side} for the side named, {other} for the one across' },
    { field: 'depthMeasure', label: 'What to read off when depths are compared' },
    { field: 'substitute', label: 'What can stand in for the first thing it needs' },
    {
      field: 'pushAgainst',
      label: 'What it is pushed against in contract-relax',
      hint: 'Push the heel down into the chair. Empty when there is nothing that does not move.',
    },
  ];
  protected readonly lineFields = [
    { field: 'steps', label: 'Steps, one per line, at most five' },
    { field: 'faults', label: 'Usual faults, one per line' },
    { field: 'cautions', label: 'Cautions, one per line' },
    { field: 'notFor', label: 'Who should not do it, one per line' },
    { field: 'stages', label: 'Directions of a hold, one per line; with a share where they differ: Chin down, 40%' },
  ] as const;
  protected readonly lists: readonly { readonly field: ListField; readonly label: string }[] = [
    { field: 'props', label: 'Equipment' },
    { field: 'optionalProps', label: 'Nice to have' },
  ];
  protected readonly title = computed(() =>
    this.own() ? `Edit ${this.own()!.name}` : this.of() ? `A copy of ${this.of()!.name}` : 'Your own exercise',
  );

  /** The exercise as it would first stand in a list: its tempo and what follows are set as of any item. */
  protected readonly asExercise = computed((): Exercise => ({ ...this.draft(), ...LISTS, id: '' }));
  protected readonly asItem = computed((): SessionItem => ({
    ...firstItem(this.asExercise()),
    ...(this.draft().pace && { pace: this.draft().pace }),
  }));
  /** Its exercise without a pace of its own: what is set here is that pace. */
  protected readonly paceless = computed((): Exercise => {
    const { pace: _, ...rest } = this.asExercise();
    return rest;
  });
  protected readonly paced = computed(() =>
    partList(this.asItem(), this.asExercise()).some((p) => partUnit(p, this.asExercise()) !== 'seconds'),
  );

  protected setPace(edit: ItemEdit): void {
    const { pace } = edit(this.asItem());
    const { pace: _, ...rest } = this.draft();
    this.draft.set(pace === undefined ? rest : { ...rest, pace });
  }

  protected setThen(edit: ItemEdit): void {
    const { then } = edit(this.asItem());
    const { then: _, ...rest } = this.draft();
    this.draft.set(then === undefined ? rest : { ...rest, then });
  }

  protected set(part: Partial<ExerciseDraft>): void {
    this.draft.update((d) => ({ ...d, ...part }));
  }

  protected type(field: TextField | LineField, text: string): void {
    this.set({ [field]: text });
  }

  protected toggle(field: ListField, id: string): void {
    const now: readonly string[] = this.draft()[field];
    this.set({ [field]: now.includes(id) ? now.filter((x) => x !== id) : [...now, id] });
  }

  protected has(field: ListField, id: string): boolean {
    return (this.draft()[field] as readonly string[]).includes(id);
  }

  /** Groups of the draft. */
  private readonly groupsOf = computed((): readonly MuscleGroupId[] => [
    this.draft().primary,
    ...this.draft().secondary,
  ]);
  protected readonly worked = computed(() => MUSCLE_GROUPS.filter((g) => this.groupsOf().includes(g.id)));
  /** True where a group of it holds two opposite motions. */
  protected readonly turned = computed(() => this.groupsOf().some((g) => TURNING_GROUPS.includes(g)));
  protected readonly turnChoices = TURNS.map((id) => ({ id, words: turnWords(id) }));

  protected chooseTurn(text: string): void {
    const { turns: _, ...rest } = this.draft();
    const turns = oneOf(TURNS, text);
    this.draft.set(turns === null ? rest : { ...rest, turns });
  }

  protected isAcross(group: MuscleGroupId): boolean {
    return this.draft().otherSide?.includes(group) ?? false;
  }

  protected toggleAcross(group: MuscleGroupId): void {
    const now = this.draft().otherSide ?? [];
    this.set({ otherSide: now.includes(group) ? now.filter((g) => g !== group) : [...now, group] });
  }

  /** Takes one of the choices a list offers. */
  protected choose<K extends 'primary' | 'technique' | 'position' | 'difficulty' | 'sides' | 'load'>(
    field: K,
    offered: readonly ExerciseDraft[K][],
    text: string,
  ): void {
    const value = oneOf(offered, text);
    if (value !== null) this.set({ [field]: value });
    // Another way of working is counted in another unit, with its own usual bounds.
    const { technique } = this.draft();
    if (!isCountedRight(this.draft())) this.amount({ unit: unitOf(technique), ...kindOf(technique).amount });
  }

  protected countIn(text: string): void {
    const unit = oneOf(this.units(), text);
    if (unit) this.amount({ unit });
  }

  protected amount(part: Partial<ExerciseDraft['amount']>): void {
    this.set({ amount: { ...this.draft().amount, ...part } });
  }

  /** The first message about a field or anything inside it. */
  protected message(field: string): string | null {
    const inside = this.problem()?.errors?.find((e) => ['.', '['].some((sep) => e.path.startsWith(field + sep)));
    return fieldMessage(this.problem(), field) ?? inside?.message ?? null;
  }

  protected async save(archived = false): Promise<void> {
    const own = this.own();
    await this.requests.run(
      async () => {
        const body = bodyOf(this.draft(), own?.version ?? null, archived);
        this.saved.emit(await firstValueFrom(this.api.putOwnExercise(own?.id ?? this.id, body)));
      },
      (problem) => {
        if (problem.code === 'id-in-use') this.id = newId();
      },
    );
  }
}
