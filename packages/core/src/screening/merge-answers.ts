import type { Answers } from './answers.js';
import type { QuestionId } from './questions.js';

const same = (a: readonly unknown[] | undefined, b: readonly unknown[] | undefined): boolean =>
  JSON.stringify([...(a ?? [])].sort()) === JSON.stringify([...(b ?? [])].sort());

type Where = NonNullable<NonNullable<Answers['sides']>[QuestionId]>;

/** Sides as two have said them: where they differ it may be either, so none is said. Nothing where none is left. */
function bothSaid(a: Where = {}, b: Where = {}): Where | null {
  const differ = (region: string) =>
    region in a && region in b && a[region as keyof Where] !== b[region as keyof Where];
  const left = Object.entries({ ...a, ...b }).filter(([region]) => !differ(region));
  return left.length > 0 ? Object.fromEntries(left) : null;
}

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
  const sides = { ...answers.sides };
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
    const where = bothSaid(recorded.sides?.[id], sides[id]);
    if (where) sides[id] = where;
    else delete sides[id];
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
    ...(Object.keys(sides).length > 0 ? { sides } : {}),
    ...(denied.length > 0 ? { denied } : {}),
  };
}
