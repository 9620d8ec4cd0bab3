/** True when two plain values say the same, in the same order of their fields. @example sameData({ a: [1] }, { a: [1] }) // true */
export function sameData(a: unknown, b: unknown): boolean {
  return a === b || JSON.stringify(a) === JSON.stringify(b);
}
