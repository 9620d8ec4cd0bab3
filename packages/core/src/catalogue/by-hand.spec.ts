import { describe, expect, it } from 'vitest';
import { candidatesFor } from '../composing/candidates.js';
import { need, request } from '../composing/request.fixture.js';
import { chooseExercises } from '../planning/exercise-choice/choose-exercises.js';
import { styleById } from '../styles/index.js';
import { onlyByHand } from './by-hand.js';
import { EXERCISES, exerciseById } from './exercises.js';
import { exercisesDoing } from './forms.js';

/** A studio's own: bending down under a weight, vertebra by vertebra. It stands before everything else of its group. */
const BENT = {
  ...exerciseById('weighted-hinge'),
  id: 'own-weighted-roll-down',
  difficulty: 1,
  demands: ['spine-forward', 'spine-loaded'],
} as const;
const LIBRARY = [BENT, ...EXERCISES];

// Issue "Safe hands" 1: load on a bent spine only by the coach's own hand.
describe('load on a bent spine', () => {
  it('is told by what is asked, not by a name', () => {
    expect(onlyByHand(BENT, 'loaded eccentric')).toBe(true);
    expect(onlyByHand(exerciseById('weighted-hinge'), 'loaded eccentric')).toBe(false);
    expect(onlyByHand(exerciseById('long-sitting-fold'), 'static hold')).toBe(false);
    expect(onlyByHand({ ...exerciseById('long-sitting-fold'), load: 'weight' }, 'static hold')).toBe(true);
  });
  it('is never chosen by the planner, though it is the first that is allowed', () => {
    const chosen = chooseExercises(
      'hamstrings',
      [styleById('loaded-range')],
      (group, technique) => exercisesDoing(group, technique, LIBRARY),
      'experienced',
    );
    expect(chosen.find((c) => c.technique === 'loaded eccentric')?.exerciseId).toBe('weighted-hinge');
    // What the coach chose stays.
    const kept = [{ technique: 'loaded eccentric', exerciseId: BENT.id, dayPlanId: null }] as const;
    expect(chooseExercises('hamstrings', [styleById('loaded-range')], () => LIBRARY, 'regular', kept)).toContain(
      kept[0],
    );
  });
  it('is composed only where the coach keeps it', () => {
    const loaded = need('hamstrings', {
      bout: { technique: 'loaded eccentric', sets: 1, holdSeconds: 2, reps: 6, lowerSeconds: 3, sensation: 5 },
    });
    const found = (keep: string[]) =>
      candidatesFor(request([loaded], { exercises: LIBRARY, experience: 'experienced', keep }));
    const of = (keep: string[]) => found(keep).candidates.map((c) => c.exercise.id);
    expect(of([])).toContain('weighted-hinge');
    expect(of([])).not.toContain(BENT.id);
    expect(found([]).leftOut.find((l) => l.exercise.id === BENT.id)?.because).toEqual({ code: 'only-by-hand' });
    expect(of([BENT.id])).toContain(BENT.id);
  });
});
