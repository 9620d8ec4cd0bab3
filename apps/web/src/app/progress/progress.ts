import { Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { Assessment, Goal, Problem, Progress } from '@yandle/contract';
import {
  ageOn,
  formatDate,
  formatNumber,
  formatReading,
  mdc95,
  muscleGroupName,
  referenceFor,
  referenceValue,
  resultSem,
  targetFor,
  differentConditions,
  Z95,
  type Aim,
  type ChangeClass,
  type DatedResult,
  type MuscleGroupId,
  type RomTest,
  type Side,
} from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { Api } from '../data/api';
import { ClientContext } from '../data/client-context';
import { problemOf } from '../data/problem';
import { TestCatalogueService } from '../data/test-catalogue.service';
import { asMeasuredIn, conditionsOf, resultOf, sidedResults, sidesOf } from '../measure/results';
import { changeOf, chanceWords, sizeWords } from '../ui/change-words';
import { MirrorLegend } from '../ui/mirror/mirror-legend';
import { MirrorRow } from '../ui/mirror/mirror-row';
import { doseRow, testRow } from '../ui/mirror/mirror-row.model';
import { ProblemNote } from '../ui/problem-note';
import { HistoryChart, type HistoryPoint } from './history-chart';
import { adherenceOf, retentionWords, sessionEffectWords, sideTrend, trendWords } from './trend-words';

/** The change of one side, in words. */
interface SideChange {
  readonly side: Side | null;
  readonly class: ChangeClass;
  readonly words: string;
  readonly chance: string;
}

/** What has changed, what the measuring error allows to say about it, and what was done for it. */
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
  protected readonly problem = signal<Problem | null>(null);
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
      const assessments = all.filter((a) => sides.some((s) => resultOf(a, test, s) !== null));
      const first = assessments[0];
      const newest = assessments.at(-1);
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
      const changes = several ? sides.flatMap((side) => this.changeOf(then, now, side, first, newest)) : [];
      const warnings = several
        ? [
            ...new Set(
              sides.flatMap((s) => differentConditions(conditionsOf(first, test, s), conditionsOf(newest, test, s))),
            ),
          ]
        : [];
      const points = (side: Side | null): HistoryPoint[] =>
        assessments.flatMap((v) => {
          const r = resultOf(v, test, side);
          return r
            ? [
                {
                  date: v.date,
                  value: Math.round(r.value * 10) / 10,
                  half: Z95 * resultSem(asMeasuredIn(catalogue, v, test)),
                },
              ]
            : [];
        });
      const dated = (side: Side | null): DatedResult[] =>
        assessments.flatMap((v) => {
          const r = resultOf(v, test, side);
          return r ? [{ date: v.date, value: r.value, sem: resultSem(asMeasuredIn(catalogue, v, test)) }] : [];
        });
      const adherence = adherenceOf(test, this.data()?.dose ?? null);
      const logged = (this.data()?.sensations ?? []).map((s) => s.date);
      const trends = sides.map((side) => {
        const all = dated(side);
        // Of two assessments on a day the first counts: the later one shows what the session did.
        const firsts = all.filter((r, i) => all.findIndex((o) => o.date === r.date) === i);
        const trend = sideTrend(firsts, test, aim, adherence);
        return {
          side,
          trend,
          words: trend ? trendWords(trend, test) : null,
          session: sessionEffectWords(all, test),
          kept: retentionWords(firsts, logged, test),
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
    const finished = rows.filter((r) => r.week < dose.currentWeek || dose.currentWeek === dose.weeks);
    return {
      ...dose,
      groups: groups.map((group) => ({
        name: muscleGroupName(group as MuscleGroupId),
        total: totalWords(finished.filter((r) => r.group === group)),
        rows: rows
          .filter((r) => r.group === group)
          .map((r) =>
            doseRow(
              `Week ${r.week}`,
              `planned ${sidesWords(r.planned)}${r.ratio === null ? '' : ` · ${Math.round(r.ratio * 100)} %`}`,
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

  /** @param then,test the test with the error of who measured first, and last */
  private changeOf(
    then: RomTest,
    test: RomTest,
    side: Side | null,
    first: Assessment,
    newest: Assessment,
  ): SideChange[] {
    const before = resultOf(first, test, side);
    const now = resultOf(newest, test, side);
    if (!before || !now) return [];
    const c = changeOf(then, test, before.value, now.value);
    return [
      {
        side,
        class: c.class,
        words: `${formatReading(before.value, test.unit)} → ${formatReading(now.value, test.unit)}, ${sizeWords(c, test)}`,
        chance: `${chanceWords(c.probability)} that the true change has this direction`,
      },
    ];
  }

  private async load(clientId: string): Promise<void> {
    try {
      this.data.set(await firstValueFrom(this.api.progress(clientId)));
      this.problem.set(null);
      this.goals.set((await firstValueFrom(this.api.priorities(clientId))).goals);
    } catch (err) {
      this.problem.set(problemOf(err));
    }
  }
}

/** Sum over weeks that are over, in words. */
function totalWords(
  rows: Progress['dose'] extends infer D ? (D extends { rows: infer R } ? R : never) : never,
): string {
  let planned = 0;
  let done = 0;
  for (const r of rows) {
    planned += r.planned.left + r.planned.right;
    done += r.done.left + r.done.right;
  }
  return planned === 0 ? '' : `${Math.round((done / planned) * 100)} % of the weeks that are over`;
}

/** Seconds of both sides in words: once where they are the same. */
function sidesWords({ left, right }: Readonly<Record<'left' | 'right', number>>): string {
  return left === right ? `${left} s a side` : `left ${left}, right ${right} s`;
}
