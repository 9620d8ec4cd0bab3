import { describe, expect, it } from 'vitest';
import { exerciseById, EXERCISES } from '../catalogue/exercises.js';
import { isEmergency, endsSession, isStopSign, SYMPTOMS, type SymptomId } from '../catalogue/safety.js';
import { concerns, exercisesOnHold, isOnHold, isSessionOnHold, needsProfessional, onHoldAfter } from './on-hold.js';

// Domain 2.8: a stop sign holds its exercise; the group when it came twice.
describe('on hold', () => {
  const calves = EXERCISES.filter((e) => e.primary === 'calf');
  const [one, two, three] = calves;
  const other = EXERCISES.find((e) => e.primary === 'pectorals')!;
  const sign = (id: string, symptom: SymptomId = 'pinching') => ({ exerciseId: id, symptom });

  it('a first stop sign rests its exercise and nothing else', () => {
    const hold = onHoldAfter([sign(one!.id)], exerciseById);
    expect(EXERCISES.filter((e) => isOnHold(hold, e)).map((e) => e.id)).toEqual([one!.id]);
  });
  // What hurts in an easier form does not go on harder, and the form itself is not offered again.
  it('a sign of another form rests the exercise and that form', () => {
    const hold = onHoldAfter([{ ...sign(one!.id), form: two!.id }], exerciseById);
    expect(EXERCISES.filter((e) => isOnHold(hold, e)).map((e) => e.id)).toEqual([one!.id, two!.id]);
    const [far, near] = [EXERCISES.find((e) => e.primary === 'hamstrings')!, { ...sign(other.id) }];
    expect(concerns({ ...near, form: far.id }, [sign(far.id)], exerciseById)).toBe(true);
    expect(concerns(near, [sign(far.id)], exerciseById)).toBe(false);
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
  // Domain 2.8, both lists word by word: what ends the session, and what ends the exercise. A cramp is neither.
  it('tells signs that hold everything from those of an exercise', () => {
    expect(SYMPTOMS.filter((s) => endsSession(s.id)).map((s) => s.id)).toEqual([
      ...['chest', 'sudden-weakness', 'sudden-headache', 'saddle', 'dizziness', 'leg-spread'],
    ]);
    expect(SYMPTOMS.filter((s) => isStopSign(s.id) && !endsSession(s.id)).map((s) => s.id)).toEqual([
      ...['numbness', 'sharp-pain', 'pinching', 'instability', 'pop', 'bruise'],
    ]);
    expect(isStopSign('cramp')).toBe(false);
    expect(SYMPTOMS.filter((s) => isEmergency(s.id)).map((s) => s.id)).toEqual([
      ...['chest', 'sudden-weakness', 'sudden-headache', 'saddle'],
    ]);
  });
  it('a sign that ends the session holds every session; one of an exercise leaves the rest to go on', () => {
    const items = [sign(one!.id), sign(other.id)];
    expect(isSessionOnHold(items, [sign(three!.id, 'dizziness')], exerciseById)).toBe(true);
    expect(isSessionOnHold(items, [sign(one!.id)], exerciseById)).toBe(false);
    expect(isSessionOnHold([sign(one!.id)], [sign(one!.id)], exerciseById)).toBe(true);
    expect(isSessionOnHold([], [], exerciseById)).toBe(false);
    expect(concerns(sign(other.id, 'chest'), [sign(one!.id)], exerciseById)).toBe(true);
    expect(concerns(sign(other.id), [sign(one!.id)], exerciseById)).toBe(false);
    expect(concerns(sign(two!.id), [sign(one!.id)], exerciseById)).toBe(true);
  });
  it('asks who cleared it where it ended a session, or came twice in a group', () => {
    const twice = [sign(one!.id), sign(two!.id)];
    expect(needsProfessional(twice[0]!, twice, exerciseById)).toBe(true);
    expect(needsProfessional(sign(one!.id), [sign(one!.id)], exerciseById)).toBe(false);
    expect(needsProfessional(sign(one!.id, 'saddle'), [sign(one!.id, 'saddle')], exerciseById)).toBe(true);
  });
  it('names what of a session rests: nothing when the exercise was swapped', () => {
    const open = [sign(one!.id)];
    expect(exercisesOnHold([sign(one!.id), sign(one!.id), sign(other.id)], open, exerciseById)).toEqual([one]);
    expect(exercisesOnHold([sign(two!.id), sign(other.id)], open, exerciseById)).toEqual([]);
    expect(exercisesOnHold([sign(three!.id)], [...open, sign(two!.id)], exerciseById)).toEqual([three]);
  });
});
