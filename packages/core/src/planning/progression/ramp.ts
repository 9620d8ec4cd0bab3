/**
 * Most weekly volume after a full week: the only place where the weekly increase is applied (domain 2.6, rule 2). `ramp` is below 0 after missed weeks.
 * @example mostAfter(100, 0.2) // 120
 */
export function mostAfter(volume: number, ramp: number): number {
  return volume * (1 + ramp);
}
