import { MUSCLE_GROUP_IDS, type MuscleGroupId } from '../anatomy/muscle-group.js';
import { SIDES, type Side } from '../anatomy/side.js';
import { shareOf, type Exercise } from '../catalogue/exercise.js';
import { isLoaded } from '../technique/catalogue.js';
import { stillShare, type Candidate } from './candidates.js';
import { heldOn } from './held.js';
import type { Chosen } from './real-session.js';
import { worth, type ComposeRequest } from './request.js';
import { purposeRules } from '../session/purpose.js';
import { shortfallScale, STEEP, type ShortfallScale } from './shortfall-scale.js';

/** Most exercises that the sets of one need are divided over. */
export const CANDIDATES_PER_NEED = 2;
/** What an exercise the client does not know counts on top of one that they know: two known ones stay before a new one. Common practice, no source. */
export const NEW_EXERCISE = 2;

/** One way to do a need: nothing, one exercise, or two with the sets divided. */
export interface Way {
  readonly need: number;
  readonly picks: readonly Chosen[];
  /** Seconds of the exercises, in positions that are taken and with their things at hand. */
  readonly seconds: number;
  /** Sets that the week needs at least and that this leaves out. */
  readonly floors: number;
  /** Work missing, in the parts of the scale, weighted. */
  readonly missing: number;
  /** Exercises, new ones counting more. */
  readonly exercises: number;
}

/** What an exercise counts in the number of them. */
export function exerciseCount(exercise: Pick<Exercise, 'id'>, request: Pick<ComposeRequest, 'known'>): number {
  return request.known.includes(exercise.id) ? 1 : 1 + NEW_EXERCISE;
}

/** What some picks of a need are worth by the first three objectives, and how long they take. */
export function wayOf(need: number, picks: readonly Chosen[], request: ComposeRequest, scale: ShortfallScale): Way {
  const { bout, floorSets } = request.needs[need]!;
  const { grain, grains, cost, extraCost } = scale.needs[need]!;
  const sets = picks.reduce((n, p) => n + p.sets, 0);
  const done = picks.reduce((sum, p) => sum + (2 * worth(p.candidate.bout) * p.sets) / grain, 0);
  const extra = picks.reduce((n, p) => n + p.bonusSets, 0);
  const short = Math.max(0, grains - done) + STEEP * Math.max(0, grains / 2 - done);
  return {
    need,
    picks,
    seconds: picks.reduce(
      (sum, { candidate: c, sets: n, bonusSets }) =>
        sum + c.fixedSeconds + c.setSeconds * n + c.bonusSeconds * bonusSets,
      0,
    ),
    floors: Math.max(0, Math.min(floorSets, bout.sets) - sets),
    missing: cost * short + extraCost * Math.max(0, (bout.bonus?.sets ?? 0) - extra),
    exercises: picks.reduce((sum, p) => sum + exerciseCount(p.candidate.exercise, request), 0),
  };
}

/** An exercise with one set and more, and with the tighter side's extra. */
function alone(candidate: Candidate, most: number, extra: number): Chosen[] {
  const out: Chosen[] = [];
  for (let sets = 1; sets <= most; sets++)
    for (let bonusSets = 0; bonusSets <= Math.min(extra, candidate.bout.bonus?.sets ?? 0); bonusSets++)
      out.push({ candidate, sets, bonusSets });
  return out;
}

function picksFor(mine: readonly Candidate[], sets: number, extra: number): (readonly Chosen[])[] {
  const one = mine.map((c) => alone(c, sets, extra));
  const pairs = one.flatMap((as, i) =>
    one
      .slice(i + 1)
      .flatMap((bs) =>
        as.flatMap((a) =>
          bs.flatMap((b): (readonly Chosen[])[] =>
            a.sets + b.sets <= sets && a.bonusSets + b.bonusSets <= extra ? [[a, b]] : [],
          ),
        ),
      ),
  );
  return [[], ...one.flat().map((p) => [p]), ...pairs];
}

/** Seconds that count against the caps of a session, by group and side. */
export interface Capped {
  readonly group: MuscleGroupId;
  readonly side: Side;
  readonly most: number;
  readonly seconds: (picks: readonly Chosen[]) => number;
}

/** Every cap of a session: holds before training, and what the coach or a caution allows a group, with what is worked along. */
export function capsOf(request: ComposeRequest): Capped[] {
  const { staticMax } = purposeRules(request.purpose);
  return MUSCLE_GROUP_IDS.flatMap((group) =>
    SIDES.flatMap((side): Capped[] => {
      const cap = request.caps[group];
      const still = (picks: readonly Chosen[]) => heldOn(picks, group, side, (c) => stillShare(c, group));
      const along = (picks: readonly Chosen[]) => heldOn(picks, group, side, (c) => shareOf(c.exercise, group));
      return [
        ...(staticMax === null ? [] : [{ group, side, most: staticMax, seconds: still }]),
        ...(cap === undefined ? [] : [{ group, side, most: cap, seconds: along }]),
      ];
    }),
  );
}

/** Things that an exercise needs, as one word. */
export function kitOf({ exercise }: Candidate): string {
  return [...exercise.props].sort().join();
}

const kitsOf = (w: Way): string =>
  [...new Set(w.picks.map((p) => kitOf(p.candidate)).filter(Boolean))].sort().join(' ');
const placesOf = (w: Way): string => [...new Set(w.picks.map((p) => p.candidate.exercise.position))].sort().join();
const groupsOf = (w: Way): string => [...new Set(w.picks.map((p) => p.candidate.exercise.primary))].sort().join();

/**
 * The ways to do each need, without those that another one of the same need beats: in the same positions with the same things, no worse in any
 * objective, no longer, and no more of any capped group. A need is done in one way, so that the better one can always take the other's place:
 * the best session stays. An exercise that the coach keeps or fixes, or that two needs are offered, is not touched.
 */
export function waysFor(request: ComposeRequest, candidates: readonly Candidate[]): Way[] {
  const scale = shortfallScale(request, candidates);
  const caps = capsOf(request);
  const offers = new Map<string, number>();
  for (const c of candidates) offers.set(c.exercise.id, (offers.get(c.exercise.id) ?? 0) + 1);
  const named = new Set([...request.keep, ...request.locks.map((l) => l.exerciseId)]);
  const bound = (w: Way): boolean =>
    w.picks.some(({ candidate: { exercise } }) => named.has(exercise.id) || offers.get(exercise.id)! > 1);
  return request.needs.flatMap((need, k) => {
    const mine = candidates.filter((c) => c.need === k);
    const all = picksFor(mine, need.bout.sets, need.bout.bonus?.sets ?? 0)
      .filter((picks) => caps.every((c) => c.seconds(picks) <= c.most))
      .map((picks) => {
        const way = wayOf(k, picks, request, scale);
        const setUp = picks.map((p) => (isLoaded(p.candidate.bout.technique) ? p.candidate.exercise.setupSeconds : 0));
        return { way, setUp, capped: caps.map((c) => c.seconds(picks)), bound: bound(way) };
      });
    type Tried = (typeof all)[number];
    // A rest after another loaded exercise is shorter by as much as the way into place is longer.
    const waits = (a: Tried, b: Tried): boolean =>
      a.setUp.length <= b.setUp.length && Math.max(0, ...a.setUp) <= Math.min(Infinity, ...b.setUp);
    const beats = (a: Tried, b: Tried): boolean =>
      a.way.seconds <= b.way.seconds &&
      a.way.missing <= b.way.missing &&
      a.way.floors <= b.way.floors &&
      a.way.exercises <= b.way.exercises &&
      a.capped.every((x, i) => x <= b.capped[i]!) &&
      waits(a, b);
    const classes = new Map<string, Tried[]>();
    const kept: Way[] = [];
    for (const t of all) {
      const key = `${placesOf(t.way)}|${kitsOf(t.way)}|${groupsOf(t.way)}`;
      if (t.bound || t.way.picks.length === 0) kept.push(t.way);
      else classes.set(key, [...(classes.get(key) ?? []), t]);
    }
    for (const same of classes.values()) {
      same.sort(
        (a, b) => a.way.seconds - b.way.seconds || a.way.missing - b.way.missing || a.way.exercises - b.way.exercises,
      );
      const stay: Tried[] = [];
      for (const t of same) if (!stay.some((s) => beats(s, t))) stay.push(t);
      kept.push(...stay.map((t) => t.way));
    }
    return kept;
  });
}
