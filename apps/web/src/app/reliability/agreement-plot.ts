import { Component, computed, input } from '@angular/core';
import { formatNumber, type BlandAltman } from '@yandle/core';

const BOX = { width: 460, height: 250, left: 52, right: 96, top: 14, bottom: 40 };

/** Mean of the two measurements against their difference, with bias, limits and their intervals. */
@Component({
  selector: 'y-agreement-plot',
  template: `
    <svg
      [attr.viewBox]="'0 0 ' + box.width + ' ' + box.height"
      class="block w-full"
      role="img"
      [attr.aria-label]="label()"
    >
      @for (b of bands(); track b.name) {
        <rect
          [attr.x]="box.left"
          [attr.y]="b.y"
          [attr.width]="plotWidth"
          [attr.height]="b.height"
          [attr.fill]="b.fill"
          opacity="0.45"
        />
        <line
          [attr.x1]="box.left"
          [attr.x2]="box.left + plotWidth"
          [attr.y1]="b.line"
          [attr.y2]="b.line"
          stroke="var(--ink)"
          stroke-width="1.3"
          [attr.stroke-dasharray]="b.name === 'bias' ? null : '6 4'"
        />
        <text [attr.x]="box.left + plotWidth + 6" [attr.y]="b.line + 4" font-size="12" fill="var(--ink)">
          {{ b.text }}
        </text>
      }
      @for (t of ticks(); track t.y) {
        <text [attr.x]="box.left - 7" [attr.y]="t.y + 4" font-size="12" text-anchor="end" fill="var(--soft)">
          {{ t.text }}
        </text>
      }
      @for (t of xTicks(); track t.x) {
        <text [attr.x]="t.x" [attr.y]="box.height - 22" font-size="12" text-anchor="middle" fill="var(--soft)">
          {{ t.text }}
        </text>
      }
      @for (p of dots(); track $index) {
        <circle [attr.cx]="p.x" [attr.cy]="p.y" r="5" fill="var(--left-bar)" stroke="var(--sheet)" stroke-width="1.5" />
      }
      <text
        [attr.x]="box.left + plotWidth / 2"
        [attr.y]="box.height - 4"
        font-size="12"
        text-anchor="middle"
        fill="var(--soft)"
      >
        mean of the two ({{ unit() }})
      </text>
      <text
        transform="rotate(-90)"
        [attr.x]="-box.height / 2 + 12"
        y="13"
        font-size="12"
        text-anchor="middle"
        fill="var(--soft)"
      >
        first − second ({{ unit() }})
      </text>
    </svg>
  `,
})
export class AgreementPlot {
  readonly data = input.required<BlandAltman>();
  readonly unit = input.required<string>();
  protected readonly box = BOX;
  protected readonly plotWidth = BOX.width - BOX.left - BOX.right;
  private readonly plotHeight = BOX.height - BOX.top - BOX.bottom;

  private readonly range = computed(() => {
    const { points, lower, upper } = this.data();
    const ds = [...points.map((p) => p.difference), lower.low, upper.high];
    const ms = points.map((p) => p.mean);
    const pad = (a: number, b: number) => Math.max((b - a) * 0.06, 0.5);
    const [d0, d1, m0, m1] = [Math.min(...ds), Math.max(...ds), Math.min(...ms), Math.max(...ms)];
    return { d0: d0 - pad(d0, d1), d1: d1 + pad(d0, d1), m0: m0 - pad(m0, m1), m1: m1 + pad(m0, m1) };
  });
  private y(d: number): number {
    const { d0, d1 } = this.range();
    return BOX.top + this.plotHeight * (1 - (d - d0) / (d1 - d0));
  }
  private x(m: number): number {
    const { m0, m1 } = this.range();
    return BOX.left + (this.plotWidth * (m - m0)) / (m1 - m0);
  }
  protected readonly dots = computed(() =>
    this.data().points.map((p) => ({ x: this.x(p.mean), y: this.y(p.difference) })),
  );
  protected readonly bands = computed(() => {
    const { bias, lower, upper } = this.data();
    return (
      [
        ['upper', upper, 'var(--track)', 'upper limit'],
        ['bias', bias, 'var(--minutes)', 'bias'],
        ['lower', lower, 'var(--track)', 'lower limit'],
      ] as const
    ).map(([name, e, fill, words]) => ({
      name,
      fill,
      y: this.y(e.high),
      height: Math.max(1, this.y(e.low) - this.y(e.high)),
      line: this.y(e.value),
      text: `${words} ${formatNumber(e.value)}`,
    }));
  });
  private spread(from: number, to: number): number[] {
    const raw = (to - from) / 5;
    const power = 10 ** Math.floor(Math.log10(raw));
    const step = [1, 2, 5, 10].map((n) => n * power).find((s) => s >= raw)!;
    const out: number[] = [];
    for (let v = Math.ceil(from / step) * step; v <= to; v += step) out.push(Math.round(v * 100) / 100);
    return out;
  }
  protected readonly ticks = computed(() =>
    this.spread(this.range().d0, this.range().d1).map((v) => ({ y: this.y(v), text: formatNumber(v) })),
  );
  protected readonly xTicks = computed(() =>
    this.spread(this.range().m0, this.range().m1).map((v) => ({ x: this.x(v), text: formatNumber(v) })),
  );
  protected readonly label = computed(() => {
    const { n, bias, lower, upper } = this.data();
    return `Agreement of ${n} clients: bias ${formatNumber(bias.value)}, limits ${formatNumber(lower.value)} to ${formatNumber(upper.value)}. The table beside has the numbers.`;
  });
}
