import { Component, computed, input, output } from '@angular/core';
import type { SessionPacing } from '@yandle/core';

type Hurry = 'client' | 'brisk' | 'steady';

/** How quick the changes of one session are: as the client's, brisk, or unhurried. */
@Component({
  selector: 'y-pacing-field',
  template: `
    <label class="field !w-48">
      <span class="label">Changes</span>
      <select class="input" #hurry (change)="choose(hurry.value)">
        <option value="client" [selected]="now() === 'client'">as the client’s</option>
        <option value="brisk" [selected]="now() === 'brisk'">brisk</option>
        <option value="steady" [selected]="now() === 'steady'">unhurried</option>
      </select>
    </label>
  `,
})
export class PacingField {
  readonly pacing = input<SessionPacing>();
  readonly chosen = output<SessionPacing>();
  protected readonly now = computed((): Hurry => {
    const brisk = this.pacing()?.brisk ?? null;
    return brisk === null ? 'client' : brisk ? 'brisk' : 'steady';
  });

  protected choose(value: string): void {
    const brisk = value === 'client' ? null : value === 'brisk';
    this.chosen.emit({ own: this.pacing()?.own ?? {}, brisk });
  }
}
