import type { Side } from '../anatomy/side.js';
import type { BodyRegionId } from '../anatomy/body-region.js';
import { addMonths, type PlainDate } from '../schedule/plain-date.js';
import { QUESTION_IDS, questionById, type QuestionId } from './questions.js';

/** Answers of one asking. A question without an entry has not been asked. */
export interface Answers {
  readonly yes: readonly QuestionId[];
  readonly no: readonly QuestionId[];
  /** Regions that a yes is about. */
  readonly regions: Readonly<Partial<Record<QuestionId, readonly BodyRegionId[]>>>;
  /** On which side each of its regions is; one that is not there was not said, or is on both. It is shown, and takes no limit away. */
  readonly sides?: Readonly<Partial<Record<QuestionId, Readonly<Partial<Record<BodyRegionId, Side>>>>>>;
  /** What a yes was told apart by; answers from before this was asked have none, and are read strictly. */
  readonly details?: Readonly<Partial<Record<QuestionId, readonly string[]>>>;
  /** Yeses on record that a client denied, or told apart otherwise: they stand until a coach asks. */
  readonly denied?: readonly QuestionId[];
  /** Days that belong to a yes. */
  readonly dates?: Readonly<Partial<Record<QuestionId, PlainDate>>>;
}

export const NO_ANSWERS: Answers = { yes: [], no: [], regions: {}, details: {}, dates: {} };

/** Months after which a question is asked again where it says nothing else, and a clearance is renewed. Common practice, no source. */
export const RESCREEN_MONTHS = 12;

/** Questions that have not been answered. */
export function openQuestions(answers: Answers): QuestionId[] {
  return QUESTION_IDS.filter((id) => !answers.yes.includes(id) && !answers.no.includes(id));
}

/** Questions whose yes still needs the regions it is about, or what it is told apart by. */
export function unfinishedAnswers(answers: Answers): QuestionId[] {
  return answers.yes.filter((id) => {
    const { regions, detail } = questionById(id);
    const missing = (list: readonly unknown[] | undefined) => (list ?? []).length === 0;
    return (regions && missing(answers.regions[id])) || (detail && missing(answers.details?.[id]));
  });
}

/**
 * Answers as they were stored, by the questions of today: what is asked no more is left out, and what was asked as one question is a yes to
 * each that came of it. The limits of a yes never get less by it.
 */
export function answersFrom(stored: Answers): Answers {
  const known = (ids: readonly string[]): QuestionId[] => QUESTION_IDS.filter((id) => ids.includes(id));
  const yes = new Set(known(stored.yes));
  // "Pregnant, or given birth": until it is asked again it may be either. "Bend far, or come out of place" likewise.
  const before = stored.details === undefined;
  if (before && yes.has('pregnancy')) yes.add('birth');
  if (before && yes.has('loose-joints')) yes.add('dislocated');
  return { ...stored, yes: [...yes], no: known(stored.no).filter((id) => !yes.has(id)) };
}

/**
 * Day on which some answer is due again: the first that has lived its time.
 * @param stored answers as they were stored; a question of then that is asked no more counts for nothing
 */
export function rescreenDue(askedOn: PlainDate, stored: Answers): PlainDate {
  const months = answersFrom(stored).yes.map((id) => questionById(id).months ?? RESCREEN_MONTHS);
  return addMonths(askedOn, Math.min(RESCREEN_MONTHS, ...months));
}
