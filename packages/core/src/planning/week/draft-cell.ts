import type { WeekFact } from '../facts.js';
import type { Bout, Prescription, Variable } from '../../technique/prescription.js';
import type { Step } from '../progression/progression.js';
import type { PlannedWeek, WeekKind } from '../plan.js';

/** A cell before it has days. */
export interface Draft {
  kind: WeekKind;
  prescription: Prescription;
  beforeAndAfter: readonly Bout[];
  changed: Variable | null;
  reasons: readonly WeekFact[];
  step: number;
  locked: boolean;
  styleId: string;
  /** The step to go back to when the week's minutes do not hold the step. */
  before: Step | null;
  /** Whether the next full week goes on from this cell. */
  base: boolean;
  activationReps: number;
  /** Adds what the tighter side gets on top to a prescription of this week. */
  dress: (p: Prescription) => Prescription;
}

/** True for a week that was published before and is kept. */
export function isPast(d: Draft | PlannedWeek): d is PlannedWeek {
  return 'week' in d;
}
