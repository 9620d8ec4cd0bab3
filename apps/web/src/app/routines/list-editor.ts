import { CdkDrag, CdkDragHandle, CdkDropList, type CdkDragDrop } from '@angular/cdk/drag-drop';
import { Component, computed, effect, inject, input, model, untracked } from '@angular/core';
import {
  amountOf,
  boutOf,
  firstItem,
  itemWords,
  movedTo,
  putAt,
  repeatedAt,
  resized,
  unitOf,
  withLink,
  withSets,
  type Exercise,
  type Link,
  type SessionItem,
} from '@yandle/core';
import { NgIcon, provideIcons } from '@ng-icons/core';
import { lucideArrowDown, lucideArrowUp, lucideCopyPlus, lucideGripVertical, lucideX } from '@ng-icons/lucide';
import { UndoStack } from '../block/undo-stack';
import { LibraryService } from '../library/library.service';
import { ExercisePicker } from './exercise-picker';

/** A list of exercises that is written by hand: found by typing, put in order by drag or keys, as often as wanted. */
@Component({
  selector: 'y-list-editor',
  imports: [CdkDrag, CdkDragHandle, CdkDropList, ExercisePicker, NgIcon],
  providers: [provideIcons({ lucideArrowDown, lucideArrowUp, lucideCopyPlus, lucideGripVertical, lucideX })],
  templateUrl: './list-editor.html',
})
export class ListEditor {
  private readonly library = inject(LibraryService);
  readonly items = model.required<readonly SessionItem[]>();
  /** Exercises that may be added. */
  readonly exercises = input.required<readonly Exercise[]>();
  protected readonly rows = computed(() =>
    this.items().map((item) => {
      const exercise = this.library.find(item.exerciseId);
      const bout = boutOf(item, exercise);
      return { item, exercise, unit: unitOf(bout.technique), amount: amountOf(bout), words: itemWords(item, exercise) };
    }),
  );

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

  protected sets(place: number, sets: number): void {
    this.put(place, withSets(this.items()[place]!, sets));
  }

  protected resize(place: number, amount: number): void {
    const { item, exercise } = this.rows()[place]!;
    this.put(place, resized(item, exercise, amount));
  }

  protected setLink(place: number, link: string): void {
    this.put(place, withLink(this.items()[place]!, link === '' ? null : (link as Link)));
  }

  /** What cannot be leaves the list as it is. */
  private put(place: number, item: SessionItem | null): void {
    if (item) this.items.update((all) => putAt(all, place, item));
  }
}
