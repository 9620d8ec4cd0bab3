import { Component, computed, input } from '@angular/core';
import type { Side } from '@yandle/core';
import type { MirrorBar, MirrorRowModel } from './mirror-row.model';

/**
 * Left against right around a spine, on one scale: longer is freer, whatever the unit.
 * Bar: now. Whisker: 95 % of the measurement error. Tick: reference. Dot below: before, hollow when no change is detectable.
 * Outline: what was planned. Left and right also have their own marks (● ○) and letters, never colour alone.
 */
@Component({
  selector: 'y-mirror-row',
  template: `
    <div class="row" [class.sideless]="model().sideless" role="img" [attr.aria-label]="spoken()">
      @for (side of sides; track side) {
        @let bar = model().bars[side];
        <span class="value" [style.grid-area]="side + '-value'" [class.end]="side === 'left'" [class.missing]="!bar">
          @if (model().sideless) {
            {{ side === 'left' ? '' : (bar?.text ?? '–') }}
          } @else {
            <span class="mark" [class]="side">{{ side === 'left' ? '● L' : '○ R' }}</span>
            {{ bar?.text ?? '–' }}
          }
        </span>
        <div class="track" [style.grid-area]="side" [class.flip]="side === 'left'">
          @if (bar) {
            <div class="bar" [class]="side" [style.width.%]="bar.fill * 100"></div>
            @if (bar.plan !== null) {
              <div class="plan" [style.width.%]="bar.plan * 100"></div>
            }
            @if (bar.whisker; as w) {
              <div
                class="whisker"
                [style.inset-inline-start.%]="w.from * 100"
                [style.width.%]="(w.to - w.from) * 100"
              ></div>
            }
            @if (bar.reference !== null) {
              <div class="tick" [style.inset-inline-start.%]="bar.reference * 100"></div>
            }
            @if (bar.last; as l) {
              <div class="dot" [class]="side" [class.solid]="l.solid" [style.inset-inline-start.%]="l.at * 100"></div>
            }
          }
        </div>
      }
      <div class="spine">
        <span class="font-semibold">{{ model().label }}</span>
        <span class="sub" [class.warn]="model().subTone === 'attention'">{{ model().sub }}</span>
      </div>
    </div>
  `,
  styleUrl: './mirror-row.css',
})
export class MirrorRow {
  readonly model = input.required<MirrorRowModel>();
  protected readonly sides: readonly Side[] = ['left', 'right'];

  protected readonly spoken = computed(() => {
    const m = this.model();
    const say = (side: Side, bar: MirrorBar | null) =>
      bar ? `${side} ${bar.text}${bar.last ? `, before ${bar.last.text}` : ''}` : `${side} not measured`;
    if (m.sideless) return `${m.label}: ${m.bars.right?.text ?? 'not measured'}`;
    return `${m.label}: ${say('left', m.bars.left)}; ${say('right', m.bars.right)}. ${m.sub}`;
  });
}
