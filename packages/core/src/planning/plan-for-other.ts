import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import type { FindExercise } from '../catalogue/exercises.js';
import type { ClientPlace } from '../screening/place.js';
import { missingAt } from '../screening/place.js';
import type { Technique } from '../technique/catalogue.js';
import type { BlockDraft } from './draft.js';
import { isOfLevel, type AllowedExercises } from './exercise-choice/choose-exercises.js';
import { chosenAnywhere } from './exercise-choice/technique-exercise.js';
import type { Experience } from './limits.js';
import type { BlockPlan } from './plan.js';
import type { LimitFact } from './facts.js';

/** What is different where a block is planned for somebody else, and why. */
export type OtherClientFact =
  | {
      readonly code: 'exercise';
      readonly args: {
        readonly group: MuscleGroupId;
        readonly technique: Technique;
        readonly before: string;
        /** Null where nothing takes its place. */
        readonly now: string | null;
        readonly because: 'caution' | 'level' | 'place' | 'order';
      };
    }
  | { readonly code: 'begins-from'; readonly args: { readonly group: MuscleGroupId; readonly seconds: number } }
  | { readonly code: 'limit'; readonly args: { readonly group: MuscleGroupId; readonly limit: LimitFact } };

/** For whom it is planned now. */
export interface OtherClient {
  readonly level: Experience;
  readonly places: readonly ClientPlace[];
  readonly allowed: AllowedExercises;
  readonly findExercise: FindExercise;
}

/**
 * What of a block is different for another client: exercises with the reason why each was changed, and what a lane begins from.
 * @param before as it was for the first client
 * @param now as it is made for the other, its lanes those of before that could be taken over
 */
export function changesForOther(before: BlockDraft, now: BlockDraft, other: OtherClient): OtherClientFact[] {
  return now.lanes.flatMap((lane): OtherClientFact[] => {
    const old = before.lanes.find((l) => l.group === lane.group && l.styleId === lane.styleId);
    const { group } = lane;
    const exercises = (old?.exercises ?? []).filter(chosenAnywhere).flatMap((e): OtherClientFact[] => {
      const next = lane.exercises.find((x) => x.technique === e.technique && chosenAnywhere(x))?.exerciseId ?? null;
      if (next === e.exerciseId) return [];
      const exercise = other.findExercise(e.exerciseId);
      const may = other.allowed(group, e.technique).some((x) => x.id === e.exerciseId);
      const here = other.places.length === 0 || other.places.some((p) => missingAt(exercise, p).length === 0);
      const because = !may ? 'caution' : !isOfLevel(other.level, exercise) ? 'level' : !here ? 'place' : 'order';
      const name = next === null ? null : other.findExercise(next).name;
      return [{ code: 'exercise', args: { group, technique: e.technique, before: exercise.name, now: name, because } }];
    });
    const begins: OtherClientFact[] =
      lane.startingDose === null ? [] : [{ code: 'begins-from', args: { group, seconds: lane.startingDose } }];
    return [...exercises, ...begins];
  });
}

/** What limits the lanes of a plan for a client, once each. */
export function limitsForOther(plan: BlockPlan): OtherClientFact[] {
  return plan.lanes.flatMap(({ group, limitReasons }) =>
    limitReasons.map((limit): OtherClientFact => ({ code: 'limit', args: { group, limit } })),
  );
}
