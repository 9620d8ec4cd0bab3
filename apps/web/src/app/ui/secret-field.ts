import { Component, input, output } from '@angular/core';

let made = 0;

/** A field for a password or a code, with its label, a hint and what is wrong with it. */
@Component({
  selector: 'y-secret-field',
  host: { class: 'contents' },
  template: `
    <div class="field">
      <label class="label" [for]="id">{{ label() }}</label>
      <input
        class="input"
        #box
        [id]="id"
        [type]="code() ? 'text' : 'password'"
        [attr.inputmode]="code() ? 'numeric' : null"
        [attr.autocomplete]="auto()"
        [value]="value()"
        [attr.aria-invalid]="!!error()"
        (input)="typed.emit(box.value)"
      />
      @if (error(); as words) {
        <span class="field-error">{{ words }}</span>
      } @else if (hint()) {
        <span class="hint">{{ hint() }}</span>
      }
    </div>
  `,
})
export class SecretField {
  readonly label = input.required<string>();
  readonly value = input.required<string>();
  readonly auto = input.required<'current-password' | 'new-password' | 'one-time-code'>();
  readonly error = input<string | null>(null);
  readonly hint = input('');
  /** True for a code that is read from an app: shown while it is typed. */
  readonly code = input(false);
  readonly typed = output<string>();
  protected readonly id = `secret-${++made}`;
}
