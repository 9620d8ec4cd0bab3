import type { Answers } from './answers.js';
import type { QuestionId } from './questions.js';

const same = (a: readonly unknown[] | undefined, b: readonly unknown[] | undefined): boolean =>
  JSON.stringify([...(a ?? [])].sort()) === JSON.stringify([...(b ?? [])].sort());

/**
 * What a client answers alone, beside what is on record: a client's answer can add a caution and never take one away. A yes that the client now
 * denies, or tells apart otherwise, stands as it was recorded until the coach asks; it is listed as denied.
 * @param recorded the latest answers on record; null for none
 */
export function withRecorded(answers: Answers, recorded: Answers | null): Answers {
  if (!recorded) return answers;
  const denied: QuestionId[] = [];
  const regions = { ...answers.regions };
  const details = { ...answers.details };
  const dates = { ...answers.dates };
  for (const id of recorded.yes) {
    const told = recorded.details?.[id];
    const agrees =
      answers.yes.includes(id) &&
      (told === undefined || same(told, details[id])) &&
      (recorded.regions[id] ?? []).every((r) => regions[id]?.includes(r)) &&
      (recorded.dates?.[id] === undefined || recorded.dates[id] === dates[id]);
    if (agrees) continue;
    denied.push(id);
    regions[id] = [...new Set([...(recorded.regions[id] ?? []), ...(regions[id] ?? [])])];
    if (told) details[id] = told;
    const day = recorded.dates?.[id];
    if (day) dates[id] = day;
    if (regions[id].length === 0) delete regions[id];
  }
  return {
    yes: [...new Set([...answers.yes, ...recorded.yes])],
    no: answers.no.filter((id) => !recorded.yes.includes(id)),
    regions,
    details,
    dates,
    ...(denied.length > 0 ? { denied } : {}),
  };
}
