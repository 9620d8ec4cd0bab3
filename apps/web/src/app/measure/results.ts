import type { Assessment, Reading, TestEvent } from '@yandle/contract';
import {
  asMeasuredBy,
  resultOfReadings,
  SIDES,
  current,
  type Conditions,
  type RomResult,
  type RomTest,
  type Side,
  type TestCatalogue,
} from '@yandle/core';
import type { SidedResults } from '../ui/mirror/mirror-row.model';

/** Readings of one test and side that stand, in the order taken. */
export function readingsOf(assessment: Pick<Assessment, 'readings'>, test: RomTest, side: Side | null): Reading[] {
  return current(assessment.readings.filter((t) => t.testId === test.id && t.side === side));
}

/** Result of one test and side of an assessment; null when it has no reading. */
export function resultOf(assessment: Pick<Assessment, 'readings'>, test: RomTest, side: Side | null): RomResult | null {
  const readings = readingsOf(assessment, test, side);
  return readings.length === 0
    ? null
    : resultOfReadings(
        readings.map((r) => r.value),
        test,
      );
}

/** Both sides of one test of an assessment. */
export function sidedResults(assessment: Pick<Assessment, 'readings'>, test: RomTest): SidedResults {
  if (test.sides === 'none') return { left: null, right: null, both: resultOf(assessment, test, null) };
  return { left: resultOf(assessment, test, 'left'), right: resultOf(assessment, test, 'right') };
}

/** The newest assessment before `assessment` that measured this test and side. */
export function assessmentBefore(
  all: readonly Assessment[],
  assessment: Assessment,
  test: RomTest,
  side: Side | null,
): Assessment | null {
  const at = (a: Assessment) => `${a.date} ${a.time} ${a.id}`;
  return (
    [...all]
      .filter((a) => a.id !== assessment.id && at(a) < at(assessment) && resultOf(a, test, side) !== null)
      .sort((a, b) => (at(a) < at(b) ? 1 : -1))[0] ?? null
  );
}

/** Results of the assessments before, side by side. */
export function resultsBefore(all: readonly Assessment[], assessment: Assessment, test: RomTest): SidedResults {
  const one = (side: Side | null) => {
    const before = assessmentBefore(all, assessment, test, side);
    return before ? resultOf(before, test, side) : null;
  };
  if (test.sides === 'none') return { left: null, right: null, both: one(null) };
  return { left: one('left'), right: one('right') };
}

/** The sides a test is read on: both, or null once for a test without sides. */
export function sidesOf(test: RomTest): readonly (Side | null)[] {
  return test.sides === 'none' ? [null] : SIDES;
}

/** True when an assessment has a reading of a test. */
export function isMeasured(assessment: Pick<Assessment, 'readings'>, test: RomTest): boolean {
  return assessment.readings.some((t) => t.testId === test.id);
}

/** Who took the readings of a test and side: the assessment's tester, unless the newest reading says another. */
export function testerOf(assessment: Assessment, test: RomTest, side: Side | null): string {
  return readingsOf(assessment, test, side).at(-1)?.testerId ?? assessment.testerId;
}

/** A test with the error of who measured it in an assessment. A test read by two people takes the one of its first side. */
export function asMeasuredIn(catalogue: TestCatalogue, assessment: Assessment, test: RomTest): RomTest {
  const side = sidesOf(test).find((s) => readingsOf(assessment, test, s).length > 0) ?? null;
  return asMeasuredBy(catalogue, test, testerOf(assessment, test, side));
}

/** How the result of a test and side was taken, for comparing like with like. */
export function conditionsOf(assessment: Assessment, test: RomTest, side: Side | null): Conditions {
  const [h, m] = assessment.time.split(':').map(Number) as [number, number];
  const last = readingsOf(assessment, test, side).at(-1);
  return {
    warm: last?.warm ?? assessment.warm,
    instrument: last?.instrument ?? '',
    tester: last?.testerId ?? assessment.testerId,
    minuteOfDay: h * 60 + m,
    hoursSinceSession: assessment.hoursSinceSession,
  };
}

/** What became of a test in an assessment: its newest entry, unless it was taken back. */
export function eventOf(assessment: Pick<Assessment, 'events'>, test: RomTest): TestEvent | null {
  const last = assessment.events.filter((e) => e.testId === test.id).at(-1);
  return last && last.kind !== 'resumed' ? last : null;
}
