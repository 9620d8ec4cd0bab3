import { describe, expect, it } from 'vitest';
import { nextCueWords, setPlaceWords, usedLoadWords } from './run.js';

describe('while a session runs', () => {
  it.each([
    [{ set: 1, sets: 2, repetition: null, round: null }, 'set 1 of 2'],
    [{ set: 2, sets: 2, repetition: null, round: 3 }, 'set 2 of 2 · round 3'],
    [{ set: 1, sets: 1, repetition: { at: 3, of: 8, unit: 'repetitions' }, round: null }, 'rep 3 of 8 · set 1 of 1'],
    [
      { set: 1, sets: 3, repetition: { at: 6, of: 6, unit: 'breaths' }, round: 2 },
      'breath 6 of 6 · set 1 of 3 · round 2',
    ],
  ] as const)('%o stands at “%s”', (place, words) => {
    expect(setPlaceWords(place)).toBe(words);
  });

  it.each([
    [null, 'Last one'],
    [{ kind: 'position', side: null, seconds: 10 }, 'Next: Knee hug'],
    [{ kind: 'switch', side: 'right', seconds: 5 }, 'Next: right side'],
    [{ kind: 'rest', side: null, seconds: 15 }, 'Next: rest 15 s'],
    [{ kind: 'hold', side: 'left', seconds: 30 }, 'Next: hold 30 s, left'],
    [{ kind: 'breaths', side: null, seconds: 60 }, 'Next: breathe 60 s'],
  ] as const)('after %o comes “%s”', (cue, words) => {
    expect(nextCueWords(cue, 'Knee hug')).toBe(words);
  });

  it.each([
    [{}, 'bodyweight'],
    [{ assistance: 1 }, 'bodyweight, light help'],
    [{ load: 10 }, '10 kg'],
    [{ load: 5, loadUnit: '% body mass' }, '5% of body weight'],
    [{ load: 2, loadUnit: 'band', assistance: 2 }, 'full help, light band (step 2)'],
  ] as const)('%o is “%s”', (load, words) => {
    expect(usedLoadWords(load)).toBe(words);
  });
});
