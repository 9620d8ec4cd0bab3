import { addMonths, type PlainDate } from '../schedule/plain-date.js';
import { answersFrom, openQuestions, RESCREEN_MONTHS, unfinishedAnswers, type Answers } from './answers.js';
import { cautionsFor, HOUSE_RULES, houseRules, type Caution, type CautionId } from './cautions.js';
import { isEmptyEffect } from './effect.js';
import { withoutLifted, type LiftCode } from './lifts.js';

/** A doctor or physiotherapist, or a guardian, has agreed: what is needed of it to know which cautions stand. */
export interface ClearanceFact {
  readonly cautionId: CautionId;
  readonly on: PlainDate;
  /** Limits that it lifts by name; none of them by being there. */
  readonly lifts: readonly LiftCode[];
}

/** Where the screening of a client stands, and what follows from it. */
export interface Screening {
  /** `open`: questions are missing. `refer`: a doctor or physiotherapist first. `cleared`: one has agreed. `clear`: nothing blocks. */
  readonly state: 'open' | 'refer' | 'cleared' | 'clear';
  /** In force now, the rules of the house among them; a plan keeps to all of them. */
  readonly current: readonly Caution[];
  /** Lifted by a clearance, wholly or in part. */
  readonly lifted: readonly Caution[];
  /**
   * Referred by rules that are newer than the answers: they block planning and are told to the coach, and hold sessions once the questions are
   * answered again.
   */
  readonly announced: readonly CautionId[];
  /** True when no session may be done now. */
  readonly holds: boolean;
}

export const NOT_ASKED: Screening = { state: 'open', current: houseRules([]), lifted: [], announced: [], holds: false };

/** Cautions that were limits when the answers were given, before what they ask had to be told apart. */
const REFER_SINCE: readonly CautionId[] = ['neck-arthritis', 'balance', 'eyes'];

/** Day from which a clearance no longer counts. */
export function clearanceEnds(on: PlainDate): PlainDate {
  return addMonths(on, RESCREEN_MONTHS);
}

/**
 * What stands on a day. A clearance of a refer opens planning; what its caution takes away stays, but for the limits that the record names. A
 * guardian's consent does the same.
 * @param stored answers of the latest intake; null when the questions were never asked
 * @param age whole years on that day
 * @param qualified whether the coach who leads the client has recorded that they may do nerve glides
 */
export function screeningOn(
  stored: Answers | null,
  age: number,
  clearances: readonly ClearanceFact[],
  day: PlainDate,
  qualified = false,
): Screening {
  const valid = clearances.filter((x) => x.on <= day && day < clearanceEnds(x.on));
  const house = houseRules(
    HOUSE_RULES.filter((id) => (id === 'nerve-glides' ? qualified : valid.some((x) => x.cautionId === id))),
  );
  if (stored === null) return { ...NOT_ASKED, current: house };
  const answers = answersFrom(stored);
  const lifted: Caution[] = [];
  const current = cautionsFor(answers, age, day).flatMap((c): Caution[] => {
    const given = valid.filter((x) => x.cautionId === c.id);
    const effect = withoutLifted(
      c.effect,
      given.flatMap((x) => x.lifts),
    );
    if (given.length === 0 || c.outcome === 'note') return [c];
    lifted.push(c);
    if (isEmptyEffect(effect)) return [];
    return [{ ...c, outcome: 'limit', urgency: null, effect }];
  });
  const refers = current.filter((c) => c.outcome === 'refer');
  const announced =
    stored.details === undefined ? refers.map((c) => c.id).filter((id) => REFER_SINCE.includes(id)) : [];
  const unfinished = openQuestions(answers).length > 0 || unfinishedAnswers(answers).length > 0;
  const cleared = lifted.some((c) => c.outcome === 'refer');
  const state = refers.length > 0 ? 'refer' : unfinished ? 'open' : cleared ? 'cleared' : 'clear';
  return {
    state,
    current: [...current, ...house],
    lifted,
    announced,
    holds: refers.some((c) => !announced.includes(c.id)),
  };
}
