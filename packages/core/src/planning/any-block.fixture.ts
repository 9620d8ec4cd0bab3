import fc from 'fast-check';
import { MUSCLE_GROUP_IDS } from '../anatomy/muscle-group.js';
import { EXERCISES } from '../catalogue/exercises.js';
import { exercisesDoing } from '../catalogue/forms.js';
import type { Weekday } from '../schedule/weekday.js';
import { cautionsFor } from '../screening/cautions.js';
import { QUESTION_IDS } from '../screening/questions.js';
import { excludes, limitsOfCautions } from '../screening/limits.js';
import { STYLES } from '../styles/index.js';
import { TECHNIQUES, type Technique } from '../technique/catalogue.js';
import type { Exercise } from '../catalogue/exercise.js';
import { EXPERIENCES, type PlanClient } from './limits.js';
import type { BlockInput, LaneInput } from './plan.js';

/** Any client, cautions and all. */
export const anyClient: fc.Arbitrary<PlanClient> = fc
  .record({
    age: fc.integer({ min: 12, max: 90 }),
    experience: fc.constantFrom(...EXPERIENCES),
    trainingDays: fc.uniqueArray(fc.constantFrom<Weekday[]>(1, 2, 3, 4, 5, 6, 7), { minLength: 1, maxLength: 7 }),
    gentleGroups: fc.uniqueArray(fc.constantFrom(...MUSCLE_GROUP_IDS), { maxLength: 3 }),
    hypermobile: fc.boolean(),
    minutesPerSession: fc.option(fc.integer({ min: 8, max: 60 }), { nil: undefined }),
    smallestPlate: fc.constantFrom(0.5, 1, 1.25, 2.5),
    yes: fc.uniqueArray(fc.constantFrom(...QUESTION_IDS), { maxLength: 2 }),
  })
  .map(({ yes, minutesPerSession, ...c }) => ({
    ...c,
    ...(minutesPerSession === undefined ? {} : { minutesPerSession }),
    cautions: limitsOfCautions(cautionsFor({ yes, no: [], regions: {} }, c.age)),
  }));

/** The first exercise of each technique that the client's experience and cautions allow. */
function exercisesOf(client: PlanClient, group: LaneInput['group']): Partial<Record<Technique, Exercise>> {
  const all = EXERCISES.filter((e) => e.primary === group);
  return Object.fromEntries(
    TECHNIQUES.flatMap((t) => {
      const e = exercisesDoing(group, t, all).find((x) => {
        const c = client.cautions;
        const able = x.difficulty <= EXPERIENCES.indexOf(client.experience) + 1;
        return able && (!c || !excludes(c, { ...x, technique: t }));
      });
      return e ? [[t, e]] : [];
    }),
  );
}

/** Any block a coach could ask for, of any styles, with the client's own exercises. Lanes that a caution rests are left out. */
export const anyBlock: fc.Arbitrary<BlockInput> = anyClient
  .chain((client) =>
    fc.record({
      client: fc.constant(client),
      lanes: fc
        .uniqueArray(
          fc.record({
            group: fc.constantFrom(...MUSCLE_GROUP_IDS),
            styleId: fc.constantFrom(...STYLES.map((s) => s.id)),
            tighterSide: fc.constantFrom(null, 'left' as const, 'right' as const),
            startingDose: fc.option(fc.integer({ min: 60, max: 500 }), { nil: null }),
            later: fc.option(
              fc.record({
                fromWeek: fc.integer({ min: 2, max: 10 }),
                styleId: fc.constantFrom(...STYLES.map((s) => s.id)),
              }),
              { nil: null },
            ),
          }),
          { minLength: 1, maxLength: 6, selector: (l) => l.group },
        )
        .map((lanes) =>
          lanes.map(({ later, ...l }): LaneInput => ({
            ...l,
            laterStyles: later ? [later] : [],
            exercises: exercisesOf(client, l.group),
          })),
        ),
      weeks: fc.integer({ min: 4, max: 16 }),
      ramp: fc.integer({ min: 0, max: 10 }).map((n) => n / 20),
      easierEvery: fc.constantFrom(null, 3, 4, 5, 6),
    }),
  )
  .map((b): BlockInput => ({
    ...b,
    lanes: b.lanes.filter(
      (l) =>
        !(b.client.cautions?.excludedGroups.includes(l.group) ?? false) && l.exercises?.['static hold'] !== undefined,
    ),
  }))
  .filter((b) => b.lanes.length > 0);
