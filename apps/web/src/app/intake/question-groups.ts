import {
  bodyRegionName,
  BODY_REGIONS,
  cautionsFor,
  QUESTION_GROUPS,
  QUESTIONS,
  type Answers,
  type BodyRegionId,
  type Caution,
  type QuestionGroup,
  type QuestionId,
} from '@yandle/core';

export const NO_ANSWERS: Answers = { yes: [], no: [], regions: {} };

/** A question as it is asked, with the answer so far and what follows from it. */
export interface AskedQuestion {
  readonly id: QuestionId;
  readonly text: string;
  readonly answer: 'yes' | 'no' | null;
  /** Regions to choose from when the answer is yes and is about regions; null otherwise. */
  readonly regions: readonly { readonly id: BodyRegionId; readonly name: string; readonly chosen: boolean }[] | null;
  readonly caution: Caution | null;
}

/** How far a group of questions has come. */
export interface GroupState {
  readonly group: QuestionGroup;
  readonly of: number;
  readonly answered: number;
  readonly yes: number;
}

/** The questions of a group with their answers. */
export function askedQuestions(group: QuestionGroup, answers: Answers, age: number): AskedQuestion[] {
  const cautions = cautionsFor(answers, age);
  return QUESTIONS.filter((q) => q.group === group).map((q) => {
    const answer = answers.yes.includes(q.id) ? 'yes' : answers.no.includes(q.id) ? 'no' : null;
    const chosen = answers.regions[q.id] ?? [];
    return {
      id: q.id,
      text: q.text,
      answer,
      regions:
        'regions' in q && answer === 'yes'
          ? BODY_REGIONS.map((r) => ({ id: r.id, name: bodyRegionName(r.id), chosen: chosen.includes(r.id) }))
          : null,
      caution: cautions.find((c) => c.id === q.id) ?? null,
    };
  });
}

export function groupStates(answers: Answers): GroupState[] {
  return QUESTION_GROUPS.map((group) => {
    const ids: QuestionId[] = QUESTIONS.filter((q) => q.group === group).map((q) => q.id);
    return {
      group,
      of: ids.length,
      answered: ids.filter((id) => answers.yes.includes(id) || answers.no.includes(id)).length,
      yes: ids.filter((id) => answers.yes.includes(id)).length,
    };
  });
}

/** Answers with one of them changed. A no forgets the regions of the yes before. */
export function withAnswer(answers: Answers, id: QuestionId, answer: 'yes' | 'no'): Answers {
  const { [id]: own, ...others } = answers.regions;
  return {
    yes: [...answers.yes.filter((q) => q !== id), ...(answer === 'yes' ? [id] : [])],
    no: [...answers.no.filter((q) => q !== id), ...(answer === 'no' ? [id] : [])],
    regions: answer === 'yes' && own ? { ...others, [id]: own } : others,
  };
}

/** No to every question of a group that has no answer yet. */
export function withNoToTheRest(answers: Answers, group: QuestionGroup): Answers {
  return QUESTIONS.filter((q) => q.group === group)
    .filter((q) => !answers.yes.includes(q.id) && !answers.no.includes(q.id))
    .reduce<Answers>((a, q) => withAnswer(a, q.id, 'no'), answers);
}

export function withRegion(answers: Answers, id: QuestionId, region: BodyRegionId): Answers {
  const now = answers.regions[id] ?? [];
  const next = now.includes(region) ? now.filter((r) => r !== region) : [...now, region];
  return { ...answers, regions: { ...answers.regions, [id]: next } };
}
