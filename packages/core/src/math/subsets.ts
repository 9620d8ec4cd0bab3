/** All ways to take `size` of a few things, keeping their order; those further back in the list come later. */
export function subsets<T>(xs: readonly T[], size: number): T[][] {
  if (size === 0) return [[]];
  return xs.flatMap((x, i) => subsets(xs.slice(i + 1), size - 1).map((rest) => [x, ...rest]));
}
