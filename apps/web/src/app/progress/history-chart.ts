import { Component, computed, DestroyRef, effect, ElementRef, inject, input, viewChild } from '@angular/core';
import { formatDate, type RomUnit } from '@yandle/core';
import {
  Chart,
  Filler,
  Legend,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  TimeScale,
  Tooltip,
} from 'chart.js';
import 'chartjs-adapter-date-fns';
import { PointWithErrorBar, ScatterWithErrorBarsController } from 'chartjs-chart-error-bars';
import annotationPlugin from 'chartjs-plugin-annotation';
import { ThemeService } from '../data/theme.service';
import { historyConfig, type HistoryPoint, type HistorySide } from './history-config';
import type { SideTrend } from './side-trend';

Chart.register(
  ScatterWithErrorBarsController,
  PointWithErrorBar,
  LineController,
  LineElement,
  PointElement,
  LinearScale,
  TimeScale,
  Tooltip,
  Legend,
  Filler,
  annotationPlugin,
);

/** Results over time with error whiskers, left and right. Freer is always up: the scale is turned where fewer is better. */
@Component({
  selector: 'y-history-chart',
  template: `<div class="relative h-60"><canvas #canvas role="img" [attr.aria-label]="label()"></canvas></div>`,
})
export class HistoryChart {
  readonly name = input.required<string>();
  readonly unit = input.required<RomUnit>();
  readonly lessIsBetter = input.required<boolean>();
  readonly left = input.required<readonly HistoryPoint[]>();
  readonly right = input.required<readonly HistoryPoint[]>();
  readonly reference = input.required<number | null>();
  readonly sideless = input(false);
  /** Smoothed lines with their bands, and the range of dates in which the aim may be reached. */
  readonly leftTrend = input<SideTrend | null>(null);
  readonly rightTrend = input<SideTrend | null>(null);
  /** The client's goal, in the unit of the test. */
  readonly goal = input<number | null>(null);
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  private readonly theme = inject(ThemeService);
  private chart: Chart<'scatterWithErrorBars' | 'line'> | null = null;

  protected readonly label = computed(() => {
    const say = (side: string, points: readonly HistoryPoint[]) =>
      `${side} ${points.map((p) => `${formatDate(p.date, 'd MMM')} ${p.value}`).join(', ')}`;
    const values = this.sideless()
      ? say('', this.left())
      : `${say('left', this.left())}; ${say('right', this.right())}`;
    return `${this.name()} over time, ${this.unit() === 'deg' ? 'degrees' : 'centimetres'}: ${values}. The table below has the same numbers.`;
  });

  constructor() {
    effect(() => {
      this.theme.theme();
      this.draw();
    });
    inject(DestroyRef).onDestroy(() => this.chart?.destroy());
  }

  private draw(): void {
    const css = getComputedStyle(document.documentElement);
    const of = (name: string) => css.getPropertyValue(name).trim();
    const left = { points: this.left(), trend: this.leftTrend(), filled: true };
    const sides: HistorySide[] = this.sideless()
      ? [{ ...left, label: 'Result', colour: of('--ink'), shift: 0 }]
      : [
          { ...left, label: 'Left', colour: of('--left-bar'), shift: -6 },
          {
            label: 'Right',
            points: this.right(),
            trend: this.rightTrend(),
            colour: of('--right-bar'),
            filled: false,
            shift: 6,
          },
        ];
    Chart.defaults.font.family = "'Figtree Variable', sans-serif";
    Chart.defaults.font.size = 13;
    this.chart?.destroy();
    this.chart = new Chart<'scatterWithErrorBars' | 'line'>(
      this.canvas().nativeElement,
      historyConfig(
        {
          unit: this.unit(),
          lessIsBetter: this.lessIsBetter(),
          sides,
          reference: this.reference(),
          goal: this.goal(),
        },
        of,
      ),
    );
  }
}
