import { POSITIONS, type RomTest } from '../catalogue/rom-test.js';

/** Seconds of explaining, setting up and reading. Common practice, no source: 10-12 tests take about 20 minutes. */
const PER_TEST = 40;
const PER_READING = 15;
const PER_POSITION = 20;
/** Readings of a side that are taken as a rule. */
const READINGS = 2;

/**
 * Tests in the order in which an assessment goes through them: standing to lying, so that the client changes position as little as possible;
 * inside a position as listed.
 */
export function inPositionOrder(tests: readonly RomTest[]): RomTest[] {
  return [...tests].sort((a, b) => POSITIONS.indexOf(a.position) - POSITIONS.indexOf(b.position));
}

/** Minutes a battery takes, rounded up: set-up, two readings a side, changes of position. */
export function batteryMinutes(tests: readonly Pick<RomTest, 'position' | 'sides'>[]): number {
  const positions = new Set(tests.map((t) => t.position)).size;
  const seconds = tests.reduce(
    (sum, t) => sum + PER_TEST + READINGS * PER_READING * (t.sides === 'none' ? 1 : 2),
    positions * PER_POSITION,
  );
  return Math.ceil(seconds / 60);
}
