/**
 * A number rounded to some decimals, halves away from zero, so that −2.5 and 2.5 round alike.
 * @example roundTo(2.345, 2) // 2.35
 */
export function roundTo(value: number, decimals = 0): number {
  const scale = 10 ** decimals;
  const rounded = Math.sign(value) * Math.round(Math.abs(value) * scale + 1e-9);
  return rounded === 0 ? 0 : rounded / scale;
}

/**
 * A part of a whole in whole percent.
 * @example percentOf(1, 8) // 13
 */
export function percentOf(part: number, whole: number): number {
  return roundTo((part / whole) * 100);
}

/** By how many whole percent a value changed; null when it was nothing before. @example changePercent(100, 120) // 20 */
export function changePercent(then: number, now: number): number | null {
  return then === 0 ? null : roundTo((now / then - 1) * 100);
}
