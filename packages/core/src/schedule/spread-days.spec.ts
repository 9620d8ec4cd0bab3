import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { mostApart } from './spread-days.js';
import type { Weekday } from './weekday.js';

describe('days that keep a distance', () => {
  // Counted on the fingers: a week repeats, so Sunday stands next to Monday.
  it.each([
    [[1, 2, 3, 4, 5, 6, 7], 1, 7],
    [[1, 2, 3, 4, 5, 6, 7], 2, 3],
    [[1, 2, 3, 4, 5, 6, 7], 3, 2],
    [[1, 2, 3, 4, 5, 6, 7], 4, 1],
    [[1, 3, 5], 2, 3],
    [[1, 3, 5, 7], 2, 3],
    [[1, 7], 2, 1],
    [[6, 7], 2, 1],
    [[2], 2, 1],
    [[], 2, 0],
    [[3, 3, 3], 1, 1],
  ] as const)('of %j with a gap of %d are %d', (days, gap, most) => {
    expect(mostApart(days, gap)).toBe(most);
  });

  /** All choices of days, tried one by one: the largest whose neighbours, round the week, are far enough apart. */
  function byTrying(days: readonly Weekday[], gap: number): number {
    let best = days.length > 0 ? 1 : 0;
    for (let mask = 0; mask < 128; mask++) {
      const chosen = [1, 2, 3, 4, 5, 6, 7].filter((d) => mask & (1 << (d - 1)));
      if (chosen.some((d) => !days.includes(d as Weekday)) || chosen.length < 2) continue;
      const far = chosen.every((d) =>
        chosen.every((e) => d === e || (Math.abs(d - e) >= gap && 7 - Math.abs(d - e) >= gap)),
      );
      if (far) best = Math.max(best, chosen.length);
    }
    return best;
  }
  it('are as many as there can be', () => {
    const anyDays = fc.uniqueArray(fc.integer({ min: 1, max: 7 }).map((d) => d as Weekday));
    fc.assert(
      fc.property(anyDays, fc.integer({ min: 1, max: 5 }), (days, gap) => {
        expect(mostApart(days, gap)).toBe(byTrying(days, gap));
      }),
    );
  });
});
