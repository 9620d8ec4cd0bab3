import { Component, computed, input, output } from '@angular/core';
import {
  isLoadedItem,
  partList,
  partUnit,
  withLink,
  type Exercise,
  type ItemEdit,
  type Link,
  type SessionItem,
} from '@yandle/core';
import { ItemLoad } from './item-load';
import { ItemLoosening } from './item-loosening';
import { ItemPace } from './item-pace';

/** How an item goes with its sides, its pace, its load, what loosens up, and the item after it. */
@Component({
  selector: 'y-item-manner',
  imports: [ItemLoad, ItemLoosening, ItemPace],
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
      @if (paced()) {
        <y-item-pace [item]="item()" [exercise]="exercise()" (changed)="changed.emit($event)" />
      }
      @if (loadable()) {
        <y-item-load [item]="item()" [exercise]="exercise()" (changed)="changed.emit($event)" />
      }
      <y-item-loosening [item]="item()" [exercise]="exercise()" (changed)="changed.emit($event)" />
    </div>
  `,
})
export class ItemManner {
  readonly item = input.required<SessionItem>();
  readonly exercise = input.required<Exercise>();
  /** True for the last of the list: nothing comes after it. */
  readonly last = input.required<boolean>();
  readonly changed = output<ItemEdit>();
  protected readonly paced = computed(() =>
    partList(this.item(), this.exercise()).some((p) => partUnit(p, this.exercise()) !== 'seconds'),
  );
  protected readonly loadable = computed(
    () => ['weight', 'band'].includes(this.exercise().load) || isLoadedItem(this.item(), this.exercise()),
  );
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
}
