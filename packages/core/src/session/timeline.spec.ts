import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { exerciseById, EXERCISES } from '../catalogue/exercises.js';
import { longestSessions, sessionsOfBlock } from '../composing/from-lanes.js';
import { buildBlock } from '../planning/block.js';
import type { SessionItem } from './item.js';
import { boutCount } from './parts.js';
import { orderItems } from './order.js';
import { sessionSeconds, timeItem } from './session-seconds.js';
import { buildTimeline, itemSeconds } from './timeline.js';
import { DEFAULT_TIMINGS, warmUpSeconds } from '../technique/timings.js';

const calf: SessionItem = {
  exerciseId: 'bent-knee-wall-calf',
  sets: 2,
  holdSeconds: 30,
  sensation: 5,
  firstSide: 'right',
};
/** The bout of a technique, for an exercise that is done as it says. */
const boutFields: Readonly<Record<string, Partial<SessionItem>>> = {
  'contract-relax': { cycles: 3, pushSeconds: 6, effort: 20 },
  'loaded eccentric': { reps: 6, lowerSeconds: 3, holdSeconds: 2 },
  'moving stretch': { reps: 6, holdSeconds: 2 },
  activation: { reps: 10, holdSeconds: 0 },
  'nerve glide': { reps: 8, holdSeconds: 0 },
  breathing: { reps: 10, holdSeconds: 0 },
};
const hamstring: SessionItem = { ...calf, exerciseId: 'supine-strap-hamstring' };

const anyItem: fc.Arbitrary<SessionItem> = fc
  .record({
    exerciseId: fc.constantFrom(...EXERCISES.map((e) => e.id)),
    sets: fc.integer({ min: 1, max: 4 }),
    holdSeconds: fc.integer({ min: 5, max: 120 }),
    sensation: fc.integer({ min: 1, max: 6 }),
    firstSide: fc.constantFrom('left' as const, 'right' as const),
  })
  .map((i): SessionItem => ({ ...i, ...boutFields[exerciseById(i.exerciseId).technique] }));

const STRETCHING_KINDS = new Set<string>(['check', 'hold', 'repetitions', 'roll', 'breaths']);

describe('warmUpSeconds', () => {
  // Domain 2.7 (common practice, no source): the least of 300 s, a quarter of the work, and half of the work above 480 s, in steps of 10 s.
  it.each([
    [0, 0],
    [240, 0],
    [480, 0],
    [499, 0],
    [500, 10],
    [600, 60],
    [720, 120],
    // (960 − 480) / 2 = 960 / 4: from here on a quarter is the least.
    [960, 240],
    [1000, 250],
    [1199, 290],
    [1200, 300],
    [3000, 300],
  ])('work of %d s gets %d s', (work, warmUp) => {
    expect(warmUpSeconds(work, false)).toBe(warmUp);
  });

  it('never jumps: a second more of work makes a session at most eleven longer; nothing when warm', () => {
    for (let work = 0; work < 2000; work++) {
      const more = warmUpSeconds(work + 1, false) - warmUpSeconds(work, false);
      expect(more, `${work} s`).toBeGreaterThanOrEqual(0);
      expect(more, `${work} s`).toBeLessThanOrEqual(10);
    }
    expect(warmUpSeconds(1200, true)).toBe(0);
  });
});

describe('buildTimeline', () => {
  // By hand: 20 position + 10 prop + 5 settling, then a side: (3+30+5)·2 + 10 = 86, twice, and a switch of 5 between: 35 + 86 + 5 + 86 = 212 s.
  it('follows the worked example to the second', () => {
    const t = buildTimeline([calf], { alreadyWarm: true });
    expect(t.totalSeconds).toBe(212);
    expect(t.byKind).toMatchObject({
      position: 20,
      prop: 10,
      'set-up': 5,
      entry: 12,
      hold: 120,
      exit: 20,
      rest: 20,
      switch: 5,
    });
    expect(t.cues.map((c) => `${c.kind}${c.side ? c.side[0] : ''}${c.set ?? ''}`)).toEqual([
      'propr',
      'positionr',
      'set-upr',
      ...['entryr1', 'holdr1', 'exitr1', 'restr1', 'entryr2', 'holdr2', 'exitr2'],
      'switchl',
      ...['entryl1', 'holdl1', 'exitl1', 'restl1', 'entryl2', 'holdl2', 'exitl2'],
    ]);
  });

  it('takes less to set up in the same position with the same prop, and adds the warm-up in front', () => {
    const straight = { ...calf, exerciseId: 'straight-knee-wall-calf' };
    const t = buildTimeline([calf, straight]);
    // 212 + 212 − 12 (8 instead of 20 s) − 10 (the wall is there) = 402: under eight minutes there is no warm-up.
    expect(t.totalSeconds).toBe(402);
    expect(itemSeconds(t, 2)).toEqual([212, 190]);
    // Six sets: 35 + (6·38 + 5·10) + 5 + (6·38 + 5·10) = 596 s of work; half of what is above 480 is 58, in steps of ten 50.
    const long = buildTimeline([{ ...calf, sets: 6 }]);
    expect(long.totalSeconds).toBe(596 + 50);
    expect(long.cues[0]).toMatchObject({ kind: 'warm-up', start: 0, seconds: 50, item: null });
  });

  it('fetches a thing once a session, though something without it comes between and rounds follow', () => {
    const none: SessionItem = { ...calf, exerciseId: 'supine-hands-hamstring' };
    const t = buildTimeline([hamstring, none, hamstring], { alreadyWarm: true, rounds: 2 });
    expect(t.cues.filter((c) => c.kind === 'prop').map((c) => [c.item, c.round])).toEqual([[0, 1]]);
  });

  it('gives cues without gaps or overlaps whose sum is the length, and both sides the same seconds', () => {
    fc.assert(
      fc.property(fc.array(anyItem, { minLength: 1, maxLength: 8 }), fc.boolean(), (items, warm) => {
        const t = buildTimeline(items, { alreadyWarm: warm });
        let at = 0;
        for (const c of t.cues) {
          expect(c.start).toBe(at);
          expect(c.seconds).toBeGreaterThan(0);
          at += c.seconds;
        }
        expect(t.totalSeconds).toBe(at);
        expect(Object.values(t.byKind).reduce((a, b) => a + b, 0)).toBe(at);
        const counted = (side: string) =>
          t.cues.filter((c) => c.side === side || c.side === null).reduce((sum, c) => sum + c.counts, 0);
        expect(counted('left')).toBe(counted('right'));
        expect(t.cues.reduce((sum, c) => sum + (STRETCHING_KINDS.has(c.kind) ? 0 : c.counts), 0)).toBe(0);
        items.forEach((item, i) => {
          const first = exerciseById(item.exerciseId).sides === 'each' ? item.firstSide : undefined;
          expect(t.cues.find((c) => c.item === i && c.side)?.side ?? undefined).toBe(first);
        });
      }),
    );
  });

  it('has a rest between two sets of a side and none after the last', () => {
    const kinds = buildTimeline([{ ...calf, sets: 3 }], { alreadyWarm: true }).cues.map((c) => c.kind);
    expect(kinds.filter((k) => k === 'rest')).toHaveLength(4);
    kinds.forEach((k, i) => k === 'rest' && expect(kinds[i + 1]).toBe('entry'));
  });

  it('leaves out what takes no time', () => {
    const t = buildTimeline([calf], { alreadyWarm: true }, { ...DEFAULT_TIMINGS, entry: 0, prop: 0 });
    expect(t.byKind.entry).toBe(0);
    expect(t.cues.every((c) => c.seconds > 0)).toBe(true);
  });

  it('is empty for no items', () => {
    expect(buildTimeline([])).toMatchObject({ cues: [], totalSeconds: 0 });
  });

  it('refuses what cannot be timed', () => {
    const refused = expect.objectContaining({ code: 'invalid-timeline' });
    expect(() => buildTimeline([{ ...calf, sets: 0 }])).toThrow(refused);
    expect(() => buildTimeline([{ ...calf, holdSeconds: 30.5 }])).toThrow(refused);
    expect(() => buildTimeline([{ ...calf, exerciseId: 'bridge' }])).toThrow(refused);
    expect(() => buildTimeline([calf], { alreadyWarm: true }, { ...DEFAULT_TIMINGS, rest: -1 })).toThrow(refused);
    expect(() => buildTimeline([{ ...calf, exerciseId: 'none' }])).toThrow(
      expect.objectContaining({ code: 'unknown-exercise' }),
    );
  });
});

// Each by hand from the timings of domain 2.7.
describe('cues of each technique', () => {
  const cuesOf = (item: SessionItem) =>
    buildTimeline([item], { alreadyWarm: true }).cues.filter(
      (c) => c.side === 'right' && !['position', 'prop', 'set-up', 'switch'].includes(c.kind),
    );

  it('contract-relax: push, let go, stretch, three times; every stretch is a bout', () => {
    const cues = cuesOf({
      ...hamstring,
      technique: 'contract-relax',
      sets: 1,
      holdSeconds: 15,
      cycles: 3,
      pushSeconds: 6,
      effort: 20,
    });
    expect(cues.map((c) => `${c.kind} ${c.seconds}`)).toEqual([
      'entry 3',
      ...['push 6', 'let go 2', 'hold 15', 'push 6', 'let go 2', 'hold 15', 'push 6', 'let go 2', 'hold 15'],
      'exit 5',
    ]);
    expect(cues.filter((c) => c.bout !== null).map((c) => [c.bout, c.counts])).toEqual([
      [1, 15],
      [2, 15],
      [3, 15],
    ]);
    expect(cues[1]!.says).toEqual({ code: 'push', args: { effort: 20 } });
  });

  it('loaded: 6 × (3 down + 2 pause + 2 back) = 42 s of which 30 s stretch, 45 s rest between sets', () => {
    const cues = cuesOf({
      ...calf,
      exerciseId: 'step-heel-drop',
      reps: 6,
      lowerSeconds: 3,
      holdSeconds: 2,
      assistance: 1,
      load: 5,
      loadUnit: 'kg',
    });
    expect(cues.map((c) => `${c.kind} ${c.seconds}`)).toEqual([
      ...['entry 3', 'repetitions 42', 'exit 5', 'rest 45', 'entry 3', 'repetitions 42', 'exit 5'],
    ]);
    expect(cues[1]).toMatchObject({ bout: 1, counts: 30 });
    expect(cues[1]!.says).toMatchObject({ code: 'lower', args: { assistance: 1, load: 5, loadUnit: 'kg', reps: 6 } });
  });

  it('moving: 6 × (3 + 2) = 30 s, of which 12 s count', () => {
    const cues = cuesOf({ ...calf, exerciseId: 'half-kneeling-ankle-rock', sets: 1, reps: 6, holdSeconds: 2 });
    expect(cues[1]).toMatchObject({ kind: 'repetitions', seconds: 30, counts: 12 });
  });

  it('the tighter side’s extra set is on that side only', () => {
    const item: SessionItem = { ...calf, bonus: { side: 'right', sets: 1, more: 0 } };
    const t = buildTimeline([item], { alreadyWarm: true });
    const held = (side: string) => t.cues.filter((c) => c.side === side).reduce((sum, c) => sum + c.counts, 0);
    expect([held('right'), held('left')]).toEqual([90, 60]);
    const exercise = exerciseById(calf.exerciseId);
    expect([boutCount(item, exercise, 'right'), boutCount(item, exercise, 'left')]).toEqual([3, 2]);
  });
});

describe('sessionSeconds', () => {
  it('is the length of the timeline, without making its cues', () => {
    fc.assert(
      fc.property(fc.array(anyItem, { minLength: 1, maxLength: 8 }), (items) => {
        const timed = items.map((i) => timeItem(i, exerciseById(i.exerciseId)));
        expect(sessionSeconds(timed)).toBe(buildTimeline(orderItems(items)).totalSeconds);
      }),
    );
  });
});

describe('orderItems', () => {
  it('goes from standing to lying, and from the floor up inside a position', () => {
    const pecs = { ...calf, exerciseId: 'doorway-pectorals' };
    const hip = { ...calf, exerciseId: 'half-kneeling-hip-flexor' };
    expect(orderItems([hamstring, pecs, hip, calf]).map((i) => i.exerciseId)).toEqual([
      'bent-knee-wall-calf',
      'doorway-pectorals',
      'half-kneeling-hip-flexor',
      'supine-strap-hamstring',
    ]);
  });
});

describe('sessionsOfBlock', () => {
  const plan = buildBlock({
    client: { age: 40, experience: 'regular', trainingDays: [1, 3, 5], gentleGroups: [] },
    lanes: [
      { group: 'hamstrings', styleId: 'steady-hold' },
      { group: 'soleus', styleId: 'steady-hold' },
    ],
    weeks: 4,
    ramp: 0.2,
    easierEvery: 4,
  });
  const sessions = sessionsOfBlock(plan, '2026-03-09', [
    {
      group: 'soleus',
      exercises: [{ technique: 'static hold', exerciseId: 'supine-strap-hamstring', dayPlanId: null }],
      firstSide: 'right',
    },
    {
      group: 'soleus',
      exercises: [{ technique: 'static hold', exerciseId: 'bent-knee-wall-calf', dayPlanId: null }],
      firstSide: 'left',
    },
  ]);

  it('carries the prescription of the week into every session, in order, with its exact length', () => {
    const first = sessions[0]!;
    expect(first.items).toEqual([
      { exerciseId: 'bent-knee-wall-calf', sets: 2, holdSeconds: 30, sensation: 5, firstSide: 'left' },
      { exerciseId: 'supine-strap-hamstring', sets: 2, holdSeconds: 30, sensation: 5, firstSide: 'right' },
    ]);
    // 2 × 212 s of work, 10 s more to settle with a strap round the foot; short of eight minutes there is no warm-up.
    expect(first.totalSeconds).toBe(434);
  });

  it('finds the longest session of each week', () => {
    const longest = longestSessions(sessions, 4);
    expect(longest[0]).toBe(434);
    // Each hold 5 s longer: eight holds in all.
    expect(longest[1]).toBe(434 + 8 * 5);
  });
});
