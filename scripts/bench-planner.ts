import {
  blockInputOf,
  buildBlock,
  checkBlock,
  chooseExercises,
  dayPlanOf,
  emptyDraft,
  exerciseById,
  exercisesDoing,
  newLane,
  placeOfKind,
  proposeBlocks,
  reachOf,
  sessionsOfBlock,
  styleById,
  trainableGroups,
  type BlockDraft,
  type BlockInput,
  type MuscleGroupId,
  type PlanContext,
  type Technique,
} from '@yandle/core';

/** Median and 95th percentile of repeated runs, milliseconds. */
export interface Timed {
  readonly median: number;
  readonly p95: number;
}
type Time = (work: () => unknown, runs?: number) => Timed;

const place = placeOfKind('gym');
const context: PlanContext = {
  client: { age: 35, experience: 'regular', trainingDays: [], gentleGroups: [] },
  findStyle: styleById,
  findExercise: exerciseById,
  places: [place],
};
const allowed = (g: MuscleGroupId, t: Technique) => exercisesDoing(g, t);
const STYLES = ['steady-hold', 'upkeep', 'push-relax', 'steady-hold', 'long-hold', 'loaded-range'] as const;

/** A block of a studio: lanes of several styles in a place with everything, two day plans over five days. */
function draftOf(lanes: number, weeks: number, minutes: number): BlockDraft {
  const dayPlans = [
    { ...dayPlanOf({ trainingDays: [1, 3, 5], minutesPerSession: minutes }, 'main'), placeId: place.id },
    { ...dayPlanOf({ trainingDays: [2, 6], minutesPerSession: minutes }, 'other'), placeId: place.id, name: 'Other' },
  ];
  const placed = dayPlans.map((p) => ({ ...p, place }));
  return {
    ...emptyDraft('2026-03-09', dayPlans),
    weeks,
    lanesPerSession: 12,
    lanes: trainableGroups()
      .slice(0, lanes)
      .map((group, i) => {
        const styleId = STYLES[i % STYLES.length]!;
        const exercises = chooseExercises(group, [styleById(styleId)], allowed, 'regular', [], placed);
        return newLane(`lane-${i}`, group, styleId, exercises);
      }),
  };
}
const inputOf = (d: BlockDraft): BlockInput => blockInputOf(d, context);

const ms = (t: Timed): string => `${t.median.toFixed(0)} ms median, ${t.p95.toFixed(0)} ms p95`;

/** Rows of the planner: minutes to spare, and minutes that run out in every week. */
export function plannerRows(time: Time): [string, string, string][] {
  const built = (lanes: number, weeks: number, minutes: number, runs: number): string => {
    const input = inputOf(draftOf(lanes, weeks, minutes));
    const plan = buildBlock(input);
    const struck = plan.shortages.filter((s) => s.fact.code === 'bound-struck').length;
    return `${ms(time(() => buildBlock(input), runs))}; bound struck in ${struck} of ${weeks} weeks`;
  };
  const board = draftOf(15, 16, 45);
  const input = inputOf(board);
  const plan = buildBlock(input);
  const lanes = board.lanes.map((l) => ({ group: l.group, exercises: l.exercises, firstSide: 'left' as const }));
  const plans = board.dayPlans.map((p) => ({ ...p, place }));
  const wanted = trainableGroups()
    .slice(0, 6)
    .map((group) => ({ group, lengthen: true, facts: [] }));
  let n = 0;
  const use = {
    ...{ base: { ...draftOf(0, 8, 20) }, context, allowed, startingDose: () => null },
    newId: () => `p${++n}`,
  };
  return [
    ['build 16 weeks × 6 lanes, two day plans of 30 min (core)', built(6, 16, 30, 40), '-'],
    ['build 16 weeks × 12 lanes, two day plans without a limit (core)', built(12, 16, 180, 40), '≤ 30 ms median'],
    ['the same in 45 min: minutes run out (core)', built(12, 16, 45, 20), '≤ 30 ms median'],
    ['build 52 weeks × 20 lanes, two day plans without a limit (core)', built(20, 52, 180, 10), '≤ 500 ms median'],
    ['the same in 45 min: minutes run out (core)', built(20, 52, 45, 5), '≤ 500 ms median'],
    [
      'rules, reach and dated sessions of 15 lanes × 16 weeks (core)',
      ms(
        time(() => {
          checkBlock(input, plan);
          reachOf(input, plan);
          sessionsOfBlock(plan, board.startDate, lanes, plans, exerciseById);
        }, 20),
      ),
      '-',
    ],
    ['two ways to begin with six groups in 20 min, planned (core)', ms(time(() => proposeBlocks(wanted, use), 5)), '-'],
  ];
}
