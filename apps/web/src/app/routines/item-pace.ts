import { Component, computed, input, output } from '@angular/core';
import {
  breathOf,
  DEFAULT_TIMINGS,
  isPattern,
  isTempo,
  partList,
  PART_BOUNDS,
  partUnit,
  PATTERN_BOUNDS,
  type BreathPattern,
  type Exercise,
  type ItemEdit,
  type Pace,
  type SessionItem,
  type Tempo,
} from '@yandle/core';
import { CountField } from '../ui/count-field';

type PaceKind = '' | 'breath' | 'pattern' | 'set';

/** How the repetitions or breaths of an exercise are paced. */
@Component({
  selector: 'y-item-pace',
  imports: [CountField],
  host: { class: 'contents' },
  template: `
    <label class="field !w-56">
      <span class="label">Pace</span>
      <select class="input" #pace (change)="setKind(pace.value)">
        <option value="" [selected]="kind() === ''">{{ usual() }}</option>
        @if (moves()) {
          <option value="breath" [selected]="kind() === 'breath'">one a breath</option>
        }
        <option value="pattern" [selected]="kind() === 'pattern'">breath by seconds</option>
        @if (moves()) {
          <option value="set" [selected]="kind() === 'set'">out and back by seconds</option>
        }
      </select>
    </label>
    @if (tempo(); as t) {
      <y-count-field label="Out, s" [value]="t.out" [max]="most" (changed)="time({ out: $event })" />
      <y-count-field label="Back, s" [value]="t.back" [max]="most" (changed)="time({ back: $event })" />
    }
    @if (pattern(); as p) {
      <y-count-field
        label="In, s"
        [value]="p.in"
        [min]="bounds.in.min"
        [max]="bounds.in.max"
        (changed)="breathe({ in: $event })"
      />
      <y-count-field
        label="Hold, s"
        called="Hold of the breath, s"
        [value]="p.hold"
        [min]="bounds.hold.min"
        [max]="bounds.hold.max"
        (changed)="breathe({ hold: $event })"
      />
      <y-count-field
        label="Out, s"
        called="Breath out, s"
        [value]="p.out"
        [min]="bounds.out.min"
        [max]="bounds.out.max"
        (changed)="breathe({ out: $event })"
      />
      @if (p.hold > 0) {
        <p class="basis-full text-sm text-soft">
          Hold gently, never with strain. Not for clients who may not push; stop at dizziness.
        </p>
      }
    }
  `,
})
export class ItemPace {
  readonly item = input.required<SessionItem>();
  readonly exercise = input.required<Exercise>();
  readonly changed = output<ItemEdit>();
  protected readonly most = PART_BOUNDS.tempo.max;
  protected readonly bounds = PATTERN_BOUNDS;
  protected readonly moves = computed(() =>
    partList(this.item(), this.exercise()).some((p) => {
      const unit = partUnit(p, this.exercise());
      return unit === 'repetitions' || unit === 'trips';
    }),
  );
  protected readonly tempo = computed(() => {
    const { pace } = this.item();
    return isTempo(pace) ? pace : null;
  });
  protected readonly pattern = computed(() => {
    const { pace } = this.item();
    return isPattern(pace) ? pace : null;
  });
  protected readonly kind = computed((): PaceKind => {
    const { pace } = this.item();
    if (pace === undefined) return '';
    return pace === 'breath' ? pace : isPattern(pace) ? 'pattern' : 'set';
  });
  protected readonly usual = computed(() =>
    this.exercise().pace
      ? 'as the exercise has it'
      : this.moves()
        ? 'as the timings have it'
        : 'the client’s own breath',
  );

  protected setKind(value: string): void {
    const paces: Readonly<Record<string, Pace>> = {
      breath: 'breath',
      pattern: breathOf(DEFAULT_TIMINGS),
      set: { out: 3, back: 3 },
    };
    this.pace(paces[value] ?? null);
  }

  protected time(part: Partial<Tempo>): void {
    this.changed.emit((item) => (isTempo(item.pace) ? { ...item, pace: { ...item.pace, ...part } } : item));
  }

  protected breathe(part: Partial<BreathPattern>): void {
    this.changed.emit((item) => (isPattern(item.pace) ? { ...item, pace: { ...item.pace, ...part } } : item));
  }

  private pace(pace: Pace | null): void {
    this.changed.emit(({ pace: _, ...item }) => (pace === null ? item : { ...item, pace }));
  }
}
