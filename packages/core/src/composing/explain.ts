import { roundTo } from '../math/rounding.js';
import type { Bout } from '../technique/prescription.js';
import type { ReasonFact, GroupAmount, ShortfallFact } from './facts.js';
import { type MuscleGroupId } from '../anatomy/muscle-group.js';
import { shareOf } from '../catalogue/exercise.js';
import { boutDose } from '../dose/dose.js';
import { kindOf, unitOf, type Technique } from '../technique/catalogue.js';
import { warmUpSeconds } from '../technique/timings.js';
import { isWarm, realSession, type Chosen } from './real-session.js';
import { SIDES } from '../anatomy/side.js';
import { heldOn } from './held.js';
import { stillShare, stretchOfSet, type LeftOut, type Candidate } from './candidates.js';
import { purposeRules } from '../session/purpose.js';
import { target, worth, type ComposeRequest } from './request.js';

/** Why an exercise was taken. */
export interface Reason {
  readonly exerciseId: string;
  readonly facts: readonly ReasonFact[];
}

/** What a need did not get. */
export interface NeedShortfall {
  /** Place of the need. */
  readonly need: number;
  readonly group: MuscleGroupId;
  readonly technique: Technique;
  /** In what it is worth: seconds of a side, repetitions or breaths. */
  readonly missing: number;
  readonly unit: GroupAmount['unit'];
  /** More minutes that would hold it; null when more time would not help. */
  readonly moreMinutes: number | null;
  readonly why: ShortfallFact;
}

/** Why a composition is as it is. */
export interface Explanation {
  readonly reasons: readonly Reason[];
  readonly shortfalls: readonly NeedShortfall[];
  /** Seconds of every group that is worked, on the side that gets more, those of secondary muscles and of the tighter side's extra included. */
  readonly groupSeconds: Readonly<Partial<Record<MuscleGroupId, number>>>;
}

/** What work is said in: seconds wherever it stretches. */
const unitFor = (bout: Bout): GroupAmount['unit'] => (boutDose(bout) > 0 ? 'seconds' : unitOf(bout.technique));

function reasonFor(p: Chosen, request: ComposeRequest): Reason {
  const { exercise, bout } = p.candidate;
  const dose = boutDose(bout) * p.sets;
  const own: GroupAmount = { group: exercise.primary, amount: worth(bout) * p.sets, unit: unitFor(bout) };
  const secondary: GroupAmount[] =
    dose > 0
      ? exercise.secondary.map((group) => ({
          group,
          amount: roundTo(dose * shareOf(exercise, group)),
          unit: 'seconds',
        }))
      : [];
  const facts: ReasonFact[] = [{ code: 'covers', args: { parts: [own, ...secondary] } }];
  if (p.bonusSets > 0 && bout.bonus) facts.push({ code: 'tighter-side', args: { side: bout.bonus.side } });
  if (request.keep.includes(exercise.id)) facts.push({ code: 'chosen-by-coach' });
  else if (request.known.includes(exercise.id)) facts.push({ code: 'known' });
  const lock = request.locks.find((l) => l.exerciseId === exercise.id);
  if (lock) facts.push({ code: 'sets-fixed', args: { sets: lock.sets } });
  return { exerciseId: exercise.id, facts };
}

/** Seconds of work of the session with a need's missing sets in it, put in order and timed; null when no exercise is left for them. */
function workWith(
  missingSets: number,
  need: number,
  request: ComposeRequest,
  candidates: readonly Candidate[],
  chosen: readonly Chosen[],
): number | null {
  const mine = chosen.filter((p) => p.candidate.need === need);
  const ways = mine.length > 0 ? mine.map((p) => grown(chosen, p, missingSets)) : [];
  if (mine.length === 0)
    for (const candidate of candidates)
      if (candidate.need === need && !chosen.some((p) => p.candidate.exercise.id === candidate.exercise.id))
        ways.push([...chosen, { candidate, sets: missingSets, bonusSets: 0 }]);
  // The cheapest by its own seconds: to put each of many in order would take long.
  const own = (way: readonly Chosen[]): number =>
    way.reduce((sum, { candidate: c, sets }) => sum + c.fixedSeconds + c.setSeconds * sets, 0);
  const [cheapest] = [...ways].sort((a, b) => own(a) - own(b));
  return cheapest ? realSession(request, cheapest).work : null;
}

/** The same with more sets of one exercise. */
function grown(chosen: readonly Chosen[], one: Chosen, more: number): Chosen[] {
  return chosen.map((p) => (p === one ? { ...p, sets: p.sets + more } : p));
}

/** What keeps another set of a need out besides the minutes; null for nothing. */
function barrier(
  request: ComposeRequest,
  need: number,
  candidates: readonly Candidate[],
  chosen: readonly Chosen[],
  groupSeconds: Explanation['groupSeconds'],
): ShortfallFact | null {
  const rules = purposeRules(request.purpose);
  const { group, bout } = request.needs[need]!;
  const taken = chosen.filter((p) => p.candidate.need === need).map((p) => p.candidate);
  const mine = taken.length > 0 ? taken : candidates.filter((o) => o.need === need);
  const one = Math.min(...mine.map((o) => Math.max(...SIDES.map((side) => stretchOfSet(o, side)))));
  const still = Math.max(...SIDES.map((side) => heldOn(chosen, group, side, (c) => stillShare(c, group))));
  if (rules.staticMax !== null && kindOf(bout.technique).still && still + one > rules.staticMax)
    return { code: 'held-before-training', args: { most: rules.staticMax } };
  const cap = request.caps[group];
  if (cap !== undefined && (groupSeconds[group] ?? 0) + one > cap) return { code: 'group-cap', args: { most: cap } };
  if (rules.oneRegion && chosen.length > 0 && !chosen.some((p) => p.candidate.need === need))
    return { code: 'another-region' };
  return null;
}

/** What was chosen, what is missing, and what would fix it. */
export function explain(
  request: ComposeRequest,
  candidates: readonly Candidate[],
  leftOut: readonly LeftOut[],
  chosen: readonly Chosen[],
): Explanation {
  const groupSeconds: Partial<Record<MuscleGroupId, number>> = {};
  for (const g of new Set(chosen.flatMap((p) => [p.candidate.exercise.primary, ...p.candidate.exercise.secondary])))
    groupSeconds[g] = Math.max(...SIDES.map((side) => heldOn(chosen, g, side, (c) => shareOf(c.exercise, g))));
  const shortfalls = request.needs.flatMap((need, k): NeedShortfall[] => {
    const mine = chosen.filter((p) => p.candidate.need === k);
    const got = mine.reduce((sum, p) => sum + worth(p.candidate.bout) * p.sets, 0);
    const missing = target(need) - got;
    if (missing <= 0) return [];
    const short = (why: ShortfallFact, moreMinutes: number | null = null): NeedShortfall[] => [
      {
        need: k,
        group: need.group,
        technique: need.bout.technique,
        missing,
        unit: unitFor(need.bout),
        moreMinutes,
        why,
      },
    ];
    const missingSets = need.bout.sets - mine.reduce((sum, p) => sum + p.sets, 0);
    if (!candidates.some((o) => o.need === k))
      return short({
        code: 'none-allowed',
        args: { because: leftOut.filter((l) => l.need === k).map((l) => l.because) },
      });
    if (missingSets === 0) return short({ code: 'not-longer' });
    const barred = barrier(request, k, candidates, chosen, groupSeconds);
    const work = barred === null ? workWith(missingSets, k, request, candidates, chosen) : null;
    const long = work === null ? 0 : work + warmUpSeconds(work, isWarm(request)) - request.budgetSeconds;
    if (long <= 0) return short(barred ?? { code: 'own-choices' });
    return short({ code: 'minutes', args: { seconds: long } }, Math.ceil(long / 60));
  });
  return { reasons: chosen.map((p) => reasonFor(p, request)), shortfalls, groupSeconds };
}
