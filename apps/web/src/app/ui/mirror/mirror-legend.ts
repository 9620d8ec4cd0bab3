import { Component, input } from '@angular/core';

/** Says how a mirror row is read. */
@Component({
  selector: 'y-mirror-legend',
  template: `
    <p class="flex flex-wrap gap-x-5 gap-y-1 text-sm text-soft">
      <span>a longer bar is always freer</span>
      <span>whisker: measurement error, 95%</span>
      <span><span class="font-bold text-action" aria-hidden="true">|</span> green tick: reference</span>
      @if (before(); as b) {
        <span>dot: {{ b }}, hollow = no change detectable, filled = real change</span>
      }
    </p>
  `,
})
export class MirrorLegend {
  /** What the dot stands for: "last time"; null for no dots. */
  readonly before = input<string | null>('last time');
}
