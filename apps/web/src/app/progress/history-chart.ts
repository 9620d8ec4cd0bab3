import { Component, computed, DestroyRef, effect, ElementRef, inject, input, viewChild } from '@angular/core';
import type { RomUnit } from '@yandle/core';
import { formatDate } from '@yandle/core';
import { Chart, Legend, LinearScale, LineController, LineElement, PointElement, TimeScale, Tooltip } from 'chart.js';
import 'chartjs-adapter-date-fns';
import { PointWithErrorBar, ScatterWithErrorBarsController } from 'chartjs-chart-error-bars';
import annotationPlugin from 'chartjs-plugin-annotation';
import { ThemeService } from '../data/theme.service';

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
  annotationPlugin,
);

/** One result on the chart. Value and half-width of the whisker in the unit of the test. */
export interface HistoryPoint {
  readonly date: string;
  readonly value: number;
  readonly half: number;
}

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
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  private readonly theme = inject(ThemeService);
  private chart: Chart | null = null;

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
    const token = (name: string) => css.getPropertyValue(name).trim();
    const unit = this.unit() === 'deg' ? '°' : ' cm';
    const series = (
      label: string,
      points: readonly HistoryPoint[],
      colour: string,
      filled: boolean,
      shift: number,
    ) => ({
      label,
      data: points.map((p) => ({
        // Left and right stand a little apart, so that their whiskers can be told apart.
        x: new Date(`${p.date}T12:00:00`).getTime() + shift * 3_600_000,
        y: p.value,
        yMin: p.value - p.half,
        yMax: p.value + p.half,
      })),
      borderColor: colour,
      backgroundColor: filled ? colour : token('--sheet'),
      pointRadius: 6,
      pointHoverRadius: 7,
      borderWidth: 2,
      pointBorderWidth: 2.5,
      showLine: true,
      errorBarColor: colour,
      errorBarWhiskerColor: colour,
      errorBarLineWidth: 1.5,
      errorBarWhiskerLineWidth: 1.5,
      errorBarWhiskerSize: 9,
    });
    Chart.defaults.font.family = "'Figtree Variable', sans-serif";
    Chart.defaults.font.size = 13;
    this.chart?.destroy();
    this.chart = new Chart(this.canvas().nativeElement, {
      type: 'scatterWithErrorBars',
      data: {
        datasets: this.sideless()
          ? [series('Result', this.left(), token('--ink'), true, 0)]
          : [
              series('Left', this.left(), token('--left-bar'), true, -6),
              series('Right', this.right(), token('--right-bar'), false, 6),
            ],
      },
      options: {
        responsive: true,
        maintainAspectRatio: false,
        animation: false,
        scales: {
          x: {
            type: 'time',
            time: { unit: 'week', displayFormats: { week: 'd MMM' }, tooltipFormat: 'd MMM yyyy' },
            offset: true,
            grid: { display: false },
            ticks: { color: token('--soft'), maxTicksLimit: 7 },
          },
          y: {
            reverse: this.lessIsBetter(),
            grid: { color: token('--line') },
            ticks: { color: token('--soft'), callback: (v: number | string) => `${v}${unit}` },
            title: { display: true, text: 'freer ↑', color: token('--soft') },
          },
        },
        plugins: {
          legend: { align: 'end', labels: { color: token('--ink'), usePointStyle: true, boxHeight: 8 } },
          annotation: {
            annotations:
              this.reference() === null
                ? {}
                : {
                    reference: {
                      type: 'line',
                      yMin: this.reference(),
                      yMax: this.reference(),
                      borderColor: token('--action'),
                      borderWidth: 1.5,
                      borderDash: [6, 4],
                    },
                  },
          },
        },
      } as never,
    } as never);
  }
}
