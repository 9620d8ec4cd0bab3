import { computed, DestroyRef, inject, Injectable, signal } from '@angular/core';
import {
  NOT_STEADY,
  rearmed,
  STEADY,
  steadyStep,
  zeroed,
  type AngleSample,
  type SteadyState,
  roundTo,
} from '@yandle/core';
import { Subject, type Subscription } from 'rxjs';
import type { AngleSource, SourceKind } from './angle-source';
import { InclinometerSource } from './inclinometer-source';
import { PhoneSource } from './phone-source';
import { TypedSource } from './typed-source';

/** How an angle becomes the reading of a test. */
export const ANGLE_FORMULAS = ['angle', '−angle', '90° − angle', '180° − angle'] as const;
export type ReadingAs = (typeof ANGLE_FORMULAS)[number];

/** The reading that an angle stands for, in tenths of a degree. */
export function readingOfAngle(degrees: number, as: ReadingAs): number {
  const value =
    as === 'angle' ? degrees : as === '−angle' ? -degrees : as === '90° − angle' ? 90 - degrees : 180 - degrees;
  return roundTo(value, 1);
}

const AS_KEY = 'yandle.reading-as';

/** The source of angles that the bench reads, and the reading that is taken from it when it holds still. */
@Injectable()
export class CaptureStore {
  readonly typed = new TypedSource();
  readonly phone = new PhoneSource();
  readonly inclinometer = new InclinometerSource();
  readonly sources: readonly AngleSource[] = [this.typed, this.phone, this.inclinometer];

  private readonly chosen = signal<SourceKind>('typed');
  readonly kind = this.chosen.asReadonly();
  readonly source = computed(() => this.sources.find((s) => s.kind === this.kind())!);
  private readonly steady = signal<SteadyState>(NOT_STEADY);
  private readonly zero = signal(0);
  readonly zeroAt = this.zero.asReadonly();
  /** Per test, remembered on this device. */
  private readonly as = signal<Readonly<Record<string, ReadingAs>>>(readAs());
  private raw: number | null = null;

  readonly live = computed(() => this.steady().live);
  readonly sd = computed(() => this.steady().sd);
  readonly filled = computed(() => this.steady().filled);
  readonly held = computed(() => this.steady().held);
  readonly maxSd = STEADY.maxSd;

  private readonly out = new Subject<{ readonly degrees: number; readonly source: AngleSource }>();
  /** Angles taken: from the pad at once, from a sensor when steady. */
  readonly taken = this.out.asObservable();
  private subscription: Subscription;

  constructor() {
    this.subscription = this.listen(this.typed);
    inject(DestroyRef).onDestroy(() => {
      this.subscription.unsubscribe();
      this.source().stop();
    });
  }

  async choose(kind: SourceKind): Promise<void> {
    this.source().stop();
    this.subscription.unsubscribe();
    this.chosen.set(kind);
    this.steady.set(NOT_STEADY);
    this.zero.set(0);
    this.raw = null;
    this.subscription = this.listen(this.source());
    await this.source().start();
  }

  /** From here on the present angle is 0. */
  setZero(): void {
    if (this.raw !== null) this.zero.set(this.raw);
    this.steady.update(rearmed);
  }

  clearZero(): void {
    this.zero.set(0);
    this.steady.update(rearmed);
  }

  /** The next reading may be taken at the same angle. */
  again(): void {
    this.steady.update(rearmed);
  }

  angleFormula(testId: string): ReadingAs {
    return this.as()[testId] ?? 'angle';
  }

  setAs(testId: string, as: ReadingAs): void {
    this.as.update((all) => ({ ...all, [testId]: as }));
    localStorage.setItem(AS_KEY, JSON.stringify(this.as()));
  }

  private listen(source: AngleSource): Subscription {
    return source.samples.subscribe((sample) => this.take(source, sample));
  }

  private take(source: AngleSource, sample: AngleSample): void {
    if (source.taking === 'entry') {
      if (sample.degrees !== null) this.out.next({ degrees: sample.degrees, source });
      return;
    }
    this.raw = sample.degrees;
    const degrees = sample.degrees === null ? null : zeroed(sample.degrees, this.zero());
    const next = steadyStep(this.steady(), { at: sample.at, degrees });
    this.steady.set(next);
    if (next.captured !== null) this.out.next({ degrees: next.captured, source });
  }
}

function readAs(): Record<string, ReadingAs> {
  try {
    const kept = JSON.parse(localStorage.getItem(AS_KEY) ?? '{}') as Record<string, unknown>;
    return Object.fromEntries(
      Object.entries(kept).filter((e): e is [string, ReadingAs] => ANGLE_FORMULAS.includes(e[1] as ReadingAs)),
    );
  } catch {
    return {};
  }
}
