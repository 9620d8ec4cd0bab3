import { addMonths, type PlainDate } from '../schedule/plain-date.js';
import { cautionsFor, missingRegions, openQuestions, type Answers, type Caution } from './cautions.js';

/** Months after which the questions are asked again, and a clearance is renewed. Common practice, no source. */
export const RESCREEN_MONTHS = 12;

/** A doctor or physiotherapist, or a guardian, has agreed: what is needed of it to know which cautions stand. */
export interface ClearanceFact {
  readonly cautionId: Caution['id'];
  readonly on: PlainDate;
}

/** Where the screening of a client stands, and what follows from it. */
export interface Screening {
  /** `open`: questions are missing. `refer`: a doctor or physiotherapist first. `cleared`: one has agreed. `clear`: nothing blocks. */
  readonly state: 'open' | 'refer' | 'cleared' | 'clear';
  /** In force now; a plan keeps to all of them. */
  readonly current: readonly Caution[];
  /** Lifted by a clearance. */
  readonly lifted: readonly Caution[];
}

/** Day from which a clearance no longer counts. */
export function clearanceEnds(on: PlainDate): PlainDate {
  return addMonths(on, RESCREEN_MONTHS);
}

/** Day on which the questions are due again. */
export function rescreenDue(askedOn: PlainDate): PlainDate {
  return addMonths(askedOn, RESCREEN_MONTHS);
}

/**
 * What stands on a day. A clearance lifts its caution with everything it takes away; a guardian's consent lets planning begin, but the
 * limits of youth stay.
 * @param answers of the latest intake; null when the questions were never asked
 * @param age whole years on that day
 */
export function screeningOn(
  answers: Answers | null,
  age: number,
  clearances: readonly ClearanceFact[],
  day: PlainDate,
): Screening {
  if (answers === null) return { state: 'open', current: [], lifted: [] };
  const all = cautionsFor(answers, age);
  const valid = (c: Caution) =>
    clearances.some((x) => x.cautionId === c.id && x.on <= day && day < clearanceEnds(x.on));
  const lifted = all.filter(valid);
  const current = all
    .filter((c) => !valid(c) || c.id === 'under-18')
    .map((c): Caution => (valid(c) ? { ...c, outcome: 'limit', urgency: null } : c));
  const unfinished = openQuestions(answers).length > 0 || missingRegions(answers).length > 0;
  const referred = (list: readonly Caution[]) => list.some((c) => c.outcome === 'refer');
  const state = referred(current) ? 'refer' : unfinished ? 'open' : referred(lifted) ? 'cleared' : 'clear';
  return { state, current, lifted };
}
