import { Component, computed, inject, input } from '@angular/core';
import {
  formatReading,
  mdc95,
  moverWords,
  muscleGroupName,
  resultSem,
  runningList,
  sourceWords,
  type Reference,
  type RomTest,
  roundTo,
  testNotForWords,
  usualError,
} from '@yandle/core';
import { TestCatalogueService } from '../data/test-catalogue.service';
import { TestFigure } from '../measure/test-figure';

/** Everything a coach must know to repeat a test: protocol, error and reference with their sources. */
@Component({
  selector: 'y-test-detail',
  imports: [TestFigure],
  template: `
    @let t = test();
    <article class="flex flex-col gap-4">
      <div class="flex flex-wrap items-start gap-5">
        <y-test-figure class="sheet shrink-0 p-2" [test]="t" />
        <div class="min-w-0 flex-1">
          <h2 class="!text-[1.5rem]">{{ t.name }}</h2>
          <p class="text-soft">
            {{ t.motion }} · {{ t.position }} · {{ moverWords(t.moved) || 'mover not said' }} · {{ t.reads }} ·
            {{ t.better }} is better
          </p>
          <p class="mt-1">{{ t.purpose }}</p>
        </div>
      </div>
      <p class="note text-sm">
        <span class="font-semibold text-attention">Caution:</span> {{ t.cautions.join(' ') }}
        @if (notFor(t).length > 0) {
          Not for: {{ list(notFor(t)) }}.
        }
      </p>
      <div class="grid gap-5 md:grid-cols-2">
        <section>
          <h3>How</h3>
          <ol class="mt-1 list-decimal pl-5">
            @for (s of t.steps; track s) {
              <li>{{ s }}</li>
            }
          </ol>
          <p class="mt-2"><span class="font-semibold">Stop reading when</span> {{ t.endPoint }}.</p>
          @if (t.landmarks.length > 0) {
            <p class="mt-2"><span class="font-semibold">Landmarks:</span> {{ list(t.landmarks) }}.</p>
          }
          <p class="mt-2"><span class="font-semibold">Instruments:</span> {{ list(t.instruments) }}.</p>
          @if (t.faults.length > 0) {
            <p class="mt-2"><span class="font-semibold">Usual faults:</span> {{ list(t.faults) }}.</p>
          }
        </section>
        <section>
          <h3>What the number says</h3>
          <dl class="mt-1 grid grid-cols-[8rem_1fr] gap-x-3 gap-y-1.5">
            <dt class="font-semibold">Readings</dt>
            <dd>2, a third when they disagree; {{ t.valueRule }} of those within {{ reading(t.repeatTolerance) }}</dd>
            <dt class="font-semibold">Error (SEM)</dt>
            <dd>
              {{ reading(sem()) }}; a change above {{ reading(mdc()) }} is real
              <span class="text-soft">({{ words(t.error.source) }})</span>
              @for (e of own(); track e.id) {
                <span class="block font-semibold">{{ e.coachName }}: {{ reading(e.sem) }}</span>
              }
            </dd>
            <dt class="font-semibold">Sides</dt>
            <dd>{{ sides() }}</dd>
            <dt class="font-semibold">Reference</dt>
            <dd>
              @for (l of reference(); track l) {
                <span class="block">{{ l }}</span>
              }
            </dd>
            <dt class="font-semibold">Limited by</dt>
            <dd>{{ limits() }}</dd>
          </dl>
          <p class="mt-2 text-sm text-soft">A reference is a comparison, not a diagnosis.</p>
        </section>
      </div>
    </article>
  `,
})
export class TestDetail {
  private readonly testCatalogue = inject(TestCatalogueService);
  readonly test = input.required<RomTest>();
  protected readonly words = sourceWords;
  protected readonly list = runningList;
  protected readonly notFor = testNotForWords;
  protected readonly moverWords = moverWords;
  protected readonly sem = computed(() => resultSem(this.test()));
  protected readonly mdc = computed(() => mdc95(usualError(this.test())));
  protected readonly own = computed(() => this.testCatalogue.view().errors.filter((e) => e.testId === this.test().id));
  protected readonly limits = computed(() =>
    this.test()
      .limits.map((l) => `${muscleGroupName(l.group)} (${l.weight})`)
      .join(', '),
  );
  protected readonly sides = computed(() => {
    const t = this.test();
    const threshold = t.sideThreshold ? `; a difference counts from ${this.reading(t.sideThreshold.value)}` : '';
    return `${{ body: 'left and right', direction: 'to the left and to the right', none: 'none' }[t.sides]}${threshold}`;
  });
  protected readonly reference = computed(() => referenceLines(this.test().reference, (v) => this.reading(v)));

  protected reading(value: number): string {
    return formatReading(roundTo(value, 2), this.test().unit);
  }
}

/** A reference in lines: each row of its table, then its source. */
function referenceLines(r: Reference, say: (value: number) => string): string[] {
  const who = (row: { sex: string | null; ages: readonly [number, number] }) =>
    `${row.sex ?? 'all'} ${row.ages[1] >= 120 ? `${row.ages[0]} and older` : `${row.ages[0]}–${row.ages[1]}`}`;
  switch (r.kind) {
    case 'distribution':
      return [`${say(r.mean)} ± ${say(r.sd)}`, sourceWords(r.source)];
    case 'table':
      return [
        ...r.rows.map((row) => `${who(row)}: ${say(row.value.mean)} ± ${say(row.value.sd)}`),
        sourceWords(r.source),
      ];
    case 'middle half':
      return [
        ...r.rows.map((row) => `${who(row)}: ${say(row.value.low)} to ${say(row.value.high)} (middle half)`),
        sourceWords(r.source),
      ];
    case 'grades':
      return [
        ...r.rows.map(
          (row) => `${who(row)}: good from ${say(row.value.good)}, excellent from ${say(row.value.excellent)}`,
        ),
        sourceWords(r.source),
      ];
    case 'nominal':
      return [`${say(r.value)}, a single value without a band`, sourceWords(r.source)];
    case 'none':
      return [r.why];
  }
}
