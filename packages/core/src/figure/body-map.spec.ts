import { describe, expect, it } from 'vitest';
import { MUSCLE_GROUP_IDS } from '../anatomy/muscle-group.js';
import { BODY_BOX, BODY_MAP, BODY_OUTLINE } from './body-map.js';

const points = (path: string) => [...path.matchAll(/(-?[\d.]+) (-?[\d.]+)/g)].map((m) => [Number(m[1]), Number(m[2])]);

describe('the body map', () => {
  it('has each of the 29 groups once', () => {
    expect(BODY_MAP.map((r) => r.group).sort()).toEqual([...MUSCLE_GROUP_IDS].sort());
  });
  it.each([...BODY_MAP.map((r) => [r.group, r.path] as const), ['outline', BODY_OUTLINE] as const])(
    'draws %s inside its box, alike on both halves',
    (_, path) => {
      const all = points(path);
      expect(all.length).toBeGreaterThan(10);
      for (const [x, y] of all) {
        expect(x).toBeGreaterThanOrEqual(0);
        expect(x).toBeLessThanOrEqual(BODY_BOX.width);
        expect(y).toBeGreaterThanOrEqual(0);
        expect(y).toBeLessThanOrEqual(BODY_BOX.height);
      }
      // To a hundredth, as the path is written.
      for (const [x, y] of all)
        expect(all.some(([a, b]) => Math.hypot(BODY_BOX.width - x! - a!, y! - b!) < 0.015)).toBe(true);
    },
  );
  it('puts muscles above each other as bodies do', () => {
    const middle = (group: string) => {
      const ys = points(BODY_MAP.find((r) => r.group === group)!.path).map((p) => p[1]!);
      return ys.reduce((a, b) => a + b, 0) / ys.length;
    };
    const downwards = [
      'neck-back',
      'upper-trapezius',
      'upper-back',
      'low-back',
      'gluteals',
      'hamstrings',
      'calf',
      'soleus',
    ];
    const ys = downwards.map(middle);
    expect(ys).toEqual([...ys].sort((a, b) => a - b));
  });
});
