import { positionsOf } from '../catalogue/positions-of.js';
import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import type { Exercise } from '../catalogue/exercise.js';
import type { FindExercise } from '../catalogue/exercises.js';
import type { Caution } from '../screening/cautions.js';
import { cautionsAgainst } from '../screening/limits.js';
import { missingAt, type ClientPlace } from '../screening/place.js';
import type { SessionItem } from './item.js';
import { isOnHold, type OnHold } from './on-hold.js';

/** A warm-up moves on to something else after about so long. Seconds, common practice, no source. */
const EACH_SECONDS = 60;
/** A warm-up of five minutes has so many. */
const MOST_MOVES = 5;

/** What a warm-up may be made of: what the client may do, and where. */
export interface WarmUpFor {
  readonly exercises: readonly Exercise[];
  readonly cautions: readonly Caution[];
  readonly hold: OnHold;
  /** Where the session takes place; null for anywhere. */
  readonly place: ClientPlace | null;
}

/** Easy moving exercises that need nothing fetched: what a body can begin with. */
function isEasyMove(e: Exercise): boolean {
  return e.technique === 'moving stretch' && e.difficulty === 1 && e.props.length === 0;
}

const groupsOf = (e: Exercise): MuscleGroupId[] => [e.primary, ...e.secondary];

/**
 * Easy moves for the groups of a session that the client may do where it takes place, best first, five at most: those that are made for warming up, and
 * those of its groups, each for as many new groups as it can (domain 2.7). What the session holds itself is left to it. Common practice, no source.
 */
export function warmUpMoves(items: readonly SessionItem[], who: WarmUpFor, find: FindExercise): Exercise[] {
  const inSession = new Set(items.map((i) => i.exerciseId));
  // Nobody gets down on the floor to warm up for standing: only positions that come anyway, or standing what is made for it.
  const positions = new Set(items.map((i) => find(i.exerciseId).position));
  const wanted = new Set(items.flatMap((i) => groupsOf(find(i.exerciseId))));
  const fits = (e: Exercise): boolean => {
    const comesAnyway = positionsOf(e).some((p) => positions.has(p));
    return e.warmUp ? comesAnyway || e.position === 'standing' : comesAnyway && groupsOf(e).some((g) => wanted.has(g));
  };
  let left = who.exercises.filter(
    (e) =>
      isEasyMove(e) &&
      !inSession.has(e.id) &&
      fits(e) &&
      missingAt(e, who.place).length === 0 &&
      !isOnHold(who.hold, e) &&
      cautionsAgainst(e, who.cautions).length === 0,
  );
  const out: Exercise[] = [];
  const open = new Set(wanted);
  while (out.length < MOST_MOVES && left.length > 0) {
    // What is made for it before a stretch that moves; on the feet more of the body gets warm.
    const score = (e: Exercise): number =>
      2 * groupsOf(e).filter((g) => open.has(g)).length + (e.warmUp ? (e.position === 'standing' ? 3 : 1) : 0);
    const best = left.reduce((a, b) => (score(b) > score(a) ? b : a));
    // A second move for what is warm already adds nothing.
    if (score(best) === 0) break;
    out.push(best);
    for (const g of groupsOf(best)) open.delete(g);
    left = left.filter((e) => e !== best);
  }
  return out;
}

/** Of these as many as a warm-up of some seconds has room for. */
export function movesIn<T>(moves: readonly T[], seconds: number): readonly T[] {
  return seconds <= 0 ? [] : moves.slice(0, Math.max(1, Math.ceil(seconds / EACH_SECONDS - 1e-9)));
}
