import { Component, computed, input } from '@angular/core';
import type { Report, ReportBar } from '@yandle/contract';
import { formatDate } from '@yandle/core';
import { FigureView } from '../ui/figure';
import { MirrorRow } from '../ui/mirror/mirror-row';
import type { MirrorBar, MirrorRowModel } from '../ui/mirror/mirror-row.model';

const barOf = (b: ReportBar | null): MirrorBar | null => b && { ...b, whisker: null, reference: null, plan: null };

/** One page for the client: plain words, every test then and now, and the exercises. The same on the screen, by link and in print. */
@Component({
  selector: 'y-report-page',
  imports: [FigureView, MirrorRow],
  template: `
    @let r = report();
    <article class="sheet p-6 print:border-0 print:p-0" aria-labelledby="report">
      <header class="flex flex-wrap items-baseline justify-between gap-x-6">
        <h1 id="report">{{ r.client }}, your progress so far</h1>
        <p class="text-sm text-soft">{{ r.studio }} · {{ r.coach }}<br />{{ day(r.from) }} to {{ day(r.to) }}</p>
      </header>
      <div class="mt-4 grid gap-x-8 gap-y-4 md:grid-cols-2 print:grid-cols-2">
        <div class="flex flex-col gap-4">
          @for (p of r.parts; track p.id) {
            <section [attr.aria-labelledby]="'part-' + p.id">
              <h2 [id]="'part-' + p.id" class="!text-[1.05rem]">{{ p.title }}</h2>
              <ul class="mt-1 flex flex-col gap-0.5">
                @for (line of p.lines; track line) {
                  <li>{{ line }}</li>
                }
              </ul>
            </section>
          }
        </div>
        <div class="flex flex-col gap-4">
          @if (rows().length > 0) {
            <section aria-labelledby="then-now">
              <h2 id="then-now" class="!text-[1.05rem]">Left and right, then and now</h2>
              @for (row of rows(); track row.label) {
                <y-mirror-row class="mt-2 block" [model]="row" />
              }
              <p class="mt-1 text-sm text-soft">
                A longer bar means you move more freely. The dot is where you were: filled when the change is sure.
              </p>
            </section>
          }
          @if (r.exercises.length > 0) {
            <section aria-labelledby="stretches">
              <h2 id="stretches" class="!text-[1.05rem]">Your main stretches</h2>
              <ul class="mt-1 grid grid-cols-3 gap-3 text-center text-sm">
                @for (e of r.exercises; track e.id) {
                  <li>
                    @if (e.figure; as f) {
                      <y-figure class="mx-auto h-24" [figure]="f" label="" />
                    }
                    {{ e.name }}
                  </li>
                }
              </ul>
            </section>
          }
        </div>
      </div>
      <p class="mt-5 text-sm text-attention">{{ r.safety }}</p>
    </article>
  `,
})
export class ReportPage {
  readonly report = input.required<Report>();
  protected readonly rows = computed(() =>
    this.report().rows.map(({ label, sideless, left, right }): MirrorRowModel => ({
      ...{ label, sub: '', subTone: 'plain', sideless },
      bars: { left: barOf(left), right: barOf(right) },
    })),
  );

  protected day(date: string): string {
    return formatDate(date, 'd MMMM yyyy');
  }
}
