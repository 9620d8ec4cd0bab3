import { Component, computed, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { Block } from '@yandle/contract';
import {
  cautionTitle,
  formatDate,
  formatReading,
  HEAVY_WEIGHT,
  lowerFirst,
  muscleGroupName,
  offeredTests,
  gainSeenOver,
  gainSeenWords,
  smallestGainSeen,
  usualError,
  type RomTest,
} from '@yandle/core';
import { AccountService } from '../data/account.service';
import { TestCatalogueService } from '../data/test-catalogue.service';
import { BlockStore } from './block.store';

/** What else belongs to the block: exercises left out for this client, dates of the retests, earlier blocks. */
@Component({
  selector: 'y-block-notes',
  imports: [RouterLink],
  template: `
    @if (leftOut().length > 0) {
      <details class="mt-3 text-sm">
        <summary class="font-semibold">
          Left out for this client: {{ leftOut().length }} {{ leftOut().length === 1 ? 'exercise' : 'exercises' }}
        </summary>
        <ul class="mt-1 flex flex-col gap-0.5">
          @for (l of leftOut(); track l.name) {
            <li>
              {{ l.name }} <span class="text-soft">– {{ l.why }}</span>
            </li>
          }
        </ul>
      </details>
    }
    @if (store.running(); as running) {
      @if (!store.changed()) {
        <div class="mt-3 text-sm text-soft">
          <ul class="flex flex-wrap items-center gap-x-4 gap-y-1" aria-label="Retests">
            <li class="font-semibold">Retests</li>
            @for (r of running.retests; track r.week) {
              <li class="flex items-center gap-1.5">
                <span>{{ day(r.date) }} ({{ r.week === 1 ? 'baseline' : 'week ' + r.week }})</span>
                @if (moving() === r.week) {
                  <input
                    class="input !min-h-8 !w-auto"
                    type="date"
                    #date
                    [value]="r.date"
                    [attr.aria-label]="'New day of the retest of week ' + r.week"
                  />
                  <button type="button" class="btn !min-h-8" (click)="move(r.week, date.value)">Move</button>
                  <button type="button" class="link" (click)="moving.set(null)">Keep</button>
                } @else {
                  <button
                    type="button"
                    class="link"
                    [attr.aria-label]="'Move the retest of ' + day(r.date)"
                    (click)="moving.set(r.week)"
                  >
                    move
                  </button>
                }
              </li>
            }
          </ul>
          @if (baselineAhead()) {
            <p class="mt-1">
              For the baseline measure again, cold and on another day, what chose these lanes: the day on which a result
              was short is a lucky pick, and part of a first gain would be chance.
            </p>
          }
          @if (cost().length > 0) {
            <ul class="mt-1" role="status">
              @for (line of cost(); track line) {
                <li>{{ line }}</li>
              }
            </ul>
          }
          @if (seen().length > 0) {
            <p class="mt-1">
              Smallest true gain that one retest shows 4 times in 5: {{ seen().join('; ') }}. Measured on two days each
              time, 0.7 of it.
            </p>
          }
        </div>
      }
    }
    @if (store.past().length > 0) {
      <details class="mt-3 text-sm">
        <summary class="font-semibold">Earlier blocks ({{ store.past().length }})</summary>
        <ul class="mt-1">
          @for (b of store.past(); track b.id) {
            <li class="py-0.5">
              <a class="link" [routerLink]="['/clients', b.clientId, 'block', 'earlier', b.id]"
                >{{ day(b.startDate) }} – {{ day(b.endDate) }}</a
              >: {{ b.weeks }} weeks, {{ names(b) }}
            </li>
          }
        </ul>
      </details>
    }
  `,
})
export class BlockNotes {
  protected readonly store = inject(BlockStore);
  private readonly tests = inject(TestCatalogueService);
  private readonly today = inject(AccountService).me()?.today ?? '';
  protected readonly leftOut = computed(() =>
    this.store.leftOut().map((l) => ({ name: l.exercise.name, why: l.because.map(cautionTitle).join(', ') })),
  );

  /** Week whose retest is being moved. */
  protected readonly moving = signal<number | null>(null);

  /** What the last move of a retest costs, lane by lane. */
  protected readonly cost = signal<readonly string[]>([]);

  /** The lanes with the test that speaks most for each. */
  private readonly mainTests = computed(() => {
    const tests = offeredTests(this.tests.catalogue());
    return (this.store.running()?.lanes ?? []).flatMap(({ group }) => {
      const weight = (t: RomTest): number => t.limits.find((l) => l.group === group)?.weight ?? 0;
      const test = [...tests].sort((a, b) => weight(b) - weight(a))[0];
      return !test || weight(test) < HEAVY_WEIGHT ? [] : [{ group, test }];
    });
  });

  /** For each lane the smallest true gain that a retest shows. */
  protected readonly seen = computed(() =>
    this.mainTests().map(({ group, test }) => {
      const gain = formatReading(smallestGainSeen(usualError(test)), test.unit);
      return `${lowerFirst(muscleGroupName(group))} ${gain} (${lowerFirst(test.name)})`;
    }),
  );

  /** The baseline lies ahead, or is today. */
  protected readonly baselineAhead = computed(() => {
    const baseline = this.store.running()?.retests.find((r) => r.week === 1);
    return baseline !== undefined && baseline.date >= this.today;
  });

  protected async move(week: number, date: string): Promise<void> {
    if (date === '') return;
    const before = this.store.running();
    await this.store.moveRetest(week, date);
    this.moving.set(null);
    const after = this.store.running();
    if (before && after) this.cost.set(this.costOf(before, after));
  }

  /** What the dates after a move leave unseen, against those before. */
  private costOf(before: Block, after: Block): string[] {
    return this.mainTests().flatMap(({ group, test }) => {
      const [was, now] = [before, after].map((b) =>
        gainSeenOver(
          b.retests.map((r) => r.date),
          7 * b.weeks,
          usualError(test),
        ),
      );
      return was == null || now == null ? [] : [gainSeenWords(muscleGroupName(group), was, now, test)];
    });
  }

  protected names(b: Block): string {
    return b.lanes.map((l) => lowerFirst(muscleGroupName(l.group))).join(', ');
  }

  protected day(date: string): string {
    return formatDate(date, 'EEE d MMM');
  }
}
