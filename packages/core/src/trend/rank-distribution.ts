/** Sizes of groups of equal values, 1 for a value that stands alone. */
export function groupSizes(xs: readonly number[]): number[] {
  const counts = new Map<number, number>();
  for (const x of xs) counts.set(x, (counts.get(x) ?? 0) + 1);
  return [...counts.values()];
}

/** Coefficients of (1 + q + … + q^(m−1)) · polynomial. */
function timesRun(polynomial: readonly number[], m: number): number[] {
  const out = new Array<number>(polynomial.length + m - 1).fill(0);
  polynomial.forEach((c, i) => {
    for (let j = 0; j < m; j++) out[i + j]! += c;
  });
  return out;
}

/** The inverse of {@link timesRun}. */
function byRun(polynomial: readonly number[], m: number): number[] {
  const out: number[] = [];
  for (let i = 0; i <= polynomial.length - m; i++) {
    let c = polynomial[i]!;
    for (let j = 1; j < m && j <= i; j++) c -= out[i - j]!;
    out.push(c);
  }
  return out;
}

/**
 * How many orders of values with the given group sizes have 0, 1, 2 … inversions: the q-multinomial coefficient [n]!/(Π [t]!).
 * Source: MacMahon PA 1915, Combinatory Analysis (from memory; the spec counts all orders one by one).
 * @example inversions([1, 1, 1]) // [1, 2, 2, 1]
 */
export function inversions(groups: readonly number[]): number[] {
  const n = groups.reduce((a, b) => a + b, 0);
  let p = [1];
  for (let m = 2; m <= n; m++) p = timesRun(p, m);
  for (const t of groups) for (let m = 2; m <= t; m++) p = byRun(p, m);
  return p;
}

/**
 * Chance, under no trend, that rising pairs less falling pairs come to `s` or more; exact, for values with the given group sizes at dates
 * that all differ.
 * @example chanceOfS(10, [1, 1, 1, 1, 1]) // 0.00833
 */
export function chanceOfS(s: number, groups: readonly number[]): number {
  const counts = inversions(groups);
  const pairs = counts.length - 1;
  const total = counts.reduce((a, b) => a + b, 0);
  const reached = counts.reduce((sum, c, falling) => sum + (pairs - 2 * falling >= s ? c : 0), 0);
  return reached / total;
}
