import { shareOf } from '../catalogue/exercise.js';
import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import type { Candidate } from './candidates.js';
import { worth, type ComposeRequest } from './request.js';

/**
 * Offers without those that another one beats: one for the same need, in the same position, worth the same a set, that costs no more to begin
 * and no more a set, is known to the client when the other is, and works no capped group more. A single exercise can take all sets of a need,
 * so whatever the beaten one could do in a session, the other can do in its place: the optimum stays. Of equals the one the request names
 * first stays. What the coach keeps, fixes or leaves out is not touched.
 */
export function withoutDominated(request: ComposeRequest, candidates: readonly Candidate[]): Candidate[] {
  const named = new Set([...request.keep, ...request.locks.map((l) => l.exerciseId)]);
  const known = new Set(request.known);
  const capped = Object.keys(request.caps) as MuscleGroupId[];
  const beats = (a: Candidate, b: Candidate): boolean =>
    a.need === b.need &&
    a.exercise.position === b.exercise.position &&
    worth(a.bout) === worth(b.bout) &&
    (a.bout.bonus?.sets ?? 0) >= (b.bout.bonus?.sets ?? 0) &&
    a.fixedSeconds <= b.fixedSeconds &&
    a.fixedSeconds + a.setSeconds <= b.fixedSeconds + b.setSeconds &&
    a.setSeconds <= b.setSeconds &&
    a.bonusSeconds <= b.bonusSeconds &&
    (known.has(a.exercise.id) || !known.has(b.exercise.id)) &&
    capped.every((g) => shareOf(a.exercise, g) <= shareOf(b.exercise, g));
  return candidates.filter((b, j) => {
    if (named.has(b.exercise.id)) return true;
    return !candidates.some(
      // A named exercise may have its sets fixed: it cannot stand in for another. Of equals the first stays.
      (a, i) =>
        i !== j && !named.has(a.exercise.id) && !isShared(a, candidates) && beats(a, b) && (i < j || !beats(b, a)),
    );
  });
}

/** True for an exercise that is offered to two needs: it may be taken by the other one. */
function isShared(a: Candidate, candidates: readonly Candidate[]): boolean {
  return candidates.some((o) => o !== a && o.exercise.id === a.exercise.id);
}
