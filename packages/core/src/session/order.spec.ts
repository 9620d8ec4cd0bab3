import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { POSITIONS } from '../catalogue/rom-test.js';
import type { SessionItem } from './item.js';
import { bestOrder, orderCost, orderItems, type ItemPlace } from './order.js';
import { runs } from '../testing/runs.js';

const anyPlaced: fc.Arbitrary<ItemPlace> = fc.record({
  section: fc.integer({ min: 0, max: 2 }),
  from: fc.constantFrom(...POSITIONS.slice(0, 4)),
  to: fc.constantFrom(...POSITIONS.slice(0, 4)),
  props: fc.subarray(['wall', 'strap', 'chair']),
  height: fc.integer({ min: 0, max: 5 }),
});

function permutations(n: number): number[][] {
  if (n === 0) return [[]];
  return permutations(n - 1).flatMap((p) =>
    Array.from({ length: n }, (_, i) => [...p.slice(0, i), n - 1, ...p.slice(i)]),
  );
}

const item = (exerciseId: string, over: Partial<SessionItem> = {}): SessionItem => ({
  exerciseId,
  sets: 1,
  holdSeconds: 30,
  sensation: 5,
  firstSide: 'left',
  ...over,
});

describe('bestOrder', () => {
  it('is as good as the best of all orders that keep the phases, up to seven runs', () => {
    fc.assert(
      fc.property(fc.array(anyPlaced, { minLength: 1, maxLength: 7 }), (places) => {
        const made = bestOrder(places);
        expect([...made].sort((a, b) => a - b)).toEqual(places.map((_, i) => i));
        let best = Infinity;
        for (const p of permutations(places.length)) {
          const ordered = p.map((i) => places[i]!);
          if (ordered.every((x, i) => i === 0 || ordered[i - 1]!.section <= x.section))
            best = Math.min(best, orderCost(ordered));
        }
        expect(orderCost(made.map((i) => places[i]!))).toBe(best);
      }),
      runs(60),
    );
  });

  it('is as good as the best of all orders of eight', () => {
    const all = permutations(8);
    fc.assert(
      fc.property(fc.array(anyPlaced, { minLength: 8, maxLength: 8 }), (given) => {
        const places = given.map((p) => ({ ...p, section: 0 }));
        const best = all.reduce((b, p) => Math.min(b, orderCost(p.map((i) => places[i]!))), Infinity);
        expect(orderCost(bestOrder(places).map((i) => places[i]!))).toBe(best);
      }),
      runs(3),
    );
  });

  it('saves a change of position between two phases', () => {
    const at = (section: number, from: (typeof POSITIONS)[number]): ItemPlace => ({
      section,
      from,
      to: from,
      props: [],
      height: 0,
    });
    // Rolling lying and standing, then a hold lying: standing first, though lying came first in the list.
    const places = [at(0, 'supine'), at(0, 'standing'), at(3, 'supine')];
    expect(bestOrder(places)).toEqual([1, 0, 2]);
  });

  it('still answers for more runs than are put in order exactly', () => {
    const many = Array.from({ length: 15 }, (_, i): ItemPlace => ({
      section: 3,
      from: POSITIONS[i % 3]!,
      to: POSITIONS[i % 3]!,
      props: [],
      height: i,
    }));
    const made = bestOrder(many).map((i) => many[i]!.from);
    expect(made.filter((p, i) => p !== made[i - 1])).toEqual(POSITIONS.slice(0, 3));
  });
});

describe('orderItems', () => {
  it('keeps what is linked together and in its own order', () => {
    const linked = [
      item('supine-strap-hamstring', { link: 'flow' }),
      item('bent-knee-wall-calf'),
      item('straight-knee-wall-calf'),
      item('march-on-the-spot', { reps: 10, holdSeconds: 0 }),
    ];
    const ids = orderItems(linked).map((i) => i.exerciseId);
    expect(ids.indexOf('bent-knee-wall-calf')).toBe(ids.indexOf('supine-strap-hamstring') + 1);
    expect(ids[0]).toBe('march-on-the-spot');
    // The flow ends standing at the wall: the other calf stretch needs neither a change nor a thing.
    expect(ids.at(-1)).toBe('straight-knee-wall-calf');
  });
});
