import { describe, expect, it } from 'vitest';
import { EXERCISES, exerciseById } from '../catalogue/exercises.js';
import { techniquesOf } from '../catalogue/forms.js';
import { TECHNIQUES, unitOf } from '../technique/catalogue.js';
import { boutOf, type SessionItem } from './item.js';
import { buildTimeline } from './timeline.js';
import { lighterDay } from './wellness.js';

const base = { sets: 2, sensation: 5, firstSide: 'left' as const };
const hold: SessionItem = { ...base, exerciseId: 'supine-strap-hamstring', holdSeconds: 45 };
const push: SessionItem = {
  ...hold,
  technique: 'contract-relax',
  holdSeconds: 10,
  cycles: 3,
  pushSeconds: 6,
  effort: 50,
};
const load: SessionItem = {
  ...base,
  exerciseId: 'step-heel-drop',
  holdSeconds: 2,
  reps: 6,
  lowerSeconds: 3,
  load: 5,
  loadUnit: 'kg',
};

describe('a lighter day (domain 2.9)', () => {
  it('is one step gentler, held where it would be pushed, and leaves out what is loaded', () => {
    const { items, leftOut } = lighterDay([hold, push, load], exerciseById);
    expect(items[0]).toEqual({ ...hold, sensation: 4 });
    // 10 s of the push's stretch are less than the 15 s that the strap is made to be held for.
    expect(items[1]).toEqual({ ...base, exerciseId: 'supine-strap-hamstring', holdSeconds: 15, sensation: 4 });
    expect(leftOut).toEqual([2]);
  });

  it('never goes below a light pull, and keeps the places of the plan', () => {
    const { items } = lighterDay([{ ...hold, sensation: 1 }, load], exerciseById);
    expect(items.map((i) => i.exerciseId)).toEqual(['supine-strap-hamstring', 'step-heel-drop']);
    expect(items[0]!.sensation).toBe(1);
  });

  it('has neither push nor load, whatever the exercise and however it is done', () => {
    for (const e of EXERCISES)
      for (const technique of TECHNIQUES.filter((t) => techniquesOf(e).includes(t))) {
        const own = unitOf(technique) === 'seconds' ? { holdSeconds: 30 } : { holdSeconds: 2, reps: 6 };
        const item: SessionItem = {
          ...base,
          ...own,
          exerciseId: e.id,
          ...(technique !== e.technique && { technique }),
          ...{ cycles: 2, pushSeconds: 6, effort: 30, lowerSeconds: 3, load: 2, loadUnit: 'kg' },
        };
        const { items, leftOut } = lighterDay([item], exerciseById);
        const now = boutOf(items[0]!, e);
        const gentle = !['contract-relax', 'loaded eccentric', 'loaded isometric'].includes(now.technique);
        expect(leftOut.length === 1 || gentle, `${e.id} ${technique}`).toBe(true);
        // What is left can be timed.
        if (leftOut.length === 0) expect(buildTimeline(items).totalSeconds).toBeGreaterThan(0);
      }
  });
});
