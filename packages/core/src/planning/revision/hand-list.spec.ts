import { describe, expect, it } from 'vitest';
import type { WeekFact } from '../facts.js';
import type { BlockPlan } from '../plan.js';
import { givesWay } from './hand-list.js';

const planOf = (reasons: readonly WeekFact[]): Pick<BlockPlan, 'lanes'> =>
  ({ lanes: [{ weeks: [{ reasons: [{ code: 'unchanged' }] }, { reasons }] }] }) as never;
const list = { week: 2, items: [{ exerciseId: 'kneeling-sole', technique: 'static hold' }] } as const;
const yes = (): boolean => true;

describe('a list changed by hand', () => {
  it('stays with a new plan', () => {
    expect(givesWay(list, planOf([{ code: 'unchanged' }]), yes)).toBeNull();
    expect(givesWay({ ...list, week: 1 }, planOf([{ code: 'eased', args: { steps: 1, from: 90, to: 60 } }]), yes)).toBe(
      null,
    );
    // Beyond the end of a plan that became shorter there is nothing to be lower.
    expect(givesWay({ ...list, week: 9 }, planOf([]), yes)).toBeNull();
  });

  it.each<WeekFact>([
    { code: 'back-after', args: { weeks: 1, percent: 80, back: 1 } },
    { code: 'begins-again', args: { weeks: 5, percent: 50 } },
    { code: 'eased', args: { steps: 1, from: 90, to: 60 } },
  ])('gives way where its week is lower: $code', (reason) => {
    expect(givesWay(list, planOf([reason]), yes)).toBe('lowered');
  });

  it('gives way when something in it may no longer be done', () => {
    expect(givesWay(list, planOf([{ code: 'unchanged' }]), (id) => id !== 'kneeling-sole')).toBe('not-allowed');
  });
});
