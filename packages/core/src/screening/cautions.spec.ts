import { EXERCISE_TAGS } from '../catalogue/exercise-tag.js';
import { type Technique, TECHNIQUES } from '../technique/catalogue.js';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { MUSCLE_GROUP_IDS } from '../anatomy/muscle-group.js';
import { BODY_REGION_IDS } from '../anatomy/body-region.js';
import { EXERCISES } from '../catalogue/exercises.js';
import { limitsFor } from '../planning/limits.js';
import { STYLES } from '../styles/index.js';
import { POSITIONS } from '../catalogue/rom-test.js';
import { cautionsFor, missingRegions, openQuestions, type Answers, type Caution } from './cautions.js';
import { cautionsAgainst, limitsOfCautions, splitAllowed, type ExerciseTraits } from './limits.js';
import { QUESTION_IDS, QUESTIONS, type QuestionId } from './questions.js';

const answers = (yes: readonly QuestionId[], regions: Answers['regions'] = {}): Answers => ({
  yes,
  no: QUESTION_IDS.filter((q) => !yes.includes(q)),
  regions,
});
const one = (id: QuestionId, regions: Answers['regions'] = {}): Caution => cautionsFor(answers([id], regions), 40)[0]!;
const stretch = (over: Partial<ExerciseTraits>): ExerciseTraits => ({
  primary: 'calf',
  secondary: [],
  technique: 'static hold',
  position: 'standing',
  tags: [],
  ...over,
});
/** True when a yes rules an exercise out. */
const rulesOut = (id: QuestionId, over: Partial<ExerciseTraits>) =>
  cautionsAgainst(stretch(over), [one(id)]).length > 0;

/** Line by line what the trade's screening teaches (common practice, no source): what each answer takes away, and what it leaves. */
describe('cautions', () => {
  it.each([
    ['heart', 'before planning'],
    ['faints', 'before planning'],
    ['clot', 'today'],
    ['surgery', 'before planning'],
    ['leg-pain', 'before planning'],
    ['numbness', 'before planning'],
    ['neck-signs', 'today'],
    ['saddle', 'emergency'],
    ['unexplained', 'urgent'],
  ] as const)('%s sends to a professional, %s', (id, urgency) => {
    expect(one(id)).toMatchObject({ outcome: 'refer', urgency });
  });

  it.each<[QuestionId, Partial<ExerciseTraits>, Partial<ExerciseTraits>]>([
    ['pressure', { technique: 'contract-relax' }, {}],
    ['pressure', { tags: ['head down'] }, {}],
    ['thinners', { technique: 'rolling' }, {}],
    ['hip-replacement', { tags: ['deep hip flexion'] }, { tags: ['one leg'] }],
    ['joint-replacement', { technique: 'loaded eccentric' }, {}],
    ['bones', { tags: ['spinal flexion'] }, { tags: ['grip'] }],
    ['bones', { tags: ['loaded spine'] }, {}],
    ['neck-arthritis', { tags: ['neck end range'] }, { primary: 'neck-side' }],
    ['hand-arthritis', { tags: ['grip'] }, {}],
    ['hand-arthritis', { tags: ['wrist load'] }, {}],
    ['loose-joints', { technique: 'loaded isometric' }, { technique: 'activation' }],
    ['disc', { tags: ['spinal flexion'] }, { primary: 'low-back' }],
    ['leg-pain', { technique: 'nerve glide' }, {}],
    ['neck-signs', { primary: 'neck-front' }, { primary: 'calf' }],
    ['balance', { tags: ['one leg'] }, {}],
    ['eyes', { tags: ['head down'] }, {}],
    ['pregnancy', { position: 'supine' }, { position: 'side-lying' }],
    ['pregnancy', { technique: 'loaded eccentric' }, {}],
    ['medicines', { technique: 'loaded eccentric' }, {}],
    ['floor', { position: 'kneeling' }, { position: 'sitting' }],
    ['kneeling', { position: 'all fours' }, { position: 'supine' }],
    ['wrists', { tags: ['wrist load'] }, {}],
  ])('%s rules %j out, and leaves %j', (id, out, left) => {
    expect(rulesOut(id, out)).toBe(true);
    expect(rulesOut(id, left)).toBe(false);
  });

  it.each(['loose-joints', 'feeling', 'pregnancy', 'medicines'] as const)('%s keeps sensation at 4', (id) => {
    expect(one(id).effect.sensationMax).toBe(4);
  });

  it('rests the groups of a torn muscle or an inflamed joint, by its region, and asks for the region', () => {
    expect(one('tear', { tear: ['thigh-back'] })).toMatchObject({
      regions: ['thigh-back'],
      effect: { excludedGroups: ['hamstrings'] },
    });
    expect(missingRegions(answers(['tear', 'flare'], { tear: ['thigh-back'] }))).toEqual(['flare']);
    expect(one('joint-replacement', { 'joint-replacement': ['shoulder'] }).effect.gentleGroups).toContain('pectorals');
  });

  it('goes by age too: consent under 18, longer holds and no combined neck end range from 65', () => {
    expect(cautionsFor(answers([]), 17)).toMatchObject([{ id: 'under-18', outcome: 'refer' }]);
    expect(cautionsFor(answers([]), 18)).toEqual([]);
    expect(cautionsFor(answers([]), 64)).toEqual([]);
    expect(cautionsFor(answers([]), 65)).toMatchObject([
      { id: 'over-65', effect: { excludedTags: ['neck end range'] } },
    ]);
  });

  it('puts the gravest first', () => {
    const list = cautionsFor(answers(['unwell', 'balance', 'heart', 'clot', 'saddle']), 40);
    expect(list.map((c) => c.id)).toEqual(['saddle', 'clot', 'heart', 'balance', 'unwell']);
  });

  it('knows what has not been asked', () => {
    expect(openQuestions({ yes: ['heart'], no: [], regions: {} })).toHaveLength(QUESTIONS.length - 1);
    expect(openQuestions(answers(['heart']))).toEqual([]);
  });
});

/** Clients as they come, against the library: what may not be handed out, with the source of the rule (5-references E; from memory). */
describe('examples', () => {
  const left = (yes: readonly QuestionId[], age = 50) =>
    splitAllowed(EXERCISES, cautionsFor(answers(yes), age)).allowed;
  const has = (list: readonly { id: string }[], id: string) => list.some((e) => e.id === id);

  // No flexion beyond 90°, least of all across the middle, after a hip replacement from behind (Kisner, Colby & Borstad, Therapeutic Exercise).
  it('an artificial hip: no deep bend of the hip, but calves, chest and neck go on', () => {
    const list = left(['hip-replacement']);
    for (const id of ['knee-hug', 'crossed-knee-pull', 'front-shin-fold', 'deep-squat-hold', 'folded-kneel'])
      expect(has(list, id), id).toBe(false);
    for (const id of ['straight-knee-wall-calf', 'lying-open-arms', 'lying-chin-tuck'])
      expect(has(list, id)).toBe(true);
  });
  // New fractures in 89 % with flexion exercise against 16 % with extension (Sinaki & Mikkelsen 1984, Arch Phys Med Rehabil 65:593-596).
  it('brittle bones: nothing that bends the spine forward to its end or under load; opening backwards goes on', () => {
    const list = left(['bones']);
    for (const id of ['long-sitting-fold', 'chair-fold', 'double-knee-hug', 'weighted-hinge', 'rounded-fours'])
      expect(has(list, id), id).toBe(false);
    expect(has(list, 'forearm-prop')).toBe(true);
  });
  // Comfortable range only, no long lying on the back after the first months, no prone lying (ACSM's Guidelines for Exercise Testing).
  it('pregnancy: nothing on the back or belly, nothing loaded, sensation at most 4', () => {
    const list = left(['pregnancy'], 30);
    expect(list.filter((e) => e.position === 'supine' || e.position === 'prone')).toEqual([]);
    expect(list.filter((e) => e.technique.startsWith('loaded'))).toEqual([]);
    expect(has(list, 'chair-hamstring-hinge')).toBe(true);
    expect(limitsOfCautions(cautionsFor(answers(['pregnancy']), 30)).sensationMax).toBe(4);
  });
  // "5 Ds and 3 Ns": dizziness, diplopia, dysarthria, dysphagia, drop attacks; nausea, numbness, nystagmus: no neck work, urgent referral.
  it('red flags of the neck: no neck exercise at all, and a doctor today', () => {
    expect(left(['neck-signs']).filter((e) => e.id.includes('neck') || /neck|trapezius/.test(e.primary))).toEqual([]);
    expect(one('neck-signs')).toMatchObject({ outcome: 'refer', urgency: 'today' });
  });
  // No deep pressure or rolling with anticoagulants; gentle stretching is fine (Bartsch et al. 2021, J Clin Med 10:5360).
  it('blood thinners: no rolling, all stretches', () => {
    const list = left(['thinners']);
    expect(list.filter((e) => e.technique === 'rolling')).toEqual([]);
    expect(list.filter((e) => e.technique === 'static hold')).toEqual(
      EXERCISES.filter((e) => e.technique === 'static hold'),
    );
  });
  // Do not lengthen a hypermobile joint; control in mid-range (Kisner, Colby & Borstad, Therapeutic Exercise).
  it('loose joints: nothing loaded at end range, activation stays', () => {
    const list = left(['loose-joints']);
    expect(list.filter((e) => e.technique.startsWith('loaded'))).toEqual([]);
    expect(list.filter((e) => e.technique === 'activation').length).toBeGreaterThan(4);
  });
  it('whatever one answer leaves, every group of a client without answers has something', () => {
    for (const group of MUSCLE_GROUP_IDS)
      expect(left([]).some((e) => e.primary === group && e.technique === 'static hold')).toBe(true);
  });
});

const technique = fc.constantFrom<Technique>(...TECHNIQUES);
const anyExercise: fc.Arbitrary<ExerciseTraits> = fc.record({
  primary: fc.constantFrom(...MUSCLE_GROUP_IDS),
  secondary: fc.subarray([...MUSCLE_GROUP_IDS], { maxLength: 3 }),
  technique,
  position: fc.constantFrom(...POSITIONS),
  tags: fc.subarray([...EXERCISE_TAGS], { maxLength: 3 }),
});
const anyAnswers = fc
  .record({ yes: fc.subarray([...QUESTION_IDS]), region: fc.constantFrom(...BODY_REGION_IDS) })
  .map(({ yes, region }) =>
    answers(yes, Object.fromEntries(yes.filter((y) => y === 'tear' || y === 'flare').map((y) => [y, [region]]))),
  );

describe('limits', () => {
  it('never let an exercise through that any caution speaks against, and leave none out without a reason', () => {
    fc.assert(
      fc.property(
        anyAnswers,
        fc.integer({ min: 10, max: 90 }),
        fc.array(anyExercise, { maxLength: 12 }),
        (a, age, list) => {
          const cautions = cautionsFor(a, age);
          const { allowed, leftOut } = splitAllowed(list, cautions);
          const all = limitsOfCautions(cautions);
          expect(allowed.length + leftOut.length).toBe(list.length);
          for (const x of allowed) {
            expect([x.primary, ...x.secondary].some((g) => all.excludedGroups.includes(g))).toBe(false);
            expect(all.excludedTechniques).not.toContain(x.technique);
            expect(all.excludedPositions).not.toContain(x.position);
            expect(x.tags.some((t) => all.excludedTags.includes(t))).toBe(false);
          }
          for (const x of leftOut) expect(x.because.length).toBeGreaterThan(0);
        },
      ),
    );
  });
  it('only grow with another yes', () => {
    fc.assert(
      fc.property(
        anyAnswers,
        fc.constantFrom(...QUESTION_IDS),
        fc.array(anyExercise, { maxLength: 8 }),
        (a, more, list) => {
          const yes = [...new Set([...a.yes, more])];
          const before = splitAllowed(list, cautionsFor(a, 40)).allowed;
          const after = splitAllowed(list, cautionsFor({ ...answers(yes), regions: a.regions }, 40)).allowed;
          for (const x of after) expect(before).toContain(x);
        },
      ),
    );
  });
  it('keep nerve glides off for whoever is not qualified', () => {
    const glide = stretch({ technique: 'nerve glide' });
    expect(cautionsAgainst(glide, []).map((c) => c.id)).toEqual(['nerve-glides']);
    expect(cautionsAgainst(glide, [], true)).toEqual([]);
    expect(cautionsAgainst(glide, [one('numbness')], true).map((c) => c.id)).toEqual(['numbness']);
  });
  it('are the strictest of all', () => {
    const both = limitsOfCautions(cautionsFor(answers(['loose-joints', 'eyes', 'floor']), 70));
    expect(both.sensationMax).toBe(4);
    expect(both.excludedTags).toEqual(expect.arrayContaining(['head down', 'neck end range']));
    expect(both.excludedPositions).toContain('supine');
    expect(limitsOfCautions([]).sensationMax).toBeNull();
  });
  it('reach the plan: sensation, easy groups, and groups that rest', () => {
    const client = { age: 40, experience: 'regular', trainingDays: [1, 3, 5], gentleGroups: [] } as const;
    const of = (a: Answers) => ({ ...client, cautions: limitsOfCautions(cautionsFor(a, 40)) });
    const style = STYLES[0]!;
    expect(limitsFor(style, style.phases[0]!, of(answers(['medicines'])), 'calf')).toMatchObject({
      sensationMax: 4,
      reasons: expect.arrayContaining([{ code: 'caution-sensation', args: { sensation: 4 } }]) as object[],
    });
    expect(limitsFor(style, style.phases[0]!, of(answers(['hip-replacement'])), 'gluteals').sensationMax).toBe(4);
    expect(limitsFor(style, style.phases[0]!, of(answers(['hip-replacement'])), 'calf').sensationMax).toBeGreaterThan(
      4,
    );
    const torn = of(answers(['tear'], { tear: ['thigh-back'] }));
    expect(() => limitsFor(style, style.phases[0]!, torn, 'hamstrings')).toThrow(
      expect.objectContaining({ code: 'invalid-plan' }),
    );
  });
  it('leave the library something for a client who cannot get to the floor', () => {
    const { allowed, leftOut } = splitAllowed(EXERCISES, [one('floor')]);
    expect(allowed.every((e) => ['standing', 'sitting'].includes(e.position))).toBe(true);
    expect(leftOut.map((l) => l.exercise.id)).toContain('supine-strap-hamstring');
  });
});
