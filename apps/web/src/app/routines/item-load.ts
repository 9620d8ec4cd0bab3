import { Component, computed, input, output } from '@angular/core';
import { bandWords, LOAD_UNITS, type Exercise, type ItemEdit, type LoadUnit, type SessionItem } from '@yandle/core';
import { oneOf } from '../ui/one-of';
import { CountField } from '../ui/count-field';

const UNITS: Readonly<Record<LoadUnit, string>> = {
  kg: 'kilograms',
  '% body mass': '% of body weight',
  band: 'a band',
};
const STEPS = [1, 2, 3, 4, 5] as const;

/** What an exercise is loaded with: a weight, a share of body weight, or a band by its strength. */
@Component({
  selector: 'y-item-load',
  imports: [CountField],
  host: { class: 'contents' },
  template: `
    <label class="field !w-44">
      <span class="label">Load</span>
      <select class="input" #unit (change)="setUnit(unit.value)">
        <option value="" [selected]="unit_() === null">none</option>
        @for (u of units; track u) {
          <option [value]="u" [selected]="u === unit_()">{{ words[u] }}</option>
        }
      </select>
    </label>
    @if (unit_() === 'band') {
      <label class="field !w-52">
        <span class="label">Strength</span>
        <select class="input" #step (change)="set(+step.value)">
          @for (s of steps; track s) {
            <option [value]="s" [selected]="s === item().load">{{ bandWords(s) }}</option>
          }
        </select>
      </label>
    } @else if (unit_() !== null) {
      <y-count-field
        [label]="unit_() === 'kg' ? 'Kilograms' : '% of body weight'"
        width="8rem"
        [value]="item().load!"
        [max]="unit_() === 'kg' ? 500 : 100"
        (changed)="set($event)"
      />
    }
  `,
})
export class ItemLoad {
  readonly item = input.required<SessionItem>();
  readonly exercise = input.required<Exercise>();
  readonly changed = output<ItemEdit>();
  protected readonly units = LOAD_UNITS;
  protected readonly words = UNITS;
  protected readonly steps = STEPS;
  protected readonly bandWords = bandWords;
  protected readonly unit_ = computed(() => (this.item().load ? (this.item().loadUnit ?? 'kg') : null));

  protected setUnit(value: string): void {
    const loadUnit = oneOf(LOAD_UNITS, value);
    this.changed.emit(({ load: _l, loadUnit: _u, ...item }) =>
      loadUnit === null ? item : { ...item, load: 1, loadUnit },
    );
  }

  protected set(load: number): void {
    this.changed.emit((item) => ({ ...item, load }));
  }
}
