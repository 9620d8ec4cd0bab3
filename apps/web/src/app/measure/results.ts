import type { Assessment, TestEvent } from '@yandle/contract';
import { type Conditions, isWarm, readingsOf, resultIn, type RomTest, type Side, testerIn } from '@yandle/core';
import type { SidedResults } from '../ui/mirror/mirror-row.model';

export { readingsOf, resultIn as resultOf, sidesOfTest as sidesOf, testerIn as testerOf } from '@yandle/core';

/** Both sides of one test of an assessment. */
export function sidedResults(assessment: Pick<Assessment, 'readings'>, test: RomTest): SidedResults {
  if (test.sides === 'none') return { left: null, right: null, both: resultIn(assessment, test, null) };
  return { left: resultIn(assessment, test, 'left'), right: resultIn(assessment, test, 'right') };
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
      .filter((a) => a.id !== assessment.id && at(a) < at(assessment) && resultIn(a, test, side) !== null)
      .sort((a, b) => (at(a) < at(b) ? 1 : -1))[0] ?? null
  );
}

/** Results of the assessments before, side by side. */
export function resultsBefore(all: readonly Assessment[], assessment: Assessment, test: RomTest): SidedResults {
  const one = (side: Side | null) => {
    const before = assessmentBefore(all, assessment, test, side);
    return before ? resultIn(before, test, side) : null;
  };
  if (test.sides === 'none') return { left: null, right: null, both: one(null) };
  return { left: one('left'), right: one('right') };
}

/** True when an assessment has a reading of a test. */
export function isMeasured(assessment: Pick<Assessment, 'readings'>, test: RomTest): boolean {
  return assessment.readings.some((t) => t.testId === test.id);
}

/** How the result of a test and side was taken, for comparing like with like. */
export function conditionsOf(assessment: Assessment, test: RomTest, side: Side | null): Conditions {
  const [h, m] = assessment.time.split(':').map(Number) as [number, number];
  const last = readingsOf(assessment, test, side).at(-1);
  return {
    warm: isWarm(assessment, test, side),
    instrument: last?.instrument ?? '',
    tester: testerIn(assessment, test, side),
    minuteOfDay: h * 60 + m,
    hoursSinceSession: assessment.hoursSinceSession,
  };
}

/** What became of a test in an assessment: its newest entry, unless it was taken back. */
export function eventOf(assessment: Pick<Assessment, 'events'>, test: RomTest): TestEvent | null {
  const last = assessment.events.filter((e) => e.testId === test.id).at(-1);
  return last && last.kind !== 'resumed' ? last : null;
}
