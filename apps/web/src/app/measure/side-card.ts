import {
  ApplicationRef,
  Component,
  computed,
  ElementRef,
  inject,
  input,
  output,
  signal,
  viewChild,
} from '@angular/core';
import type { Reading } from '@yandle/contract';
import {
  isPlausible,
  refusalWords,
  formatNumber,
  formatReading,
  MAX_READINGS,
  resultOfReadings,
  readingsWanted,
  type RomTest,
  type Side,
  parseNumber,
  roundTo,
  shownReading,
  typedReading,
  unitSign,
} from '@yandle/core';

/** A reading that a coach typed: a new one, or the correction of one. */
export interface TypedReading {
  readonly value: number;
  readonly replaces: string | null;
  /** The field was left with the number in it. */
  readonly leaving: boolean;
}

/** One side of the active test: its readings, its value and what they allow to say. Type a number, Enter keeps it. */
@Component({
  selector: 'y-side-card',
  template: `
    <section
      class="sheet flex h-full flex-col gap-3 p-4"
      [class.!border-action]="focused()"
      [attr.aria-label]="name()"
      (focusin)="focused.set(true)"
      (focusout)="focused.set(false)"
    >
      <div class="flex justify-between gap-2">
        <h2 class="!text-[1.05rem]" [class.text-l-side]="side() === 'left'" [class.text-r-side]="side() === 'right'">
          {{ side() === null ? '' : side() === 'left' ? '● ' : '○ ' }}{{ name() }}
        </h2>
        <span class="text-right text-sm text-soft">
          {{ before() }}
          @if (unseen()) {
            <button type="button" class="link" (click)="shown.emit()">Show it</button>
          }
        </span>
      </div>
      <p class="flex min-h-14 flex-wrap items-baseline gap-x-3" aria-live="polite">
        @if (result(); as r) {
          <span class="font-serif text-5xl font-semibold whitespace-nowrap">{{ reading(r.value) }}</span>
          <span class="text-soft">{{ how() }}</span>
        } @else {
          <span class="text-soft">No reading yet</span>
        }
      </p>
      <div class="flex flex-wrap items-center gap-2">
        @for (t of readings(); track t.id) {
          <button
            type="button"
            class="btn min-w-14"
            [class.!border-action]="correcting() === t.id"
            [class.line-through]="correcting() === t.id"
            [attr.aria-label]="'Correct reading ' + numberOf(t.value)"
            (click)="correct(t)"
          >
            {{ numberOf(t.value) }}
          </button>
        }
        @if (mayType()) {
          <input
            #box
            class="input !w-24 text-lg"
            inputmode="decimal"
            autocomplete="off"
            enterkeyhint="done"
            [attr.aria-label]="label()"
            [attr.aria-invalid]="!!error()"
            [attr.placeholder]="sign()"
            (keydown.enter)="keep($event)"
            (keydown.escape)="correcting.set(null); box.value = ''"
            (input)="error.set(null)"
            (blur)="leave($event)"
          />
        }
        @if (corrected(); as r) {
          <button type="button" class="btn" (click)="takeBack(r)">Take {{ numberOf(r.value) }} back</button>
        }
      </div>
      @if (change(); as c) {
        <p class="text-sm font-semibold">{{ c }}</p>
      }
      @for (w of warnings(); track w) {
        <p class="text-sm text-attention">{{ w }}</p>
      }
      @if (error(); as e) {
        <p class="field-error" role="alert">{{ e }}</p>
      } @else {
        <p class="text-sm" [class.text-soft]="!warns()" [class.text-attention]="warns()">{{ words() }}</p>
      }
    </section>
  `,
})
export class SideCard {
  private readonly app = inject(ApplicationRef);
  readonly test = input.required<RomTest>();
  readonly side = input.required<Side | null>();
  readonly readings = input.required<readonly Reading[]>();
  /** Last time, in words. */
  readonly before = input('');
  /** What the error allows to say about the change since last time, in words. */
  readonly change = input('');
  /** What speaks against comparing with last time, or with the other side. */
  readonly warnings = input<readonly string[]>([]);
  /** No new reading here: the test was skipped or ended. Corrections stay possible. */
  readonly closed = input(false);
  /** Last time’s value is not shown before a reading. */
  readonly unseen = input(false);
  readonly saved = output<TypedReading>();
  readonly shown = output();
  readonly takenBack = output<Reading>();
  private readonly box = viewChild<ElementRef<HTMLInputElement>>('box');

  /** Left, right, or the reading itself where there are no sides; directions say which way. */
  protected readonly name = computed(() => {
    const side = this.side();
    if (side === null) return 'Reading';
    const word = side === 'left' ? 'Left' : 'Right';
    return this.test().sides === 'direction' ? `To the ${side}` : word;
  });
  protected readonly focused = signal(false);
  protected readonly correcting = signal<string | null>(null);
  protected readonly error = signal<string | null>(null);
  protected readonly sign = computed(() => unitSign(this.test().unit));

  readonly result = computed(() => {
    const values = this.readings().map((r) => r.value);
    return values.length > 0 ? resultOfReadings(values, this.test()) : null;
  });
  /** True while this side still asks for a reading. */
  readonly wants = computed(() => !this.closed() && this.readings().length < readingsWanted(this.result()));
  protected readonly mayType = computed(
    () => (!this.closed() && this.readings().length < MAX_READINGS) || this.correcting() !== null,
  );
  protected readonly warns = computed(() => {
    const r = this.result();
    return !!r && (r.steadiness === 'third-needed' || r.steadiness === 'unsteady' || r.stillEasing);
  });
  protected readonly label = computed(
    () =>
      `${this.name()}, ${this.correcting() ? 'corrected reading' : `reading ${this.readings().length + 1}`}, ${this.test().reads}`,
  );

  /** The reading that is being corrected. */
  protected readonly corrected = computed(() => this.readings().find((r) => r.id === this.correcting()) ?? null);

  protected numberOf(value: number): string {
    return formatNumber(shownReading(value, this.test().unit));
  }

  protected reading(value: number): string {
    return formatReading(value, this.test().unit);
  }

  protected how(): string {
    const r = this.result()!;
    if (r.steadiness === 'single') return '1 reading';
    if (r.steadiness === 'unsteady')
      return this.test().valueRule === 'best' ? `best of ${r.readings.length}` : 'median of 5';
    return `${this.test().valueRule} of ${r.used.length}${r.used.length < r.readings.length ? ` agreeing` : ''}`;
  }

  protected words(): string {
    const r = this.result();
    const tolerance = formatReading(this.test().repeatTolerance, this.test().unit);
    if (this.correcting()) return 'Type the correct number, or take the reading back; the old one stays on record.';
    if (!r) return `Readings should agree within ${tolerance}.`;
    const easing = r.stillEasing
      ? ' Each reading was freer than the last: the tissue is still warming up. Wait a minute and read again.'
      : '';
    const spread = formatReading(r.spread, this.test().unit);
    switch (r.steadiness) {
      case 'single':
        return 'One more reading shows how well they agree.';
      case 'repeatable':
        return `${spread} apart; up to ${tolerance} is fine.${easing}`;
      case 'third-needed':
        return `${spread} apart; up to ${tolerance} is fine. Take one more.${easing}`;
      case 'unsteady':
        return this.test().valueRule === 'best'
          ? `No other reading comes within ${tolerance} of the best. It stands, marked “unsteady”.${easing}`
          : `No three of the five agree. The middle one is used, marked “unsteady”.${easing}`;
    }
  }

  protected correct(reading: Reading): void {
    this.correcting.set(this.correcting() === reading.id ? null : reading.id);
    setTimeout(() => this.focus());
  }

  focus(): void {
    this.box()?.nativeElement.focus();
  }

  protected keep(event: Event): void {
    // Without this the key would also press what the cursor moves on to.
    event.preventDefault();
    const text = this.box()!.nativeElement.value;
    const typed = parseNumber(text);
    if (text.trim() === '') return;
    this.offer(typed === null ? NaN : typedReading(typed, this.test().unit));
    // The cursor moves on before the next key, so that a number typed at once lands in the next field.
    this.app.tick();
  }

  protected takeBack(reading: Reading): void {
    this.correcting.set(null);
    this.takenBack.emit(reading);
  }

  /** A number that is in the box when it is left is kept, as with Enter. Leaving for a button of this card is no leaving. */
  leave(event?: FocusEvent): void {
    const box = this.box()?.nativeElement;
    if (!box || box.value.trim() === '') return;
    // Another window came to the front: the number may not be finished.
    if (event && !document.hasFocus()) return;
    if (event && (event.relatedTarget as HTMLElement | null)?.closest('y-side-card') === box.closest('y-side-card'))
      return;
    const typed = parseNumber(box.value);
    this.offer(typed === null ? NaN : typedReading(typed, this.test().unit), true);
    // What cannot be kept belongs to the test that is left.
    if (!event) box.value = '';
  }

  /** Takes a reading from wherever it comes: the box, the pad, an instrument. Refuses what cannot be, in words. */
  offer(value: number, leaving = false): void {
    if (!this.mayType()) return;
    if (Number.isNaN(value)) return this.error.set('Enter a number, e.g. 31.5.');
    if (!isPlausible(value, this.test())) {
      const { unit, plausible } = this.test();
      const bound = (v: number) => roundTo(shownReading(v, unit), 1);
      const args = { min: bound(plausible.min), max: bound(plausible.max) };
      return this.error.set(refusalWords({ code: 'implausible', args }));
    }
    const box = this.box()?.nativeElement;
    if (box) box.value = '';
    this.error.set(null);
    const replaces = this.correcting();
    this.correcting.set(null);
    this.saved.emit({ value, replaces, leaving });
  }
}
