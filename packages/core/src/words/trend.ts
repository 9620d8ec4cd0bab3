import type { RomTest } from '../catalogue/rom-test.js';
import { roundTo } from '../math/rounding.js';
import { formatDate } from '../schedule/plain-date.js';
import type { Course, CourseFact, CourseState, Trend } from '../trend/course.js';
import type { Retention, SessionEffect } from '../trend/effects.js';
import { formatNumber, formatReading, shownReading, unitSuffix } from './reading.js';

const COURSE_STATE: Readonly<Record<CourseState, string>> = {
  reached: 'reached',
  'past its date': 'past its date',
  'on course': 'on course',
  plateau: 'plateau',
  'moving away': 'losing range',
  'cannot tell yet': 'too early to tell',
};

/** Where a trend leads, in a word or two. */
export function courseStateWords(state: CourseState): string {
  return COURSE_STATE[state];
}

const COURSE_WHY: Readonly<Record<CourseFact, string>> = {
  'points-away': 'The whole range of the trend points the wrong way.',
  'nothing-to-compare': 'No goal or reference to compare with.',
  'last-two-meet': 'The last two results reach the goal.',
  'date-over': 'The goal’s date has passed.',
  'trend-is-there': 'The trend has reached it; one more result confirms it.',
  'too-slow': 'Sessions done as planned, but too slow for the goal.',
  'fast-enough': 'Fast enough for the goal so far.',
  'maybe-no-change': 'The range of the trend includes no change at all.',
  'rate-unsure': 'Improving, but perhaps too slowly for the goal.',
};

/** Why a trend is judged as it is, and when its goal may be reached. */
export function courseWords(course: Course, goal: number | null, test: Pick<RomTest, 'unit'>): string {
  const why = COURSE_WHY[course.why];
  if (!course.forecast || goal === null) return why;
  const { earliest, latest } = course.forecast;
  const value = formatReading(goal, test.unit);
  if (!latest) return `${why} ${value} not before ${formatDate(earliest, 'd MMM yyyy')}.`;
  return `${why} ${value} probably between ${formatDate(earliest, 'd MMM')} and ${formatDate(latest, 'd MMM yyyy')}.`;
}

/** The rate of a trend with its interval, per week; + is freer: "+0.6 cm a week (95% range +0.3 to +0.9; 6 dates)." */
export function trendRateWords(trend: Trend, test: Pick<RomTest, 'unit' | 'better'>): string {
  const weekly = (perDay: number): string => {
    const v = shownReading((test.better === 'more' ? perDay : -perDay) * 7, test.unit);
    return `${v > 0 ? '+' : ''}${formatNumber(v)}`;
  };
  const { slope, low, high } = trend.slope;
  const [from, to] = test.better === 'more' ? [low, high] : [high, low];
  return `${weekly(slope)}${unitSuffix(test.unit)} a week (95% range ${weekly(from)} to ${weekly(to)}; ${trend.series.length} dates).`;
}

/** How often a trend so clear would come by chance, for who asks why. */
export function trendChanceWords(trend: Trend): string {
  const { p } = trend.mannKendall;
  const chance = p < 0.001 ? 'less than 1 time in 1000' : `${roundTo(p * 100, p < 0.1 ? 1 : 0)} times in 100`;
  return `A trend this clear comes by chance ${chance} (Mann-Kendall test).`;
}

/** What one session did, between the first and the last assessment of its day. */
export function sessionEffectWords(effect: SessionEffect, test: Pick<RomTest, 'unit'>): string {
  const size = formatReading(Math.abs(effect.gain), test.unit);
  const real = effect.class === 'no detectable change' ? 'within measurement error' : 'more than measurement error';
  return `On ${formatDate(effect.date, 'd MMM')}: ${size} ${effect.gain < 0 ? 'tighter' : 'freer'} at the later assessment, ${real}.`;
}

/** What a break left of a gain. */
export function retentionWords(kept: Retention, test: Pick<RomTest, 'unit'>): string {
  return `After ${kept.breakDays} days without a session ${roundTo(kept.share * 100)}% of the gain was left (${formatReading(kept.kept, test.unit)} of ${formatReading(kept.gain, test.unit)}).`;
}
