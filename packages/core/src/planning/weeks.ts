/** What the calendar of a block says of its weeks. */
export interface WeekRule {
  readonly weeks: number;
  readonly easierEvery: number | null;
  readonly easierWeeks?: readonly number[] | null;
}

/**
 * True when a week is an easier one: every nth (domain rule 2.6, 3).
 * @example isEasierWeek(8, 4) // true
 */
export function isEasierWeek(week: number, every: number | null): boolean {
  return every !== null && week % every === 0;
}

/**
 * The easier weeks of a block: those placed by hand, else every nth.
 * @example easierWeeksOf({ weeks: 10, easierEvery: 4 }) // [4, 8]
 */
export function easierWeeksOf(rule: WeekRule): number[] {
  if (rule.easierWeeks) return [...new Set(rule.easierWeeks)].filter((w) => w <= rule.weeks).sort((a, b) => a - b);
  return Array.from({ length: rule.weeks }, (_, i) => i + 1).filter((w) => isEasierWeek(w, rule.easierEvery));
}

/**
 * Retests: before week 1 (given as 1), in every easier week and in the last week (domain rule 2.6, 4).
 * @example retestWeeks(10, [4, 8]) // [1, 4, 8, 10]
 */
export function retestWeeks(weeks: number, easier: readonly number[]): number[] {
  const out = [1];
  for (let w = 2; w <= weeks; w++) if (w === weeks || easier.includes(w)) out.push(w);
  return out;
}
