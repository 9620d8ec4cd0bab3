import { Z95 } from '../math/measurement-error.js';
import { tQuantile } from '../math/quantiles.js';
import { fewestDegrees } from '../measuring/error.js';
import { PRACTICE_SPREAD } from '../measuring/findings/shortfall.js';
import { addDays, daysBetween, type PlainDate } from '../schedule/plain-date.js';
import type { RomTest } from '../catalogue/rom-test.js';
import { FORECAST_WEEKS, forecastOf, type Forecast } from './forecast.js';
import { levelAt, lineThrough, lineWithProcess } from './line.js';
import { localLevel, type LevelPoint } from './local-level.js';
import { mannKendall, type MannKendall } from './mann-kendall.js';
import { byDate, daysSinceFirst, DATES_FOR_TREND, type DatedResult } from './series.js';
import { theilSen, type TheilSen } from './theil-sen.js';

const PLATEAU_ADHERENCE = 0.8;
const PLATEAU_DAYS = 28;

/** What a trend is held against. */
export interface Aim {
  /** Value wanted, in the unit of the test. */
  readonly value: number;
  /** By when; null takes as long as a forecast reaches, from the day it was set. */
  readonly by: PlainDate | null;
  /** Day it was set; null: with the first result. */
  readonly setOn: PlainDate | null;
}

/** What else a course is judged by. */
export interface CourseContext {
  /** done/planned of the span, 0…1; null when not known. */
  readonly adherence: number | null;
  /** Day on which it is looked at. */
  readonly today: PlainDate;
}

/**
 * `reached`: the last two results meet the aim. `past its date`: the day of the aim is over. `on course`: the rate is at least what the aim
 * needs, and surely above nothing. `plateau`: practised well and long, and at two looks running surely slower than needed. `moving away`: the
 * whole interval points the wrong way.
 */
export type CourseState = 'reached' | 'past its date' | 'on course' | 'plateau' | 'moving away' | 'cannot tell yet';

/** Why a trend is judged as it is. */
export type CourseFact =
  | 'points-away'
  | 'nothing-to-compare'
  | 'last-two-meet'
  | 'date-over'
  | 'trend-is-there'
  | 'too-slow'
  | 'fast-enough'
  | 'maybe-no-change'
  | 'rate-unsure';

export interface Course {
  readonly state: CourseState;
  readonly why: CourseFact;
  readonly forecast: Forecast | null;
  /** Change per day that the aim needed when it was set, signed so that + is freer; null without an aim or when it was met then. */
  readonly needed: number | null;
}

/** A test and side over time. Rates per day in the unit of the test, signed like the reading. */
export interface Trend {
  readonly series: readonly DatedResult[];
  /** Sen's slope; its interval is never narrower than the errors of the results allow. */
  readonly slope: TheilSen;
  readonly mannKendall: MannKendall;
  readonly smooth: readonly LevelPoint[];
}

/** 97.5 % point for errors that are known, or estimated from few clients. */
function pointOf(series: readonly DatedResult[]): number {
  const df = fewestDegrees(series);
  return df ? tQuantile(0.975, df) : Z95;
}

/** Half the 95 % interval that the errors of the results leave to the slope of a straight course. */
function halfKnown(series: readonly DatedResult[]): number {
  return pointOf(series) * Math.sqrt(lineThrough(series).slopeVariance);
}

/** The trend of a test and side; null below {@link DATES_FOR_TREND} different dates. */
export function trendOf(results: readonly DatedResult[]): Trend | null {
  const series = byDate(results);
  if (series.length < DATES_FOR_TREND) return null;
  const x = daysSinceFirst(series);
  const y = series.map((r) => r.value);
  const sen = theilSen(x, y);
  const half = halfKnown(series);
  const slope = {
    ...sen,
    low: Math.min(sen.low, sen.slope - half),
    high: Math.max(sen.high, sen.slope + half),
  };
  return { series, slope, mannKendall: mannKendall(x, y), smooth: localLevel(series) };
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

/**
 * Rate that an aim needed when it was set: from the result that stood then to its value, over the days to its date. It stays as it is: taken
 * anew from the newest readings it would move with their noise. Null when it was met then.
 */
export function neededRate(series: readonly DatedResult[], better: RomTest['better'], aim: Aim): number | null {
  const first = series[0]!;
  const from = aim.setOn ?? first.date;
  const stood = series.filter((r) => r.date <= from).at(-1) ?? first;
  const gap = (better === 'more' ? 1 : -1) * (aim.value - stood.value);
  const by = aim.by ?? addDays(from, FORECAST_WEEKS * 7);
  return gap > 0 ? gap / Math.max(1, daysBetween(from, by)) : null;
}

/** Whether a course of five dates and four weeks or more is surely slower than a rate. @param direction 1 where more is freer */
function surelySlower(series: readonly DatedResult[], rate: number, direction: 1 | -1): boolean {
  if (series.length < DATES_FOR_TREND || daysSinceFirst(series).at(-1)! < PLATEAU_DAYS) return false;
  const line = lineWithProcess(series);
  return direction * line.slope + pointOf(series) * Math.sqrt(line.slopeVariance) < rate;
}

/** True when the last two of a course's results meet a value, and there are two. */
export function reachedTwice(
  series: readonly Pick<DatedResult, 'value'>[],
  better: RomTest['better'],
  value: number,
): boolean {
  const direction = better === 'more' ? 1 : -1;
  return series.length > 1 && series.slice(-2).every((r) => direction * (r.value - value) >= 0);
}

/**
 * Whether a trend leads to its aim (domain 2.3).
 *
 * Plateau only of a goal that was set, with adherence of 80 % or more, and when at two looks running, each of five dates and four weeks or more, the upper bound of
 * the 95 % interval of the line with the known errors lies below the rate that the aim needed when it was set: a lack of data is never called
 * a plateau.
 */
export function courseOf(
  trend: Trend,
  { better, unit }: Pick<RomTest, 'better' | 'unit'>,
  aim: Aim | null,
  { adherence, today }: CourseContext,
): Course {
  const { series } = trend;
  const rate = freer(trend.slope, better);
  const direction = better === 'more' ? 1 : -1;
  if (rate.high < 0) return { state: 'moving away', why: 'points-away', forecast: null, needed: null };
  if (!aim) return { state: 'cannot tell yet', why: 'nothing-to-compare', forecast: null, needed: null };
  const needed = neededRate(series, better, aim);
  if (reachedTwice(series, better, aim.value))
    return { state: 'reached', why: 'last-two-meet', forecast: null, needed };
  const line = lineWithProcess(series);
  const there = direction * (aim.value - levelAt(line, daysSinceFirst(series).at(-1)!)) <= 0;
  const forecast = there ? null : forecastOf(series, aim.value, direction, PRACTICE_SPREAD[unit]);
  if (aim.by !== null && today > aim.by) return { state: 'past its date', why: 'date-over', forecast, needed };
  if (there) return { state: 'on course', why: 'trend-is-there', forecast: null, needed };
  // Too slow for what: a reference is nothing that the client has set out for.
  const practised = aim.setOn !== null && adherence !== null && adherence >= PLATEAU_ADHERENCE;
  const looks = [series, series.slice(0, -1)];
  if (needed !== null && practised && looks.every((s) => surelySlower(s, needed, direction)))
    return { state: 'plateau', why: 'too-slow', forecast, needed };
  if (needed !== null && rate.slope >= needed && rate.low > 0)
    return { state: 'on course', why: 'fast-enough', forecast, needed };
  return { state: 'cannot tell yet', why: rate.low <= 0 ? 'maybe-no-change' : 'rate-unsure', forecast, needed };
}
