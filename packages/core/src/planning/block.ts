import { CoreError } from '../errors.js';
import type { Refusal } from '../refusal.js';
import { isLoaded, type Technique } from '../technique/catalogue.js';
import { styleById } from '../styles/index.js';
import { calendarOf } from './absence/calendar.js';
import { BLOCK_BOUNDS } from './bounds.js';
import { routineSessions } from './day-plan/routine-sessions.js';
import { dayPlansOf, firstWeekday, offsetOf, slotsOf } from './day-plan/slots.js';
import { USUAL_LENGTH } from './plan-timing.js';
import type { BlockInput, BlockPlan, PlannedLane, Shortage } from './plan.js';
import { fitWeek } from './week/fit.js';
import { LanePlanner } from './week/lane-planner.js';
import { Between } from './week/between.js';
import { Room } from './week/room.js';

function assertInput(input: BlockInput): void {
  const { weeks, ramp, easierEvery, lanes } = BLOCK_BOUNDS;
  const refuse = (refusal: Refusal): never => {
    throw new CoreError('invalid-plan', refusal);
  };
  if (!Number.isInteger(input.weeks) || input.weeks < weeks.min || input.weeks > weeks.max)
    refuse({ code: 'weeks-bounds', args: weeks });
  if (!(input.ramp >= ramp.min && input.ramp <= ramp.max)) refuse({ code: 'ramp-bounds', args: ramp });
  if (
    input.easierEvery !== null &&
    (!Number.isInteger(input.easierEvery) || input.easierEvery < easierEvery.min || input.easierEvery > easierEvery.max)
  )
    refuse({ code: 'easier-bounds', args: easierEvery });
  if (input.lanes.length < lanes.min || input.lanes.length > lanes.max) refuse({ code: 'lanes-bounds', args: lanes });
  assertGroups(input, refuse);
}

/** Two lanes of a group, when their techniques differ and at most one is loaded (domain 2.1; 2.6, 11). */
function assertGroups(input: BlockInput, refuse: (refusal: Refusal) => never): void {
  const find = input.findStyle ?? styleById;
  const seen = new Map<string, Set<Technique>[]>();
  for (const { group, styleId, laterStyles = [] } of input.lanes) {
    const ids = [styleId, ...laterStyles.map((l) => l.styleId)];
    const mine = new Set(ids.flatMap((id) => find(id).phases.map((p) => p.technique)));
    const others = seen.get(group) ?? [];
    const clash = others.some((o) => [...mine].some((t) => o.has(t)));
    const loaded = (s: ReadonlySet<Technique>): boolean => [...s].some(isLoaded);
    if (others.length > 1 || clash || (loaded(mine) && others.some(loaded))) refuse({ code: 'group-twice', args: {} });
    seen.set(group, [...others, mine]);
  }
}

/**
 * A block of weeks: a prescription for every lane and week, each with its reason, and what could not be served (domain 2.6). Pure and deterministic.
 * @throws CoreError `invalid-plan`, `unknown-style`
 */
export function buildBlock(input: BlockInput): BlockPlan {
  assertInput(input);
  const calendar = calendarOf(input);
  const plans = dayPlansOf(input);
  const { lanes } = input;
  const planners = lanes.map(
    (lane, i) => new LanePlanner(lane, input, calendar, lanes.findIndex((l) => l.group === lane.group) < i),
  );
  const shortages: Shortage[] = [];
  const most = input.lanesPerSession ?? BLOCK_BOUNDS.lanesPerSession.default;
  const length = input.length ?? USUAL_LENGTH;
  const first = firstWeekday(input);
  const between = new Between(
    length,
    plans,
    input.client.timings,
    lanes.map((l) => l.group),
  );
  for (let week = 1; week <= input.weeks; week++) {
    const slots = slotsOf(input, week);
    const around = planners.map((p) => {
      const others = planners.filter((o) => o !== p && o.lane.group === p.lane.group);
      const groupOthers = others.reduce((sum, o) => sum + o.volumeNow, 0);
      return { groupOthers, lastLoaded: lastLoaded(planners, p, week, first) };
    });
    const drafts = planners.map((p, i) => p.week(week, slots, around[i]!));
    const rooms = planners.map((p, i) => p.roomLane(drafts[i]!.technique, drafts[i]!, around[i]!.lastLoaded));
    const wants = planners.map((p, i) => p.wantOf(drafts[i]!));
    const { got, struck } = fitWeek(
      () => new Room(rooms, slots, plans, length, input.client.timings, most, between),
      wants,
      rooms,
    );
    planners.forEach((p, lane) => {
      for (const fact of p.settle(week, drafts[lane]!, got[lane]!, slots)) shortages.push({ lane, week, fact });
    });
    if (struck) shortages.push({ lane: 0, week, fact: { code: 'bound-struck' } });
  }
  const routines = routineSessions(input, calendar.missed);
  return {
    lanes: planners.map((p) => p.finished()),
    retestWeeks: calendar.retests,
    shortages,
    ...(routines.length > 0 && { routines }),
  };
}

/** Last loaded day of a group in the week before, counted from its first day; null for none. */
function lastLoaded(
  all: readonly LanePlanner[],
  of: LanePlanner,
  week: number,
  first: ReturnType<typeof firstWeekday>,
) {
  const days = all
    .filter((p) => p.lane.group === of.lane.group)
    .flatMap((p) => {
      const cell = p.cells[week - 2];
      return cell && cell.kind !== 'rest' && isLoaded(cell.prescription.technique) ? cell.days : [];
    });
  return days.length === 0 ? null : Math.max(...days.map((d) => offsetOf(d, first)));
}

/** Techniques that a lane uses from a week on: each needs an exercise. */
export function techniquesUsed(lane: PlannedLane, fromWeek = 1): Technique[] {
  return [
    ...new Set(
      lane.weeks
        .filter((w) => w.kind !== 'rest' && w.week >= fromWeek)
        .flatMap((w) => [w.prescription, ...w.beforeAndAfter].map((b) => b.technique)),
    ),
  ];
}
