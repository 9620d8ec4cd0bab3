import { fewestDegrees, type ResultError } from '../measuring/error.js';
import { tQuantile } from '../math/quantiles.js';
import { addDays, type PlainDate } from '../schedule/plain-date.js';
import { FORECAST_COVER } from './calibrated.js';
import { lineWithProcess, type Line } from './line.js';
import { daysSinceFirst, type DatedResult } from './series.js';

/** Forecasts reach no further (domain 2.3). */
export const FORECAST_WEEKS = 26;
/** 95 % point of the standard normal: both ends of a 90 % interval. */
const POINT = 1.644854;
/** Two ends are shown only where simulated forecasts of their kind held the day so often. */
const COVER_WANTED = 0.8;

/** When an aim may be reached: between two days; or `latest` null: not before one. */
export interface Forecast {
  readonly earliest: PlainDate;
  readonly latest: PlainDate | null;
}

/** Days, counted as those of the line, at which it may meet a value; null ends are open, null altogether says nothing. */
interface Meeting {
  readonly from: number | null;
  readonly to: number | null;
}

/**
 * Days at which a line may meet a value, 90 times in 100, slope and level together: all x with (v − level(x))² ≤ z²·Var(level(x)).
 * Source: Fieller EC 1954, J R Stat Soc B 16:175-185 (from memory; the spec checks it against the definition by search, and by simulation).
 * @param value in the unit of the test, freer than the line's level
 * @param direction 1 where more is freer, −1 where less is
 */
export function meetingOf(line: Line, value: number, direction: 1 | -1, point = POINT): Meeting | null {
  const gap = direction * (value - line.level);
  const slope = direction * line.slope;
  const z2 = point ** 2;
  const a = slope ** 2 - z2 * line.slopeVariance;
  const b = gap * slope;
  const c = gap ** 2 - z2 * line.levelVariance;
  const root = b ** 2 - a * c;
  // No slope is excluded, and the value itself lies in the band of the level: any day will do.
  if (a === 0 || (a < 0 && root <= 0)) return null;
  const [one, two] = [(b - Math.sqrt(Math.max(0, root))) / a, (b + Math.sqrt(Math.max(0, root))) / a];
  const [early, late] = [Math.min(one, two) + line.centre, Math.max(one, two) + line.centre];
  if (a > 0) return slope > 0 ? { from: early, to: late } : null;
  // Two rays: one back in time, for falling slopes; the other ahead.
  return { from: late, to: null };
}

/** How clearly a course rises, in standard errors of its slope: what the calibration goes by. */
function strengthOf(line: Line): number {
  return Math.abs(line.slope) / Math.sqrt(line.slopeVariance);
}

/** What the calibration sorts forecasts by. */
export interface ForecastKind {
  readonly dates: number;
  /** Error of the results in spreads between people: 3° of 8°. */
  readonly error: number;
  readonly strength: number;
}

/** The kind of a forecast from a series. @param spread between people, in the unit of the test */
export function forecastKind(series: readonly DatedResult[], spread: number): ForecastKind {
  const error = Math.sqrt(series.reduce((sum, r) => sum + r.sem ** 2, 0) / series.length);
  return { dates: series.length, error: error / spread, strength: strengthOf(lineWithProcess(series)) };
}

/** Lower ends of the classes in which forecasts were simulated; each reaches to the next. */
export const FORECAST_CLASSES: Readonly<Record<keyof ForecastKind, readonly number[]>> = {
  dates: [5, 7, 10],
  error: [0, 0.28, 0.5],
  strength: [0, 2, 2.5, 3, 4, 6],
};

/** Name of the class of a forecast: its lower ends. */
export function forecastClass(kind: ForecastKind): string {
  const end = (of: keyof ForecastKind): number => FORECAST_CLASSES[of].findLast((low) => kind[of] >= low) ?? -1;
  return [end('dates'), end('error'), end('strength')].join(' ');
}

/** @returns point of Student's t for errors estimated from few clients, else of the normal */
function pointFor(errors: readonly ResultError[]): number {
  const df = fewestDegrees(errors);
  return df ? tQuantile(0.95, df) : POINT;
}

/**
 * The same interval without looking whether such forecasts hold: what the calibration measures. Null when nothing can be told.
 * @param series oldest first, at least two days
 */
export function plainForecast(series: readonly DatedResult[], value: number, direction: 1 | -1): Forecast | null {
  const line = lineWithProcess(series);
  const last = daysSinceFirst(series).at(-1)!;
  const meeting = meetingOf(line, value, direction, pointFor(series));
  if (!meeting) return null;
  const furthest = last + FORECAST_WEEKS * 7;
  const from = Math.ceil(meeting.from!);
  // An open end that begins in the past leaves every day ahead open.
  if (meeting.to === null && from <= last) return null;
  const day = (d: number): PlainDate => addDays(series[0]!.date, Math.min(furthest, Math.max(last, d)));
  const to = meeting.to === null || meeting.to > furthest ? null : Math.ceil(meeting.to);
  return { earliest: day(from), latest: to === null ? null : day(to) };
}

/**
 * When a straight course may reach a value, 90 times in 100, at most {@link FORECAST_WEEKS} ahead of its last date (domain 2.3). Two ends only
 * where forecasts of that many dates, with such errors and so clear a slope, were seen to hold in four of five simulated clients; else "not before".
 * @param spread between people, in the unit of the test
 */
export function forecastOf(
  series: readonly DatedResult[],
  value: number,
  direction: 1 | -1,
  spread: number,
): Forecast | null {
  const plain = plainForecast(series, value, direction);
  if (!plain || plain.latest === null) return plain;
  if ((FORECAST_COVER[forecastClass(forecastKind(series, spread))] ?? 0) >= COVER_WANTED) return plain;
  return plain.earliest > series.at(-1)!.date ? { ...plain, latest: null } : null;
}
