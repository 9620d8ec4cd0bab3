import { slotsOf } from '../day-plan/slots.js';
import type { BlockInput } from '../plan.js';
import { easierWeeksOf, retestWeeks } from '../weeks.js';
import { RETURN_WEEKS } from './return.js';

/** What the calendar of a block says of its weeks, absences and all. */
export interface BlockCalendar {
  /** Weeks in which nothing is done: said, or without a day that the client is there. */
  readonly missed: ReadonlySet<number>;
  /** Easier weeks as they come out: a return takes the place of one that falls on its first week, and moves one that falls inside it. */
  readonly easier: readonly number[];
  readonly retests: readonly number[];
}

/** The calendar of a block (domain 2.6, 3, 4 and 12; 2.10, 2). */
export function calendarOf(input: BlockInput): BlockCalendar {
  const missed = new Set(input.missedWeeks ?? []);
  for (let week = 1; week <= input.weeks; week++) if (slotsOf(input, week).length === 0) missed.add(week);
  const placed = easierWeeksOf(input);
  let easier = placed.filter((w) => !missed.has(w));
  const replaced: number[] = [];
  for (let week = 2; week <= input.weeks; week++) {
    if (missed.has(week) || !missed.has(week - 1) || everythingBefore(missed, week)) continue;
    const inside = (w: number): boolean => w >= week && w < week + RETURN_WEEKS;
    const late = easier.filter(inside);
    if (late.length === 0) continue;
    easier = easier.filter((w) => !inside(w));
    if (late.includes(week)) replaced.push(week);
    else {
      const after = week + RETURN_WEEKS;
      // Two build weeks at least before the next one: nearer than that, the next one does for both. Common practice, no source.
      // By the plan's own weeks, so that days away later on change nothing here.
      const near = placed.some((w) => !late.includes(w) && Math.abs(w - after) <= 2);
      if (after <= input.weeks && !missed.has(after) && !near) easier.push(after);
      // It is still time to measure.
      else replaced.push(...late);
    }
  }
  easier = [...new Set(easier)].sort((a, b) => a - b);
  return { missed, easier, retests: retestWeeks(input.weeks, [...easier, ...replaced]) };
}

/** True when nothing was done before a week: then it is no return. */
function everythingBefore(missed: ReadonlySet<number>, week: number): boolean {
  for (let w = 1; w < week; w++) if (!missed.has(w)) return false;
  return true;
}
