import { Component, computed, effect, inject, input, signal, type OnDestroy } from '@angular/core';
import {
  drawFigure,
  easedWay,
  FIGURES,
  figureGroups,
  secondView,
  viewWords,
  type Drawing,
  type ShapeRole,
  type Side,
} from '@yandle/core';
import { MotionService } from './motion.service';

/** Seconds of one way there and back. */
const PERIOD = 4;
const FILLED: readonly ShapeRole[] = ['near', 'far', 'thing', 'thing-soft', 'mat'];

/**
 * The drawn figure of an exercise or test. One that moves shows where it starts as a shadow; with `moving` it goes there and back, unless
 * the reader wants no motion.
 */
@Component({
  selector: 'y-figure',
  template: `
    @if (drawing(); as d) {
      <svg
        [attr.viewBox]="box()"
        class="figure"
        [attr.role]="label() ? 'img' : null"
        [attr.aria-label]="label() || null"
        [attr.aria-hidden]="label() ? null : true"
      >
        @for (s of shadow(); track $index) {
          <path [attr.d]="s.d" fill="var(--fig-shadow)" />
        }
        @for (s of d.shapes; track $index) {
          @if (filled(s.role)) {
            <path
              [attr.d]="s.d"
              [attr.fill]="colour(s.role)"
              stroke="var(--fig-halo)"
              stroke-width="1.6"
              paint-order="stroke"
            />
          } @else {
            <path
              [attr.d]="s.d"
              fill="none"
              [attr.stroke]="colour(s.role)"
              [attr.stroke-width]="s.width"
              [attr.opacity]="s.role === 'stretched-behind' ? 0.6 : null"
              stroke-linecap="round"
              stroke-linejoin="round"
            />
          }
        }
      </svg>
      @if (otherWords(); as words) {
        <p class="text-center text-xs text-soft">{{ words }}</p>
      }
    }
  `,
  styles: `
    :host {
      display: block;
    }
    .figure {
      display: block;
      width: 100%;
      height: 100%;
    }
  `,
})
export class FigureView implements OnDestroy {
  private readonly motion = inject(MotionService);
  /** Of a figure of the catalogue. */
  readonly figure = input.required<string>();
  readonly side = input<Side>('right');
  /** What is said of it; empty where the words beside it say it all. */
  readonly label = input('');
  readonly moving = input(false);
  private readonly phase = signal(0.5);
  private frame = 0;

  /** True to draw it from where its stretched muscle is seen, where the figure itself hides that; nothing else. */
  readonly second = input(false);
  /** From where the second drawing is seen; null where there is none. */
  readonly otherView = computed(() => {
    const f = FIGURES[this.figure()];
    return f && this.second() ? secondView(f, figureGroups(this.figure())) : null;
  });
  protected readonly otherWords = computed(() => {
    const view = this.otherView();
    return view && viewWords(view);
  });

  protected readonly spec = computed(() => {
    const f = FIGURES[this.figure()];
    if (!f || !this.second()) return f ?? null;
    const view = this.otherView();
    return view && { ...f, view };
  });
  private readonly at = (t: number): Drawing | null => {
    const f = this.spec();
    return f ? drawFigure(f, { side: this.side(), ...figureGroups(this.figure()), t }) : null;
  };
  private readonly first = computed(() => (this.spec()?.start ? this.at(0) : null));
  private readonly last = computed(() => this.at(1));
  protected readonly drawing = computed(() => {
    const t = easedWay(this.phase());
    return this.first() && t < 0.999 ? this.at(t) : this.last();
  });
  /** Where it starts, while it stands still. */
  protected readonly shadow = computed(() =>
    this.runs() ? [] : (this.first()?.shapes.filter((s) => s.role === 'near' || s.role === 'far') ?? []),
  );
  private readonly runs = computed(() => this.moving() && this.first() !== null && this.motion.allowed());
  /** One box for the whole way, so that nothing jumps. */
  protected readonly box = computed(() => {
    const boxes = [this.first(), this.last()].flatMap((d) => (d ? [d.box] : []));
    const x = Math.min(...boxes.map((b) => b.x));
    const y = Math.min(...boxes.map((b) => b.y));
    const right = Math.max(...boxes.map((b) => b.x + b.width));
    const bottom = Math.max(...boxes.map((b) => b.y + b.height));
    return `${x} ${y} ${right - x} ${bottom - y}`;
  });

  constructor() {
    effect((stop) => {
      if (!this.runs()) {
        this.phase.set(0.5);
        return;
      }
      const began = performance.now();
      const step = (now: number): void => {
        this.phase.set(((now - began) / 1000 / PERIOD) % 1);
        this.frame = requestAnimationFrame(step);
      };
      this.frame = requestAnimationFrame(step);
      stop(() => cancelAnimationFrame(this.frame));
    });
  }

  ngOnDestroy(): void {
    cancelAnimationFrame(this.frame);
  }

  protected filled(role: ShapeRole): boolean {
    return FILLED.includes(role);
  }

  protected colour(role: ShapeRole): string {
    return `var(--fig-${role === 'stretched-behind' ? 'stretched' : role})`;
  }
}
