import { Component, input, output } from '@angular/core';

let made = 0;

/** A field of text with its label, a hint and what is wrong with it. Numbers are typed as text, so that commas are no error. */
@Component({
  selector: 'y-text-field',
  host: { class: 'contents' },
  template: `
    <div class="field">
      <label class="label" [for]="id">{{ label() }}</label>
      @if (rows() > 1) {
        <textarea
          class="input"
          #area
          [id]="id"
          [rows]="rows()"
          [value]="value()"
          [attr.aria-invalid]="!!error()"
          (input)="typed.emit(area.value)"
        ></textarea>
      } @else {
        <input
          class="input"
          #box
          [id]="id"
          [attr.inputmode]="decimal() ? 'decimal' : null"
          [value]="value()"
          [attr.aria-invalid]="!!error()"
          (input)="typed.emit(box.value)"
        />
      }
      @if (hint()) {
        <span class="hint">{{ hint() }}</span>
      }
      @if (error(); as words) {
        <span class="field-error">{{ words }}</span>
      }
    </div>
  `,
})
export class TextField {
  readonly label = input.required<string>();
  readonly value = input.required<string>();
  readonly error = input<string | null>(null);
  readonly hint = input('');
  /** Lines of the field; more than one makes it a text area. */
  readonly rows = input(1);
  /** True for a number: phones show their number keys. */
  readonly decimal = input(false);
  readonly typed = output<string>();
  protected readonly id = `field-${++made}`;
}
