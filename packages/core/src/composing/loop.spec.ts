import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { exerciseById } from '../catalogue/exercises.js';
import type { Exercise } from '../catalogue/exercise.js';
import { clashWords, proofWords } from '../words/composing.js';
import { runs } from '../testing/runs.js';
import { candidatesFor } from './candidates.js';
import { compose } from './compose.js';
import { session } from './compose.fixture.js';
import { anyRequest, bestOfAll } from './every-session.fixture.js';
import { valueOfTerms, type Solver } from './linear.js';
import { composeModel } from './model.js';
import { fewestChanges, fewestFetches, realSession, workFromBelow } from './real-session.js';
import { need, request } from './request.fixture.js';
import { highs } from './solvers.fixture.js';
import { waysFor } from './ways.js';

const invented = (id: string, from: string, over: Partial<Exercise>): Exercise => ({
  ...exerciseById(from),
  ...{ id, name: id, check: null, setupSeconds: 5, secondary: [] },
  ...over,
});

/** A push after a roll: the strap is fetched for the first, the chair for the second, though one of them needs both. */
const twoFetches = [
  invented('roll', 'supine-strap-hamstring', {
    technique: 'rolling',
    primary: 'calf',
    props: ['strap'],
    position: 'supine',
  }),
  invented('hold', 'supine-strap-hamstring', { props: ['strap', 'chair'], position: 'supine' }),
];
const both = [
  need('calf', { bout: { technique: 'rolling', sets: 1, holdSeconds: 60 } }),
  need('hamstrings', { bout: { sets: 1, holdSeconds: 60 } }),
];

describe('counting from below', () => {
  it('is what the model itself counts, and never more than the timeline', () => {
    fc.assert(
      fc.property(anyRequest, (r) => {
        const { picks } = session(r);
        const plain = picks.map((p) => ({ ...p, bonusSets: 0 }));
        const locks = r.exercises.map(({ id }) => ({
          exerciseId: id,
          sets: picks.find((p) => p.candidate.exercise.id === id)?.sets ?? 0,
        }));
        const fixed = { ...r, locks };
        const { model, work } = composeModel(fixed, waysFor(fixed, candidatesFor(fixed).candidates), {
          ...{ keep: [], locks, timed: false },
        });
        const least = valueOfTerms(work, highs(model, work).values);
        expect(least).toBeCloseTo(workFromBelow(r, plain), 6);
        expect(least).toBeLessThanOrEqual(realSession(r, plain).work);
      }),
      runs(25),
    );
  });

  it('knows the fewest changes and the fewest fetches, by hand', () => {
    const [a, b, c] = ['standing', 'supine', 'prone'] as const;
    // standing, supine | supine, prone | – | prone: four, two of which the next phase goes on from.
    expect(fewestChanges([new Set([a, b]), new Set([b, c]), new Set(), new Set([c])])).toBe(3);
    // A phase that needs one more position cannot begin and end in the same one.
    expect(fewestChanges([new Set([a]), new Set([a, b]), new Set([a])])).toBe(3);
    expect(fewestChanges([])).toBe(0);
    expect(fewestFetches([['strap'], ['chair', 'strap'], [], ['weight']])).toBe(2);
    expect(fewestFetches([])).toBe(0);
  });
});

describe('the loop', () => {
  const roomy = session(request(both, { exercises: twoFetches, alreadyWarm: true }));

  it('never gives a session that is longer than its minutes, though the count from below would fit', () => {
    expect(workFromBelow(request(both), roomy.picks)).toBe(roomy.totalSeconds - 10);
    // Five seconds too few for both things: one of the two is left out, and that is proven.
    const r = request(both, { exercises: twoFetches, alreadyWarm: true, budgetSeconds: roomy.totalSeconds - 5 });
    let solves = 0;
    const made = session(r, (...asked) => {
      solves++;
      return highs(...asked);
    });
    expect(made.items).toHaveLength(1);
    expect(made.totalSeconds).toBeLessThanOrEqual(r.budgetSeconds);
    expect(made.proven).toBe(true);
    // A floor; of one need a hundred percent, and the half below half twice more; one exercise that is new; one position.
    expect(made.settled.map((s) => Math.round(s.value))).toEqual([1, 200, 3, 1]);
    // Once from below, once from above for a session that stands ready, and then it is known or found out.
    expect(solves).toBeGreaterThan(4);
    const enough = session({ ...r, budgetSeconds: roomy.totalSeconds });
    expect(enough.items).toHaveLength(2);
    expect(enough.proven).toBe(true);
  });

  it('says how much better it could be when its turns are over', () => {
    const r = request(both, { exercises: twoFetches, alreadyWarm: true, budgetSeconds: roomy.totalSeconds - 5 });
    const made = compose(r, highs, { turns: 1 });
    if (made.kind !== 'session') throw new Error('No session.');
    expect(made.totalSeconds).toBeLessThanOrEqual(r.budgetSeconds);
    expect(made.proven).toBe(false);
    // One set that the week needs is missing; from below none would be.
    expect(made.settled[0]).toEqual({ name: 'floors', value: 1, bound: 0, proven: false });
    expect(proofWords(made)).toBe(
      'The best that was found. Of what the week still needs, at most 1 set more could fit.',
    );
    expect(proofWords(roomy)).toBe('Nothing better fits these minutes (proven).');
  });

  it('knows what two loaded exercises of a group rest between them', () => {
    const bout = { technique: 'loaded eccentric', sets: 3, reps: 6, lowerSeconds: 3, holdSeconds: 2 } as const;
    const one = need('hamstrings', { bout });
    const exercises = ['first', 'second'].map((id) => invented(id, 'weighted-hinge', { props: [], sides: 'both' }));
    const kept = exercises.map((e) => e.id);
    for (let budgetSeconds = 230; budgetSeconds <= 330; budgetSeconds += 5) {
      const made = compose(request([one], { exercises, budgetSeconds, alreadyWarm: true, keep: kept }), highs);
      // By hand: 20 + 5, sets of 42 + 3 + 5, 45 s of rest after each of the first two: into place is part of the second rest.
      const length = 20 + 5 + 3 * 50 + 2 * 45;
      if (budgetSeconds >= length) expect(made).toMatchObject({ kind: 'session', totalSeconds: length, proven: true });
      else if (made.kind === 'session') expect(made.totalSeconds).toBeLessThanOrEqual(budgetSeconds);
    }
  });
});

describe('limits struck on purpose', () => {
  const stops: Solver = () => ({ status: 'stopped', values: [], objective: NaN, bound: -Infinity });

  it('one node and one turn give a session that fits, with a bound that is true', () => {
    fc.assert(
      fc.property(anyRequest, (r) => {
        const made = compose(r, highs, { nodes: 1, turns: 1 });
        if (made.kind !== 'session') throw new Error(clashWords(made));
        expect(made.totalSeconds).toBeLessThanOrEqual(Math.max(0, r.budgetSeconds));
        const best = bestOfAll(r);
        const at = made.settled.findIndex((s) => !s.proven);
        for (const [i, s] of made.settled.entries()) if (at < 0 || i < at) expect(s.value).toBeCloseTo(best[i]!, 3);
        if (at >= 0) expect(made.settled[at]!.bound).toBeLessThanOrEqual(best[at]! + 1e-6);
      }),
      runs(25),
    );
  });

  it('a solver that finds nothing gives a session all the same, and no clash', () => {
    const made = compose(request([need('hamstrings'), need('calf')]), stops);
    if (made.kind !== 'session') throw new Error(clashWords(made));
    expect(made.shortfalls).toEqual([]);
    expect(made.proven).toBe(false);
    expect(made.settled.every((s) => !s.proven && s.bound === 0)).toBe(true);
  });

  it('says that it does not know when the coach keeps something and nothing was found', () => {
    const made = compose(request([need('hamstrings')], { keep: ['supine-strap-hamstring'] }), stops);
    expect(made).toMatchObject({ kind: 'clash', why: [{ code: 'not-settled' }] });
  });
});
