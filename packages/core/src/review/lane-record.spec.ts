import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { exerciseById } from '../catalogue/exercises.js';
import type { SessionItem } from '../session/item.js';
import { runs } from '../testing/runs.js';
import { laneRecord, type ReviewedSession } from './lane-record.js';
import { reviewLane } from './lane-review.js';

const item = (exerciseId: string, over: Partial<SessionItem> = {}): SessionItem => ({
  ...{ exerciseId, sets: 2, holdSeconds: 30, sensation: 5, firstSide: 'left' },
  ...over,
});
const SOLEUS = item('bent-knee-wall-calf');
const HAMSTRING = item('supine-strap-hamstring');
const bout = (place: number, side: 'left' | 'right' | null, doneSeconds: number, sensation: number | null = null) => ({
  ...{ item: place, side, plannedSeconds: 30, doneSeconds, sensation },
});
const session = (over: Partial<ReviewedSession> = {}): ReviewedSession => ({
  ...{ week: 3, items: [SOLEUS, HAMSTRING], rounds: 1, logged: true, sensation: null, bouts: [], stopped: [] },
  ...over,
});
const none = { plateau: false, goalTwice: false };
const lane = { group: 'soleus', technique: 'static hold' } as const;
const record = (sessions: readonly ReviewedSession[], sore: Parameters<typeof laneRecord>[4] = []) =>
  laneRecord(lane, 3, '2026-03-22', sessions, sore, none, exerciseById)!;
const whole = [bout(0, 'left', 30), bout(0, 'left', 30), bout(0, 'right', 30), bout(0, 'right', 30)];

describe('what a review of a lane goes by', () => {
  it('is what was asked of the lane and what was done of it, a side', () => {
    // Two sessions of 2 × 30 s a side; the second half done: 60 + 30 of 120.
    const half = [bout(0, 'left', 30), bout(0, 'right', 30)];
    expect(record([session({ bouts: whole }), session({ bouts: half })]).now).toEqual({ planned: 120, done: 90 });
    // Of another lane's exercise nothing counts.
    expect(record([session({ bouts: [bout(1, 'left', 30)] })]).now).toEqual({ planned: 60, done: 0 });
  });

  it('is unknown where nothing was logged', () => {
    expect(record([session({ logged: false }), session({ logged: false })]).now).toEqual({ planned: 120, done: null });
    expect(record([session({ week: 2, logged: false }), session({ bouts: whole })]).before).toEqual({
      planned: 60,
      done: null,
    });
    expect(record([session({ bouts: whole })]).before).toBeNull();
  });

  it('counts bouts where nothing is stretched', () => {
    const roll = item('calf-roll', { holdSeconds: 60 });
    const rolling = { group: exerciseById('calf-roll').primary, technique: 'rolling' } as const;
    const sessions = [
      session({ items: [roll], bouts: [bout(0, 'left', 60), bout(0, 'right', 20), bout(0, 'left', 0)] }),
    ];
    // Two sets a side: one on each was done.
    expect(laneRecord(rolling, 3, '2026-03-22', sessions, [], none, exerciseById)!.now).toEqual({
      planned: 2,
      done: 1,
    });
  });

  it('takes what was felt in the lane’s own exercises, and what nobody placed', () => {
    const felt = record([session({ sensation: 8, bouts: [bout(0, 'left', 30, 6), bout(1, 'left', 30, 9)] })]);
    expect([felt.said, felt.unplaced]).toEqual([[{ sensation: 6, target: 5 }], 8]);
    expect(record([session({ sensation: 6 })]).unplaced).toBeNull();
  });

  it('knows what was cut short for discomfort from what time cut', () => {
    const cut = [bout(0, 'left', 10), bout(0, 'right', 10)];
    expect(record([session({ bouts: cut })])).toMatchObject({ holdSeconds: 60, cutSeconds: 0 });
    expect(record([session({ bouts: cut, stopped: [0] })]).cutSeconds).toBe(40);
    expect(record([session({ bouts: [bout(0, 'left', 10, 8), bout(0, 'right', 10)] })]).cutSeconds).toBe(20);
  });

  it('counts stop signs of its own exercises, whatever was done', () => {
    expect(record([session({ bouts: whole, stopped: [0] }), session({ bouts: whole })]).stopSigns).toBe(1);
    expect(record([session({ bouts: whole, stopped: [1] })]).stopSigns).toBe(0);
  });

  it('keeps the sides apart, one side alone too', () => {
    expect(record([session({ bouts: [bout(0, 'left', 30), bout(0, 'left', 20)] })])).toMatchObject({
      ...{ sides: { left: 50, right: 0 }, now: { planned: 60, done: 25 }, inSeconds: true },
    });
  });

  it('counts the sore days of its region in two weeks', () => {
    const sore = (date: string, soreness = 7) => ({ date, region: null, soreness });
    const days = (...all: ReturnType<typeof sore>[]) => record([session({ bouts: whole })], all).soreDays;
    expect(days(sore('2026-03-22'), sore('2026-03-09'), sore('2026-03-08'))).toBe(2);
    expect(days(sore('2026-03-20'), sore('2026-03-20'), sore('2026-03-19', 6))).toBe(1);
  });

  it('is none where the lane was not asked', () => {
    expect(
      laneRecord({ ...lane, technique: 'rolling' }, 3, '2026-03-22', [session()], [], none, exerciseById),
    ).toBeNull();
  });

  it('is the same however often and in whatever order the logs are read', () => {
    const logged = fc.record({
      week: fc.constantFrom(2, 3),
      logged: fc.boolean(),
      sensation: fc.option(fc.integer({ min: 0, max: 10 })),
      stopped: fc.subarray([0, 1]),
      bouts: fc.array(
        fc.record({
          item: fc.constantFrom(0, 1),
          side: fc.constantFrom('left', 'right', null),
          plannedSeconds: fc.constant(30),
          doneSeconds: fc.integer({ min: 0, max: 60 }),
          sensation: fc.option(fc.integer({ min: 0, max: 10 })),
        }),
        { maxLength: 6 },
      ),
    });
    fc.assert(
      fc.property(fc.array(logged, { minLength: 1, maxLength: 5 }), fc.nat(), (all, seed) => {
        const sessions = [...all, { week: 3, logged: true, sensation: null, stopped: [], bouts: [] }].map(session);
        const turned = <T>(of: readonly T[]): T[] => of.map((_, i) => of[(i + seed) % of.length]!).reverse();
        const again = turned(sessions).map((s) => ({ ...s, bouts: turned(s.bouts) }));
        const sorted = (r: ReturnType<typeof record>) => ({
          ...r,
          said: [...r.said].sort((a, b) => a.sensation - b.sensation),
        });
        expect(sorted(record(again))).toEqual(sorted(record(sessions)));
        expect(reviewLane(record(again))).toEqual(reviewLane(record(sessions)));
      }),
      runs(200),
    );
  });
});
