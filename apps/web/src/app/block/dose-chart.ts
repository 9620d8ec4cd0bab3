import { Component, computed, DestroyRef, effect, ElementRef, inject, input, viewChild } from '@angular/core';
import { FAVOURED_WEEKLY_SECONDS, FLATTENING_WEEKLY_SECONDS, muscleGroupName, type MuscleGroupId } from '@yandle/core';
import {
  Chart,
  Legend,
  LinearScale,
  CategoryScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
} from 'chart.js';
import annotationPlugin from 'chartjs-plugin-annotation';
import { ThemeService } from '../data/theme.service';

Chart.register(
  LineController,
  LineElement,
  PointElement,
  LinearScale,
  CategoryScale,
  Tooltip,
  Legend,
  annotationPlugin,
);

/** Weekly seconds of a group by side, shares of other stretches included; index 0 is week 1. */
export interface DoseLine {
  readonly group: MuscleGroupId;
  readonly left: readonly number[];
  readonly right: readonly number[];
}

/** Six strokes that differ in colour and in dash, so that neither has to be seen. */
const LOOK = [
  { colour: '--action', dash: [] },
  { colour: '--sense-6', dash: [6, 3] },
  { colour: '--left', dash: [2, 3] },
  { colour: '--right', dash: [9, 3, 2, 3] },
  { colour: '--soft', dash: [4, 2] },
  { colour: '--ink', dash: [1, 2] },
] as const;

/** The weekly amount of each group, left and right where they differ, against what the reviews favour. Numbers in a table below. */
@Component({
  selector: 'y-dose-chart',
  template: `
    <div class="relative h-56"><canvas #canvas role="img" [attr.aria-label]="label()"></canvas></div>
    <details class="mt-1 text-sm">
      <summary class="font-semibold">The numbers</summary>
      <div class="overflow-x-auto" tabindex="0" role="region" aria-label="The weekly dose in numbers">
        <table class="data-table">
          <thead>
            <tr>
              <th scope="col">Seconds per side</th>
              @for (w of weeks(); track w) {
                <th scope="col" class="!text-right">{{ w }}</th>
              }
            </tr>
          </thead>
          <tbody>
            @for (row of rows(); track row.name) {
              <tr>
                <th scope="row" class="!font-normal !text-ink">{{ row.name }}</th>
                @for (v of row.values; track $index) {
                  <td class="text-right">{{ v }}</td>
                }
              </tr>
            }
          </tbody>
        </table>
      </div>
    </details>
  `,
})
export class DoseChart {
  readonly lines = input.required<readonly DoseLine[]>();
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  private readonly theme = inject(ThemeService);
  private chart: Chart | null = null;

  protected readonly weeks = computed(() => this.lines()[0]?.left.map((_, i) => i + 1) ?? []);
  protected readonly rows = computed(() =>
    this.lines().flatMap((l) => {
      const name = muscleGroupName(l.group);
      return l.left.every((v, i) => v === l.right[i])
        ? [{ name: `${name}, each side`, values: l.left }]
        : [
            { name: `${name}, left`, values: l.left },
            { name: `${name}, right`, values: l.right },
          ];
    }),
  );
  protected readonly label = computed(
    () =>
      `Weekly dose by week, seconds per side: ${this.rows()
        .map((r) => `${r.name} ${r.values.join(', ')}`)
        .join('; ')}. The table below has the same numbers.`,
  );

  constructor() {
    effect(() => {
      this.theme.theme();
      this.draw();
    });
    inject(DestroyRef).onDestroy(() => this.chart?.destroy());
  }

  private draw(): void {
    const style = getComputedStyle(document.documentElement);
    const token = (name: string) => style.getPropertyValue(name).trim();
    const rows = this.rows();
    const line = (at: number, text: string) => ({
      type: 'line' as const,
      yMin: at,
      yMax: at,
      borderColor: token('--edge'),
      borderWidth: 1.2,
      borderDash: [4, 4],
      label: {
        display: true,
        content: text,
        position: 'start' as const,
        backgroundColor: 'transparent',
        yAdjust: -9,
        color: token('--soft'),
        font: { size: 11 },
        padding: 2,
      },
    });
    this.chart?.destroy();
    this.chart = new Chart(this.canvas().nativeElement, {
      type: 'line',
      data: {
        labels: this.weeks().map((w) => `${w}`),
        datasets: rows.map((r, i) => {
          const look = LOOK[i % LOOK.length]!;
          return {
            label: r.name,
            data: [...r.values],
            borderColor: token(look.colour),
            backgroundColor: token(look.colour),
            borderDash: [...look.dash],
            borderWidth: 2,
            pointRadius: 3,
            tension: 0,
          };
        }),
      },
      options: {
        animation: false,
        maintainAspectRatio: false,
        scales: {
          x: {
            title: { display: true, text: 'week', color: token('--soft') },
            ticks: { color: token('--soft') },
            grid: { display: false },
          },
          y: {
            beginAtZero: true,
            suggestedMax: FLATTENING_WEEKLY_SECONDS + 60,
            title: { display: true, text: 'seconds per side', color: token('--soft') },
            ticks: { color: token('--soft') },
            grid: { color: token('--line') },
          },
        },
        plugins: {
          legend: { position: 'right', labels: { color: token('--ink'), boxWidth: 26, boxHeight: 1 } },
          annotation: {
            annotations: {
              favoured: line(FAVOURED_WEEKLY_SECONDS, 'recommended from here (Thomas 2018)'),
              flat: line(FLATTENING_WEEKLY_SECONDS, 'gains flatten (Ingram 2025)'),
            },
          },
        },
      },
    });
  }
}
