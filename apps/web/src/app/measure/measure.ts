import {
  afterNextRender,
  Component,
  computed,
  effect,
  inject,
  Injector,
  input,
  untracked,
  viewChildren,
} from '@angular/core';
import {
  ageOn,
  bandOf,
  formatDate,
  formatReading,
  inPositionOrder,
  mdc95,
  POSITIONS,
  referenceFor,
  referenceValue,
  resultSem,
  ROM_TESTS,
  runningList,
  sourceWords,
  trialsWanted,
  type AppliedReference,
  type RomTest,
  type Side,
} from '@yandle/core';
import { ClientContext } from '../data/client-context';
import { MirrorLegend } from '../ui/mirror/mirror-legend';
import { MirrorRow } from '../ui/mirror/mirror-row';
import { testRow } from '../ui/mirror/mirror-row.model';
import { ProblemNote } from '../ui/problem-note';
import { SaveState } from '../ui/save-state';
import { MeasureStore } from './measure.store';
import { isMeasured, readingsOf, resultOf, resultsBefore, sidedResults, sidesOf, visitBefore } from './results';
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
  private readonly context = inject(ClientContext);
  private readonly injector = inject(Injector);
  readonly clientId = input.required<string>();
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
    POSITIONS.map((position) => ({
      position,
      tests: this.store.tests().filter((t) => t.position === position),
    })).filter((g) => g.tests.length > 0),
  );

  protected readonly rows = computed(() => {
    const visit = this.store.visit() ?? this.store.latest();
    const all = this.store.visits() ?? [];
    if (!visit) return [];
    const tests = this.store.visit()
      ? this.store.tests()
      : inPositionOrder(ROM_TESTS.filter((t) => isMeasured(visit, t)));
    // The open test first: its row is the one that is looked at.
    const open = this.store.visit() ? this.store.test() : null;
    return [...tests]
      .sort((a, b) => Number(b === open) - Number(a === open))
      .map((t) => ({
        id: t.id,
        model: testRow(
          t,
          sidedResults(visit, t),
          resultsBefore(all, visit, t),
          referenceValue(this.reference(t, visit.date)),
        ),
      }));
  });

  /** The reference that applies to the client on a day. */
  private reference(test: RomTest, date: string): AppliedReference {
    const c = this.context.client();
    return c ? referenceFor(test, { age: ageOn(c.birthDate, date), sex: c.sex }) : { kind: 'none', why: '' };
  }

  protected readonly lastBattery = computed(() => this.store.latest()?.battery ?? []);

  protected readonly errorWords = computed(() => {
    const t = this.store.test();
    const sem = resultSem(t);
    return `Two results differ for real when they are more than ${formatReading(mdc95(sem), t.unit)} apart (measuring error ${formatReading(sem, t.unit)}; ${sourceWords(t.error.source)}).`;
  });

  protected readonly referenceWords = computed(() => {
    const t = this.store.test();
    const r = this.reference(t, this.store.visit()!.date);
    if (r.kind === 'none') return r.why;
    const value =
      r.kind === 'band'
        ? `${formatReading(r.low, t.unit)} to ${formatReading(r.high, t.unit)} is typical`
        : `nominal ${formatReading(r.value, t.unit)}, no band`;
    return `${value} (${sourceWords(r.source)}). A comparison, not a diagnosis.`;
  });

  /** What the newest results of the open test are called against the reference. */
  protected readonly bandWords = computed(() => {
    const t = this.store.test();
    const visit = this.store.visit()!;
    const r = this.reference(t, visit.date);
    return sidesOf(t)
      .flatMap((side) => {
        const result = resultOf(visit, t, side);
        const band = result ? bandOf(result.value, t, r) : 'no band';
        return band === 'no band' ? [] : [`${side === null ? '' : `${side} `}${band}`];
      })
      .join(', ');
  });

  protected day(date: string): string {
    return formatDate(date, 'd MMM yyyy');
  }

  protected progress(test: RomTest): string {
    const visit = this.store.visit()!;
    const sides = sidesOf(test);
    const counts = sides.map((s) => readingsOf(visit, test, s).length);
    if (counts.every((n) => n === 0)) return '';
    const done = sides.every((s) => readingsOf(visit, test, s).length >= trialsWanted(resultOf(visit, test, s)));
    if (done) return '✓';
    return sides.length === 1 ? `${counts[0]}` : `L ${counts[0]} · R ${counts[1]}`;
  }

  protected readings(side: Side | null) {
    return readingsOf(this.store.visit()!, this.store.test(), side);
  }

  protected before(side: Side | null): string {
    const test = this.store.test();
    const visit = visitBefore(this.store.visits() ?? [], this.store.visit()!, test, side);
    const result = visit ? resultOf(visit, test, side) : null;
    return visit && result
      ? `last ${formatReading(result.value, test.unit)}, ${formatDate(visit.date, 'd MMM')}`
      : 'first time';
  }

  protected keep(side: Side | null, reading: Reading): void {
    this.store.record(this.store.test(), side, reading.value, reading.replaces);
    // The next reading goes where one is still wanted: this side first, then the other.
    this.afterRender(() => {
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
    this.afterRender(() => (this.cards().find((c) => c.wants()) ?? this.cards()[0])?.focus());
  }

  /** Focus can only move to what has been drawn. */
  private afterRender(work: () => void): void {
    afterNextRender(work, { injector: this.injector });
  }
}
