import { Component, input, model } from '@angular/core';
import type { RegionScore } from '@yandle/contract';
import { bodyRegionName, type BodyRegionId } from '@yandle/core';

/** How some regions feel, 0 to 10, one row each. Nothing is chosen beforehand, and a second press takes an answer back. */
@Component({
  selector: 'y-stiffness-rows',
  template: `
    @for (r of regions(); track r) {
      <fieldset class="mt-3">
        <legend class="font-semibold">{{ name(r) }}</legend>
        <div class="mt-1 grid grid-cols-11 gap-0.5">
          @for (n of scale; track n) {
            <button
              type="button"
              class="btn !min-h-11 !min-w-0 !px-0"
              [class.btn-go]="scoreOf(r) === n"
              [attr.aria-pressed]="scoreOf(r) === n"
              [attr.aria-label]="name(r) + ' ' + n"
              (click)="say(r, n)"
            >
              {{ n }}
            </button>
          }
        </div>
      </fieldset>
    }
  `,
})
export class StiffnessRows {
  readonly regions = input.required<readonly BodyRegionId[]>();
  readonly scores = model.required<readonly RegionScore[]>();
  protected readonly scale = Array.from({ length: 11 }, (_, i) => i);
  protected readonly name = bodyRegionName;

  protected scoreOf(region: BodyRegionId): number | null {
    return this.scores().find((s) => s.region === region)?.score ?? null;
  }

  protected say(region: BodyRegionId, score: number): void {
    const others = this.scores().filter((s) => s.region !== region);
    this.scores.set(this.scoreOf(region) === score ? others : [...others, { region, score }]);
  }
}
