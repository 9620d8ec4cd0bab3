import { describe, expect, it } from 'vitest';
import { exerciseById } from '../catalogue/exercises.js';
import type { Exercise } from '../catalogue/exercise.js';
import { clientItemWords } from '../words/client-item.js';
import { itemWords } from '../words/item.js';
import { DEFAULT_TIMINGS } from '../technique/timings.js';
import { firstItem } from './first-item.js';
import type { SessionItem } from './item.js';
import { strainsIn } from './parts.js';
import { buildTimeline, itemBodySeconds, plannedSeconds } from './timeline.js';

/** Domain 2.7: trips, breath patterns, loosening and the tempo of an exercise, counted by hand. */

const item = (exerciseId: string, over: Partial<SessionItem> = {}): SessionItem => ({
  exerciseId,
  sets: 1,
  holdSeconds: 30,
  sensation: 4,
  firstSide: 'left',
  ...over,
});
const cues = (items: SessionItem[], find: (id: string) => Exercise = exerciseById, t = DEFAULT_TIMINGS) =>
  buildTimeline(items, { alreadyWarm: true }, t, find).cues;
const told = (items: SessionItem[], find?: (id: string) => Exercise) =>
  cues(items, find).map((c) => `${c.kind}${c.side ? ' ' + c.side : ''} ${c.seconds}`);
const CALF = 'bent-knee-wall-calf';

describe('a breath with its own in, hold and out', () => {
  const pace = { in: 4, hold: 2, out: 6 };

  it('is as long as its parts, in that order', () => {
    const [breaths] = cues([item('lower-rib-breathing', { holdSeconds: 0, reps: 5, pace })]).filter(
      (c) => c.kind === 'breaths',
    );
    // Five times 4 + 2 + 6.
    expect(breaths!.seconds).toBe(60);
    expect(breaths!.beats.map((b) => `${b.kind} ${b.seconds}`)).toEqual(['in 4', 'keep 2', 'breathe out 6']);
  });

  it('counts holds in breaths, whatever the client’s own pace', () => {
    const held = item(CALF, { breaths: 3, holdSeconds: 15, pace });
    for (const breath of [4, 9]) {
      const timeline = buildTimeline([held], { alreadyWarm: true }, { ...DEFAULT_TIMINGS, breath });
      expect(plannedSeconds(timeline, 0, 'left')).toBe(36);
    }
  });

  it('moves on the breath in and back on the breath out', () => {
    const [moves] = cues([item('cat-and-cow', { holdSeconds: 0, reps: 4, pace })]).filter(
      (c) => c.kind === 'repetitions',
    );
    expect(moves!.beats.map((b) => `${b.kind} ${b.seconds}`)).toEqual(['out 6', 'back 6']);
    expect(moves!.seconds).toBe(48);
  });

  it('strains as a push does where the breath is held, and only there', () => {
    const calf = exerciseById(CALF);
    expect(strainsIn(item(CALF, { breaths: 3, pace }), calf)).toContain('contract-relax');
    expect(strainsIn(item(CALF, { breaths: 3, pace: { ...pace, hold: 0 } }), calf)).toEqual(['static hold']);
  });

  it('is said in seconds', () => {
    expect(itemWords(item(CALF, { breaths: 3, holdSeconds: 15, pace }), exerciseById(CALF))).toContain(
      'Hold for 3 breaths, breathing in 4 s, holding 2 s, out 6 s',
    );
  });
});

describe('trips there and back', () => {
  const swings = 'leg-swing';
  const trips = item(swings, { holdSeconds: 0, reps: 3, trips: true, pace: { out: 10, back: 10 } });

  it('take their tempo as often as there are trips', () => {
    const work = cues([{ ...trips, sidePattern: 'side by side' }]).filter((c) => c.kind === 'repetitions');
    expect(work.map((c) => c.seconds)).toEqual([60, 60]);
  });

  it('are said as trips, on the sheet and by the player', () => {
    const exercise = exerciseById(swings);
    expect(itemWords(trips, exercise)).toContain('3 trips');
    expect(clientItemWords(trips, exercise)).toContain('there and back 3 times');
  });
});

describe('a loosening', () => {
  const loosen = { seconds: 10, name: 'Shake out the leg', when: 'both' } as const;

  it('stands between the sides, before the switch, and after the last way out', () => {
    // Position 20, set-up 5 by the catalogue; each side 3 + 30 + 5.
    const plain = told([item(CALF)]);
    const between = plain.indexOf('switch right 5');
    expect(told([item(CALF, { loosen })])).toEqual([
      ...plain.slice(0, between),
      'loosen 10',
      ...plain.slice(between),
      'loosen 10',
    ]);
  });

  it('stands where it was asked for', () => {
    const at = (when: 'between sides' | 'after') =>
      told([item(CALF, { loosen: { ...loosen, when } })]).flatMap((c, i, all) =>
        c === 'loosen 10' ? [`before ${all[i + 1] ?? 'the end'}`] : [],
      );
    expect(at('between sides')).toEqual(['before switch right 5']);
    expect(at('after')).toEqual(['before the end']);
  });

  it('comes once a round of a chain for the sides, and after its last stay', () => {
    const chain = [item(CALF, { link: 'chain', loosen }), item('straight-knee-wall-calf')];
    // Left bent, left straight, loosening and switch, right bent, loosening after it, right straight.
    expect(told(chain).filter((c) => /loosen|switch|hold/.test(c))).toEqual([
      'hold left 30',
      'hold left 30',
      'loosen 10',
      'switch right 5',
      'hold right 30',
      'loosen 10',
      'hold right 30',
    ]);
  });

  it('is part of what an item takes, and is no stretch', () => {
    const exercise = exerciseById(CALF);
    const more = itemBodySeconds(item(CALF, { loosen }), exercise) - itemBodySeconds(item(CALF), exercise);
    expect(more).toBe(20);
    const timeline = buildTimeline([item(CALF, { loosen })], { alreadyWarm: true });
    expect(plannedSeconds(timeline, 0, 'left')).toBe(30);
  });

  it('does not stop a flow', () => {
    const flow = [item(CALF, { link: 'flow', loosen: { ...loosen, when: 'after' } }), item('straight-knee-wall-calf')];
    expect(told(flow).join()).not.toContain('loosen');
  });

  it('is said with the item', () => {
    expect(itemWords(item(CALF, { loosen }), exerciseById(CALF))).toContain(
      'shake out the leg for 10 s between the sides and after',
    );
  });
});

describe('what an exercise brings along', () => {
  const own: Exercise = {
    ...exerciseById(CALF),
    id: 'own-calf',
    pace: { out: 4, back: 2 },
    pushAgainst: 'Push the foot into the skirting board.',
    then: [{ technique: 'moving stretch', holdSeconds: 0, reps: 5 }],
  };
  const find = (id: string): Exercise => (id === own.id ? own : exerciseById(id));
  const moved = (over: Partial<SessionItem> = {}) =>
    cues([item('own-calf', { then: own.then, ...over })], find).filter((c) => c.kind === 'repetitions')[0]!.seconds;

  it('is its tempo, until the coach sets another', () => {
    // Five times 4 + 2, then five times 1 + 1.
    expect(moved()).toBe(30);
    expect(moved({ pace: { out: 1, back: 1 } })).toBe(10);
  });

  it('is what follows in the same entry', () => {
    expect(firstItem(own).then).toEqual(own.then);
    expect(firstItem(exerciseById(CALF)).then).toBeUndefined();
  });

  it('stays a while at the end of a repetition that works', () => {
    const bridge = exerciseById('bridge');
    const seconds = (holdSeconds: number) =>
      cues([item(bridge.id, { reps: 5, holdSeconds })]).find((c) => c.kind === 'repetitions')!.seconds;
    // 3 s there and back, 2 s at the top, five times.
    expect([seconds(0), seconds(2)]).toEqual([15, 25]);
  });
});

describe('easy movement that a session begins with', () => {
  const warmUpOf = (items: SessionItem[]): number => buildTimeline(items).byKind['warm-up'];
  const holds = Array.from({ length: 12 }, () => item(CALF, { sets: 2, holdSeconds: 60 }));
  const march = item('march-on-the-spot', { holdSeconds: 0, reps: 20, sensation: 1 });

  it('counts towards its warm-up', () => {
    // Far more than twenty minutes of work: five minutes of warm-up, less the march's own seconds, in steps of 10.
    expect(warmUpOf(holds)).toBe(300);
    // Position 20 + entry 3 + 2 × 20 × 3 + exit 5, with its set-up by the catalogue.
    const own = 20 + exerciseById('march-on-the-spot').setupSeconds + 3 + 120 + 5;
    expect(warmUpOf([march, ...holds])).toBe(Math.floor((300 - own) / 10) * 10);
  });

  it('does not where it comes later, or is done with a clear pull', () => {
    expect(warmUpOf([...holds, march])).toBe(300);
    const pull = item('side-lunge', { holdSeconds: 2, reps: 10, sensation: 4 });
    expect(warmUpOf([pull, ...holds])).toBe(300);
    expect(warmUpOf([{ ...pull, sensation: 2 }, ...holds])).toBeLessThan(300);
  });
});
