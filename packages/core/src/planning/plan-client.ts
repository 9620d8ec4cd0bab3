import { ageOn, type PlainDate } from '../schedule/plain-date.js';
import type { Caution } from '../screening/cautions.js';
import { limitsOfCautions } from '../screening/limits.js';
import type { Timings } from '../technique/timings.js';
import type { PlanClient } from './limits.js';

/** What a client's record says of how they may be planned. */
export interface ClientRecord extends Pick<PlanClient, 'experience' | 'trainingDays' | 'gentleGroups'> {
  readonly birthDate: PlainDate;
  readonly minutesPerSession: number;
}

/**
 * The client as a plan sees them on its first day: the only place that puts record, cautions and measurements together.
 * @param cautions in force
 * @param timings of the studio, with the client's own breath
 */
export function planClientOf(
  record: ClientRecord,
  firstDay: PlainDate,
  cautions: readonly Caution[],
  hypermobile: boolean,
  timings: Timings,
): PlanClient {
  const { experience, trainingDays, gentleGroups, minutesPerSession } = record;
  return {
    age: ageOn(record.birthDate, firstDay),
    experience,
    trainingDays,
    gentleGroups,
    cautions: limitsOfCautions(cautions),
    hypermobile,
    minutesPerSession,
    timings,
  };
}
