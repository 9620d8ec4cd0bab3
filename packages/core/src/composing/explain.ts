import { muscleGroupName, type MuscleGroupId } from '../anatomy/muscle-group.js';
import { shareOf } from '../catalogue/exercise.js';
import { boutDose } from '../dose/dose.js';
import { kindOf, unitOf } from '../technique/catalogue.js';
import type { Timeline } from '../session/timeline.js';
import { warmUpSeconds } from '../technique/timings.js';
import { formatClock } from '../words/duration.js';
import { lowerFirst, runningList } from '../words/list.js';
import type { Chosen } from './compose.js';
import type { LeftOut, Candidate } from './candidates.js';
import { purposeRules } from './purpose.js';
import { target, worth, type ComposeRequest } from './request.js';

/** Why an exercise was taken. */
export interface Reason {
  readonly exerciseId: string;
  readonly words: string;
}

/** What a need did not get. */
export interface NeedShortfall {
  /** Place of the need. */
  readonly need: number;
  /** In what it is worth: seconds of a side, repetitions or breaths. */
  readonly missing: number;
  /** More minutes that would hold it; null when more time would not help. */
  readonly moreMinutes: number | null;
  readonly words: string;
}

/** A composition said in words. */
export interface Explanation {
  readonly reasons: readonly Reason[];
  readonly shortfalls: readonly NeedShortfall[];
  /** What the kind of session changed; empty for nothing. */
  readonly purposeWords: string;
  /** Seconds a side of every group that is worked, those worked along included. */
  readonly groupSeconds: Readonly<Partial<Record<MuscleGroupId, number>>>;
}

const nameOf = (g: MuscleGroupId): string => lowerFirst(muscleGroupName(g));

function amountWords(seconds: number, technique: Parameters<typeof unitOf>[0], stretches: boolean): string {
  const unit = stretches ? 'seconds' : unitOf(technique);
  return unit === 'seconds' ? `${seconds} s` : `${seconds} ${unit}`;
}

function reasonFor(p: Chosen, request: ComposeRequest): Reason {
  const { exercise, bout } = p.candidate;
  const dose = boutDose(bout) * p.sets;
  const own = `${nameOf(exercise.primary)} ${amountWords(worth(bout) * p.sets, bout.technique, dose > 0)}`;
  const along =
    dose > 0 ? exercise.secondary.map((g) => `${nameOf(g)} ${Math.round(dose * shareOf(exercise, g))} s`) : [];
  const words = [`Covers ${runningList([own, ...along])}${along.length > 0 ? ' in one position' : ''}.`];
  if (p.bonusSets > 0 && bout.bonus) words.push(`One more on the ${bout.bonus.side}, the tighter side.`);
  if (request.keep.includes(exercise.id)) words.push('Kept by the coach.');
  else if (request.known.includes(exercise.id)) words.push('Known to the client.');
  const lock = request.locks.find((l) => l.exerciseId === exercise.id);
  if (lock) words.push(`${lock.sets} sets fixed by the coach.`);
  return { exerciseId: exercise.id, words: words.join(' ') };
}

/** Seconds of work that the missing sets of a need would take; null when no exercise is left for them. */
function secondsFor(
  missingSets: number,
  need: number,
  candidates: readonly Candidate[],
  chosen: readonly Chosen[],
): number | null {
  const mine = chosen.filter((p) => p.candidate.need === need);
  const grow = mine.map((p) => p.candidate.setSeconds * missingSets);
  const fresh = candidates
    .filter((o) => o.need === need && !chosen.some((p) => p.candidate.exercise.id === o.exercise.id))
    .map((o) => o.fixedSeconds + o.setSeconds * missingSets);
  const ways = mine.length > 0 ? grow : fresh;
  return ways.length > 0 ? Math.min(...ways) : null;
}

/** What keeps another set of a need out besides the minutes; null for nothing. */
function barrier(
  request: ComposeRequest,
  need: number,
  candidates: readonly Candidate[],
  chosen: readonly Chosen[],
  groupSeconds: Explanation['groupSeconds'],
): string | null {
  const rules = purposeRules(request.purpose);
  const { group, bout } = request.needs[need]!;
  const taken = chosen.filter((p) => p.candidate.need === need).map((p) => p.candidate);
  const mine = taken.length > 0 ? taken : candidates.filter((o) => o.need === need);
  const one = Math.min(...mine.map((o) => boutDose(o.bout)));
  const still = chosen
    .filter((p) => p.candidate.exercise.primary === group && kindOf(p.candidate.bout.technique).still)
    .reduce((sum, p) => sum + p.sets * boutDose(p.candidate.bout), 0);
  if (rules.staticMax !== null && kindOf(bout.technique).still && still + one > rules.staticMax)
    return `no group is held still for more than ${rules.staticMax} s before training`;
  const cap = request.caps[group];
  if (cap !== undefined && (groupSeconds[group] ?? 0) + one > cap)
    return `with what is worked along the group has its ${cap} s`;
  if (rules.oneRegion && chosen.length > 0 && !chosen.some((p) => p.candidate.need === need))
    return 'it lies in another region';
  return null;
}

/** What was chosen, what is missing, and what would fix it. */
export function explain(
  request: ComposeRequest,
  candidates: readonly Candidate[],
  leftOut: readonly LeftOut[],
  chosen: readonly Chosen[],
  timeline: Timeline,
): Explanation {
  const rules = purposeRules(request.purpose);
  const warm = request.alreadyWarm || rules.warm;
  const work = timeline.totalSeconds - timeline.byKind['warm-up'];
  const groupSeconds: Partial<Record<MuscleGroupId, number>> = {};
  for (const p of chosen)
    for (const g of new Set([p.candidate.exercise.primary, ...p.candidate.exercise.secondary]))
      groupSeconds[g] = (groupSeconds[g] ?? 0) + p.sets * boutDose(p.candidate.bout) * shareOf(p.candidate.exercise, g);
  const shortfalls = request.needs.flatMap((need, k): NeedShortfall[] => {
    const mine = chosen.filter((p) => p.candidate.need === k);
    const got = mine.reduce((sum, p) => sum + worth(p.candidate.bout) * p.sets, 0);
    const missing = target(need) - got;
    if (missing <= 0) return [];
    const name = muscleGroupName(need.group);
    const stretches = boutDose(need.bout) > 0;
    const short = `${name} ${amountWords(missing, need.bout.technique, stretches)} short (${need.bout.technique})`;
    const missingSets = need.bout.sets - mine.reduce((sum, p) => sum + p.sets, 0);
    if (!candidates.some((o) => o.need === k)) {
      const because = [...new Set(leftOut.filter((l) => l.need === k).map((l) => l.because))];
      const why =
        because.length > 0 ? `none may be chosen: ${runningList(because.slice(0, 3))}` : 'the library has none';
      return [{ need: k, missing, moreMinutes: null, words: `${short}: ${why}.` }];
    }
    if (missingSets === 0)
      return [{ need: k, missing, moreMinutes: null, words: `${short}: the exercise is not made for longer bouts.` }];
    const held = barrier(request, k, candidates, chosen, groupSeconds);
    const more = held === null ? secondsFor(missingSets, k, candidates, chosen) : null;
    const long = more === null ? 0 : work + more + warmUpSeconds(work + more, warm) - request.budgetSeconds;
    if (long <= 0) {
      const why = held ?? 'the coach’s own choices leave no room for more';
      return [{ need: k, missing, moreMinutes: null, words: `${short}: ${why}.` }];
    }
    return [
      {
        need: k,
        missing,
        moreMinutes: Math.ceil(long / 60),
        words: `${short}: ${formatClock(long)} min more would fit it.`,
      },
    ];
  });
  return { reasons: chosen.map((p) => reasonFor(p, request)), shortfalls, purposeWords: rules.words, groupSeconds };
}
