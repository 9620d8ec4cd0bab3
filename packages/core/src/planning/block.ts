import { CoreError } from '../errors.js';
import type { Refusal } from '../refusal.js';
import type { Technique } from '../technique/catalogue.js';
import { BLOCK_BOUNDS } from './bounds.js';
import { fitWeek } from './week/fit-week.js';
import { LanePlanner } from './week/lane-planner.js';
import type { BlockInput, BlockPlan, PlannedLane, Cut } from './plan.js';
import { firstWeekday, openDays } from './day-plan/week-days.js';
import { easierWeeksOf, retestWeeks } from './weeks.js';

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
  if (new Set(input.lanes.map((l) => l.group)).size !== input.lanes.length) refuse({ code: 'group-twice', args: {} });
}

/**
 * A block of weeks: a prescription for every lane and week, each with its reason (domain 2.6). Pure and deterministic.
 * @throws CoreError `invalid-plan`, `unknown-style`
 */
export function buildBlock(input: BlockInput): BlockPlan {
  assertInput(input);
  const easier = easierWeeksOf(input);
  const first = firstWeekday(input);
  const planners = input.lanes.map((lane) => new LanePlanner(lane, input, easier));
  const cuts: Cut[] = [];
  const usual = new Set(input.client.trainingDays).size;
  for (let week = 1; week <= input.weeks; week++) {
    const open = openDays(input, week);
    const drafts = planners.map((p) => p.draft(week, open.length, usual));
    const { offsets, cutsOf } = fitWeek(planners, drafts, open, input, week, cuts);
    planners.forEach((p, i) => {
      p.settle(week, drafts[i]!, offsets[i]!, first, cutsOf[i]!);
    });
  }
  return {
    lanes: planners.map((p) => p.finished()),
    retestWeeks: retestWeeks(input.weeks, easier),
    cuts,
  };
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
