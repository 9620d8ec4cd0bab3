import { EXERCISES } from '../catalogue/exercises.js';
import { techniquesOf } from '../catalogue/forms.js';
import { ROM_TESTS } from '../catalogue/tests.js';
import { cautionChanges, cautionTitle } from '../words/caution.js';
import { cautionsFor, type Caution } from './cautions.js';
import { CONDITION_CASES, type ConditionCase } from './conditions.js';
import { NO_ANSWERS } from './answers.js';
import { cautionsAgainst, cautionsAgainstTest } from './limits.js';
import { questionById } from './questions.js';

const by = (caution: Caution, technique: (typeof EXERCISES)[number]['technique'], e: (typeof EXERCISES)[number]) =>
  cautionsAgainst({ ...e, technique }, [caution]).length > 0;

function row(title: string, caution: Caution): string {
  const all = EXERCISES.filter((e) => techniquesOf(e).every((t) => by(caution, t, e)));
  const some = EXERCISES.filter((e) => !all.includes(e) && techniquesOf(e).some((t) => by(caution, t, e)));
  const tests = ROM_TESTS.filter((t) => cautionsAgainstTest(t, [caution]).length > 0);
  const list = (ids: readonly { readonly id: string }[]) => ids.map((x) => x.id).join(', ') || 'none';
  return [
    `### ${title}`,
    '',
    `${caution.outcome}. ${cautionChanges(caution)}`,
    '',
    `- Left out (${all.length} of ${EXERCISES.length}): ${list(all)}`,
    ...(some.length > 0 ? [`- Only some ways of doing it left out (${some.length}): ${list(some)}`] : []),
    `- Not measured (${tests.length} of ${ROM_TESTS.length}): ${list(tests)}`,
    '',
  ].join('\n');
}

function titleOf({ id, detail, region, caution }: ConditionCase): string {
  const option = questionById(id).detail?.options.find((o) => o.id === detail)?.text;
  const told = option ?? (questionById(id).detail ? 'not told apart' : null);
  return `${cautionTitle(caution)}${region === null && told ? `: ${told}` : ''}`;
}

/** docs/cautions.md: every condition in every way × every exercise × every test. */
export function cautionsDocument(): string {
  const ages = [17, 65].flatMap((age) => cautionsFor(NO_ANSWERS, age));
  return [
    '# Cautions: what each condition takes away',
    '',
    'Written by `npm run docs:cautions` from the codes that the planner, the composer, the server and the phone go by; a test keeps it. Clinical',
    'consensus as the trade teaches it: common practice, no source, unless one is named. What is a *refer* blocks planning until a clearance is',
    'recorded; its limits stay after it, but for those that the record names.',
    '',
    ...CONDITION_CASES.map((c) => row(titleOf(c), c.caution)),
    ...ages.map((c) => row(cautionTitle(c), c)),
  ].join('\n');
}
