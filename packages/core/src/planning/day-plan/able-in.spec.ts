import { describe, expect, it } from 'vitest';
import { exerciseById } from '../../catalogue/exercises.js';
import { exercisesAt } from '../../composing/from-lanes.js';
import { placeOfKind } from '../../screening/place.js';
import { ableIn } from './able-in.js';
import type { PurposeId } from '../../session/purpose.js';
import { dayPlanOf } from './day-plan.js';

// Domain 2.7: what a purpose and a place rule out of a session, whoever asks: the planner that counts, or what makes the sessions.
describe('what the sessions of a day plan may hold', () => {
  it('is nothing that a purpose excludes, nothing bent soon after waking, nothing that the place lacks', () => {
    const fold = exerciseById('chair-fold');
    const lift = exerciseById('straight-leg-lift');
    const roll = exerciseById('quadriceps-roll');
    const at = (purpose: PurposeId) => ({ ...dayPlanOf({ trainingDays: [1] }), purpose, place: null });
    expect(ableIn([lift], 'activation', at('evening')).able).toEqual([]);
    expect(ableIn([lift], 'activation', at('own')).able).toEqual([lift]);
    expect(ableIn([fold], 'static hold', at('on waking')).able).toEqual([]);
    const bed = { ...at('own'), place: placeOfKind('bed') };
    expect(ableIn([roll], 'rolling', bed)).toMatchObject({ able: [], missing: [{ code: 'floor' }, { code: 'thing' }] });
    const chosen = [{ technique: 'activation', exerciseId: lift.id, dayPlanId: null }] as const;
    expect(exercisesAt(chosen, 'activation', at('evening'), exerciseById)).toEqual([]);
  });
});
