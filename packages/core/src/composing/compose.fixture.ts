import { clashWords } from '../words/composing.js';
import fc from 'fast-check';
import { exerciseById, EXERCISES } from '../catalogue/exercises.js';
import { warmUpSeconds } from '../technique/timings.js';
import { compose, type Composition } from './compose.js';
import { clipped } from './candidates.js';
import type { SessionClash } from './clash.js';
import { need } from './request.fixture.js';
import type { ComposeNeed, ComposeRequest } from './request.js';
import { highs } from './solvers.fixture.js';

export const session = (r: ComposeRequest, solve = highs): Composition => {
  const made = compose(r, solve);
  if (made.kind === 'clash') throw new Error(clashWords(made));
  return made;
};
export const clash = (r: ComposeRequest): SessionClash => {
  const made = compose(r, highs);
  if (made.kind === 'session') throw new Error('No clash.');
  return made;
};
export const value = (c: Composition, name: string): number => c.settled.find((s) => s.name === name)!.value;
export const idsOf = (c: Composition): string[] => c.items.map((i) => i.exerciseId);

/** Groups whose holds by themselves are few, so that every way can be tried. */
export const SMALL = ['soleus', 'shin', 'lats', 'triceps', 'neck-side', 'lateral-trunk'] as const;

/**
 * Every way to do the needs with some exercises, each scored by the words of domain 2.7 and not by the model: unmet floors, weighted
 * shortfall with the steeper lower half, number of exercises, number of (phase, position) pairs.
 */
export function bestByHand(
  needs: readonly ComposeNeed[],
  budget: number,
  exercises: readonly (typeof EXERCISES)[number][],
): number[] | null {
  interface Option {
    need: number;
    id: string;
    most: number;
  }
  const options: Option[] = needs.flatMap((n, k) =>
    exercises
      .filter((e) => e.primary === n.group && e.technique === 'static hold')
      .map((e) => ({ need: k, id: e.id, most: n.bout.sets })),
  );
  let best: number[] | null = null;
  const better = (a: number[], b: number[] | null): boolean => {
    if (b === null) return true;
    const i = a.findIndex((x, k) => Math.abs(x - b[k]!) > 1e-6);
    return i >= 0 && a[i]! < b[i]!;
  };
  const counts = options.map(() => 0);
  const score = (): number[] | null => {
    let floors = 0;
    let shortfall = 0;
    for (const [k, n] of needs.entries()) {
      const mine = options.map((o, j) => ({ o, sets: counts[j]! })).filter(({ o, sets }) => o.need === k && sets > 0);
      const sets = mine.reduce((a, x) => a + x.sets, 0);
      if (mine.length > 2 || sets > n.bout.sets) return null;
      floors += Math.max(0, n.floorSets - sets);
      const got = mine.reduce((a, x) => a + x.sets * clipped(n.bout, exerciseById(x.o.id)).holdSeconds, 0);
      const part = (got / (n.bout.sets * n.bout.holdSeconds)) * 100;
      shortfall += n.weight * (Math.max(0, 100 - part) + 2 * Math.max(0, 50 - part));
    }
    const used = options.flatMap((o, j) => (counts[j]! > 0 ? [{ ...o, sets: counts[j]! }] : []));
    if (new Set(used.map((u) => u.id)).size < used.length) return null;
    const places = new Set(used.map((u) => exerciseById(u.id).position));
    // 2.7 by hand: 8 s into place, 12 s more for every position used, 10 s for things, 5 s to settle; a check without the hands takes 10 s a side; entry 3, exit 5, rest 10, switch 5.
    const work = used.reduce((sum, u) => {
      const e = exerciseById(u.id);
      const hold = clipped(needs[u.need]!.bout, e).holdSeconds;
      const sides = e.sides === 'each' ? 2 : 1;
      return (
        sum +
        8 +
        (e.props.length > 0 ? 10 : 0) +
        5 +
        sides * (u.sets * (hold + 8) + (u.sets - 1) * 10) +
        (sides - 1) * 5 +
        (e.check ? sides * 10 : 0)
      );
    }, places.size * 12);
    if (work + warmUpSeconds(work, false) > budget) return null;
    return [floors, shortfall, used.length, places.size];
  };
  const go = (j: number): void => {
    if (j === options.length) {
      const s = score();
      if (s && better(s, best)) best = s;
      return;
    }
    for (counts[j] = 0; counts[j] <= options[j]!.most; counts[j]++) go(j + 1);
    counts[j] = 0;
  };
  go(0);
  return best;
}

export const anyNeed = (groups: readonly ComposeNeed['group'][], mostSets: number): fc.Arbitrary<ComposeNeed> =>
  fc
    .record({
      group: fc.constantFrom(...groups),
      sets: fc.integer({ min: 1, max: mostSets }),
      holdSeconds: fc.integer({ min: 4, max: 12 }).map((x) => x * 5),
      weight: fc.integer({ min: 1, max: 5 }),
      floorSets: fc.integer({ min: 0, max: 1 }),
    })
    .map(({ group, sets, holdSeconds, weight, floorSets }) =>
      need(group, { weight, floorSets, bout: { sets, holdSeconds } }),
    );
