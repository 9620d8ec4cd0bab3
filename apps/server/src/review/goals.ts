import { adherenceFor, choiceOf, countedSeries, resultSeries, sidesOfTest, type MeasuredGoal } from '@yandle/core';
import { In, IsNull } from 'typeorm';
import { assessmentsOfAll } from '../assessments/service.js';
import type { BlockEntity } from '../blocks/entities.js';
import { laneChoicesOf } from '../blocks/lane-choices.js';
import type { Planner } from '../blocks/planning.js';
import { groupBy } from '../database/group-by.js';
import type { StudioData } from '../database/studio-data.js';
import { GoalEntity } from '../priorities/entities.js';
import { doseOf } from '../progress/dose.js';
import { loadTestCatalogue } from '../test-catalogue/catalogue.js';

/**
 * The goals of clients with what was measured for them, by client.
 * @param practised blocks whose dose says whether a goal was practised for; without one it is not known, and no course is a plateau
 */
export async function measuredGoals(
  data: StudioData,
  clientIds: readonly string[],
  practised: readonly BlockEntity[],
  { timeZone, today }: Planner,
): Promise<Map<string, MeasuredGoal[]>> {
  if (clientIds.length === 0) return new Map();
  const rows = await data.find(GoalEntity, { clientId: In([...clientIds]), endedOn: IsNull() });
  const goalsOf = groupBy(rows, (g) => g.clientId);
  const withGoals = [...goalsOf.keys()];
  if (withGoals.length === 0) return new Map();
  const [catalogue, assessments, choices] = await Promise.all([
    loadTestCatalogue(data),
    assessmentsOfAll(data, withGoals, timeZone),
    laneChoicesOf(data, withGoals, timeZone),
  ]);
  const doses = new Map<string, Awaited<ReturnType<typeof doseOf>>['dose']>();
  for (const block of practised) doses.set(block.clientId, (await doseOf(data, block, today)).dose);
  return new Map(
    [...goalsOf].map(([clientId, goals]) => [
      clientId,
      goals.flatMap((g): MeasuredGoal[] => {
        const test = catalogue.tests.find((t) => t.id === g.testId);
        if (!test) return [];
        const choice = choiceOf(test, choices.get(clientId) ?? []);
        const sides = sidesOfTest(test).map(
          (side) => countedSeries(resultSeries(assessments.get(clientId) ?? [], catalogue, test, side), choice).series,
        );
        const aim = { value: Number(g.value), by: g.due, setOn: g.setOn };
        return [{ test, aim, sides, adherence: adherenceFor(test, doses.get(clientId) ?? null) }];
      }),
    ]),
  );
}
