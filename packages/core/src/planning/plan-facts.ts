import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import type { Side } from '../anatomy/side.js';
import type { Exercise } from '../catalogue/exercise.js';
import { EXERCISES, findAmong } from '../catalogue/exercises.js';
import { exercisesDoing } from '../catalogue/forms.js';
import { byNeededTurn, type NeededTurn } from '../measuring/findings/turn-needed.js';
import type { Caution } from '../screening/cautions.js';
import { splitAllowed } from '../screening/limits.js';
import type { ClientPlace } from '../screening/place.js';
import { findStyleAmong } from '../styles/index.js';
import type { Style } from '../styles/style.js';
import { PLAINEST, type Technique } from '../technique/catalogue.js';
import type { PlanContext } from './draft.js';
import type { AllowedExercises } from './exercise-choice/choose-exercises.js';
import type { PlanClient } from './limits.js';
import type { LaneEased, PlannedWeek } from './plan.js';

/** All that a plan depends on besides the coach's choices, as plain data: it can be sent to where the planning is done. */
export interface PlanFacts {
  readonly client: PlanClient;
  readonly cautions: readonly Caution[];
  readonly places: readonly ClientPlace[];
  readonly tighter: readonly { readonly group: MuscleGroupId; readonly side: Side }[];
  readonly turns: readonly NeededTurn[];
  /** Weeks of the running block of which some, or all, sessions were logged as not done. */
  readonly partWeeks: readonly number[];
  readonly undoneWeeks: readonly number[];
  /** Weeks in which lanes stay or go steps down after soreness or a review. */
  readonly eased: readonly LaneEased[];
  /** Weeks that have begun, by lane. */
  readonly past: Readonly<Record<string, readonly PlannedWeek[]>>;
  readonly startingDoses: readonly { readonly group: MuscleGroupId; readonly seconds: number }[];
  /** The studio's own, besides those that ship; archived exercises are found, and not proposed. */
  readonly ownStyles: readonly Style[];
  readonly ownExercises: readonly Exercise[];
  readonly archived: readonly string[];
}

/** What the builder needs to know besides the coach's choices. */
export function contextOfFacts(facts: PlanFacts): PlanContext {
  return {
    client: facts.client,
    findStyle: findStyleAmong(facts.ownStyles),
    findExercise: findAmong(facts.ownExercises),
    places: facts.places,
    partWeeks: facts.partWeeks,
    undoneWeeks: facts.undoneWeeks,
    eased: facts.eased,
    tighterSide: (group) => facts.tighter.find((t) => t.group === group)?.side ?? null,
    past: (laneId) => facts.past[laneId] ?? [],
  };
}

/** Exercises of a group that can be done with a technique and that no caution rules out; those made for it, and those that turn as is needed, first. */
export function allowedOf(
  { cautions, turns }: Pick<PlanFacts, 'cautions' | 'turns'>,
  exercises: readonly Exercise[],
): AllowedExercises {
  return (group: MuscleGroupId, technique: Technique = PLAINEST) => {
    const able = exercisesDoing(group, technique, exercises);
    const allowed = new Set(
      splitAllowed(
        able.map((e) => ({ ...e, technique })),
        cautions,
      ).allowed.map((e) => e.id),
    );
    const needed = turns.find((t) => t.group === group)?.turns ?? null;
    return byNeededTurn(
      able.filter((e) => allowed.has(e.id)),
      needed,
    );
  };
}

/** Exercises that may be proposed: those that ship and the studio's own that are not archived. */
export function proposable({ ownExercises, archived }: Pick<PlanFacts, 'ownExercises' | 'archived'>): Exercise[] {
  return [...EXERCISES, ...ownExercises.filter((e) => !archived.includes(e.id))];
}

/** Weekly seconds a side that a client is used to in a group; null when nothing is known. */
export function startingDoseIn(
  { startingDoses }: Pick<PlanFacts, 'startingDoses'>,
  group: MuscleGroupId,
): number | null {
  return startingDoses.find((d) => d.group === group)?.seconds ?? null;
}
