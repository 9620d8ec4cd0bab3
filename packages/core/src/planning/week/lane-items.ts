import type { Exercise } from '../../catalogue/exercise.js';
import type { SessionItem } from '../../session/item.js';
import { timeItem, type TimedItem } from '../../session/session-seconds.js';
import type { PlacedExercise } from '../../session/timeline.js';
import { amountOf, type Bout } from '../../technique/prescription.js';
import type { Timings } from '../../technique/timings.js';

/** An exercise with its part of a session's sets. */
export interface SetShare<E> {
  readonly exercise: E;
  readonly sets: number;
}

/** Sets of a session shared out to one or two exercises; the first gets the odd one (domain 2.10, 5). */
export function shareSets<E>(exercises: readonly E[], sets: number): SetShare<E>[] {
  const n = Math.max(1, Math.min(exercises.length, sets));
  return exercises
    .slice(0, n)
    .map((exercise, i) => ({ exercise, sets: Math.floor(sets / n) + (i < sets % n ? 1 : 0) }));
}

/** A bout as its exercises share it: the tighter side's extra goes to the first. */
export function sharedBouts<E>(bout: Bout, exercises: readonly E[]): { readonly exercise: E; readonly bout: Bout }[] {
  return shareSets(exercises, bout.sets).map(({ exercise, sets }, i) => {
    const { bonus, ...plain } = bout;
    return { exercise, bout: bonus && i === 0 ? { ...plain, sets, bonus } : { ...plain, sets } };
  });
}

/** Stands in for an exercise that is not chosen yet. */
function unknownExercise(bout: Bout, group: Exercise['primary']): PlacedExercise {
  return {
    id: '',
    primary: group,
    technique: bout.technique,
    position: 'standing',
    props: [],
    sides: 'each',
    sidePattern: 'side by side',
    setupSeconds: 0,
    check: null,
  };
}

/** The items of a lane in one session, with what finding room for them asks again and again. */
export interface Load {
  readonly items: readonly TimedItem[];
  /** Seconds that they take at least, wherever they land. */
  readonly least: number;
  /** Number of the ways that lead into them: loads of one number of a lane cost the same to get into. */
  readonly ways: number;
  readonly body: number;
  readonly positions: readonly string[];
  /** The same by section of the session, and the single things that have to be fetched. */
  readonly stations: readonly string[];
  readonly things: readonly string[];
}

/** Makes loads of items, and numbers the ways that lead into them: 0 for the first, as nearly all are. */
export class Loads {
  private readonly ways = new Map<string, number>();

  of(items: readonly TimedItem[], plan: number): Load {
    const key = `${plan}|${items.map((i) => i.way).join()}`;
    const seen = [...this.ways.keys()].filter((k) => k.startsWith(`${plan}|`));
    if (!this.ways.has(key)) this.ways.set(key, seen.length);
    const body = items.reduce((sum, i) => sum + i.bodySeconds, 0);
    return {
      items,
      body,
      least: items.reduce((sum, i) => sum + i.leastApproach, body),
      ways: this.ways.get(key)!,
      positions: [...new Set(items.map((i) => i.exercise.position))],
      stations: [...new Set(items.map((i) => `${i.placed.section} ${i.exercise.position}`))],
      things: [...new Set(items.flatMap((i) => (i.exercise.props.length === 1 ? i.exercise.props : [])))],
    };
  }
}

/** Session items of a lane, worked out once for each bout that is tried. */
export class LaneItems {
  private readonly known = new Map<string, readonly TimedItem[]>();

  constructor(
    private readonly group: Exercise['primary'],
    private readonly timings: Timings | undefined,
    /** Exercises of a bout's technique in a day plan; null where none are chosen yet. */
    private readonly exercisesIn: (bout: Bout, plan: number) => readonly Exercise[] | null,
  ) {}

  of(bout: Bout, plan: number): readonly TimedItem[] {
    const { technique, sets, holdSeconds, reps, cycles, pushSeconds, lowerSeconds, bonus } = bout;
    const extra = bonus ? `${bonus.side}${bonus.sets},${bonus.more}` : '';
    const key = `${plan}|${technique}|${sets}|${holdSeconds}|${reps}|${cycles}|${pushSeconds}|${lowerSeconds}|${amountOf(bout)}|${extra}`;
    let items = this.known.get(key);
    if (!items) {
      const exercises: readonly PlacedExercise[] = this.exercisesIn(bout, plan) ?? [unknownExercise(bout, this.group)];
      items = sharedBouts(bout, exercises).map(({ exercise, bout: b }) => {
        const item: SessionItem = { ...b, exerciseId: exercise.id, firstSide: 'left' };
        return timeItem(item, exercise, this.timings);
      });
      this.known.set(key, items);
    }
    return items;
  }
}
