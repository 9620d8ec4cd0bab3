import { describe, expect, it } from 'vitest';
import { normalCdf } from './normal.js';

describe('normalCdf', () => {
  // Table of the standard normal distribution as textbooks print it, four places.
  it.each([
    [0, 0.5],
    [0.5, 0.6915],
    [1, 0.8413],
    [1.645, 0.95],
    [1.96, 0.975],
    [2.326, 0.99],
    [2.576, 0.995],
    [3, 0.9987],
    [-1, 0.1587],
    [-1.96, 0.025],
  ])('Φ(%d) is %d', (z, p) => {
    expect(normalCdf(z)).toBeCloseTo(p, 4);
  });

  // Simpson's rule over the density, 2000 steps: its own arithmetic, good to far more than six places.
  it('is the area under the bell', () => {
    const density = (x: number) => Math.exp((-x * x) / 2) / Math.sqrt(2 * Math.PI);
    for (let z = -4; z <= 4; z += 0.5) {
      const step = z / 2000;
      let sum = density(0) + density(z);
      for (let i = 1; i < 2000; i++) sum += density(i * step) * (i % 2 ? 4 : 2);
      expect(normalCdf(z)).toBeCloseTo(0.5 + (sum * step) / 3, 6);
    }
  });
});
