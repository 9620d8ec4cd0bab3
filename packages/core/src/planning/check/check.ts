import { LaneStyles } from '../week/lane-styles.js';
import { LanePlanner } from '../week/lane-planner.js';
import type { BlockInput, BlockPlan, PlannedWeek } from '../plan.js';
import { openDays } from '../day-plan/week-days.js';
import { easierWeeksOf } from '../weeks.js';
import { checkCell } from './cell-rules.js';
import type { Violation } from './violation.js';
import { checkCalendar, checkExercises, checkSpacing, checkTime, checkWeeklyDose } from './week-rules.js';

/**
 * Every rule of domain 2.6 that a programme breaks, whoever made it: the builder, a coach by hand, or a file. Separate from the builder; it
 * reads the cells and asks no questions of how they came about. Cells of past weeks are not judged.
 * @param plan as many lanes as the input, in the same order
 * @returns ordered by week, then lane; what concerns the whole block first
 */
export function checkBlock(input: BlockInput, plan: BlockPlan): Violation[] {
  const easier = easierWeeksOf(input);
  const usual = new Set(input.client.trainingDays).size;
  const cells = input.lanes.flatMap((lane, i) => {
    const styles = new LaneStyles(lane, input, easier);
    const found: Violation[] = [];
    let base: PlannedWeek | null = null;
    let missed = 0;
    for (const cell of plan.lanes[i]!.weeks) {
      const past = lane.past?.some((p) => p.week === cell.week) ?? false;
      if (!past && cell.kind !== 'rest')
        found.push(
          ...checkCell({
            lane: i,
            input: lane,
            client: input.client,
            cell,
            base,
            missed,
            // An easier week belongs to the weeks before it, even when the style changes with it.
            progression: styles.progressionIn(cell.kind === 'easier' && base ? base.week : cell.week).progression,
            ramp: input.ramp,
          }),
        );
      if (cell.kind === 'rest') {
        if (base) missed++;
      } else if (
        cell.kind === 'build' &&
        (cell.locked || past || openDays(input, cell.week).length >= usual || base === null)
      ) {
        base = cell;
        missed = 0;
      }
    }
    return found;
  });
  const planners = input.lanes.map((lane) => new LanePlanner(lane, input, easier));
  const itemsOf = (lane: number, week: number) => planners[lane]!.items(plan.lanes[lane]!.weeks[week - 1]!);
  return [
    ...checkCalendar(input, plan),
    ...checkExercises(input, plan),
    ...cells,
    ...checkSpacing(input, plan),
    ...checkTime(input, plan, itemsOf),
    ...checkWeeklyDose(input, plan),
  ].sort((a, b) => (a.week ?? 0) - (b.week ?? 0) || (a.lane ?? -1) - (b.lane ?? -1));
}
