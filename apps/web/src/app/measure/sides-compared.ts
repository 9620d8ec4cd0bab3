import { Component, inject } from '@angular/core';
import { MirrorLegend } from '../ui/mirror/mirror-legend';
import { MirrorRow } from '../ui/mirror/mirror-row';
import { MeasureView } from './measure-view';

/** Left against right in the open test, with the error that a change has to exceed and the reference. */
@Component({
  selector: 'y-sides-compared',
  imports: [MirrorLegend, MirrorRow],
  template: `
    <section aria-labelledby="against">
      <h2 id="against">Left against right</h2>
      @for (r of view.rows(); track r.id) {
        <y-mirror-row [model]="r.model" />
      }
      <y-mirror-legend class="mt-1 block" />
      <p class="mt-2 max-w-4xl text-sm text-soft">{{ view.errorWords() }}</p>
      <p class="mt-1 max-w-4xl text-sm text-soft">
        Reference: {{ view.referenceWords() }}
        @if (view.bandWords()) {
          <span class="font-semibold text-ink">Now: {{ view.bandWords() }}.</span>
        }
      </p>
    </section>
  `,
})
export class SidesCompared {
  protected readonly view = inject(MeasureView);
}
