import { Component, computed, DestroyRef, effect, ElementRef, inject, input, viewChild } from '@angular/core';
import { addDays, formatDate, FORECAST_WEEKS, type RomUnit } from '@yandle/core';
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
  /** Smoothed lines with their bands, and the range of dates in which the aim may be reached. */
  readonly leftTrend = input<SideTrend | null>(null);
  readonly rightTrend = input<SideTrend | null>(null);
  /** The client's goal, in the unit of the test. */
  readonly goal = input<number | null>(null);
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
      joined: boolean,
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
      // Where a smoothed line is drawn the points are not joined.
      showLine: joined,
      errorBarColor: colour,
      errorBarWhiskerColor: colour,
      errorBarLineWidth: 1.5,
      errorBarWhiskerLineWidth: 1.5,
      errorBarWhiskerSize: 9,
    });
    const level = (name: string, value: number | null, colour: string, dash: number[]) =>
      value === null
        ? {}
        : {
            [name]: { type: 'line', yMin: value, yMax: value, borderColor: colour, borderWidth: 1.5, borderDash: dash },
          };
    const noon = (date: string) => new Date(`${date}T12:00:00`).getTime();
    /** A smoothed line, and its 95 % band between two lines that are not drawn. */
    const smooth = (trend: SideTrend | null, colour: string) => {
      if (!trend) return [];
      const { points } = trend.trend.smooth;
      const line = (key: 'level' | 'low' | 'high', over: object) => ({
        type: 'line',
        label: '',
        data: points.map((p) => ({ x: noon(p.date), y: p[key] })),
        pointRadius: 0,
        borderWidth: 0,
        order: 2,
        ...over,
      });
      return [
        line('low', {}),
        line('high', { fill: '-1', backgroundColor: `${colour}26` }),
        line('level', { borderWidth: 2.5, borderColor: colour, order: 1 }),
      ];
    };
    const forecasts = Object.fromEntries(
      [
        [this.leftTrend(), this.sideless() ? token('--ink') : token('--left-bar')] as const,
        [this.rightTrend(), token('--right-bar')] as const,
      ].flatMap(([t, colour], i) => {
        const f = t?.course.forecast;
        if (!t?.aim || !f) return [];
        const end = f.latest ?? addDays(t.trend.series.at(-1)!.date, FORECAST_WEEKS * 7);
        return [
          [
            `forecast${i}`,
            {
              type: 'line',
              xMin: noon(f.earliest),
              xMax: noon(end),
              yMin: t.aim.value,
              yMax: t.aim.value,
              borderColor: colour,
              borderWidth: 7,
              borderCapStyle: 'round',
            },
          ],
        ];
      }),
    );
    Chart.defaults.font.family = "'Figtree Variable', sans-serif";
    Chart.defaults.font.size = 13;
    this.chart?.destroy();
    this.chart = new Chart(this.canvas().nativeElement, {
      type: 'scatterWithErrorBars',
      data: {
        datasets: this.sideless()
          ? [
              series('Result', this.left(), token('--ink'), true, 0, this.leftTrend() === null),
              ...smooth(this.leftTrend(), token('--ink')),
            ]
          : [
              series('Left', this.left(), token('--left-bar'), true, -6, this.leftTrend() === null),
              series('Right', this.right(), token('--right-bar'), false, 6, this.rightTrend() === null),
              ...smooth(this.leftTrend(), token('--left-bar')),
              ...smooth(this.rightTrend(), token('--right-bar')),
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
          legend: {
            align: 'end',
            labels: {
              color: token('--ink'),
              usePointStyle: true,
              boxHeight: 8,
              filter: (item: { text: string }) => item.text !== '',
            },
          },
          annotation: {
            annotations: {
              ...forecasts,
              ...level('reference', this.reference(), token('--action'), [6, 4]),
              ...level('goal', this.goal(), token('--attention'), [2, 4]),
            },
          },
        },
      } as never,
    } as never);
  }
}
