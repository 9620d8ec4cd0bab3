import type { PropId } from '../catalogue/props.js';
import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import type { Side } from '../anatomy/side.js';
import { exerciseById, type FindExercise } from '../catalogue/exercises.js';
import type { Exercise } from '../catalogue/exercise.js';
import { CoreError } from '../errors.js';
import type { Position } from '../catalogue/rom-test.js';
import { amountOf } from '../technique/prescription.js';
import { isLoaded, type Technique } from '../technique/catalogue.js';
import { CHECK_SECONDS } from '../technique/segment.js';
import { easyLead } from './easy-lead.js';
import { CUE_KINDS, type Cue, type CueKind } from './cue.js';
import { alternates, MOST_ROUNDS, type SessionItem } from './item.js';
import { isLoadedItem, partsOf, restingTechnique, setSeconds, setSegments, type PartBout } from './parts.js';
import { segmentsOf, setSteps, sidesOf, type SessionSegment, type SetStep } from './segments.js';
import { DEFAULT_TIMINGS, warmUpSeconds, type Timings } from '../technique/timings.js';

export interface Timeline {
  readonly cues: readonly Cue[];
  /** Sum of all cues: the length of the session. */
  readonly totalSeconds: number;
  /** Seconds by kind of cue; kinds that do not occur are 0. */
  readonly byKind: Readonly<Record<CueKind, number>>;
}

type Draft = Omit<Cue, 'start'>;

/** What of an exercise decides how long it takes and where it stands. */
export type PlacedExercise = Pick<
  Exercise,
  | 'id'
  | 'primary'
  | 'technique'
  | 'position'
  | 'props'
  | 'sides'
  | 'sidePattern'
  | 'setupSeconds'
  | 'check'
  | 'warmUp'
  | 'pace'
>;

/** Where the body is, and what has been fetched and lies at hand, before an item begins. */
export interface Before {
  readonly position: Position | null;
  readonly props: readonly PropId[];
  /** The exercise that was just done; left out at the start. */
  readonly id?: string;
  /** Its group, where it was loaded. */
  readonly loaded?: MuscleGroupId | null;
}

export const NOWHERE: Before = { position: null, props: [] };

/** How a session is gone through. */
export interface SessionShape {
  /** Leaves the warm-up out. */
  readonly alreadyWarm?: boolean;
  /** How often the list is gone through, 1 to 4. */
  readonly rounds?: number;
}

const SILENT: Pick<Draft, 'alternatesFrom' | 'set' | 'bout' | 'ends' | 'counts' | 'beats'> = {
  alternatesFrom: null,
  set: null,
  bout: null,
  ends: false,
  counts: 0,
  beats: [],
};

/** The check of an exercise comes before the first set of each side, whatever way it is done. */
function checkOf(step: SetStep, exercise: Pick<Exercise, 'check'>): string | null {
  return step.set === 1 ? exercise.check : null;
}

/** Stages belong to the exercise as it is held by itself: parts that a coach has set take their place. */
function stagesOf(parts: readonly PartBout[], exercise: Exercise): Exercise['stages'] {
  const [only] = parts;
  const plain = parts.length === 1 && only!.name === null && only!.breaths === null;
  return plain && only!.bout.technique === exercise.technique ? exercise.stages : [];
}

/** Props of an exercise that are not at hand yet. */
function fetched(exercise: PlacedExercise, before: Before): readonly PropId[] {
  return exercise.props.filter((p) => !before.props.includes(p));
}

/** Transition of a flow: one leads into the next. Seconds, common practice, no source. */
export const FLOW_SECONDS = 3;

/** True where the client stays as they are: the same exercise again, in another item or round, with nothing between. */
function stays(exercise: PlacedExercise, before: Before): boolean {
  return before.id === exercise.id && exercise.id !== '';
}

function positionSeconds(exercise: PlacedExercise, before: Before, t: Timings): number {
  if (stays(exercise, before)) return 0;
  return before.position === exercise.position ? t.samePosition : t.newPosition;
}

function setupSeconds(exercise: PlacedExercise, before: Before): number {
  return stays(exercise, before) ? 0 : exercise.setupSeconds;
}

function restOf(item: SessionItem, exercise: PlacedExercise, t: Timings): number {
  return isLoadedItem(item, exercise) ? t.loadedRest : t.rest;
}

/**
 * Seconds of rest before an item, besides getting into it: none, but for the same exercise again, and between two loaded exercises of a group, where
 * getting into the next is part of it.
 */
function restBefore(
  technique: Technique,
  exercise: PlacedExercise,
  before: Before,
  approach: number,
  t: Timings,
): number {
  const loaded = isLoaded(technique) && before.loaded === exercise.primary;
  if (stays(exercise, before)) return loaded ? t.loadedRest : exercise.sides === 'each' ? t.sideSwitch : t.rest;
  return loaded ? Math.max(0, t.loadedRest - approach) : 0;
}

/** What an item leaves behind for the next one: what was fetched once stays at hand. */
export function beforeNext(technique: Technique, exercise: PlacedExercise, before: Before): Before {
  const { position, id, primary } = exercise;
  const props = [...before.props, ...fetched(exercise, before)];
  return { position, props, id, loaded: isLoaded(technique) ? primary : null };
}

/** Seconds between two sets: a rest on the same side, a switch to the other. */
function gapSeconds(a: SetStep, b: SetStep, rest: number, t: Timings): number {
  return a.side === b.side ? rest : t.sideSwitch;
}

function segmentCues(
  segment: SessionSegment,
  item: SessionItem,
  exercise: Exercise,
  before: Before,
  t: Timings,
  round: number,
  logged: Map<string, number>,
): Draft[] {
  const out: Draft[] = [];
  const steps = setSteps(item, exercise, segment.sides);
  const add = (cue: Pick<Draft, 'kind' | 'seconds' | 'side' | 'says'> & Partial<Draft>): void => {
    if (cue.seconds > 0) out.push({ ...SILENT, item: segment.item, round, ...cue });
  };
  const side = segment.sides[0]!;
  const rest = restOf(item, exercise, t);
  const { between, after } = loosening(item, exercise);
  const loosen = (seconds: number): void =>
    add({ kind: 'loosen', seconds, side: null, says: { code: 'loosen', args: { name: item.loosen?.name ?? '' } } });
  if (segment.switches) loosen(between);
  if (segment.switches) add({ kind: 'switch', seconds: t.sideSwitch, side, says: { code: 'switch', args: { side } } });
  const technique = restingTechnique(item, exercise);
  const waits =
    segment.switches || segment.flows ? 0 : restBefore(technique, exercise, before, approachOf(exercise, before, t), t);
  if (stays(exercise, before) && exercise.sides === 'each' && !isLoaded(technique))
    add({ kind: 'switch', seconds: waits, side, says: { code: 'switch', args: { side } } });
  else add({ kind: 'rest', seconds: waits, side: null, says: { code: 'rest' } });
  // Things are fetched before the position is taken: nobody gets up again for a strap.
  const props = fetched(exercise, before);
  if (props.length > 0) add({ kind: 'prop', seconds: t.prop, side, says: { code: 'fetch', args: { props } } });
  const position = segment.flows ? FLOW_SECONDS : positionSeconds(exercise, before, t);
  add({ kind: 'position', seconds: position, side, says: { code: 'position' } });
  const settling = segment.flows ? 0 : setupSeconds(exercise, before);
  add({ kind: 'set-up', seconds: settling, side, says: { code: 'settle' } });
  steps.forEach((step, i) => {
    const previous = steps[i - 1];
    if (previous && previous.side !== step.side) loosen(between);
    if (previous)
      add(
        previous.side === step.side
          ? { kind: 'rest', seconds: rest, side: step.side, set: previous.set, says: { code: 'rest' } }
          : {
              kind: 'switch',
              seconds: t.sideSwitch,
              side: step.side,
              says: { code: 'switch', args: { side: step.side } },
            },
      );
    const key = `${segment.item}|${step.side}`;
    for (const s of setSegments(step.parts, t, {
      turns: step.turns,
      stages: stagesOf(step.parts, exercise),
      check: checkOf(step, exercise),
    })) {
      // What leads into the next is not left first.
      if (s.kind === 'exit' && segment.leads && i === steps.length - 1) continue;
      const bout = s.counts === null ? null : (logged.get(key) ?? 0) + 1;
      if (bout !== null && s.ends) logged.set(key, bout);
      add({
        kind: s.kind,
        seconds: s.seconds,
        side: step.side,
        alternatesFrom: step.alternatesFrom,
        set: step.set,
        bout,
        ends: s.ends,
        counts: s.counts ?? 0,
        beats: s.beats,
        says: s.says,
      });
    }
  });
  if (segment.ends && !segment.leads) loosen(after);
  return out;
}

/** Seconds of loosening between the sides of an item, and after it. */
function loosening(
  { loosen, ...item }: SessionItem,
  exercise: PlacedExercise,
): { readonly between: number; readonly after: number } {
  if (!loosen) return { between: 0, after: 0 };
  // Between two turns nobody stops to shake out; what has no sides is loosened after.
  const sided = exercise.sides === 'each' && !alternates(item, exercise);
  return {
    between: sided && loosen.when !== 'after' ? loosen.seconds : 0,
    after: !sided || loosen.when !== 'between sides' ? loosen.seconds : 0,
  };
}

/** Seconds of an item's bouts, rests and side switches, without getting into position. */
export function itemBodySeconds(item: SessionItem, exercise: PlacedExercise, t: Timings = DEFAULT_TIMINGS): number {
  const rest = restOf(item, exercise, t);
  const steps = setSteps(item, exercise, sidesOf(item, exercise));
  const { between, after } = loosening(item, exercise);
  let seconds = after;
  let bout = 0;
  steps.forEach((step, i) => {
    const before = steps[i - 1];
    if (before) seconds += gapSeconds(before, step, rest, t) + (before.side === step.side ? 0 : between);
    // The sets of a side share their parts: the seconds are the same.
    if (step.parts !== before?.parts || step.turns !== before.turns)
      bout = setSeconds(step.parts, t, { turns: step.turns, stages: [], check: null });
    seconds += bout + (checkOf(step, exercise) === null ? 0 : CHECK_SECONDS);
  });
  return seconds;
}

function approachOf(exercise: PlacedExercise, before: Before, t: Timings): number {
  return (
    positionSeconds(exercise, before, t) +
    (fetched(exercise, before).length > 0 ? t.prop : 0) +
    setupSeconds(exercise, before)
  );
}

/** Seconds of resting, getting into position, fetching things and settling before an item. @param technique it is done with */
export function itemApproachSeconds(
  exercise: PlacedExercise,
  before: Before,
  t: Timings = DEFAULT_TIMINGS,
  technique: Technique = exercise.technique,
): number {
  const approach = approachOf(exercise, before, t);
  return approach + restBefore(technique, exercise, before, approach, t);
}

function assertTimed(items: readonly SessionItem[], rounds: number, t: Timings, find: FindExercise): void {
  const { tempo: _t, breathing: _b, ...seconds } = t;
  if (Object.values(seconds).some((s: number) => !Number.isInteger(s) || s < 0))
    throw new CoreError('invalid-timeline', { code: 'timing-not-whole', args: {} });
  if (!Number.isInteger(rounds) || rounds < 1 || rounds > MOST_ROUNDS)
    throw new CoreError('invalid-timeline', { code: 'rounds-bounds', args: { most: MOST_ROUNDS } });
  for (const item of items) {
    const parts = partsOf(item, find(item.exerciseId));
    const counts = [item.sets, ...parts.flatMap((p) => [amountOf(p.bout), p.breaths ?? 1])];
    if (counts.some((n) => !Number.isInteger(n) || n < 1))
      throw new CoreError('invalid-timeline', { code: 'item-not-doable', args: {} });
  }
}

/**
 * The cues of a session, in order, to the second (domain 2.7). The one source for player, print and totals.
 *
 * Easy movement that it begins with counts towards the warm-up. An item is: prop when a new one is needed, position change, settling, then for each side its sets (entry, work, exit, with a rest between
 * two sets and none after the last) and a side switch between the sides; alternating and chained items change sides on the way. Both sides
 * get the same seconds but for what the tighter side gets on top.
 *
 * @throws CoreError `invalid-timeline`, `unknown-exercise`
 */
export function buildTimeline(
  items: readonly SessionItem[],
  { alreadyWarm = false, rounds = 1 }: SessionShape = {},
  timings: Timings = DEFAULT_TIMINGS,
  find: FindExercise = exerciseById,
): Timeline {
  assertTimed(items, rounds, timings, find);
  const drafts: Draft[] = [];
  const logged = new Map<string, number>();
  const segments = segmentsOf(items, (i) => find(i.exerciseId));
  let before = NOWHERE;
  for (let round = 1; round <= rounds; round++)
    for (const segment of segments) {
      const item = items[segment.item]!;
      const exercise = find(item.exerciseId);
      drafts.push(...segmentCues(segment, item, exercise, before, timings, round, logged));
      before = beforeNext(restingTechnique(item, exercise), exercise, before);
    }
  const work = drafts.reduce((sum, c) => sum + c.seconds, 0);
  const lead = easyLead(items, find);
  const easy = drafts.reduce((sum, c) => sum + (c.round === 1 && c.item! < lead ? c.seconds : 0), 0);
  const warmUp = warmUpSeconds(work, alreadyWarm, easy);
  if (warmUp > 0)
    drafts.unshift({
      ...SILENT,
      kind: 'warm-up',
      seconds: warmUp,
      item: null,
      side: null,
      round: 1,
      says: { code: 'warm-up' },
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

/** Seconds of each side that count in an item, planned. */
export function plannedSeconds(timeline: Timeline, item: number, side: Side): number {
  return timeline.cues
    .filter((c) => c.item === item && (c.side === side || c.side === null))
    .reduce((sum, c) => sum + c.counts, 0);
}
