import { oneOf } from '../ui/one-of';
import { Component, computed, inject, signal } from '@angular/core';
import {
  BODY_MAP,
  DIFFICULTY_WORDS,
  exercisesOfKind,
  kindAsked,
  kindWords,
  MUSCLE_GROUPS,
  muscleGroupName,
  PLACE_KINDS,
  placeOfKind,
  POSITIONS,
  PROPS,
  shareOf,
  TECHNIQUES,
  WHY_NONE,
  whereDoneWords,
  type Exercise,
  type MuscleGroupId,
} from '@yandle/core';
import type { OwnExercise } from '@yandle/contract';
import { ClientContext } from '../data/client-context';
import { ToastService } from '../data/toast.service';
import { BodyFigure, type RegionShade } from '../ui/body-figure';
import { FigureView } from '../ui/figure';
import { ProblemNote } from '../ui/problem-note';
import { ExerciseDetail } from './exercise-detail';
import { EVERYTHING, found, unsuitable, type Search } from './filter.model';
import { LibraryService } from './library.service';
import { MineService } from '../data/mine.service';
import { OwnExerciseForm } from './own-exercise-form';

/** What is folded away on a narrow screen. */
const FOLDED: readonly (keyof Search)[] = ['group', 'technique', 'position', 'place', 'minutes', 'prop', 'difficulty'];

/** How many cards are drawn at first; more on demand. */
const PAGE = 24;

/** All exercises: find, look, print, copy, edit. */
@Component({
  selector: 'y-library',
  imports: [BodyFigure, ExerciseDetail, FigureView, OwnExerciseForm, ProblemNote],
  providers: [MineService],
  templateUrl: './library.html',
})
export class LibraryScreen {
  protected readonly mine = inject(MineService);
  protected readonly library = inject(LibraryService);
  private readonly context = inject(ClientContext);
  private readonly toasts = inject(ToastService);
  protected readonly search = signal<Search>(EVERYTHING);
  /** On a narrow screen the map and the filters are folded away, so that the list is seen at once. */
  protected readonly choosing = signal(false);
  protected readonly shown = signal<string | null>(null);
  /** The exercise in the form: an own one, a copy of another, or a new one. */
  protected readonly editing = signal<{ readonly of: Exercise | null; readonly own: OwnExercise | null } | null>(null);
  protected readonly most = signal(PAGE);

  protected readonly amongs = [
    { id: '', name: 'All' },
    { id: 'favourites', name: '★ Favourites' },
    { id: 'recent', name: 'In use' },
  ] as const;
  protected readonly whereDone = whereDoneWords;
  protected readonly kind = kindWords;
  protected readonly techniques = TECHNIQUES;
  protected readonly places = PLACE_KINDS.map((id) => ({ id, name: placeOfKind(id).name }));
  protected readonly positions = POSITIONS;
  protected readonly props = PROPS;
  protected readonly groups = MUSCLE_GROUPS;
  protected readonly chosenGroup = (id: string): MuscleGroupId | null =>
    oneOf(
      MUSCLE_GROUPS.map((g) => g.id),
      id,
    );
  protected readonly groupName = muscleGroupName;
  protected readonly difficultyWords = DIFFICULTY_WORDS;

  protected readonly client = computed(() => {
    const path = this.context.path().value;
    return path ? { name: path.client.name, cautions: path.cautions, about: path.about } : null;
  });
  /** Why exercises do not suit the open client, by id: worked out once a client, not at every key. */
  private readonly notFor = computed((): ReadonlyMap<string, readonly string[]> => {
    const c = this.client();
    return new Map(
      c
        ? this.library.exercises().flatMap((e) => {
            const why = unsuitable(e, c);
            return why.length > 0 ? [[e.id, why] as const] : [];
          })
        : [],
    );
  });
  private readonly fitting = computed(() => found(this.library.index(), this.search(), this.mine.mine()));
  protected readonly list = computed(() =>
    this.search().suits ? this.fitting().filter((e) => !this.notFor().has(e.id)) : this.fitting(),
  );
  /** How many of those found do not suit the open client. */
  protected readonly unsuited = computed(() => this.fitting().filter((e) => this.notFor().has(e.id)).length);
  /** Why the library has nothing of what is asked for, where that is on purpose. */
  protected readonly onPurpose = computed(() => {
    const { group, technique } = this.search();
    const kind = kindAsked(technique);
    return group && kind && exercisesOfKind(group, kind).length === 0 ? (WHY_NONE[group]?.[kind] ?? null) : null;
  });
  protected readonly cards = computed(() => this.list().slice(0, this.most()));
  protected readonly exercise = computed(() => this.library.exercises().find((e) => e.id === this.shown()) ?? null);
  protected readonly against = computed(() => {
    const e = this.exercise();
    return e ? this.whyNot(e) : [];
  });
  /** How many of what is folded away on a narrow screen narrow the list. */
  protected readonly folded = computed(() => {
    const s = this.search();
    return FOLDED.filter((k) => s[k] !== EVERYTHING[k]).length;
  });
  protected readonly filtered = computed(() => JSON.stringify(this.search()) !== JSON.stringify(EVERYTHING));

  /** How many exercises work each group tints the body. */
  protected readonly shades = computed((): ReadonlyMap<MuscleGroupId, RegionShade> => {
    const chosen = this.search().group;
    return new Map(
      BODY_MAP.map((r) => {
        const n = this.library.exercises().filter((e) => shareOf(e, r.group) > 0).length;
        const fill = r.group === chosen ? 'var(--fig-stretched)' : 'var(--minutes)';
        return [r.group, { fill, words: `${muscleGroupName(r.group)}: ${n} exercises` }];
      }),
    );
  });

  protected whyNot(e: Exercise): readonly string[] {
    return this.notFor().get(e.id) ?? [];
  }

  constructor() {
    void this.mine.load();
  }

  protected set(part: Partial<Search>): void {
    this.search.update((s) => ({ ...s, ...part }));
    this.most.set(PAGE);
  }

  protected reset(): void {
    this.search.set(EVERYTHING);
  }

  protected pick(group: MuscleGroupId): void {
    this.set({ group: this.search().group === group ? null : group });
  }

  protected more(): void {
    this.most.update((n) => n + PAGE);
  }

  protected open(id: string): void {
    this.editing.set(null);
    this.shown.set(id);
    queueMicrotask(() => document.getElementById('exercise')?.scrollIntoView?.({ block: 'nearest' }));
  }

  protected edit(e: Exercise): void {
    this.editing.set({ of: e, own: this.library.ownOf(e) });
  }

  protected async kept(own: OwnExercise): Promise<void> {
    await this.library.load();
    this.editing.set(null);
    this.shown.set(own.archived ? null : `own-${own.id}`);
    if (own.archived)
      this.toasts.show(`${own.name} is archived.`, { label: 'Undo', run: () => void this.restore(own) });
    else this.toasts.show(`${own.name} is saved.`);
  }

  private async restore(archived: OwnExercise): Promise<void> {
    const own = await this.library.restore(archived);
    if (own) await this.kept(own);
  }

  protected download(): void {
    const blob = new Blob([JSON.stringify(this.library.file(), null, 2)], { type: 'application/json' });
    const link = document.createElement('a');
    link.href = URL.createObjectURL(blob);
    link.download = 'exercises.json';
    link.click();
    URL.revokeObjectURL(link.href);
  }

  protected async upload(input: HTMLInputElement): Promise<void> {
    const file = input.files?.[0];
    if (!file) return;
    const words = await this.library.take(await file.text());
    input.value = '';
    if (words) this.toasts.show(words);
  }
}
