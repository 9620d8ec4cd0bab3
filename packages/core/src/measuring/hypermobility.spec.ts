import { describe, expect, it } from 'vitest';
import { ROM_TESTS } from '../catalogue/tests.js';
import { isHypermobile, veryFreeTests } from './hypermobility.js';
import type { MeasuredTest } from './measured-test.js';
import { referenceFor } from './reference.js';

// Domain 2.2: three tests (tests, not sides) above mean + 2 SD, or Beighton 5 (adults), 6 before puberty, 4 above 50.
describe('hypermobility', () => {
  const person = { age: 30, sex: 'female' as const };
  const banded = ROM_TESTS.flatMap((test) => {
    const r = referenceFor(test, person);
    return r.kind === 'band' ? [{ test, mean: r.centre, sd: r.sd, freer: test.better === 'more' ? 1 : -1 }] : [];
  });
  const sided = banded.filter((b) => b.test.sides !== 'none');
  const plain = banded.filter((b) => b.test.sides === 'none');
  const at = (b: (typeof banded)[number], spreads: number) => b.mean + b.freer * spreads * b.sd;
  const oneSide = (b: (typeof banded)[number], spreads: number): MeasuredTest => ({
    test: b.test,
    left: at(b, spreads),
    right: null,
    both: null,
  });
  const items = (n: number) => Array.from({ length: 9 }, (_, i) => i < n);

  it('begins with the third test, however many sides', () => {
    const two = sided.slice(0, 2).map((b): MeasuredTest => ({ ...oneSide(b, 2.1), right: at(b, 2.5) }));
    expect(isHypermobile(two, null, person)).toBe(false);
    expect(isHypermobile([...two, oneSide(sided[2]!, 2.1)], null, person)).toBe(true);
  });
  it('counts a test that was taken on one side, or has no sides', () => {
    expect(plain.length).toBeGreaterThan(0);
    const mixed = [
      oneSide(sided[0]!, 2.1),
      oneSide(sided[1]!, 2.1),
      { test: plain[0]!.test, left: null, right: null, both: at(plain[0]!, 2.1) },
    ];
    expect(veryFreeTests(mixed, person)).toHaveLength(3);
    expect(isHypermobile(mixed, null, person)).toBe(true);
  });
  it('two spreads are not beyond two spreads, and the stiff side never counts', () => {
    expect(
      veryFreeTests(
        sided.slice(0, 3).map((b) => oneSide(b, 1.99)),
        person,
      ),
    ).toEqual([]);
    expect(
      veryFreeTests(
        sided.slice(0, 3).map((b) => oneSide(b, -3)),
        person,
      ),
    ).toEqual([]);
  });
  it.each([
    [30, 4, false],
    [30, 5, true],
    [12, 5, false],
    [12, 6, true],
    [51, 4, true],
    [51, 3, false],
  ])('at %i a Beighton score of %i: %s', (age, score, high) => {
    expect(isHypermobile([], items(score), { ...person, age })).toBe(high);
  });
});
