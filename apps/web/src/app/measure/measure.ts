import { Component, computed, effect, inject, input, untracked, viewChildren } from '@angular/core';
import {
  formatDate,
  formatReading,
  mdc95,
  POSITIONS,
  resultSem,
  runningList,
  SIDES,
  sourceWords,
  trialsWanted,
  type RomTest,
  type Side,
} from '@yandle/core';
import { MirrorLegend } from '../ui/mirror/mirror-legend';
import { MirrorRow } from '../ui/mirror/mirror-row';
import { testRow } from '../ui/mirror/mirror-row.model';
import { ProblemNote } from '../ui/problem-note';
import { SaveState } from '../ui/save-state';
import { MeasureStore } from './measure.store';
import { readingsOf, resultOf, resultsBefore, sidedResults, visitBefore } from './results';
import { SideCard, type Reading } from './side-card';
import { VisitStart } from './visit-start';

/** The bench: a battery in the order of positions, one test at a time, both sides, by keyboard. */
@Component({
  selector: 'y-measure',
  imports: [SideCard, VisitStart, MirrorRow, MirrorLegend, SaveState, ProblemNote],
  providers: [MeasureStore],
  host: { '(keydown.pagedown)': 'page($event, 1)', '(keydown.pageup)': 'page($event, -1)' },
  templateUrl: './measure.html',
})
export class MeasureScreen {
  protected readonly store = inject(MeasureStore);
  readonly clientId = input.required<string>();
  protected readonly sides = SIDES;
  protected readonly list = runningList;
  private readonly cards = viewChildren(SideCard);

  constructor() {
    effect(() => {
      const id = this.clientId();
      untracked(() => void this.store.load(id));
    });
  }

  /** Tests of the battery, under the position they are done in. */
  protected readonly battery = computed(() =>
    POSITIONS.map((position) => ({ position, tests: this.store.tests.filter((t) => t.position === position) })).filter(
      (g) => g.tests.length > 0,
    ),
  );

  protected readonly rows = computed(() => {
    const visit = this.store.visit() ?? this.store.latest();
    const all = this.store.visits() ?? [];
    if (!visit) return [];
    return this.store.tests
      .filter((t) => this.store.visit() !== null || resultOf(visit, t, 'left') || resultOf(visit, t, 'right'))
      .map((t) => ({ id: t.id, model: testRow(t, sidedResults(visit, t), resultsBefore(all, visit, t)) }));
  });

  protected readonly errorWords = computed(() => {
    const t = this.store.test();
    const sem = resultSem(t);
    return `Two results differ for real when they are more than ${formatReading(mdc95(sem), t.unit)} apart (measuring error ${formatReading(sem, t.unit)}; ${sourceWords(t.error.source)}).`;
  });

  protected readonly referenceWords = computed(() => {
    const t = this.store.test();
    const r = t.reference;
    const value =
      r.kind === 'distribution'
        ? `${formatReading(r.mean - r.sd, t.unit)} to ${formatReading(r.mean + r.sd, t.unit)} is typical`
        : `nominal ${formatReading(r.value, t.unit)}, no band`;
    return `${value} (${sourceWords(r.source)})`;
  });

  protected day(date: string): string {
    return formatDate(date, 'd MMM yyyy');
  }

  protected progress(test: RomTest): string {
    const visit = this.store.visit()!;
    const counts = SIDES.map((s) => readingsOf(visit, test, s).length);
    if (counts.every((n) => n === 0)) return '';
    const done = SIDES.every((s) => readingsOf(visit, test, s).length >= trialsWanted(resultOf(visit, test, s)));
    return done ? '✓' : `L ${counts[0]} · R ${counts[1]}`;
  }

  protected readings(side: Side) {
    return readingsOf(this.store.visit()!, this.store.test(), side);
  }

  protected before(side: Side): string {
    const test = this.store.test();
    const visit = visitBefore(this.store.visits() ?? [], this.store.visit()!, test, side);
    const result = visit ? resultOf(visit, test, side) : null;
    return visit && result
      ? `last ${formatReading(result.value, test.unit)}, ${formatDate(visit.date, 'd MMM')}`
      : 'first time';
  }

  protected keep(side: Side, reading: Reading): void {
    this.store.record(this.store.test(), side, reading.value, reading.replaces);
    // The next reading goes where one is still wanted: this side first, then the other.
    setTimeout(() => {
      const cards = this.cards();
      const own = cards.find((c) => c.side() === side);
      const next = own?.wants() ? own : cards.find((c) => c.wants());
      if (next) next.focus();
      else document.getElementById('next-test')?.focus();
    });
  }

  protected go(test: RomTest): void {
    this.store.go(test);
    this.focusFirst();
  }

  protected move(by: 1 | -1): void {
    this.store.move(by);
    this.focusFirst();
  }

  protected page(event: Event, by: 1 | -1): void {
    if (!this.store.visit()) return;
    event.preventDefault();
    this.move(by);
  }

  protected focusFirst(): void {
    setTimeout(() => (this.cards().find((c) => c.wants()) ?? this.cards()[0])?.focus());
  }
}
