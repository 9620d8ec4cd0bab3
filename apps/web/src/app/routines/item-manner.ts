import { Component, computed, input, output } from '@angular/core';
import {
  PART_BOUNDS,
  withLink,
  type Exercise,
  type ItemEdit,
  type Link,
  type Pace,
  type SessionItem,
} from '@yandle/core';

/** How an item goes with its sides, its pace, and the item after it. */
@Component({
  selector: 'y-item-manner',
  template: `
    <div class="flex flex-wrap items-end gap-2">
      @if (!last()) {
        <label class="field !w-56">
          <span class="label">With the next</span>
          <select class="input" #link (change)="setLink(link.value)">
            <option value="" [selected]="!item().link">by itself</option>
            <option value="flow" [selected]="item().link === 'flow'">flows into it</option>
            <option value="chain" [selected]="item().link === 'chain'">both on one side, then switch</option>
          </select>
        </label>
      }
      @if (exercise().sides === 'each') {
        <label class="field !w-52">
          <span class="label">Sides</span>
          <select class="input" #sides (change)="setSides(sides.value)">
            <option value="side by side" [selected]="sidesNow() === 'side by side'">one, then the other</option>
            <option value="alternating" [selected]="sidesNow() === 'alternating'">alternating</option>
            <option value="side by side|middle" [selected]="sidesNow() === 'side by side|middle'">
              both, then the middle
            </option>
          </select>
        </label>
      }
      @if (moves()) {
        <label class="field !w-52">
          <span class="label">Pace</span>
          <select class="input" #pace (change)="setPace(pace.value)">
            <option value="" [selected]="item().pace === undefined">as the studio has it</option>
            <option value="breath" [selected]="item().pace === 'breath'">one a breath</option>
            <option value="set" [selected]="timed() !== null">by seconds</option>
          </select>
        </label>
        @if (timed(); as t) {
          <label class="field !w-20">
            <span class="label">Out, s</span>
            <input
              class="input"
              type="number"
              min="1"
              [max]="most"
              [value]="t.out"
              #out
              (change)="time('out', +out.value)"
            />
          </label>
          <label class="field !w-20">
            <span class="label">Back, s</span>
            <input
              class="input"
              type="number"
              min="1"
              [max]="most"
              [value]="t.back"
              #back
              (change)="time('back', +back.value)"
            />
          </label>
        }
      }
    </div>
  `,
})
export class ItemManner {
  readonly item = input.required<SessionItem>();
  readonly exercise = input.required<Exercise>();
  /** True for the last of the list: nothing comes after it. */
  readonly last = input.required<boolean>();
  readonly changed = output<ItemEdit>();
  protected readonly most = PART_BOUNDS.tempo.max;
  protected readonly moves = computed(() =>
    [this.item(), ...(this.item().then ?? [])].some((p) => p.reps !== undefined),
  );
  protected readonly timed = computed(() => {
    const { pace } = this.item();
    return pace === undefined || pace === 'breath' ? null : pace;
  });
  protected readonly sidesNow = computed(() => {
    const { middle, sidePattern } = this.item();
    return middle ? 'side by side|middle' : (sidePattern ?? this.exercise().sidePattern);
  });

  protected setLink(link: string): void {
    this.changed.emit((item) => withLink(item, link === '' ? null : (link as Link)));
  }

  protected setSides(value: string): void {
    const sidePattern = value === 'alternating' ? 'alternating' : 'side by side';
    const middle = value.endsWith('middle') && { middle: true as const };
    this.changed.emit(({ middle: _, ...item }) => ({ ...item, sidePattern, ...middle }));
  }

  protected setPace(value: string): void {
    const pace: Pace | null = value === 'breath' ? value : value === 'set' ? { out: 3, back: 3 } : null;
    this.changed.emit(({ pace: _, ...item }) => (pace === null ? item : { ...item, pace }));
  }

  protected time(way: 'out' | 'back', seconds: number): void {
    if (!Number.isInteger(seconds) || seconds < 1 || seconds > this.most) return;
    this.changed.emit((item) =>
      item.pace === undefined || item.pace === 'breath' ? item : { ...item, pace: { ...item.pace, [way]: seconds } },
    );
  }
}
