import { describe, expect, it } from 'vitest';
import { MUSCLE_GROUP_IDS } from '../anatomy/muscle-group.js';
import { styleById } from '../styles/index.js';
import { chooseExercises } from '../planning/exercise-choice/choose-exercises.js';
import { EXERCISES, exerciseById } from './exercises.js';
import { exercisesDoing, serves } from './forms.js';

// Common practice, no source: a march shortens the muscle it is named for, a swing has no pause at its end; an activation works the opposite muscle.
describe('what serves a group', () => {
  it('is no warm-up: a march is no stretch, whatever it is asked for', () => {
    const warm = EXERCISES.filter((e) => e.warmUp);
    // Standing, on a chair, on hands and knees, lying (9-library D): what warms up, by hand from that list.
    expect(new Set(warm.map((e) => e.id))).toEqual(
      new Set([
        ...['arm-circles', 'leg-swing', 'march-on-the-spot', 'step-and-touch', 'heel-toe-rocks', 'hip-circles-holding'],
        ...['hanging-arm-pendulum', 'open-and-hug', 'wrist-circles', 'shoulder-rolls', 'chair-march'],
        ...['easy-sit-to-stand', 'chair-pelvis-circles', 'fours-rock-back', 'ankle-pumps', 'heel-slides', 'arm-floats'],
      ]),
    );
    for (const e of warm) expect(serves(e, e.primary, e.technique)).toBe(false);
    const style = styleById('move-through');
    for (const group of MUSCLE_GROUP_IDS) {
      const chosen = chooseExercises(group, [style], (g, t) => exercisesDoing(g, t), 'experienced');
      for (const c of chosen) expect(exerciseById(c.exerciseId).warmUp, `${group}: ${c.exerciseId}`).toBeUndefined();
    }
  });

  it('is an activation of the opposite, after those of the group itself', () => {
    const found = (group: (typeof MUSCLE_GROUP_IDS)[number]) => exercisesDoing(group, 'activation').map((e) => e.id);
    expect(found('hip-flexors')).toContain('bridge');
    expect(found('pectorals')).toContain('band-pull-apart');
    expect(found('calf')).toContain('toe-raises-wall');
    expect(found('adductors')).toContain('side-lying-knee-opener');
    expect(found('gluteals')[0]).toBe('bridge');
    // Only an activation opens another group: nothing else of it is a lane's.
    expect(exercisesDoing('hip-flexors', 'static hold').map((e) => e.id)).not.toContain('bridge');
  });

  it('gives release-lengthen-activate its activation for eight groups and more', () => {
    const groups = MUSCLE_GROUP_IDS.filter((g) => exercisesDoing(g, 'activation').length > 0);
    expect(groups.length).toBeGreaterThanOrEqual(8);
  });
});
