import { clashWords } from '../words/composing.js';
import fc from 'fast-check';
import { compose, type Composition } from './compose.js';
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
