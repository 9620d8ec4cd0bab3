import { describe, expect, it } from 'vitest';
import { boundsOf, breathsIn, isCountedRight } from './amount.js';

const hold = { technique: 'static hold', amount: { unit: 'breaths', min: 3, max: 10 } } as const;

describe('an exercise that its coach counts in breaths', () => {
  it('is planned in seconds: 3 to 10 breaths of 5 s are 15 to 50 s', () => {
    expect(boundsOf(hold)).toEqual({ min: 15, max: 50 });
    expect(boundsOf({ technique: 'breathing', amount: { unit: 'breaths', min: 5, max: 20 } })).toEqual({
      min: 5,
      max: 20,
    });
    expect(boundsOf({ technique: 'static hold', amount: { unit: 'seconds', min: 15, max: 120 } })).toEqual({
      min: 15,
      max: 120,
    });
  });

  it('is said in breaths, at the client’s own pace', () => {
    expect(breathsIn(30, hold)).toBe(6);
    expect(breathsIn(30, hold, 7)).toBe(4);
    expect(breathsIn(30, { ...hold, amount: { unit: 'seconds', min: 15, max: 120 } })).toBeNull();
  });

  it('is counted in what its technique is counted in, or in breaths where that is seconds', () => {
    expect(isCountedRight(hold)).toBe(true);
    expect(isCountedRight({ ...hold, amount: { ...hold.amount, unit: 'repetitions' } })).toBe(false);
    expect(isCountedRight({ ...hold, technique: 'activation' })).toBe(false);
  });
});
