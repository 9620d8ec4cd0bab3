import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { EXERCISES, exerciseById } from '../catalogue/exercises.js';
import { cautionsFor } from '../screening/cautions.js';
import { cautionsAgainst } from '../screening/limits.js';
import { placeOfKind, PLACE_KINDS } from '../screening/place.js';
import { NO_ANSWERS } from '../screening/answers.js';
import { QUESTION_IDS } from '../screening/questions.js';
import { NOTHING_ON_HOLD } from '../session/on-hold.js';
import { purposeRules } from '../session/purpose.js';
import { buildTimeline } from '../session/timeline.js';
import { kindOf } from '../technique/catalogue.js';
import { runs } from '../testing/runs.js';
import { ROUTINES } from './catalogue.js';
import { routineFor } from './routine-for.js';

const who = { cautions: [], hold: NOTHING_ON_HOLD, place: null, exercises: EXERCISES, find: exerciseById };
const byId = (id: string) => ROUTINES.find((r) => r.id === id)!;
const techniqueOf = (i: { exerciseId: string; technique?: unknown }) => exerciseById(i.exerciseId).technique;

describe('routines that ship', () => {
  it.each(ROUTINES.map((r) => [r.name, r] as const))('%s can be run, within its minutes and its purpose', (_, r) => {
    const { totalSeconds } = buildTimeline(r.items, r);
    expect(totalSeconds).toBeGreaterThan(120);
    if (r.minutes !== null) expect(totalSeconds).toBeLessThanOrEqual(r.minutes * 60);
    const rules = purposeRules(r.purpose);
    for (const i of r.items) {
      const e = exerciseById(i.exerciseId);
      expect(rules.excludedTechniques).not.toContain(e.technique);
      const amount = kindOf(e.technique).unit === 'seconds' ? i.holdSeconds : i.reps!;
      expect(amount, e.id).toBeGreaterThanOrEqual(e.amount.min);
      expect(amount, e.id).toBeLessThanOrEqual(e.amount.max);
      // Beginners may be given any of them; help is by hand only where the coach chooses.
      expect(e.difficulty, e.id).toBeLessThanOrEqual(2);
    }
  });

  // What their names promise, read from the positions and things of the catalogue.
  it('stay where they say: in bed, on a chair, standing', () => {
    const bed = placeOfKind('bed');
    expect(routineFor(byId('morning-in-bed').items, { ...who, place: bed }).out).toEqual([]);
    for (const i of byId('chair-only').items) expect(exerciseById(i.exerciseId).position).toBe('sitting on a chair');
    for (const i of byId('standing-only').items) expect(exerciseById(i.exerciseId).position).toBe('standing');
    for (const i of byId('before-training').items) expect(['moving stretch', 'activation']).toContain(techniqueOf(i));
  });
});

describe('a routine for a client', () => {
  it('stays as it is where nothing speaks against it', () => {
    for (const r of ROUTINES) expect(routineFor(r.items, who)).toEqual({ items: r.items, out: [] });
  });

  it('never holds what a caution or the place rules out, and says what became of every item', () => {
    let replaced = 0;
    fc.assert(
      fc.property(
        fc.constantFrom(...ROUTINES),
        fc.uniqueArray(fc.constantFrom(...QUESTION_IDS), { maxLength: 4 }),
        fc.integer({ min: 12, max: 90 }),
        fc.constantFrom(...PLACE_KINDS),
        (r, yes, age, kind) => {
          const answers = { ...NO_ANSWERS, yes, no: QUESTION_IDS.filter((q) => !yes.includes(q)) };
          const cautions = cautionsFor(answers, age);
          const place = placeOfKind(kind);
          const { items, out } = routineFor(r.items, { ...who, cautions, place });
          for (const i of items) {
            const e = exerciseById(i.exerciseId);
            expect(cautionsAgainst({ ...e, technique: i.technique ?? e.technique }, cautions)).toEqual([]);
            expect(place.positions.some((p) => p === e.position || e.alsoIn?.includes(p))).toBe(true);
          }
          const gone = out.filter((o) => o.insteadId === null).length;
          expect(items).toHaveLength(r.items.length - gone);
          expect(items.at(-1)?.link).toBeUndefined();
          for (const o of out) {
            expect(o.why.length).toBeGreaterThan(0);
            if (o.insteadId === null) continue;
            replaced++;
            // The same group is worked.
            expect(exerciseById(o.insteadId).primary).toBe(exerciseById(o.exerciseId).primary);
          }
        },
      ),
      runs(300),
    );
    expect(replaced).toBeGreaterThan(20);
  });
});
