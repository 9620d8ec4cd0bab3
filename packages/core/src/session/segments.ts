import { otherSide, type Side } from '../anatomy/side.js';
import type { Exercise } from '../catalogue/exercise.js';
import { boutsOn } from '../dose/dose.js';
import { unitOf } from '../technique/catalogue.js';
import { alternates, boutOf, type SessionItem } from './item.js';
import { partsOf, type PartBout } from './parts.js';

/** One set as it stands in the order of a session. */
export interface SetStep {
  /** Null when both sides work at once, or take turns inside the set. */
  readonly side: Side | null;
  readonly alternatesFrom: Side | null;
  /** 1-based on its side. */
  readonly set: number;
  readonly parts: readonly PartBout[];
  /** 2 when both sides take turns inside the set, repetition by repetition. */
  readonly turns: 1 | 2;
}

/** A stay at one exercise: into position once, then some sets. */
export interface SessionSegment {
  /** Place of the item. */
  readonly item: number;
  readonly sides: readonly (Side | null)[];
  /** True when the other side of a chain begins here. */
  readonly switches: boolean;
  /** True when the item before leads into this one. */
  readonly flows: boolean;
  /** True when this one leads into the next. */
  readonly leads: boolean;
  /** True for the last stay of its item in a round. */
  readonly ends: boolean;
}

/** What of an exercise says how its sides follow one another. */
export type SidedExercise = Pick<Exercise, 'technique' | 'sides' | 'sidePattern'>;

/** Sides of an item in the order they are done; one null for an exercise that works both at once. */
export function sidesOf(item: SessionItem, exercise: Pick<Exercise, 'sides'>): readonly (Side | null)[] {
  return exercise.sides === 'each' ? [item.firstSide, otherSide(item.firstSide)] : [null];
}

/**
 * The sets of an item on some sides, in order. Side by side: all of one, then all of the other. Alternating: repetitions take turns inside a
 * set; holds, sets of several parts, and sets with something extra for one side, take turns set by set. A middle set comes last.
 */
export function setSteps(item: SessionItem, exercise: SidedExercise, sides: readonly (Side | null)[]): SetStep[] {
  const asked = boutOf(item, exercise);
  const steps = sides.map((side) => {
    const { sets } = boutsOn(asked, side);
    const parts = partsOf(item, exercise, side);
    return Array.from({ length: sets }, (_, i): SetStep => ({
      side,
      alternatesFrom: null,
      set: i + 1,
      parts,
      turns: 1,
    }));
  });
  // Once the second side is done, in a chain too, where the sides are apart.
  const after = item.middle === true && sides.at(-1) === otherSide(item.firstSide);
  const middle = after ? [{ ...steps[0]![0]!, side: null, parts: partsOf(item, exercise) }] : [];
  if (sides.length < 2) return [...steps.flat(), ...middle];
  if (!alternates(item, exercise)) return [...steps.flat(), ...middle];
  const plain = !asked.bonus && !item.middle && item.then === undefined;
  if (unitOf(asked.technique) === 'repetitions' && plain)
    return steps[0]!.map((s) => ({ ...s, side: null, alternatesFrom: sides[0]!, turns: 2 }));
  const most = Math.max(...steps.map((s) => s.length));
  return [...Array.from({ length: most }, (_, i) => steps.flatMap((s) => s.slice(i, i + 1))).flat(), ...middle];
}

/** Items from one up to the last one that is linked to it. */
function runFrom(items: readonly SessionItem[], from: number): number {
  const link = items[from]!.link;
  let to = from;
  while (link !== undefined && to < items.length - 1 && items[to]!.link === link) to++;
  return to;
}

/** Places of items that stand together, in order: links keep them so. */
export function linkedRuns(items: readonly SessionItem[]): number[][] {
  const runs: number[][] = [];
  for (let i = 0; i < items.length;) {
    const to = runFrom(items, i);
    runs.push(Array.from({ length: to - i + 1 }, (_, k) => i + k));
    i = to + 1;
  }
  return runs;
}

/** The stays of a session in order: a chain goes through its exercises once a side. */
export function segmentsOf(
  items: readonly SessionItem[],
  exerciseOf: (item: SessionItem) => Pick<Exercise, 'sides'>,
): SessionSegment[] {
  return linkedRuns(items).flatMap((run): SessionSegment[] => {
    const first = items[run[0]!]!;
    if (run.length < 2 || first.link === 'flow')
      return run.map((item, i) => ({
        item,
        sides: sidesOf(items[item]!, exerciseOf(items[item]!)),
        switches: false,
        flows: i > 0,
        leads: i < run.length - 1,
        ends: true,
      }));
    const pass = (side: Side, again: boolean): SessionSegment[] =>
      run
        .filter((item) => !again || exerciseOf(items[item]!).sides === 'each')
        .map((item, i) => ({
          item,
          sides: [exerciseOf(items[item]!).sides === 'each' ? side : null],
          switches: again && i === 0,
          flows: false,
          leads: false,
          ends: again || exerciseOf(items[item]!).sides === 'both',
        }));
    return [...pass(first.firstSide, false), ...pass(otherSide(first.firstSide), true)];
  });
}
