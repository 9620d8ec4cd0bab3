import {
  amountOf,
  boutDose,
  loadWords,
  loggedBouts,
  unitOf,
  withAmount,
  type BoutUnit,
  type PlannedWeek,
} from '@yandle/core';

/** What a dose glyph draws. One stroke a set; its length is seconds, its warmth the sensation. */
export interface GlyphModel {
  /** Seconds of each set, top to bottom; empty in a week of rest. */
  readonly strokes: readonly number[];
  /** Seconds of the tighter side's extra or longer set; null for none. Drawn as an outline. */
  readonly bonus: number | null;
  /** Parts of a stroke: contract-relax cycles; 1 for an unbroken hold. */
  readonly cycles: number;
  /** Target sensation, 0-10. */
  readonly sensation: number;
  readonly easier: boolean;
  /** Load in words: "2.5 kg"; null for none. */
  readonly load: string | null;
  /** Help: 0 none, 1 light, 2 full. */
  readonly help: number;
  /** Seconds rolled before, and repetitions of activation after; null for none. */
  readonly roll: number | null;
  readonly activate: number | null;
}

const MOST_CYCLES = 6;

/** The glyph of a planned week. */
export function glyphOf(week: PlannedWeek): GlyphModel {
  const p = week.prescription;
  const rest = week.kind === 'rest';
  // A technique that stretches nothing is drawn by its own amount, so that it can be seen.
  const seconds = boutDose(p) > 0 ? boutDose(p) : amountOf(p);
  const longer = p.bonus && p.bonus.more > 0 ? boutDose(withAmount(p, amountOf(p) + p.bonus.more)) : seconds;
  const beside = (unit: BoutUnit) => week.beforeAndAfter.find((e) => unitOf(e.technique) === unit) ?? null;
  const roll = beside('seconds');
  const activate = beside('repetitions');
  return {
    strokes: rest ? [] : Array.from({ length: p.sets }, () => seconds),
    bonus: rest || !p.bonus ? null : longer,
    cycles: Math.min(MOST_CYCLES, loggedBouts(p)),
    sensation: p.sensation,
    easier: week.kind === 'easier',
    load: rest ? null : loadWords(p) || null,
    help: rest ? 0 : (p.assistance ?? 0),
    roll: roll ? amountOf(roll) : null,
    activate: activate ? amountOf(activate) : null,
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
