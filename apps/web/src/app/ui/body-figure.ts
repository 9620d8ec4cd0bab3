import { Component, computed, input, output, signal, viewChildren, type ElementRef } from '@angular/core';
import {
  BODY_BOX,
  BODY_MAP,
  BODY_OUTLINE,
  HEAD,
  muscleGroupName,
  type BodyView,
  type MuscleGroupId,
} from '@yandle/core';

/** How a region is drawn and what is said of it. */
export interface RegionShade {
  /** A colour of the style sheet. */
  readonly fill: string;
  readonly words: string;
}

/**
 * The body from front and back, a region a muscle group. One stop for the keyboard: arrow keys go from region to region, Enter chooses.
 */
@Component({
  selector: 'y-body-figure',
  template: `
    <div class="flex justify-center gap-2" role="group" [attr.aria-label]="label()" (keydown)="key($event)">
      @for (view of views; track view) {
        <figure class="min-w-0 flex-1">
          <svg [attr.viewBox]="box" class="mx-auto block max-h-72 w-full">
            <g fill="var(--track)">
              <ellipse [attr.cx]="head.cx" [attr.cy]="head.cy" [attr.rx]="head.rx" [attr.ry]="head.ry" />
              <path [attr.d]="outline" stroke="var(--track)" stroke-width="1.5" stroke-linejoin="round" />
            </g>
            @for (r of regionsOf(view); track r.group) {
              <path
                #region
                class="cursor-pointer outline-none focus-visible:stroke-[var(--action)]"
                [attr.d]="r.path"
                [attr.fill]="r.fill"
                [attr.stroke]="r.group === chosen() ? 'var(--ink)' : 'var(--sheet)'"
                [attr.stroke-width]="r.group === chosen() ? 2 : 0.8"
                stroke-linejoin="round"
                role="button"
                [attr.tabindex]="r.group === stop() ? 0 : -1"
                [attr.aria-label]="r.words"
                [attr.aria-pressed]="r.group === chosen()"
                [attr.data-group]="r.group"
                (click)="choose.emit(r.group)"
                (focus)="stop.set(r.group)"
              >
                <title>{{ r.words }}</title>
              </path>
            }
          </svg>
          <figcaption class="text-center text-sm text-soft">{{ view }}</figcaption>
        </figure>
      }
    </div>
  `,
})
export class BodyFigure {
  readonly label = input.required<string>();
  readonly shades = input.required<ReadonlyMap<MuscleGroupId, RegionShade>>();
  /** Regions in the order of the arrow keys; those not named follow from the floor up. */
  readonly order = input<readonly MuscleGroupId[]>([]);
  readonly chosen = input<MuscleGroupId | null>(null);
  readonly choose = output<MuscleGroupId>();
  protected readonly views: readonly BodyView[] = ['front', 'back'];
  protected readonly box = `0 0 ${BODY_BOX.width} ${BODY_BOX.height}`;
  protected readonly outline = BODY_OUTLINE;
  protected readonly head = HEAD;
  private readonly elements = viewChildren<ElementRef<SVGPathElement>>('region');

  private readonly walk = computed(() => {
    const named = this.order();
    const rest = BODY_MAP.map((r) => r.group).filter((g) => !named.includes(g));
    return [...named, ...rest];
  });
  private readonly stopAt = signal<MuscleGroupId | null>(null);
  /** The region that Tab reaches. */
  protected readonly stop = Object.assign(() => this.stopAt() ?? this.walk()[0]!, {
    set: (g: MuscleGroupId) => this.stopAt.set(g),
  });

  protected regionsOf(view: BodyView) {
    return BODY_MAP.filter((r) => r.view === view).map((r) => {
      const shade = this.shades().get(r.group);
      return {
        ...r,
        fill: shade?.fill ?? 'var(--shade)',
        words: shade?.words ?? muscleGroupName(r.group),
      };
    });
  }

  protected key(event: KeyboardEvent): void {
    if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault();
      return this.choose.emit(this.stop());
    }
    const by = { ArrowDown: 1, ArrowRight: 1, ArrowUp: -1, ArrowLeft: -1 }[event.key];
    if (!by) return;
    event.preventDefault();
    const walk = this.walk();
    const next = walk[(walk.indexOf(this.stop()) + by + walk.length) % walk.length]!;
    this.stopAt.set(next);
    this.elements()
      .find((e) => e.nativeElement.dataset['group'] === next)
      ?.nativeElement.focus();
  }
}
