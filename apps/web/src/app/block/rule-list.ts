import { Component, input, output } from '@angular/core';
import {
  blockRuleName,
  type CellPlace,
  type Fix,
  fixWords,
  type MuscleGroupId,
  muscleGroupName,
  type Violation,
  violationWords,
} from '@yandle/core';

/** Broken rules, each with where it is broken, what is wrong, and the fix. */
@Component({
  selector: 'y-rule-list',
  template: `
    <ul class="flex flex-col gap-2">
      @for (v of violations(); track $index) {
        <li class="note flex flex-wrap items-start gap-x-3 gap-y-1 py-2">
          <div class="min-w-40 flex-1">
            <p class="text-sm font-semibold text-attention">
              {{ ruleName(v.rule) }}{{ brief() ? '' : where(v) }}
              @if (v.severity === 'stop') {
                <span> · cannot be published</span>
              }
            </p>
            <p class="text-sm">{{ words(v.fact) }}</p>
          </div>
          <div class="flex flex-wrap gap-2">
            @if (!brief() && v.week !== null) {
              <button
                type="button"
                class="btn min-h-8 text-sm"
                (click)="shown.emit({ lane: v.lane ?? 0, week: v.week })"
              >
                Show
              </button>
            }
            @if (editable() && v.fix; as fix) {
              <button type="button" class="btn min-h-8 text-sm" (click)="fixed.emit(fix)">{{ fixWords(fix) }}</button>
            }
          </div>
        </li>
      }
    </ul>
  `,
})
export class RuleList {
  readonly violations = input.required<readonly Violation[]>();
  readonly groups = input<readonly MuscleGroupId[]>([]);
  readonly editable = input(false);
  /** Without saying where: beside the cell itself. */
  readonly brief = input(false);
  readonly fixed = output<Fix>();
  readonly shown = output<CellPlace>();
  protected readonly ruleName = blockRuleName;
  protected readonly words = violationWords;
  protected readonly fixWords = fixWords;

  protected where(v: Violation): string {
    const group = v.lane === null ? undefined : this.groups()[v.lane];
    const parts = [...(v.week === null ? [] : [`week ${v.week}`]), ...(group ? [muscleGroupName(group)] : [])];
    return parts.length > 0 ? ` · ${parts.join(', ')}` : '';
  }
}
