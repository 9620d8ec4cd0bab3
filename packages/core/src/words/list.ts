/**
 * First letter small, the rest as it is: names inside keep their capitals.
 * @example lowerFirst('Achilles and McKay') // 'achilles and McKay'
 */
export function lowerFirst(text: string): string {
  return text.charAt(0).toLowerCase() + text.slice(1);
}

/**
 * Items in one running sentence: "a fresh calf or Achilles tear; a suspected clot".
 * @example runningList(['A fresh tear', 'A clot']) // 'a fresh tear; a clot'
 */
export function runningList(items: readonly string[]): string {
  return items.map(lowerFirst).join('; ');
}
