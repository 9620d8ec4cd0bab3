import { CoreError } from '../errors.js';
import type { RomTest } from './rom-test.js';
import { HIP_TESTS } from './rom/hip.js';
import { LEG_TESTS } from './rom/leg.js';
import { PRACTICE_TESTS } from './rom/by-practice.js';
import { TRUNK_AND_REACH_TESTS } from './rom/trunk-and-reach.js';
import { UPPER_TESTS } from './rom/upper.js';

export { ACTIVE_KNEE_EXTENSION, WEIGHT_BEARING_LUNGE } from './rom/leg.js';

/** The range-of-motion tests that ship with the product: those with published values from the floor up, then those from practice. */
export const ROM_TESTS: readonly RomTest[] = [
  ...LEG_TESTS,
  ...HIP_TESTS,
  ...UPPER_TESTS,
  ...PRACTICE_TESTS,
  ...TRUNK_AND_REACH_TESTS,
];

/**
 * A test by its id.
 * @throws CoreError `unknown-test`
 */
export function romTestById(id: string): RomTest {
  const test = ROM_TESTS.find((t) => t.id === id);
  if (!test) throw new CoreError('unknown-test', { code: 'unknown-test', args: { id } });
  return test;
}
