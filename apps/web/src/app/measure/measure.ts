import { BatteryNav } from './battery-nav';
import {
  afterNextRender,
  Component,
  effect,
  inject,
  Injector,
  input,
  signal,
  untracked,
  viewChildren,
} from '@angular/core';
import { moverWords, readingsWanted, type RomTest, type Side, typedReading, unitSign } from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import type { TestEventBody } from '@yandle/contract';
import { Api } from '../data/api';
import { SOURCE_KINDS } from '../instruments/angle-source';
import { CaptureStore, readingOfAngle } from '../instruments/capture.store';
import { InstrumentPanel } from '../instruments/instrument-panel';
import { PicturePanel } from '../instruments/picture/picture-panel';
import { ProblemNote } from '../ui/problem-note';
import { BeightonPanel } from './beighton-panel';
import { ConditionsLine } from './conditions-line';
import { FlagPanel } from './flag-panel';
import { MeasureStore } from './measure.store';
import { MeasureView } from './measure-view';
import { TestPictures } from './test-pictures';
import { NumberPad } from './number-pad';
import { readingsOf, resultOf, sidesOf } from './results';
import { SideCard, type TypedReading } from './side-card';
import { TestFigure } from './test-figure';
import { AttachedPictures } from './attached-pictures';
import { AssessmentRecord } from './assessment-record';
import { AssessmentRecordStore } from './assessment-record.store';
import { MeasureStart } from './measure-start';
import { SidesCompared } from './sides-compared';

const PAD_KEY = 'yandle.pad';

/** The measure screen: a battery in the order of positions, one test at a time, both sides, by keyboard. */
@Component({
  selector: 'y-measure',
  imports: [
    BatteryNav,
    SideCard,
    AttachedPictures,
    AssessmentRecord,
    MeasureStart,
    SidesCompared,
    ProblemNote,
    BeightonPanel,
    ConditionsLine,
    FlagPanel,
    NumberPad,
    TestFigure,
    InstrumentPanel,
    PicturePanel,
  ],
  providers: [MeasureStore, MeasureView, AssessmentRecordStore, TestPictures, CaptureStore],
  host: {
    '(keydown.pagedown)': 'page($event, 1)',
    '(keydown.pageup)': 'page($event, -1)',
    '(keydown.l)': 'sideKey($event, "left")',
    '(keydown.r)': 'sideKey($event, "right")',
    '(keydown.s)': 'showKey($event)',
  },
  templateUrl: './measure.html',
})
export class MeasureScreen {
  protected readonly store = inject(MeasureStore);
  protected readonly view = inject(MeasureView);
  protected readonly records = inject(AssessmentRecordStore);
  protected readonly pictures = inject(TestPictures);
  protected readonly capture = inject(CaptureStore);
  private readonly api = inject(Api);
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
          ? this.offer(typedReading(degrees, this.store.test().unit))
          : this.offer(
              readingOfAngle(degrees, this.capture.angleFormula(this.store.test().id)),
              source.kind === 'phone' ? 'phone sensor' : 'inclinometer',
            ),
      );
  }

  protected readonly unitSign = unitSign;
  protected readonly moverWords = moverWords;
  protected readonly asking = signal<'skipped' | 'stopped' | null>(null);
  protected readonly beightonOpen = signal(false);
  protected readonly padOpen = signal(localStorage.getItem(PAD_KEY) === 'yes');
  protected readonly pictureOpen = signal(false);
  protected readonly quickCheck = signal<readonly string[]>([]);
  /** Instrument of the reading that is being taken; null for the one chosen for the test. */
  private readWith: string | null = null;
  /** Side that the pad and the instruments write to; null lets the screen choose who still wants a reading. */
  private readonly aimed = signal<Side | null>(null);

  protected readings(side: Side | null) {
    return readingsOf(this.store.assessment()!, this.store.test(), side);
  }

  protected flagged(body: Omit<TestEventBody, 'testId'>): void {
    this.store.note(this.store.test(), body);
    this.asking.set(null);
  }

  protected resume(): void {
    this.store.note(this.store.test(), { kind: 'resumed', side: null, symptom: null, reason: '' });
    this.focusFirst();
  }

  /** The side that a picture is attached to. */
  protected aimedSide(): Side | null {
    return this.targetCard()?.side() ?? null;
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
    return this.aimedCard() ?? cards.find((c) => c.wants()) ?? cards[0];
  }

  /** The card of the side chosen by key or pad. A side key may come before the new test is drawn, so it is asked late. */
  private aimedCard(): SideCard | undefined {
    const side = this.aimed();
    return side === null ? undefined : this.cards().find((c) => c.side() === side);
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

  /** True for a key that means something on this screen: not within a text, nor with another key. */
  private isOurKey(event: Event): boolean {
    const target = event.target as HTMLElement;
    const inText = target.matches('input:not([inputmode=decimal]), textarea, select');
    const { ctrlKey, metaKey, altKey } = event as KeyboardEvent;
    return this.store.assessment() !== null && !this.beightonOpen() && !inText && !ctrlKey && !metaKey && !altKey;
  }

  /** One key for the side, from anywhere but a text. */
  protected sideKey(event: Event, side: Side): void {
    if (!this.isOurKey(event) || this.store.test().sides === 'none') return;
    event.preventDefault();
    this.aim(side);
  }

  /** Last time's value of the side that is next, before its first reading. */
  protected showKey(event: Event): void {
    if (!this.isOurKey(event)) return;
    event.preventDefault();
    const card = this.targetCard();
    if (card && this.view.isHidden(card.side())) this.store.show(this.store.test(), card.side());
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
    // Who clicked elsewhere keeps the focus there.
    if (reading.leaving) return;
    // The next reading goes where one is still wanted: this side first, then the other.
    this.afterRender(() => {
      const cards = this.cards();
      const own = cards.find((c) => c.side() === side);
      const next = this.aimedCard() ?? (own?.wants() ? own : cards.find((c) => c.wants()));
      if (next) next.focus();
      else document.getElementById('next-test')?.focus();
    });
  }

  /** A number that was typed and not kept belongs to the test that is left. */
  private leave(): void {
    for (const card of this.cards()) card.leave();
  }

  protected go(test: RomTest): void {
    this.leave();
    this.beightonOpen.set(false);
    this.aimed.set(null);
    this.store.go(test);
    this.focusFirst();
  }

  protected move(by: 1 | -1): void {
    this.leave();
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
    this.afterRender(() => this.targetCard()?.focus());
  }

  /** Focus can only move to what has been drawn. */
  private afterRender(work: () => void): void {
    afterNextRender(work, { injector: this.injector });
  }
}
