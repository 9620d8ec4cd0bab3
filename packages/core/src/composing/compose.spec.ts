import { placeOfKind } from '../screening/place.js';
import { shortfallWords } from '../words/composing.js';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { exerciseById, EXERCISES } from '../catalogue/exercises.js';
import { limitsOfCautions, excludes } from '../screening/limits.js';
import { cautionsFor } from '../screening/cautions.js';
import { boutOf } from '../session/item.js';
import { buildTimeline } from '../session/timeline.js';
import { need, request } from './request.fixture.js';
import { glpk, highs } from './solvers.fixture.js';
import { runs } from '../testing/runs.js';
import { anyRequest, bestOfAll, toTheSecond } from './every-session.fixture.js';
import { session, value, idsOf, anyNeed } from './compose.fixture.js';

describe('compose', () => {
  it('finds the best of every session there is, none longer than its minutes', () => {
    fc.assert(
      fc.property(anyRequest, fc.option(fc.nat()), (any, which) => {
        const r = which === null ? any : toTheSecond(any, which);
        const made = session(r);
        const best = bestOfAll(r);
        expect(made.totalSeconds).toBeLessThanOrEqual(r.budgetSeconds);
        expect(made.settled.map((s) => s.proven)).toEqual([true, true, true, true]);
        made.settled.forEach((s, i) => expect(s.value).toBeCloseTo(best[i]!, 3));
      }),
      runs(50),
    );
  });

  it('agrees with a second solver on the whole catalogue', () => {
    const groups = ['hamstrings', 'adductors', 'calf', 'hip-flexors', 'gluteals', 'pectorals'] as const;
    fc.assert(
      fc.property(
        fc.uniqueArray(anyNeed(groups, 3), { minLength: 2, maxLength: 5, selector: (n) => n.group }),
        fc.integer({ min: 300, max: 1500 }),
        (needs, budgetSeconds) => {
          const r = request(needs, { budgetSeconds });
          const [a, b] = [session(r, highs), session(r, glpk)];
          // The first two are proven by both; the others depend on nothing else.
          for (const name of ['floors', 'shortfall', 'exercises', 'positions'])
            expect(value(a, name)).toBeCloseTo(value(b, name), 3);
        },
      ),
      runs(12),
    );
  });

  it('keeps minutes, sets, sides and what may be done', () => {
    const cautions = cautionsFor({ yes: ['pregnancy', 'eyes'], no: [], regions: {} }, 30);
    const limits = limitsOfCautions(cautions);
    fc.assert(
      fc.property(
        fc.uniqueArray(anyNeed(['hamstrings', 'low-back', 'quadriceps', 'shoulder-rotators'], 4), {
          minLength: 1,
          maxLength: 4,
          selector: (n) => n.group,
        }),
        fc.integer({ min: 60, max: 2400 }),
        (needs, budgetSeconds) => {
          const made = session(
            request(needs, { budgetSeconds, cautions, experience: 'beginner', place: placeOfKind('home') }),
          );
          expect(made.totalSeconds).toBeLessThanOrEqual(Math.max(budgetSeconds, 0));
          expect(buildTimeline(made.items).totalSeconds).toBe(made.totalSeconds);
          for (const item of made.items) {
            const e = exerciseById(item.exerciseId);
            expect(excludes(limits, { ...e, technique: boutOf(item, e).technique })).toBe(false);
            expect(e.difficulty).toBe(1);
          }
          for (const n of needs) {
            const sets = made.items
              .filter((i) => exerciseById(i.exerciseId).primary === n.group)
              .reduce((s, i) => s + i.sets, 0);
            expect(sets).toBeLessThanOrEqual(n.bout.sets);
          }
        },
      ),
      runs(25),
    );
  });

  it('says what an exercise covers, and what more minutes would hold', () => {
    const made = session(
      request([need('calf'), need('adductors', { bout: { sets: 3, holdSeconds: 60 } })], { budgetSeconds: 420 }),
    );
    const calf = made.reasons.find((r) => exerciseById(r.exerciseId).primary === 'calf')!;
    const item = made.items.find((i) => i.exerciseId === calf.exerciseId)!;
    const seconds = item.sets * item.holdSeconds;
    // Common practice, no source: a secondary muscle is credited with half.
    const half = exerciseById(calf.exerciseId).secondary.map((group) => ({
      group,
      amount: seconds / 2,
      unit: 'seconds',
    }));
    expect(calf.facts[0]).toEqual({
      code: 'covers',
      args: { parts: [{ group: 'calf', amount: seconds, unit: 'seconds' }, ...half] },
    });
    const short = made.shortfalls.find((s) => s.need === 1)!;
    expect(short).toMatchObject({
      group: 'adductors',
      technique: 'static hold',
      unit: 'seconds',
      why: { code: 'minutes' },
    });
    expect(shortfallWords(short)).toMatch(/^Adductors \d+ s short \(static hold\): \d+:\d\d more would fit it\.$/);
    // The promise holds: with these minutes nothing is missing.
    const longer = session(
      request([need('calf'), need('adductors', { bout: { sets: 3, holdSeconds: 60 } })], {
        budgetSeconds: 420 + made.shortfalls.reduce((sum, x) => sum + x.moreMinutes! * 60, 0),
      }),
    );
    expect(longer.shortfalls).toEqual([]);
  });

  it('starves nobody: two half-filled groups before a full and an empty one', () => {
    const two = [
      need('hamstrings', { floorSets: 0, bout: { sets: 4 } }),
      need('calf', { floorSets: 0, bout: { sets: 4 }, weight: 2 }),
    ];
    const made = session(request(two, { budgetSeconds: 620 }));
    for (const group of ['hamstrings', 'calf'])
      expect(made.items.some((i) => exerciseById(i.exerciseId).primary === group)).toBe(true);
  });

  it('gives the tighter side its extra when there is time, and drops it first', () => {
    const bonus = { side: 'right', sets: 1, more: 0 } as const;
    const tight = need('hamstrings', { firstSide: 'left', bout: { sets: 2, bonus } });
    const exercises = [exerciseById('supine-strap-hamstring')];
    const roomy = session(request([tight], { exercises }));
    expect(roomy.items[0]).toMatchObject({ sets: 2, firstSide: 'right', bonus });
    const tense = session(request([tight], { exercises, budgetSeconds: roomy.totalSeconds - 20 }));
    expect(tense.items[0]).toMatchObject({ sets: 2 });
    expect(tense.items[0]!.bonus).toBeUndefined();
  });

  it('keeps, fixes and leaves out what the coach says', () => {
    const needs = [need('hamstrings', { bout: { sets: 3 } })];
    const kept = session(
      request(needs, { keep: ['heel-on-chair-hamstring'], locks: [{ exerciseId: 'supine-strap-hamstring', sets: 1 }] }),
    );
    expect(idsOf(kept).sort()).toEqual(['heel-on-chair-hamstring', 'supine-strap-hamstring']);
    expect(kept.items.find((i) => i.exerciseId === 'supine-strap-hamstring')!.sets).toBe(1);
    const never = session(request(needs, { never: idsOf(session(request(needs))) }));
    expect(idsOf(never)).not.toContain(idsOf(session(request(needs)))[0]);
    expect(never.leftOut.some((l) => l.because.code === 'left-out-by-coach')).toBe(true);
  });

  it('takes what the client knows when all else is equal', () => {
    const all = EXERCISES.filter((e) => e.primary === 'hamstrings' && e.technique === 'static hold');
    for (const e of all.filter(
      (x) => x.position === all[0]!.position && x.sides === all[0]!.sides && x.props.length === 0,
    ))
      expect(idsOf(session(request([need('hamstrings')], { known: [e.id] })))).toEqual([e.id]);
  });

  it('keeps a group within its cap, what is worked along counted in', () => {
    const made = session(request([need('calf', { bout: { sets: 4 } })], { caps: { calf: 60 } }));
    expect(made.groupSeconds.calf).toBe(60);
    expect(made.shortfalls[0]!.moreMinutes).toBeNull();
  });
});
