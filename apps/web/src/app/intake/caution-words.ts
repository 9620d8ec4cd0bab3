import { Component, computed, input } from '@angular/core';
import type { Caution } from '@yandle/core';

const SOON = { emergency: 'Emergency', today: 'See a doctor today', urgent: 'See a doctor within days' } as const;
const OUTCOME = { refer: 'Doctor or physiotherapist first', limit: 'Limits', note: 'Note' } as const;

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
    return urgency && urgency !== 'before planning' ? SOON[urgency] : OUTCOME[outcome];
  });
  protected readonly changes = computed(() => {
    const c = this.caution();
    if (!this.toClient() || c.outcome !== 'refer' || c.urgency === 'emergency') return c.changes;
    if (c.id === 'under-18') return 'A parent or guardian has to say yes first. Your coach will ask them.';
    return c.urgency === 'today'
      ? 'Please see a doctor today. If you have chest pain, trouble breathing or speaking, or weakness on one side, call an ambulance now.'
      : 'Please see a doctor or physiotherapist before you start. Your coach will plan your stretches once they say it is safe.';
  });
}
