import { Component, computed, inject, type OnDestroy, output, signal } from '@angular/core';
import {
  muscleGroupName,
  POSITIONS,
  purposeRules,
  PURPOSE_IDS,
  runningList,
  type Composition,
  type ComposeRequest,
  type MuscleGroupId,
  type Position,
  type PurposeId,
  type SessionClash,
  type ClientPlace,
  purposeName,
  purposeWords,
  clashWords,
  wayOutWords,
  objectionWords,
  reasonsWords,
  shortfallWords,
  proofWords,
} from '@yandle/core';
import { Composer } from './composer.service';
import { SheetStore } from './sheet.store';

/** What the coach says of an exercise of the session before it is composed again. */
type Choice = 'keep' | 'lock' | 'free' | 'never';

/** Composes the session from what its lanes ask: for a purpose, in some minutes, in the positions that are possible. */
@Component({
  selector: 'y-compose-panel',
  templateUrl: './compose-panel.html',
})
export class ComposePanel implements OnDestroy {
  protected readonly store = inject(SheetStore);
  protected readonly composer = inject(Composer);
  readonly closed = output();

  protected readonly purposes = PURPOSE_IDS.map((id) => ({ id, name: purposeName(id) }));
  protected readonly positions = POSITIONS;
  protected readonly groupName = muscleGroupName;
  protected readonly purpose = signal<PurposeId>(this.store.session()!.purpose);
  protected readonly minutes = signal(this.store.session()!.minutesBudget);
  protected readonly warm = signal(this.store.session()!.alreadyWarm);
  protected readonly place = signal<ClientPlace | null>(this.store.place());
  protected readonly possible = signal<readonly Position[]>(this.store.place()?.positions ?? POSITIONS);
  protected readonly trained = signal<readonly MuscleGroupId[]>([]);
  private readonly choices = signal<Readonly<Record<string, Choice>>>({});
  protected readonly made = signal<Composition | SessionClash | null>(null);

  protected readonly rules = computed(() => purposeRules(this.purpose()));
  protected readonly purposeText = computed(() => purposeWords(this.purpose()));
  protected readonly groups = computed(() => [...new Set(this.store.needs().map((n) => n.group))]);
  protected readonly rows = computed(() => {
    const ids = [...new Set([...this.store.session()!.items.map((i) => i.exerciseId), ...Object.keys(this.choices())])];
    return ids.map((id): { id: string; name: string; choice: Choice } => ({
      id,
      name: this.store.find(id).name,
      choice: this.choices()[id] ?? 'free',
    }));
  });
  protected readonly session = computed(() => {
    const m = this.made();
    return m?.kind === 'session' ? m : null;
  });
  protected readonly clash = computed(() => {
    const m = this.made();
    return m?.kind === 'clash' ? { words: clashWords(m), waysOut: m.waysOut.map(wayOutWords) } : null;
  });
  protected readonly proof = computed(() => {
    const m = this.session();
    return m ? proofWords(m) : '';
  });

  /** What was not considered, by reason: nothing is left out silently. */
  protected readonly leftOut = computed(() => {
    const all = this.session()?.leftOut ?? [];
    const said = all.map((l) => ({ name: l.exercise.name, because: objectionWords(l.because) }));
    return [...new Set(said.map((l) => l.because))].map((because) => ({
      because,
      names: runningList([...new Set(said.filter((l) => l.because === because).map((l) => l.name))]),
    }));
  });

  constructor() {
    this.composer.warm();
  }

  ngOnDestroy(): void {
    this.composer.cancel();
  }

  protected setPurpose(id: string): void {
    const purpose = id as PurposeId;
    const rules = purposeRules(purpose);
    this.purpose.set(purpose);
    this.warm.set(rules.warm);
    if (rules.minutes !== null) this.minutes.set(rules.minutes);
  }

  /** A place brings the positions that are possible there. */
  protected setPlace(id: string): void {
    const place = this.store.places().find((p) => p.id === id) ?? null;
    this.place.set(place);
    this.possible.set(place?.positions ?? POSITIONS);
  }

  protected toggle<T>(list: readonly T[], value: T): readonly T[] {
    return list.includes(value) ? list.filter((x) => x !== value) : [...list, value];
  }

  protected flip(position: Position): void {
    this.possible.update((p) => this.toggle(p, position));
  }

  protected flipTrained(group: MuscleGroupId): void {
    this.trained.update((t) => this.toggle(t, group));
  }

  protected choice(id: string, choice: string): void {
    this.choices.update((w) => ({ ...w, [id]: choice as Choice }));
  }

  protected readonly reasons = reasonsWords;
  protected readonly shortfall = shortfallWords;

  protected nameOf(id: string): string {
    return this.store.find(id).name;
  }

  protected async compose(): Promise<void> {
    this.made.set(null);
    this.made.set(await this.composer.compose(this.request()));
  }

  protected take(): void {
    const m = this.session();
    if (!m) return;
    const client = this.store.clientMinutes();
    this.store.change({
      items: m.items,
      purpose: this.purpose(),
      alreadyWarm: m.alreadyWarm,
      rounds: 1,
      minutes: this.minutes() === client ? null : this.minutes(),
    });
    this.closed.emit();
  }

  private request(): ComposeRequest {
    const s = this.store.session()!;
    const chosenTo = (choice: Choice): string[] =>
      Object.entries(this.choices()).flatMap(([id, w]) => (w === choice ? [id] : []));
    return {
      needs: this.store.needs(),
      exercises: this.store.allExercises(),
      cautions: this.store.cautions(),
      place: this.place(),
      experience: this.store.level(),
      positions: this.possible(),
      purpose: this.purpose(),
      trained: this.rules().trainedFactor > 1 ? this.trained() : [],
      budgetSeconds: this.minutes() * 60,
      alreadyWarm: this.warm(),
      keep: chosenTo('keep'),
      never: chosenTo('never'),
      locks: chosenTo('lock').flatMap((id) => {
        const item = s.items.find((i) => i.exerciseId === id);
        return item ? [{ exerciseId: id, sets: item.sets }] : [];
      }),
      onHold: this.store.onHold(),
      known: s.plannedItems.map((i) => i.exerciseId),
      caps: {},
      timings: this.store.timings(),
    };
  }
}
