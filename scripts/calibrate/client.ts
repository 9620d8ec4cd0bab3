import {
  addDays,
  errorOf,
  readingsWanted,
  resultOfReadings,
  type DatedResult,
  type ErrorRule,
  type RomResult,
} from '@yandle/core';
import { Random } from './random';

/** Weeks that a client is followed: a block of twelve. */
export const WEEKS = 12;
/** Share of quick checks that nobody takes. Retests are always taken. */
export const MISSING = 0.2;
/** Weeks with a retest. */
export const RETESTS = [4, 8, 12];
/** Day of the second baseline. */
const SECOND_DAY = 3;
/** Day 0 of every client. */
export const START = '2026-01-05';

/** A test in degrees, as most of the catalogue: mean of two readings that lie within 5°, read to 1°. */
export const RULE = {
  valueRule: 'mean',
  better: 'more',
  repeatTolerance: 5,
  resolution: 1,
  plausible: { min: -90, max: 220 },
} as const;

/** The error of one reading that such a tolerance stands for (domain 2.10). */
const READING_SD = RULE.repeatTolerance / 2.77;

/** Spread of the true values of people in a test. */
const PEOPLE_SD = 8;

export function testWith(sem: number): ErrorRule & typeof RULE {
  return { ...RULE, error: { sem, source: { origin: 'practice', text: 'simulated' } } };
}

/** A true course: change since day 0, by day. */
export interface TrueCourse {
  readonly name: string;
  readonly at: (day: number) => number;
}

export const NONE: TrueCourse = { name: 'none', at: () => 0 };
/** @param rate per week */
export const straight = (rate: number): TrueCourse => ({
  name: `straight, ${rate}° a week`,
  at: (day) => (rate * day) / 7,
});
/** Rises fast and levels off: two thirds of the way in five weeks. */
export const flattening = (total: number): TrueCourse => ({
  name: `flattening, ${total}° in all`,
  at: (day) => total * (1 - Math.exp(-day / 35)),
});
/** Rises for six weeks and loses it again. */
export const relapse = (rate: number): TrueCourse => ({
  name: `relapse, ±${rate}° a week`,
  at: (day) => (rate * Math.min(day, 84 - day)) / 7,
});

/** Two readings, and more as long as they disagree, in whole degrees: as a coach takes them. */
export function measure(truth: number, sem: number, random: Random): RomResult {
  // The published figure holds the day's part and two readings; what is left of it is the day's.
  const day = random.normal(Math.sqrt(Math.max(0, sem ** 2 - READING_SD ** 2 / 2)));
  const readings: number[] = [];
  let result: RomResult | null = null;
  while (readings.length < readingsWanted(result)) {
    readings.push(Math.round(truth + day + random.normal(READING_SD)));
    result = resultOfReadings(readings, RULE);
  }
  return result!;
}

/** What stands in the records of a client for one test. */
export interface Record {
  /** True value on day 0. */
  readonly truth: number;
  readonly first: DatedResult;
  readonly second: DatedResult;
  /** Weekly quick checks and retests, oldest first. */
  readonly later: readonly DatedResult[];
}

export function dated(truth: number, day: number, sem: number, random: Random): DatedResult {
  const result = measure(truth, sem, random);
  return { date: addDays(START, day), value: result.value, ...errorOf(testWith(sem), result) };
}

/**
 * A client followed for twelve weeks.
 * @param chosenOf the test is the shortest of so many on the first day: what makes it a lane; 1 for a test taken as it came
 */
export function follow(course: TrueCourse, sem: number, chosenOf: number, random: Random): Record {
  let [truth, first] = [0, null as DatedResult | null];
  for (let i = 0; i < chosenOf; i++) {
    const own = 60 + random.normal(PEOPLE_SD);
    const taken = dated(own, 0, sem, random);
    if (first === null || taken.value < first.value) [truth, first] = [own, taken];
  }
  const second = dated(truth + course.at(SECOND_DAY), SECOND_DAY, sem, random);
  const later: DatedResult[] = [];
  for (let week = 1; week <= WEEKS; week++) {
    const missed = random.next() < MISSING;
    if (!missed || RETESTS.includes(week)) later.push(dated(truth + course.at(7 * week), 7 * week, sem, random));
  }
  return { truth, first: first!, second, later };
}
