import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import type { Side } from '../anatomy/side.js';
import {
  doseRemark,
  FAVOURED_WEEKLY_SECONDS,
  FLATTENING_WEEKLY_SECONDS,
  sideSessionDose,
  sideWeeklyDose,
  type DoseRemark,
} from '../dose/dose.js';
import { groupDoses, type WorkedSeconds } from '../dose/shares.js';
import type { Exercise } from '../catalogue/exercise.js';
import type { Weekday } from '../schedule/weekday.js';
import { kindOf, type Technique } from '../technique/catalogue.js';
import { styleById } from '../styles/index.js';
import type { Style } from '../styles/style.js';
import type { Prescription } from '../technique/prescription.js';
import { buildBlock } from './block.js';
import { BLOCK_BOUNDS } from './bounds.js';
import type { PlacedDayPlan } from './day-plan/day-plan.js';
import { boutMissing, workedBy } from './day-plan/day-routine.js';
import { dayPlansOf } from './day-plan/slots.js';
import type { BlockInput, BlockPlan, LaneInput, PlannedWeek } from './plan.js';
import { sharedBouts } from './week/lane-items.js';

/**
 * Seconds that a lane's week works groups for, by side, exercise by exercise; without what the routines of its sessions do of it.
 * @param dayPlans those of the block
 */
export function workedIn(
  lane: Pick<LaneInput, 'group' | 'exercises'>,
  cell: PlannedWeek,
  dayPlans: readonly PlacedDayPlan[] = [],
): WorkedSeconds[] {
  if (cell.kind === 'rest') return [];
  const { technique } = cell.prescription;
  const those = (lane.exercises ?? []).filter((e) => e.technique === technique);
  const seconds = (p: typeof cell.prescription, exercise: WorkedSeconds['exercise']): WorkedSeconds => ({
    exercise,
    left: sideWeeklyDose(p, 'left'),
    right: sideWeeklyDose(p, 'right'),
  });
  const stepsIn = (dayPlanId: string) => dayPlans.find((p) => p.id === dayPlanId)?.steps ?? [];
  const shared = cell.sessions.some((s) => stepsIn(s.dayPlanId).length > 0);
  if (those.length === 0 && !shared) return [seconds(cell.prescription, { primary: lane.group, secondary: [] })];
  return boutsIn(lane, cell, dayPlans).flatMap(({ bout, exercises }) =>
    exercises.length === 0
      ? [seconds({ ...bout, sessionsPerWeek: 1 }, { primary: lane.group, secondary: [] })]
      : sharedBouts(bout, exercises).map(({ exercise, bout: b }) => seconds({ ...b, sessionsPerWeek: 1 }, exercise)),
  );
}

/** What a lane does in each of its sessions of a week, beyond what the routines of these do, and with what. */
function boutsIn(
  lane: Pick<LaneInput, 'group' | 'exercises'>,
  cell: PlannedWeek,
  dayPlans: readonly PlacedDayPlan[],
): { readonly bout: PlannedWeek['prescription']; readonly exercises: readonly Exercise[] }[] {
  const those = (lane.exercises ?? []).filter((e) => e.technique === cell.prescription.technique);
  return cell.sessions.flatMap(({ dayPlanId, sets }) => {
    const own = those.filter((e) => e.dayPlanId === dayPlanId);
    const exercises = (own.length > 0 ? own : those.filter((e) => e.dayPlanId === null)).map((e) => e.exercise);
    const steps = dayPlans.find((p) => p.id === dayPlanId)?.steps ?? [];
    const missing = boutMissing(steps, lane.group, { ...cell.prescription, sets }, exercises);
    return missing === null ? [] : [{ bout: { ...cell.prescription, ...missing }, exercises }];
  });
}

/** Seconds of stretch of a lane's week on a side, without what the routines of its sessions do of it. */
export function laneSeconds(
  lane: Pick<LaneInput, 'group' | 'exercises'>,
  cell: PlannedWeek,
  dayPlans: readonly PlacedDayPlan[],
  side: Side,
): number {
  if (cell.kind === 'rest') return 0;
  if (dayPlans.every((p) => !p.steps?.length)) return sideWeeklyDose(cell.prescription, side);
  return boutsIn(lane, cell, dayPlans).reduce((sum, { bout }) => sum + sideSessionDose(bout, side), 0);
}

/** Seconds that the routines of a week's sessions work groups for. */
export function workedByRoutines(
  plan: Pick<BlockPlan, 'routines'>,
  dayPlans: readonly PlacedDayPlan[],
  week: number,
): WorkedSeconds[] {
  return (plan.routines ?? [])
    .filter((r) => r.week === week)
    .flatMap((r) => workedBy(dayPlans.find((p) => p.id === r.dayPlanId)?.steps ?? []));
}

/** Planned weekly seconds of every group by side: lanes and routines, shares of stretches for other groups and the tighter side's extra included. */
export function weeklyGroupDoses(
  input: Pick<BlockInput, 'lanes' | 'dayPlans'>,
  plan: BlockPlan,
  week: number,
): ReturnType<typeof groupDoses> {
  const { dayPlans = [] } = input;
  return groupDoses([
    ...plan.lanes.flatMap((l, i) => workedIn(input.lanes[i]!, l.weeks[week - 1]!, dayPlans)),
    ...workedByRoutines(plan, dayPlans, week),
  ]);
}

/** A group that passes the weekly amount from which gains flatten: a remark, not a fault (domain 2.4). */
export interface FullGroup {
  readonly group: MuscleGroupId;
  /** First week in which it does. */
  readonly week: number;
  readonly seconds: number;
}

const onEither = (d: { readonly left: number; readonly right: number } | undefined): number =>
  d ? Math.max(d.left, d.right) : 0;

/** Groups of a block that pass the amount at which gains flatten, each with its first such week. */
export function fullGroups(input: BlockInput, plan: BlockPlan): FullGroup[] {
  const out = new Map<MuscleGroupId, FullGroup>();
  for (let week = 1; week <= input.weeks; week++) {
    const doses = weeklyGroupDoses(input, plan, week);
    for (const { group } of plan.lanes) {
      const seconds = onEither(doses.get(group));
      if (seconds > FLATTENING_WEEKLY_SECONDS && !out.has(group)) out.set(group, { group, week, seconds });
    }
  }
  return [...out.values()];
}

/** Whether a group reaches the weekly amount that the reviews favour (domain 2.6, 13). */
export interface Reach {
  readonly group: MuscleGroupId;
  /**
   * `amount`: the figure of the reviews is for it. `no figure`: loaded and moving work, of which there is none. `upkeep`: it is meant to stay below.
   */
  readonly kind: 'amount' | 'no figure' | 'upkeep';
  /** First week with {@link FAVOURED_WEEKLY_SECONDS} a side; null for never. */
  readonly week: number | null;
  /** Most that a week gives it, seconds a side. */
  readonly most: number;
}

/** Techniques that the figures of the reviews are for. */
const FIGURED: readonly Technique[] = ['static hold', 'contract-relax'];

/**
 * What the evidence says of a week's dose: nothing of loaded and moving work, for which no figure exists, and never that Upkeep is too little.
 * @param style of the week
 */
export function doseRemarkOn(p: Prescription, style: Pick<Style, 'doseCap'>): DoseRemark | null {
  if (!FIGURED.includes(p.technique)) return null;
  const remark = doseRemark(Math.max(sideWeeklyDose(p, 'left'), sideWeeklyDose(p, 'right')));
  const upkeep = style.doseCap !== null && style.doseCap < FAVOURED_WEEKLY_SECONDS;
  return upkeep && remark === 'below-favoured' ? null : remark;
}

function kindOfReach(
  lanes: readonly LaneInput[],
  techniques: ReadonlySet<Technique>,
  input: BlockInput,
): Reach['kind'] | null {
  const find = input.findStyle ?? styleById;
  const styles = lanes.flatMap((l) => [l.styleId, ...(l.laterStyles ?? []).map((s) => s.styleId)].map(find));
  const stretching = styles.filter((s) => s.phases.some((p) => kindOf(p.technique).stretches));
  if (stretching.length === 0) return null;
  const capped = (dose: number | null): boolean => dose !== null && dose < FAVOURED_WEEKLY_SECONDS;
  if (stretching.every((s) => capped(s.doseCap))) return 'upkeep';
  // What is really planned: a lane that cannot be loaded holds still.
  const held = FIGURED.some((t) => techniques.has(t));
  return held ? 'amount' : 'no figure';
}

/** Reach of every group that a block works on, in order of its lanes. */
export function reachOf(input: BlockInput, plan: BlockPlan): Reach[] {
  const groups = [...new Set(input.lanes.map((l) => l.group))];
  const doses = Array.from({ length: input.weeks }, (_, i) => weeklyGroupDoses(input, plan, i + 1));
  return groups.flatMap((group): Reach[] => {
    const mine = plan.lanes.filter((l) => l.group === group);
    const techniques = new Set(
      mine.flatMap((l) => l.weeks.filter((w) => w.kind !== 'rest').map((w) => w.prescription.technique)),
    );
    const kind = kindOfReach(
      input.lanes.filter((l) => l.group === group),
      techniques,
      input,
    );
    if (kind === null) return [];
    const weekly = doses.map((d) => {
      const at = d.get(group);
      return at ? Math.min(at.left, at.right) : 0;
    });
    const first = weekly.findIndex((s) => s >= FAVOURED_WEEKLY_SECONDS);
    return [{ group, kind, week: first < 0 ? null : first + 1, most: Math.max(0, ...weekly) }];
  });
}

/** What would get a group to the amount that the reviews favour. Found by planning it. */
export type ReachWay =
  | { readonly code: 'minutes'; readonly more: number; readonly week: number }
  | { readonly code: 'days'; readonly more: number; readonly week: number }
  | { readonly code: 'first'; readonly week: number }
  | { readonly code: 'style'; readonly styleId: string; readonly week: number }
  | { readonly code: 'weeks'; readonly weeks: number; readonly week: number };

const MORE_MINUTES = [5, 10, 15, 20, 30] as const;
const ALL_DAYS: readonly Weekday[] = [1, 2, 3, 4, 5, 6, 7];

/**
 * What would get a group there, each found by planning the block that way: minutes, days, a first place among the lanes, another style, more weeks.
 * Empty when none of them does.
 */
export function waysToReach(input: BlockInput, group: MuscleGroupId): ReachWay[] {
  const plans = dayPlansOf(input);
  const weekOf = (other: Partial<BlockInput>): number | null => {
    const changed = { ...input, ...other };
    return reachOf(changed, buildBlock(changed)).find((r) => r.group === group)?.week ?? null;
  };
  const out: ReachWay[] = [];
  for (const more of plans.some((p) => p.minutes !== null) ? MORE_MINUTES : []) {
    const week = weekOf({
      dayPlans: plans.map((p) => ({ ...p, minutes: p.minutes === null ? null : p.minutes + more })),
    });
    if (week === null) continue;
    out.push({ code: 'minutes', more, week });
    break;
  }
  const [main] = plans;
  const free = main ? ALL_DAYS.filter((d) => !plans.some((p) => p.weekdays.includes(d))) : [];
  for (let more = 1; main && more <= free.length; more++) {
    const weekdays = [...main.weekdays, ...free.slice(0, more)].sort((a, b) => a - b);
    const week = weekOf({ dayPlans: [{ ...main, weekdays }, ...plans.slice(1)] });
    if (week === null) continue;
    out.push({ code: 'days', more, week });
    break;
  }
  const mine = input.lanes.filter((l) => l.group === group);
  if (input.lanes[0]?.group !== group) {
    const week = weekOf({ lanes: [...mine, ...input.lanes.filter((l) => l.group !== group)] });
    if (week !== null) out.push({ code: 'first', week });
  }
  if (mine.every((l) => l.styleId !== 'steady-hold')) {
    const week = weekOf({
      lanes: input.lanes.map((l) => (l === mine[0] ? { ...l, styleId: 'steady-hold', laterStyles: [] } : l)),
    });
    if (week !== null) out.push({ code: 'style', styleId: 'steady-hold', week });
  }
  const weeks = Math.min(BLOCK_BOUNDS.weeks.max, Math.max(16, input.weeks + 4));
  if (weeks > input.weeks) {
    const week = weekOf({ weeks });
    if (week !== null) out.push({ code: 'weeks', weeks: week, week });
  }
  return out;
}
