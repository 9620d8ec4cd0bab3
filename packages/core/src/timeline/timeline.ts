import { otherSide, type Side } from '../anatomy/side.js';
import { exerciseById, type FindExercise } from '../catalogue/exercises.js';
import type { Exercise } from '../catalogue/exercise.js';
import { boutsOn } from '../dose/dose.js';
import { CoreError } from '../errors.js';
import type { Position } from '../measuring/rom-test.js';
import { amountOf } from '../styles/prescription.js';
import { isLoaded } from '../styles/technique.js';
import { boutSeconds, boutSegments } from './bout-cues.js';
import { CUE_KINDS, type Cue, type CueKind } from './cue.js';
import { boutOf, type SessionItem } from './item.js';
import { DEFAULT_TIMINGS, warmUpSeconds, type Timings } from './timings.js';

export interface Timeline {
  readonly cues: readonly Cue[];
  /** Sum of all cues: the length of the session. */
  readonly totalSeconds: number;
  /** Seconds by kind of cue; kinds that do not occur are 0. */
  readonly byKind: Readonly<Record<CueKind, number>>;
}

type Draft = Omit<Cue, 'start'>;

/** What of an exercise decides how long it takes and where it stands. */
export type PlacedExercise = Pick<Exercise, 'id' | 'primary' | 'technique' | 'position' | 'props' | 'sides'>;

/** Where the body is, and what lies at hand, before an item begins. */
export interface Before {
  readonly position: Position | null;
  readonly props: readonly string[];
}
export const NOWHERE: Before = { position: null, props: [] };

function sideWord(side: Side | null): string {
  return side === null ? '' : side === 'left' ? 'Left side. ' : 'Right side. ';
}

/** Sides of an item in the order they are done; one null for an exercise that works both at once. */
function sidesOf(item: SessionItem, exercise: PlacedExercise): readonly (Side | null)[] {
  return exercise.sides === 'each' ? [item.firstSide, otherSide(item.firstSide)] : [null];
}

/** Props of an exercise that are not at hand yet. */
function fetched(exercise: PlacedExercise, before: Before): readonly string[] {
  return exercise.props.filter((p) => !before.props.includes(p));
}

function positionSeconds(exercise: PlacedExercise, before: Before, t: Timings): number {
  return before.position === exercise.position ? t.samePosition : t.newPosition;
}

function itemCues(item: SessionItem, index: number, exercise: Exercise, before: Before, t: Timings): Draft[] {
  const out: Draft[] = [];
  const add = (
    kind: CueKind,
    seconds: number,
    text: string,
    side: Side | null = null,
    set: number | null = null,
    bout: number | null = null,
    counts = 0,
  ): void => {
    if (seconds > 0) out.push({ kind, seconds, item: index, side, set, bout, counts, text });
  };
  const sides = sidesOf(item, exercise);
  const asked = boutOf(item, exercise);
  const rest = isLoaded(asked.technique) ? t.loadedRest : t.rest;
  add('position', positionSeconds(exercise, before, t), `${exercise.name}. ${exercise.steps[0]}`, sides[0]);
  const props = fetched(exercise, before);
  if (props.length > 0) add('prop', t.prop, `Have ready: ${props.join(', ')}.`, sides[0]);
  sides.forEach((side, sideIndex) => {
    if (sideIndex > 0) add('switch', t.sideSwitch, `Other side: ${side}.`, side);
    const { sets, bout } = boutsOn(asked, side);
    let logged = 0;
    for (let set = 1; set <= sets; set++) {
      for (const s of boutSegments(bout, exercise, t))
        add(
          s.kind,
          s.seconds,
          s.kind === 'exit' ? s.text : `${sideWord(side)}${s.text}`,
          side,
          set,
          s.counts === null ? null : ++logged,
          s.counts ?? 0,
        );
      if (set < sets) add('rest', rest, 'Rest.', side, set);
    }
  });
  return out;
}

/** Seconds of an item's bouts, rests and side switch, without getting into position. */
export function itemBodySeconds(item: SessionItem, exercise: PlacedExercise, t: Timings = DEFAULT_TIMINGS): number {
  const asked = boutOf(item, exercise);
  const rest = isLoaded(asked.technique) ? t.loadedRest : t.rest;
  const sides = sidesOf(item, exercise);
  return sides.reduce(
    (sum, side) => {
      const { sets, bout } = boutsOn(asked, side);
      return sum + sets * boutSeconds(bout, t) + (sets - 1) * rest;
    },
    (sides.length - 1) * t.sideSwitch,
  );
}

/** Seconds of getting into position and fetching things before an item. */
export function itemApproachSeconds(exercise: PlacedExercise, before: Before, t: Timings = DEFAULT_TIMINGS): number {
  return positionSeconds(exercise, before, t) + (fetched(exercise, before).length > 0 ? t.prop : 0);
}

/**
 * The cues of a session, in order, to the second (domain 2.7). The one source for player, print and totals.
 *
 * An item is: position change, prop when a new one is needed, then for each side its sets (entry, hold, exit, with a rest between
 * two sets and none after the last) and a side switch between the sides. Both sides get the same seconds.
 *
 * @param alreadyWarm leaves the warm-up out
 * @throws CoreError `invalid-timeline`, `unknown-exercise`
 */
export function buildTimeline(
  items: readonly SessionItem[],
  alreadyWarm = false,
  timings: Timings = DEFAULT_TIMINGS,
  find: FindExercise = exerciseById,
): Timeline {
  if (Object.values(timings).some((s: number) => !Number.isInteger(s) || s < 0))
    throw new CoreError('invalid-timeline', 'Every timing is a whole number of seconds, 0 or more.');
  const drafts: Draft[] = [];
  let before = NOWHERE;
  items.forEach((item, i) => {
    const exercise = find(item.exerciseId);
    const asked = boutOf(item, exercise);
    if (!Number.isInteger(asked.sets) || asked.sets < 1 || !Number.isInteger(amountOf(asked)) || amountOf(asked) < 1)
      throw new CoreError('invalid-timeline', 'Sets, seconds and repetitions are whole numbers of 1 or more.');
    drafts.push(...itemCues(item, i, exercise, before, timings));
    before = { position: exercise.position, props: exercise.props };
  });
  const work = drafts.reduce((sum, c) => sum + c.seconds, 0);
  const warmUp = warmUpSeconds(work, alreadyWarm);
  if (warmUp > 0)
    drafts.unshift({
      kind: 'warm-up',
      seconds: warmUp,
      item: null,
      side: null,
      set: null,
      bout: null,
      counts: 0,
      text: 'Easy whole-body movement until you are warm: walk on the spot, swing the arms, bend and stretch the knees.',
    });

  const byKind = Object.fromEntries(CUE_KINDS.map((k) => [k, 0])) as Record<CueKind, number>;
  let start = 0;
  const cues = drafts.map((d) => {
    const cue: Cue = { ...d, start };
    start += d.seconds;
    byKind[d.kind] += d.seconds;
    return cue;
  });
  return { cues, totalSeconds: start, byKind };
}

/** Seconds each item takes, from its first cue to its last. */
export function itemSeconds(timeline: Timeline, itemCount: number): number[] {
  const out = Array.from({ length: itemCount }, () => 0);
  for (const c of timeline.cues) if (c.item !== null) out[c.item]! += c.seconds;
  return out;
}
