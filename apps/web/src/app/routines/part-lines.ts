import { Component, computed, input, output } from '@angular/core';
import { NgIcon, provideIcons } from '@ng-icons/core';
import { lucidePlus, lucideX } from '@ng-icons/lucide';
import {
  kindOf,
  PART_BOUNDS,
  partAmount,
  partDoneAs,
  partList,
  partOf,
  partUnit,
  techniqueShort,
  techniquesOf,
  unitOf,
  withNextPart,
  withPart,
  type Exercise,
  type ItemEdit,
  type Part,
  type SessionItem,
  type Technique,
} from '@yandle/core';
import { CountField } from '../ui/count-field';

const IN_BREATHS = '|breaths';
const IN_TRIPS = '|trips';

/** What is done in one entry of an exercise, part by part: how, how much, and with which direction. */
@Component({
  selector: 'y-part-lines',
  imports: [CountField, NgIcon],
  providers: [provideIcons({ lucidePlus, lucideX })],
  templateUrl: './part-lines.html',
})
export class PartLines {
  readonly item = input.required<SessionItem>();
  readonly exercise = input.required<Exercise>();
  /** First part that is shown: 0 for all of them, 1 for what follows only. */
  readonly from = input(0);
  readonly changed = output<ItemEdit>();
  protected readonly most = PART_BOUNDS;

  protected readonly ways = computed(() =>
    techniquesOf(this.exercise()).flatMap((t) => {
      const { held } = kindOf(t);
      const way = { value: t as string, name: techniqueShort(t) };
      if (unitOf(t) === 'repetitions' && !kindOf(t).loaded)
        return [way, { value: t + IN_TRIPS, name: `${techniqueShort(t)}, in trips` }];
      return held ? [way, { value: t + IN_BREATHS, name: `${techniqueShort(t)}, in breaths` }] : [way];
    }),
  );
  protected readonly parts = computed(() =>
    partList(this.item(), this.exercise()).map((part) => {
      const technique = part.technique ?? this.exercise().technique;
      const needs = kindOf(technique).fields;
      return {
        part,
        way: technique + (part.breaths !== undefined ? IN_BREATHS : part.trips ? IN_TRIPS : ''),
        unit: partUnit(part, this.exercise()),
        amount: partAmount(part, this.exercise()),
        directed: kindOf(technique).held,
        pushes: needs.includes('cycles'),
        lowers: needs.includes('lowerSeconds'),
        stays: unitOf(technique) === 'repetitions' && !part.trips && !kindOf(technique).demands.includes('nerve'),
      };
    }),
  );

  protected setWay(place: number, value: string): void {
    const [technique] = value.split('|') as [Technique];
    const exercise = this.exercise();
    this.change(place, ({ name }) => {
      const part = partDoneAs(exercise, technique, value.endsWith(IN_BREATHS), name);
      return value.endsWith(IN_TRIPS) ? { ...part, holdSeconds: 0, trips: true } : part;
    });
  }

  protected resize(place: number, amount: number): void {
    this.change(place, (part) => partOf(part, this.exercise(), amount));
  }

  protected set(place: number, part: Partial<Part>): void {
    this.change(place, (now) => ({ ...now, ...part }));
  }

  protected direct(place: number, typed: string): void {
    const name = typed.trim();
    this.change(place, ({ name: _, ...part }) => (name === '' ? part : { ...part, name }));
  }

  protected next(): void {
    const exercise = this.exercise();
    this.changed.emit((item) => withNextPart(item, exercise));
  }

  protected remove(place: number): void {
    const exercise = this.exercise();
    this.changed.emit((item) => withPart(item, exercise, place, null));
  }

  /** What cannot be leaves the item as it is. */
  private change(place: number, edit: (part: Part) => Part | null): void {
    const exercise = this.exercise();
    this.changed.emit((item) => {
      const part = partList(item, exercise)[place];
      const next = part ? edit(part) : null;
      return next ? withPart(item, exercise, place, next) : item;
    });
  }
}
