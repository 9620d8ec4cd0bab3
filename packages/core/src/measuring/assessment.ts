import { SIDES, type Side } from '../anatomy/side.js';
import type { RomTest } from '../catalogue/rom-test.js';
import type { PlainDate } from '../schedule/plain-date.js';
import { current } from './current.js';
import { errorOf, fewestDegrees, type ResultError } from './error.js';
import { resultOfReadings, type RomResult } from './result.js';
import { asMeasuredBy, type TestCatalogue } from './test-catalogue.js';

/** What is needed of a stored reading. A correction is a reading of its own that names the one it replaces. */
export interface TakenReading {
  readonly id: string;
  readonly testId: string;
  readonly side: Side | null;
  readonly value: number;
  readonly replaces: string | null;
  /** Null: as the assessment. */
  readonly warm: boolean | null;
  readonly testerId: string | null;
}

/** What is needed of an assessment. */
export interface TakenAssessment<R extends TakenReading = TakenReading> {
  readonly id: string;
  readonly date: PlainDate;
  /** Client's clock, `09:40`. */
  readonly time: string;
  readonly warm: boolean;
  readonly testerId: string;
  /** Hours since the last session ended; null or left out when none is known. */
  readonly hoursSinceSession?: number | null;
  readonly readings: readonly R[];
}

/** The sides a test is read on: both, or null once for a test without sides. */
export function sidesOfTest(test: Pick<RomTest, 'sides'>): readonly (Side | null)[] {
  return test.sides === 'none' ? [null] : SIDES;
}

/** Readings of one test and side that count, in the order taken, each correction in the place of what it corrects. */
export function readingsOf<R extends TakenReading>(
  assessment: Pick<TakenAssessment<R>, 'readings'>,
  test: Pick<RomTest, 'id'>,
  side: Side | null,
): R[] {
  return current(assessment.readings.filter((r) => r.testId === test.id && r.side === side));
}

/** Result of one test and side of an assessment; null when it has no reading. */
export function resultIn(
  assessment: Pick<TakenAssessment, 'readings'>,
  test: RomTest,
  side: Side | null,
): RomResult | null {
  const readings = readingsOf(assessment, test, side);
  return readings.length === 0
    ? null
    : resultOfReadings(
        readings.map((r) => r.value),
        test,
      );
}

/** Who took the readings of a test and side: the assessment's tester, unless the newest reading says another. */
export function testerIn(
  assessment: Pick<TakenAssessment, 'readings' | 'testerId'>,
  test: Pick<RomTest, 'id'>,
  side: Side | null,
): string {
  return readingsOf(assessment, test, side).at(-1)?.testerId ?? assessment.testerId;
}

/** True when a test and side were read warm: as the newest reading says, else as the assessment. */
export function isWarm(
  assessment: Pick<TakenAssessment, 'readings' | 'warm'>,
  test: Pick<RomTest, 'id'>,
  side: Side | null,
): boolean {
  return readingsOf(assessment, test, side).at(-1)?.warm ?? assessment.warm;
}

/** So many hours after a session a body is still freer for it. Common practice, no source. */
export const AFTER_SESSION_HOURS = 6;

/** True when a test and side were taken cold, and not on the heels of a session: such results speak for a client. */
function isStandard(assessment: TakenAssessment, test: Pick<RomTest, 'id'>, side: Side | null): boolean {
  const { hoursSinceSession } = assessment;
  const after = hoursSinceSession != null && hoursSinceSession < AFTER_SESSION_HOURS;
  return !after && !isWarm(assessment, test, side);
}

/** The result of a test and side on one day. Value and error in the unit of the test. */
export interface DayResult<A extends TakenAssessment = TakenAssessment> extends ResultError {
  readonly date: PlainDate;
  readonly value: number;
  /** Assessments it comes from, in the order taken: usually one. */
  readonly from: readonly A[];
}

const inOrder = (a: TakenAssessment, b: TakenAssessment): number =>
  a.date.localeCompare(b.date) || a.time.localeCompare(b.time) || a.id.localeCompare(b.id);

/**
 * The results of a test and side day by day, oldest first: the only place where readings become a course (domain 2.2).
 *
 * Cold results count; those taken warm or right after a session stand beside and never replace them, so they make the course only where nothing else was taken. Two
 * assessments of one day are averaged. The error of a mean stays that of one of them: a test-retest error is between days, so measuring twice
 * in one day does not make it smaller.
 */
export function resultSeries<A extends TakenAssessment>(
  assessments: readonly A[],
  catalogue: TestCatalogue,
  test: RomTest,
  side: Side | null,
): DayResult<A>[] {
  const all = [...assessments].sort(inOrder).filter((a) => readingsOf(a, test, side).length > 0);
  const cold = all.filter((a) => isStandard(a, test, side));
  const days = new Map<PlainDate, A[]>();
  for (const a of cold.length > 0 ? cold : all) days.set(a.date, [...(days.get(a.date) ?? []), a]);
  return [...days].map(([date, from]): DayResult<A> => {
    const taken = from.map((a) => {
      const measured = asMeasuredBy(catalogue, test, testerIn(a, test, side));
      const result = resultIn(a, measured, side)!;
      const error = errorOf(measured, result);
      return { value: result.value, variance: error.sem ** 2, error };
    });
    const mean = (of: 'value' | 'variance'): number => taken.reduce((sum, t) => sum + t[of], 0) / taken.length;
    const df = fewestDegrees(taken.map((t) => t.error));
    return { date, value: mean('value'), sem: Math.sqrt(mean('variance')), df, from };
  });
}

/** The result that speaks for a client now: the newest of the series; null when the test was never taken. */
export function currentResult<A extends TakenAssessment>(
  assessments: readonly A[],
  catalogue: TestCatalogue,
  test: RomTest,
  side: Side | null,
): DayResult<A> | null {
  return resultSeries(assessments, catalogue, test, side).at(-1) ?? null;
}
