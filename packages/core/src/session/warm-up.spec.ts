import { describe, expect, it } from 'vitest';
import { EXERCISES, exerciseById } from '../catalogue/exercises.js';
import type { Caution } from '../screening/cautions.js';
import { NO_EFFECT } from '../screening/effect.js';
import { placeOfKind, PLACE_KINDS, missingAt } from '../screening/place.js';
import { warmUpLine } from '../words/warm-up.js';
import { firstItem } from './first-item.js';
import { NOTHING_ON_HOLD } from './on-hold.js';
import { movesIn, warmUpMoves, type WarmUpFor } from './warm-up.js';

const anyone: WarmUpFor = { exercises: EXERCISES, cautions: [], hold: NOTHING_ON_HOLD, place: null };
const legs = ['supine-strap-hamstring', 'bent-knee-wall-calf', 'half-kneeling-hip-flexor'].map((id) =>
  firstItem(exerciseById(id)),
);
const moves = (who: Partial<WarmUpFor> = {}, items = legs) =>
  warmUpMoves(items, { ...anyone, ...who }, exerciseById).map((e) => e.id);

// Domain 2.7: easy moving ones for the groups of the session, possible in the place.
describe('what a warm-up is made of', () => {
  it('are easy moves for the groups of the session, with nothing to fetch, and none of its own exercises', () => {
    const made = moves();
    expect(made).toContain('march-on-the-spot');
    for (const id of made) {
      const e = exerciseById(id);
      expect([e.technique, e.difficulty, e.props]).toEqual(['moving stretch', 1, []]);
    }
    const march = firstItem(exerciseById('march-on-the-spot'));
    expect(moves({}, [...legs, march])).not.toContain('march-on-the-spot');
  });
  it('are possible where the session takes place, whatever the place', () => {
    for (const kind of PLACE_KINDS) {
      const place = placeOfKind(kind);
      for (const id of moves({ place })) expect(missingAt(exerciseById(id), place), `${kind} ${id}`).toEqual([]);
    }
    // In bed nobody marches.
    expect(moves({ place: placeOfKind('bed') })).not.toContain('march-on-the-spot');
  });
  it('keep to positions that the session has, but for what is made for warming up', () => {
    const standing = ['standing-quadriceps', 'bent-knee-wall-calf'].map((id) => firstItem(exerciseById(id)));
    for (const id of moves({}, standing)) {
      const { position, alsoIn = [] } = exerciseById(id);
      expect([position, ...alsoIn], id).toContain('standing');
    }
    const lying = moves({}, [firstItem(exerciseById('supine-strap-hamstring'))]).map(exerciseById);
    expect(lying.length).toBeGreaterThan(0);
    expect(lying.every((e) => (e.warmUp && e.position === 'standing') || e.position === 'supine')).toBe(true);
    const sitting = ['chair-fold', 'seated-side-bend'].map((id) => firstItem(exerciseById(id)));
    const chair = moves({ place: placeOfKind('chair') }, sitting);
    expect(chair.length).toBeGreaterThan(0);
    const bed = ['knee-hug', 'lying-figure-four'].map((id) => firstItem(exerciseById(id)));
    expect(moves({ place: placeOfKind('bed') }, bed)).toContain('heel-slides');
  });
  it('leave out what a caution or a stop sign takes away', () => {
    const hold = { ...NOTHING_ON_HOLD, exercises: new Set(['march-on-the-spot']) };
    expect(moves({ hold })).not.toContain('march-on-the-spot');
    // It asks to stand on one leg: not for who falls.
    const effect = { ...NO_EFFECT, excludedDemands: ['one-leg-held' as const] };
    const falls: Caution = { id: 'balance', outcome: 'limit', urgency: null, regions: [], details: [], effect };
    expect(moves({ cautions: [falls] })).not.toContain('march-on-the-spot');
    expect(moves({ exercises: [] })).toEqual([]);
  });
  it('are as many as there is time for, a minute each at most', () => {
    const five = [1, 2, 3, 4, 5];
    expect([0, 10, 60, 61, 300, 600].map((s) => movesIn(five, s).length)).toEqual([0, 1, 1, 2, 5, 5]);
    expect(warmUpLine(['Leg swings', 'Arm circles', 'Marching on the spot'], 180)).toBe(
      'leg swings, arm circles, then marching on the spot, about 60 s each',
    );
    expect(warmUpLine(['Leg swings', 'Arm circles'], 40)).toBe('leg swings');
    expect(warmUpLine([], 100)).toBe('easy movement that makes you warm');
  });
});
