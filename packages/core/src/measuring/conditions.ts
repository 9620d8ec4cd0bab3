/** How a result was taken. */
export interface Conditions {
  readonly warm: boolean;
  readonly instrument: string;
  /** Who measured: any stable name or id. */
  readonly tester: string;
  /** Minutes after midnight, client's clock. */
  readonly minuteOfDay: number;
  /** Hours since the last stretching session ended; null when none is known. */
  readonly hoursSinceSession: number | null;
}

/**
 * What differs between the conditions of two results, in words fit for a warning. Empty when they are alike.
 * More than 2 h apart in the day or less than 24 h after a session counts (domain rule 2.2).
 */
export function differentConditions(a: Conditions, b: Conditions): string[] {
  const out: string[] = [];
  if (a.warm !== b.warm) out.push('one was taken cold, the other warm');
  if (a.instrument !== b.instrument) out.push(`different instruments (${a.instrument}, ${b.instrument})`);
  if (a.tester !== b.tester) out.push('measured by different people');
  if (Math.abs(a.minuteOfDay - b.minuteOfDay) > 120) out.push('more than 2 hours apart in the time of day');
  if ([a, b].some((c) => c.hoursSinceSession !== null && c.hoursSinceSession < 24))
    out.push('less than 24 hours after a session');
  return out;
}
