import { describe, expect, it } from 'vitest';
import { longestSessions, sessionsOfBlock } from '../composing/from-lanes.js';
import { exerciseById } from '../catalogue/exercises.js';
import { weekdaysFrom } from '../schedule/weekday.js';
import { DEFAULT_TIMINGS, timingsFor, type StudioTimings, type Timings } from '../technique/timings.js';
import { buildBlock } from './block.js';
import { checkBlock } from './check/check.js';
import { adult, context, draft } from './draft.fixture.js';
import { BLOCK_DEFAULTS } from './block-defaults.js';
import { blockInputOf, emptyDraft } from './draft.js';

/** Of a studio whose clients are quick. */
const QUICK: StudioTimings = {
  ...DEFAULT_TIMINGS,
  ...{ newPosition: 10, prop: 5, entry: 1, exit: 2, sideSwitch: 3, rest: 5 },
};

function planned(timings: Timings, minutesPerSession: number) {
  const dayPlans = draft.dayPlans.map((p) => ({ ...p, minutes: minutesPerSession }));
  const input = blockInputOf({ ...draft, dayPlans }, { ...context, client: { ...adult, timings } });
  const plan = buildBlock(input);
  const lanes = draft.lanes.map((l) => ({ group: l.group, exercises: l.exercises, firstSide: 'left' as const }));
  const sessions = sessionsOfBlock(plan, draft.startDate, lanes, input.dayPlans, exerciseById, 1, timings);
  return { plan, longest: longestSessions(sessions, draft.weeks), broken: checkBlock(input, plan) };
}

describe('timings of a studio', () => {
  // By hand, 2 × 30 s a side: 2 × (entry 1 + 30 + exit 2) + rest 5 = 71; both sides and a change 145; position 10, prop 5 and
  // the exercise's own 5 s make 165; the strap takes 10 s more. Two exercises 340 s, too little for a warm-up. With the usual timings (timeline.spec) it is 434 s.
  it('decide how long a session is', () => {
    expect(planned(timingsFor(null, QUICK), 20).longest[0]).toBe(340);
    expect(planned(DEFAULT_TIMINGS, 20).longest[0]).toBe(434);
  });

  // Seven minutes are 420 s: fourteen too few with the usual timings; 5 s less of each hold of the second lane are 20 s.
  it('decide what fits the minutes', () => {
    const usual = planned(DEFAULT_TIMINGS, 7);
    const quick = planned(timingsFor(null, QUICK), 7);
    const first = (p: typeof usual) => p.plan.lanes.map((l) => l.weeks[0]!.dose);
    expect(first(usual)).toEqual([180, 150]);
    expect(first(quick)).toEqual([180, 180]);
    expect(Math.max(...quick.longest)).toBeLessThanOrEqual(420);
    expect(quick.broken).toEqual([]);
  });

  it('hold a client’s own breath where it has been measured, else the usual one', () => {
    expect(timingsFor(7, QUICK)).toMatchObject({ breath: 7, rest: 5 });
    expect(timingsFor(null, QUICK).breath).toBe(5);
  });
});

describe('defaults of a studio', () => {
  // 2026-03-11 is a Wednesday.
  it('begin a block on the studio’s first day of the week, with its numbers', () => {
    const block = { ...BLOCK_DEFAULTS, weeks: 6, ramp: 0.1, easierEvery: null, lanesPerSession: 3 };
    expect(emptyDraft('2026-03-11', [])).toMatchObject({
      startDate: '2026-03-16',
      weeks: 8,
      ramp: 0.2,
      easierEvery: 4,
    });
    expect(emptyDraft('2026-03-11', [], { ...block, firstWeekday: 7 })).toMatchObject({
      ...{ startDate: '2026-03-15', weeks: 6, ramp: 0.1, easierEvery: null, lanesPerSession: 3 },
    });
    expect(emptyDraft('2026-03-14', [], { ...block, firstWeekday: 6 }).startDate).toBe('2026-03-14');
  });

  it('list the days of a week from there', () => {
    expect(
      weekdaysFrom(7)
        .map((d) => d.short)
        .join(' '),
    ).toBe('Sun Mon Tue Wed Thu Fri Sat');
    expect(weekdaysFrom(1).map((d) => d.id)).toEqual([1, 2, 3, 4, 5, 6, 7]);
  });
});
