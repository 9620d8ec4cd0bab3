import {
  cautionsFor,
  demandsOf,
  EXERCISES,
  exerciseById,
  NO_ANSWERS,
  NOTHING_ON_HOLD,
  PLACE_KINDS,
  placeOfKind,
  QUESTION_IDS,
  techniquesOf,
  type Exercise,
  type SessionItem,
} from '@yandle/core';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { formsOf } from './allowed.js';

/** The other forms that a client is offered on the spot, and the choice (issue "Safe hands", checks). */
describe('other forms of an item', () => {
  it('are never what a caution takes away, whoever the client is, nor what only the coach chooses', () => {
    let offered = 0;
    const item = fc
      .tuple(fc.constantFrom(...EXERCISES), fc.constantFrom(...EXERCISES))
      .map(([e, choice]): SessionItem => ({
        ...{ exerciseId: e.id, sets: 1, holdSeconds: 20, sensation: 4, firstSide: 'left' },
        choice: choice.id,
      }));
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.constantFrom(...QUESTION_IDS), { maxLength: 4 }),
        fc.integer({ min: 12, max: 90 }),
        item,
        (yes, age, it) => {
          const cautions = cautionsFor({ ...NO_ANSWERS, yes, no: QUESTION_IDS.filter((q) => !yes.includes(q)) }, age);
          const [forms] = formsOf([it], exerciseById, cautions, NOTHING_ON_HOLD, null);
          for (const id of [forms!.easier, forms!.harder, forms!.choice]) {
            if (id === null) continue;
            offered += 1;
            const e = exerciseById(id);
            // By its own arithmetic, from the effects alone.
            for (const { id: caution, effect } of cautions) {
              const taken = demandsOf(e).filter((d) => effect.excludedDemands.includes(d));
              expect(taken, `${id} against ${caution}`).toEqual([]);
              expect(
                [e.primary, ...e.secondary].some((g) => effect.excludedGroups.includes(g)),
                `${id} ${caution}`,
              ).toBe(false);
              expect(
                techniquesOf(e).every((t) => effect.excludedTechniques.includes(t)),
                `${id} ${caution}`,
              ).toBe(false);
            }
          }
        },
      ),
      { numRuns: 600 },
    );
    expect(offered).toBeGreaterThan(100);
  });

  it('can be done where the session is: its position, on a bed if there is only that, and its things or what stands in', () => {
    const item = (e: Exercise, choice: Exercise): SessionItem => ({
      ...{ exerciseId: e.id, sets: 1, holdSeconds: 20, sensation: 4, firstSide: 'left', choice: choice.id },
    });
    let [offered, dropped] = [0, 0];
    for (const kind of PLACE_KINDS) {
      const place = placeOfKind(kind);
      for (const e of EXERCISES)
        for (const choice of EXERCISES.filter((c) => c.primary === e.primary)) {
          const [there] = formsOf([item(e, choice)], exerciseById, [], NOTHING_ON_HOLD, place);
          const [anywhere] = formsOf([item(e, choice)], exerciseById, [], NOTHING_ON_HOLD, null);
          for (const form of ['easier', 'harder', 'choice'] as const) {
            if (anywhere![form] !== null && there![form] === null) dropped += 1;
            if (there![form] === null) continue;
            offered += 1;
            const f = exerciseById(there![form]);
            const at = [f.position, ...(f.alsoIn ?? [])].filter((p) => place.positions.includes(p));
            expect(at, `${f.id} at ${kind}`).not.toEqual([]);
            if (kind === 'bed' || kind === 'chair')
              expect(f.bed || at.includes('standing') || at.includes('sitting on a chair'), `${f.id} ${kind}`).toBe(
                true,
              );
            const things = f.props.filter((t) => !place.things.includes(t));
            expect(things.length === 0 || (things.length === 1 && f.substitute !== ''), `${f.id} ${kind}`).toBe(true);
          }
        }
    }
    expect(offered).toBeGreaterThan(100);
    expect(dropped).toBeGreaterThan(100);
  });
});
