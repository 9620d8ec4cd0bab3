import { describe, expect, it } from 'vitest';
import { EXERCISES, exerciseById } from '../catalogue/exercises.js';
import { kindOf } from '../technique/catalogue.js';
import { firstItem } from './first-item.js';
import { buildTimeline } from './timeline.js';

describe('an exercise added by hand', () => {
  it.each(EXERCISES.map((e) => [e.id, e] as const))('%s can be done as it first stands', (_, e) => {
    const item = firstItem(e);
    expect(item).toMatchObject({ exerciseId: e.id, sets: 1, sensation: 4 });
    for (const field of kindOf(e.technique).needs) expect(item[field as keyof typeof item]).toBeDefined();
    const amount = kindOf(e.technique).unit === 'seconds' ? item.holdSeconds : item.reps!;
    expect(amount).toBeGreaterThanOrEqual(e.amount.min);
    expect(amount).toBeLessThanOrEqual(e.amount.max);
    expect(buildTimeline([item]).totalSeconds).toBeGreaterThan(0);
  });

  it('begins as the plainest style does: a hold of 30 s, one of the neck no longer than it is made for', () => {
    expect(firstItem(exerciseById('supine-strap-hamstring')).holdSeconds).toBe(30);
    expect(firstItem(exerciseById('lying-neck-front')).holdSeconds).toBeLessThanOrEqual(30);
  });
});
