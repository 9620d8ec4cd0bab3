import { clientItemWords } from './client-item.js';
import { plainTestName } from './plain-test.js';
import { ROM_TESTS } from '../catalogue/tests.js';
import { describe, expect, it } from 'vitest';
import { exerciseById, EXERCISES } from '../catalogue/exercises.js';
import type { SessionItem } from '../session/item.js';
import { progressWords, type ChangeSince } from './client-progress.js';
import { itemWords, pushWords, targetWords } from './item.js';

describe('names of tests for clients', () => {
  it('are plain for every test that ships: none of the trade’s words', () => {
    const names = ROM_TESTS.map(plainTestName);
    expect(new Set(names).size).toBe(ROM_TESTS.length);
    for (const name of names)
      expect(name).not.toMatch(/flexion|extension|rotation|abduction|dorsi|plantar|Thomas|lumbar|lunge/i);
  });
});

describe('progressWords', () => {
  const test = { id: 'weight-bearing-lunge', name: 'Weight-bearing lunge', unit: 'cm', better: 'more' } as const;
  // A studio's own test keeps its name.
  const own = { ...test, id: 'own:reach', name: 'Reach' };
  const row = (from: number, to: number, over: Partial<ChangeSince> = {}): ChangeSince => ({
    test,
    side: 'left',
    before: { dates: ['2026-03-02'], value: from, sem: 0.6 },
    now: { dates: ['2026-04-13'], value: to, sem: 0.6 },
    ...over,
  });

  // MDC95 = 1.96·√2·0.6 = 1.66 cm (Weir 2005): 2.4 cm is more, 1.6 is not.
  it('says what is real, freer first, and puts the rest into one sentence', () => {
    expect(
      progressWords([
        row(8, 5, { side: 'right' }),
        row(8, 10.4),
        row(8, 9.6, { test: own }),
        row(8, 8, { test: own, side: 'right' }),
      ]),
    ).toEqual([
      'Knee to wall, left: better by 2.4 cm since 2 March.',
      'Knee to wall, right: 3 cm less than on 2 March. Your coach will look at it with you.',
      'No clear change yet: reach. Small changes are hard to measure.',
    ]);
  });

  it('knows tests in which less is freer', () => {
    const [words] = progressWords([row(20, 15, { test: { ...test, better: 'less' }, side: null })]);
    expect(words).toBe('Knee to wall: better by 5 cm since 2 March.');
    expect(progressWords([])).toEqual([]);
  });
});

describe('itemWords', () => {
  const item: SessionItem = {
    exerciseId: 'supine-strap-hamstring',
    sets: 2,
    holdSeconds: 30,
    sensation: 5,
    firstSide: 'right',
  };
  const hamstring = exerciseById('supine-strap-hamstring');

  it('says what is asked, by technique and side', () => {
    expect(itemWords(item, hamstring)).toBe('Hold 30 s, 2 times on each side, right first');
    expect(itemWords({ ...item, sets: 1, sidePattern: 'alternating' }, hamstring)).toBe(
      'Hold 30 s, once on each side, alternating, right first',
    );
    const push: SessionItem = {
      ...item,
      technique: 'contract-relax',
      cycles: 3,
      pushSeconds: 6,
      effort: 20,
      holdSeconds: 15,
    };
    expect(itemWords(push, hamstring)).toContain('Push, let go, stretch: 3 × (6 s push at 20%, 15 s)');
    expect(pushWords(push, hamstring)).toBe('Push the heel away into the strap.');
    expect(pushWords(item, hamstring)).toBeNull();
    expect(targetWords(item)).toBe('Sensation 5 of 10: clear stretch, can talk');
  });
});

// Design, words 8.4.8: what a client reads of one exercise.
describe('clientItemWords', () => {
  const calf = exerciseById('bent-knee-wall-calf');
  const hold: SessionItem = { exerciseId: calf.id, sets: 2, holdSeconds: 50, sensation: 5, firstSide: 'left' };
  it('says how long, how often, which side, what more, and how strong', () => {
    expect(clientItemWords({ ...hold, bonus: { side: 'left', sets: 1, more: 0 } }, calf)).toBe(
      'Hold for 50 seconds, twice on each side, left first. Once more on the left, your tighter side. How strong: 5 of 10, a clear stretch; you can still talk.',
    );
    expect(clientItemWords({ ...hold, sets: 1, sensation: 3 }, calf)).toBe(
      'Hold for 50 seconds, once on each side, left first. How strong: 3 of 10, a light pull.',
    );
  });
  it('has whole words for every technique, and none of the trade’s', () => {
    for (const exercise of EXERCISES) {
      const item = {
        exerciseId: exercise.id,
        sets: 3,
        reps: 6,
        cycles: 3,
        pushSeconds: 6,
        effort: 20,
        lowerSeconds: 3,
        holdSeconds: 20,
        sensation: 4,
        firstSide: 'right',
      } as SessionItem;
      const words = clientItemWords(item, exercise);
      expect(words, exercise.id).toMatch(/^[A-Z].*\.$/);
      expect(words, exercise.id).not.toMatch(/undefined|NaN| s\b|reps|sensation|lane|dose|neutral/);
    }
  });
});
