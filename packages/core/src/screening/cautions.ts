import type { BodyRegionId } from '../anatomy/body-region.js';
import type { PlainDate } from '../schedule/plain-date.js';
import type { Answers } from './answers.js';
import { QUESTION_IDS, type QuestionId } from './questions.js';
import {
  NERVE_GLIDE_RULE,
  OVER_65_RULE,
  RULES,
  UNDER_18_RULE,
  type Outcome,
  type Rule,
  type Urgency,
} from './rules.js';

export type CautionId = QuestionId | 'under-18' | 'over-65' | 'nerve-glides';

/** What follows from an answer or from the age; core/words says it. */
export interface Caution extends Rule {
  readonly id: CautionId;
  /** Regions that the answer is about; empty where none were asked for. */
  readonly regions: readonly BodyRegionId[];
  /** What the answer was told apart by; empty where it was not. */
  readonly details: readonly string[];
}

const plain = (id: CautionId, rule: Rule): Caution => ({ id, ...rule, regions: [], details: [] });
const UNDER_18 = plain('under-18', UNDER_18_RULE);
const OVER_65 = plain('over-65', OVER_65_RULE);
export const NERVE_GLIDES = plain('nerve-glides', NERVE_GLIDE_RULE);

/** The caution of a yes. @param day on which it is read; null reads it as strictly as any day would */
export function cautionOf(id: QuestionId, answers: Answers, day: PlainDate | null = null): Caution {
  const regions = answers.regions[id] ?? [];
  const details = answers.details?.[id] ?? [];
  return { id, ...RULES[id]({ regions, details, date: answers.dates?.[id] ?? null, day }), regions, details };
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
