import type { TechniqueExercise } from './technique-exercise.js';
import type { MuscleGroupId } from '../../anatomy/muscle-group.js';
import { onlyByHand } from '../../catalogue/by-hand.js';
import type { Exercise } from '../../catalogue/exercise.js';
import { purposeRules } from '../../session/purpose.js';
import type { Style } from '../../styles/style.js';
import { PLAINEST, type Technique } from '../../technique/catalogue.js';
import { isFor, type PlacedDayPlan } from '../day-plan/day-plan.js';
import { missingAt } from '../../screening/place.js';
import { EXPERIENCES, type Experience } from '../limits.js';

/** Exercises that a client may do for a group with a technique, best first. */
export type AllowedExercises = (group: MuscleGroupId, technique: Technique) => readonly Exercise[];

/** Techniques that a style may ask of a lane, its fallback included. */
export function techniquesOfStyle(style: Style): Technique[] {
  const extras = [style.before, style.after].flatMap((e) => (e ? [e.technique] : []));
  return [...new Set([...style.phases.map((p) => p.technique), ...extras, PLAINEST])];
}

/** False for an exercise above a client's level: a harder one is for the coach to choose. */
export function isOfLevel(level: Experience, { difficulty }: Pick<Exercise, 'difficulty'>): boolean {
  return difficulty <= EXPERIENCES.indexOf(level) + 1;
}

/** Day plans in which a lane of a group could do a technique, places aside. */
function plansFor(group: MuscleGroupId, technique: Technique, plans: readonly PlacedDayPlan[]): PlacedDayPlan[] {
  return plans.filter((p) => isFor(p, group) && !purposeRules(p.purpose).excludedTechniques.includes(technique));
}

/** Things themselves come before what stands in for them. */
const isThere = (e: Exercise, { place }: PlacedDayPlan): boolean =>
  place === null || e.props.every((t) => place.things.includes(t));

const possible = (e: Exercise, plan: PlacedDayPlan): boolean => missingAt(e, plan.place).length === 0;

/** Exercises of one technique: one for everywhere where there is one, else one for each place; what is chosen stays. */
function chosenFor(
  technique: Technique,
  able: readonly Exercise[],
  plans: readonly PlacedDayPlan[],
  chosen: readonly TechniqueExercise[],
  find: (id: string) => Exercise | null,
): TechniqueExercise[] {
  const pick = (e: Exercise, dayPlanId: string | null): TechniqueExercise => ({
    technique,
    exerciseId: e.id,
    dayPlanId,
  });
  const out = [...chosen];
  if (!out.some((c) => c.dayPlanId === null)) {
    const best =
      able.find((e) => plans.every((p) => possible(e, p) && isThere(e, p))) ??
      able.find((e) => plans.every((p) => possible(e, p))) ??
      able.find((e) => plans.some((p) => possible(e, p)));
    const any = best ?? (out.length === 0 ? able[0] : undefined);
    if (any) out.push(pick(any, null));
  }
  const everywhere = out.filter((c) => c.dayPlanId === null).flatMap((c) => find(c.exerciseId) ?? []);
  for (const plan of plans) {
    if (out.some((c) => c.dayPlanId === plan.id) || everywhere.some((e) => possible(e, plan))) continue;
    const here = able.find((e) => possible(e, plan) && isThere(e, plan)) ?? able.find((e) => possible(e, plan));
    if (here) out.push(pick(here, plan.id));
  }
  return out;
}

/**
 * Exercises for each technique that some styles may ask of a group, in the places of its day plans; those chosen before stay. A technique without an
 * exercise is left out: the plan says so and holds still instead.
 */
export function chooseExercises(
  group: MuscleGroupId,
  styles: readonly Style[],
  allowed: AllowedExercises,
  level: Experience,
  chosen: readonly TechniqueExercise[] = [],
  dayPlans: readonly PlacedDayPlan[] = [],
): TechniqueExercise[] {
  const techniques = new Set([...chosen.map((c) => c.technique), ...styles.flatMap(techniquesOfStyle)]);
  return [...techniques].flatMap((technique) => {
    const all = allowed(group, technique);
    const able = all.filter((e) => isOfLevel(level, e) && !onlyByHand(e, technique));
    const mine = chosen.filter((c) => c.technique === technique);
    const find = (id: string): Exercise | null => all.find((e) => e.id === id) ?? null;
    return chosenFor(technique, able, plansFor(group, technique, dayPlans), mine, find);
  });
}
