import type { BoutUnit } from '../technique/shape.js';
import type { Bout } from '../technique/prescription.js';
import type { Cue } from '../session/cue.js';
import { CUE_HEADLINE } from './cue.js';
import { supportWords } from './prescription.js';

/** Where a cue stands: its set, the repetition within it, and the round where there are several. */
export interface SetPlace {
  readonly set: number;
  readonly sets: number;
  /** 1-based repetition or breath on this side, and how many; null where nothing is repeated. */
  readonly repetition: { readonly at: number; readonly of: number; readonly unit: BoutUnit } | null;
  /** 1-based round; null where there is one only. */
  readonly round: number | null;
}

/** "rep 3 of 8 · set 1 of 2 · round 2" */
export function setPlaceWords(p: SetPlace): string {
  const r = p.repetition;
  return [
    ...(r ? [`${r.unit === 'breaths' ? 'breath' : 'rep'} ${r.at} of ${r.of}`] : []),
    `set ${p.set} of ${p.sets}`,
    ...(p.round === null ? [] : [`round ${p.round}`]),
  ].join(' · ');
}

/** What comes after the running cue; null after the last. */
export function nextCueWords(next: Pick<Cue, 'kind' | 'side' | 'seconds'> | null, exerciseName: string): string {
  if (!next) return 'Last one';
  if (next.kind === 'position') return `Next: ${exerciseName}`;
  if (next.kind === 'switch') return `Next: ${next.side} side`;
  if (next.kind === 'rest') return `Next: rest ${next.seconds} s`;
  return `Next: ${CUE_HEADLINE[next.kind].toLowerCase()} ${next.seconds} s${next.side ? `, ${next.side}` : ''}`;
}

/** The load in use: "10 kg, light help", or "bodyweight". */
export function usedLoadWords(b: Pick<Bout, 'load' | 'loadUnit' | 'assistance'>): string {
  const words = supportWords(b);
  return b.load ? words : ['bodyweight', words].filter((w) => w !== '').join(', ');
}
