import { Component, computed, input } from '@angular/core';
import type { LaneWeekDone } from '@yandle/contract';
import { formatNumber, SIDES } from '@yandle/core';

/** What a week of a lane came to, mirrored around its plan: left grows to the left, right to the right, the tick is what was planned. */
@Component({
  selector: 'y-lane-done',
  template: `
    @let r = record();
    @if (r.done; as done) {
      <div class="flex items-center gap-2 text-sm" role="img" [attr.aria-label]="words()">
        <span class="w-24 text-right">L {{ amount(done.left) }}</span>
        <div class="flex">
          <div class="flex h-3 w-24 justify-end border-r-2 border-ink">
            <div class="relative h-full w-full">
              <div class="absolute inset-y-0 right-0 rounded-l bg-action" [style.width.%]="share(done.left)"></div>
              <div class="absolute -inset-y-0.5 border-l-2 border-attention" [style.right.%]="share(r.planned)"></div>
            </div>
          </div>
          <div class="flex h-3 w-24">
            <div class="relative h-full w-full">
              <div class="absolute inset-y-0 left-0 rounded-r bg-action" [style.width.%]="share(done.right)"></div>
              <div class="absolute -inset-y-0.5 border-l-2 border-attention" [style.left.%]="share(r.planned)"></div>
            </div>
          </div>
        </div>
        <span>{{ amount(done.right) }} R</span>
        <span class="text-soft">of {{ amount(r.planned) }} a side planned</span>
      </div>
    } @else {
      <p class="text-sm text-soft">{{ amount(r.planned) }} a side planned, nothing logged.</p>
    }
    @if (r.felt; as f) {
      <p class="text-sm text-soft">
        Sensation up to {{ f.highest }} of 10, target {{ f.target }}, said {{ f.times }}
        {{ f.times === 1 ? 'time' : 'times' }}.
      </p>
    }
    @if (r.soreDays > 0) {
      <p class="text-sm text-attention">
        Very sore on {{ r.soreDays }} {{ r.soreDays === 1 ? 'day' : 'days' }} in two weeks.
      </p>
    }
  `,
})
export class LaneDone {
  readonly record = input.required<LaneWeekDone>();

  private readonly most = computed(() => {
    const { planned, done } = this.record();
    return Math.max(planned, ...SIDES.map((s) => done?.[s] ?? 0), 1);
  });

  protected share(amount: number): number {
    return Math.round((100 * amount) / this.most());
  }

  protected amount(n: number): string {
    return this.record().inSeconds ? `${formatNumber(n)} s` : `${formatNumber(n)} ${n === 1 ? 'set' : 'sets'}`;
  }

  protected readonly words = computed(() => {
    const { planned, done } = this.record();
    return done
      ? `Done: left ${this.amount(done.left)}, right ${this.amount(done.right)}, of ${this.amount(planned)} a side planned`
      : '';
  });
}
