import { addDays, FORECAST_WEEKS, shownReading, unitSuffix, type RomUnit } from '@yandle/core';
import type { ChartConfiguration, ChartDataset } from 'chart.js';
import type { AnnotationOptions } from 'chartjs-plugin-annotation';
import type { SideTrend } from './side-trend';

/** One result on the chart. Value and half-width of the whisker in the unit of the test. */
export interface HistoryPoint {
  readonly date: string;
  readonly value: number;
  readonly half: number;
}

/** Results of a side with their trend. */
export interface HistorySide {
  readonly label: string;
  readonly points: readonly HistoryPoint[];
  readonly trend: SideTrend | null;
  readonly colour: string;
  /** Drawn as filled dots, else as rings. */
  readonly filled: boolean;
  /** Hours by which it stands beside its date, so that the whiskers of two sides can be told apart. */
  readonly shift: number;
}

/** What is drawn, in the unit of the test. */
export interface History {
  readonly unit: RomUnit;
  readonly lessIsBetter: boolean;
  readonly sides: readonly HistorySide[];
  readonly reference: number | null;
  readonly goal: number | null;
}

type Kinds = 'scatterWithErrorBars' | 'line';
type Colours = (token: string) => string;
/** A value of the test as it is shown. */
type Shown = (value: number) => number;

const HOUR_MS = 3_600_000;
const noon = (date: string): number => new Date(`${date}T12:00:00`).getTime();

function dots(
  { label, points, trend, colour, filled, shift }: HistorySide,
  of: Colours,
  shown: Shown,
): ChartDataset<Kinds> {
  return {
    type: 'scatterWithErrorBars',
    label,
    data: points.map((p) => ({
      x: noon(p.date) + shift * HOUR_MS,
      y: shown(p.value),
      yMin: shown(p.value - p.half),
      yMax: shown(p.value + p.half),
    })),
    borderColor: colour,
    backgroundColor: filled ? colour : of('--sheet'),
    pointRadius: 6,
    pointHoverRadius: 7,
    borderWidth: 2,
    pointBorderWidth: 2.5,
    // Where a smoothed line is drawn the points are not joined.
    showLine: trend === null,
    errorBarColor: colour,
    errorBarWhiskerColor: colour,
    errorBarLineWidth: 1.5,
    errorBarWhiskerLineWidth: 1.5,
    errorBarWhiskerSize: 9,
  };
}

/** A smoothed line, and its 95% band between two lines that are not drawn. */
function smooth({ trend, colour }: HistorySide, shown: Shown): ChartDataset<Kinds>[] {
  if (!trend) return [];
  const points = trend.trend.smooth;
  const line = (key: 'level' | 'low' | 'high', over: Partial<ChartDataset<'line'>>): ChartDataset<Kinds> => ({
    type: 'line',
    label: '',
    data: points.map((p) => ({ x: noon(p.date), y: shown(p[key]) })),
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
}

/** How long the arrow of an open forecast is drawn: long enough to be seen, without pushing the results together. */
const ARROW_DAYS = 14;

/** When the goal may be reached, at its height: a thick bar between two days, an arrow from a day on. */
function forecast({ trend, colour }: HistorySide, shown: Shown): AnnotationOptions[] {
  const f = trend?.course.forecast;
  if (!trend?.aim || !f) return [];
  // Nothing to point at where even the first day lies at the far end of all forecasts.
  if (f.latest === null && f.earliest >= addDays(trend.trend.series.at(-1)!.date, FORECAST_WEEKS * 7)) return [];
  const end = f.latest ?? addDays(f.earliest, ARROW_DAYS);
  return [
    {
      type: 'line',
      xMin: noon(f.earliest),
      xMax: noon(end),
      yMin: shown(trend.aim.value),
      yMax: shown(trend.aim.value),
      borderColor: colour,
      borderWidth: f.latest === null ? 3 : 7,
      ...(f.latest === null
        ? { arrowHeads: { end: { display: true, length: 10, width: 7, fill: true, backgroundColor: colour } } }
        : {}),
    },
  ];
}

function level(value: number | null, colour: string, dash: number[]): AnnotationOptions[] {
  return value === null
    ? []
    : [{ type: 'line', yMin: value, yMax: value, borderColor: colour, borderWidth: 1.5, borderDash: dash }];
}

/** Results over time with error whiskers. Freer is always up: the scale is turned where fewer is better. @param of colour of a token */
export function historyConfig(h: History, of: Colours): ChartConfiguration<Kinds> {
  const shown: Shown = (value) => shownReading(value, h.unit);
  const inUnit = (value: number | null) => (value === null ? null : shown(value));
  return {
    type: 'scatterWithErrorBars',
    data: { datasets: [...h.sides.map((s) => dots(s, of, shown)), ...h.sides.flatMap((s) => smooth(s, shown))] },
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
          ticks: { color: of('--soft'), maxTicksLimit: 7 },
        },
        y: {
          reverse: h.lessIsBetter,
          grid: { color: of('--line') },
          ticks: { color: of('--soft'), callback: (v) => `${v}${unitSuffix(h.unit)}` },
          title: { display: true, text: 'freer ↑', color: of('--soft') },
        },
      },
      plugins: {
        legend: {
          align: 'end',
          labels: { color: of('--ink'), usePointStyle: true, boxHeight: 8, filter: (item) => item.text !== '' },
        },
        annotation: {
          annotations: [
            ...h.sides.flatMap((s) => forecast(s, shown)),
            ...level(inUnit(h.reference), of('--action'), [6, 4]),
            ...level(inUnit(h.goal), of('--attention'), [2, 4]),
          ],
        },
      },
    },
  };
}
