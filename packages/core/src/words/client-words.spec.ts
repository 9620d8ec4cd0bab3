import { describe, expect, it } from 'vitest';
import { exerciseById } from '../catalogue/exercises.js';
import type { SessionItem } from '../session/item.js';
import { progressWords, type FirstAndLast } from './client-progress.js';
import { itemWords, pushWords, targetWords } from './item.js';

describe('progressWords', () => {
  const test = { name: 'Lunge', unit: 'cm', better: 'more' } as const;
  const row = (from: number, to: number, over: Partial<FirstAndLast> = {}): FirstAndLast => ({
    test,
    side: 'left',
    first: { date: '2026-03-02', value: from, sem: 0.6 },
    last: { date: '2026-04-13', value: to, sem: 0.6 },
    ...over,
  });

  // MDC95 = 1.96·√2·0.6 = 1.66 cm (Weir 2005): 2.4 cm is more, 1.6 is not.
  it('says what is real, freer first, and puts the rest into one sentence', () => {
    expect(
      progressWords([
        row(8, 5, { side: 'right' }),
        row(8, 10.4),
        row(8, 9.6, { test: { ...test, name: 'Reach' } }),
        row(8, 8, { test: { ...test, name: 'Reach' }, side: 'right' }),
      ]),
    ).toEqual([
      'Lunge, left: 2.4 cm freer than on 2 March.',
      'Lunge, right: 3 cm less free than on 2 March. Your coach will look at it with you.',
      'No change that is larger than measuring can tell: reach.',
    ]);
  });

  it('knows tests in which less is freer', () => {
    const [words] = progressWords([row(20, 15, { test: { ...test, better: 'less' }, side: null })]);
    expect(words).toBe('Lunge: 5 cm freer than on 2 March.');
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
      'Hold 30 s, once on each side, in turn, right first',
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
    expect(pushWords(push)).toBe('Push the heel away into the strap.');
    expect(pushWords(item)).toBeNull();
    expect(targetWords(item)).toBe('Sensation 5 of 10: clear stretch, can talk');
  });
});
