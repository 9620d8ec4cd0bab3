import fc from 'fast-check';
import { MUSCLE_GROUP_IDS } from '../anatomy/muscle-group.js';
import { EXERCISES } from '../catalogue/exercises.js';
import { exercisesDoing } from '../catalogue/forms.js';
import type { Weekday } from '../schedule/weekday.js';
import { cautionsFor } from '../screening/cautions.js';
import { QUESTION_IDS } from '../screening/questions.js';
import { excludes, limitsOfCautions } from '../screening/limits.js';
import { STYLES } from '../styles/index.js';
import { isLoaded, TECHNIQUES, type Technique } from '../technique/catalogue.js';
import type { Exercise } from '../catalogue/exercise.js';
import { PROP_IDS } from '../catalogue/props.js';
import { POSITIONS } from '../catalogue/rom-test.js';
import { addDays } from '../schedule/plain-date.js';
import { DAY_ORDERS, type PlacedDayPlan } from './day-plan/day-plan.js';
import type { ClientPlace } from '../screening/place.js';
import { EXPERIENCES, type PlanClient } from './limits.js';
import type { BlockInput, LaneExercise, LaneInput } from './plan.js';

const START = '2026-03-09';

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

/** Exercises by technique as the planner takes them, for all day plans. */
export function forAll(chosen: Partial<Record<Technique, Exercise>>): LaneExercise[] {
  return Object.entries(chosen).map(([technique, exercise]) => ({
    technique: technique as Technique,
    exercise,
    dayPlanId: null,
  }));
}

/** An exercise that no library has: every group has one under load, so that loaded work is tried on all of them. */
export function invented(group: LaneInput['group'], technique: Technique): Exercise {
  const like = EXERCISES.find((e) => e.technique === technique)!;
  return {
    ...like,
    id: `invented-${technique.replace(' ', '-')}-${group}`,
    primary: group,
    secondary: [],
    demands: [],
    difficulty: 1,
  };
}

/** The first exercises of each technique that the client's experience and cautions allow: one, or two. */
function exercisesOf(client: PlanClient, group: LaneInput['group'], two: boolean): LaneExercise[] {
  const all = EXERCISES.filter((e) => e.primary === group);
  const c = client.cautions;
  return TECHNIQUES.flatMap((technique) => {
    const may = (x: Exercise): boolean =>
      x.difficulty <= EXPERIENCES.indexOf(client.experience) + 1 && (!c || !excludes(c, { ...x, technique }));
    const own = exercisesDoing(group, technique, all).filter(may);
    const loaded = isLoaded(technique) && own.length === 0 ? [invented(group, technique)].filter(may) : [];
    return [...own, ...loaded].slice(0, two ? 2 : 1).map((exercise) => ({ technique, exercise, dayPlanId: null }));
  });
}

const PURPOSES = ['own', 'own', 'own', 'after training', 'evening', 'on waking'] as const;

/** Places: a floor with things, a bed, a chair; or nowhere in particular. */
const anyPlace: fc.Arbitrary<ClientPlace | null> = fc.option(
  fc.record({
    id: fc.constant('place'),
    name: fc.constant('Somewhere'),
    positions: fc.subarray([...POSITIONS], { minLength: 1 }),
    floor: fc.boolean(),
    things: fc.subarray([...PROP_IDS]),
    substitutes: fc.constant([]),
  }),
  { nil: null, freq: 3 },
);

/** One to three kinds of session, some on one weekday. */
const anyDayPlans: fc.Arbitrary<readonly PlacedDayPlan[] | undefined> = fc.option(
  fc
    .array(
      fc.record({
        weekdays: fc.uniqueArray(fc.constantFrom<Weekday[]>(1, 2, 3, 4, 5, 6, 7), { minLength: 1, maxLength: 5 }),
        purpose: fc.constantFrom(...PURPOSES),
        minutes: fc.option(fc.integer({ min: 5, max: 60 }), { nil: null }),
        warm: fc.boolean(),
        place: anyPlace,
        order: fc.constantFrom(...DAY_ORDERS),
      }),
      { minLength: 1, maxLength: 3 },
    )
    .map((plans) =>
      plans.map((p, i) => ({
        ...p,
        id: `p${i}`,
        name: `Plan ${i + 1}`,
        placeId: p.place?.id ?? null,
        theme: null,
        routineId: null,
      })),
    ),
  { nil: undefined },
);

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
            two: fc.boolean(),
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
          lanes.map(({ later, two, ...l }): LaneInput => ({
            ...l,
            laterStyles: later ? [later] : [],
            exercises: exercisesOf(client, l.group, two),
          })),
        ),
      weeks: fc.integer({ min: 1, max: 20 }),
      ramp: fc.integer({ min: 0, max: 10 }).map((n) => n / 20),
      easierEvery: fc.constantFrom(null, 3, 4, 5, 6),
      dayPlans: anyDayPlans,
      missed: fc.option(fc.uniqueArray(fc.integer({ min: 1, max: 20 }), { maxLength: 6 }), { nil: [] }),
      away: fc.option(fc.tuple(fc.integer({ min: 0, max: 100 }), fc.integer({ min: 0, max: 16 })), { nil: null }),
    }),
  )
  .map(({ dayPlans, missed, away, ...b }): BlockInput => ({
    ...b,
    ...(dayPlans ? { dayPlans } : {}),
    missedWeeks: missed.filter((w) => w <= b.weeks),
    startDate: START,
    away: away ? [{ from: addDays(START, away[0]), to: addDays(START, away[0] + away[1]) }] : [],
    lanes: b.lanes.filter(
      (l) =>
        !(b.client.cautions?.excludedGroups.includes(l.group) ?? false) &&
        l.exercises!.some((e) => e.technique === 'static hold'),
    ),
  }))
  .filter((b) => b.lanes.length > 0);

/** The same without absences. */
export const anyPresentBlock: fc.Arbitrary<BlockInput> = anyBlock.map((b) => ({ ...b, missedWeeks: [], away: [] }));
