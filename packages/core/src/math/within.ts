/** True for a whole number within bounds. */
export function within(n: number, { min, max }: { readonly min: number; readonly max: number }): boolean {
  return Number.isInteger(n) && n >= min && n <= max;
}
