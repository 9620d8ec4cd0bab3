import { Component, inject, input, output } from '@angular/core';
import { formatDate } from '@yandle/core';
import { MirrorLegend } from '../ui/mirror/mirror-legend';
import { MirrorRow } from '../ui/mirror/mirror-row';
import { AssessmentStart } from './assessment-start';
import { EarlierAssessments } from './earlier-assessments';
import { MeasureStore } from './measure.store';
import { MeasureView } from './measure-view';

/** Before an assessment: what to start with, and what the last one found. */
@Component({
  selector: 'y-measure-start',
  imports: [AssessmentStart, EarlierAssessments, MirrorLegend, MirrorRow],
  template: `
    <div class="mx-auto grid max-w-7xl gap-8 px-4 py-6 sm:px-6 lg:grid-cols-[24rem_1fr]">
      <div>
        <y-assessment-start
          [lastBattery]="store.latest()?.battery ?? []"
          [quickCheck]="quickCheck()"
          (begin)="store.begin($event); begun.emit()"
        />
      </div>
      <section aria-labelledby="last">
        @if (store.latest(); as latest) {
          <h2 id="last">Last assessment, {{ day(latest.date) }}</h2>
          <p class="text-sm text-soft">
            {{ latest.warm ? 'warm' : 'cold' }}, {{ latest.time }}, {{ latest.testerName }} ·
            <button type="button" class="link" (click)="store.open(latest.id)">Open to correct or add</button>
          </p>
          <div class="mt-2">
            @for (r of view.rows(); track r.id) {
              <y-mirror-row [model]="r.model" />
            }
          </div>
          <y-mirror-legend before="the assessment before" />
          @for (f of view.flagsOf(latest); track $index) {
            <p class="mt-1 text-sm">
              <span class="font-semibold text-attention">{{ f.test }}:</span> {{ f.words }}
            </p>
          }
        } @else {
          <h2 id="last">Not measured yet</h2>
          <p class="mt-1 max-w-prose text-soft">
            Start an assessment: choose a test battery. Take two readings per side, a third if they disagree. What it
            takes is said beside each battery.
          </p>
        }
        <y-earlier-assessments [clientId]="clientId()" />
      </section>
    </div>
  `,
})
export class MeasureStart {
  protected readonly store = inject(MeasureStore);
  protected readonly view = inject(MeasureView);
  readonly clientId = input.required<string>();
  readonly quickCheck = input.required<readonly string[]>();
  readonly begun = output();

  protected day(date: string): string {
    return formatDate(date, 'd MMM yyyy');
  }
}
