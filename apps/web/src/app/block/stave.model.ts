import {
  bonusWords,
  type CellPlace,
  type CellRange,
  muscleGroupName,
  type PlannedWeek,
  prescriptionWords,
  techniqueShort,
  type Violation,
  weekWords,
} from '@yandle/core';
import { glyphOf, type GlyphModel } from '../ui/glyph/glyph.model';

/** A lane as the stave draws it. */
export interface StaveLane {
  readonly id: string;
  readonly group: Parameters<typeof muscleGroupName>[0];
  readonly styleName: string;
  readonly weeks: readonly PlannedWeek[];
  /** The same lane in the plan that is laid over, to look at; null for none. */
  readonly other: readonly PlannedWeek[] | null;
  /** Weeks that differ between two states that are compared. */
  readonly marked?: readonly number[];
}

/** A selection: a cell, and the range around it. */
export interface Selection {
  readonly head: CellPlace;
  readonly range: CellRange;
}

/** What a key on the stave asks for. */
export type StaveCommand =
  | { readonly kind: 'turn'; readonly clicks: number }
  | { readonly kind: 'copy' | 'paste' | 'fill' | 'lock' | 'unlock' | 'undo' | 'redo' }
  | { readonly kind: 'move-lane'; readonly from: number; readonly to: number };

/** A cell, ready to be drawn. */
export interface StaveCellView {
  readonly week: number;
  readonly kind: PlannedWeek['kind'];
  readonly glyph: GlyphModel;
  readonly figure: string;
  /** Said once where the technique changes; empty elsewhere. */
  readonly technique: string;
  readonly locked: boolean;
  readonly past: boolean;
  /** Dose in the plan that is laid over, when it differs. */
  readonly other: string | null;
  readonly otherUp: boolean;
  readonly marked: boolean;
  readonly stops: number;
  readonly warnings: number;
  readonly spoken: string;
  readonly reason: string;
}

function cellFigure(w: PlannedWeek): string {
  if (w.kind === 'rest') return 'rest';
  if (w.dose > 0) return `${w.dose} s`;
  return `${w.prescription.sets * w.prescription.sessionsPerWeek} sets`;
}

/** The cells of a lane. */
export function cellViews(
  lane: StaveLane,
  place: number,
  fromWeek: number,
  violations: readonly Violation[],
): StaveCellView[] {
  const name = muscleGroupName(lane.group);
  return lane.weeks.map((w, i): StaveCellView => {
    const before = lane.weeks[i - 1];
    const at = violations.filter((v) => v.lane === place && v.week === w.week);
    const changes =
      w.kind !== 'rest' && before !== undefined && before.prescription.technique !== w.prescription.technique;
    const other = lane.other?.[i];
    const differs = other !== undefined && cellFigure(other) !== cellFigure(w);
    const bonus = bonusWords(w.prescription);
    const said = [
      `${name}, week ${w.week}${w.kind === 'easier' ? ', easier' : ''}: ${prescriptionWords(w.prescription)}`,
      ...(w.kind === 'rest' ? [] : [`sensation ${w.prescription.sensation}`, `${w.dose} s per side in the week`]),
      ...(bonus ? [bonus] : []),
      ...(w.locked ? ['set by you'] : []),
      ...(at.length > 0 ? [`${at.length} ${at.length === 1 ? 'rule' : 'rules'} broken`] : []),
      ...(lane.marked?.includes(w.week) ? ['differs from the other version'] : []),
      ...(differs ? [`would be ${cellFigure(other)}`] : []),
    ];
    return {
      week: w.week,
      kind: w.kind,
      glyph: glyphOf(w),
      figure: cellFigure(w),
      technique: changes ? techniqueShort(w.prescription.technique) : '',
      locked: w.locked,
      past: w.week < fromWeek,
      other: differs ? cellFigure(other) : null,
      otherUp: (other?.dose ?? 0) > w.dose,
      marked: lane.marked?.includes(w.week) ?? false,
      stops: at.filter((v) => v.severity === 'stop').length,
      warnings: at.filter((v) => v.severity === 'warning').length,
      spoken: said.join(', '),
      reason: weekWords(w, lane),
    };
  });
}

/** True when a cell lies in a range. */
export function inRange(range: CellRange, lane: number, week: number): boolean {
  return lane >= range.fromLane && lane <= range.toLane && week >= range.fromWeek && week <= range.toWeek;
}

/** A kind of session under the stave: how long its longest is in each week. Seconds; index 0 is week 1. */
export interface DayPlanMinutes {
  readonly id: string;
  readonly name: string;
  /** Days, minutes and purpose in words. */
  readonly line: string;
  /** Null for no limit. */
  readonly budgetSeconds: number | null;
  readonly longest: readonly number[];
}
