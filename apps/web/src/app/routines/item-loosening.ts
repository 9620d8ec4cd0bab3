import { Component, computed, input, output } from '@angular/core';
import {
  LOOSENING_BOUNDS,
  LOOSENING_TIMES,
  type Exercise,
  type ItemEdit,
  type Loosening,
  type LooseningTime,
  type SessionItem,
} from '@yandle/core';
import { oneOf } from '../ui/one-of';
import { CountField } from '../ui/count-field';

const WHEN: Readonly<Record<LooseningTime, string>> = {
  'between sides': 'between the sides',
  after: 'after it',
  both: 'between the sides and after',
};

/** What has no sides is loosened after. */
const ONLY_AFTER = ['after'] as const;

/** A short loosening between the sides of an exercise or after it. */
@Component({
  selector: 'y-item-loosening',
  imports: [CountField],
  host: { class: 'contents' },
  template: `
    <label class="field !w-52">
      <span class="label">Loosen up</span>
      <select class="input" #when (change)="setWhen(when.value)">
        <option value="" [selected]="!item().loosen">not</option>
        @for (t of offered(); track t) {
          <option [value]="t" [selected]="item().loosen?.when === t">{{ words[t] }}</option>
        }
      </select>
    </label>
    @if (item().loosen; as l) {
      <label class="field !w-44">
        <span class="label">By</span>
        <input class="input" [maxLength]="bounds.name" [value]="l.name" #name (change)="set({ name: name.value })" />
      </label>
      <y-count-field
        label="For, s"
        called="Loosening, s"
        [value]="l.seconds"
        [min]="bounds.seconds.min"
        [max]="bounds.seconds.max"
        (changed)="set({ seconds: $event })"
      />
    }
  `,
})
export class ItemLoosening {
  readonly item = input.required<SessionItem>();
  readonly exercise = input.required<Exercise>();
  readonly changed = output<ItemEdit>();
  protected readonly bounds = LOOSENING_BOUNDS;
  protected readonly offered = computed(() => (this.exercise().sides === 'each' ? LOOSENING_TIMES : ONLY_AFTER));
  protected readonly words = WHEN;

  protected setWhen(value: string): void {
    const when = oneOf(LOOSENING_TIMES, value);
    this.changed.emit(({ loosen, ...item }) =>
      when === null ? item : { ...item, loosen: { ...(loosen ?? { seconds: 10, name: 'Shake out' }), when } },
    );
  }

  protected set(part: Partial<Loosening>): void {
    const { name } = part;
    if (name !== undefined && name.trim() === '') return;
    this.changed.emit((item) => (item.loosen ? { ...item, loosen: { ...item.loosen, ...part } } : item));
  }
}
