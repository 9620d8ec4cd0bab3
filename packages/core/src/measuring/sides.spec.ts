import { describe, expect, it } from 'vitest';
import type { Side } from '../anatomy/side.js';
import { kindOf } from '../technique/catalogue.js';
import { EXERCISES, exerciseById } from '../catalogue/exercises.js';
import { TURNING_GROUPS } from '../catalogue/rom-test.js';
import { ROM_TESTS, romTestById } from '../catalogue/tests.js';
import { stretchedSide } from '../catalogue/exercise.js';
import { groupDoses } from '../dose/shares.js';
import { byNeededTurn, neededTurns } from './findings/turn-needed.js';
import { limitedSide, sideVotes, tighterSide } from './tighter-side.js';

/**
 * Which side's muscles limit a motion that is named left: against anatomy, as any atlas has it (origin, insertion and action), from memory.
 * Side-bending is limited by what is lengthened: the other flank. A turn of the chest is named by its direction, and the group is too. Turning
 * the head to the left lengthens the left muscle beside the throat, whose action is to turn it to the right. Reaching down the back with the
 * upper hand bends that arm's triceps and lats long; the lower arm is turned in.
 */
const SIDED: readonly (readonly [test: string, group: string, side: Side | null])[] = [
  ['side-bend-slide', 'lateral-trunk', 'right'],
  ['side-bend-slide', 'low-back', 'right'],
  ['side-bend-slide', 'lats', 'right'],
  ['neck-side-bend', 'upper-trapezius', 'right'],
  ['neck-side-bend', 'neck-side', 'right'],
  ['seated-rotation', 'thoracic-rotators', 'left'],
  ['seated-rotation', 'lateral-trunk', null],
  ['lumbar-locked-rotation', 'thoracic-rotators', 'left'],
  ['neck-rotation', 'neck-front', 'left'],
  ['neck-rotation', 'neck-back', null],
  ['neck-rotation', 'neck-side', null],
  ['neck-rotation', 'upper-trapezius', null],
  ['back-scratch', 'triceps', 'left'],
  ['back-scratch', 'lats', 'left'],
  ['back-scratch', 'shoulder-rotators', 'right'],
  ['back-scratch', 'anterior-shoulder', 'right'],
];

describe('which side a motion named left is limited on', () => {
  it('is in the table for every test that is named by a direction or by a hand, and for no other', () => {
    const named = ROM_TESTS.filter((t) => t.sides === 'direction' || t.id === 'back-scratch');
    const listed = named.flatMap((t) => t.limits.map((l) => `${t.id} ${l.group}`)).sort();
    expect(SIDED.map(([t, g]) => `${t} ${g}`).sort()).toEqual(listed);
  });
  it.each(SIDED)('%s, %s: %s', (test, group, side) => {
    const limit = romTestById(test).limits.find((l) => l.group === group)!;
    expect(limitedSide(limit, 'left')).toBe(side);
    const mirror = side === null ? null : side === 'left' ? 'right' : 'left';
    expect(limitedSide(limit, 'right')).toBe(mirror);
  });
  it('is that of the limb for every test of a limb, and none for a test without sides', () => {
    for (const t of ROM_TESTS.filter((x) => x.id !== 'back-scratch' && x.sides !== 'direction'))
      // The back is bent as a whole, whichever leg is straight.
      for (const l of t.limits)
        expect(l.side, `${t.id} ${l.group}`).toBe(
          t.sides === 'body' && !/low-back|upper-back/.test(l.group) ? 'same' : 'none',
        );
  });
});

describe('the tighter side of a group', () => {
  const of = (id: string, left: number, right: number) => ({ test: romTestById(id), left, right });
  it('of the neck that bends 25° to the left and 42° to the right is the right', () => {
    expect(tighterSide('neck-side', [of('neck-side-bend', 25, 42)])).toBe('right');
    expect(tighterSide('upper-trapezius', [of('neck-side-bend', 25, 42)])).toBe('right');
  });
  it('of a flank: sliding 12 cm to the left and 20 to the right, the right one is short', () => {
    expect(tighterSide('lateral-trunk', [of('side-bend-slide', 12, 20)])).toBe('right');
  });
  it('of the back scratch −12 with the left hand above: the right, lower arm does not turn in', () => {
    expect(tighterSide('shoulder-rotators', [of('back-scratch', -12, 0)])).toBe('right');
  });
  it('looks at all tests, in any order, the clearest first', () => {
    // 50 and 75° of leg raise, 25° apart; the knee tells nothing.
    const two = [of('active-knee-extension', 30, 30), of('straight-leg-raise', 50, 75)];
    expect(tighterSide('hamstrings', two)).toBe('left');
    expect(tighterSide('hamstrings', [...two].reverse())).toBe('left');
    const against = [of('active-knee-extension', 20, 32), of('straight-leg-raise', 50, 75)];
    expect(sideVotes('hamstrings', against).map((v) => v.side)).toEqual(['left', 'right']);
  });
});

/** Which side is stretched where it is not the one that the exercise is named by, for "left": as its own words say. */
const ACROSS: Readonly<Record<string, readonly string[]>> = {
  'thread-through': ['posterior-shoulder', 'upper-back'],
  'strap-behind-back': ['triceps'],
  'knee-wipers': ['deep-hip-rotators'],
  'seated-neck-turns': ['neck-side'],
  'neck-turn-hold': ['neck-side', 'neck-back'],
  'lying-head-turns': ['neck-side', 'neck-back'],
  'collar-bone-turn': ['neck-side'],
};

describe('which side an exercise stretches', () => {
  it('is the one it is named by, but for what its words say', () => {
    for (const e of EXERCISES.filter((x) => x.sides === 'each'))
      for (const group of [e.primary, ...e.secondary])
        expect(stretchedSide(e, group, 'left'), `${e.id} ${group}`).toBe(
          ACROSS[e.id]?.includes(group) ? 'right' : 'left',
        );
    for (const id of Object.keys(ACROSS)) expect(exerciseById(id).sideWords, id).toContain('{other}');
  });
  it('is credited with the seconds: the strap on the left stretches the right triceps', () => {
    const doses = groupDoses([{ exercise: exerciseById('strap-behind-back'), left: 60, right: 0 }]);
    expect(doses.get('shoulder-rotators')).toEqual({ left: 60, right: 0 });
    expect(doses.get('triceps')).toEqual({ left: 0, right: 30 });
  });
});

describe('groups that hold two opposite motions', () => {
  it('say of every exercise that stretches which way it turns, and no ladder changes the way', () => {
    for (const e of EXERCISES.filter((x) => TURNING_GROUPS.includes(x.primary) && kindOf(x.technique).stretches)) {
      expect(e.turns, e.id).toBeDefined();
      for (const id of [e.easierForm, e.harderForm])
        if (id !== null) expect(exerciseById(id).turns, `${e.id} → ${id}`).toBe(e.turns);
    }
    // Both ways can be held, by who only sits, stands or lies.
    for (const group of TURNING_GROUPS)
      for (const turns of ['in', 'out'] as const)
        expect(
          EXERCISES.filter((e) => e.primary === group && e.turns === turns && e.difficulty === 1).length,
        ).toBeGreaterThan(0);
  });
  it('are answered by the motion that is short', () => {
    const person = { age: 40, sex: 'male' as const };
    const measured = (id: string, value: number) => ({ test: romTestById(id), left: value, right: value, both: null });
    expect(neededTurns([measured('hip-internal-rotation', 12)], person)).toEqual([
      { group: 'deep-hip-rotators', turns: 'in' },
    ]);
    expect(neededTurns([measured('hip-internal-rotation', 35)], person)).toEqual([]);
    const rotators = EXERCISES.filter((e) => e.primary === 'deep-hip-rotators' && e.technique === 'static hold');
    expect(rotators[0]!.turns).toBe('out');
    expect(byNeededTurn(rotators, 'in')[0]!.turns).toBe('in');
    expect(byNeededTurn(rotators, null)).toEqual(rotators);
  });
});

describe('what moves the joint', () => {
  // Read off the steps: "by itself" and "reach" are the client's, "fall", "sink", "hang" and "let" weight, "to the first firm resistance" a hand.
  it('is said by every test of the catalogue, as its steps say it', () => {
    for (const t of ROM_TESTS) {
      const steps = t.steps.join(' ');
      expect(t.moved, t.id).toBeDefined();
      if (/\bfall (out|in)|\bsink\b|\bhang\b|let the shin drop|by its weight|thigh lie where/i.test(steps))
        expect(t.moved, t.id).toBe('weight');
      if (/by hand|a hand on the other front hip bone\. Slide/i.test(steps)) expect(t.moved, t.id).toBe('tester');
      if (
        /reach (slowly|towards)|the client (pulls|points|straightens)|turn(s)? the (head|elbow)|by itself, eyes/i.test(
          steps,
        )
      )
        expect(t.moved, t.id).toBe('active');
    }
  });
});
