import { ROM_TESTS } from '../catalogue/tests.js';
import { CoreError } from '../errors.js';
import type { Source } from '../source.js';
import type { RomTest } from '../catalogue/rom-test.js';

/** A coach's own error of a test: stands for the catalogue's figure in what this coach measured. SEM in the unit of the test. */
export interface OwnErrorFigure {
  readonly testId: string;
  /** Who measured. */
  readonly coachId: string;
  readonly sem: number;
  /** Clients measured twice behind it; null when it was stated. */
  readonly clients: number | null;
  readonly source: Source;
}

/** The tests a studio works with: the catalogue, its own ones, and the errors its coaches have adopted. */
export interface TestCatalogue {
  readonly tests: readonly RomTest[];
  /** Own tests no longer offered; their results still show. */
  readonly archived: ReadonlySet<string>;
  readonly errors: readonly OwnErrorFigure[];
}

/** The catalogue alone: no own tests, no own errors. */
export const SHIPPED_TESTS: TestCatalogue = { tests: ROM_TESTS, archived: new Set(), errors: [] };

/** A catalogue of the catalogue, own tests and own errors. */
export function testCatalogue(
  own: readonly { readonly test: RomTest; readonly archived: boolean }[],
  errors: readonly OwnErrorFigure[],
): TestCatalogue {
  return {
    tests: [...ROM_TESTS, ...own.map((o) => o.test)],
    archived: new Set(own.filter((o) => o.archived).map((o) => o.test.id)),
    errors,
  };
}

/** Tests a coach can choose: all but archived ones. */
export function offeredTests(catalogue: TestCatalogue): RomTest[] {
  return catalogue.tests.filter((t) => !catalogue.archived.has(t.id));
}

/** @throws CoreError `unknown-test` */
export function testInCatalogue(catalogue: TestCatalogue, id: string): RomTest {
  const test = catalogue.tests.find((t) => t.id === id);
  if (!test) throw new CoreError('unknown-test', { code: 'unknown-test', args: { id } });
  return test;
}

/** A test with the error of whoever measured: their own when they adopted one, else the catalogue's. */
export function asMeasuredBy(catalogue: TestCatalogue, test: RomTest, coachId: string): RomTest {
  const own = catalogue.errors.find((e) => e.testId === test.id && e.coachId === coachId);
  if (!own) return test;
  // Measured twice each, n clients leave n − 1 degrees of freedom.
  const df = own.clients === null ? null : own.clients - 1;
  return { ...test, error: { sem: own.sem, df, source: own.source } };
}
