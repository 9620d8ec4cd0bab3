import { placeOfKind } from './place.js';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMANDS } from '../catalogue/demand.js';
import { EXERCISES, exerciseById } from '../catalogue/exercises.js';
import { candidatesFor } from '../composing/candidates.js';
import { demandsOf } from '../catalogue/demands-of.js';
import { exercisesDoing } from '../catalogue/forms.js';
import { POSITIONS } from '../catalogue/rom-test.js';
import { sessionsOfBlock } from '../composing/from-lanes.js';
import { compose } from '../composing/compose.js';
import { need, request } from '../composing/request.fixture.js';
import { highs } from '../composing/solvers.fixture.js';
import { alternatives } from '../composing/swap.js';
import { NOTHING_ON_HOLD } from '../session/on-hold.js';
import { boutOf, type SessionItem } from '../session/item.js';
import { buildBlock } from '../planning/block.js';
import { chooseExercises } from '../planning/exercise-choice/choose-exercises.js';
import { blockInputOf, newLane, type BlockDraft } from '../planning/draft.js';
import { EXPERIENCES } from '../planning/limits.js';
import { dayPlanOf } from '../planning/day-plan/day-plan.js';
import { planClientOf } from '../planning/plan-client.js';
import { applyTemplate } from '../planning/template.js';
import { TEMPLATES } from '../planning/template-catalogue.js';
import { CoreError } from '../errors.js';
import { STYLES, styleById } from '../styles/index.js';
import { runs } from '../testing/runs.js';
import { DEFAULT_TIMINGS } from '../technique/timings.js';
import { NO_ANSWERS, type Answers } from './answers.js';
import { cautionsFor, type Caution } from './cautions.js';
import { splitAllowed } from './limits.js';
import { QUESTION_IDS, questionById } from './questions.js';
import { BODY_REGION_IDS } from '../anatomy/body-region.js';

interface Someone {
  readonly age: number;
  readonly experience: (typeof EXPERIENCES)[number];
  readonly answers: Answers;
}

/** Somebody with a few yeses, each told apart in some way or not at all. */
const someone: fc.Arbitrary<Someone> = fc
  .record({
    age: fc.integer({ min: 12, max: 90 }),
    experience: fc.constantFrom(...EXPERIENCES),
    yes: fc.uniqueArray(fc.constantFrom(...QUESTION_IDS), { maxLength: 4 }),
    region: fc.constantFrom(...BODY_REGION_IDS),
    way: fc.nat(9),
  })
  .map(({ age, experience, yes, region, way }) => {
    const detail = (id: (typeof yes)[number]) => {
      const options = questionById(id).detail?.options ?? [];
      return way < options.length ? [options[way]!.id] : [];
    };
    return {
      age,
      experience,
      answers: {
        ...NO_ANSWERS,
        yes,
        no: QUESTION_IDS.filter((q) => !yes.includes(q)),
        regions: Object.fromEntries(yes.flatMap((id) => (questionById(id).regions ? [[id, [region]]] : []))),
        details: Object.fromEntries(yes.map((id) => [id, detail(id)])),
      },
    };
  });

/** Judged by its own arithmetic from the effects of every caution: nothing here asks the function that chose the exercise. */
function expectFree(items: readonly SessionItem[], cautions: readonly Caution[], by: string): void {
  for (const item of items) {
    const e = exerciseById(item.exerciseId);
    const { technique } = boutOf(item, e);
    const groups = [e.primary, ...e.secondary];
    for (const { id, effect } of cautions) {
      const why = `${by}: ${e.id} as ${technique} against ${id}`;
      expect(
        demandsOf(e).filter((d) => effect.excludedDemands.includes(d)),
        why,
      ).toEqual([]);
      expect(
        groups.filter((g) => effect.excludedGroups.includes(g)),
        why,
      ).toEqual([]);
      expect(effect.excludedTechniques.includes(technique), why).toBe(false);
      expect(effect.excludedPositions.includes(e.position), why).toBe(false);
      if (effect.difficultyMax !== null) expect(e.difficulty, why).toBeLessThanOrEqual(effect.difficultyMax);
      for (const l of effect.groupLimits.filter((x) => groups.some((g) => x.groups.includes(g)))) {
        expect(l.techniques.includes(technique), why).toBe(false);
        expect(
          demandsOf(e).filter((d) => l.demands.includes(d)),
          why,
        ).toEqual([]);
      }
      if (effect.sensationMax !== null) expect(item.sensation, why).toBeLessThanOrEqual(effect.sensationMax);
      if (effect.holdMax !== null && technique === 'static hold')
        expect(item.holdSeconds, why).toBeLessThanOrEqual(effect.holdMax);
      if (effect.effortMax !== null) expect(item.effort ?? 0, why).toBeLessThanOrEqual(effect.effortMax);
    }
  }
}

const GROUPS = ['hamstrings', 'gluteals', 'low-back', 'pectorals', 'quadriceps', 'neck-side'] as const;

/** The items of a block's sessions. @returns none where a caution leaves no block to plan */
function plannedItems(draft: BlockDraft, who: Someone, cautions: readonly Caution[]): SessionItem[] {
  const basis = {
    experience: who.experience,
    trainingDays: [1, 3, 5] as const,
    gentleGroups: [],
    minutesPerSession: 40,
    hypermobile: false,
    timings: DEFAULT_TIMINGS,
  };
  const client = {
    ...planClientOf('2000-01-01', basis, draft.startDate, cautions),
    age: who.age,
  };
  const context = { client, findStyle: styleById, findExercise: exerciseById };
  try {
    const plan = buildBlock(blockInputOf(draft, context));
    const lanes = draft.lanes.map((l) => ({ group: l.group, exercises: l.exercises, firstSide: 'left' as const }));
    return sessionsOfBlock(plan, draft.startDate, lanes).flatMap((s) => s.items);
  } catch (err) {
    if (err instanceof CoreError) return [];
    throw err;
  }
}

// For every client and every way to an exercise: plan, template, compose and swap (issue "Safe hands"; domain 2.9).
describe('nothing forbidden passes', () => {
  it('by planning, by a template, by composing or by swapping, whoever the client is', () => {
    const seen = { plan: 0, template: 0, compose: 0, swap: 0 };
    fc.assert(
      fc.property(someone, fc.constantFrom(...STYLES), (who, style) => {
        const cautions = cautionsFor(who.answers, who.age);
        const { allowed } = splitAllowed(EXERCISES, cautions);
        const may = (
          group: (typeof EXERCISES)[number]['primary'],
          technique: (typeof EXERCISES)[number]['technique'],
        ) =>
          splitAllowed(
            exercisesDoing(group, technique).map((e) => ({ ...e, technique })),
            cautions,
          ).allowed.map((e) => exerciseById(e.id));
        const empty = {
          ...{ startDate: '2026-03-09', weeks: 6, ramp: 0.2, easierEvery: 4, easierWeeks: null, missedWeeks: [] },
          ...{ away: [], lanesPerSession: 6, smallestPlate: null },
          dayPlans: [dayPlanOf({ trainingDays: [1, 3, 5], minutesPerSession: 40 })],
        };
        // Two groups a client: all of them come up among three hundred.
        for (const group of [GROUPS[who.age % 6]!, GROUPS[(who.age + 3) % 6]!]) {
          const exercises = chooseExercises(group, [style], may, who.experience);
          const items = plannedItems({ ...empty, lanes: [newLane(group, group, style.id, exercises)] }, who, cautions);
          seen.plan += items.length;
          expectFree(items, cautions, 'plan');
          for (const item of items.slice(0, 1)) {
            const e = exerciseById(item.exerciseId);
            const found = alternatives(item, e, { allowed, place: placeOfKind('home'), inSession: [] });
            seen.swap += found.length;
            // A swap keeps how it is done: what another way of doing it would forbid is judged where it is saved.
            if (e.technique === boutOf(item, e).technique)
              expectFree(
                found.filter((a) => a.exercise.technique === e.technique).map((a) => a.item),
                cautions,
                'swap',
              );
          }
        }
        const template = TEMPLATES[who.age % TEMPLATES.length]!;
        const made = applyTemplate(template, {
          ...{
            startDate: '2026-03-09',
            findStyle: styleById,
            allowed: may,
            dayPlans: empty.dayPlans,
            places: [],
            startingDose: () => null,
            newId: () => 'l',
          },
          client: { age: who.age, experience: who.experience, trainingDays: [1, 3, 5], gentleGroups: [] },
        });
        const lanes = made.draft.lanes.map((l, i) => ({ ...l, id: String(i) }));
        const ofTemplate = plannedItems({ ...made.draft, lanes }, who, cautions);
        seen.template += ofTemplate.length;
        expectFree(ofTemplate, cautions, 'template');
      }),
      runs(300),
    );
    // The ways were gone: a test that never came to an exercise would prove nothing.
    expect(Math.min(seen.plan, seen.template, seen.swap)).toBeGreaterThan(100);
  });

  // Copied, imported or written: an exercise of the studio's own goes by its tags, and by nothing until somebody has gone through them.
  it('by an own exercise, in any way that an exercise is chosen', () => {
    const own = fc
      .record({
        from: fc.constantFrom(...EXERCISES),
        demands: fc.uniqueArray(fc.constantFrom(...DEMANDS), { maxLength: 3 }),
        known: fc.boolean(),
      })
      .map(({ from, demands, known }) => ({
        ...from,
        id: 'own-copy',
        demands,
        demandsKnown: known,
        difficulty: 1 as const,
      }));
    let chosen = 0;
    fc.assert(
      fc.property(someone, own, (who, mine) => {
        const cautions = cautionsFor(who.answers, who.age);
        const library = [mine, ...EXERCISES];
        const limited = cautions.some((c) => c.effect.onlyKnown);
        const find = (id: string) => (id === mine.id ? mine : exerciseById(id));
        const may = (group: typeof mine.primary, technique: typeof mine.technique) =>
          splitAllowed(
            exercisesDoing(group, technique, library).map((e) => ({ ...e, technique })),
            cautions,
          ).allowed.map((e) => find(e.id));
        const ways = [
          ...STYLES.flatMap((s) => chooseExercises(mine.primary, [s], may, who.experience).map((c) => c.exerciseId)),
          ...alternatives(
            { exerciseId: 'bent-knee-wall-calf', sets: 1, holdSeconds: 30, sensation: 3, firstSide: 'left' },
            exerciseById('bent-knee-wall-calf'),
            {
              allowed: splitAllowed(library, cautions).allowed,
              place: placeOfKind('home', 'home', mine.props),
              inSession: [],
            },
          ).map((a) => a.exercise.id),
          ...candidatesFor(
            request([need(mine.primary)], {
              exercises: library,
              cautions,
              experience: who.experience,
              positions: POSITIONS,
            }),
          ).candidates.map((c) => c.exercise.id),
        ];
        if (!ways.includes(mine.id)) return;
        chosen += 1;
        // By its own arithmetic: nothing it asks is taken away, and who has a limit gets none that nobody has gone through.
        expect(limited && !mine.demandsKnown).toBe(false);
        for (const { id, effect } of cautions) {
          expect(
            demandsOf(mine).filter((d) => effect.excludedDemands.includes(d)),
            id,
          ).toEqual([]);
          expect([mine.primary, ...mine.secondary].filter((g) => effect.excludedGroups.includes(g))).toEqual([]);
        }
      }),
      runs(300),
    );
    expect(chosen).toBeGreaterThan(30);
  });

  it('by composing a session, whatever is asked', () => {
    let items = 0;
    fc.assert(
      fc.property(someone, fc.subarray([...GROUPS], { minLength: 1, maxLength: 3 }), (who, groups) => {
        const cautions = cautionsFor(who.answers, who.age);
        const asked = request(
          groups.map((group) => need(group)),
          { cautions, experience: who.experience, positions: POSITIONS, onHold: NOTHING_ON_HOLD },
        );
        const result = compose(asked, highs);
        if (result.kind === 'clash') return;
        items += result.items.length;
        // What a set asks of sensation and holds is the lane's; here the exercises are judged.
        expectFree(
          result.items.map((i) => ({ ...i, sensation: 0, holdSeconds: 0 })),
          cautions,
          'compose',
        );
      }),
      runs(20),
    );
    expect(items).toBeGreaterThan(10);
  });
});
