import { BODY_REGION_IDS, type BodyRegionId } from '../anatomy/body-region.js';
import { NO_ANSWERS, type Answers } from './answers.js';
import { cautionOf, type Caution } from './cautions.js';
import { QUESTIONS, questionById, type QuestionId } from './questions.js';

/** A condition in one of the ways it can be told apart. */
export interface ConditionCase {
  readonly id: QuestionId;
  /** Null where the condition is about no region. */
  readonly region: BodyRegionId | null;
  /** Null where it is not told apart, or not known: read strictly. */
  readonly detail: string | null;
  readonly caution: Caution;
}

function caseOf(id: QuestionId, region: BodyRegionId | null, detail: string | null): ConditionCase {
  const answers: Answers = {
    ...NO_ANSWERS,
    yes: [id],
    regions: region ? { [id]: [region] } : {},
    details: detail ? { [id]: [detail] } : {},
  };
  return { id, region, detail, caution: cautionOf(id, answers) };
}

/** Every way of answering a question yes: a region each, a detail each, and not told apart. */
function casesOf(id: QuestionId): ConditionCase[] {
  const { regions, detail } = questionById(id);
  if (regions) return BODY_REGION_IDS.map((r) => caseOf(id, r, null));
  return [caseOf(id, null, null), ...(detail?.options ?? []).map((o) => caseOf(id, null, o.id))];
}

/** Every condition in every way. */
export const CONDITION_CASES: readonly ConditionCase[] = QUESTIONS.flatMap((q) => casesOf(q.id));
