import { percentOf } from '../math/rounding.js';
import { type MuscleGroupId } from '../anatomy/muscle-group.js';
import { volume } from '../dose/dose.js';
import type { PlainDate } from '../schedule/plain-date.js';
import type { FindStyle } from '../styles/index.js';
import { BLOCK_BOUNDS } from './bounds.js';
import { chooseExercises, type AllowedExercises } from './exercise-choice/choose-exercises.js';
import { newLane, placed, type BlockDraft, type LaneDraft } from './draft.js';
import type { DayPlan } from './day-plan/day-plan.js';
import type { ClientPlace } from '../screening/place.js';
import { firstStep, stepAt } from './progression/start.js';
import type { PlanClient } from './limits.js';
import { LaneStyles } from './week/lane-styles.js';
import type { LaterStyle, LockedCell } from './plan.js';
import { scaleTo } from './progression/scale.js';

/** A lane of a template: no client, no exercise, no side. */
export interface TemplateLane {
  readonly group: MuscleGroupId;
  readonly styleId: string;
  readonly laterStyles: readonly LaterStyle[];
  readonly fromWeek: number;
  readonly untilWeek: number | null;
  /** Cells set by hand, as they were for the first client. */
  readonly cells: readonly LockedCell[];
  /** Weekly seconds a side of the first week where it was made; the measure for scaling the cells. */
  readonly firstDose: number | null;
}

/** A block without a client. */
export interface BlockTemplate {
  readonly id: string;
  readonly name: string;
  /** For whom, and what it is good for. */
  readonly summary: string;
  readonly weeks: number;
  readonly ramp: number;
  readonly easierEvery: number | null;
  readonly easierWeeks: readonly number[] | null;
  readonly lanesPerSession: number;
  readonly lanes: readonly TemplateLane[];
}

/** A template of a coach's own: all but the id, which is its row's. */
export type TemplateDefinition = Omit<BlockTemplate, 'id'>;

/** What of a block goes into a template: nothing that tells of the client. */
export function templateOf(
  draft: BlockDraft,
  name: string,
  summary: string,
  firstDose: (lane: number) => number | null,
): TemplateDefinition {
  return {
    name,
    summary,
    weeks: draft.weeks,
    ramp: draft.ramp,
    easierEvery: draft.easierEvery,
    easierWeeks: draft.easierWeeks,
    lanesPerSession: draft.lanesPerSession,
    lanes: draft.lanes.map((l, i) => ({
      group: l.group,
      styleId: l.styleId,
      laterStyles: l.laterStyles,
      fromWeek: l.fromWeek,
      untilWeek: l.untilWeek,
      firstDose: firstDose(i),
      cells: l.locked.map((k) => {
        const { bonus: _, load: __, ...rest } = k.prescription;
        return { week: k.week, prescription: k.prescription.load === undefined ? rest : { ...rest, load: 0 } };
      }),
    })),
  };
}

/** What of a template could not be taken over for a client. */
export type TemplateNote =
  | { readonly code: 'caution' | 'no-exercise'; readonly args: { readonly group: MuscleGroupId } }
  | { readonly code: 'scaled'; readonly args: { readonly group: MuscleGroupId; readonly percent: number } };

/** For whom a template is made into a block. */
export interface TemplateUse {
  readonly startDate: PlainDate;
  readonly client: PlanClient;
  readonly dayPlans: readonly DayPlan[];
  readonly places: readonly ClientPlace[];
  readonly findStyle: FindStyle;
  readonly allowed: AllowedExercises;
  /** Weekly seconds a side that the client is used to; null when nothing is known. */
  readonly startingDose: (group: MuscleGroupId) => number | null;
  readonly newId: () => string;
}

/** A cell set by hand, made smaller for a client who begins with less; never made bigger. */
function scaled(cell: LockedCell, ratio: number, days: number, amountMin: number, stepSize: number): LockedCell {
  const p = { ...cell.prescription, sessionsPerWeek: Math.min(cell.prescription.sessionsPerWeek, days) };
  return { week: cell.week, prescription: ratio < 1 ? scaleTo(p, volume(p) * ratio, amountMin, stepSize) : p };
}

/** A template made for a client, and what of it could not be taken over. */
export interface AppliedTemplate {
  readonly draft: BlockDraft;
  readonly notes: readonly TemplateNote[];
}

/**
 * A template as a block for a client: begun from the client's startingDose, within days, minutes and cautions, with the client's own exercises.
 * What could not be taken over is said in `notes`.
 * @throws CoreError `unknown-style`
 */
export function applyTemplate(template: BlockTemplate, use: TemplateUse): AppliedTemplate {
  const notes: TemplateNote[] = [];
  const lanes = template.lanes.flatMap((t): LaneDraft[] => {
    const { group } = t;
    if (use.client.cautions?.excludedGroups.includes(t.group)) {
      notes.push({ code: 'caution', args: { group } });
      return [];
    }
    const styles = [t.styleId, ...t.laterStyles.map((s) => s.styleId)].map(use.findStyle);
    const plans = placed(use.dayPlans, use.places);
    const exercises = chooseExercises(t.group, styles, use.allowed, use.client.experience, [], plans);
    const style = styles[0]!;
    const lane = new LaneStyles({ group, styleId: t.styleId }, { ...template, client: use.client, dayPlans: plans });
    const made = exercises.length === 0 ? null : lane.progressionOf(style, 0);
    if (made === null) {
      notes.push({ code: 'no-exercise', args: { group } });
      return [];
    }
    const { progression } = made;
    const { limits, phase } = progression;
    const startingDose = use.startingDose(t.group);
    const first = volume((startingDose ? stepAt(progression, startingDose) : firstStep(progression)).prescription);
    const ratio = t.firstDose && t.firstDose > 0 ? first / t.firstDose : 1;
    if (ratio < 1 && t.cells.length > 0) notes.push({ code: 'scaled', args: { group, percent: percentOf(ratio, 1) } });
    return [
      {
        ...newLane(use.newId(), t.group, t.styleId, exercises),
        laterStyles: t.laterStyles,
        fromWeek: t.fromWeek,
        untilWeek: t.untilWeek,
        startingDose,
        locked: t.cells.map((c) =>
          scaled(c, ratio, lane.daysOf(phase.technique).length, limits.amountMin, phase.stepSize),
        ),
      },
    ];
  });
  return {
    draft: {
      startDate: use.startDate,
      weeks: template.weeks,
      ramp: template.ramp,
      easierEvery: template.easierEvery,
      easierWeeks: template.easierWeeks,
      missedWeeks: [],
      away: [],
      lanesPerSession: template.lanesPerSession,
      dayPlans: use.dayPlans,
      smallestPlate: null,
      lanes: lanes.slice(0, BLOCK_BOUNDS.lanes.max),
    },
    notes,
  };
}
