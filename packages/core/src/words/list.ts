/** What begins with a person's name keeps its capital. */
const NAMED = /^(Down syndrome|Parkinson)/;

/**
 * First letter small, the rest as it is: names inside keep their capitals, and what is named after somebody keeps its own.
 * @example lowerFirst('Achilles and McKay') // 'achilles and McKay'
 * @example lowerFirst('Down syndrome') // 'Down syndrome'
 */
export function lowerFirst(text: string): string {
  if (NAMED.test(text)) return text;
  return text.charAt(0).toLowerCase() + text.slice(1);
}

/**
 * Items in one running sentence: "a fresh calf or Achilles tear; a suspected clot".
 * @example runningList(['A fresh tear', 'A clot']) // 'a fresh tear; a clot'
 */
export function runningList(items: readonly string[]): string {
  return items.map(lowerFirst).join('; ');
}
