import type { Assessment, Client, Goal, Progress } from '@yandle/contract';
import {
  adherenceFor,
  ageOn,
  asideWords,
  asMeasuredIn,
  baselineWords,
  changeBetween,
  changeSentence,
  choiceOf,
  conditionWords,
  courseStateWords,
  countedSeries,
  courseWords,
  differentConditions,
  errorOf,
  findingOf,
  formatDate,
  formatNumber,
  formatReading,
  feltBeside,
  fromBaseline,
  lastRetention,
  latestSessionEffect,
  mdc95,
  referenceFor,
  referenceValue,
  resultSeries,
  retentionWords,
  roundTo,
  seenWords,
  sessionEffectWords,
  targetFor,
  tighterFeltWords,
  trendChanceWords,
  trendRateWords,
  usualError,
  whisker95,
  type Aim,
  type ChangeClass,
  type DatedResult,
  type DayResult,
  type FromBaseline,
  type OneResult,
  type RomTest,
  type Side,
  type TestCatalogue,
} from '@yandle/core';
import { conditionsOf, isMeasured, resultOf, sidedResults, sidesOf } from '../measure/results';
import { chanceWords, sizeWords } from '../ui/change-words';
import { testRow } from '../ui/mirror/mirror-row.model';
import type { HistoryPoint } from './history-config';
import { sideTrend } from './side-trend';

/** What the progress of a client is worked out from. */
export interface ProgressInput {
  readonly catalogue: TestCatalogue;
  readonly client: Pick<Client, 'birthDate' | 'sex'> | null;
  readonly goals: readonly Goal[];
  readonly progress: Progress;
}

/** The change of one side, in words. */
interface SideChange {
  readonly side: Side | null;
  readonly class: ChangeClass;
  /** One sentence that can be repeated to the client. */
  readonly sentence: string;
  readonly words: string;
  readonly chance: string;
}

/** A value with the days it is the mean of, where there are several. */
function valueWords({ value, dates }: OneResult, test: RomTest): string {
  const shown = formatReading(value, test.unit);
  if (dates.length === 1) return shown;
  const days = dates.map((d) => formatDate(d, 'd MMM'));
  return `${shown} (mean of ${dates.length > 2 ? `${dates.length} days from ${days[0]}` : days.join(' and ')})`;
}

/** From the baseline to the newest result, as far as the error allows to tell. */
function changeOf(test: RomTest, side: Side | null, { before, now }: FromBaseline): SideChange {
  const c = changeBetween(before.value, now.value, test.better, [before, now]);
  return {
    side,
    class: c.class,
    sentence: changeSentence(c, test),
    words: `${valueWords(before, test)} → ${valueWords(now, test)}, ${sizeWords(c, test)}`,
    chance: `${chanceWords(c.probability)} chance that it really ${c.gain < 0 ? 'got worse' : 'improved'}`,
  };
}

/** Whether a result was short: what is low among many is low by luck too. */
function wasShort(test: RomTest, assessment: Assessment, { client, goals }: ProgressInput): boolean {
  if (!client) return false;
  const { left, right, both } = sidedResults(assessment, test);
  const measured = { test, left: left?.value ?? null, right: right?.value ?? null, both: both?.value ?? null };
  const goal = goals.find((g) => g.testId === test.id && g.endedOn === null)?.value ?? null;
  const found = findingOf({ ...measured, goal }, { age: ageOn(client.birthDate, assessment.date), sex: client.sex });
  return found !== null && ((found.shortfall?.spreads ?? 0) > 0 || found.sideSpreads > 0);
}

/** In what two assessments of a test differ besides the result, each once. */
function warningsOf(first: Assessment, newest: Assessment, test: RomTest): string[] {
  const words = sidesOf(test).flatMap((s) =>
    differentConditions(conditionsOf(first, test, s), conditionsOf(newest, test, s)).map(conditionWords),
  );
  return [...new Set(words)];
}

/** What is aimed at: the client's goal, else the target that the reference gives; with the reference itself. */
function aimOf(test: RomTest, newest: Assessment, { client, goals }: ProgressInput) {
  const applied = client ? referenceFor(test, { age: ageOn(client.birthDate, newest.date), sex: client.sex }) : null;
  const goal = goals.find((g) => g.testId === test.id && g.endedOn === null) ?? null;
  const value = goal?.value ?? (applied ? targetFor(test, applied, null) : null)?.value ?? null;
  const aim: Aim | null = value === null ? null : { value, by: goal?.due ?? null, setOn: goal?.setOn ?? null };
  return { goal, aim, reference: applied ? referenceValue(applied) : null };
}

/** Results of a side by assessment, warm ones too: what a session did is the difference between them. */
function datedResults(
  assessments: readonly Assessment[],
  catalogue: TestCatalogue,
  test: RomTest,
  side: Side | null,
): DatedResult[] {
  return assessments.flatMap((a) => {
    const r = resultOf(a, test, side);
    return r ? [{ date: a.date, value: r.value, ...errorOf(asMeasuredIn(catalogue, a, test), r) }] : [];
  });
}

/** The trend of a side with its course, the effect of the last session, and what a break has left. */
function trendOf(
  test: RomTest,
  side: Side | null,
  daily: readonly DayResult[],
  all: readonly DatedResult[],
  aim: Aim | null,
  progress: Progress,
) {
  const trend = sideTrend(daily, test, aim, { adherence: adherenceFor(test, progress.dose), today: progress.today });
  const effect = latestSessionEffect(all, test.better);
  const logged = progress.sensations.map((s) => s.date);
  const kept = lastRetention(daily, logged, test.better);
  return {
    side,
    trend,
    words: trend && {
      state: courseStateWords(trend.course.state),
      rate: trendRateWords(trend.trend, test),
      course: courseWords(trend.course, trend.aim?.value ?? null, test),
      chance: trendChanceWords(trend.trend),
    },
    session: effect ? sessionEffectWords(effect, test) : null,
    kept: kept ? retentionWords(kept, test) : null,
  };
}

/** Every assessment of a test in a line: when, how, and what came of the readings. */
function historyOf(assessments: readonly Assessment[], test: RomTest) {
  const value = (a: Assessment, side: Side | null): string => {
    const r = resultOf(a, test, side);
    return r ? `${formatReading(r.value, test.unit)} (${r.readings.map(formatNumber).join(', ')})` : '–';
  };
  return assessments.map((a) => ({
    date: a.date,
    conditions: `${a.warm ? 'warm' : 'cold'}, ${a.time}, ${a.testerName}`,
    values: sidesOf(test).map((side) => value(a, side)),
  }));
}

const pointsOf = (days: readonly DayResult[]): HistoryPoint[] =>
  days.map((r) => ({ date: r.date, value: roundTo(r.value, 1), half: whisker95(r.sem) }));

/** One test of a client: first against newest assessment, the trend of each side, and everything between; null when never measured. */
export function testProgress(test: RomTest, input: ProgressInput) {
  const { catalogue, progress } = input;
  const sides = sidesOf(test);
  const choice = choiceOf(test, progress.choices);
  const all = sides.map((side) => resultSeries(progress.assessments, catalogue, test, side));
  const series = all.map((s) => countedSeries(s, choice).series);
  const assessments = progress.assessments.filter((a) => isMeasured(a, test));
  const counted = assessments.filter((a) => series.some((s) => s.some((r) => r.from.includes(a))));
  const first = counted[0];
  const newest = counted.at(-1);
  if (!first || !newest) return null;
  const compared = all.map((s) => fromBaseline(s, choice));
  const several = first !== newest;
  const { goal, aim, reference } = aimOf(test, newest, input);
  const now = asMeasuredIn(catalogue, newest, test);
  const then = asMeasuredIn(catalogue, first, test);
  const trends = sides.map((side, i) =>
    trendOf(test, side, series[i]!, datedResults(assessments, catalogue, test, side), aim, progress),
  );
  const sided = test.sides !== 'none';
  const felt = sided ? feltBeside(now.limits, progress.felt) : null;
  return {
    test: now,
    trends,
    hasTrend: trends.some((t) => t.trend !== null),
    leftTrend: trends[0]?.trend ?? null,
    rightTrend: sided ? (trends[1]?.trend ?? null) : null,
    goal: goal?.value ?? null,
    first,
    newest,
    several,
    changes: sides.flatMap((side, i) => (compared[i] ? [changeOf(now, side, compared[i])] : [])),
    aside: asideWords(assessments.filter((a) => !all.some((s) => s.some((r) => r.from.includes(a)))).length),
    felt: felt && tighterFeltWords(felt),
    baseline: baselineWords(compared, wasShort(now, first, input)),
    warnings: several ? warningsOf(first, newest, test) : [],
    row: testRow(now, sidedResults(newest, test), several ? sidedResults(first, test) : null, reference, then),
    sides,
    left: pointsOf(all[0]!),
    right: sided ? pointsOf(all[1]!) : [],
    reference,
    limit: formatReading(mdc95(usualError(then), usualError(now)), test.unit),
    seen: seenWords(usualError(now), test),
    assessments: historyOf(assessments, test),
  };
}

/** What {@link testProgress} says of a test. */
export type TestProgress = NonNullable<ReturnType<typeof testProgress>>;
