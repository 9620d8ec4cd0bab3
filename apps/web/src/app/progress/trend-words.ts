import type { Progress } from '@yandle/contract';
import {
  adherence,
  type Aim,
  type Course,
  courseOf,
  type DatedResult,
  formatDate,
  formatNumber,
  formatReading,
  type MuscleGroupId,
  retention,
  type RomTest,
  type Trend,
  trendOf,
  withinSessionEffect,
} from '@yandle/core';

/** The trend of one side with what it leads to. */
export interface SideTrend {
  readonly trend: Trend;
  readonly course: Course;
  readonly aim: Aim | null;
}

/** Sessions further apart are a break (domain 2.3). */
const BREAK_DAYS = 14;

/**
 * Done against planned of the groups that limit a test by half or more, weeks that are over; null when nothing was planned for them.
 */
export function adherenceOf(test: RomTest, dose: Progress['dose']): number | null {
  if (!dose) return null;
  const groups = new Set<MuscleGroupId>(test.limits.filter((l) => l.weight >= 0.5).map((l) => l.group));
  return adherence(dose.rows, dose.weeksOver, (r) => groups.has(r.group as MuscleGroupId));
}

export function sideTrend(
  results: readonly DatedResult[],
  test: RomTest,
  aim: Aim | null,
  adherence: number | null,
): SideTrend | null {
  const trend = trendOf(results);
  return trend ? { trend, course: courseOf(trend, test.better, aim, adherence), aim } : null;
}

/** The trend in two sentences: its rate with the interval, and what it leads to. */
export function trendWords({ trend, course, aim }: SideTrend, test: RomTest): { rate: string; course: string } {
  const unit = test.unit === 'deg' ? '°' : ' cm';
  const weekly = (perDay: number) => {
    const v = (test.better === 'more' ? perDay : -perDay) * 7;
    return `${v > 0 ? '+' : ''}${formatNumber(v)}`;
  };
  const { slope, low, high } = trend.slope;
  const ends = test.better === 'more' ? [low, high] : [high, low];
  const { p } = trend.mannKendall;
  const chance = p < 0.001 ? 'less than 1 time in 1000' : `${(p * 100).toFixed(p < 0.1 ? 1 : 0)} times in 100`;
  const rate = `${weekly(slope)}${unit} freer a week (95 %: ${weekly(ends[0]!)} to ${weekly(ends[1]!)}; ${trend.series.length} dates; so clear a trend comes by chance ${chance}, Mann-Kendall).`;
  const target = aim ? formatReading(aim.value, test.unit) : '';
  const when = course.forecast
    ? ` ${target} between ${formatDate(course.forecast.earliest, 'd MMM')} and ${
        course.forecast.latest ? formatDate(course.forecast.latest, 'd MMM yyyy') : 'later than half a year from then'
      }, if it goes on like this.`
    : '';
  return { rate, course: `${course.why.charAt(0).toUpperCase()}${course.why.slice(1)}.${when}` };
}

/** What the newest day with two assessments says about one session; null without such a day. */
export function sessionEffectWords(all: readonly DatedResult[], test: RomTest): string | null {
  const days = [...new Set(all.map((r) => r.date))].reverse();
  for (const date of days) {
    const same = all.filter((r) => r.date === date);
    const [before] = same;
    const after = same.at(-1);
    if (!before || !after || before === after) continue;
    const change = withinSessionEffect(before, after, test.better);
    const size = formatReading(Math.abs(change.gain), test.unit);
    const real = change.class === 'no detectable change' ? 'within measurement error' : 'more than measurement error';
    return `Within ${formatDate(date, 'd MMM')}: ${size} ${change.gain < 0 ? 'stiffer' : 'freer'} at the later assessment, ${real}.`;
  }
  return null;
}

/** What the last break of two weeks or more left of a gain; null when there was no break, or no real gain before it. */
export function retentionWords(
  results: readonly DatedResult[],
  sessions: readonly string[],
  test: RomTest,
): string | null {
  const baseline = results[0];
  if (!baseline) return null;
  for (const last of [...sessions].sort().reverse()) {
    const before = [...results].reverse().find((r) => r.date <= last && r.date > baseline.date);
    const nextSession = [...sessions].sort().find((d) => d > last);
    const after = results.find((r) => r.date > last && (!nextSession || r.date <= nextSession));
    if (!before || !after) continue;
    const kept = retention(baseline, before, after, last, test.better);
    if (!kept || kept.breakDays < BREAK_DAYS) continue;
    return `After ${kept.breakDays} days without a session ${Math.round(kept.share * 100)} % of the gain was left (${formatReading(kept.kept, test.unit)} of ${formatReading(kept.gain, test.unit)}).`;
  }
  return null;
}
