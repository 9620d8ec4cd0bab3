import { describe, expect, it } from 'vitest';
import { exerciseById, EXERCISES } from '../catalogue/exercises.js';
import { exercisesOnHold, isOnHold, onHoldAfter } from './on-hold.js';

// Domain 2.8: a stop sign holds its exercise; the group when it came twice.
describe('on hold', () => {
  const calves = EXERCISES.filter((e) => e.primary === 'calf');
  const [one, two, three] = calves;
  const other = EXERCISES.find((e) => e.primary === 'pectorals')!;
  const sign = (id: string) => ({ exerciseId: id });

  it('a first stop sign rests its exercise and nothing else', () => {
    const hold = onHoldAfter([sign(one!.id)], exerciseById);
    expect(EXERCISES.filter((e) => isOnHold(hold, e)).map((e) => e.id)).toEqual([one!.id]);
  });
  it('a second one in the group rests the whole group, by whichever exercise it came', () => {
    for (const second of [one!, two!]) {
      const hold = onHoldAfter([sign(one!.id), sign(second.id)], exerciseById);
      expect(EXERCISES.filter((e) => isOnHold(hold, e)).map((e) => e.id)).toEqual(calves.map((e) => e.id));
    }
  });
  it('one each in two groups rests no group', () => {
    const hold = onHoldAfter([sign(one!.id), sign(other.id)], exerciseById);
    expect(EXERCISES.filter((e) => isOnHold(hold, e))).toHaveLength(2);
  });
  it('names what of a session rests: nothing when the exercise was swapped', () => {
    const open = [sign(one!.id)];
    expect(exercisesOnHold([sign(one!.id), sign(one!.id), sign(other.id)], open, exerciseById)).toEqual([one]);
    expect(exercisesOnHold([sign(two!.id), sign(other.id)], open, exerciseById)).toEqual([]);
    expect(exercisesOnHold([sign(three!.id)], [...open, sign(two!.id)], exerciseById)).toEqual([three]);
  });
});
