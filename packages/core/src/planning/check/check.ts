import { dayPlansOf } from '../day-plan/slots.js';
import { calendarOf } from '../absence/calendar.js';
import { RETURN_WEEKS } from '../absence/return.js';
import { volume } from '../../dose/dose.js';
import { isWithout } from '../absence/without.js';
import { LanePlanner } from '../week/lane-planner.js';
import { LaneStyles } from '../week/lane-styles.js';
import { nextStep } from '../progression/next-step.js';
import { PATIENCE, WAITED_RAMP, type Progression } from '../progression/progression.js';
import type { BlockInput, BlockPlan, LaneInput, PlannedLane, PlannedWeek } from '../plan.js';
import { checkCell, type CellView } from './cell-rules.js';
import type { Violation } from './violation.js';
import { checkCalendar, checkExercises, checkSpacing, checkTime } from './week-rules.js';

/** What a cell is judged against: read from the cells before it alone. */
interface Before {
  base: PlannedWeek | null;
  /** True for a base that lost sessions before there was any whole week: it says nothing of what the lane holds. */
  unsure: boolean;
  /** True where minutes, days or the calendar took something off the base: the lane may come back to its step. */
  cut: boolean;
  /** True where the lane was not done the week before for want of room. */
  rested: boolean;
  /** True for a base that was a week of a return. */
  returned: boolean;
  /** Most that the lane has had. */
  stood: number;
  /** Full weeks since the dose last rose. */
  still: number;
  absent: number;
  back: {
    readonly before: PlannedWeek;
    readonly missed: number;
    readonly at: number;
    /** True where that week says nothing of what the lane holds. */
    readonly unsure: boolean;
  } | null;
  phase: number;
  run: number;
  /** Style and technique of the last build week, whether it was a base or not. */
  now: string;
  /** Returns that began one after another without a whole one. */
  returns: number;
}

/** A client who misses every other week still takes one step every second return week (domain 2.10, 3). */
function stepped(before: PlannedWeek, returns: number, progression: Progression, { ramp }: BlockInput): PlannedWeek {
  if (returns % 2 === 0) return before;
  const { bonus: _, ...prescription } = before.prescription;
  const next = nextStep({ prescription, activationReps: 0 }, progression, { ramp, waited: PATIENCE });
  const rise = 'why' in next ? prescription : next.prescription;
  // In another style the step is another one: at most half as much again.
  const half = { ...prescription, sets: prescription.sets * (1 + WAITED_RAMP) };
  const most = volume(half) > volume(rise) ? half : rise;
  return { ...before, prescription: most };
}

/** The phase that a cell is in: the first from the one before it on that has its technique. */
function progressionOf(styles: LaneStyles, cell: PlannedWeek, at: Before, easier: boolean): Progression | null {
  // An easier week belongs to the weeks before it, even when the style changes with it.
  const run = styles.runOf(easier && at.base ? at.base.week : cell.week);
  const from = run.fromWeek === at.run ? at.phase : 0;
  const { phases } = run.style;
  // A phase that the client cannot do is held still: what counts is what stands in for it.
  const all = phases.map((_, i) => styles.progressionOf(run.style, i)?.progression ?? null);
  const own = all.findIndex((p, i) => i >= from && p?.phase.technique === cell.prescription.technique);
  const index = own >= 0 ? own : Math.min(from, phases.length - 1);
  // A cell set by hand ends no phase.
  if (cell.kind === 'build' && !cell.locked) [at.phase, at.run] = [index, run.fromWeek];
  return all[index]!;
}

const SIZE_CUTS = ['fewer-sets', 'fewer-sessions', 'smaller-bouts', 'no-room-for-lane', 'gap-between-loaded'];

function checkLane(input: BlockInput, plan: BlockPlan, lane: number, cells: PlannedLane['weeks']): Violation[] {
  const laneInput: LaneInput = input.lanes[lane]!;
  const styles = new LaneStyles(laneInput, input);
  const cutWeeks = new Set(
    plan.shortages.filter((s) => s.lane === lane && SIZE_CUTS.includes(s.fact.code)).map((s) => s.week),
  );
  const at: Before = {
    base: null,
    unsure: false,
    cut: false,
    rested: false,
    returned: false,
    stood: 0,
    still: 0,
    absent: 0,
    back: null,
    phase: 0,
    run: 0,
    now: '',
    returns: 0,
  };
  const found: Violation[] = [];
  for (const cell of cells) {
    const past = laneInput.past?.some((p) => p.week === cell.week) ?? false;
    if (cell.kind === 'rest') {
      if (!at.base) continue;
      // The technique of a week without work need not be the one of its style: what was away is said by the week.
      if (isWithout(cell)) at.absent++;
      else if (!past) {
        at.rested = true;
        at.cut = true;
      }
      continue;
    }
    const progression = progressionOf(styles, cell, at, cell.kind === 'easier');
    if (progression === null) continue;
    const first = at.absent > 0;
    const entered = at.base !== null && `${cell.styleId} ${cell.prescription.technique}` !== at.now;
    if (cell.kind === 'build' && at.base) {
      const now = `${cell.styleId} ${cell.prescription.technique}`;
      if (now !== at.now && !first) at.back = null;
      at.now = now;
      // A return that came to its end is none any more when the next gap begins.
      if (first && at.back !== null && at.back.at + 1 >= RETURN_WEEKS) [at.back, at.returns] = [null, 0];
      if (first) {
        at.back = {
          before: stepped(at.back?.before ?? at.base, at.returns, progression, input),
          missed: at.absent,
          at: 0,
          // In another style nothing says what the dose before was worth.
          unsure: (at.back?.unsure ?? at.unsure) || at.base.styleId !== cell.styleId,
        };
        at.returns++;
      } else if (at.back) at.back = at.back.at + 1 >= RETURN_WEEKS ? null : { ...at.back, at: at.back.at + 1 };
      if (at.back === null) at.returns = 0;
    } else if (cell.kind === 'build') at.now = `${cell.styleId} ${cell.prescription.technique}`;
    const view: CellView = {
      lane,
      input: laneInput,
      client: input.client,
      cell,
      base: at.unsure || at.back?.unsure ? null : at.base,
      cut: at.cut,
      rested: at.rested && !entered,
      returned: at.returned,
      stood: at.stood,
      still: at.still,
      back: at.unsure || at.back?.unsure ? null : at.back,
      progression,
      ramp: input.ramp,
    };
    if (!past) found.push(...checkCell(view));
    at.absent = 0;
    if (cell.kind === 'build') at.rested = false;
    if (cell.kind !== 'build') continue;
    const lost = cell.reasons.some((r) => r.code === 'fewer-days');
    if (lost && !cell.locked) {
      // No base and no fall; where there is none yet, or it was of another technique, it says only that the lane has begun.
      if (at.base === null || at.base.prescription.technique !== cell.prescription.technique || entered)
        [at.base, at.unsure] = [cell, true];
      // A week of a return that lost sessions: the next goes on from what was meant.
      if (at.back !== null) at.unsure = true;
      continue;
    }
    at.cut =
      cutWeeks.has(cell.week) || cell.reasons.some((r) => r.code === 'back-to-step') || (at.back !== null && at.cut);
    const now = volume(cell.prescription);
    const other = at.base?.prescription.technique !== cell.prescription.technique || at.base.styleId !== cell.styleId;
    const again = first && at.back !== null && at.back.missed > 3;
    at.still = cell.reasons.some((r) => r.code === 'above-increase') ? at.still + 1 : 0;
    at.stood = cell.locked || other || again ? now : Math.max(at.stood, now);
    if (again) at.back = null;
    at.unsure = at.back?.unsure ?? false;
    at.returned = at.back !== null;
    at.base = cell;
  }
  return found;
}

/**
 * Every rule of domain 2.6, 1 to 9 and 12, that a block breaks, whoever made it: a coach by hand, a change of the calendar, or a file. Separate from the
 * builder; it reads the cells and asks no questions of how they came about, and finds nothing in a plan of the engine's own. Cells of past weeks are not
 * judged; what minutes, days or places cannot serve is no broken rule but a shortage.
 * @param plan as many lanes as the input, in the same order
 * @returns ordered by week, then lane; what concerns the whole block first
 */
export function checkBlock(input: BlockInput, plan: BlockPlan): Violation[] {
  const calendar = calendarOf(input);
  const planners = input.lanes.map((lane) => new LanePlanner(lane, input, calendar, false));
  const plans = dayPlansOf(input);
  return [
    ...checkCalendar(input, plan),
    ...checkExercises(input, plan),
    ...plan.lanes.flatMap((l, i) => checkLane(input, plan, i, l.weeks)),
    ...checkSpacing(input, plan),
    ...checkTime(input, plan, plans, (lane, cell, dayPlan, sets) => planners[lane]!.itemsOf(cell, dayPlan, sets)),
  ].sort((a, b) => (a.week ?? 0) - (b.week ?? 0) || (a.lane ?? -1) - (b.lane ?? -1));
}
