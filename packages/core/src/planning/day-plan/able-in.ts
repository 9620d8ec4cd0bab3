import { asksOfSpine } from '../../catalogue/demands-of.js';
import type { Exercise } from '../../catalogue/exercise.js';
import { missingAt, type PlaceBar } from '../../screening/place.js';
import { purposeRules } from '../../session/purpose.js';
import type { Technique } from '../../technique/catalogue.js';
import type { PlacedDayPlan } from './day-plan.js';

/** What of some exercises can be done in the sessions of a day plan, and what its place has not for the others. */
export interface AbleIn {
  readonly able: readonly Exercise[];
  readonly missing: readonly PlaceBar[];
}

/**
 * Exercises that the sessions of a day plan may hold in a technique: its place has what they need, and its purpose allows the technique and, soon
 * after waking, what they ask of the spine. The planner counts by it and the sessions are made by it.
 */
export function ableIn(
  exercises: readonly Exercise[],
  technique: Technique,
  plan: Pick<PlacedDayPlan, 'place' | 'purpose'>,
): AbleIn {
  const rules = purposeRules(plan.purpose);
  if (rules.excludedTechniques.includes(technique)) return { able: [], missing: [] };
  const spares = (e: Exercise): boolean => !rules.spareSpine || !asksOfSpine(e);
  const missing: PlaceBar[] = [];
  const able = exercises.filter((e) => {
    const bars = missingAt(e, plan.place);
    missing.push(...bars);
    return bars.length === 0 && spares(e);
  });
  return { able, missing };
}
