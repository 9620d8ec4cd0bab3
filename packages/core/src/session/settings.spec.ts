import { describe, expect, it } from 'vitest';
import { roundsWords } from '../words/rounds.js';
import { asksEasy, sameSettings, settingsOf } from './settings.js';

const once = { purpose: 'own', alreadyWarm: true, rounds: 1, minutes: null } as const;

describe('settings of a session', () => {
  it('are picked from what has more, and compared by what counts', () => {
    expect(settingsOf({ ...once, ...{ name: 'More' } })).toEqual(once);
    expect(settingsOf({ ...once, rounds: 3, untilEasy: true })).toEqual({ ...once, rounds: 3, untilEasy: true });
    // Of one round nothing is asked; a row of a database says no where nothing is said.
    expect(settingsOf({ ...once, untilEasy: true })).toEqual(once);
    expect(sameSettings({ ...once, rounds: 3, untilEasy: false }, { ...once, rounds: 3 })).toBe(true);
    expect(sameSettings({ ...once, rounds: 3, untilEasy: true }, { ...once, rounds: 3 })).toBe(false);
    expect(sameSettings(once, { ...once, minutes: 10 })).toBe(false);
  });
  it('ask after each round where it goes on until it feels easy', () => {
    expect(asksEasy({ untilEasy: true }, 1, 2)).toBe(true);
    expect(asksEasy({ untilEasy: true }, 2, 2)).toBe(false);
    expect(asksEasy({}, 1, 2)).toBe(false);
  });
  it('say the rounds', () => {
    expect([1, 2].map((rounds) => roundsWords({ rounds }))).toEqual(['', '2 rounds']);
    expect(roundsWords({ rounds: 3, untilEasy: true })).toBe('up to 3 rounds, until it feels easy');
  });
});
