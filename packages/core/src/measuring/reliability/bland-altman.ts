import { CoreError } from '../../errors.js';
import { FEWEST_CLIENTS, TOO_FEW_CLIENTS } from './anova.js';
import type { Estimate } from './icc.js';
import { tQuantile } from '../../math/quantiles.js';

/** Agreement of two testers or instruments. Values in the unit of the test; differences are first − second. */
export interface BlandAltman {
  readonly n: number;
  /** One point a client: mean of the two against their difference. */
  readonly points: readonly { readonly mean: number; readonly difference: number }[];
  readonly bias: Estimate;
  readonly sd: number;
  /** 95 % limits of agreement, bias ± 1.96 SD, each with its own interval. */
  readonly lower: Estimate;
  readonly upper: Estimate;
}

/**
 * Bland-Altman limits of agreement.
 * Source: Bland JM, Altman DG 1986, Lancet i:307-310: standard error of the bias s/√n and of a limit √(3s²/n), t with n − 1 degrees of
 * freedom (from memory; checked against their example).
 * @throws CoreError `invalid-reliability` for fewer than 3 pairs or values that are no numbers
 */
export function blandAltman(pairs: readonly (readonly [first: number, second: number])[]): BlandAltman {
  const n = pairs.length;
  if (n < FEWEST_CLIENTS) throw new CoreError('invalid-reliability', TOO_FEW_CLIENTS);
  if (pairs.some((p) => !p.every(Number.isFinite)))
    throw new CoreError('invalid-reliability', { code: 'measurement-not-a-number', args: {} });
  const points = pairs.map(([a, b]) => ({ mean: (a + b) / 2, difference: a - b }));
  const bias = points.reduce((sum, p) => sum + p.difference, 0) / n;
  const sd = Math.sqrt(points.reduce((sum, p) => sum + (p.difference - bias) ** 2, 0) / (n - 1));
  const t = tQuantile(0.975, n - 1);
  const around = (value: number, se: number): Estimate => ({ value, low: value - t * se, high: value + t * se });
  const seLimit = Math.sqrt((3 * sd ** 2) / n);
  return {
    n,
    points,
    bias: around(bias, sd / Math.sqrt(n)),
    sd,
    lower: around(bias - 1.96 * sd, seLimit),
    upper: around(bias + 1.96 * sd, seLimit),
  };
}
