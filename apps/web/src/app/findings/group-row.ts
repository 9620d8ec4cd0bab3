import { Component, computed, input, output, signal } from '@angular/core';
import { complaintWords, muscleGroupName, type Complaint, type GroupFinding, formatFixed } from '@yandle/core';
import { canBeLane, whyWords } from './findings.model';

/** Interest of coach and client in a group, 0 none to 3. */
export interface Interest {
  readonly coach: number;
  readonly client: number;
}

/** One ranked group: its score with the parts, why, and what coach and client decide about it. */
@Component({
  selector: 'y-group-row',
  templateUrl: './group-row.html',
})
export class GroupRow {
  readonly finding = input.required<GroupFinding>();
  readonly place = input.required<number>();
  /** Score that fills the bar. */
  readonly top = input.required<number>();
  readonly lane = input.required<boolean>();
  readonly pinned = input.required<boolean>();
  readonly interest = input.required<Interest>();
  readonly complaints = input.required<readonly Complaint[]>();
  readonly laneToggled = output();
  readonly pinToggled = output();
  readonly excluded = output<string>();
  readonly interestSet = output<Interest>();
  protected readonly steps = [0, 1, 2, 3];
  protected readonly open = signal(false);
  protected readonly name = computed(() => muscleGroupName(this.finding().group));
  protected readonly why = computed(() => {
    const said = this.complaints().map(complaintWords);
    return whyWords(this.finding(), said);
  });
  protected readonly laneable = computed(() => canBeLane(this.finding()));

  /** Parts of the score that are not 0, as a sum. */
  protected readonly sum = computed(() => {
    const p = this.finding().parts;
    const parts = [
      ['range', p.shortfall],
      ['sides', p.side],
      ['interest', p.interest],
      ['complaint', p.complaint],
    ] as const;
    const shown = parts.filter(([name, v]) => v > 0 || name === 'range' || name === 'sides');
    return shown.map(([name, v]) => `${name} ${formatFixed(v, 1)}`).join(' + ');
  });

  protected width(value: number): number {
    return (value / this.top()) * 100;
  }

  protected leaveOut(reason: string): void {
    if (reason.trim() === '') return;
    this.open.set(false);
    this.excluded.emit(reason.trim());
  }
}
