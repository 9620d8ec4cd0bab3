import { describe, expect, it } from 'vitest';
import { EXERCISES, exerciseById } from '../catalogue/exercises.js';
import { techniquesOf } from '../catalogue/forms.js';
import { firstItem } from './first-item.js';
import { partAmount, partDoneAs, partList, partOf, partUnit, withNextPart, withPart } from './part-edits.js';
import { buildTimeline } from './timeline.js';

const strap = exerciseById('supine-strap-hamstring');
const plain = firstItem(strap);

describe('parts that are changed by hand', () => {
  it('turn a hold into five moves and a hold, and back', () => {
    const moves = partOf(partDoneAs(strap, 'moving stretch', false), strap, 5)!;
    const both = withNextPart(withPart(plain, strap, 0, moves), strap);
    expect(both).toMatchObject({ technique: 'moving stretch', reps: 5, then: [{ technique: 'static hold' }] });
    const long = withPart(both, strap, 1, partOf(partList(both, strap)[1]!, strap, 20));
    expect(long.then).toMatchObject([{ technique: 'static hold', holdSeconds: 20 }]);
    const back = withPart(long, strap, 0, null);
    // Nothing of the moves is left behind.
    expect(back).toEqual({ ...plain, holdSeconds: 20 });
    expect(withPart(back, strap, 0, null)).toBe(back);
  });

  it('name directions, each like the one before', () => {
    const first = withPart(plain, strap, 0, { ...partList(plain, strap)[0]!, holdSeconds: 10, name: 'Toes up' });
    const two = withNextPart(first, strap);
    expect(two).toMatchObject({ name: 'Toes up', holdSeconds: 10 });
    expect(two.then).toEqual([{ technique: 'static hold', holdSeconds: 10 }]);
    let many = two;
    for (let i = 0; i < 20; i++) many = withNextPart(many, strap);
    expect(partList(many, strap)).toHaveLength(9);
  });

  it('count a hold in breaths, a usual one of 5 s until the client’s is known', () => {
    const six = partDoneAs(strap, 'static hold', true);
    expect([partUnit(six, strap), partAmount(six, strap), six.holdSeconds]).toEqual(['breaths', 6, 30]);
    expect(partOf(six, strap, 4)).toMatchObject({ breaths: 4, holdSeconds: 20 });
    for (const not of [0, 61, 1.5]) expect(partOf(six, strap, not)).toBeNull();
  });

  it.each(EXERCISES.map((e) => [e.id, e] as const))('of %s can be done whichever way it can', (_, e) => {
    for (const technique of techniquesOf(e)) {
      const item = withPart(firstItem(e), e, 0, partDoneAs(e, technique, false));
      expect(buildTimeline([withNextPart(item, e)]).totalSeconds).toBeGreaterThan(buildTimeline([item]).totalSeconds);
    }
  });
});
