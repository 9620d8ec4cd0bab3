import { mean, median } from 'simple-statistics';
import { CoreError } from '../errors.js';
import { subsets } from '../math/subsets.js';
import type { RomTest } from '../catalogue/rom-test.js';

/** Most readings taken on one side in one assessment. */
export const MAX_READINGS = 5;

/**
 * `single`: one reading, spread unknown. `repeatable`: enough readings agree. `third-needed`: readings disagree, take one more.
 * `unsteady`: five readings and still no three that agree; the median stands, with that warning.
 */
export type Steadiness = 'single' | 'repeatable' | 'third-needed' | 'unsteady';

/** The value of a test on one side in one assessment, and how far it can be trusted. Values in the unit of the test. */
export interface RomResult {
  readonly value: number;
  /** All readings, in the order taken. */
  readonly readings: readonly number[];
  /** The readings the value was made from, in the order taken. */
  readonly used: readonly number[];
  /** Largest minus smallest of the readings used. 0 for a single reading. */
  readonly spread: number;
  readonly steadiness: Steadiness;
  /** Three or more readings that only get freer: the tissue is warming, the reading is not improving. */
  readonly stillEasing: boolean;
}

/** The parts of a test that turn readings into a result. */
export type ReadingRule = Pick<RomTest, 'valueRule' | 'better' | 'repeatTolerance' | 'plausible'>;

function range(xs: readonly number[]): number {
  return Math.max(...xs) - Math.min(...xs);
}

/** The closest `size` readings; of equally close ones the later, since the client has settled by then. */
function closest(xs: readonly number[], size: number): number[] {
  let best: number[] | null = null;
  // A subset that lies later in the series is produced later; <= keeps the later one.
  for (const s of subsets(xs, size)) if (!best || range(s) <= range(best) + 1e-9) best = s;
  return best!;
}

function valueOf(xs: readonly number[], rule: ReadingRule): number {
  if (rule.valueRule === 'median') return median([...xs]);
  if (rule.valueRule === 'best') return rule.better === 'more' ? Math.max(...xs) : Math.min(...xs);
  return mean([...xs]);
}

function onlyEases(xs: readonly number[], better: ReadingRule['better']): boolean {
  if (xs.length < 3) return false;
  return xs.slice(1).every((x, i) => (better === 'more' ? x > xs[i]! : x < xs[i]!));
}

/**
 * The result of one side from its readings (domain rule 2.2).
 *
 * Two readings stand when they agree within the repeat tolerance, three when the closest two do, four or five when the closest
 * three do; only the agreeing ones are used. Five that do not agree give the median, marked unsteady. A test of which the best counts takes the
 * best of all, marked unsteady when no other of three or more comes near it.
 *
 * @param readings readings in the order taken, in the unit of the test, 1 to {@link MAX_READINGS}
 * @throws CoreError `no-readings`, `too-many-readings`, `invalid-reading`
 * @example resultOfReadings([31, 38, 32], romTestById('active-knee-extension')).value // 31.5
 */
export function resultOfReadings(readings: readonly number[], rule: ReadingRule): RomResult {
  if (readings.length === 0) throw new CoreError('no-readings', { code: 'no-readings', args: {} });
  if (readings.length > MAX_READINGS)
    throw new CoreError('too-many-readings', { code: 'too-many-readings', args: { most: MAX_READINGS } });
  for (const t of readings) assertPlausible(t, rule);

  const done = (used: readonly number[], steadiness: Steadiness, value = valueOf(used, rule)): RomResult => ({
    value,
    readings: [...readings],
    used: [...used],
    spread: range(used),
    steadiness,
    stillEasing: onlyEases(readings, rule.better),
  });

  if (readings.length === 1) return done(readings, 'single');
  if (rule.valueRule === 'best') {
    // The best of all stands, also where it is alone; another reading near it says that it was no slip.
    const best = valueOf(readings, rule);
    const near = readings.filter((x) => Math.abs(x - best) <= rule.repeatTolerance + 1e-9);
    if (near.length > 1) return done(near, 'repeatable', best);
    return done([best], readings.length === 2 ? 'third-needed' : 'unsteady', best);
  }
  const agreeing = closest(readings, readings.length <= 3 ? 2 : 3);
  if (range(agreeing) <= rule.repeatTolerance + 1e-9) return done(agreeing, 'repeatable');
  if (readings.length === MAX_READINGS) return done(readings, 'unsteady', median([...readings]));
  return done(readings, 'third-needed');
}

/** True for a number that a body can show in this test. */
export function isPlausible(reading: number, rule: Pick<RomTest, 'plausible'>): boolean {
  const { min, max } = rule.plausible;
  return Number.isFinite(reading) && reading >= min && reading <= max;
}

/**
 * Refuses a reading that is no number or outside what a body can show.
 * @throws CoreError `invalid-reading`
 */
export function assertPlausible(reading: number, rule: Pick<RomTest, 'plausible'>): void {
  if (!isPlausible(reading, rule))
    throw new CoreError('invalid-reading', { code: 'implausible', args: rule.plausible });
}

/** How many readings are asked for on a side, given those taken: two, and one more as long as they disagree. */
export function readingsWanted(result: RomResult | null): number {
  if (!result || result.steadiness === 'single') return 2;
  return result.steadiness === 'third-needed' ? result.readings.length + 1 : result.readings.length;
}
