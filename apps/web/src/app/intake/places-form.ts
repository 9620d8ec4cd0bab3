import { Component, input, output, signal } from '@angular/core';
import {
  lowerFirst,
  ofKind,
  PLACE_BOUNDS,
  PLACE_KINDS,
  placeLine,
  placeOfKind,
  POSITIONS,
  PROPS,
  withSubstitute,
  type ClientPlace,
  type PlaceKind,
  type Position,
  type PropId,
} from '@yandle/core';
import { newId } from '../data/ids';

/** Where a client stretches: each place with what is possible and at hand there, and what stands in for what is not. */
@Component({ selector: 'y-places-form', templateUrl: './places-form.html' })
export class PlacesForm {
  readonly places = input.required<readonly ClientPlace[]>();
  readonly changed = output<readonly ClientPlace[]>();
  protected readonly open = signal<string | null>(null);
  protected readonly kinds = PLACE_KINDS;
  protected readonly positions = POSITIONS;
  protected readonly props = PROPS;
  protected readonly bounds = PLACE_BOUNDS;
  protected readonly line = placeLine;
  protected readonly lower = lowerFirst;

  protected change(place: ClientPlace, part: Partial<ClientPlace>): void {
    this.changed.emit(this.places().map((p) => (p.id === place.id ? { ...p, ...part } : p)));
  }

  protected setKind(place: ClientPlace, kind: string): void {
    this.change(place, ofKind(place, kind as PlaceKind));
  }

  protected flipThing(place: ClientPlace, thing: PropId): void {
    this.change(place, { things: flipped(place.things, thing) });
  }

  protected flipPosition(place: ClientPlace, position: Position): void {
    this.change(place, { positions: flipped(place.positions, position) });
  }

  protected insteadOf(place: ClientPlace, thing: PropId): string {
    return place.substitutes.find((s) => s.thing === thing)?.instead ?? '';
  }

  protected setInstead(place: ClientPlace, thing: PropId, instead: string): void {
    this.change(place, withSubstitute(place, thing, instead));
  }

  protected add(): void {
    const kind = PLACE_KINDS.find((k) => !this.places().some((p) => p.kind === k)) ?? 'gym';
    const place = placeOfKind(kind, newId());
    this.changed.emit([...this.places(), place]);
    this.open.set(place.id);
  }

  protected remove(place: ClientPlace): void {
    this.changed.emit(this.places().filter((p) => p.id !== place.id));
    this.open.set(null);
  }
}

function flipped<T>(list: readonly T[], value: T): readonly T[] {
  return list.includes(value) ? list.filter((x) => x !== value) : [...list, value];
}
