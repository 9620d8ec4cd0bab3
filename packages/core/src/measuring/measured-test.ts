import type { RomTest } from '../catalogue/rom-test.js';
import { currentResult, readingsOf, sidesOfTest, testerIn, type TakenAssessment } from './assessment.js';
import type { ResultError } from './error.js';
import { asMeasuredBy, type TestCatalogue } from './test-catalogue.js';

/** Values of one test that speak for a client, in its unit. `both` for a test without sides. */
export interface MeasuredTest {
  readonly test: RomTest;
  readonly left: number | null;
  readonly right: number | null;
  readonly both: number | null;
  /** Errors of the values; the usual one of the test where left out. */
  readonly errors?: Readonly<Partial<Record<'left' | 'right' | 'both', ResultError>>>;
  /** The client's goal for this test; null for none. */
  readonly goal?: number | null;
}

/** A test with the error of whoever took it in an assessment. */
export function asMeasuredIn<A extends TakenAssessment>(
  catalogue: TestCatalogue,
  assessment: A,
  test: RomTest,
): RomTest {
  const side = sidesOfTest(test).find((s) => readingsOf(assessment, test, s).length > 0) ?? null;
  return asMeasuredBy(catalogue, test, testerIn(assessment, test, side));
}

/**
 * The results that speak for a client now, test by test: what findings, sides and hypermobility go by. Tests never taken are left out.
 * Each has the error of who took it last.
 */
export function measuredTests<A extends TakenAssessment>(
  assessments: readonly A[],
  catalogue: TestCatalogue,
): (MeasuredTest & { readonly date: string })[] {
  return catalogue.tests.flatMap((test) => {
    const results = sidesOfTest(test).map((side) => ({ side, now: currentResult(assessments, catalogue, test, side) }));
    const newest = results.flatMap(({ now }) => now ?? []).sort((a, b) => (a.date < b.date ? 1 : -1))[0];
    if (!newest) return [];
    const now = (of: 'left' | 'right' | null) => results.find((r) => r.side === of)?.now ?? null;
    const value = (of: 'left' | 'right' | null) => now(of)?.value ?? null;
    const error = (of: 'left' | 'right' | null) => {
      const result = now(of);
      return result ? { [of ?? 'both']: { sem: result.sem, df: result.df } } : {};
    };
    return [
      {
        test: asMeasuredIn(catalogue, newest.from.at(-1)!, test),
        left: value('left'),
        right: value('right'),
        both: value(null),
        errors: { ...error('left'), ...error('right'), ...error(null) },
        date: newest.date,
      },
    ];
  });
}
