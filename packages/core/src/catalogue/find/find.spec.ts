import { describe, expect, it } from 'vitest';
import { MUSCLE_GROUP_IDS } from '../../anatomy/muscle-group.js';
import { EXERCISES } from '../exercises.js';
import { EVERYDAY_WORDS } from './everyday.js';
import { exerciseIndex, findExercises } from './find.js';

const index = exerciseIndex(EXERCISES);
const found = (text: string) => findExercises(text, index);
const groups = (text: string, first = 3) =>
  new Set(
    found(text)
      .slice(0, first)
      .map((e) => e.primary),
  );

// Issue "A library that carries every style, place and body", 4: the examples of its text, and what a coach would type.
describe('finding an exercise by words', () => {
  it('knows the places of the body by what clients call them', () => {
    expect(groups('front of thigh', 5)).toEqual(new Set(['quadriceps']));
    expect(groups('between the shoulder blades')).toEqual(new Set(['upper-back']));
    expect(groups('back of the neck')).toEqual(new Set(['neck-back']));
    expect(groups('inner thigh', 5)).toEqual(new Set(['adductors']));
  });
  it('goes by the beginnings of words, never by the middle of one', () => {
    expect(found('ear to')[0]!.name).toBe('Ear to shoulder, hand resting');
    expect(found('ear to').map((e) => e.id)).toContain('seated-ear-to-shoulder');
    // "forearm" holds an ear, and is none.
    expect(found('ear').some((e) => /forearm/i.test(e.name))).toBe(false);
    const inName = found('chair').map((e) => /\bchair/i.test(e.name));
    expect(inName.indexOf(false)).toBeGreaterThan(inName.lastIndexOf(true));
  });
  it('finds while the last word is still being typed', () => {
    expect(groups('front of the thi')).toEqual(new Set(['quadriceps']));
    expect(found('hamst').length).toBeGreaterThan(8);
  });
  it('puts a name that begins so first, then names with all the words, then the rest', () => {
    expect(found('half-kneeling hip')[0]!.id).toBe('half-kneeling-hip-flexor');
    expect(
      found('calf wall')
        .slice(0, 2)
        .map((e) => e.id)
        .sort(),
    ).toEqual(['bent-knee-wall-calf', 'straight-knee-wall-calf']);
  });
  it('knows regions, things, positions and techniques', () => {
    expect(
      found('neck').every((e) => `${e.primary}${e.secondary.join('')}${e.name}${e.aim}`.match(/neck|trapezius/i)),
    ).toBe(true);
    expect(found('rolling roller').every((e) => e.technique === 'rolling' && e.props.includes('roller'))).toBe(true);
    expect(found('warm-up chair').length).toBeGreaterThan(3);
  });
  it('finds everything for nothing, and nothing for what no exercise says', () => {
    expect(found('  ')).toHaveLength(EXERCISES.length);
    expect(found('zebra')).toEqual([]);
  });
  it('has at least one everyday word for every group, and finds the group by each of them', () => {
    for (const g of MUSCLE_GROUP_IDS)
      for (const words of EVERYDAY_WORDS[g])
        expect(
          found(words).some((e) => e.primary === g),
          `${g}: ${words}`,
        ).toBe(true);
  });
});
