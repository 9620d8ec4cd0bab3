import type { Side } from '../anatomy/side.js';
import type { BodyRegionId } from '../anatomy/body-region.js';
import type { PlainDate } from '../schedule/plain-date.js';
import type { Answers } from './answers.js';
import { demanding } from '../technique/catalogue.js';
import { NO_EFFECT, type CautionEffect } from './effect.js';
import { QUESTION_IDS, type QuestionId } from './questions.js';
import { OVER_65_RULE, RULES, UNDER_18_RULE, type Outcome, type Rule, type Urgency } from './rules.js';

/** What is off for everybody until somebody who answers for it has allowed it. */
export const HOUSE_RULES = ['nerve-glides', 'hand-on-head'] as const;
export type HouseRuleId = (typeof HOUSE_RULES)[number];

export type CautionId = QuestionId | 'under-18' | 'over-65' | HouseRuleId;

/** What follows from an answer or from the age; core/words says it. */
export interface Caution extends Rule {
  readonly id: CautionId;
  /** Regions that the answer is about; empty where none were asked for. */
  readonly regions: readonly BodyRegionId[];
  /** On which side a region is, where it was said. */
  readonly sides?: Readonly<Partial<Record<BodyRegionId, Side>>>;
  /** What the answer was told apart by; empty where it was not. */
  readonly details: readonly string[];
}

const plain = (id: CautionId, rule: Rule): Caution => ({ id, ...rule, regions: [], details: [] });
const UNDER_18 = plain('under-18', UNDER_18_RULE);
const OVER_65 = plain('over-65', OVER_65_RULE);

const houseRule = (id: HouseRuleId, effect: Partial<CautionEffect>): Caution =>
  plain(id, { outcome: 'limit', urgency: null, effect: { ...NO_EFFECT, ...effect } });
const OFF: Readonly<Record<HouseRuleId, Caution>> = {
  // Domain rule 2.6, 9: for a coach who has recorded their qualification.
  'nerve-glides': houseRule('nerve-glides', { excludedTechniques: demanding('nerve') }),
  // Domain rule 2.7: for a client of whom the coach has recorded it.
  'hand-on-head': houseRule('hand-on-head', { excludedDemands: ['neck-hand'] }),
};

/** Rules of the house that stand, but for those that are allowed. */
export function houseRules(allowed: readonly HouseRuleId[]): Caution[] {
  return HOUSE_RULES.filter((id) => !allowed.includes(id)).map((id) => OFF[id]);
}

/** True for a rule of the house: it follows from no answer and no age. */
export function isHouseRule({ id }: Pick<Caution, 'id'>): boolean {
  return (HOUSE_RULES as readonly string[]).includes(id);
}

/** The caution of a yes. @param day on which it is read; null reads it as strictly as any day would */
export function cautionOf(id: QuestionId, answers: Answers, day: PlainDate | null = null): Caution {
  const regions = answers.regions[id] ?? [];
  const details = answers.details?.[id] ?? [];
  const sides = answers.sides?.[id];
  const rule = RULES[id]({ regions, details, date: answers.dates?.[id] ?? null, day });
  return { id, ...rule, regions, details, ...(sides && { sides }) };
}

/**
 * Cautions that follow from the answers and the age, the gravest first. Deterministic; the same answers give the same list.
 * @param age whole years
 * @param day on which they are read: a pregnancy goes on; null reads it as strictly as any day would
 */
export function cautionsFor(answers: Answers, age: number, day: PlainDate | null = null): Caution[] {
  const grave: Readonly<Record<Outcome, number>> = { refer: 0, limit: 1, note: 2 };
  const soon: Readonly<Record<Urgency, number>> = { emergency: 0, today: 1, urgent: 2, 'before planning': 3 };
  const all = QUESTION_IDS.filter((id) => answers.yes.includes(id)).map((id) => cautionOf(id, answers, day));
  if (age < 18) all.push(UNDER_18);
  if (age >= 65) all.push(OVER_65);
  const rank = (c: Caution) => grave[c.outcome] * 10 + (c.urgency ? soon[c.urgency] : 5);
  // Array.sort is stable: equal ones stay in the order of the questions.
  return all.sort((a, b) => rank(a) - rank(b));
}
