import type { Session, SetLog } from '@yandle/contract';
import {
  SIDES,
  type Cue,
  type Exercise,
  type Side,
  type Timeline,
  currentSets,
  plannedBoutSeconds,
  loadWords,
  loggedBouts,
  partsOf,
  techniqueShort,
  type SessionItem,
  formatReading,
} from '@yandle/core';

/** One bout as it can be written down. */
export interface LogCell {
  readonly set: number;
  /** Which part of a set it is, in a word or two; empty where a set is one bout. */
  readonly part: string;
  readonly planned: number;
  /** The log that stands; null when nothing was written. */
  readonly log: SetLog | null;
}

/** The bouts of one exercise on one side. */
export interface LogRow {
  readonly item: number;
  readonly side: Side | null;
  readonly exercise: Exercise;
  readonly cells: readonly LogCell[];
}

/** Cues that write a bout of an item on a side; where the sides take turns both are written by one. */
function cuesOf(timeline: Timeline, item: number, side: Side | null): Cue[] {
  return timeline.cues.filter((c) => c.item === item && c.ends && (c.side === side || c.alternatesFrom !== null));
}

/** What each bout of one set is called. */
function boutLabels(item: SessionItem, exercise: Exercise): readonly string[] {
  return partsOf(item, exercise).flatMap(({ bout, name }) =>
    Array.from({ length: loggedBouts(bout) }, () => name ?? techniqueShort(bout.technique)),
  );
}

/** Every bout of a session, by exercise and side, with what stands written of it. */
export function logRows(session: Session, timeline: Timeline, find: (id: string) => Exercise): LogRow[] {
  const current = currentSets(session.run?.sets ?? []);
  return session.items.flatMap((item, place) => {
    const exercise = find(item.exerciseId);
    const middle = item.middle ? [null] : [];
    const sides: readonly (Side | null)[] = exercise.sides === 'each' ? [...SIDES, ...middle] : [null];
    const parts = boutLabels(item, exercise);
    return sides.map((side) => ({
      item: place,
      side,
      exercise,
      cells: cuesOf(timeline, place, side).map((c) => ({
        set: c.bout!,
        part: parts.length > 1 ? parts[(c.bout! - 1) % parts.length]! : '',
        planned: plannedBoutSeconds(timeline, c),
        log: current.find((s) => s.item === place && s.side === side && s.set === c.bout) ?? null,
      })),
    }));
  });
}

/** What was said of a set beyond its seconds, in words; empty for nothing. */
export function saidOf(log: SetLog, find: (id: string) => Exercise): string {
  const parts = [
    log.form ? `as ${find(log.form).name}` : '',
    log.reps != null ? `${log.reps} repetitions` : '',
    (log.pieces ?? 1) > 1 ? `in ${log.pieces} pieces` : '',
    log.load != null ? loadWords({ load: log.load, loadUnit: log.loadUnit ?? 'kg' }) : '',
    log.assistance != null ? ['no help', 'light help', 'full help'][log.assistance]! : '',
    log.depthCm != null ? `depth ${formatReading(log.depthCm, 'cm')}` : '',
    log.sensation != null ? `sensation ${log.sensation}` : '',
  ];
  return parts.filter((p) => p !== '').join(', ');
}
