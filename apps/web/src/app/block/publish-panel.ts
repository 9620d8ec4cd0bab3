import { Component, computed, input, output, signal } from '@angular/core';
import type { Violation } from '@yandle/core';

/** Asks for the reason before a block is published, and says from when it counts. */
@Component({
  selector: 'y-publish-panel',
  template: `
    <div class="flex flex-col gap-3">
      <h2>{{ first() ? 'Start this block' : 'Publish the changes' }}</h2>
      @if (first()) {
        <p class="text-sm">
          This puts the sessions on the calendar. You can change it any time; every version is kept.
        </p>
      } @else if (fromWeek() > 1) {
        <p class="text-sm">
          Sessions are logged, so changes start in week {{ fromWeek() }}. Earlier weeks stay as they are.
        </p>
      } @else {
        <p class="text-sm">No sessions logged yet, so the whole block is updated. The previous version is kept.</p>
      }
      @if (warnings() > 0) {
        <p class="note text-sm">
          {{ warnings() }} {{ warnings() === 1 ? 'rule is' : 'rules are' }} broken. You may publish all the same; the
          list under the stave stays.
        </p>
      }
      @if (replaced().length > 0) {
        <ul class="note text-sm" aria-label="Lists that are planned anew">
          @for (line of replaced(); track line) {
            <li>{{ line }}</li>
          }
        </ul>
      }
      <form class="flex flex-col gap-3" (submit)="send($event)">
        <label class="field">
          <span class="label">Reason, for the record</span>
          <input
            class="input"
            maxlength="300"
            [value]="reason()"
            #field
            (input)="typed.set(field.value)"
            placeholder="for example: knees sore after week 3"
          />
        </label>
        <div class="flex gap-2">
          <button type="submit" class="btn btn-go" [disabled]="busy() || reason().trim() === ''">
            {{ first() ? 'Start the block' : 'Publish' }}
          </button>
          <button type="button" class="btn" (click)="closed.emit()">Not yet</button>
        </div>
      </form>
    </div>
  `,
})
export class PublishPanel {
  readonly first = input(false);
  readonly fromWeek = input(1);
  readonly violations = input<readonly Violation[]>([]);
  /** Lists changed by hand that the new version does not keep, in words. */
  readonly replaced = input<readonly string[]>([]);
  readonly busy = input(false);
  /** A reason to begin with, as after a restore. */
  readonly suggested = input('');
  readonly published = output<string>();
  readonly closed = output();
  protected readonly typed = signal<string | null>(null);
  protected readonly reason = computed(() => this.typed() ?? (this.suggested() || (this.first() ? 'First plan' : '')));
  protected readonly warnings = computed(() => this.violations().length);

  protected send(event: Event): void {
    event.preventDefault();
    if (this.reason().trim() !== '') this.published.emit(this.reason().trim());
  }
}
