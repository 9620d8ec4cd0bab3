import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import { STRETCHING } from '../technique/catalogue.js';
import type { FindExercise } from '../catalogue/exercises.js';
import type { SessionItem } from '../session/item.js';
import type { ComposeNeed } from './request.js';
import { floorSets, type WeekWork } from './week-floor.js';

/**
 * What the items of a planned session ask for, ready to be composed anew. The first lane of the block weighs most; what stands beside a stretch
 * half as much.
 * @param ranked groups of the block's lanes, the most important first
 */
export function needsOf(
  items: readonly SessionItem[],
  ranked: readonly MuscleGroupId[],
  week: readonly WeekWork[],
  find: FindExercise,
): ComposeNeed[] {
  return items.map((item) => {
    const { exerciseId, firstSide, sidePattern: _, link: __, choice: ___, ...fields } = item;
    const exercise = find(exerciseId);
    const technique = item.technique ?? exercise.technique;
    const at = ranked.indexOf(exercise.primary);
    const lane = 2 * (at < 0 ? 1 : ranked.length - at);
    const known = week.find((w) => w.group === exercise.primary && w.technique === technique);
    return {
      group: exercise.primary,
      ...(exercise.turns && { turns: exercise.turns }),
      bout: { ...fields, technique },
      firstSide,
      weight: STRETCHING.includes(technique) ? lane : lane / 2,
      floorSets: floorSets(item.sets, known),
    };
  });
}
