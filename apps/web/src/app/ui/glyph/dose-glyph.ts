import { Component, computed, input } from '@angular/core';
import { sensationColour, type GlyphModel } from './glyph.model';

const STROKE = 6;
const FOOT = 12;

/**
 * One cell of the stave. A stroke is a set, its length the seconds on the printed scale, its warmth the sensation target; gaps are
 * contract-relax cycles; an outlined stroke is the tighter side's extra set; load, help, rolling and activation stand below the strokes,
 * never over them.
 */
@Component({
  selector: 'y-dose-glyph',
  host: { class: 'block', 'aria-hidden': 'true' },
  template: `
    <svg
      [attr.width]="width()"
      [attr.height]="height()"
      [attr.viewBox]="'0 0 ' + width() + ' ' + height()"
      [style.opacity]="model().easier ? 0.65 : 1"
    >
      @for (part of parts(); track $index) {
        <rect
          [attr.x]="part.x"
          [attr.y]="part.y"
          [attr.width]="part.w"
          [attr.height]="part.outline ? 5 : 6"
          rx="2.6"
          [style.fill]="part.outline ? 'none' : colour()"
          [style.stroke]="part.outline ? colour() : 'none'"
          stroke-width="1.4"
        />
      }
      @if (model().load; as load) {
        <path [attr.d]="weight()" fill="var(--ink)" />
        <text x="14" [attr.y]="foot() + 10" font-size="10" font-weight="600" fill="var(--ink)">{{ load }}</text>
      }
      @if (model().help > 0) {
        <line
          x1="0"
          [attr.x2]="model().help > 1 ? width() : width() / 2"
          [attr.y1]="height() - 2"
          [attr.y2]="height() - 2"
          stroke="var(--ink)"
          stroke-width="1.8"
          stroke-dasharray="2 3"
        />
      }
      @if (model().roll; as roll) {
        <circle cx="4" [attr.cy]="foot() + 6.5" r="3" fill="none" stroke="var(--ink)" stroke-width="1.4" />
        <text x="10" [attr.y]="foot() + 10" font-size="10" fill="var(--ink)">{{ roll }}</text>
      }
      @if (model().activate; as reps) {
        <path [attr.d]="triangle()" fill="var(--ink)" />
        <text [attr.x]="activateAt() + 10" [attr.y]="foot() + 10" font-size="10" fill="var(--ink)">{{ reps }}</text>
      }
    </svg>
  `,
})
export class DoseGlyph {
  readonly model = input.required<GlyphModel>();
  /** Seconds that fill the whole width: the printed scale, the same for all cells of a stave. */
  readonly fullScale = input(60);

  /** Pixels of that width. */
  readonly width = input(52);

  protected readonly colour = computed(() => sensationColour(this.model().sensation));
  private readonly rows = computed(() => this.model().strokes.length + (this.model().bonus === null ? 0 : 1));
  /** Many sets stand closer. */
  private readonly step = computed(() => (this.rows() > 3 ? 8 : 10));
  /** Top of what stands below the strokes. */
  protected readonly foot = computed(() => this.rows() * this.step() - (this.step() - STROKE) + 1);
  protected readonly height = computed(() => {
    const m = this.model();
    const written = m.load !== null || m.roll !== null || m.activate !== null;
    return Math.max(1, this.foot() + (written ? FOOT : 0) + (m.help > 0 ? 5 : 0));
  });

  protected readonly weight = computed(() => `M3 ${this.foot() + 2} h4 v2 h2 l1 7 h-10 l1 -7 h2 z`);
  protected readonly activateAt = computed(() => (this.model().roll === null ? 0 : 24));
  protected readonly triangle = computed(() => `M${this.activateAt()} ${this.foot() + 10} l4 -7 l4 7 z`);

  protected readonly parts = computed(() => {
    const m = this.model();
    const length = (seconds: number) =>
      Math.max(3, Math.min(this.width(), (seconds / this.fullScale()) * this.width()));
    const out: { x: number; y: number; w: number; outline: boolean }[] = [];
    m.strokes.forEach((seconds, i) => {
      const gap = m.cycles > 1 ? 2 : 0;
      const w = (length(seconds) - gap * (m.cycles - 1)) / m.cycles;
      for (let c = 0; c < m.cycles; c++) out.push({ x: c * (w + gap), y: i * this.step(), w, outline: false });
    });
    if (m.bonus !== null)
      out.push({ x: 0.7, y: m.strokes.length * this.step() + 0.5, w: length(m.bonus) - 1.4, outline: true });
    return out;
  });
}
