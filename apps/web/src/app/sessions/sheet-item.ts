import { Component, computed, inject, input, output } from '@angular/core';
import { CdkDragHandle } from '@angular/cdk/drag-drop';
import { NgIcon, provideIcons } from '@ng-icons/core';
import { lucideArrowDown, lucideArrowUp, lucideCopyPlus, lucideGripVertical } from '@ng-icons/lucide';
import {
  amountOf,
  boutOf,
  missingAt,
  muscleGroupName,
  pushWords,
  resized,
  runningList,
  sideInWords,
  targetWords,
  thingsWords,
  unitOf,
  withLink,
  withSets,
  type Link,
  type SessionItem,
  type SidePattern,
  notForWords,
} from '@yandle/core';
import { FigureView } from '../ui/figure';
import { SheetStore } from './sheet.store';

/** One exercise on the sheet: in words, with its figure and cautions, and what can be changed of it. */
@Component({
  selector: 'y-sheet-item',
  imports: [FigureView, CdkDragHandle, NgIcon],
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
  protected readonly bout = computed(() => boutOf(this.item(), this.exercise()));
  protected readonly unit = computed(() => unitOf(this.bout().technique));
  protected readonly amount = computed(() => amountOf(this.bout()));
  protected readonly push = computed(() => pushWords(this.item()));
  protected readonly last = computed(() => this.place() === this.store.session()!.items.length - 1);
  protected readonly sidePattern = computed(() => this.item().sidePattern ?? this.exercise().sidePattern);
  protected readonly group = computed(() => muscleGroupName(this.exercise().primary));
  protected readonly meta = computed(() => {
    const e = this.exercise();
    return [this.group(), e.position, thingsWords(e, this.store.place())].join(' · ');
  });
  protected readonly target = targetWords;
  protected readonly list = runningList;
  protected readonly sideInWords = sideInWords;
  protected readonly notFor = notForWords;
  /** Neighbours on the ladder of forms that may be done, and can be where the session is: the client may choose one of them on the spot. */
  protected readonly choices = computed(() => {
    const e = this.exercise();
    const { choice } = this.item();
    const place = this.store.place();
    return this.store
      .allowed()
      .filter(
        (x) => x.id === choice || ([e.easierForm, e.harderForm].includes(x.id) && missingAt(x, place).length === 0),
      );
  });

  protected sets(by: number): void {
    this.put(withSets(this.item(), this.item().sets + by));
  }

  protected resize(amount: number): void {
    this.put(resized(this.item(), this.exercise(), amount));
  }

  protected setPattern(sidePattern: string): void {
    this.store.replace(this.place(), { ...this.item(), sidePattern: sidePattern as SidePattern });
  }

  protected setLink(link: string): void {
    this.put(withLink(this.item(), link === '' ? null : (link as Link)));
  }

  protected setChoice(choice: string): void {
    const { choice: _, ...rest } = this.item();
    this.store.replace(this.place(), choice === '' ? rest : { ...rest, choice });
  }

  /** What cannot be leaves the session as it is. */
  private put(item: SessionItem | null): void {
    if (item) this.store.replace(this.place(), item);
  }
}
