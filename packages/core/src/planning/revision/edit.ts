import { kindOf, type Technique } from '../../technique/catalogue.js';
import { CoreError } from '../../errors.js';
import {
  amountOf,
  amountVariable,
  HIGHEST_TARGET,
  withAmount,
  type Assistance,
  type Prescription,
  type Variable,
  type LoadUnit,
} from '../../technique/prescription.js';
import { weeklyDose } from '../../dose/dose.js';
import { sameData } from '../../math/same-data.js';
import { BLOCK_BOUNDS } from '../bounds.js';
import type { Fix } from '../check/violation.js';
import type { BlockDraft, LaneDraft } from '../draft.js';
import type { DayPlan } from '../day-plan/day-plan.js';
import type { TechniqueExercise } from '../exercise-choice/technique-exercise.js';
import type { BlockPlan, LockedCell } from '../plan.js';
import { easierWeeksOf } from '../weeks.js';
import { styleIn, withStyle } from './lane-style.js';

/** A cell of the board: place of the lane, and week from 1. */
export interface CellPlace {
  readonly lane: number;
  readonly week: number;
}

/** A rectangle of cells, both corners included. */
export interface CellRange {
  readonly fromLane: number;
  readonly toLane: number;
  readonly fromWeek: number;
  readonly toWeek: number;
}

/** Cells of a range, lane by lane. */
export function cellsOf(range: CellRange): CellPlace[] {
  const out: CellPlace[] = [];
  for (let lane = range.fromLane; lane <= range.toLane; lane++)
    for (let week = range.fromWeek; week <= range.toWeek; week++) out.push({ lane, week });
  return out;
}

/** The range between two cells, whichever comes first. */
export function rangeBetween(a: CellPlace, b: CellPlace): CellRange {
  return {
    fromLane: Math.min(a.lane, b.lane),
    toLane: Math.max(a.lane, b.lane),
    fromWeek: Math.min(a.week, b.week),
    toWeek: Math.max(a.week, b.week),
  };
}

function withLane(draft: BlockDraft, lane: number, change: (l: LaneDraft) => LaneDraft): BlockDraft {
  return { ...draft, lanes: draft.lanes.map((l, i) => (i === lane ? change(l) : l)) };
}

/** Sets cells by hand; the engine plans around them. */
export function setCells(
  draft: BlockDraft,
  cells: readonly (CellPlace & { readonly prescription: Prescription })[],
): BlockDraft {
  return {
    ...draft,
    lanes: draft.lanes.map((l, i): LaneDraft => {
      const mine = cells.filter((c) => c.lane === i);
      if (mine.length === 0) return l;
      const kept = l.locked.filter((k) => !mine.some((c) => c.week === k.week));
      const added = mine.map((c): LockedCell => ({ week: c.week, prescription: c.prescription }));
      return { ...l, locked: [...kept, ...added].sort((a, b) => a.week - b.week) };
    }),
  };
}

/** Gives cells back to the engine. */
export function unlockCells(draft: BlockDraft, cells: readonly CellPlace[]): BlockDraft {
  return {
    ...draft,
    lanes: draft.lanes.map((l, i) => ({
      ...l,
      locked: l.locked.filter((k) => !cells.some((c) => c.lane === i && c.week === k.week)),
    })),
  };
}

/** Keeps cells as the plan has them now. Weeks of rest are left alone. */
export function lockCells(draft: BlockDraft, plan: BlockPlan, cells: readonly CellPlace[]): BlockDraft {
  return setCells(
    draft,
    cells.flatMap((c) => {
      const w = plan.lanes[c.lane]?.weeks[c.week - 1];
      return w && w.kind !== 'rest' ? [{ ...c, prescription: w.prescription }] : [];
    }),
  );
}

/** Smallest sensible step of a variable when the coach turns it by hand. */
function handStep(variable: Variable, p: Prescription, plate: number): number {
  switch (variable) {
    case 'holdSeconds':
      return kindOf(p.technique).handStep;
    case 'effort':
      return 5;
    case 'load':
      return (p.loadUnit ?? 'kg') === 'kg' ? plate : p.loadUnit === 'band' ? 1 : 2.5;
    default:
      return 1;
  }
}

/** Bounds that no hand passes: what cannot be done, or is no stretching any more. */
const HAND_BOUNDS: Readonly<Record<Exclude<Variable, 'activationReps'>, readonly [number, number]>> = {
  holdSeconds: [1, 300],
  reps: [1, 30],
  sets: [1, 10],
  sessionsPerWeek: [1, 7],
  sensation: [1, HIGHEST_TARGET],
  cycles: [1, 8],
  effort: [5, 100],
  load: [0, 100],
  depth: [0, 2],
  assistance: [0, 2],
};

/**
 * A prescription with one variable turned by hand. Up means harder: for help that is less of it. A weekly seven sessions is the most.
 * @param clicks how many steps, negative for down
 */
export function turn(
  p: Prescription,
  variable: Exclude<Variable, 'activationReps'>,
  clicks: number,
  plate: number,
): Prescription {
  const [min, max] = HAND_BOUNDS[variable];
  const clamp = (n: number): number => Math.min(max, Math.max(min, Math.round(n * 100) / 100));
  if (variable === 'assistance')
    return p.assistance === undefined ? p : { ...p, assistance: clamp(p.assistance - clicks) as Assistance };
  const step = handStep(variable, p, plate);
  if (variable === amountVariable(p.technique)) return withAmount(p, clamp(amountOf(p) + clicks * step));
  const now = p[variable];
  return now === undefined ? p : { ...p, [variable]: clamp(now + clicks * step) };
}

/** Copies the first column of a range to its right. */
export function fillRight(draft: BlockDraft, plan: BlockPlan, range: CellRange): BlockDraft {
  return setCells(
    draft,
    cellsOf({ ...range, fromWeek: range.fromWeek + 1 }).flatMap((c) => {
      const from = plan.lanes[c.lane]?.weeks[range.fromWeek - 1];
      return from && from.kind !== 'rest' ? [{ ...c, prescription: from.prescription }] : [];
    }),
  );
}

/** What was copied: prescriptions by lane and week of the range. */
export type Clipboard = readonly (readonly (Prescription | null)[])[];

/** Copies the prescriptions of a range; weeks of rest are empty. */
export function copyCells(plan: BlockPlan, range: CellRange): Clipboard {
  const out: (Prescription | null)[][] = [];
  for (let lane = range.fromLane; lane <= range.toLane; lane++) {
    const row: (Prescription | null)[] = [];
    for (let week = range.fromWeek; week <= range.toWeek; week++) {
      const w = plan.lanes[lane]?.weeks[week - 1];
      row.push(w && w.kind !== 'rest' ? w.prescription : null);
    }
    out.push(row);
  }
  return out;
}

/** Pastes what was copied at a cell, as far as the board reaches. A prescription of another technique than the lane's week is passed over. */
export function pasteCells(draft: BlockDraft, plan: BlockPlan, at: CellPlace, clipboard: Clipboard): BlockDraft {
  return setCells(
    draft,
    clipboard.flatMap((row, r) =>
      row.flatMap((prescription, c) => {
        const lane = at.lane + r;
        const week = at.week + c;
        const there = plan.lanes[lane]?.weeks[week - 1];
        if (!prescription || !there || there.kind === 'rest') return [];
        if (there.prescription.technique !== prescription.technique) return [];
        const { bonus: _, ...rest } = prescription;
        const bonus = there.prescription.bonus;
        return [{ lane, week, prescription: bonus ? { ...rest, bonus } : rest }];
      }),
    ),
  );
}

/** Puts a lane at another place; the first lanes are the most important. */
export function moveLane(draft: BlockDraft, from: number, to: number): BlockDraft {
  const lanes = [...draft.lanes];
  const [lane] = lanes.splice(from, 1);
  if (!lane) return draft;
  lanes.splice(to, 0, lane);
  return { ...draft, lanes };
}

/** Moves an easier week; from then on easier weeks are placed by hand. */
export function moveEasierWeek(draft: BlockDraft, from: number, to: number): BlockDraft {
  const now = easierWeeksOf(draft);
  if (!now.includes(from) || now.includes(to) || to < 1 || to > draft.weeks) return draft;
  return { ...draft, easierWeeks: now.map((w) => (w === from ? to : w)).sort((a, b) => a - b) };
}

/** Makes a week easier, or no longer so. */
export function toggleEasierWeek(draft: BlockDraft, week: number): BlockDraft {
  const now = easierWeeksOf(draft);
  const next = now.includes(week) ? now.filter((w) => w !== week) : [...now, week].sort((a, b) => a - b);
  return { ...draft, easierWeeks: next };
}

/** Makes the block longer or shorter; what lies beyond its end goes. */
export function setWeeks(draft: BlockDraft, weeks: number): BlockDraft {
  const n = Math.min(BLOCK_BOUNDS.weeks.max, Math.max(BLOCK_BOUNDS.weeks.min, weeks));
  return {
    ...draft,
    weeks: n,
    easierWeeks: draft.easierWeeks ? draft.easierWeeks.filter((w) => w <= n) : null,
    missedWeeks: draft.missedWeeks.filter((w) => w <= n),
    lanes: draft.lanes.map((l) => ({
      ...l,
      untilWeek: l.untilWeek !== null && l.untilWeek >= n ? null : l.untilWeek,
      locked: l.locked.filter((k) => k.week <= n),
      laterStyles: l.laterStyles.filter((s) => s.fromWeek <= n),
    })),
  };
}

/**
 * Changes the style of a lane from a week on. Cells set by hand from there on are given back, since they speak of another technique.
 * @param week 1 changes the whole lane
 */
export function setStyle(draft: BlockDraft, lane: number, styleId: string, week: number): BlockDraft {
  return withLane(draft, lane, (l) => {
    const changed = withStyle(l, { fromWeek: week, styleId });
    if (week <= l.fromWeek) return { ...changed, styleId, laterStyles: [] };
    return styleIn(l, week - 1) === styleId ? { ...changed, laterStyles: changed.laterStyles.slice(0, -1) } : changed;
  });
}

/**
 * A week that was missed: skipped, or made up for by a week at the end. In both cases the dose comes back lower.
 * @throws CoreError `invalid-plan` when the block cannot grow
 */
export function missWeek(draft: BlockDraft, week: number, how: 'skip' | 'shift'): BlockDraft {
  const missedWeeks = [...new Set([...draft.missedWeeks, week])].sort((a, b) => a - b);
  if (how === 'skip') return { ...draft, missedWeeks };
  if (draft.weeks >= BLOCK_BOUNDS.weeks.max)
    throw new CoreError('invalid-plan', { code: 'no-week-left', args: { most: BLOCK_BOUNDS.weeks.max } });
  const later = (w: number): number => (w >= week ? w + 1 : w);
  return {
    ...draft,
    weeks: draft.weeks + 1,
    missedWeeks,
    easierWeeks: easierWeeksOf(draft).map(later),
    lanes: draft.lanes.map((l) => ({
      ...l,
      fromWeek: l.fromWeek > week ? l.fromWeek + 1 : l.fromWeek,
      untilWeek: l.untilWeek === null ? null : later(l.untilWeek),
      locked: l.locked.map((k) => ({ ...k, week: later(k.week) })),
      laterStyles: l.laterStyles.map((s) => ({ ...s, fromWeek: s.fromWeek > week ? s.fromWeek + 1 : s.fromWeek })),
    })),
  };
}

/** Fixes a broken rule. */
export function applyFix(draft: BlockDraft, fix: Fix): BlockDraft {
  switch (fix.kind) {
    case 'cell':
      return setCells(draft, [{ lane: fix.lane, week: fix.week, prescription: fix.prescription }]);
    case 'unlock':
      return unlockCells(draft, [fix]);
    case 'easier-weeks':
      return { ...draft, easierWeeks: fix.weeks };
  }
}

/**
 * Takes a lane out. A lane that has started stays in the record: it ends with the last week that may
 * not be changed any more, and ending it a second time lets it go on.
 * @param started true for a lane with weeks that have begun
 * @param fromWeek first week that may be changed
 */
export function withLaneEnded(
  draft: BlockDraft,
  laneId: string,
  started: (laneId: string) => boolean,
  fromWeek: number,
): BlockDraft {
  const there = draft.lanes.find((l) => l.id === laneId);
  if (!there) return draft;
  if (!started(there.id)) return { ...draft, lanes: draft.lanes.filter((l) => l !== there) };
  const untilWeek = there.untilWeek === null ? fromWeek - 1 : null;
  return withLane(draft, draft.lanes.indexOf(there), (l) => ({ ...l, untilWeek }));
}

/** Weeks that have begun stay as they were, whatever is pasted or filled over them. @param fromWeek first week that may be changed */
export function withPastKept(next: BlockDraft, before: BlockDraft, fromWeek: number): BlockDraft {
  if (fromWeek === 1) return next;
  const past = (lane: number): readonly LockedCell[] =>
    before.lanes[lane]?.locked.filter((k) => k.week < fromWeek) ?? [];
  return {
    ...next,
    lanes: next.lanes.map((l, i) => ({ ...l, locked: [...past(i), ...l.locked.filter((k) => k.week >= fromWeek)] })),
  };
}

/** A lane that begins at a weekly dose, seconds a side; null for the start of its style. */
export function withStartingDose(draft: BlockDraft, lane: number, seconds: number | null): BlockDraft {
  return withLane(draft, lane, (l) => ({ ...l, startingDose: seconds }));
}

/** A lane whose loads are counted in a unit; loads set by hand in another one are given back to the engine. */
export function withLoadUnit(draft: BlockDraft, lane: number, unit: LoadUnit): BlockDraft {
  const same = (k: LockedCell): boolean => (k.prescription.loadUnit ?? unit) === unit;
  return withLane(draft, lane, (l) => ({ ...l, loadUnit: unit, locked: l.locked.filter(same) }));
}

/** A lane that does a technique with other exercises, one or two, in all day plans that have none of their own, or in one. */
export function withExercises(
  draft: BlockDraft,
  lane: number,
  technique: Technique,
  exerciseIds: readonly string[],
  dayPlanId: string | null = null,
): BlockDraft {
  const others = (e: TechniqueExercise): boolean => e.technique !== technique || e.dayPlanId !== dayPlanId;
  return withLane(draft, lane, (l) => ({
    ...l,
    exercises: [
      ...l.exercises.filter(others),
      ...[...new Set(exerciseIds)].map((exerciseId) => ({ technique, exerciseId, dayPlanId })),
    ],
  }));
}

/** What a lane begins with under load, and its heaviest load; null to go by the client's level, and for no limit. */
export function withLoad(
  draft: BlockDraft,
  lane: number,
  part: Partial<Pick<LaneDraft, 'startLoad' | 'startHelp' | 'loadMax'>>,
): BlockDraft {
  return withLane(draft, lane, (l) => ({ ...l, ...part }));
}

/** A block with one more kind of session. */
export function withDayPlan(draft: BlockDraft, plan: DayPlan): BlockDraft {
  return { ...draft, dayPlans: [...draft.dayPlans, plan] };
}

/** A kind of session with another part. */
export function changeDayPlan(draft: BlockDraft, id: string, part: Partial<DayPlan>): BlockDraft {
  return { ...draft, dayPlans: draft.dayPlans.map((p) => (p.id === id ? { ...p, ...part } : p)) };
}

/** A block without a kind of session; exercises that were for it go with it. The last one stays. */
export function withoutDayPlan(draft: BlockDraft, id: string): BlockDraft {
  if (draft.dayPlans.length <= 1) return draft;
  return {
    ...draft,
    dayPlans: draft.dayPlans.filter((p) => p.id !== id),
    lanes: draft.lanes.map((l) => ({ ...l, exercises: l.exercises.filter((e) => e.dayPlanId !== id) })),
  };
}

/** A plan with the cells that the coach has set since it was made, as they will stand when it is made anew. */
export function withHandSet(plan: BlockPlan, draft: Pick<BlockDraft, 'lanes'>): BlockPlan {
  const lanes = plan.lanes.map((lane, i) => {
    const set = draft.lanes[i]?.locked ?? [];
    const weeks = lane.weeks.map((w) => {
      const cell = set.find((k) => k.week === w.week);
      if (!cell || w.kind === 'rest' || sameData(cell.prescription, w.prescription)) return w;
      return { ...w, prescription: cell.prescription, dose: weeklyDose(cell.prescription), locked: true };
    });
    return weeks.every((w, k) => w === lane.weeks[k]) ? lane : { ...lane, weeks };
  });
  return lanes.every((l, i) => l === plan.lanes[i]) ? plan : { ...plan, lanes };
}
