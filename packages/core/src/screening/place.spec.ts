import { describe, expect, it } from 'vitest';
import { EXERCISES, exerciseById } from '../catalogue/exercises.js';
import { aboutFrom, NOTHING_KNOWN } from './about.js';
import { missingAt, ofKind, PLACE_KINDS, placeOfKind, thingsMissingAt, withSubstitute } from './place.js';

describe('places', () => {
  it('of a bed and of a chair have nothing of a floor, and no wall that can be counted on beside a bed', () => {
    const bed = placeOfKind('bed');
    expect(bed.things).toEqual(['cushion']);
    for (const e of EXERCISES.filter((x) => missingAt(x, bed).length === 0)) {
      const lying = ['supine', 'side-lying', 'prone'];
      expect(
        [e.position, ...(e.alsoIn ?? [])].some((p) => lying.includes(p)),
        e.id,
      ).toBe(true);
      expect(e.bed, e.id).toBe(true);
    }
    for (const e of EXERCISES.filter((x) => missingAt(x, placeOfKind('chair')).length === 0))
      expect(
        ['standing', 'sitting on a chair'].some((p) => p === e.position || e.alsoIn?.some((a) => a === p)),
        e.id,
      ).toBe(true);
  });

  it('leave something to do in every kind', () => {
    for (const kind of PLACE_KINDS) {
      const place = placeOfKind(kind);
      expect(EXERCISES.filter((e) => missingAt(e, place).length === 0).length, kind).toBeGreaterThan(5);
    }
  });

  it('say what is missing, until the coach names what stands in for it', () => {
    const roll = exerciseById('outer-thigh-roll');
    const home = placeOfKind('home');
    expect(thingsMissingAt(roll, home)).toEqual(['roller']);
    const with_ = withSubstitute(home, 'roller', ' a full bottle ');
    expect(with_.substitutes).toEqual([{ thing: 'roller', instead: 'a full bottle' }]);
    expect(thingsMissingAt(roll, with_)).toEqual([]);
    expect(thingsMissingAt(roll, withSubstitute(with_, 'roller', ''))).toEqual(['roller']);
  });

  it('count what the exercise itself names for its one thing: a towel for the strap', () => {
    const raise = exerciseById('supine-strap-hamstring');
    expect(raise.substitute).not.toBe('');
    expect(thingsMissingAt(raise, placeOfKind('home'))).toEqual([]);
  });

  it('let it stand in for the first thing only: socks for the towel, nothing for the chair to hold on to', () => {
    const bare = { ...placeOfKind('home'), things: [] };
    expect(thingsMissingAt(exerciseById('sliding-side-lunge'), bare)).toEqual(['chair']);
    expect(thingsMissingAt(exerciseById('side-foot-on-step'), bare)).toEqual(['wall']);
    expect(thingsMissingAt(exerciseById('palm-up-wrist-lowering'), bare)).toEqual(['table']);
    const withChair = { ...bare, things: ['chair' as const] };
    expect(thingsMissingAt(exerciseById('sliding-side-lunge'), withChair)).toEqual([]);
  });

  it('keep what the client has when their kind changes, and lose what only the kind brought', () => {
    const mine = placeOfKind('home', 'home', ['strap']);
    const bed = ofKind(mine, 'bed');
    expect(bed).toEqual({ ...placeOfKind('bed', 'home'), things: ['cushion', 'strap'] });
    expect(ofKind({ ...mine, name: 'Flat' }, 'chair').name).toBe('Flat');
  });

  it('are read from answers of before there were several', () => {
    expect(aboutFrom({ place: 'bed only', props: ['roller'] }).places).toEqual([
      placeOfKind('bed', 'home', ['roller']),
    ]);
    expect(aboutFrom({ sport: 'hill walks' })).toEqual({ ...NOTHING_KNOWN, sport: 'hill walks' });
    const places = [placeOfKind('gym', 'g')];
    expect(aboutFrom({ places }).places).toEqual(places);
  });
});

describe('an exercise that is done in more than one position', () => {
  const standing = {
    position: 'standing',
    alsoIn: ['sitting on a chair'],
    bed: false,
    props: [],
    substitute: '',
  } as const;
  it('can be done wherever one of them is possible', () => {
    const only = (p: 'standing' | 'sitting on a chair' | 'supine') => ({ ...placeOfKind('chair'), positions: [p] });
    expect(missingAt(standing, only('standing'))).toEqual([]);
    expect(missingAt(standing, only('sitting on a chair'))).toEqual([]);
    expect(missingAt(standing, only('supine'))).toEqual([{ code: 'position', position: 'standing' }]);
  });
  it('off the floor where one of them is', () => {
    const lying = {
      position: 'supine',
      alsoIn: ['sitting on a chair'],
      bed: false,
      props: [],
      substitute: '',
    } as const;
    const chair = { ...placeOfKind('chair'), positions: ['supine', 'sitting on a chair'] as const };
    expect(missingAt(lying, chair)).toEqual([]);
    expect(missingAt({ ...lying, alsoIn: [] }, chair)).toEqual([{ code: 'floor' }]);
  });
});
