import { mean } from 'simple-statistics';
import { CoreError } from '../../errors.js';
import type { Refusal } from '../../refusal.js';

/** Fewer clients make no error at all; from ten on it is usable. Common practice, no source. */
export const FEWEST_CLIENTS = 3;
export const GOOD_CLIENTS = 10;

/** The refusal of too few clients. */
export const TOO_FEW_CLIENTS = {
  code: 'too-few-clients',
  args: { least: FEWEST_CLIENTS, good: GOOD_CLIENTS },
} as const satisfies Refusal;

/** Readings of n targets (clients), each by the same k raters (testers, days): `table[target][rater]`, in the unit of the test. */
export type RatingTable = readonly (readonly number[])[];

/** Mean squares of a two-way layout without replication, in squared units of the test, with their degrees of freedom. */
export interface Anova {
  /** Targets. */
  readonly n: number;
  /** Raters. */
  readonly k: number;
  readonly grandMean: number;
  /** Between targets, n − 1. */
  readonly bms: number;
  /** Within targets, n(k − 1). */
  readonly wms: number;
  /** Between raters, k − 1. */
  readonly jms: number;
  /** Residual, (n − 1)(k − 1). */
  readonly ems: number;
}

/**
 * Two-way analysis of variance of a full table.
 * Source: Shrout PE, Fleiss JL 1979, Psychol Bull 86:420-428, table 1 (from memory; checked against their table 2).
 * @throws CoreError `invalid-reliability` for fewer than 3 targets or 2 raters, gaps, or values that are no numbers
 */
export function anova(table: RatingTable): Anova {
  const n = table.length;
  const k = table[0]?.length ?? 0;
  const refuse = (refusal: Refusal): never => {
    throw new CoreError('invalid-reliability', refusal);
  };
  if (n < FEWEST_CLIENTS) refuse(TOO_FEW_CLIENTS);
  if (k < 2) refuse({ code: 'too-few-measurements', args: {} });
  if (table.some((row) => row.length !== k)) refuse({ code: 'uneven-measurements', args: {} });
  if (table.some((row) => row.some((x) => !Number.isFinite(x)))) refuse({ code: 'measurement-not-a-number', args: {} });

  const grandMean = mean(table.flat());
  const targetMeans = table.map((row) => mean([...row]));
  const raterMeans = Array.from({ length: k }, (_, j) => mean(table.map((row) => row[j]!)));
  const squares = (xs: readonly number[]) => xs.reduce((sum, x) => sum + (x - grandMean) ** 2, 0);
  const between = k * squares(targetMeans);
  const raters = n * squares(raterMeans);
  const total = squares(table.flat());
  // The residual is a difference of sums: what rounding leaves of nothing is nothing.
  const rest = total - between - raters;
  const residual = rest > 1e-10 * Math.max(1, total) ? rest : 0;
  return {
    n,
    k,
    grandMean,
    bms: between / (n - 1),
    wms: (residual + raters) / (n * (k - 1)),
    jms: raters / (k - 1),
    ems: residual / ((n - 1) * (k - 1)),
  };
}
