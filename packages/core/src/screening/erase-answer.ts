import type { Answers } from './answers.js';
import type { QuestionId } from './questions.js';

/** Answers without one question: as if it had not been asked. Its details, dates and regions go with it. */
export function withoutAnswer(answers: Answers, question: QuestionId): Answers {
  const without = <T>(of: Readonly<Partial<Record<string, T>>>): Record<string, T> =>
    Object.fromEntries(Object.entries(of).filter(([id]) => id !== question)) as Record<string, T>;
  return {
    ...answers,
    yes: answers.yes.filter((q) => q !== question),
    no: answers.no.filter((q) => q !== question),
    ...(answers.denied && { denied: answers.denied.filter((q) => q !== question) }),
    regions: without(answers.regions),
    details: without(answers.details ?? {}),
    dates: without(answers.dates ?? {}),
    ...(answers.sides && { sides: without(answers.sides) }),
  };
}
