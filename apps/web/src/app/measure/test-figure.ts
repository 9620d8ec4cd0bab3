import { Component, computed, input } from '@angular/core';
import { FIGURES, type Position, type RomTest } from '@yandle/core';
import { FigureView } from '../ui/figure';

type Point = readonly [number, number];

/** A body in each position, as joints: head, neck, hip, knee, foot, hand. Drawn by eye, in a box of 64 × 44. */
const POSES: Readonly<Record<Position, readonly [Point, Point, Point, Point, Point, Point]>> = {
  standing: [
    [32, 5],
    [32, 10],
    [32, 23],
    [32, 31],
    [32, 40],
    [36, 22],
  ],
  kneeling: [
    [30, 9],
    [30, 14],
    [30, 28],
    [33, 39],
    [21, 40],
    [34, 25],
  ],
  'all fours': [
    [50, 16],
    [45, 19],
    [25, 21],
    [25, 39],
    [13, 40],
    [46, 39],
  ],
  'sitting on the floor': [
    [20, 17],
    [21, 22],
    [22, 38],
    [37, 36],
    [53, 39],
    [38, 29],
  ],
  'sitting on a chair': [
    [22, 8],
    [22, 13],
    [22, 27],
    [38, 27],
    [39, 40],
    [30, 25],
  ],
  supine: [
    [8, 36],
    [14, 37],
    [30, 37],
    [42, 37],
    [54, 37],
    [26, 32],
  ],
  'side-lying': [
    [8, 35],
    [14, 37],
    [29, 36],
    [40, 31],
    [47, 38],
    [22, 31],
  ],
  prone: [
    [8, 37],
    [14, 37],
    [30, 37],
    [42, 37],
    [54, 36],
    [20, 41],
  ],
};

/** The drawing of a test; for one of the coach's own, the position it is taken in. */
@Component({
  selector: 'y-test-figure',
  imports: [FigureView],
  template: `
    @if (known()) {
      <y-figure class="h-28 w-44" [figure]="test().id" [label]="'Figure: ' + test().name + ', ' + position()" />
    } @else {
      <svg
        [attr.viewBox]="lying() ? '0 24 64 20' : '0 0 64 44'"
        [class]="lying() ? 'h-12 w-36' : 'h-24 w-36'"
        role="img"
        [attr.aria-label]="'Position: ' + position()"
      >
        <line x1="2" y1="42" x2="62" y2="42" stroke="var(--line)" stroke-width="1.5" stroke-linecap="round" />
        @if (position() === 'sitting on a chair') {
          <path d="M14 30 H32 M16 30 V42 M30 30 V42" stroke="var(--edge)" stroke-width="1.5" fill="none" />
        }
        <g fill="none" stroke="var(--ink)" stroke-linecap="round" stroke-linejoin="round">
          <polyline [attr.points]="lines().trunk" stroke-width="5.5" />
          <polyline [attr.points]="lines().leg" stroke-width="4.2" />
          <polyline [attr.points]="lines().arm" stroke-width="3" stroke="var(--soft)" />
        </g>
        <circle [attr.cx]="lines().head[0]" [attr.cy]="lines().head[1]" r="3.6" fill="var(--ink)" />
      </svg>
    }
  `,
})
export class TestFigure {
  readonly test = input.required<RomTest>();
  protected readonly position = computed(() => this.test().position);
  protected readonly known = computed(() => this.test().id in FIGURES);
  protected readonly lying = computed(() => ['supine', 'side-lying', 'prone'].includes(this.position()));
  protected readonly lines = computed(() => {
    const [head, neck, hip, knee, foot, hand] = POSES[this.position()];
    const points = (...ps: Point[]) => ps.map((p) => p.join(',')).join(' ');
    return { head, trunk: points(neck, hip), leg: points(hip, knee, foot), arm: points(neck, hand) };
  });
}
