import { stageSeconds } from '../technique/segment.js';
import { beatsOf } from '../technique/bout.js';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { exerciseById, EXERCISES } from '../catalogue/exercises.js';
import { FIGURES } from '../figure/catalogue/index.js';
import { distance, pointsOf, resolve } from '../figure/skeleton.js';
import { boutsOn } from '../dose/dose.js';
import { beatAt, breathBeats, countedMs } from '../technique/beats.js';
import { boutOf, type SessionItem } from './item.js';
import { boutCount } from './parts.js';
import { buildTimeline, plannedSeconds } from './timeline.js';
import {
  breathFromTaps,
  breathOf,
  DEFAULT_TIMINGS,
  timingsFor,
  warmUpSeconds,
  workBudget,
} from '../technique/timings.js';
import { runs } from '../testing/runs.js';

const item = (exerciseId: string, over: Partial<SessionItem> = {}): SessionItem => ({
  exerciseId,
  sets: 1,
  holdSeconds: 30,
  sensation: 5,
  firstSide: 'left',
  ...over,
});
const CALF = 'bent-knee-wall-calf';
const STRAIGHT = 'straight-knee-wall-calf';
const MARCH = 'march-on-the-spot';
const warm = { alreadyWarm: true };
const told = (items: SessionItem[], shape = {}) =>
  buildTimeline(items, { ...warm, ...shape }).cues.map((c) => `${c.kind}${c.side ? ' ' + c.side : ''} ${c.seconds}`);

/** A bout of a technique as a style would ask it. */
const FIELDS: Readonly<Record<string, Partial<SessionItem>>> = {
  'contract-relax': { cycles: 2, pushSeconds: 6, effort: 20 },
  'loaded eccentric': { reps: 6, lowerSeconds: 3, holdSeconds: 2 },
  'moving stretch': { reps: 6, holdSeconds: 2 },
  activation: { reps: 10, holdSeconds: 0 },
  'nerve glide': { reps: 8, holdSeconds: 0 },
  breathing: { reps: 10, holdSeconds: 0 },
};
const anyItem: fc.Arbitrary<SessionItem> = fc
  .record({
    exerciseId: fc.constantFrom(...EXERCISES.map((e) => e.id)),
    sets: fc.integer({ min: 1, max: 3 }),
    holdSeconds: fc.integer({ min: 5, max: 90 }),
    sensation: fc.constant(5),
    firstSide: fc.constantFrom('left' as const, 'right' as const),
    sidePattern: fc.constantFrom('side by side' as const, 'alternating' as const),
    link: fc.constantFrom(undefined, undefined, 'chain' as const, 'flow' as const),
    bonus: fc.constantFrom(
      undefined,
      { side: 'right' as const, sets: 1, more: 0 },
      { side: 'left' as const, sets: 0, more: 5 },
    ),
  })
  .map(({ link, bonus, ...i }): SessionItem => ({
    ...i,
    ...(link ? { link } : {}),
    ...(bonus ? { bonus } : {}),
    ...FIELDS[exerciseById(i.exerciseId).technique],
  }));

describe('any session, however its items hang together', () => {
  it('has no gaps, and gives each side what was asked, in every round', () => {
    fc.assert(
      fc.property(
        fc.array(anyItem, { minLength: 1, maxLength: 6 }),
        fc.integer({ min: 1, max: 4 }),
        (items, rounds) => {
          const t = buildTimeline(items, { alreadyWarm: false, rounds });
          let at = 0;
          for (const c of t.cues) {
            expect(c.start).toBe(at);
            expect(c.seconds).toBeGreaterThan(0);
            at += c.seconds;
          }
          expect(at).toBe(t.totalSeconds);
          items.forEach((it, i) => {
            const e = exerciseById(it.exerciseId);
            const bout = boutOf(it, e);
            const plain = buildTimeline([{ ...it, sets: 1, bonus: undefined, link: undefined }] as SessionItem[], warm);
            const one = plannedSeconds(plain, 0, 'left');
            for (const side of ['left', 'right'] as const) {
              const given = e.sides === 'each' ? side : null;
              const { sets, bout: mine } = boutsOn(bout, given);
              const more =
                mine === bout
                  ? 0
                  : it.bonus!.more * (one / (bout.reps ?? bout.holdSeconds * (bout.cycles ?? 1))) * (bout.cycles ?? 1);
              expect(plannedSeconds(t, i, side)).toBeCloseTo(rounds * sets * (one + more), 6);
              const logged = t.cues.filter(
                (c) => c.item === i && c.ends && (c.side === given || (given !== null && c.side === null)),
              );
              expect(new Set(logged.map((c) => c.bout)).size).toBe(boutCount(it, e, given, rounds));
            }
          });
        },
      ),
      runs(80),
    );
  });
});

// Each by hand from domain 2.7.
describe('alternating sides', () => {
  it('take turns repetition by repetition: 2 × 6 × (3 + 2) = 60 s, half of them a side', () => {
    const cues = buildTimeline([item(MARCH, { reps: 6, holdSeconds: 2 })], warm).cues;
    const [cue] = cues.filter((c) => c.ends);
    expect(cue).toMatchObject({ seconds: 60, side: null, alternatesFrom: 'left', counts: 12 });
    expect(cues.filter((c) => c.kind === 'switch')).toEqual([]);
  });

  it('take turns set by set when they are holds, without a rest between', () => {
    expect(
      told([item(CALF, { sets: 2, sidePattern: 'alternating' })]).filter((w) => /hold|switch|rest/.test(w)),
    ).toEqual([
      ...[
        'hold left 30',
        'switch right 5',
        'hold right 30',
        'switch left 5',
        'hold left 30',
        'switch right 5',
        'hold right 30',
      ],
    ]);
  });
});

describe('chains', () => {
  it('go through their exercises on one side, then on the other', () => {
    expect(told([item(CALF, { link: 'chain' }), item(STRAIGHT)])).toEqual([
      ...['prop left 10', 'position left 20', 'set-up left 5', 'entry left 3', 'hold left 30', 'exit left 5'],
      ...['position left 8', 'set-up left 5', 'entry left 3', 'hold left 30', 'exit left 5'],
      ...['switch right 5', 'position right 8', 'set-up right 5', 'entry right 3', 'hold right 30', 'exit right 5'],
      ...['position right 8', 'set-up right 5', 'entry right 3', 'hold right 30', 'exit right 5'],
    ]);
  });
});

describe('flows', () => {
  it('lead from one position into the next without a change of their own', () => {
    const flow = told([item('supine-strap-hamstring', { link: 'flow' }), item(CALF)]);
    // By hand: 3 s from one into the next; no exit from the first, no settling in the second.
    expect(flow).toEqual([
      ...['prop left 10', 'position left 20', 'set-up left 15', 'entry left 3', 'hold left 30', 'exit left 5'],
      ...['switch right 5', 'entry right 3', 'hold right 30'],
      ...['prop left 10', 'position left 3', 'entry left 3', 'hold left 30', 'exit left 5'],
      ...['switch right 5', 'entry right 3', 'hold right 30', 'exit right 5'],
    ]);
  });
});

describe('loaded work', () => {
  const down = EXERCISES.find((e) => e.technique === 'loaded eccentric')!;
  const other = { ...down, id: 'another' };
  const find = (id: string) => (id === other.id ? other : down);
  const lower = (id: string): SessionItem => ({
    ...{ exerciseId: id, sets: 1, reps: 4, lowerSeconds: 3, holdSeconds: 2, sensation: 5, firstSide: 'left' },
  });
  it('rests 45 s between two exercises of a group; getting into the second is part of it', () => {
    const { cues } = buildTimeline([lower(down.id), lower(other.id)], warm, undefined, find);
    const between = cues.filter((c) => c.item === 1 && ['rest', 'prop', 'position', 'set-up'].includes(c.kind));
    expect(between[0]!.kind).toBe('rest');
    expect(between.reduce((sum, c) => sum + c.seconds, 0)).toBe(45);
  });
  it('rests 45 s before the same exercise comes again, in another item or round', () => {
    for (const t of [
      buildTimeline([lower(down.id), lower(down.id)], warm, undefined, find),
      buildTimeline([lower(down.id)], { ...warm, rounds: 2 }, undefined, find),
    ]) {
      const again = t.cues.findIndex((c, i) => i > 0 && (c.item === 1 || c.round === 2));
      expect(t.cues.slice(again, again + 2).map((c) => [c.kind, c.seconds])).toEqual([
        ['rest', 45],
        ['entry', 3],
      ]);
    }
  });
});

describe('rounds', () => {
  it('go through the list again: the wall is there, the position is kept', () => {
    const t = buildTimeline([item(CALF)], { ...warm, rounds: 3 });
    // By hand: 35 to begin, once; three times 38 + 5 + 38, and back to the first side 5 twice.
    expect(t.totalSeconds).toBe(35 + 3 * 81 + 2 * 5);
    expect(t.cues.filter((c) => c.ends && c.side === 'left').map((c) => [c.round, c.set, c.bout])).toEqual([
      [1, 1, 1],
      [2, 1, 2],
      [3, 1, 3],
    ]);
    expect(() => buildTimeline([item(CALF)], { rounds: 5 })).toThrow(
      expect.objectContaining({ code: 'invalid-timeline' }),
    );
  });
});

describe('a check without hands', () => {
  const NECK = EXERCISES.find((e) => e.check !== null)!;

  // Domain 2.7: once before each side; its seconds are no stretch.
  it('comes before the first set of each side, and takes nothing off the hold', () => {
    const { cues } = buildTimeline([item(NECK.id, { sets: 2, holdSeconds: 20 })], warm);
    const left = cues.filter((c) => c.side === 'left' && (c.kind === 'check' || c.kind === 'hold'));
    expect(left.map((c) => [c.kind, c.seconds, c.counts, c.bout])).toEqual([
      ['check', 10, 0, null],
      ['hold', 20, 20, 1],
      ['hold', 20, 20, 2],
    ]);
    expect(cues.filter((c) => c.kind === 'check').map((c) => c.side)).toEqual(['left', 'right']);
    expect(left[0]!.says).toMatchObject({ code: 'safety-check', args: { name: NECK.check } });
  });
  it('stands before every held stretch of the neck', () => {
    for (const e of EXERCISES.filter((x) => x.position === 'sitting on a chair' && /neck|trapezius/.test(x.primary)))
      if (e.technique === 'static hold') expect(e.check, e.id).not.toBeNull();
  });
  // Domain 2.7: the weight of the hand is a part of its own, off unless it is allowed for this client.
  it('comes before a hand on the head, which only forms of its own have, last, in words and in the figure', () => {
    for (const e of EXERCISES.filter((x) => /neck|trapezius/.test(x.primary))) {
      const hand = e.demands.includes('neck-hand');
      expect(
        e.steps.some((s) => /lay .*hands? on .*head/i.test(s)),
        e.id,
      ).toBe(hand);
      const at = pointsOf(resolve(FIGURES[e.figure!]!.end));
      // The wrist of a hand that lies on the head is nearer to its middle than a hand and half a head; of a body of 170 cm, 25 cm.
      const near = (['wristL', 'wristR'] as const).some((w) => distance(at[w], at.head) < 0.15);
      if (e.position === 'sitting on a chair' && !/collar bone|throat/.test(e.steps.join(' ')))
        expect(near, e.id).toBe(hand);
      if (!hand) continue;
      expect(e.check, e.id).not.toBeNull();
      expect(
        e.stages.map((s) => /hand/.test(s.name)),
        e.id,
      ).toEqual([false, true]);
    }
  });
});

describe('staged holds', () => {
  it('are directions one after the other, all of them stretch', () => {
    const staged = {
      ...EXERCISES.find((e) => e.check !== null)!,
      check: null,
      stages: [
        { name: 'Chin level', share: 0.5 },
        { name: 'Chin down', share: 0.5 },
      ],
    };
    const { cues } = buildTimeline([item(staged.id, { holdSeconds: 21 })], warm, undefined, () => staged);
    const left = cues.filter((c) => c.side === 'left' && c.bout !== null);
    // Half of 21 s in whole seconds, and the rest.
    expect(left.map((c) => [c.kind, c.seconds, c.ends])).toEqual([
      ['hold', 10, false],
      ['hold', 11, true],
    ]);
  });

  it('are divided without a second lost', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 300 }),
        fc.array(fc.integer({ min: 1, max: 5 }), { maxLength: 4 }),
        (hold, shares) => {
          const parts = stageSeconds(
            hold,
            shares.map((share) => ({ name: '', share })),
          );
          expect(parts.reduce((a, b) => a + b, 0)).toBe(hold);
        },
      ),
    );
  });
});

describe('beats', () => {
  const loaded = {
    technique: 'loaded eccentric',
    sets: 1,
    reps: 6,
    lowerSeconds: 3,
    holdSeconds: 2,
    sensation: 5,
  } as const;
  const beats = beatsOf(loaded, DEFAULT_TIMINGS);

  it('say which part of which repetition runs', () => {
    expect(beats.map((b) => `${b.kind} ${b.seconds}`)).toEqual(['lower 3', 'pause 2', 'return 2']);
    expect(beatAt(beats, 0)).toMatchObject({ repetition: 1, left: 3, beat: { kind: 'lower' } });
    expect(beatAt(beats, 3000)).toMatchObject({ repetition: 1, left: 2, beat: { kind: 'pause' } });
    expect(beatAt(beats, 7000 + 5500)).toMatchObject({ repetition: 2, left: 2, beat: { kind: 'return' } });
    expect(beatAt([], 100)).toBeNull();
  });

  it('count lowering and pause only: 7 s of 14 are 5 s, and 2 more of the next', () => {
    expect(countedMs(beats, 7000)).toBe(5000);
    expect(countedMs(beats, 9000)).toBe(7000);
    expect(countedMs(beats, 13_000)).toBe(10_000);
    expect(countedMs([], 4000)).toBe(4000);
  });

  it('breathe out longer than in', () => {
    for (let s = 3; s <= 12; s++) {
      const [inward, out] = breathBeats(breathOf({ ...DEFAULT_TIMINGS, breath: s }));
      expect(inward!.seconds + out!.seconds).toBe(s);
      expect(out!.seconds).toBeGreaterThanOrEqual(inward!.seconds);
    }
  });
});

describe('a client’s own breath', () => {
  it('is the middle of the gaps between taps, in whole seconds', () => {
    // Gaps 6.1, 5.9, 14 (one tap missed) and 6.2 s: the middle is 6.15.
    expect(breathFromTaps([0, 6100, 12_000, 26_000, 32_200])).toBe(6);
    expect(breathFromTaps([0, 6000, 12_000])).toBeNull();
    expect(breathFromTaps([0, 500, 1000, 1500])).toBe(3);
    expect(breathFromTaps([0, 30_000, 60_000, 90_000])).toBe(12);
  });

  it('changes how long breathing takes', () => {
    const breathing = EXERCISES.find((e) => e.technique === 'breathing')!;
    const seconds = (breath: number | null) =>
      buildTimeline([item(breathing.id, { reps: 10, holdSeconds: 0 })], warm, timingsFor(breath)).byKind.breaths;
    expect([seconds(null), seconds(7)]).toEqual([50, 70]);
  });
});

describe('workBudget', () => {
  it('is the most work that fits with its warm-up', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 4000 }), fc.boolean(), (budget, already) => {
        const work = workBudget(budget, already);
        expect(work + warmUpSeconds(work, already)).toBeLessThanOrEqual(Math.max(budget, 0));
        expect(work + 1 + warmUpSeconds(work + 1, already)).toBeGreaterThan(budget);
      }),
    );
    // By hand: 5 min are all work; 15 min hold 760 s of it and (760 − 480) / 2 = 140 of warm-up; 20 min 960 and 240; a second more is a second more.
    expect([300, 900, 901, 1200].map((budget) => workBudget(budget, false))).toEqual([300, 760, 761, 960]);
  });
});
