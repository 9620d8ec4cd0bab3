import type { PlannedWeek } from '@yandle/core';

/** What a dose glyph draws. One stroke a set; its length is seconds, its warmth the sensation. */
export interface GlyphModel {
  /** Seconds of each set, top to bottom. */
  readonly strokes: readonly number[];
  /** Seconds of the extra set of the tighter side; null for none. Drawn as an outline. */
  readonly bonus: number | null;
  /** Parts of a stroke: contract-relax cycles; 1 for an unbroken hold. */
  readonly cycles: number;
  /** Target sensation, 0-10. */
  readonly sensation: number;
  readonly easier: boolean;
  /** Load in kilograms; null for none. */
  readonly loadKg: number | null;
  readonly assisted: boolean;
}

/** The glyph of a planned week. */
export function glyphOf(week: PlannedWeek): GlyphModel {
  const p = week.prescription;
  return {
    strokes: Array.from({ length: p.sets }, () => p.holdSeconds),
    bonus: null,
    cycles: 1,
    sensation: p.sensation,
    easier: week.kind === 'easier',
    loadKg: null,
    assisted: false,
  };
}

/** Token of the sensation ramp, sand to brick. */
export function sensationColour(sensation: number): string {
  return `var(--sense-${Math.min(6, Math.max(3, Math.round(sensation)))})`;
}

/** The printed scale of a stave: the longest set, rounded up to a half minute. */
export function fullScaleFor(models: readonly GlyphModel[]): number {
  const longest = Math.max(30, ...models.flatMap((m) => [...m.strokes, m.bonus ?? 0]));
  return Math.ceil(longest / 30) * 30;
}
