import { Requests } from '../data/requests';
import { Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { Goal, Progress } from '@yandle/contract';
import {
  adherence,
  ageOn,
  type Aim,
  changeBetween,
  type ChangeClass,
  type DatedResult,
  type DayResult,
  differentConditions,
  formatDate,
  formatNumber,
  formatReading,
  mdc95,
  type MuscleGroupId,
  muscleGroupName,
  percentOf,
  referenceFor,
  referenceValue,
  resultSem,
  resultSeries,
  type RomTest,
  roundTo,
  type Side,
  targetFor,
  Z95,
  conditionWords,
  courseStateWords,
  trendRateWords,
  courseWords,
  trendChanceWords,
  sessionEffectWords,
  retentionWords,
  latestSessionEffect,
  lastRetention,
  asMeasuredIn,
} from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { Api } from '../data/api';
import { ClientContext } from '../data/client-context';
import { TestCatalogueService } from '../data/test-catalogue.service';
import { conditionsOf, resultOf, sidedResults, sidesOf, isMeasured } from '../measure/results';
import { chanceWords, sizeWords } from '../ui/change-words';
import { MirrorLegend } from '../ui/mirror/mirror-legend';
import { MirrorRow } from '../ui/mirror/mirror-row';
import { doseRow, testRow } from '../ui/mirror/mirror-row.model';
import { ProblemNote } from '../ui/problem-note';
import { HistoryChart } from './history-chart';
import type { HistoryPoint } from './history-config';
import { adherenceOf, sideTrend } from './side-trend';

/** The change of one side, in words. */
interface SideChange {
  readonly side: Side | null;
  readonly class: ChangeClass;
  readonly words: string;
  readonly chance: string;
}

/** What has changed, what the measurement error allows to say about it, and what was done for it. */
@Component({
  selector: 'y-progress',
  imports: [RouterLink, MirrorRow, MirrorLegend, HistoryChart, ProblemNote],
  templateUrl: './progress.html',
})
export class ProgressScreen {
  private readonly api = inject(Api);
  private readonly context = inject(ClientContext);
  readonly clientId = input.required<string>();
  protected readonly data = signal<Progress | null>(null);
  protected readonly requests = new Requests();
  protected readonly problem = this.requests.problem;
  private readonly goals = signal<readonly Goal[]>([]);
  private readonly testCatalogue = inject(TestCatalogueService);

  constructor() {
    effect(() => {
      const id = this.clientId();
      untracked(() => void this.load(id));
    });
  }

  /** Tests measured at all: first against newest assessment, and everything between. */
  protected readonly tests = computed(() => {
    const all = this.data()?.assessments ?? [];
    const catalogue = this.testCatalogue.catalogue();
    return catalogue.tests.flatMap((test) => {
      const sides = sidesOf(test);
      const series = sides.map((side) => resultSeries(all, catalogue, test, side));
      const seriesOf = (side: Side | null) => series[sides.indexOf(side)] ?? [];
      const assessments = all.filter((a) => isMeasured(a, test));
      const counted = assessments.filter((a) => series.some((s) => s.some((r) => r.from.includes(a))));
      const first = counted[0];
      const newest = counted.at(-1);
      if (!first || !newest) return [];
      const several = first !== newest;
      const client = this.context.client();
      const applied = client
        ? referenceFor(test, { age: ageOn(client.birthDate, newest.date), sex: client.sex })
        : null;
      const reference = applied ? referenceValue(applied) : null;
      const goal = this.goals().find((g) => g.testId === test.id && g.endedOn === null) ?? null;
      const target = applied ? targetFor(test, applied, goal?.value ?? null) : null;
      const aimed = goal?.value ?? target?.value ?? null;
      const aim: Aim | null = aimed === null ? null : { value: aimed, by: goal?.due ?? null };
      const now = asMeasuredIn(catalogue, newest, test);
      const then = asMeasuredIn(catalogue, first, test);
      const changes = several ? sides.flatMap((side) => this.changeOf(now, side, seriesOf(side))) : [];
      const warnings = several
        ? [
            ...new Set(
              sides.flatMap((s) =>
                differentConditions(conditionsOf(first, test, s), conditionsOf(newest, test, s)).map(conditionWords),
              ),
            ),
          ]
        : [];
      const points = (side: Side | null): HistoryPoint[] =>
        seriesOf(side).map((r) => ({ date: r.date, value: roundTo(r.value, 1), half: Z95 * r.sem }));
      // Warm ones too: what a session did is the difference between them.
      const dated = (side: Side | null): DatedResult[] =>
        assessments.flatMap((v) => {
          const r = resultOf(v, test, side);
          return r ? [{ date: v.date, value: r.value, sem: resultSem(asMeasuredIn(catalogue, v, test)) }] : [];
        });
      const adherence = adherenceOf(test, this.data()?.dose ?? null);
      const logged = (this.data()?.sensations ?? []).map((s) => s.date);
      const trends = sides.map((side) => {
        const all = dated(side);
        const daily = seriesOf(side);
        const trend = sideTrend(daily, test, aim, adherence);
        const effect = latestSessionEffect(all, test.better);
        const kept = lastRetention(daily, logged, test.better);
        return {
          side,
          trend,
          words: trend
            ? {
                state: courseStateWords(trend.course.state),
                rate: trendRateWords(trend.trend, test),
                course: courseWords(trend.course, trend.aim?.value ?? null, test),
                chance: trendChanceWords(trend.trend),
              }
            : null,
          session: effect ? sessionEffectWords(effect, test) : null,
          kept: kept ? retentionWords(kept, test) : null,
        };
      });
      return [
        {
          test: now,
          trends,
          hasTrend: trends.some((t) => t.trend !== null),
          leftTrend: trends[0]?.trend ?? null,
          rightTrend: test.sides === 'none' ? null : (trends[1]?.trend ?? null),
          goal: goal?.value ?? null,
          first,
          newest,
          several,
          changes,
          warnings,
          row: testRow(now, sidedResults(newest, test), several ? sidedResults(first, test) : null, reference, then),
          sides,
          left: points(test.sides === 'none' ? null : 'left'),
          right: test.sides === 'none' ? [] : points('right'),
          reference,
          limit: formatReading(mdc95(resultSem(then), resultSem(now)), test.unit),
          assessments: assessments.map((v) => ({
            date: v.date,
            conditions: `${v.warm ? 'warm' : 'cold'}, ${v.time}, ${v.testerName}`,
            values: sides.map((s) => {
              const r = resultOf(v, test, s);
              return r
                ? `${formatReading(r.value, test.unit)} (${r.readings.map((t) => formatNumber(t)).join(', ')})`
                : '–';
            }),
          })),
        },
      ];
    });
  });

  protected readonly dose = computed(() => {
    const dose = this.data()?.dose;
    if (!dose) return null;
    const rows = dose.rows;
    const top =
      Math.max(1, ...rows.flatMap((r) => [r.planned.left, r.planned.right, r.done.left, r.done.right])) * 1.05;
    const groups = [...new Set(rows.map((r) => r.group))];
    return {
      ...dose,
      groups: groups.map((group) => ({
        name: muscleGroupName(group as MuscleGroupId),
        total: totalWords(adherence(rows, dose.weeksOver, (r) => r.group === group)),
        rows: rows
          .filter((r) => r.group === group)
          .map((r) =>
            doseRow(
              `Week ${r.week}`,
              `planned ${sidesWords(r.planned)}${r.ratio === null ? '' : ` · ${Math.round(r.ratio * 100)}%`}`,
              r.planned,
              r.done,
              top,
            ),
          ),
      })),
    };
  });

  protected readonly reading = formatReading;

  protected day(date: string): string {
    return formatDate(date, 'd MMM yyyy');
  }

  /** From the first day to the newest, as far as the error allows to tell. */
  private changeOf(test: RomTest, side: Side | null, days: readonly DayResult[]): SideChange[] {
    const [before, now] = [days[0], days.at(-1)];
    if (!before || !now || before === now) return [];
    const c = changeBetween(before.value, now.value, test.better, [before.sem, now.sem]);
    return [
      {
        side,
        class: c.class,
        words: `${formatReading(before.value, test.unit)} → ${formatReading(now.value, test.unit)}, ${sizeWords(c, test)}`,
        chance: `${chanceWords(c.probability)} chance that it really ${c.gain < 0 ? 'got worse' : 'improved'}`,
      },
    ];
  }

  private async load(clientId: string): Promise<void> {
    await this.requests.run(async () => {
      this.data.set(await firstValueFrom(this.api.progress(clientId)));
      this.goals.set((await firstValueFrom(this.api.priorities(clientId))).goals);
    });
  }
}

/** Done of planned in the weeks that are over, in words. */
function totalWords(ratio: number | null): string {
  return ratio === null ? '' : `${percentOf(ratio, 1)}% of the weeks that are over`;
}

/** Seconds of both sides in words: once where they are the same. */
function sidesWords({ left, right }: Readonly<Record<'left' | 'right', number>>): string {
  return left === right ? `${left} s per side` : `left ${left}, right ${right} s`;
}
