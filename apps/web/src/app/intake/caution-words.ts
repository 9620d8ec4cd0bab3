import { Component, computed, input } from '@angular/core';
import { cautionChanges, cautionForClient, cautionTitle, cautionWhy, type Caution } from '@yandle/core';

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
        {{ outcome() }}{{ titled() ? ': ' + title() : '' }}
      </p>
      <p>{{ changes() }}</p>
      @if (!toClient()) {
        <p class="text-soft">{{ why() }}</p>
      }
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
  protected readonly title = computed(() => cautionTitle(this.caution()));
  protected readonly why = computed(() => cautionWhy(this.caution()));
  protected readonly changes = computed(() =>
    this.toClient() ? cautionForClient(this.caution()) : cautionChanges(this.caution()),
  );
}
