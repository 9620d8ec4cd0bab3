import { Component, computed, input, output } from '@angular/core';
import { EVERYDAY_PROPS, ofKind, PROPS, type ClientPlace, type PlaceKind, type PropId } from '@yandle/core';

/** What a client is asked of the place where they usually stretch. */
const ASKED: readonly { readonly kind: PlaceKind; readonly words: string }[] = [
  { kind: 'home', words: 'on a mat on the floor' },
  { kind: 'bed', words: 'on a bed only' },
  { kind: 'chair', words: 'on a chair only' },
];

/** The usual place, as the client answers for themselves; other places are for the coach to add, and stay. */
@Component({
  selector: 'y-one-place',
  template: `
    <div class="flex flex-col gap-5">
      <fieldset>
        <legend class="label mb-1">Where can you exercise?</legend>
        <div class="flex flex-wrap gap-1.5">
          @for (s of asked; track s.kind) {
            <label class="choice text-sm">
              <input type="radio" name="place" [checked]="first().kind === s.kind" (change)="setKind(s.kind)" />
              {{ s.words }}
            </label>
          }
        </div>
      </fieldset>
      <fieldset>
        <legend class="label mb-1">What equipment do you have?</legend>
        <div class="flex flex-wrap gap-1.5">
          @for (p of props; track p.id) {
            <label class="choice text-sm">
              <input type="checkbox" [checked]="first().things.includes(p.id)" (change)="flip(p.id)" />
              {{ p.name }}
            </label>
          }
        </div>
        @if (first().kind !== 'bed') {
          <p class="hint mt-1">We assume a wall, a chair, a table, a doorway and a cushion.</p>
        }
      </fieldset>
    </div>
  `,
})
export class OnePlace {
  readonly places = input.required<readonly ClientPlace[]>();
  readonly changed = output<readonly ClientPlace[]>();
  protected readonly asked = ASKED;
  protected readonly props = PROPS.filter((p) => !EVERYDAY_PROPS.includes(p.id));
  protected readonly first = computed(() => this.places()[0]!);

  protected setKind(kind: PlaceKind): void {
    this.put(ofKind(this.first(), kind));
  }

  protected flip(thing: PropId): void {
    const { things } = this.first();
    this.put({
      ...this.first(),
      things: things.includes(thing) ? things.filter((t) => t !== thing) : [...things, thing],
    });
  }

  private put(first: ClientPlace): void {
    this.changed.emit([first, ...this.places().slice(1)]);
  }
}
