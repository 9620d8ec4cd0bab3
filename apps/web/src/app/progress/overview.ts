import { Component, computed, input } from '@angular/core';
import type { Progress, SelfReport } from '@yandle/contract';
import {
  adherence,
  capital,
  feltCourses,
  feltWords,
  muscleGroupName,
  percentOf,
  reliefOf,
  reliefWords,
  type MuscleGroupId,
} from '@yandle/core';
import { MirrorLegend } from '../ui/mirror/mirror-legend';
import { MirrorRow } from '../ui/mirror/mirror-row';
import type { TestProgress } from './test-progress';

/** The one screen that answers "is it working?": every test then and now, what was done for it, and how it feels. */
@Component({
  selector: 'y-progress-overview',
  imports: [MirrorLegend, MirrorRow],
  template: `
    <section aria-labelledby="working">
      <h2 id="working" class="sr-only">Is it working?</h2>
      <ul class="sheet divide-y divide-line">
        @for (t of tests(); track t.test.id) {
          <li class="grid items-center gap-x-6 gap-y-1 px-4 py-2 lg:grid-cols-[minmax(0,1.6fr)_minmax(0,1fr)]">
            <y-mirror-row [model]="t.row" />
            <div class="text-sm">
              @for (c of t.changes; track c.side) {
                <p>
                  <span
                    class="font-semibold"
                    [class.text-action]="c.class === 'improved'"
                    [class.text-attention]="c.class === 'worse'"
                    >{{ c.class === 'improved' ? '▲' : c.class === 'worse' ? '▼' : '◇'
                    }}{{ c.side === null ? '' : c.side === 'left' ? ' Left' : ' Right' }}</span
                  >
                  {{ c.sentence }}
                </p>
              } @empty {
                <p class="text-soft">Measured once. A second assessment shows what has changed.</p>
              }
              @if (headings(t); as h) {
                <p class="text-soft">{{ h }}</p>
              }
              @if (t.felt) {
                <p class="text-soft">{{ t.felt }}</p>
              }
              @if (t.warnings.length > 0) {
                <p class="text-soft">≠ other conditions</p>
              }
            </div>
          </li>
        }
      </ul>
      @if (conditions().length > 0) {
        <p class="note mt-2 text-sm" role="note">
          <span class="font-semibold text-attention">Different conditions (≠):</span> {{ conditions().join('; ') }}.
          Compare these tests with care.
        </p>
      }
      <y-mirror-legend class="mt-2 block" before="the first assessment" />
      <p class="text-sm text-soft">{{ wrongly() }} A trend needs results on five dates.</p>
    </section>
    <div class="mt-5 grid gap-5 md:grid-cols-2">
      <section class="sheet p-4" aria-labelledby="done-dose">
        <h2 id="done-dose" class="!text-[1.05rem]">
          Done of the plan{{ total() === null ? '' : ': ' + total() + '%' }}
        </h2>
        <ul class="mt-2 flex flex-col gap-1.5 text-sm">
          @for (g of groups(); track g.name) {
            <li class="grid grid-cols-[1fr_auto] items-center gap-x-3 gap-y-1 sm:grid-cols-[9rem_1fr_12rem]">
              <span>{{ g.name }}</span>
              <span
                class="relative order-last col-span-2 h-3 rounded bg-shade sm:order-none sm:col-span-1"
                aria-hidden="true"
              >
                <span class="absolute inset-y-0 left-0 rounded bg-action" [style.width.%]="g.share"></span>
              </span>
              <span
                >{{ g.percent }}%<span class="text-soft"> · {{ g.seconds }}</span></span
              >
            </li>
          } @empty {
            <li class="text-soft">No week of the block is over yet.</li>
          }
        </ul>
        <p class="mt-2 text-sm text-soft">Weeks that are over, work along with other stretches counted half.</p>
      </section>
      <section class="sheet p-4" aria-labelledby="feels">
        <h2 id="feels" class="!text-[1.05rem]">How it feels</h2>
        <ul class="mt-2 flex flex-col gap-1 text-sm">
          @for (line of felt(); track line) {
            <li>{{ line }}</li>
          } @empty {
            <li class="text-soft">Nothing said yet. The phone asks once a week, and around sessions.</li>
          }
        </ul>
        <p class="mt-2 text-sm text-soft">0 nothing, 10 worst. A real change is 2 points, or 30% less.</p>
      </section>
    </div>
  `,
})
export class ProgressOverview {
  readonly tests = input.required<readonly TestProgress[]>();
  readonly dose = input.required<Progress['dose']>();
  readonly selfReports = input.required<readonly SelfReport[]>();
  /** How often a change is wrongly called one. */
  readonly wrongly = input.required<string>();

  /** Said once for all tests that they hold for. */
  protected readonly conditions = computed(() => [...new Set(this.tests().flatMap((t) => t.warnings))]);
  protected readonly felt = computed(() => {
    const said = this.selfReports();
    return [...feltCourses(said).map(feltWords), ...reliefOf(said).map(reliefWords)];
  });
  protected readonly total = computed(() => {
    const dose = this.dose();
    const share = dose && adherence(dose.rows, dose.weeksOver);
    return share === null ? null : percentOf(share, 1);
  });

  /** Done against planned by group, what other stretches do along counted half. */
  protected readonly groups = computed(() => {
    const dose = this.dose();
    if (!dose) return [];
    const all = [...dose.rows, ...dose.along];
    return [...new Set(all.map((r) => r.group))].flatMap((group) => {
      const own = all.filter((r) => r.group === group);
      const share = adherence(own, dose.weeksOver);
      if (share === null) return [];
      const seconds = own
        .filter((r) => r.week <= dose.weeksOver)
        .reduce((sum, r) => sum + r.done.left + r.done.right, 0);
      const weekly = Math.round(seconds / 2 / Math.max(1, dose.weeksOver));
      const percent = percentOf(share, 1);
      const name = muscleGroupName(group as MuscleGroupId);
      return [{ name, percent, share: Math.min(100, percent), seconds: `${weekly} s a side and week` }];
    });
  });

  /** Where the test is heading, by side; the same once. */
  protected headings(t: TestProgress): string {
    const words = t.trends.flatMap((s) => {
      if (!s.words) return [];
      const side = s.side === null ? '' : s.side === 'left' ? 'Left: ' : 'Right: ';
      return [{ side, state: s.words.state }];
    });
    const same = new Set(words.map((w) => w.state)).size === 1;
    return same && words.length > 0
      ? `${capital(words[0]!.state)}.`
      : words.map((w) => `${w.side}${w.state}.`).join(' ');
  }
}
