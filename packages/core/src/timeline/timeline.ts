import { otherSide, type Side } from '../anatomy/side.js';
import { exerciseById, type FindExercise } from '../catalogue/exercises.js';
import type { Exercise } from '../catalogue/exercise.js';
import { CoreError } from '../errors.js';
import type { Position } from '../measuring/rom-test.js';
import type { Cue, CueKind } from './cue.js';
import type { SessionItem } from './item.js';
import { DEFAULT_TIMINGS, warmUpSeconds, type Timings } from './timings.js';

export interface Timeline {
  readonly cues: readonly Cue[];
  /** Sum of all cues: the length of the session. */
  readonly totalSeconds: number;
  /** Seconds by kind of cue; kinds that do not occur are 0. */
  readonly byKind: Readonly<Record<CueKind, number>>;
}

type Draft = Omit<Cue, 'start'>;

function sideWord(side: Side | null): string {
  return side === null ? '' : side === 'left' ? 'Left side. ' : 'Right side. ';
}

function itemCues(
  item: SessionItem,
  index: number,
  exercise: Exercise,
  before: { position: Position | null; props: readonly string[] },
  t: Timings,
): Draft[] {
  const out: Draft[] = [];
  const add = (
    kind: CueKind,
    seconds: number,
    text: string,
    side: Side | null = null,
    set: number | null = null,
  ): void => {
    if (seconds > 0) out.push({ kind, seconds, item: index, side, set, text });
  };
  const sides: (Side | null)[] = exercise.sides === 'each' ? [item.firstSide, otherSide(item.firstSide)] : [null];
  const isNew = before.position !== exercise.position;
  add('position', isNew ? t.newPosition : t.samePosition, `${exercise.name}. ${exercise.steps[0]}`, sides[0]);
  const fetched = exercise.props.filter((p) => !before.props.includes(p));
  if (fetched.length > 0) add('prop', t.prop, `Have ready: ${fetched.join(', ')}.`, sides[0]);
  sides.forEach((side, sideIndex) => {
    if (sideIndex > 0) add('switch', t.sideSwitch, `Other side: ${side}.`, side);
    for (let set = 1; set <= item.sets; set++) {
      add('entry', t.entry, `${sideWord(side)}Go to the first clear pull.`, side, set);
      add('hold', item.holdSeconds, `${sideWord(side)}Hold and breathe.`, side, set);
      add('exit', t.exit, 'Come out slowly, shake out, notice.', side, set);
      if (set < item.sets) add('rest', t.rest, 'Rest.', side, set);
    }
  });
  return out;
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
  let before: { position: Position | null; props: readonly string[] } = { position: null, props: [] };
  items.forEach((item, i) => {
    if (![item.sets, item.holdSeconds].every((n) => Number.isInteger(n) && n >= 1))
      throw new CoreError('invalid-timeline', 'Sets and hold seconds are whole numbers of 1 or more.');
    const exercise = find(item.exerciseId);
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
      text: 'Easy whole-body movement until you are warm: walk on the spot, swing the arms, bend and stretch the knees.',
    });

  const byKind: Record<CueKind, number> = {
    'warm-up': 0,
    position: 0,
    prop: 0,
    entry: 0,
    hold: 0,
    exit: 0,
    rest: 0,
    switch: 0,
  };
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
