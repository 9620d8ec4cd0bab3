import {
  addDays,
  courseOf,
  daysBetween,
  forecastClass,
  forecastOf,
  forecastKind,
  plainForecast,
  PRACTICE_SPREAD,
  trendOf,
  type CourseState,
  type DatedResult,
  type Forecast,
  type PlainDate,
} from '@yandle/core';
import { follow, START, WEEKS, type TrueCourse } from './client';
import { Random } from './random';

const DEGREES = { better: 'more', unit: 'deg' } as const;
/** Dates of a trend. */
const LEAST = 5;
/** A goal lies between these days, so that a forecast has something to tell. */
const GOAL_DAYS = [42, 210] as const;

/** The looks at a client: after every date from the fifth on. The baseline that chose the lane is left out, as the product does. */
function looks(record: ReturnType<typeof follow>): DatedResult[][] {
  const all = [record.second, ...record.later];
  return all.slice(LEAST - 1).map((_, i) => all.slice(0, LEAST + i));
}

/** What was said along the block of clients with one true course. */
export interface CourseShares {
  readonly course: string;
  readonly sem: number;
  /** Share of looks, by state. */
  readonly states: Readonly<Partial<Record<CourseState, number>>>;
  /** Share of clients of whom a plateau was said at any look. */
  readonly plateauEver: number;
  /** Share of looks whose band holds the true value of that day. */
  readonly band: number;
}

/** @param goal wanted by the end of the block, as a change since day 0; a client on course has the true one */
export function courseShares(
  course: TrueCourse,
  sem: number,
  goal: number,
  clients: number,
  random: Random,
): CourseShares {
  const due = addDays(START, 7 * WEEKS);
  const states: Partial<Record<CourseState, number>> = {};
  let [all, held, plateau] = [0, 0, 0];
  for (let i = 0; i < clients; i++) {
    const record = follow(course, sem, 1, random);
    const aim = { value: record.truth + goal, by: due, setOn: record.second.date };
    let said = false;
    for (const series of looks(record)) {
      const trend = trendOf(series)!;
      const today = series.at(-1)!.date;
      const { state } = courseOf(trend, DEGREES, aim, { adherence: 0.9, today });
      states[state] = (states[state] ?? 0) + 1;
      if (state === 'plateau') said = true;
      const truth = record.truth + course.at(daysBetween(START, today));
      const { low, high } = trend.smooth.at(-1)!;
      if (low <= truth && truth <= high) held++;
      all++;
    }
    if (said) plateau++;
  }
  return {
    course: course.name,
    sem,
    states: Object.fromEntries(Object.entries(states).map(([s, n]) => [s, n / all])),
    plateauEver: plateau / clients,
    band: held / all,
  };
}

const holds = (f: Forecast | null, day: PlainDate): boolean =>
  f === null || (f.earliest <= day && (f.latest === null || day <= f.latest));

/** A count of forecasts and of those that held the true day. */
export interface Held {
  all: number;
  held: number;
}

export const shareHeld = ({ all, held }: Held): number => (all === 0 ? 1 : held / all);

/** Forecasts of clients with one true course. */
export interface ForecastShares {
  readonly course: string;
  readonly sem: number;
  /** All looks; one that tells nothing holds. */
  readonly looks: Held;
  /** Those with two ends before the table is asked, by class. */
  readonly classes: ReadonlyMap<string, Held>;
  /** Those that are shown with two ends. */
  readonly shown: Held;
}

export function forecastShares(course: TrueCourse, sem: number, clients: number, random: Random): ForecastShares {
  const [first, last] = GOAL_DAYS;
  const looked: Held = { all: 0, held: 0 };
  const shown: Held = { all: 0, held: 0 };
  const classes = new Map<string, Held>();
  const count = (into: Held, f: Forecast | null, day: PlainDate): void => {
    into.all++;
    if (holds(f, day)) into.held++;
  };
  for (let i = 0; i < clients; i++) {
    const record = follow(course, sem, 1, random);
    const day = first + Math.floor(random.next() * (last - first));
    const when = addDays(START, day);
    const value = record.truth + course.at(day);
    for (const series of looks(record)) {
      if (series.at(-1)!.date >= when) break;
      const plain = plainForecast(series, value, 1);
      count(looked, plain, when);
      if (plain === null || plain.latest === null) continue;
      const name = forecastClass(forecastKind(series, PRACTICE_SPREAD.deg));
      const of = classes.get(name) ?? { all: 0, held: 0 };
      classes.set(name, of);
      count(of, plain, when);
      const told = forecastOf(series, value, 1, PRACTICE_SPREAD.deg);
      if (told !== null && told.latest !== null) count(shown, told, when);
    }
  }
  return { course: course.name, sem, looks: looked, classes, shown };
}
