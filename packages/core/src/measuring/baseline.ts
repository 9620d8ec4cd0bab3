import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import type { RomTest } from '../catalogue/rom-test.js';
import { addDays, type PlainDate } from '../schedule/plain-date.js';
import { meanError, type ResultError } from './error.js';
import { HEAVY_WEIGHT } from './tighter-side.js';

/** Results of so many days may stand as one (domain 2.2). Common practice, no source. */
export const ONE_RESULT_DAYS = 10;

/** A result of a day. */
export interface DayValue extends ResultError {
  readonly date: PlainDate;
  readonly value: number;
}

/** When a lane was made of what a test had shown, and when it was first practised. */
export interface LaneChoice {
  readonly chosenOn: PlainDate;
  /** Null: not yet. */
  readonly firstSession: PlainDate | null;
}

/** A lane by its group. */
export interface GroupChoice extends LaneChoice {
  readonly group: MuscleGroupId;
}

/**
 * The first lane that may have been made of what a test had shown: of a group that limits it by half or more. Null for none.
 * @param choices earliest first
 */
export function choiceOf(test: Pick<RomTest, 'limits'>, choices: readonly GroupChoice[]): LaneChoice | null {
  const groups = test.limits.filter((l) => l.weight >= HEAVY_WEIGHT).map((l) => l.group);
  return choices.find((c) => groups.includes(c.group)) ?? null;
}

/**
 * What a change is counted from. `as it came`: the first result, which chose nothing. `second day`: taken again on another day before the first
 * session. `chosen`: the result that made the lane. Of many tests the lowest is low by luck too; next time it is higher without any change.
 */
export type BaselineKind = 'as it came' | 'second day' | 'chosen';

/** Results that count, and what the first of them is. */
export interface CountedSeries<R extends DayValue> {
  readonly series: readonly R[];
  readonly baseline: BaselineKind;
}

/**
 * The results of a test and side that a change or a trend is counted from (domain 2.2): the day that chose the lane is left out where the test
 * was taken again before the first session.
 * @param series oldest first, one a date
 * @param choice the first lane that was made of the test; null for none
 */
export function countedSeries<R extends DayValue>(series: readonly R[], choice: LaneChoice | null): CountedSeries<R> {
  const chose = choice ? series.findLastIndex((r) => r.date <= choice.chosenOn) : -1;
  if (chose !== 0) return { series, baseline: 'as it came' };
  const second = series[1];
  const { firstSession } = choice!;
  if (second && (firstSession === null || second.date <= firstSession))
    return { series: series.slice(1), baseline: 'second day' };
  return { series, baseline: 'chosen' };
}

/** Results of several days as one: their mean, with an error that shrinks by √days. */
export interface OneResult extends ResultError {
  readonly value: number;
  /** Days it is the mean of, oldest first. */
  readonly dates: readonly PlainDate[];
}

/** @param days at least one, of one state of the body */
export function asOneResult(days: readonly DayValue[]): OneResult {
  return {
    value: days.reduce((sum, d) => sum + d.value, 0) / days.length,
    ...meanError(days),
    dates: days.map((d) => d.date),
  };
}

/** The baseline against the newest result. */
export interface FromBaseline {
  readonly before: OneResult;
  readonly now: OneResult;
  readonly baseline: BaselineKind;
}

/**
 * What a change is worked out from: the baseline, and the newest result; each the mean of the days that stand for it, where they lie within
 * {@link ONE_RESULT_DAYS} of each other. Null below two days.
 * @param series oldest first, one a date
 */
export function fromBaseline(series: readonly DayValue[], choice: LaneChoice | null): FromBaseline | null {
  const { series: counted, baseline } = countedSeries(series, choice);
  const [first, last] = [counted[0], counted.at(-1)];
  if (!first || !last || first === last) return null;
  // Only what was measured before the first session is known to be untrained.
  const untrained = baseline === 'second day' ? choice!.firstSession : null;
  const start = counted.filter(
    (r) => r === first || (untrained !== null && r.date <= untrained && r.date < addDays(first.date, ONE_RESULT_DAYS)),
  );
  const rest = counted.filter((r) => !start.includes(r));
  const end = rest.filter((r) => r.date > addDays(last.date, -ONE_RESULT_DAYS));
  // Everything was measured before the first session: two single days are all there is to compare.
  if (end.length === 0) return { before: asOneResult([first]), now: asOneResult([last]), baseline };
  return { before: asOneResult(start), now: asOneResult(end), baseline };
}
