import { ageOn, type PlainDate } from '../schedule/plain-date.js';
import type { Caution } from '../screening/cautions.js';
import { limitsOfCautions } from '../screening/limits.js';
import type { PlanBasis } from './basis.js';
import type { PlanClient } from './limits.js';

/**
 * The client as a plan sees them on its first day: the only place that puts birth date, basis and cautions together.
 * @param cautions in force
 */
export function planClientOf(
  birthDate: PlainDate,
  basis: Omit<PlanBasis, 'tighter' | 'places'>,
  firstDay: PlainDate,
  cautions: readonly Caution[],
): PlanClient {
  const { experience, trainingDays, gentleGroups, minutesPerSession, hypermobile, timings } = basis;
  return {
    age: ageOn(birthDate, firstDay),
    experience,
    trainingDays,
    gentleGroups,
    cautions: limitsOfCautions(cautions),
    hypermobile,
    minutesPerSession,
    timings,
  };
}
