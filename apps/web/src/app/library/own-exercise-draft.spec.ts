import { exerciseById } from '@yandle/core';
import { bodyOf, draftOf } from './own-exercise-draft';

describe('the draft of an own exercise', () => {
  const draft = draftOf(exerciseById('hand-on-hip-elbow-forward'), null);
  it('keeps which way the limb is turned, and the groups that it stretches across', () => {
    const { primary } = draft;
    const body = bodyOf({ ...draft, turns: 'in', otherSide: [primary] }, null, false);
    expect(body).toMatchObject({ turns: 'in', otherSide: [primary] });
  });
  it('sends nothing of groups that are no longer worked', () => {
    const body = bodyOf(
      { ...draft, primary: 'calf', secondary: [], turns: 'in', otherSide: ['neck-side'] },
      null,
      false,
    );
    expect('turns' in body).toBe(false);
    expect('otherSide' in body).toBe(false);
  });
  it('keeps other positions and what to begin with only as long as they say something', () => {
    const across = draftOf(exerciseById('arm-across'), null);
    expect(bodyOf(across, null, false).alsoIn).toEqual(['sitting on a chair']);
    expect('alsoIn' in bodyOf({ ...across, position: 'sitting on a chair' }, null, false)).toBe(false);
    const loaded = draftOf(exerciseById('weighted-side-bend'), null);
    expect(bodyOf(loaded, null, false).startLoad).toHaveLength(3);
    expect('startLoad' in bodyOf({ ...loaded, load: 'none' }, null, false)).toBe(false);
  });
});
