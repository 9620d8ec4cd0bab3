import type { Side } from '../anatomy/side.js';
import type { Cue } from './cue.js';
import type { Timeline } from './timeline.js';

/** A set as it was logged. One that was corrected names what replaced it. */
export interface LoggedSet {
  readonly item: number;
  /** Null for both sides at once. */
  readonly side: Side | null;
  readonly doneSeconds: number;
  readonly replacedBy: string | null;
}

/** The sets that count: a corrected one keeps its value in the record, and counts no more. */
export function currentSets<S extends Pick<LoggedSet, 'replacedBy'>>(sets: readonly S[]): S[] {
  return sets.filter((s) => s.replacedBy === null);
}

/**
 * Seconds done in the sets that count: of a whole session, or of one item on one side, where a set of both sides counts for each.
 * @example secondsDone([{ item: 0, side: 'left', doneSeconds: 30, replacedBy: null }, { item: 0, side: null, doneSeconds: 20, replacedBy: null }], { item: 0, side: 'left' }) // 50
 */
export function secondsDone(
  sets: readonly LoggedSet[],
  of: { readonly item: number; readonly side: Side } | null = null,
): number {
  return currentSets(sets)
    .filter((s) => of === null || (s.item === of.item && (s.side === of.side || s.side === null)))
    .reduce((sum, s) => sum + s.doneSeconds, 0);
}

/** Seconds that the bout of a cue is planned for, the stages of a staged hold together. */
export function plannedBoutSeconds(timeline: Timeline, cue: Cue): number {
  return timeline.cues
    .filter((c) => c.item === cue.item && c.side === cue.side && c.bout === cue.bout)
    .reduce((sum, c) => sum + c.counts, 0);
}
