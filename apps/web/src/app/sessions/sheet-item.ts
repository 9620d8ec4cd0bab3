import { Component, computed, inject, input, output } from '@angular/core';
import { CdkDragHandle } from '@angular/cdk/drag-drop';
import { NgIcon, provideIcons } from '@ng-icons/core';
import { lucideArrowDown, lucideArrowUp, lucideCopyPlus, lucideGripVertical } from '@ng-icons/lucide';
import {
  choicesFor,
  choiceLine,
  choiceWords,
  itemWords,
  muscleGroupName,
  pushWords,
  runningList,
  sideInWords,
  targetWords,
  thingsWords,
  whereDoneWords,
  withSets,
  type ItemEdit,
  type SessionItem,
  notForWords,
} from '@yandle/core';
import { ItemManner } from '../routines/item-manner';
import { PartLines } from '../routines/part-lines';
import { FigureView } from '../ui/figure';
import { SheetStore } from './sheet.store';

/** One exercise on the sheet: in words, with its figure and cautions, and what can be changed of it. */
@Component({
  selector: 'y-sheet-item',
  imports: [FigureView, CdkDragHandle, ItemManner, NgIcon, PartLines],
  providers: [provideIcons({ lucideGripVertical, lucideArrowUp, lucideArrowDown, lucideCopyPlus })],
  templateUrl: './sheet-item.html',
})
export class SheetItem {
  protected readonly store = inject(SheetStore);
  readonly item = input.required<SessionItem>();
  readonly place = input.required<number>();
  readonly seconds = input.required<number>();
  readonly swap = output();

  protected readonly exercise = computed(() => this.store.find(this.item().exerciseId));
  protected readonly push = computed(() => pushWords(this.item(), this.exercise()));
  protected readonly last = computed(() => this.place() === this.store.session()!.items.length - 1);
  protected readonly group = computed(() => muscleGroupName(this.exercise().primary));
  protected readonly meta = computed(() => {
    const e = this.exercise();
    return [this.group(), whereDoneWords(e), thingsWords(e, this.store.place())].join(' · ');
  });
  protected readonly target = targetWords;
  protected readonly list = runningList;
  protected readonly sideInWords = sideInWords;
  protected readonly notFor = notForWords;
  /** What the client may choose on the spot, in words; one that cannot be done any more stands as long as it is set. */
  protected readonly choices = computed(() => {
    const item = this.item();
    const found = choicesFor(item, this.store.allowed(), this.store.place(), this.store.find);
    const set = found.some((e) => e.id === item.choice) || !item.choice ? [] : [this.store.find(item.choice)];
    return [...set, ...found].map((e) => ({
      id: e.id,
      words: choiceWords({ ...item, choice: e.id }, this.store.find),
    }));
  });
  /** What is set as the choice, and how it is done. */
  protected readonly other = computed(() => choiceLine(this.item(), this.store.find, itemWords));

  protected sets(by: number): void {
    this.edit((item) => withSets(item, item.sets + by) ?? item);
  }

  protected setChoice(choice: string): void {
    this.edit(({ choice: _, ...item }) => (choice === '' ? item : { ...item, choice }));
  }

  /** Whatever the item is by now is what is changed; a change of nothing is none. */
  protected edit(edit: ItemEdit): void {
    const now = this.store.session()!.items[this.place()]!;
    const next = edit(now);
    if (next !== now) this.store.replace(this.place(), next);
  }
}
