import { Component, computed, inject, input, output } from '@angular/core';
import { muscleGroupName, type BlockDraft, type BlockPlan, blockDose, formatShare, styleIn } from '@yandle/core';
import { StylesService } from '../styles/styles.service';

/** What another ramp or another style would make of the block, laid over the stave before it is taken. */
@Component({
  selector: 'y-what-if-panel',
  template: `
    <div class="flex flex-col gap-3">
      <div class="flex items-center justify-between">
        <h2>What if</h2>
        <button type="button" class="btn min-h-8" (click)="left.emit()">Close</button>
      </div>
      <p class="text-sm text-soft">
        The block shows what would change: ▲ more, ▼ less, in seconds per side. Nothing changes until you apply it.
      </p>
      <label class="field">
        <span class="label">Weekly increase, at most</span>
        <select class="input" #ramp (change)="changed.emit({ ramp: +ramp.value })">
          @for (r of ramps; track r) {
            <option [value]="r" [selected]="r === other().ramp">{{ percent(r) }} a week</option>
          }
        </select>
      </label>
      @if (laneName(); as name) {
        <label class="field">
          <span class="label">Style of {{ name }}, from week {{ week() }} on</span>
          <select class="input" #style (change)="styled.emit(style.value)">
            @for (s of styles(); track s.id) {
              <option [value]="s.id" [selected]="s.id === styleId()">{{ s.name }}</option>
            }
          </select>
        </label>
      }
      <table class="data-table" aria-label="Now and then">
        <thead>
          <tr>
            <th scope="col"><span class="sr-only">Include</span></th>
            <th scope="col" class="!text-right">whole block</th>
            <th scope="col" class="!text-right">highest week</th>
          </tr>
        </thead>
        <tbody>
          @for (row of rows(); track row.name) {
            <tr>
              <td>{{ row.name }}</td>
              <td class="text-right">{{ row.total }}</td>
              <td class="text-right">{{ row.peak }}</td>
            </tr>
          }
        </tbody>
      </table>
      <p class="text-sm text-soft">Seconds per side, now → then.</p>
      <div class="flex gap-2">
        <button type="button" class="btn btn-go" [disabled]="!overlay()" (click)="accepted.emit()">Apply</button>
        <button type="button" class="btn" (click)="left.emit()">Cancel</button>
      </div>
    </div>
  `,
})
export class WhatIfPanel {
  protected readonly styles = inject(StylesService).styles;
  readonly other = input.required<BlockDraft>();
  readonly plan = input.required<BlockPlan>();
  readonly overlay = input.required<BlockPlan | null>();
  readonly lane = input.required<number>();
  readonly week = input.required<number>();
  readonly ramps = [0, 0.05, 0.1, 0.15, 0.2, 0.25, 0.3, 0.4, 0.5];
  readonly changed = output<Partial<BlockDraft>>();
  readonly styled = output<string>();
  readonly accepted = output();
  readonly left = output();

  protected readonly laneName = computed(() => {
    const l = this.other().lanes[this.lane()];
    return l ? muscleGroupName(l.group) : null;
  });
  protected readonly styleId = computed(() => {
    const l = this.other().lanes[this.lane()];
    return l ? styleIn(l, this.week()) : '';
  });
  protected readonly rows = computed(() =>
    this.plan().lanes.map((l, i) => {
      const then = this.overlay()?.lanes[i];
      const now = blockDose(l.weeks);
      const other = then && blockDose(then.weeks);
      const both = (of: 'total' | 'peak') => `${now[of]} → ${other?.[of] ?? '–'}`;
      return { name: muscleGroupName(l.group), total: both('total'), peak: both('peak') };
    }),
  );

  protected readonly percent = formatShare;
}
