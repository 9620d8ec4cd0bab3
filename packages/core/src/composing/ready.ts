import { BODY_REGIONS } from '../anatomy/body-region.js';
import { purposeRules } from '../session/purpose.js';
import type { Candidate } from './candidates.js';

import { realSession, workFromBelow, type Chosen } from './real-session.js';
import { worth, type ComposeRequest } from './request.js';
import { CANDIDATES_PER_NEED, capsOf } from './ways.js';

/** Whether what was taken keeps every cap, one region, and the counts of its needs; minutes are not looked at. */
export function isAllowed(request: ComposeRequest, picks: readonly Chosen[]): boolean {
  if (new Set(picks.map((p) => p.candidate.exercise.id)).size < picks.length) return false;
  const counts = request.needs.every((need, k) => {
    const mine = picks.filter((p) => p.candidate.need === k);
    return (
      mine.length <= CANDIDATES_PER_NEED &&
      mine.reduce((n, p) => n + p.sets, 0) <= need.bout.sets &&
      mine.reduce((n, p) => n + p.bonusSets, 0) <= (need.bout.bonus?.sets ?? 0)
    );
  });
  const capped = capsOf(request).every((c) => c.seconds(picks) <= c.most);
  const region =
    !purposeRules(request.purpose).oneRegion ||
    BODY_REGIONS.some((r) => picks.every((p) => r.groups.some((g) => g === p.candidate.exercise.primary)));
  return counts && capped && region;
}

/**
 * A session that stands ready before anything is proven: set by set, each time the one that helps most for its seconds and still fits; what the
 * week needs at least comes first. Only where the coach demands nothing, which it could miss.
 */
export function readySession(
  request: ComposeRequest,
  candidates: readonly Candidate[],
  mostWork: number,
): readonly Chosen[] {
  let picks: readonly Chosen[] = [];
  const setsOf = (k: number): number => picks.filter((p) => p.candidate.need === k).reduce((n, p) => n + p.sets, 0);
  /** What one more set is worth: what the week needs at least first, then by weight and how much is still missing. */
  const gain = (c: Candidate): number => {
    const need = request.needs[c.need]!;
    const sets = setsOf(c.need);
    const share = worth(c.bout) / (worth(need.bout) * need.bout.sets);
    const deep = sets * 2 < need.bout.sets ? 3 : 1;
    const seconds = c.setSeconds + (sets === 0 ? c.fixedSeconds : 0);
    return (sets < need.floorSets ? 1e6 : 0) + (need.weight * share * deep) / Math.max(1, seconds);
  };
  const known = (c: Candidate): number => (request.known.includes(c.exercise.id) ? 0 : 1);
  for (;;) {
    const taken = (c: Candidate): boolean => picks.some((p) => p.candidate === c);
    // Another exercise only where nothing serves the need yet: fewer are better.
    const next = candidates
      .filter((c) => setsOf(c.need) < request.needs[c.need]!.bout.sets && (setsOf(c.need) === 0 || taken(c)))
      .sort((a, b) => gain(b) - gain(a) || known(a) - known(b))
      .map((c): readonly Chosen[] =>
        taken(c)
          ? picks.map((p) => (p.candidate === c ? { ...p, sets: p.sets + 1 } : p))
          : [...picks, { candidate: c, sets: 1, bonusSets: 0 }],
      )
      .find(
        (made) =>
          isAllowed(request, made) &&
          workFromBelow(request, made) <= mostWork &&
          realSession(request, made).work <= mostWork,
      );
    if (!next) return picks;
    picks = next;
  }
}
