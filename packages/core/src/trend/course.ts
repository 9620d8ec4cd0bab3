import { addDays, daysBetween, type PlainDate } from '../schedule/plain-date.js';
import type { RomTest } from '../catalogue/rom-test.js';
import { localLevel, type LocalLevel } from './local-level.js';
import { mannKendall, type MannKendall } from './mann-kendall.js';
import { byDate, daysSinceFirst, DATES_FOR_TREND, type DatedResult } from './series.js';
import { theilSen, type TheilSen } from './theil-sen.js';

/** Forecasts reach no further (domain 2.3). */
export const FORECAST_WEEKS = 26;
const PLATEAU_ADHERENCE = 0.8;
const PLATEAU_DAYS = 28;
const PLATEAU_DATES = 4;

/** What a trend is held against. */
export interface Aim {
  /** Value wanted, in the unit of the test. */
  readonly value: number;
  /** By when; null takes the furthest a forecast reaches. */
  readonly by: PlainDate | null;
}

/**
 * `reached`: the last two results meet the aim. `on course`: the rate is at least what the aim needs, and surely above nothing.
 * `plateau`: practised well and long, and still surely slower than needed. `moving away`: the whole interval points the wrong way.
 */
export type CourseState = 'reached' | 'on course' | 'plateau' | 'moving away' | 'cannot tell yet';

/** Why a trend is judged as it is. */
export type CourseFact =
  | 'points-away'
  | 'nothing-to-compare'
  | 'last-two-meet'
  | 'trend-is-there'
  | 'too-slow'
  | 'fast-enough'
  | 'maybe-no-change'
  | 'rate-unsure';

/** When the aim may be reached. `latest` null: later than a forecast reaches. */
export interface Forecast {
  readonly earliest: PlainDate;
  readonly latest: PlainDate | null;
}

export interface Course {
  readonly state: CourseState;
  readonly why: CourseFact;
  readonly forecast: Forecast | null;
  /** Change per day that the aim needs, signed so that + is freer; null without an aim or when it is reached. */
  readonly needed: number | null;
}

/** A test and side over time. Rates per day in the unit of the test, signed like the reading. */
export interface Trend {
  readonly series: readonly DatedResult[];
  readonly slope: TheilSen;
  readonly mannKendall: MannKendall;
  readonly smooth: LocalLevel;
}

/** The trend of a test and side; null below {@link DATES_FOR_TREND} different dates. */
export function trendOf(results: readonly DatedResult[]): Trend | null {
  const series = byDate(results);
  if (series.length < DATES_FOR_TREND) return null;
  const x = daysSinceFirst(series);
  const y = series.map((r) => r.value);
  return { series, slope: theilSen(x, y), mannKendall: mannKendall(x, y), smooth: localLevel(series) };
}

interface Freer {
  /** Slope and its bounds, + is freer. */
  readonly slope: number;
  readonly low: number;
  readonly high: number;
}

function freer(s: TheilSen, better: RomTest['better']): Freer {
  return better === 'more' ? s : { slope: -s.slope, low: -s.high, high: -s.low };
}

function forecast(from: PlainDate, gap: number, rate: Freer): Forecast | null {
  if (rate.low <= 0) return null;
  const furthest = FORECAST_WEEKS * 7;
  const soonest = Math.ceil(gap / rate.high);
  if (soonest > furthest) return null;
  const latest = Math.ceil(gap / rate.low);
  return { earliest: addDays(from, soonest), latest: latest <= furthest ? addDays(from, latest) : null };
}

/**
 * Whether a trend leads to its aim (domain 2.3), counted from the smoothed value of the last date.
 *
 * Plateau only with adherence of 80 % or more, four weeks, four dates, and the upper bound of Sen's 90 % interval below the rate needed:
 * a lack of data is never called a plateau. Forecasts only while Sen's 95 % interval excludes 0, at most 26 weeks ahead.
 * @param adherence done/planned of the span, 0…1; null when not known
 */
export function courseOf(trend: Trend, better: RomTest['better'], aim: Aim | null, adherence: number | null): Course {
  const { series } = trend;
  const last = series.at(-1)!;
  const rate = freer(trend.slope, better);
  const direction = better === 'more' ? 1 : -1;
  if (rate.high < 0) return { state: 'moving away', why: 'points-away', forecast: null, needed: null };
  if (!aim)
    return {
      state: 'cannot tell yet',
      why: 'nothing-to-compare',
      forecast: null,
      needed: null,
    };
  const meets = (r: DatedResult) => direction * (r.value - aim.value) >= 0;
  if (series.slice(-2).every(meets)) return { state: 'reached', why: 'last-two-meet', forecast: null, needed: null };
  const gap = direction * (aim.value - trend.smooth.points.at(-1)!.level);
  if (gap <= 0)
    return {
      state: 'on course',
      why: 'trend-is-there',
      forecast: null,
      needed: null,
    };
  const daysLeft = aim.by ? Math.max(1, daysBetween(last.date, aim.by)) : FORECAST_WEEKS * 7;
  const needed = gap / daysLeft;
  const when = forecast(last.date, gap, rate);
  const x = daysSinceFirst(series);
  const ninety = freer(
    theilSen(
      x,
      series.map((r) => r.value),
      0.9,
    ),
    better,
  );
  const longEnough = x.at(-1)! >= PLATEAU_DAYS && series.length >= PLATEAU_DATES;
  if (adherence !== null && adherence >= PLATEAU_ADHERENCE && longEnough && ninety.high < needed)
    return {
      state: 'plateau',
      why: 'too-slow',
      forecast: when,
      needed,
    };
  if (rate.slope >= needed && ninety.low > 0) return { state: 'on course', why: 'fast-enough', forecast: when, needed };
  return {
    state: 'cannot tell yet',
    why: rate.low <= 0 ? 'maybe-no-change' : 'rate-unsure',
    forecast: when,
    needed,
  };
}
