import { bodyRegionName } from '../anatomy/body-region.js';
import type { Caution } from '../screening/cautions.js';
import { CONDITION_CASES, type ConditionCase } from '../screening/conditions.js';
import { cautionsAgainst, cautionsAgainstTest, type ExerciseTraits, type TestTraits } from '../screening/limits.js';
import { questionById } from '../screening/questions.js';
import { conditionName } from './caution.js';
import { lowerFirst } from './list.js';

/** A condition, with what is said of it in brackets; empty for nothing. */
interface Said {
  readonly who: string;
  readonly of: string;
}

/** The ways of one condition that rule something out, in words: "an artificial hip", or with the way where only some do. */
function saidOf(cases: readonly ConditionCase[], all: readonly ConditionCase[]): Said[] {
  const { id } = cases[0]!;
  const who = conditionName(id);
  if (!who) return [];
  const regions = cases.flatMap((c) => c.region ?? []);
  if (regions.length > 0) return [{ who, of: regions.map((r) => lowerFirst(bodyRegionName(r))).join(', ') }];
  if (cases.length === all.length) return [{ who, of: '' }];
  // Not told apart is the strictest: where only that counts, nobody who was told apart is meant.
  const told = cases.flatMap((c) => c.detail ?? []).filter((d) => d !== 'unknown');
  const options = questionById(id).detail!.options;
  const words = told.map((d) => {
    const { said, text } = options.find((o) => o.id === d)!;
    return said ?? lowerFirst(text);
  });
  return [{ who, of: words.length > 0 ? words.join('; ') : 'not told apart' }];
}

function saidFor(rulesOut: (caution: Caution) => boolean): string[] {
  const ids = [...new Set(CONDITION_CASES.map((c) => c.id))];
  const said = ids.flatMap((id) => {
    const all = CONDITION_CASES.filter((c) => c.id === id);
    const cases = all.filter((c) => rulesOut(c.caution));
    return cases.length > 0 ? saidOf(cases, all) : [];
  });
  // What is said of the same places is said once: "an inflamed joint or a fresh tear (knee)".
  return said
    .filter((s, i) => s.of === '' || said.findIndex((x) => x.of === s.of) === i)
    .map(({ who, of }) =>
      of === ''
        ? who
        : `${said
            .filter((x) => x.of === of)
            .map((x) => x.who)
            .join(' or ')} (${of})`,
    );
}

const remembered = new WeakMap<object, readonly string[]>();

function once(of: object, make: () => readonly string[]): readonly string[] {
  let words = remembered.get(of);
  if (!words) remembered.set(of, (words = make()));
  return words;
}

/**
 * Who should not do an exercise: made from the same codes by which cautions remove it, so that text and effect cannot differ; and what a coach
 * wrote besides.
 */
export function notForWords(exercise: ExerciseTraits & { readonly notFor: readonly string[] }): readonly string[] {
  return once(exercise, () => [...saidFor((c) => cautionsAgainst(exercise, [c]).length > 0), ...exercise.notFor]);
}

/** Who should not be measured with a test, likewise. */
export function testNotForWords(test: TestTraits & { readonly notFor: readonly string[] }): readonly string[] {
  return once(test, () => [...saidFor((c) => cautionsAgainstTest(test, [c]).length > 0), ...test.notFor]);
}
