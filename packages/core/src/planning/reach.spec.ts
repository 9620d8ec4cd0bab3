import { describe, expect, it } from 'vitest';
import { exerciseById } from '../catalogue/exercises.js';
import { reachLine, reachWayWords } from '../words/reach.js';
import { leftOutWords } from '../words/plan.js';
import { forAll } from './any-block.fixture.js';
import { buildBlock } from './block.js';
import { missingAt, placeOfKind } from '../screening/place.js';
import { styleById } from '../styles/index.js';
import { dayPlanOf } from './day-plan/day-plan.js';
import { doseRemarkOn, reachOf, waysToReach } from './reach.js';
import { adult, ask, steady } from './rules.fixture.js';

const calf = exerciseById('straight-knee-wall-calf');
const drop = exerciseById('step-heel-drop');

// Rule 13. By hand: Steady hold gets 315 s a side in week 6 (180, 210, 240, easier, 270, 315).
describe('reach', () => {
  it('says in which week a group first gets 300 s a side, or never', () => {
    const long = ask([steady()], { weeks: 8 });
    expect(reachOf(long, buildBlock(long))).toEqual([{ group: 'soleus', kind: 'amount', week: 6, most: 360 }]);
    const short = ask([steady()], { weeks: 4 });
    expect(reachOf(short, buildBlock(short))[0]).toMatchObject({ week: null, most: 240 });
    expect(reachLine(reachOf(short, buildBlock(short)))).toBe(
      '0 of 1 group reaches 300 s a week per side; not soleus (Thomas 2018, from memory).',
    );
  });

  it('counts half of what works a group along', () => {
    // The straight-knee wall stretch works the soleus along: half of its own seconds.
    const input = ask([{ group: 'calf', styleId: 'steady-hold', exercises: forAll({ 'static hold': calf }) }], {
      weeks: 8,
    });
    expect(calf.secondary).toContain('soleus');
    expect(reachOf(input, buildBlock(input))[0]).toMatchObject({ group: 'calf', week: 6 });
  });

  it('is not said of Upkeep, and of loaded and moving work says that no figure exists', () => {
    const input = ask([
      steady({ group: 'calf', styleId: 'upkeep' }),
      steady({ styleId: 'move-through' }),
      steady({ group: 'hamstrings', styleId: 'loaded-range' }),
    ]);
    expect(reachOf(input, buildBlock(input)).map((r) => r.kind)).toEqual(['upkeep', 'no figure', 'no figure']);
  });

  it('finds what would get a group there, by planning it', () => {
    const ways = waysToReach(ask([steady()], { weeks: 4 }), 'soleus');
    expect(ways.find((w) => w.code === 'weeks')).toMatchObject({ week: 6 });
    expect(ways.map((w) => reachWayWords(w, (id) => id))).toContain('a block of 6 weeks: from week 6');
    const few = ask([steady({ startingDose: 300 })], {
      client: { ...adult, trainingDays: [1, 4], minutesPerSession: 4 },
      weeks: 8,
    });
    expect(reachOf(few, buildBlock(few))[0]!.week).toBeNull();
    expect(waysToReach(few, 'soleus').some((w) => w.code === 'days' || w.code === 'minutes')).toBe(true);
  });
});

describe('a place', () => {
  const home = placeOfKind('chair');
  it('says what an exercise asks that it has not', () => {
    const strap = { ...exerciseById('supine-strap-hamstring'), substitute: '' };
    expect(missingAt(strap, home).map((b) => b.code)).toEqual(['position', 'thing']);
    expect(missingAt(calf, home)).toEqual([]);
    const bed = placeOfKind('bed', 'home', ['strap']);
    expect(missingAt(exerciseById('supine-strap-hamstring'), bed)).toEqual([]);
    const towel = { ...bed, things: [], substitutes: [{ thing: 'strap' as const, instead: 'a towel' }] };
    expect(missingAt(strap, towel)).toEqual([]);
  });

  it('takes a lane out of a day plan, and says what would make it possible', () => {
    const dayPlans = [
      { ...dayPlanOf({ trainingDays: [1, 3] }), place: home },
      { ...dayPlanOf({ trainingDays: [2, 4, 6] }, 'gym'), name: 'Gym', place: null },
    ];
    const lane = steady({
      group: 'hamstrings',
      exercises: forAll({ 'static hold': exerciseById('supine-strap-hamstring') }),
    });
    const planned = buildBlock(ask([lane], { dayPlans })).lanes[0]!;
    for (const w of planned.weeks) expect(w.days.every((d) => [2, 4, 6].includes(d))).toBe(true);
    expect(planned.leftOut.map(leftOutWords).join(' ')).toContain('not in “Session”');
  });

  it('lets a lane hold still where its technique can be done nowhere, and says why once', () => {
    const dayPlans = [{ ...dayPlanOf({ trainingDays: [1, 3, 5] }), place: { ...home, things: ['wall' as const] } }];
    const exercises = forAll({ 'static hold': calf, 'loaded eccentric': drop });
    const lane = steady({ group: 'calf', styleId: 'loaded-range', exercises });
    const planned = buildBlock(ask([lane], { dayPlans })).lanes[0]!;
    expect(planned.weeks.every((w) => w.prescription.technique === 'static hold')).toBe(true);
    const words = planned.leftOut.map(leftOutWords).filter((w) => w.includes('eccentric'));
    expect(words).toEqual(['Calf (gastrocnemius), loaded eccentric: needs step. Steady hold instead.']);
  });
});

describe('what is said of a week’s dose', () => {
  const held = (technique: 'static hold' | 'loaded eccentric', holdSeconds: number) => ({
    ...{ technique, sets: 2, holdSeconds, sessionsPerWeek: 3, sensation: 5 },
    ...(technique === 'static hold' ? {} : { reps: 6, lowerSeconds: 3 }),
  });
  // 2 × 30 × 3 = 180 s are fewer than 300; 2 × 120 × 3 = 720 s more than 600.
  it('goes by the figures of the reviews, and says nothing where there are none or where less is meant', () => {
    const steady = styleById('steady-hold');
    expect(doseRemarkOn(held('static hold', 30), steady)).toBe('below-favoured');
    expect(doseRemarkOn(held('static hold', 120), steady)).toBe('above-flattening');
    expect(doseRemarkOn(held('static hold', 30), styleById('upkeep'))).toBeNull();
    expect(doseRemarkOn(held('loaded eccentric', 2), styleById('loaded-range'))).toBeNull();
  });
});
