import { purposeRules } from '../session/purpose.js';
import type { Candidate } from './candidates.js';
import { target, worth, type ComposeNeed, type ComposeRequest } from './request.js';

/** How much more each second counts that is missing below half of what a need asks. Common practice, no source: nobody is starved. */
export const STEEP = 2;
/** What a missing extra of the tighter side counts against a missing set. Common practice, no source. */
const BONUS_SHARE = 0.5;
/** Most parts that the objective of the work missing is told in: a solver loses the smallest of more. */
const FINEST = 1e6;

/** A need in whole parts, so that the objective has whole values only: a solver may then stop within one of them. */
export interface NeedScale {
  /** Half of the largest step in which it can be served. */
  readonly grain: number;
  /** How many of those it asks for, twice; even. */
  readonly grains: number;
  /** What each of them counts that is missing. */
  readonly cost: number;
  /** What a missing extra set of the tighter side counts; 0 where none is possible. */
  readonly extraCost: number;
}

/** The work missing from a session, told in whole parts. */
export interface ShortfallScale {
  readonly needs: readonly NeedScale[];
  /** What one part is in percent of a need, times its weight. */
  readonly percent: number;
}

const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));
const lcm = (a: number, b: number): number => (a * b) / gcd(a, b);

/** Weight of a need in this session: what was just trained counts more. */
function weightOf(need: ComposeNeed, request: ComposeRequest): number {
  const { trainedFactor } = purposeRules(request.purpose);
  return need.weight * (request.trained.includes(need.group) ? trainedFactor : 1);
}

/** Parts in which the work missing is told. */
export function shortfallScale(request: ComposeRequest, candidates: readonly Candidate[]): ShortfallScale {
  const own = request.needs.map((need, k) => {
    const mine = candidates.filter((c) => c.need === k);
    const grain = mine.reduce((g, c) => gcd(g, worth(c.bout)), worth(need.bout));
    return { grain, grains: (2 * target(need)) / grain, extra: mine.some((c) => (c.bout.bonus?.sets ?? 0) > 0) };
  });
  // Half a set of the tighter side is whole too.
  const fine = request.needs.map((need, k) => lcm(own[k]!.grains, 2 * need.bout.sets));
  const whole = fine.reduce((l, x) => Math.min(FINEST, lcm(l, x)), 1);
  return {
    needs: own.map(({ grain, grains, extra }, k) => {
      const need = request.needs[k]!;
      const weight = weightOf(need, request) * whole;
      return {
        grain,
        grains,
        cost: Math.round(weight / grains),
        extraCost: extra ? Math.round((weight * BONUS_SHARE) / need.bout.sets) : 0,
      };
    }),
    percent: 100 / whole,
  };
}
