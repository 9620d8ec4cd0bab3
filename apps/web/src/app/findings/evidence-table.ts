import { Component, computed, input } from '@angular/core';
import { formatDate, formatReading, sourceWords, type GroupFinding } from '@yandle/core';
import { gapWords, stepsWords, targetWords, type DatedTest } from './findings.model';

/** Every result behind the ranked groups, with its target and source, for a coach who wants to check it. */
@Component({
  selector: 'y-evidence-table',
  template: `
    <details>
      <summary class="font-semibold">All results behind this list</summary>
      <div class="relative overflow-x-auto">
        <table class="data-table mt-1">
          <thead>
            <tr>
              <th scope="col">Test</th>
              <th scope="col">Left</th>
              <th scope="col">Right</th>
              <th scope="col">Measured</th>
              <th scope="col">Since the assessment before</th>
              <th scope="col">Worse side against the target</th>
              <th scope="col">Source</th>
            </tr>
          </thead>
          <tbody>
            @for (r of table(); track r.name) {
              <tr>
                <td>{{ r.name }}</td>
                <td>{{ r.left }}</td>
                <td>{{ r.right }}</td>
                <td class="whitespace-nowrap">{{ r.date }}</td>
                <td>
                  @for (c of r.changes; track c) {
                    <span class="block">{{ c }}</span>
                  }
                </td>
                <td>
                  {{ r.words }}{{ r.target ? ': ' + r.target : '' }}
                  @if (r.steps) {
                    <span class="block text-soft">{{ r.steps }}</span>
                  }
                </td>
                <td class="text-soft">{{ r.source }}</td>
              </tr>
            }
          </tbody>
        </table>
      </div>
    </details>
  `,
})
export class EvidenceTable {
  readonly measured = input.required<readonly DatedTest[]>();
  readonly ranked = input.required<readonly GroupFinding[]>();
  protected readonly table = computed(() => {
    const seen = new Map(this.ranked().flatMap((g) => g.tests.map((t) => [t.finding.test.id, t.finding] as const)));
    return this.measured().map((m) => {
      const f = seen.get(m.test.id) ?? null;
      const value = (v: number | null) => (v === null ? '–' : formatReading(v, m.test.unit));
      return {
        name: m.test.name,
        left: m.both === null ? value(m.left) : value(m.both),
        right: m.both === null ? value(m.right) : '',
        date: formatDate(m.date, 'd MMM yyyy'),
        changes: m.changes,
        words: f ? gapWords(f) : 'reaches its target, or has none',
        target: f ? targetWords(f) : '',
        steps: f ? stepsWords(f) : '',
        source: f && f.reference.kind !== 'none' ? sourceWords(f.reference.source) : '',
      };
    });
  });
}
