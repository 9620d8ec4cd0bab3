import { EXERCISES } from '@yandle/core';
import { findExercises } from './find-exercise';

const names = (typed: string): string[] => findExercises(typed, EXERCISES).map((e) => e.name);

describe('an exercise that is typed', () => {
  it('is found by the beginnings of words, never by the middle of one', () => {
    expect(names('ear to')[0]).toBe('Ear to shoulder, hand resting');
    expect(names('ear to')).toContain('Seated ear to shoulder');
    // "forearm" holds an ear, and is none.
    expect(names('ear to').every((n) => /\bear\b/i.test(n))).toBe(true);
    expect(names('wall calf').length).toBeGreaterThan(1);
    expect(names('no such thing')).toEqual([]);
  });

  it('is found by muscle group, technique and position after those of the name', () => {
    expect(names('standing')[0]).toMatch(/^Standing/);
    expect(names('breathing sup').length + names('breathing').length).toBeGreaterThan(0);
    const chair = findExercises('chair', EXERCISES);
    const inName = chair.map((e) => /\bchair/i.test(e.name));
    expect(inName.indexOf(false)).toBeGreaterThan(inName.lastIndexOf(true));
  });
});
