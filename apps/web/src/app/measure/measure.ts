import {
  afterNextRender,
  Component,
  computed,
  effect,
  inject,
  Injector,
  input,
  signal,
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
  beighton,
  resultSem,
  symptomName,
  differentConditions,
  runningList,
  sourceWords,
  readingsWanted,
  type AppliedReference,
  type RomTest,
  type Side,
  conditionWords,
  referenceGapWords,
  asMeasuredIn,
} from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import type { Assessment, TestEvent, TestEventBody } from '@yandle/contract';
import { Api, V1 } from '../data/api';
import { ClientContext } from '../data/client-context';
import { newId } from '../data/ids';
import { problemOf } from '../data/problem';
import { TestCatalogueService } from '../data/test-catalogue.service';
import { ToastService } from '../data/toast.service';
import { SOURCE_KINDS } from '../instruments/angle-source';
import { CaptureStore, readingOfAngle } from '../instruments/capture.store';
import { InstrumentPanel } from '../instruments/instrument-panel';
import { PicturePanel } from '../instruments/picture/picture-panel';
import { changeOf, changeWords } from '../ui/change-words';
import { MirrorLegend } from '../ui/mirror/mirror-legend';
import { MirrorRow } from '../ui/mirror/mirror-row';
import { testRow } from '../ui/mirror/mirror-row.model';
import { ProblemNote } from '../ui/problem-note';
import { SaveState } from '../ui/save-state';
import { BeightonPanel } from './beighton-panel';
import { ConditionsLine } from './conditions-line';
import { FlagPanel } from './flag-panel';
import { MeasureStore } from './measure.store';
import { NumberPad } from './number-pad';
import {
  conditionsOf,
  eventOf,
  isMeasured,
  readingsOf,
  resultOf,
  resultsBefore,
  sidedResults,
  sidesOf,
  assessmentBefore,
} from './results';
import { SideCard, type TypedReading } from './side-card';
import { TestFigure } from './test-figure';
import { AssessmentStart } from './assessment-start';

const PAD_KEY = 'yandle.pad';

/** The bench: a battery in the order of positions, one test at a time, both sides, by keyboard. */
@Component({
  selector: 'y-measure',
  imports: [
    SideCard,
    AssessmentStart,
    MirrorRow,
    MirrorLegend,
    SaveState,
    ProblemNote,
    BeightonPanel,
    ConditionsLine,
    FlagPanel,
    NumberPad,
    TestFigure,
    InstrumentPanel,
    PicturePanel,
  ],
  providers: [MeasureStore, CaptureStore],
  host: {
    '(keydown.pagedown)': 'page($event, 1)',
    '(keydown.pageup)': 'page($event, -1)',
    '(keydown.l)': 'sideKey($event, "left")',
    '(keydown.r)': 'sideKey($event, "right")',
  },
  templateUrl: './measure.html',
})
export class MeasureScreen {
  protected readonly store = inject(MeasureStore);
  protected readonly capture = inject(CaptureStore);
  private readonly api = inject(Api);
  private readonly testCatalogue = inject(TestCatalogueService);
  private readonly toasts = inject(ToastService);
  private readonly context = inject(ClientContext);
  private readonly injector = inject(Injector);
  readonly clientId = input.required<string>();
  private readonly cards = viewChildren(SideCard);

  constructor() {
    effect(() => {
      const id = this.clientId();
      untracked(() => {
        void this.store.load(id);
        void this.loadQuickCheck(id);
      });
    });
    // What is asked belongs to one test.
    effect(() => {
      this.store.test();
      untracked(() => this.asking.set(null));
    });
    this.capture.taken
      .pipe(takeUntilDestroyed())
      .subscribe(({ degrees, source }) =>
        source.taking === 'entry'
          ? this.offer(degrees)
          : this.offer(
              readingOfAngle(degrees, this.capture.angleFormula(this.store.test().id)),
              source.kind === 'phone' ? 'phone sensor' : 'inclinometer',
            ),
      );
  }

  protected readonly asking = signal<'skipped' | 'stopped' | null>(null);
  protected readonly beightonOpen = signal(false);
  protected readonly padOpen = signal(localStorage.getItem(PAD_KEY) === 'yes');
  protected readonly pictureOpen = signal(false);
  protected readonly quickCheck = signal<readonly string[]>([]);
  /** Instrument of the reading that is being taken; null for the one chosen for the test. */
  private readWith: string | null = null;
  /** Side that the pad and the instruments write to; null lets the bench choose who still wants a reading. */
  private readonly aimed = signal<Side | null>(null);

  protected readonly age = computed(() => {
    const c = this.context.client();
    return c ? ageOn(c.birthDate, this.store.assessment()!.date) : 40;
  });

  /** Tests of the battery, under the position they are done in. */
  protected readonly battery = computed(() =>
    POSITIONS.map((position) => ({
      position,
      tests: this.store.tests().filter((t) => t.position === position),
    })).filter((g) => g.tests.length > 0),
  );

  protected readonly rows = computed(() => {
    const assessment = this.store.assessment() ?? this.store.latest();
    const all = this.store.assessments() ?? [];
    if (!assessment) return [];
    const catalogue = this.testCatalogue.catalogue();
    const tests = this.store.assessment()
      ? this.store.tests()
      : inPositionOrder(
          catalogue.tests.filter((t) => isMeasured(assessment, t)).map((t) => asMeasuredIn(catalogue, assessment, t)),
        );
    // The open test first: its row is the one that is looked at.
    const open = this.store.assessment() ? this.store.test() : null;
    return [...tests]
      .sort((a, b) => Number(b === open) - Number(a === open))
      .map((t) => ({
        id: t.id,
        model: testRow(
          t,
          sidedResults(assessment, t),
          resultsBefore(all, assessment, t),
          referenceValue(this.reference(t, assessment.date)),
          this.asMeasuredBefore(all, assessment, t),
        ),
      }));
  });

  /** The test with the error of who measured it the time before. */
  private asMeasuredBefore(all: readonly Assessment[], assessment: Assessment, test: RomTest): RomTest {
    const before = sidesOf(test)
      .map((side) => assessmentBefore(all, assessment, test, side))
      .find((v) => v !== null);
    const plain = this.testCatalogue.catalogue().tests.find((t) => t.id === test.id) ?? test;
    return before ? asMeasuredIn(this.testCatalogue.catalogue(), before, plain) : test;
  }

  /** The reference that applies to the client on a day. */
  private reference(test: RomTest, date: string): AppliedReference {
    const c = this.context.client();
    return c
      ? referenceFor(test, { age: ageOn(c.birthDate, date), sex: c.sex })
      : { kind: 'none', because: { code: 'test-has-none', args: { why: '' } } };
  }

  protected readonly lastBattery = computed(() => this.store.latest()?.battery ?? []);

  protected readonly errorWords = computed(() => {
    const t = this.store.test();
    const sem = resultSem(t);
    return `Two results differ for real when they are more than ${formatReading(mdc95(sem), t.unit)} apart (measurement error ${formatReading(sem, t.unit)}; ${sourceWords(t.error.source)}).`;
  });

  protected readonly referenceWords = computed(() => {
    const t = this.store.test();
    const r = this.reference(t, this.store.assessment()!.date);
    if (r.kind === 'none') return referenceGapWords(r.because);
    const value =
      r.kind === 'band'
        ? `${formatReading(r.low, t.unit)} to ${formatReading(r.high, t.unit)} is typical`
        : `nominal ${formatReading(r.value, t.unit)}, no band`;
    return `${value} (${sourceWords(r.source)}). A comparison, not a diagnosis.`;
  });

  /** What the newest results of the open test are called against the reference. */
  protected readonly bandWords = computed(() => {
    const t = this.store.test();
    const assessment = this.store.assessment()!;
    const r = this.reference(t, assessment.date);
    return sidesOf(t)
      .flatMap((side) => {
        const result = resultOf(assessment, t, side);
        const band = result ? bandOf(result.value, t, r) : 'no band';
        return band === 'no band' ? [] : [`${side === null ? '' : `${side} `}${band}`];
      })
      .join(', ');
  });

  protected day(date: string): string {
    return formatDate(date, 'd MMM yyyy');
  }

  protected progress(test: RomTest): string {
    const assessment = this.store.assessment()!;
    const flag = eventOf(assessment, test);
    if (flag) return flag.kind === 'stopped' ? '■ ended' : 'skipped';
    const sides = sidesOf(test);
    const counts = sides.map((s) => readingsOf(assessment, test, s).length);
    if (counts.every((n) => n === 0)) return '';
    const done = sides.every(
      (s) => readingsOf(assessment, test, s).length >= readingsWanted(resultOf(assessment, test, s)),
    );
    if (done) return '✓';
    return sides.length === 1 ? `${counts[0]}` : `L ${counts[0]} · R ${counts[1]}`;
  }

  protected readings(side: Side | null) {
    return readingsOf(this.store.assessment()!, this.store.test(), side);
  }

  protected before(side: Side | null): string {
    const test = this.store.test();
    const assessment = assessmentBefore(this.store.assessments() ?? [], this.store.assessment()!, test, side);
    const result = assessment ? resultOf(assessment, test, side) : null;
    return assessment && result
      ? `last ${formatReading(result.value, test.unit)}, ${formatDate(assessment.date, 'd MMM')}`
      : 'first time';
  }

  /** What the error allows to say about a side since last time. */
  protected change(side: Side | null): string {
    const test = this.store.test();
    const assessment = this.store.assessment()!;
    const now = resultOf(assessment, test, side);
    const before = assessmentBefore(this.store.assessments() ?? [], assessment, test, side);
    const then = before ? resultOf(before, test, side) : null;
    if (!now || !then) return '';
    const earlier = this.asMeasuredBefore(this.store.assessments() ?? [], assessment, test);
    return `Since last time ${changeWords(changeOf(earlier, test, then.value, now.value), test)}`;
  }

  /** What speaks against comparing a side with last time. */
  protected warnings(side: Side | null): string[] {
    const test = this.store.test();
    const assessment = this.store.assessment()!;
    if (readingsOf(assessment, test, side).length === 0) return [];
    const before = assessmentBefore(this.store.assessments() ?? [], assessment, test, side);
    if (!before) return [];
    const different = differentConditions(conditionsOf(before, test, side), conditionsOf(assessment, test, side)).map(
      conditionWords,
    );
    return different.length > 0 ? [`Different from last time: ${different.join('; ')}. Compare with care.`] : [];
  }

  protected flagOf(test: RomTest): TestEvent | null {
    return eventOf(this.store.assessment()!, test);
  }

  protected flagWords(flag: TestEvent): string {
    const reason = flag.reason ? ` ${flag.reason}.` : '';
    if (flag.kind === 'skipped') return `Skipped:${reason || ' no reason given.'}`;
    const side = flag.side ? `, ${flag.side}` : '';
    return `Ended: ${symptomName(flag.symptom ?? 'other').toLowerCase()}${side}.${reason}`;
  }

  protected flagsOf(assessment: Assessment): { test: string; words: string }[] {
    return this.testCatalogue.catalogue().tests.flatMap((t) => {
      const flag = eventOf(assessment, t);
      return flag ? [{ test: t.name, words: this.flagWords(flag) }] : [];
    });
  }

  protected flagged(body: Omit<TestEventBody, 'testId'>): void {
    this.store.note(this.store.test(), body);
    this.asking.set(null);
  }

  protected resume(): void {
    this.store.note(this.store.test(), { kind: 'resumed', side: null, symptom: null, reason: '' });
    this.focusFirst();
  }

  protected isOpen(test: RomTest): boolean {
    return !this.beightonOpen() && test.id === this.store.test().id;
  }

  protected notFor(test: RomTest): string {
    return test.notFor.length > 0 ? ` Not for: ${runningList(test.notFor)}.` : '';
  }

  protected beightonWords(): string {
    const items = this.store.assessment()!.beighton;
    return items ? `${beighton(items, this.age()).score} of 9` : '';
  }

  protected togglePad(): void {
    this.padOpen.update((open) => !open);
    localStorage.setItem(PAD_KEY, this.padOpen() ? 'yes' : 'no');
  }

  protected chooseSource(value: string): void {
    const kind = SOURCE_KINDS.find((k) => k === value) ?? 'typed';
    this.pictureOpen.set(value === 'picture');
    void this.capture.choose(kind);
  }

  /** The card that a number from the pad or an instrument goes to. */
  private targetCard(): SideCard | undefined {
    const cards = this.cards();
    return cards.find((c) => c.side() === this.aimed()) ?? cards.find((c) => c.wants()) ?? cards[0];
  }

  protected targetWords(): string {
    const assessment = this.store.assessment()!;
    const test = this.store.test();
    const wanting = sidesOf(test).find(
      (s) => readingsOf(assessment, test, s).length < readingsWanted(resultOf(assessment, test, s)),
    );
    const side = this.aimed() ?? wanting ?? sidesOf(test)[0]!;
    const count = readingsOf(assessment, test, side).length + 1;
    return `${side === null ? 'Reading' : side === 'left' ? 'Left' : 'Right'} ${count}`;
  }

  /** @param instrument what the number was read with; null for the one chosen */
  protected offer(value: number, instrument: string | null = null): void {
    this.readWith = instrument;
    this.targetCard()?.offer(value);
    this.readWith = null;
  }

  /** The other side, for the pad and the instruments. */
  protected swap(): void {
    const now = this.targetCard()?.side();
    this.aim(now === 'left' ? 'right' : 'left');
  }

  private aim(side: Side): void {
    this.aimed.set(side);
    this.cards()
      .find((c) => c.side() === side)
      ?.focus();
  }

  /** One key for the side, from anywhere but a text. */
  protected sideKey(event: Event, side: Side): void {
    const target = event.target as HTMLElement;
    const inText = target.matches('input:not([inputmode=decimal]), textarea, select');
    const { ctrlKey, metaKey, altKey } = event as KeyboardEvent;
    if (!this.store.assessment() || this.beightonOpen() || inText || ctrlKey || metaKey || altKey) return;
    if (this.store.test().sides === 'none') return;
    event.preventDefault();
    this.aim(side);
  }

  protected pictureUrl(id: string): string {
    return `${V1}/pictures/${id}`;
  }

  protected picturesOf(test: RomTest) {
    return this.store.assessment()!.pictures.filter((p) => p.testId === test.id);
  }

  protected async attach(picture: Blob): Promise<void> {
    const assessment = this.store.assessment()!;
    const test = this.store.test();
    const side = this.targetCard()?.side() ?? null;
    const id = newId();
    try {
      await firstValueFrom(this.api.attachPicture(assessment.id, id, test.id, side, picture));
      this.store.setPictures([...assessment.pictures, { id, testId: test.id, side }]);
      this.toasts.show('Picture saved.');
    } catch (err) {
      this.toasts.show(`Not attached: ${problemOf(err).detail}`);
    }
  }

  protected async removePicture(id: string): Promise<void> {
    try {
      await firstValueFrom(this.api.removePicture(id));
      this.store.setPictures(this.store.assessment()!.pictures.filter((p) => p.id !== id));
    } catch (err) {
      this.toasts.show(`Not removed: ${problemOf(err).detail}`);
    }
  }

  private async loadQuickCheck(clientId: string): Promise<void> {
    try {
      this.quickCheck.set((await firstValueFrom(this.api.priorities(clientId))).priorities.quickCheck);
    } catch {
      // Without it the other batteries are still there to choose.
      this.quickCheck.set([]);
    }
  }

  protected keep(side: Side | null, reading: TypedReading): void {
    this.store.record(this.store.test(), side, reading.value, reading.replaces, this.readWith);
    this.aimed.set(null);
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
    this.beightonOpen.set(false);
    this.aimed.set(null);
    this.store.go(test);
    this.focusFirst();
  }

  protected move(by: 1 | -1): void {
    this.aimed.set(null);
    this.capture.again();
    this.store.move(by);
    this.focusFirst();
  }

  protected page(event: Event, by: 1 | -1): void {
    if (!this.store.assessment()) return;
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
