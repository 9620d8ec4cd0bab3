import { describe, expect, it } from 'vitest';
import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import { EXERCISES, exerciseById } from '../catalogue/exercises.js';
import { exercisesDoing } from '../catalogue/forms.js';
import { cautionsFor } from '../screening/cautions.js';
import { splitAllowed } from '../screening/limits.js';
import { placeOfKind } from '../screening/place.js';
import type { Technique } from '../technique/catalogue.js';
import { otherClientWords } from '../words/other-client.js';
import { draft, planOf, context } from './draft.fixture.js';
import { newLane, type BlockDraft } from './draft.js';
import { changesForOther, limitsForOther, type OtherClient } from './plan-for-other.js';

const others = (over: Partial<OtherClient> = {}): OtherClient => ({
  level: 'regular',
  places: [],
  allowed: (g: MuscleGroupId, t: Technique) => exercisesDoing(g, t),
  findExercise: exerciseById,
  ...over,
});
const withHold = (group: MuscleGroupId, exerciseId: string): BlockDraft => ({
  ...draft,
  lanes: [newLane('x', group, 'steady-hold', [{ technique: 'static hold', exerciseId, dayPlanId: null }])],
});
const words = (before: BlockDraft, now: BlockDraft, other: OtherClient): string[] =>
  changesForOther(before, now, other).map(otherClientWords);

describe('a block for another client', () => {
  const strap = withHold('hamstrings', 'supine-strap-hamstring');
  const chair = withHold('hamstrings', 'chair-hamstring-hinge');

  it('says nothing where nothing is different', () => {
    expect(changesForOther(strap, strap, others())).toEqual([]);
  });

  it('names the place as the reason: nobody lies down on a chair', () => {
    expect(words(strap, chair, others({ places: [placeOfKind('chair')] }))).toEqual([
      'Hamstrings: “Seated hamstring hinge” instead of “Lying hamstring stretch with a strap”, because it isn’t possible in this client’s places.',
    ]);
  });

  it('names the caution before all else', () => {
    const cautions = cautionsFor({ yes: ['disc'], no: [], regions: {} }, 40);
    const allowed = (g: MuscleGroupId, t: Technique) => {
      const may = splitAllowed(exercisesDoing(g, t, EXERCISES), cautions).allowed.map((e) => e.id);
      return exercisesDoing(g, t).filter((e) => may.includes(e.id));
    };
    const fold = withHold('hamstrings', 'long-sitting-fold');
    expect(allowed('hamstrings', 'static hold').some((e) => e.id === 'long-sitting-fold')).toBe(false);
    expect(words(fold, strap, others({ allowed, level: 'beginner' }))[0]).toContain(
      'because an intake caution rules it out',
    );
  });

  it('names the level, and what is left out altogether', () => {
    const hard = EXERCISES.find((e) => e.difficulty === 3 && e.technique === 'static hold')!;
    const before = withHold(hard.primary, hard.id);
    const none = { ...before, lanes: before.lanes.map((l) => ({ ...l, exercises: [] })) };
    const [said] = words(before, none, others({ level: 'beginner' }));
    expect(said).toContain(`no static hold; “${hard.name}” is left out, because it is above this client’s level.`);
  });

  it('says what a lane begins from, and what limits the other client: 67 is older than 65', () => {
    const used = { ...strap, lanes: strap.lanes.map((l) => ({ ...l, startingDose: 210 })) };
    expect(words(strap, used, others())).toEqual([
      'Hamstrings: begins from the 210 s a week that this client is used to.',
    ]);
    const plan = planOf(strap, { ...context, client: { ...context.client, age: 67 } });
    expect(limitsForOther(plan).map(otherClientWords).join(' ')).toMatch(/^Hamstrings: .*65/);
  });
});
