import { CdkDrag, CdkDragHandle, CdkDropList, type CdkDragDrop } from '@angular/cdk/drag-drop';
import { Component, computed, inject, input, model } from '@angular/core';
import {
  amountOf,
  amountVariable,
  boutOf,
  firstItem,
  itemWords,
  unitOf,
  type Exercise,
  type Link,
  type SessionItem,
} from '@yandle/core';
import { NgIcon, provideIcons } from '@ng-icons/core';
import { lucideArrowDown, lucideArrowUp, lucideCopyPlus, lucideGripVertical, lucideX } from '@ng-icons/lucide';
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

  protected add(e: Exercise): void {
    this.items.update((all) => [...all, firstItem(e)]);
  }

  private put(place: number, ...next: readonly SessionItem[]): void {
    this.items.update((all) => all.flatMap((x, i) => (i === place ? next : [x])));
  }

  protected remove(place: number): void {
    this.put(place);
  }

  protected repeat(place: number): void {
    const { link: _, ...item } = this.items()[place]!;
    this.put(place, this.items()[place]!, item);
  }

  protected move(from: number, to: number): void {
    this.items.update((all) => {
      const list = [...all];
      const [moved] = list.splice(from, 1);
      list.splice(to, 0, moved!);
      return list;
    });
  }

  protected drop(event: CdkDragDrop<unknown>): void {
    if (event.previousIndex !== event.currentIndex) this.move(event.previousIndex, event.currentIndex);
  }

  protected sets(place: number, sets: number): void {
    if (Number.isInteger(sets) && sets >= 1 && sets <= 20) this.put(place, { ...this.items()[place]!, sets });
  }

  protected resize(place: number, amount: number): void {
    const { item, exercise, unit } = this.rows()[place]!;
    if (!Number.isInteger(amount) || amount < 1 || amount > (unit === 'seconds' ? 600 : 100)) return;
    this.put(place, { ...item, [amountVariable(item.technique ?? exercise.technique)]: amount });
  }

  protected setLink(place: number, link: string): void {
    const { link: _, ...rest } = this.items()[place]!;
    this.put(place, link === '' ? rest : { ...rest, link: link as Link });
  }
}
