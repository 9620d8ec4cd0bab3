/**
 * The member of a list that a form control names: what a page hands over is a text, and only what was offered is taken.
 * @returns null for anything that was not offered, the empty choice included
 */
export function oneOf<T extends string | number>(offered: readonly T[], text: string): T | null {
  return offered.find((x) => String(x) === text) ?? null;
}
