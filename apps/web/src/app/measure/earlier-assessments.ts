import { Component, computed, inject, input, signal } from '@angular/core';
import type { RemovedAssessment } from '@yandle/contract';
import { formatDate } from '@yandle/core';
import { ProblemNote } from '../ui/problem-note';
import { AssessmentRecordStore } from './assessment-record.store';
import { EraseDialog } from './erase-dialog';
import { MeasureStore } from './measure.store';

/** All assessments of a client, to open one, and those that were taken back, to restore or erase them. */
@Component({
  selector: 'y-earlier-assessments',
  imports: [EraseDialog, ProblemNote],
  template: `
    @if (earlier().length > 0) {
      <details class="mt-4 text-sm">
        <summary class="font-semibold">All assessments ({{ earlier().length }})</summary>
        <ul class="mt-1 flex flex-col gap-0.5">
          @for (a of earlier(); track a.id) {
            <li>
              <button type="button" class="link" (click)="store.open(a.id)">{{ a.when }}</button>
              <span class="text-soft"> · {{ a.what }}</span>
            </li>
          }
        </ul>
      </details>
    }
    <details class="mt-2 text-sm" (toggle)="load()">
      <summary class="font-semibold">Taken back</summary>
      <ul class="mt-1 flex flex-col gap-1">
        @for (a of records.removed() ?? []; track a.id) {
          <li class="flex flex-wrap items-center gap-x-3">
            <span>{{ day(a.date) }}, {{ a.time }}, {{ a.tests }} {{ a.tests === 1 ? 'test' : 'tests' }}</span>
            <button type="button" class="link" (click)="records.restore(clientId(), a.id)">Restore</button>
            <button type="button" class="link !text-attention" (click)="erasing.set(a)">Erase for good…</button>
          </li>
        } @empty {
          <li class="text-soft">None.</li>
        }
      </ul>
      @if (records.requests.problem(); as p) {
        <y-problem-note class="mt-2 block" [problem]="p" />
      }
    </details>
    @if (erasing(); as e) {
      <y-erase-dialog [day]="day(e.date)" (erased)="erase(e.id)" (closed)="erasing.set(null)" />
    }
  `,
})
export class EarlierAssessments {
  protected readonly store = inject(MeasureStore);
  protected readonly records = inject(AssessmentRecordStore);
  readonly clientId = input.required<string>();
  protected readonly erasing = signal<RemovedAssessment | null>(null);
  protected readonly earlier = computed(() =>
    [...(this.store.assessments() ?? [])].reverse().map((a) => {
      const tests = new Set(a.readings.map((r) => r.testId)).size;
      const taken = tests === 0 ? 'no readings: counts as none' : `${tests} ${tests === 1 ? 'test' : 'tests'}`;
      return { id: a.id, when: `${this.day(a.date)}, ${a.time}`, what: `${a.warm ? 'warm' : 'cold'}, ${taken}` };
    }),
  );

  protected day(date: string): string {
    return formatDate(date, 'd MMM yyyy');
  }

  protected load(): void {
    if (this.records.removed() === null) void this.records.loadRemoved(this.clientId());
  }

  protected async erase(id: string): Promise<void> {
    this.erasing.set(null);
    await this.records.erase(id);
  }
}
