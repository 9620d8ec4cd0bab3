import { Component, input, output } from '@angular/core';
import type { Problem } from '@yandle/contract';

/** A refusal with what to do about it. */
@Component({
  selector: 'y-problem-note',
  template: `
    <div class="note" role="alert">
      <p class="font-semibold text-attention">{{ problem().title }}</p>
      <p>{{ problem().detail }}</p>
      @if (retry()) {
        <button type="button" class="btn mt-2" (click)="again.emit()">Try again</button>
      }
    </div>
  `,
})
export class ProblemNote {
  readonly problem = input.required<Problem>();
  readonly retry = input(false);
  readonly again = output();
}
