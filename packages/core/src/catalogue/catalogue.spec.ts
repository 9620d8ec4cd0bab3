import { notForWords, testNotForWords } from '../words/not-for.js';
import { TECHNIQUES } from '../technique/catalogue.js';
import { describe, expect, it } from 'vitest';
import { MUSCLE_GROUP_IDS, MUSCLE_GROUPS, muscleGroupName, muscleGroupOrder } from '../anatomy/muscle-group.js';
import { otherSide } from '../anatomy/side.js';
import { referenceFor, referenceValue } from '../measuring/reference.js';
import { ORIGIN_NOTE, sourceWords, type Source } from '../source.js';
import { STYLES } from '../styles/index.js';
import { POSITIONS } from './rom-test.js';
import { shareOf, type Exercise } from './exercise.js';
import { EXERCISES, exerciseById, exercisesFor, trainableGroups } from './exercises.js';
import { EVERYDAY_PROPS } from './props.js';
import { isStopSign, sensationWords, EMERGENCY_SIGNS, STOP_SIGNS, symptomName, SYMPTOMS } from './safety.js';
import { ROM_TESTS, romTestById } from './tests.js';

const marked = (s: Source) => s.text.length > 10 && s.origin in ORIGIN_NOTE;

describe('muscle groups', () => {
  it('are the 29 of the trade list, each once, from the floor up', () => {
    expect(MUSCLE_GROUPS).toHaveLength(29);
    expect(new Set(MUSCLE_GROUP_IDS).size).toBe(29);
    expect(muscleGroupOrder('soleus')).toBeLessThan(muscleGroupOrder('hamstrings'));
    expect(muscleGroupName('hip-flexors')).toBe('Hip flexors');
    expect(otherSide('left')).toBe('right');
    expect(otherSide('right')).toBe('left');
  });
});

describe.each(ROM_TESTS.map((t) => [t.id, t] as const))('test %s', (_, t) => {
  it('says where every figure comes from', () => {
    expect(marked(t.error.source)).toBe(true);
    const r = t.reference;
    if (r.kind === 'none') expect(r.why.length).toBeGreaterThan(20);
    else expect(marked(r.source)).toBe(true);
    if (r.kind === 'table' && r.otherwise) expect(marked(r.otherwise.source)).toBe(true);
    if (t.sideThreshold) expect(marked(t.sideThreshold.source)).toBe(true);
  });
  it('can be repeated by a stranger: position, landmarks, steps, end point, faults and who should not do it', () => {
    for (const list of [t.landmarks, t.steps, t.instruments, t.cautions, testNotForWords(t), t.faults])
      expect(list.length).toBeGreaterThan(0);
    expect(t.endPoint.length).toBeGreaterThan(10);
    expect(t.limits.every((l) => MUSCLE_GROUP_IDS.includes(l.group) && l.weight > 0 && l.weight <= 1)).toBe(true);
  });
  it('has a scale that runs towards freer and holds its reference', () => {
    const { stiffest, freest } = t.scale;
    expect(freest > stiffest).toBe(t.better === 'more');
    for (const age of [16, 30, 45, 67, 80])
      for (const sex of ['female', 'male', null] as const) {
        const r = referenceFor(t, { age, sex });
        const centre = referenceValue(r);
        if (centre === null) continue;
        expect(centre).toBeGreaterThan(Math.min(stiffest, freest));
        expect(centre).toBeLessThan(Math.max(stiffest, freest));
        if (r.kind === 'band') expect(r.low).toBeLessThan(r.high);
      }
    expect(t.plausible.min).toBeLessThan(t.plausible.max);
  });
});

describe.each(EXERCISES.map((e) => [e.id, e] as const))('exercise %s', (_, e) => {
  it('is complete and safe to hand out', () => {
    expect(e.steps.length).toBeGreaterThan(1);
    expect(e.steps.length).toBeLessThanOrEqual(5);
    for (const list of [e.faults, e.cautions]) expect(list.length).toBeGreaterThan(0);
    for (const text of [e.aim, e.endPoint, e.felt, e.notFelt, e.easier, e.harder, e.breath])
      expect(text.length).toBeGreaterThan(5);
    expect(e.secondary).not.toContain(e.primary);
    expect(new Set([...e.props, ...e.optionalProps]).size).toBe(e.props.length + e.optionalProps.length);
    expect(e.amount.min).toBeLessThan(e.amount.max);
    expect(e.setupSeconds).toBeGreaterThanOrEqual(0);
    if (e.stages.length > 0) expect(e.stages.reduce((sum, s) => sum + s.share, 0)).toBeCloseTo(1, 10);
    expect(e.load === 'none').toBe(!e.technique.startsWith('loaded') && !e.props.includes('band'));
    // Common practice, no source: hands carry weight on all fours, except when the forearms do.
    if (e.position === 'all fours') expect(e.id === 'frog' || e.demands.includes('wrists')).toBe(true);
  });
});

/** Needs nothing that is not in every home. */
const bare = (e: Exercise) => e.props.every((p) => EVERYDAY_PROPS.includes(p));

describe('the library', () => {
  it('has at least 80 exercises, of every technique, position and level, with and without each prop', () => {
    expect(EXERCISES.length).toBeGreaterThanOrEqual(80);
    for (const t of TECHNIQUES)
      expect(
        EXERCISES.some((e) => e.technique === t),
        t,
      ).toBe(true);
    for (const p of POSITIONS)
      expect(
        EXERCISES.some((e) => e.position === p),
        p,
      ).toBe(true);
    for (const l of [1, 2, 3] as const) expect(EXERCISES.some((e) => e.difficulty === l)).toBe(true);
    for (const p of ['strap', 'roller', 'ball', 'band', 'stick', 'step', 'weight', 'sofa', 'chair', 'wall'] as const)
      expect(
        EXERCISES.some((e) => e.props.includes(p)),
        p,
      ).toBe(true);
  });
  it.each(MUSCLE_GROUP_IDS)(
    'gives %s three stretches without special things, one lying or seated, one for beginners',
    (group) => {
      const stretches = EXERCISES.filter((e) => e.technique === 'static hold' && shareOf(e, group) > 0);
      expect(stretches.filter(bare).length).toBeGreaterThanOrEqual(3);
      expect(
        stretches.some((e) =>
          ['supine', 'prone', 'side-lying', 'sitting on a chair', 'sitting on the floor'].includes(e.position),
        ),
      ).toBe(true);
      expect(stretches.some((e) => e.difficulty === 1)).toBe(true);
      expect(exercisesFor(group).length).toBeGreaterThan(0);
    },
  );
  // What is done in two positions says both or none: nobody on a chair reads "stand".
  it('says every position in which an exercise is done, or none', () => {
    const verb = { standing: /\bstand/i, 'sitting on a chair': /\bsit/i, supine: /\blie\b/i } as const;
    for (const e of EXERCISES.filter((x) => x.alsoIn)) {
      const steps = e.steps.join(' ');
      const at = (Object.keys(verb) as (keyof typeof verb)[]).filter((p) => p === e.position || e.alsoIn!.includes(p));
      expect(at.length, e.id).toBe(1 + e.alsoIn!.length);
      if (Object.values(verb).some((v) => v.test(steps)))
        for (const p of at) expect(steps, `${e.id} ${p}`).toMatch(verb[p]);
    }
  });
  it('has ladders that lead somewhere and never in circles, of one group each', () => {
    for (const e of EXERCISES)
      for (const step of ['easierForm', 'harderForm'] as const) {
        const seen = new Set([e.id]);
        for (let next = e[step]; next !== null; next = exerciseById(next)[step]) {
          expect(seen.has(next), `${e.id} → ${next}`).toBe(false);
          seen.add(next);
          expect([exerciseById(next).primary, ...exerciseById(next).secondary], `${e.id} → ${next}`).toContain(
            e.primary,
          );
        }
      }
  });
  it('makes a harder form no easier in level', () => {
    for (const e of EXERCISES)
      if (e.harderForm) expect(exerciseById(e.harderForm).difficulty, e.id).toBeGreaterThanOrEqual(e.difficulty);
  });
  it('checks the neck without hands before hands help, and never without naming the red flags', () => {
    for (const e of EXERCISES.filter((x) => x.position === 'sitting on a chair' && /neck|trapezius/.test(x.primary))) {
      if (e.technique === 'static hold') expect(e.check).toContain('without your hands');
      expect(notForWords(e).join()).toContain('dizziness');
    }
  });
});

describe('the catalogue of tests', () => {
  it('has at least 24 tests, from the ankle to the wrist', () => {
    expect(ROM_TESTS.length).toBeGreaterThanOrEqual(24);
    const words = ROM_TESTS.map((t) => t.motion).join(' ');
    for (const joint of ['ankle', 'toe', 'knee', 'hip', 'trunk', 'thoracic', 'shoulder', 'cervical', 'wrist'])
      expect(words).toContain(joint);
  });
  // Soucie et al. 2011 print 95 % intervals of the mean: a band of them would call most healthy people short.
  it('has no confidence interval of a mean as a band', () => {
    for (const t of ROM_TESTS) expect(JSON.stringify(t.reference), t.id).not.toContain('Soucie');
  });
  it('keeps readings of the scale plausible, and the tolerance wider than the instrument', () => {
    for (const t of ROM_TESTS) {
      expect(t.plausible.min, t.id).toBeLessThanOrEqual(Math.min(t.scale.stiffest, t.scale.freest));
      expect(t.plausible.max, t.id).toBeGreaterThanOrEqual(Math.max(t.scale.stiffest, t.scale.freest));
      expect(t.repeatTolerance, t.id).toBeGreaterThan(t.resolution);
    }
  });
});

describe('look-ups', () => {
  it('find what is there and refuse what is not', () => {
    expect(romTestById('active-knee-extension').unit).toBe('deg');
    expect(exerciseById('doorway-pectorals').primary).toBe('pectorals');
    expect(exercisesFor('soleus')[0]!.id).toBe('bent-knee-wall-calf');
    expect(exercisesFor('soleus', 'moving stretch').map((e) => e.id)).toEqual(['half-kneeling-ankle-rock']);
    expect(shareOf(exerciseById('doorway-pectorals'), 'pectorals')).toBe(1);
    expect(shareOf(exerciseById('doorway-pectorals'), 'anterior-shoulder')).toBe(0.5);
    expect(shareOf(exerciseById('doorway-pectorals'), 'calf')).toBe(0);
    expect(trainableGroups()).toContain('hamstrings');
    expect(() => romTestById('none')).toThrow(expect.objectContaining({ code: 'unknown-test' }));
    expect(() => exerciseById('none')).toThrow(expect.objectContaining({ code: 'unknown-exercise' }));
  });
  it('have unique ids', () => {
    for (const ids of [ROM_TESTS, EXERCISES, STYLES].map((l) => l.map((x) => x.id)))
      expect(new Set(ids).size).toBe(ids.length);
  });
  it('styles carry their sources', () => {
    expect(STYLES.every((s) => s.sources.length > 0 && s.sources.every(marked))).toBe(true);
  });
  it('a source says how far it can be trusted', () => {
    expect(sourceWords({ origin: 'memory', text: 'Weir 2005.' })).toBe('Weir 2005; from memory, check the source');
  });
});

describe('safety', () => {
  // The stop signs of the trade: nerve, joint, head, instability.
  it('lists every stop sign wherever something is prescribed, the emergencies apart, and no cramp among them', () => {
    const listed = [...STOP_SIGNS, ...EMERGENCY_SIGNS];
    expect(new Set(listed)).toEqual(new Set(SYMPTOMS.filter((s) => isStopSign(s.id)).map((s) => s.name)));
    expect(listed).toContain('A joint giving way');
    expect(EMERGENCY_SIGNS.join()).toMatch(/chest pain.*speaking.*headache.*bladder/i);
    expect(isStopSign('too-strong')).toBe(false);
    expect(symptomName('numbness')).toBe('Numbness or tingling');
  });
  // Anchors of the sensation scale: common practice, no source.
  it('names sensations by their anchors', () => {
    expect([0, 2, 5, 7, 9].map(sensationWords)).toEqual([
      'nothing',
      'light pull',
      'clear stretch, can talk',
      'too strong to talk easily',
      'pain',
    ]);
  });
});
