import { Component, computed, input } from '@angular/core';
import type { Caution } from '@yandle/core';

const OUTCOME = { refer: 'Professional first', limit: 'Limits', note: 'Note' } as const;

/** One caution: what it changes, and why. */
@Component({
  selector: 'y-caution-words',
  template: `
    <div
      class="border-l-[3px] py-1 pl-3 text-sm"
      [class.border-attention]="caution().outcome === 'refer'"
      [class.border-edge]="caution().outcome !== 'refer'"
    >
      <p class="font-semibold" [class.text-attention]="caution().outcome === 'refer'">
        {{ outcome() }}{{ titled() ? ': ' + caution().title : '' }}
      </p>
      <p>{{ changes() }}</p>
      <p class="text-soft">{{ caution().why }}</p>
    </div>
  `,
})
export class CautionWords {
  readonly caution = input.required<Caution>();
  readonly titled = input(false);
  /** True on the client's own screen. */
  readonly toClient = input(false);
  protected readonly outcome = computed(() => {
    const { urgency, outcome } = this.caution();
    return urgency === 'emergency' ? 'Emergency' : urgency === 'urgent' ? 'Professional within days' : OUTCOME[outcome];
  });
  protected readonly changes = computed(() => {
    const c = this.caution();
    if (!this.toClient() || c.outcome !== 'refer' || c.urgency === 'emergency') return c.changes;
    return c.id === 'under-18'
      ? 'Your coach needs your guardian’s consent before planning.'
      : c.urgency === 'urgent'
        ? 'Please see a physician within days, before any stretching.'
        : 'Please see your physician or physiotherapist first. Your coach plans once they agree.';
  });
}
