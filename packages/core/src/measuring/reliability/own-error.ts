import { CoreError } from '../../errors.js';
import { mdc90, mdc95 } from '../error.js';
import { anova, type Anova, type RatingTable } from './anova.js';
import { icc, type Estimate, type IccEstimate } from './icc.js';
import { chiSquareQuantile } from '../../math/quantiles.js';

/** Clients below which the interval of an error is too wide to lean on, and below which none is accepted. */
export const CLIENTS_WANTED = 10;
export const CLIENTS_ACCEPTED = 5;

/** A coach's own measurement error of a test. Values in the unit of the test. */
export interface OwnError {
  readonly anova: Anova;
  /** Same tester on two days: √EMS, with its interval from χ². */
  readonly sameTester: Estimate;
  /** Another tester: √(EMS + max(0, (JMS − EMS)/n)). */
  readonly otherTester: number;
  readonly mdc95: number;
  readonly mdc90: number;
  /** Reliability of one measurement, agreement and consistency. */
  readonly agreement: IccEstimate;
  readonly consistency: IccEstimate;
  /** Fewer clients than wanted: how far apart the ends of the interval are; null when enough were measured. */
  readonly tooFew: { readonly clients: number; readonly ratio: number } | null;
}

/**
 * A coach's own error from n clients measured k times with repositioning (domain 2.2).
 * SEM = √(error mean square) (Weir 2005, J Strength Cond Res 19:231-240); interval of it from χ² with (n − 1)(k − 1) degrees of freedom.
 * @throws CoreError `invalid-reliability`
 */
export function ownError(table: RatingTable): OwnError {
  const a = anova(table);
  if (a.ems === 0) throw new CoreError('invalid-reliability', { code: 'same-difference', args: {} });
  if (a.bms === 0) throw new CoreError('invalid-reliability', { code: 'no-spread', args: {} });
  const df = (a.n - 1) * (a.k - 1);
  const same = Math.sqrt(a.ems);
  const bound = (p: number) => Math.sqrt((df * a.ems) / chiSquareQuantile(p, df));
  const sameTester = { value: same, low: bound(0.975), high: bound(0.025) };
  return {
    anova: a,
    sameTester,
    otherTester: Math.sqrt(a.ems + Math.max(0, (a.jms - a.ems) / a.n)),
    mdc95: mdc95({ sem: same, df }),
    mdc90: mdc90({ sem: same, df }),
    agreement: icc(a, '2,1'),
    consistency: icc(a, '3,1'),
    tooFew: a.n >= CLIENTS_WANTED ? null : { clients: a.n, ratio: sameTester.high / sameTester.low },
  };
}
