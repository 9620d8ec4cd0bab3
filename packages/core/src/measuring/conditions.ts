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

/** What differs between the conditions of two results. */
export type ConditionFact =
  | { readonly code: 'cold-warm' | 'tester' | 'time-of-day' | 'after-session' }
  | { readonly code: 'instrument'; readonly args: { readonly instruments: readonly [string, string] } };

/**
 * What differs between the conditions of two results; empty when they are alike.
 * More than 2 h apart in the day or less than 24 h after a session counts (domain rule 2.2).
 */
export function differentConditions(a: Conditions, b: Conditions): ConditionFact[] {
  const out: ConditionFact[] = [];
  if (a.warm !== b.warm) out.push({ code: 'cold-warm' });
  if (a.instrument !== b.instrument)
    out.push({ code: 'instrument', args: { instruments: [a.instrument, b.instrument] } });
  if (a.tester !== b.tester) out.push({ code: 'tester' });
  if (Math.abs(a.minuteOfDay - b.minuteOfDay) > 120) out.push({ code: 'time-of-day' });
  if ([a, b].some((c) => c.hoursSinceSession !== null && c.hoursSinceSession < 24)) out.push({ code: 'after-session' });
  return out;
}
