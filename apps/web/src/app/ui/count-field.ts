import { Component, input, output } from '@angular/core';

/** A whole number within bounds, with its label above. What is none is put back to what it was. */
@Component({
  selector: 'y-count-field',
  host: { class: 'contents' },
  template: `
    <label class="field" [style.width]="width()">
      <span class="label first-letter:uppercase">{{ label() }}</span>
      <input
        class="input"
        type="number"
        [attr.aria-label]="called() || null"
        [min]="min()"
        [max]="max()"
        [step]="step()"
        [value]="value()"
        #box
        (change)="take(box)"
      />
    </label>
  `,
})
export class CountField {
  readonly label = input.required<string>();
  /** What it is called where the label alone does not say whose number it is. */
  readonly called = input('');
  readonly value = input.required<number>();
  readonly min = input(1);
  readonly max = input.required<number>();
  readonly step = input(1);
  readonly width = input('5rem');
  readonly changed = output<number>();

  protected take(box: HTMLInputElement): void {
    const n = box.valueAsNumber;
    if (Number.isInteger(n) && n >= this.min() && n <= this.max()) this.changed.emit(n);
    else box.value = String(this.value());
  }
}
