/** Monday = 1 … Sunday = 7 (ISO 8601). */
export type Weekday = 1 | 2 | 3 | 4 | 5 | 6 | 7;

export const WEEKDAYS: readonly { id: Weekday; short: string; name: string }[] = [
  { id: 1, short: 'Mon', name: 'Monday' },
  { id: 2, short: 'Tue', name: 'Tuesday' },
  { id: 3, short: 'Wed', name: 'Wednesday' },
  { id: 4, short: 'Thu', name: 'Thursday' },
  { id: 5, short: 'Fri', name: 'Friday' },
  { id: 6, short: 'Sat', name: 'Saturday' },
  { id: 7, short: 'Sun', name: 'Sunday' },
];

/** Days a week may begin with: Monday (ISO 8601), Saturday or Sunday. */
export const FIRST_WEEKDAYS = [1, 6, 7] as const;
export type FirstWeekday = (typeof FIRST_WEEKDAYS)[number];

/** The days in the order of a week that begins with one of them. */
export function weekdaysFrom(first: Weekday): typeof WEEKDAYS {
  return [...WEEKDAYS.slice(first - 1), ...WEEKDAYS.slice(0, first - 1)];
}
