import {
  bodyRegionName,
  BODY_REGIONS,
  cautionsFor,
  questionById,
  QUESTION_GROUPS,
  QUESTIONS,
  unfinishedAnswers,
  type Answers,
  type BodyRegionId,
  type Caution,
  type QuestionGroup,
  type QuestionId,
  type Side,
  isSided,
} from '@yandle/core';

/** A region to choose; `side` is null where none was said, and `sided` false where there is none to say. */
export interface AskedRegion {
  readonly id: BodyRegionId;
  readonly name: string;
  readonly chosen: boolean;
  readonly sided: boolean;
  readonly side: Side | null;
}

/** A question as it is asked, with the answer so far and what follows from it. */
export interface AskedQuestion {
  readonly id: QuestionId;
  readonly text: string;
  readonly answer: 'yes' | 'no' | null;
  /** Regions to choose from when the answer is yes and is about regions; null otherwise. */
  readonly regions: readonly AskedRegion[] | null;
  /** What a yes is told apart by, when the answer is yes and is told apart; null otherwise. */
  readonly detail: {
    readonly ask: string;
    readonly many: boolean;
    readonly options: readonly { readonly id: string; readonly text: string; readonly chosen: boolean }[];
  } | null;
  /** The day that belongs to a yes; null where none is asked for. */
  readonly date: { readonly ask: string; readonly value: string } | null;
  readonly caution: Caution | null;
  /** The client denied what is on record. */
  readonly denied: boolean;
}

/** How far a group of questions has come. */
export interface GroupState {
  readonly group: QuestionGroup;
  readonly of: number;
  readonly answered: number;
  readonly yes: number;
  /** Yeses that still need a place, or what they are told apart by. */
  readonly unfinished: number;
}

/** The questions of a group with their answers. */
export function askedQuestions(
  group: QuestionGroup,
  answers: Answers,
  age: number,
  today: string | null,
): AskedQuestion[] {
  const cautions = cautionsFor(answers, age, today);
  return QUESTIONS.filter((q) => q.group === group).map(({ id }) => {
    const q = questionById(id);
    const answer = answers.yes.includes(q.id) ? 'yes' : answers.no.includes(q.id) ? 'no' : null;
    const chosen = answers.regions[q.id] ?? [];
    return {
      id: q.id,
      text: q.text,
      answer,
      regions:
        q.regions && answer === 'yes'
          ? BODY_REGIONS.map((r) => ({
              id: r.id,
              name: bodyRegionName(r.id),
              chosen: chosen.includes(r.id),
              sided: isSided(r.id),
              side: answers.sides?.[q.id]?.[r.id] ?? null,
            }))
          : null,
      detail:
        q.detail && answer === 'yes'
          ? {
              ask: q.detail.ask,
              many: q.detail.many ?? false,
              options: q.detail.options.map((o) => ({
                ...o,
                chosen: answers.details?.[q.id]?.includes(o.id) ?? false,
              })),
            }
          : null,
      date: q.date && answer === 'yes' ? { ask: q.date, value: answers.dates?.[q.id] ?? '' } : null,
      caution: cautions.find((c) => c.id === q.id) ?? null,
      denied: answers.denied?.includes(q.id) ?? false,
    };
  });
}

export function groupStates(answers: Answers): GroupState[] {
  const unfinished = unfinishedAnswers(answers);
  return QUESTION_GROUPS.map((group) => {
    const ids: QuestionId[] = QUESTIONS.filter((q) => q.group === group).map((q) => q.id);
    return {
      group,
      of: ids.length,
      answered: ids.filter((id) => answers.yes.includes(id) || answers.no.includes(id)).length,
      yes: ids.filter((id) => answers.yes.includes(id)).length,
      unfinished: unfinished.filter((id) => ids.includes(id)).length,
    };
  });
}

/** Without what belonged to a yes. */
function without<T>(
  of: Readonly<Partial<Record<QuestionId, T>>> | undefined,
  id: QuestionId,
): Partial<Record<QuestionId, T>> {
  return Object.fromEntries(Object.entries(of ?? {}).filter(([q]) => q !== id));
}

/** Answers with one of them changed. A no forgets what belonged to the yes before; either is an answer, so that nothing is denied any more. */
export function withAnswer(answers: Answers, id: QuestionId, answer: 'yes' | 'no'): Answers {
  const { denied = [], ...rest } = answers;
  const left = denied.filter((q) => q !== id);
  return {
    ...rest,
    ...(left.length > 0 ? { denied: left } : {}),
    yes: [...answers.yes.filter((q) => q !== id), ...(answer === 'yes' ? [id] : [])],
    no: [...answers.no.filter((q) => q !== id), ...(answer === 'no' ? [id] : [])],
    ...(answer === 'yes'
      ? {}
      : {
          regions: without(answers.regions, id),
          ...(answers.sides && { sides: without(answers.sides, id) }),
          details: without(answers.details, id),
          dates: without(answers.dates, id),
        }),
  };
}

/** A way of a yes, chosen or, where several may be true, taken back. */
export function withDetail(answers: Answers, id: QuestionId, detail: string): Answers {
  const now = answers.details?.[id] ?? [];
  const many = questionById(id).detail?.many;
  const next = !many ? [detail] : now.includes(detail) ? now.filter((d) => d !== detail) : [...now, detail];
  return { ...answers, details: { ...answers.details, [id]: next } };
}

/** The day of a yes; an empty one is not known. */
export function withDate(answers: Answers, id: QuestionId, day: string): Answers {
  const dates = without(answers.dates, id);
  return { ...answers, dates: day ? { ...dates, [id]: day } : dates };
}

/** No to every question of a group that has no answer yet. */
export function withNoToTheRest(answers: Answers, group: QuestionGroup): Answers {
  return QUESTIONS.filter((q) => q.group === group)
    .filter((q) => !answers.yes.includes(q.id) && !answers.no.includes(q.id))
    .reduce<Answers>((a, q) => withAnswer(a, q.id, 'no'), answers);
}

/** A region chosen, or taken back with its side. */
export function withRegion(answers: Answers, id: QuestionId, region: BodyRegionId): Answers {
  const now = answers.regions[id] ?? [];
  const next = now.includes(region) ? now.filter((r) => r !== region) : [...now, region];
  const changed = { ...answers, regions: { ...answers.regions, [id]: next } };
  return next.includes(region) ? changed : withSide(changed, id, region, null);
}

/** The side of a region; null where it is not known, or both. */
export function withSide(answers: Answers, id: QuestionId, region: BodyRegionId, side: Side | null): Answers {
  const { [region]: before, ...others } = answers.sides?.[id] ?? {};
  if (side === null && before === undefined) return answers;
  const sides = side === null ? others : { ...others, [region]: side };
  return {
    ...answers,
    sides: { ...without(answers.sides, id), ...(Object.keys(sides).length > 0 && { [id]: sides }) },
  };
}
