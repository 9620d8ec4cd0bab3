import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { MUSCLE_GROUP_IDS } from '../anatomy/muscle-group.js';
import { BODY_REGION_IDS } from '../anatomy/body-region.js';
import { DEMANDS } from '../catalogue/demand.js';
import { demandsOf } from '../catalogue/demands-of.js';
import { EXERCISES, exerciseById } from '../catalogue/exercises.js';
import { techniquesOf } from '../catalogue/forms.js';
import { ROM_TESTS, romTestById } from '../catalogue/tests.js';
import { POSITIONS } from '../catalogue/rom-test.js';
import { limitsFor } from '../planning/limits.js';
import { STYLES } from '../styles/index.js';
import { type Technique, TECHNIQUES } from '../technique/catalogue.js';
import { cautionChanges, cautionForClient } from '../words/caution.js';
import { notForWords } from '../words/not-for.js';
import { answersFrom, NO_ANSWERS, openQuestions, rescreenDue, unfinishedAnswers, type Answers } from './answers.js';
import { cautionsFor, type Caution } from './cautions.js';
import { NOT_ASKED, screeningOn, type ClearanceFact } from './clearance.js';
import { CONDITION_CASES } from './conditions.js';
import { cautionsAgainst, cautionsAgainstTest, limitsOfCautions, splitAllowed, type ExerciseTraits } from './limits.js';
import { QUESTION_IDS, QUESTIONS, type QuestionId } from './questions.js';

type More = Partial<Pick<Answers, 'regions' | 'details' | 'dates'>>;
const answers = (yes: readonly QuestionId[], more: More = {}): Answers => ({
  ...NO_ANSWERS,
  yes,
  no: QUESTION_IDS.filter((q) => !yes.includes(q)),
  ...more,
});
const one = (id: QuestionId, more: More = {}, day: string | null = null): Caution =>
  cautionsFor(answers([id], more), 40, day)[0]!;
const stretch = (over: Partial<ExerciseTraits>): ExerciseTraits => ({
  primary: 'calf',
  secondary: [],
  technique: 'static hold',
  position: 'standing',
  demands: [],
  demandsKnown: true,
  difficulty: 1,
  ...over,
});
const removes = (caution: Caution, over: Partial<ExerciseTraits>) =>
  cautionsAgainst(stretch(over), [caution]).length > 0;

/** Every exercise in every technique it can be done with, that a caution removes. */
const removed = (caution: Caution): string[] =>
  EXERCISES.filter((e) =>
    techniquesOf(e).every((technique) => cautionsAgainst({ ...e, technique }, [caution]).length > 0),
  ).map((e) => e.id);

/**
 * Exercises whose own text, written by hand before conditions were coded, said who should not do them: each has to be removed by the answer it
 * was about, told apart as strictly as an answer without detail. Common practice, no source.
 */
const SAID_BY_HAND: Readonly<Partial<Record<QuestionId, readonly string[]>>> = {
  'hip-replacement': [
    'deep-squat-hold',
    'seated-toe-pull',
    'seated-shin-pull',
    'half-kneeling-hip-flexor',
    'split-stance-hip-flexor',
    'edge-hip-flexor',
    'lunge-overhead-bend',
    'bound-soles-sit',
    'wall-straddle',
    'straddle-hinge',
    'frog',
    'straddle-press',
    'knee-hug',
    'crossed-knee-pull',
    'front-shin-fold',
    'chair-figure-four',
    'lying-figure-four',
    'double-right-angle-sit',
    'knee-wipers',
    'standing-cross-lean',
    'lying-leg-across',
    'side-lying-leg-drop',
    'folded-kneel',
    'double-knee-hug',
    'side-folded-kneel',
    'lying-twist',
  ],
  dislocated: [
    'wall-slide',
    'side-lying-open-chest',
    'doorway-pectorals',
    'lying-open-arms',
    'prone-chest-roll',
    'clasped-hands-behind',
    'seated-lean-back-hands',
    'stick-pass-over',
    'side-lying-inward-turn',
    'lying-raised-arms-turn',
    'doorway-outward-turn',
    'stick-outward-turn',
    'strap-behind-back',
    'chair-elbow-kneel',
    'table-hinge-lats',
    'chair-slide-forward',
    'wall-arm-behind',
    'overhead-triceps',
    'wall-elbow-slide',
  ],
  'neck-arthritis': [
    'seated-ear-to-shoulder',
    'nose-to-armpit',
    'standing-shoulder-drop',
    'lying-head-roll',
    'seated-side-neck',
    'seated-neck-turns',
    'seated-chin-nod',
    'lying-chin-tuck',
    'lying-neck-front',
    'collar-bone-chin-lift',
    'slanted-chin-lift',
    'chair-lean-back',
    'chair-back-chest-lift',
    'hands-behind-ears',
    'overhead-elbow-lowering',
  ],
  bones: [
    'long-sitting-fold',
    'weighted-hinge',
    'double-knee-hug',
    'chair-fold',
    'rounded-fours',
    'roller-upper-back',
    'lying-twist',
  ],
  disc: ['long-sitting-fold', 'weighted-hinge', 'double-knee-hug', 'chair-fold'],
  eyes: ['upturned-v-calf', 'chair-fold'],
  thinners: [
    'ball-foot-roll',
    'calf-roll',
    'hamstring-roll',
    'quadriceps-roll',
    'seat-ball',
    'outer-thigh-roll',
    'roller-upper-back',
  ],
  'hand-arthritis': ['fours-fingers-forward', 'fours-backs-of-hands'],
  pressure: ['upturned-v-calf', 'strap-push-relax-hamstring', 'straddle-press', 'chair-fold'],
};

describe('what the texts said by hand is what the answers take away', () => {
  it.each(Object.entries(SAID_BY_HAND) as [QuestionId, readonly string[]][])('%s', (id, said) => {
    const gone = removed(one(id));
    // Pushed only where it was said of the push: the hold without one stays.
    const left = said.filter(
      (x) => !gone.includes(x) && !(id === 'pressure' && exerciseById(x).technique === 'static hold'),
    );
    expect(left).toEqual([]);
  });

  // Counted by hand in those texts: 26 of an artificial hip, 19 of a shoulder that comes out, 15 of an inflamed neck.
  it('has as many of them as were counted', () => {
    const count = (id: QuestionId) => SAID_BY_HAND[id]!.length;
    expect([count('hip-replacement'), count('dislocated'), count('neck-arthritis')]).toEqual([26, 19, 15]);
  });
});

/** Line by line what the trade's screening teaches (common practice, no source): what each answer takes away, and what it leaves. */
describe('cautions', () => {
  it.each([
    ['heart', 'before planning'],
    ['faints', 'before planning'],
    ['clot', 'today'],
    ['claudication', 'urgent'],
    ['surgery', 'before planning'],
    ['accident', 'before planning'],
    ['fused-spine', 'before planning'],
    ['neck-arthritis', 'before planning'],
    ['loose-neck', 'before planning'],
    ['leg-pain', 'before planning'],
    ['numbness', 'before planning'],
    ['weakness', 'today'],
    ['neck-signs', 'today'],
    ['saddle', 'emergency'],
    ['brain', 'before planning'],
    ['unexplained', 'urgent'],
    ['cancer', 'before planning'],
    ['device', 'before planning'],
  ] as const)('%s sends to a professional, %s', (id, urgency) => {
    expect(one(id)).toMatchObject({ outcome: 'refer', urgency });
  });

  it.each<[QuestionId, Partial<ExerciseTraits>, Partial<ExerciseTraits>]>([
    ['pressure', { technique: 'contract-relax' }, {}],
    ['pressure', { demands: ['head-low'] }, { demands: ['hip-past-90'] }],
    ['thinners', { technique: 'rolling' }, {}],
    ['bones', { demands: ['spine-forward'] }, { demands: ['grip'] }],
    ['bones', { demands: ['spine-turned'] }, { demands: ['spine-back'] }],
    // Load on the legs is good for bone.
    ['bones', { demands: ['spine-pressed'] }, { technique: 'loaded eccentric', demands: ['one-leg-held', 'heel-low'] }],
    ['hand-arthritis', { demands: ['grip'] }, {}],
    ['hand-arthritis', { demands: ['wrists'] }, {}],
    ['hip-pinch', { demands: ['hip-past-90', 'hip-across'] }, { demands: ['hip-past-90'] }],
    ['loose-joints', { technique: 'loaded isometric' }, { technique: 'activation' }],
    ['disc', { demands: ['spine-forward'] }, { primary: 'low-back' }],
    ['narrow-canal', { demands: ['spine-back'] }, { demands: ['spine-forward'] }],
    ['leg-pain', { technique: 'nerve glide' }, {}],
    ['neck-signs', { primary: 'neck-front' }, { primary: 'calf' }],
    ['eyes', { demands: ['head-low'] }, {}],
    ['birth', { demands: ['belly'] }, { position: 'supine' }],
    ['medicines', { demands: ['heel-low'] }, {}],
    ['kneeling', { position: 'all fours' }, { position: 'supine' }],
    ['wrists', { demands: ['wrists'] }, { position: 'all fours' }],
    ['floor', { position: 'sitting on the floor' }, { position: 'sitting on a chair' }],
    ['floor', { position: 'supine' }, { position: 'supine', bed: true }],
    ['balance', { demands: ['one-leg'] }, { demands: ['one-leg-held'] }],
  ])('%s rules %j out, and leaves %j', (id, out, left) => {
    expect(removes(one(id), out)).toBe(true);
    expect(removes(one(id), left)).toBe(false);
  });

  it.each(['loose-joints', 'feeling', 'pregnancy', 'birth', 'medicines'] as const)('%s keeps sensation at 4', (id) => {
    expect(one(id).effect.sensationMax).toBe(4);
  });

  // After an operation from behind: no bend past 90 degrees, no crossing; from the front: not back (Kisner, Colby & Borstad, from memory).
  it('tells an artificial hip from the front from one from behind; not known is both', () => {
    const hip = (way?: string) => one('hip-replacement', way ? { details: { 'hip-replacement': [way] } } : {});
    const bent = { demands: ['hip-past-90'] } as const;
    const back = { demands: ['hip-back'] } as const;
    expect([removes(hip('back'), bent), removes(hip('back'), back)]).toEqual([true, false]);
    expect([removes(hip('front'), bent), removes(hip('front'), back)]).toEqual([false, true]);
    for (const way of ['unknown', undefined])
      expect([removes(hip(way), bent), removes(hip(way), back)]).toEqual([true, true]);
  });

  it('lets blood pressure under control push lightly; not under control or not known, not at all', () => {
    const pressure = (d: string) => one('pressure', { details: { pressure: [d] } });
    expect(pressure('controlled').effect).toMatchObject({ effortMax: 30, excludedTechniques: [] });
    for (const d of ['not-controlled', 'unknown'])
      expect(pressure(d).effect.excludedTechniques).toEqual(
        expect.arrayContaining(['contract-relax', 'loaded eccentric', 'loaded isometric']),
      );
  });

  it('goes by the week of a pregnancy: flat on the back until about the thirteenth, and birth after it', () => {
    const due = { dates: { pregnancy: '2026-09-01' }, details: { pregnancy: ['none'] } };
    // 2026-09-01 less 28 weeks is 2026-02-17: the twelfth week; less 26 weeks is 2026-03-03, the fourteenth.
    expect(one('pregnancy', due, '2026-02-17').effect.excludedPositions).toEqual([]);
    expect(one('pregnancy', due, '2026-03-03').effect.excludedPositions).toEqual(['supine', 'prone']);
    expect(one('pregnancy', { details: { pregnancy: ['none'] } }, '2026-02-17').effect.excludedPositions).toContain(
      'supine',
    );
    expect(one('pregnancy', { details: { pregnancy: ['warning'] } })).toMatchObject({
      outcome: 'refer',
      urgency: 'today',
    });
    const birth = { dates: { birth: '2026-01-01' }, details: { birth: ['caesarean'] } };
    expect(one('birth', birth, '2026-02-25').effect.excludedPositions).toEqual(['prone']);
    expect(one('birth', birth, '2026-02-26').effect.excludedPositions).toEqual([]);
  });

  it('refers two falls, a new spell of vertigo, a recent eye and a new hernia; not known counts as that', () => {
    const outcome = (id: QuestionId, d: string) => one(id, { details: { [id]: [d] } }).outcome;
    expect([outcome('balance', 'unsteady'), outcome('balance', 'one-fall'), outcome('balance', 'falls')]).toEqual([
      ...['limit', 'limit', 'refer'],
    ]);
    expect([outcome('vertigo', 'known'), outcome('vertigo', 'new'), outcome('vertigo', 'unknown')]).toEqual([
      ...['limit', 'refer', 'refer'],
    ]);
    expect([outcome('eyes', 'settled'), outcome('eyes', 'recent')]).toEqual(['limit', 'refer']);
    expect([outcome('hernia', 'old'), outcome('hernia', 'new')]).toEqual(['limit', 'refer']);
  });

  it('rests what a tear or an inflamed joint is about: its groups, and what its joint does not take', () => {
    const knee = one('flare', { regions: { flare: ['knee'] } });
    for (const id of ['heel-sit-shin', 'toe-tuck-kneel', 'folded-kneel', 'thread-through'])
      expect(cautionsAgainst(exerciseById(id), [knee]), id).toHaveLength(1);
    expect(one('tear', { regions: { tear: ['thigh-back'] } })).toMatchObject({
      regions: ['thigh-back'],
      effect: { excludedGroups: ['hamstrings'] },
    });
    const artificial = one('joint-replacement', { regions: { 'joint-replacement': ['knee'] } });
    expect(removes(artificial, { position: 'kneeling' })).toBe(true);
    // One artificial finger joint does not end all loading.
    const finger = one('joint-replacement', { regions: { 'joint-replacement': ['hand'] } });
    expect(removes(finger, { technique: 'loaded eccentric' })).toBe(false);
    expect(removes(finger, { technique: 'loaded eccentric', primary: 'forearm-flexors' })).toBe(true);
  });

  it('spares a painful attachment: the sit bone, the outer hip, the heel, below the kneecap', () => {
    const at = (d: string) => one('tendon', { details: { tendon: [d] } });
    expect(cautionsAgainst(exerciseById('chair-hamstring-hinge'), [at('sit-bone')])).toHaveLength(1);
    for (const id of ['standing-cross-lean', 'lying-leg-across', 'side-lying-leg-drop', 'crossed-knee-pull'])
      expect(cautionsAgainst(exerciseById(id), [at('outer-hip')]), id).toHaveLength(1);
    expect(cautionsAgainst(exerciseById('step-heel-drop'), [at('heel')])).toHaveLength(1);
    for (const id of ['kneeling-lean-back', 'sofa-quadriceps'])
      expect(cautionsAgainst(exerciseById(id), [at('knee')]), id).toHaveLength(1);
    expect(cautionsAgainst(exerciseById('straight-knee-wall-calf'), [at('heel')])).toEqual([]);
  });

  it('goes by age too: consent, no load, light pushes and nothing advanced under 18; the neck not back from 65', () => {
    const young = cautionsFor(answers([]), 17);
    expect(young).toMatchObject([{ id: 'under-18', outcome: 'refer', effect: { effortMax: 20 } }]);
    expect(removes(young[0]!, { difficulty: 3 })).toBe(true);
    expect(removes(young[0]!, { difficulty: 2 })).toBe(false);
    expect(cautionsFor(answers([]), 18)).toEqual([]);
    expect(cautionsFor(answers([]), 64)).toEqual([]);
    const old = cautionsFor(answers([]), 65);
    for (const id of ['collar-bone-chin-lift', 'slanted-chin-lift', 'lying-neck-front'])
      expect(cautionsAgainst(exerciseById(id), old), id).toHaveLength(1);
    expect(cautionsAgainstTest(romTestById('neck-extension'), old)).toHaveLength(1);
  });

  it('puts the gravest first', () => {
    const list = cautionsFor(answers(['diabetes', 'disc', 'heart', 'clot', 'saddle']), 40);
    expect(list.map((c) => c.id)).toEqual(['saddle', 'clot', 'heart', 'disc', 'diabetes']);
  });

  it('leaves an exercise of a coach’s own out for anybody with a limit until its demands are known', () => {
    const own = { demandsKnown: false };
    expect(removes(one('thinners'), own)).toBe(true);
    expect(removes(one('diabetes'), own)).toBe(false);
    expect(cautionsAgainst(stretch(own), [])).toEqual([]);
  });

  it('says the same to the client as to the coach: every limit has a text of its own, without the trade’s words', () => {
    for (const { id, caution } of CONDITION_CASES) {
      const words = cautionForClient(caution);
      if (caution.outcome !== 'note') expect(words.length, id).toBeGreaterThan(20);
      expect(words, id).not.toMatch(/sensation|lane|dose|flexion|end range/i);
      // The numbers of the effect stand in what the coach reads, and a limit is never silent.
      const { sensationMax, holdMax, effortMax } = caution.effect;
      const changes = cautionChanges(caution);
      if (caution.outcome === 'limit') expect(changes.length, id).toBeGreaterThan(10);
      if (sensationMax !== null) expect(changes, id).toContain(`Sensation ${sensationMax} at most.`);
      if (holdMax !== null) expect(changes, id).toContain(`Holds of ${holdMax} s at most.`);
      if (effortMax !== null) expect(changes, id).toContain(`Pushes of ${effortMax}% at most.`);
    }
  });
});

describe('answers', () => {
  it('know what has not been asked, and what a yes still lacks', () => {
    expect(openQuestions({ yes: ['heart'], no: [], regions: {} })).toHaveLength(QUESTIONS.length - 1);
    expect(openQuestions(answers(['heart']))).toEqual([]);
    const some = answers(['tear', 'flare', 'pressure', 'eyes'], {
      regions: { tear: ['thigh-back'] },
      details: { eyes: ['settled'] },
    });
    expect(unfinishedAnswers(some)).toEqual(['flare', 'pressure']);
  });

  // What was one question ("pregnant, or given birth"; "bend far, or come out of place") may have been either.
  it('of before keep their meaning, and are read strictly', () => {
    const before = { yes: ['pregnancy', 'loose-joints', 'unwell'], no: ['heart'], regions: {} } as unknown as Answers;
    const now = answersFrom(before);
    expect(new Set(now.yes)).toEqual(new Set(['loose-joints', 'dislocated', 'pregnancy', 'birth']));
    expect(now.no).toEqual(['heart']);
    expect(unfinishedAnswers(now)).toEqual(expect.arrayContaining(['pregnancy', 'birth', 'dislocated']));
    const after = answers(['pregnancy'], { details: { pregnancy: ['none'] } });
    expect(answersFrom(after).yes).toEqual(['pregnancy']);
  });

  it.each([
    ['tear', '2026-03-01', '2026-06-01'],
    ['clot', '2026-03-01', '2026-09-01'],
    ['disc', '2026-03-01', '2027-03-01'],
  ] as const)('have their own life: %s asked on %s is due on %s', (id, asked, due) => {
    expect(rescreenDue(asked, answers([id]))).toBe(due);
  });

  it('that were stored with a question of then are due by the questions of today', () => {
    // "Unwell today" was asked until demands were coded; stored askings still have it.
    const stored = { yes: ['unwell', 'clot'] as unknown as QuestionId[], no: [], regions: {} };
    expect(rescreenDue('2026-03-01', stored)).toBe('2026-09-01');
  });
});

const technique = fc.constantFrom<Technique>(...TECHNIQUES);
const anyExercise: fc.Arbitrary<ExerciseTraits> = fc.record({
  primary: fc.constantFrom(...MUSCLE_GROUP_IDS),
  secondary: fc.subarray([...MUSCLE_GROUP_IDS], { maxLength: 3 }),
  technique,
  position: fc.constantFrom(...POSITIONS),
  demands: fc.subarray([...DEMANDS], { maxLength: 3 }),
  demandsKnown: fc.boolean(),
  bed: fc.boolean(),
  difficulty: fc.constantFrom(1, 2, 3),
});
const anyAnswers = fc
  .record({ yes: fc.subarray([...QUESTION_IDS]), region: fc.constantFrom(...BODY_REGION_IDS) })
  .map(({ yes, region }) =>
    answers(yes, {
      regions: Object.fromEntries(yes.map((y) => [y, 'regions' in QUESTIONS.find((q) => q.id === y)! ? [region] : []])),
    }),
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
            const groups = [x.primary, ...x.secondary];
            expect(groups.some((g) => all.excludedGroups.includes(g))).toBe(false);
            expect(all.excludedTechniques).not.toContain(x.technique);
            expect(all.excludedPositions).not.toContain(x.position);
            expect(demandsOf(x).some((d) => all.excludedDemands.includes(d))).toBe(false);
            for (const l of all.groupLimits.filter((g) => groups.some((x2) => g.groups.includes(x2)))) {
              expect(l.techniques).not.toContain(x.technique);
              expect(demandsOf(x).some((d) => l.demands.includes(d))).toBe(false);
            }
            if (all.difficultyMax !== null) expect(x.difficulty).toBeLessThanOrEqual(all.difficultyMax);
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
  it('never ask less for knowing less: an answer that was not told apart removes whatever any way of it removes', () => {
    for (const q of QUESTIONS.filter((x) => 'detail' in x)) {
      const [strict, ...told] = CONDITION_CASES.filter((c) => c.id === q.id);
      const gone = new Set(removed(strict!.caution));
      for (const c of told) for (const id of removed(c.caution)) expect(gone, `${q.id} ${c.detail}`).toContain(id);
    }
  });
  it('keep nerve glides off for whoever is not qualified', () => {
    const glide = stretch({ technique: 'nerve glide' });
    const current = (yes: QuestionId[], qualified: boolean) =>
      screeningOn(answers(yes), 40, [], '2026-03-02', qualified).current;
    expect(cautionsAgainst(glide, current([], false)).map((c) => c.id)).toEqual(['nerve-glides']);
    expect(cautionsAgainst(glide, current([], true))).toEqual([]);
    expect(cautionsAgainst(glide, current(['numbness'], true)).map((c) => c.id)).toEqual(['numbness']);
    expect(cautionsAgainst(glide, NOT_ASKED.current).map((c) => c.id)).toEqual(['nerve-glides']);
  });
  it('keep the hand off the head until it is allowed for the client, and never where a caution takes it away', () => {
    const allowed = { cautionId: 'hand-on-head', on: '2026-02-01', lifts: [] } as const;
    const against = (yes: QuestionId[], age: number, given: readonly ClearanceFact[], day = '2026-03-02') =>
      cautionsAgainst(exerciseById('nose-to-armpit-hand'), screeningOn(answers(yes), age, given, day).current).map(
        (c) => c.id,
      );
    expect(against([], 40, [])).toEqual(['hand-on-head']);
    expect(against([], 40, [allowed])).toEqual([]);
    // It counts a year, as a clearance does.
    expect(against([], 40, [allowed], '2027-02-01')).toEqual(['hand-on-head']);
    expect(against([], 65, [allowed])).toEqual(['over-65']);
    expect(against(['bones'], 40, [allowed])).toEqual(['bones']);
    // The head alone needs no leave.
    expect(cautionsAgainst(exerciseById('nose-to-armpit'), NOT_ASKED.current)).toEqual([]);
  });
  it('leave an own exercise that nobody has gone through to whoever has no limit: a rule of the house is none', () => {
    const own = stretch({ demandsKnown: false });
    expect(cautionsAgainst(own, NOT_ASKED.current)).toEqual([]);
    expect(cautionsAgainst(own, screeningOn(answers(['wrists']), 40, [], '2026-03-02').current)).toHaveLength(1);
  });
  it('are the strictest of all', () => {
    const both = limitsOfCautions(cautionsFor(answers(['loose-joints', 'eyes', 'floor']), 70));
    expect(both.sensationMax).toBe(4);
    expect(both.excludedDemands).toEqual(expect.arrayContaining(['head-low', 'neck-back', 'floor']));
    expect(limitsOfCautions([]).sensationMax).toBeNull();
  });
  it('reach the plan: sensation, holds, pushes, easy groups, and groups that rest', () => {
    const client = { age: 40, experience: 'regular', trainingDays: [1, 3, 5], gentleGroups: [] } as const;
    const of = (a: Answers) => ({ ...client, cautions: limitsOfCautions(cautionsFor(a, 40)) });
    const style = (id: string) => STYLES.find((s) => s.id === id)!;
    const limits = (id: string, a: Answers, group: 'calf' | 'gluteals' | 'hamstrings') =>
      limitsFor(style(id), style(id).phases[0]!, of(a), {
        ...{ group, days: [1, 3, 5], exercises: [], loadMax: null, loadedByHand: false },
      });
    expect(limits('steady-hold', answers(['medicines']), 'calf')).toMatchObject({
      sensationMax: 4,
      reasons: expect.arrayContaining([{ code: 'caution-sensation', args: { sensation: 4 } }]) as object[],
    });
    expect(limits('steady-hold', answers(['hip-replacement']), 'gluteals').sensationMax).toBe(4);
    expect(limits('steady-hold', answers(['hip-replacement']), 'calf').sensationMax).toBeGreaterThan(4);
    // Loose joints get control, not rising long holds.
    expect(limits('long-hold', answers(['loose-joints']), 'calf')).toMatchObject({ amountMax: 30, amountMin: 30 });
    const controlled = answers(['pressure'], { details: { pressure: ['controlled'] } });
    expect(limits('push-relax', controlled, 'calf').effortMax).toBe(30);
    expect(() => limits('steady-hold', answers(['tear'], { regions: { tear: ['thigh-back'] } }), 'hamstrings')).toThrow(
      expect.objectContaining({ code: 'invalid-plan' }),
    );
  });
  it('leave a client who cannot get to the floor the chair, the bed and standing', () => {
    const { allowed, leftOut } = splitAllowed(EXERCISES, [one('floor')]);
    expect(allowed.every((e) => ['standing', 'sitting on a chair'].includes(e.position) || e.bed)).toBe(true);
    // Done sitting on the floor: counted by hand in the library, twelve of them.
    const floorSitters = leftOut
      .filter((l) => l.exercise.position === 'sitting on the floor')
      .map((l) => l.exercise.id);
    expect(floorSitters).toHaveLength(12);
    expect(allowed.map((e) => e.id)).toContain('supine-strap-hamstring');
  });
  it('leave every group of a client without answers something', () => {
    const left = splitAllowed(EXERCISES, []).allowed;
    for (const group of MUSCLE_GROUP_IDS)
      expect(left.some((e) => e.primary === group && e.technique === 'static hold')).toBe(true);
  });
});

describe('who a text says it is not for', () => {
  it('is never said by a bare yes or no', () => {
    for (const e of EXERCISES) expect(notForWords(e).join('; '), e.id).not.toMatch(/\((yes|no)\b/i);
    expect(notForWords(exerciseById('weighted-hinge')).join('; ')).toContain('high blood pressure (not under control)');
  });
  it('is who the effect is for: of every exercise, each condition that removes it and no other', () => {
    for (const e of EXERCISES) {
      const words = notForWords(e).join('; ');
      const by = (id: QuestionId) =>
        CONDITION_CASES.filter((c) => c.id === id).some((c) => cautionsAgainst(e, [c.caution]).length > 0);
      expect(/artificial hip/.test(words), e.id).toBe(by('hip-replacement'));
      expect(/comes out/.test(words), e.id).toBe(by('dislocated'));
      expect(/osteoporosis/.test(words), e.id).toBe(by('bones'));
      expect(/inflammatory arthritis of the neck/.test(words), e.id).toBe(by('neck-arthritis'));
      expect(/glaucoma/.test(words), e.id).toBe(by('eyes'));
      expect(/vertigo/.test(words), e.id).toBe(by('vertigo'));
    }
    // Those that turn the head and stay there, by hand.
    for (const id of ['neck-turn-hold', 'collar-bone-turn', 'lying-head-turns'])
      expect(cautionsAgainst(exerciseById(id), [one('vertigo')]), id).toHaveLength(1);
  });
  it('tells the ways apart where only some count', () => {
    expect(notForWords(exerciseById('half-kneeling-hip-flexor')).join('; ')).toContain(
      'an artificial hip (from the front)',
    );
    expect(notForWords(exerciseById('knee-hug')).join('; ')).toContain('an artificial hip (from behind or the side)');
  });
  it('is known of every test', () => {
    for (const t of ROM_TESTS) expect(t.demands.every((d) => DEMANDS.includes(d))).toBe(true);
    const hip = [one('hip-replacement')];
    for (const id of ['thomas-hip', 'hip-flexion', 'hip-abduction', 'side-split-height', 'bent-knee-fall-out'])
      expect(cautionsAgainstTest(romTestById(id), hip), id).toHaveLength(1);
    expect(cautionsAgainstTest(romTestById('finger-to-floor'), [one('bones')])).toHaveLength(1);
    expect(cautionsAgainstTest(romTestById('wrist-extension'), hip)).toEqual([]);
  });
});
