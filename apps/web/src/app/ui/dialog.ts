import { A11yModule } from '@angular/cdk/a11y';
import { Component, input, output } from '@angular/core';

/** A dialog over the page: holds the focus, closes by Escape. Its heading has the id it is labelled by. */
@Component({
  selector: 'y-dialog',
  imports: [A11yModule],
  template: `
    <div
      class="fixed inset-0 z-40 flex items-center justify-center bg-black/70 p-4"
      role="dialog"
      aria-modal="true"
      [attr.aria-labelledby]="labelledBy()"
      cdkTrapFocus
      [cdkTrapFocusAutoCapture]="true"
      (keydown.escape)="closed.emit()"
    >
      <div class="sheet max-h-full w-full max-w-md overflow-y-auto p-5"><ng-content /></div>
    </div>
  `,
})
export class Dialog {
  readonly labelledBy = input.required<string>();
  readonly closed = output();
}
