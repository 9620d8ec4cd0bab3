import { Component, computed, input } from '@angular/core';
import { capsWords, prescriptionWords, orderStepWords, type Style } from '@yandle/core';

/** A style in lines, for reading: what each phase starts with, what progresses, and up to where. */
@Component({
  selector: 'y-style-facts',
  template: `
    <p class="mt-1">{{ style().summary }}</p>
    @for (f of facts(); track $index) {
      <dl class="sheet mt-3 grid gap-x-4 gap-y-1 px-4 py-3 text-sm sm:grid-cols-[8rem_1fr]">
        <dt class="font-semibold">{{ facts().length > 1 ? 'Phase ' + ($index + 1) : 'Technique' }}</dt>
        <dd>{{ f.technique }}</dd>
        <dt class="font-semibold">Starts with</dt>
        <dd>{{ f.start }}</dd>
        <dt class="font-semibold">Progresses</dt>
        <dd>{{ f.order }}</dd>
        <dt class="font-semibold">Up to</dt>
        <dd>{{ f.caps }}</dd>
      </dl>
    }
  `,
})
export class StyleFacts {
  readonly style = input.required<Style>();
  protected readonly facts = computed(() =>
    this.style().phases.map((p) => ({
      technique: p.technique,
      start: prescriptionWords({ technique: p.technique, sensation: 5, ...p.start }),
      order: p.order.map(orderStepWords).join(' → '),
      caps: capsWords(p.caps),
    })),
  );
}
