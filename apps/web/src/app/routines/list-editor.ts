import { CdkDrag, CdkDragHandle, CdkDropList, type CdkDragDrop } from '@angular/cdk/drag-drop';
import { Component, computed, effect, inject, input, model, signal, untracked } from '@angular/core';
import {
  allDoneAs,
  allLinked,
  allOfSeconds,
  allOrdered,
  DAY_ORDER_WORDS,
  DEFAULT_TIMINGS,
  LIST_ORDERS,
  type ListOrder,
  firstItem,
  techniqueShort,
  itemWords,
  movedTo,
  putAt,
  repeatedAt,
  withSets,
  type Exercise,
  type ItemEdit,
  type Link,
  type Technique,
  type Timings,
  type SessionItem,
} from '@yandle/core';
import { NgIcon, provideIcons } from '@ng-icons/core';
import {
  lucideArrowDown,
  lucideArrowUp,
  lucideCopyPlus,
  lucideGripVertical,
  lucideSlidersHorizontal,
  lucideX,
} from '@ng-icons/lucide';
import { UndoStack } from '../block/undo-stack';
import { LibraryService } from '../library/library.service';
import { ExercisePicker } from './exercise-picker';
import { ItemManner } from './item-manner';
import { PartLines } from './part-lines';

/** Ways that a whole list can be turned to at once. */
const BY_HAND = ['static hold', 'moving stretch', 'contract-relax'] as const satisfies readonly Technique[];

/** A list of exercises that is written by hand: found by typing, put in order by drag or keys, as often as wanted. */
@Component({
  selector: 'y-list-editor',
  imports: [CdkDrag, CdkDragHandle, CdkDropList, ExercisePicker, ItemManner, NgIcon, PartLines],
  providers: [
    provideIcons({
      lucideArrowDown,
      lucideArrowUp,
      lucideCopyPlus,
      lucideGripVertical,
      lucideSlidersHorizontal,
      lucideX,
    }),
  ],
  templateUrl: './list-editor.html',
})
export class ListEditor {
  private readonly library = inject(LibraryService);
  readonly items = model.required<readonly SessionItem[]>();
  /** Exercises that may be added. */
  readonly exercises = input.required<readonly Exercise[]>();
  /** By which a length in seconds is turned into repetitions and breaths: the client's where there is one. */
  readonly timings = input<Timings>(DEFAULT_TIMINGS);
  protected readonly rows = computed(() =>
    this.items().map((item) => {
      const exercise = this.library.find(item.exerciseId);
      return { item, exercise, words: itemWords(item, exercise) };
    }),
  );

  /** Place of the item whose sides, pace and link are being set. */
  protected readonly open = signal<number | null>(null);
  protected readonly history = new UndoStack<readonly SessionItem[]>();

  constructor() {
    // Every state of the list is one to come back to, whoever changed it.
    effect(() => {
      const now = this.items();
      untracked(() => {
        if (this.history.value() === null) this.history.reset(now);
        else if (this.history.value() !== now) this.history.push(now);
      });
    });
  }

  protected undo(): void {
    this.history.undo();
    this.items.set(this.history.value()!);
  }

  protected redo(): void {
    this.history.redo();
    this.items.set(this.history.value()!);
  }

  protected add(e: Exercise): void {
    this.items.update((all) => [...all, firstItem(e)]);
  }

  protected remove(place: number): void {
    this.items.update((all) => putAt(all, place));
  }

  protected repeat(place: number): void {
    this.items.update((all) => repeatedAt(all, place));
  }

  protected move(from: number, to: number): void {
    this.items.update((all) => movedTo(all, from, to));
  }

  protected drop(event: CdkDragDrop<unknown>): void {
    if (event.previousIndex !== event.currentIndex) this.move(event.previousIndex, event.currentIndex);
  }

  protected readonly ways = BY_HAND.map((technique) => ({ technique, name: techniqueShort(technique) }));

  protected allAs(technique: string): void {
    this.all((items) => allDoneAs(items, technique as Technique, (id) => this.library.find(id)));
  }

  protected allOf(seconds: number): void {
    if (Number.isInteger(seconds) && seconds > 0)
      this.all((items) => allOfSeconds(items, seconds, (id) => this.library.find(id), this.timings()));
  }

  protected allJoined(link: string): void {
    this.all((items) => allLinked(items, link === 'none' ? null : (link as Link)));
  }

  protected readonly orders = LIST_ORDERS.map((order) => ({ order, name: DAY_ORDER_WORDS[order] }));

  protected allIn(order: string): void {
    this.all((items) => allOrdered(items, order as ListOrder, (id) => this.library.find(id)));
  }

  private all(edit: (items: readonly SessionItem[]) => readonly SessionItem[]): void {
    this.items.update(edit);
  }

  protected sets(place: number, sets: number): void {
    this.edit(place, (item) => withSets(item, sets) ?? item);
  }

  protected edit(place: number, edit: ItemEdit): void {
    this.items.update((all) => putAt(all, place, edit(all[place]!)));
  }
}
