import type { Assessment, Trial, VisitEvent } from '@yandle/contract';
import {
  asMeasuredBy,
  resultOfTrials,
  SIDES,
  standing,
  type Conditions,
  type RomResult,
  type RomTest,
  type Side,
  type TestBook,
} from '@yandle/core';
import type { SidedResults } from '../ui/mirror/mirror-row.model';

/** Readings of one test and side that stand, in the order taken. */
export function readingsOf(visit: Pick<Assessment, 'trials'>, test: RomTest, side: Side | null): Trial[] {
  return standing(visit.trials.filter((t) => t.testId === test.id && t.side === side));
}

/** Result of one test and side of a visit; null when it has no reading. */
export function resultOf(visit: Pick<Assessment, 'trials'>, test: RomTest, side: Side | null): RomResult | null {
  const readings = readingsOf(visit, test, side);
  return readings.length === 0
    ? null
    : resultOfTrials(
        readings.map((r) => r.value),
        test,
      );
}

/** Both sides of one test of a visit. */
export function sidedResults(visit: Pick<Assessment, 'trials'>, test: RomTest): SidedResults {
  if (test.sides === 'none') return { left: null, right: null, both: resultOf(visit, test, null) };
  return { left: resultOf(visit, test, 'left'), right: resultOf(visit, test, 'right') };
}

/** The newest visit before `visit` that measured this test and side. */
export function visitBefore(
  all: readonly Assessment[],
  visit: Assessment,
  test: RomTest,
  side: Side | null,
): Assessment | null {
  const at = (a: Assessment) => `${a.date} ${a.time} ${a.id}`;
  return (
    [...all]
      .filter((a) => a.id !== visit.id && at(a) < at(visit) && resultOf(a, test, side) !== null)
      .sort((a, b) => (at(a) < at(b) ? 1 : -1))[0] ?? null
  );
}

/** Results of the visits before, side by side. */
export function resultsBefore(all: readonly Assessment[], visit: Assessment, test: RomTest): SidedResults {
  const one = (side: Side | null) => {
    const before = visitBefore(all, visit, test, side);
    return before ? resultOf(before, test, side) : null;
  };
  if (test.sides === 'none') return { left: null, right: null, both: one(null) };
  return { left: one('left'), right: one('right') };
}

/** The sides a test is read on: both, or null once for a test without sides. */
export function sidesOf(test: RomTest): readonly (Side | null)[] {
  return test.sides === 'none' ? [null] : SIDES;
}

/** True when a visit has a reading of a test. */
export function isMeasured(visit: Pick<Assessment, 'trials'>, test: RomTest): boolean {
  return visit.trials.some((t) => t.testId === test.id);
}

/** Who took the readings of a test and side: the visit's tester, unless the newest reading says another. */
export function testerOf(visit: Assessment, test: RomTest, side: Side | null): string {
  return readingsOf(visit, test, side).at(-1)?.testerId ?? visit.testerId;
}

/** A test with the error of who measured it in a visit. A test read by two people takes the one of its first side. */
export function asMeasuredIn(book: TestBook, visit: Assessment, test: RomTest): RomTest {
  const side = sidesOf(test).find((s) => readingsOf(visit, test, s).length > 0) ?? null;
  return asMeasuredBy(book, test, testerOf(visit, test, side));
}

/** How the result of a test and side was taken, for comparing like with like. */
export function conditionsOf(visit: Assessment, test: RomTest, side: Side | null): Conditions {
  const [h, m] = visit.time.split(':').map(Number) as [number, number];
  const last = readingsOf(visit, test, side).at(-1);
  return {
    warm: last?.warm ?? visit.warm,
    instrument: last?.instrument ?? '',
    tester: last?.testerId ?? visit.testerId,
    minuteOfDay: h * 60 + m,
    hoursSinceSession: visit.hoursSinceSession,
  };
}

/** What became of a test in a visit: its newest entry, unless it was taken back. */
export function eventOf(visit: Pick<Assessment, 'events'>, test: RomTest): VisitEvent | null {
  const last = visit.events.filter((e) => e.testId === test.id).at(-1);
  return last && last.kind !== 'resumed' ? last : null;
}
