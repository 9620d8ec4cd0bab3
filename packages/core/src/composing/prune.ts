import { MUSCLE_GROUP_IDS } from '../anatomy/muscle-group.js';
import { shareOf, stretchedSide } from '../catalogue/exercise.js';
import { stretchOfSet, stillShare, type Candidate } from './candidates.js';
import { CANDIDATES_PER_NEED, kitOf } from './ways.js';
import { worth, type ComposeRequest } from './request.js';

/**
 * Candidates without those that can be done without: as many better ones as a need may use stand before them.
 *
 * Better for the same need, in the same position with the same things: worth the same a set, extra for the tighter side too, no more seconds
 * to begin, a set or an extra set, known to the client when the other is, of the same group, and in no capped group more. At most
 * {@link CANDIDATES_PER_NEED} exercises serve a need, so that where the left out one is used one of its betters is free. Put in its place with
 * its sets it breaks no row and makes no objective worse; changes of position and fetches stay, and a rest after another loaded exercise
 * grows by no more than the way into place has shrunk. So the optimum stays. What the coach keeps or fixes is not touched, and neither is an
 * exercise offered to two needs, which may be taken by the other one.
 */
export function withoutDominated(request: ComposeRequest, candidates: readonly Candidate[]): Candidate[] {
  const named = new Set([...request.keep, ...request.locks.map((l) => l.exerciseId)]);
  const known = new Set(request.known);
  const capped = MUSCLE_GROUP_IDS.filter((g) => request.caps[g] !== undefined);
  const offers = new Map<string, number>();
  for (const c of candidates) offers.set(c.exercise.id, (offers.get(c.exercise.id) ?? 0) + 1);
  const free = (c: Candidate): boolean => !named.has(c.exercise.id) && offers.get(c.exercise.id) === 1;
  const beats = (a: Candidate, b: Candidate): boolean =>
    a.need === b.need &&
    a.exercise.position === b.exercise.position &&
    a.exercise.primary === b.exercise.primary &&
    kitOf(a) === kitOf(b) &&
    capped.every((g) => stretchedSide(a.exercise, g, 'left') === stretchedSide(b.exercise, g, 'left')) &&
    worth(a.bout) === worth(b.bout) &&
    stretchOfSet(a, 'left') === stretchOfSet(b, 'left') &&
    stretchOfSet(a, 'right') === stretchOfSet(b, 'right') &&
    stillShare(a, a.exercise.primary) === stillShare(b, b.exercise.primary) &&
    (a.bout.bonus?.sets ?? 0) >= (b.bout.bonus?.sets ?? 0) &&
    a.exercise.setupSeconds <= b.exercise.setupSeconds &&
    a.fixedSeconds + a.setSeconds <= b.fixedSeconds + b.setSeconds &&
    a.setSeconds <= b.setSeconds &&
    a.bonusSeconds <= b.bonusSeconds &&
    (known.has(a.exercise.id) || !known.has(b.exercise.id)) &&
    capped.every((g) => shareOf(a.exercise, g) <= shareOf(b.exercise, g));
  // Betters first, so that who is left out is always beaten by ones that stay. Of equals the one the request names first stays.
  const order = candidates.map((c, i) => ({ c, i })).filter(({ c }) => free(c));
  order.sort(
    (a, b) =>
      a.c.setSeconds - b.c.setSeconds ||
      a.c.fixedSeconds - b.c.fixedSeconds ||
      Number(known.has(b.c.exercise.id)) - Number(known.has(a.c.exercise.id)) ||
      a.i - b.i,
  );
  const kept: Candidate[] = [];
  const out = new Set<Candidate>();
  for (const { c } of order)
    if (kept.filter((k) => beats(k, c)).length >= CANDIDATES_PER_NEED) out.add(c);
    else kept.push(c);
  return candidates.filter((c) => !out.has(c));
}
