import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { volume } from '../../dose/dose.js';
import { runs } from '../../testing/runs.js';
import { addDays } from '../../schedule/plain-date.js';
import { STYLES } from '../../styles/index.js';
import { anyPresentBlock } from '../any-block.fixture.js';
import { buildBlock } from '../block.js';
import { checkBlock } from '../check/check.js';
import type { BlockInput, PlannedLane, PlannedWeek } from '../plan.js';
import { adult, ask, check, doses, steady } from '../rules.fixture.js';
import { calendarOf } from './calendar.js';
import { returnShare } from './return.js';

// Common practice, no source: a fifth off for each missed week, half at most.
it('a fifth less for each missed week, half at most', () => {
  expect([1, 2, 3, 5].map(returnShare)).toEqual([0.8, 0.6, 0.5, 0.5]);
});

// Rule 12, by hand: before = 210 s (2 × 35 × 3). 80 % of it are 168 s: 2 × 25 × 3 = 150; the next week 90 %, 189 s: 2 × 30 × 3 = 180; then 210.
describe('one missed week', () => {
  const input = ask([steady()], { missedWeeks: [3], weeks: 9 });
  it('is made up for within three weeks, and the lane goes on from there', () => {
    // The easier week of week 4 is taken by the return; the next one stands in week 8.
    expect(doses(input)).toEqual([180, 210, 0, 150, 180, 210, 240, 120, 270]);
    const weeks = buildBlock(input).lanes[0]!.weeks;
    expect(weeks.map((w) => w.kind)).toEqual([
      'build',
      'build',
      'rest',
      'build',
      'build',
      'build',
      'build',
      'easier',
      'build',
    ]);
    // The reason says the share that was really taken: 150 of 210 s.
    expect(weeks[3]!.reasons[0]).toEqual({ code: 'back-after', args: { weeks: 1, percent: 71, back: 1 } });
    expect(weeks[3]!.prescription.sensation).toBe(weeks[1]!.prescription.sensation - 1);
    expect(check(input)).toEqual([]);
  });
});

it('an easier week inside a return moves after it; one on its first week is taken by it; the retest stays', () => {
  const inside = calendarOf(ask([steady()], { missedWeeks: [2], weeks: 12 }));
  // Week 4 would move to 6, two weeks before the next: that one does for both. Every 6th leaves room.
  expect(inside.easier).toEqual([8, 12]);
  expect(inside.retests).toEqual([1, 4, 8, 12]);
  const rare = calendarOf(ask([steady()], { missedWeeks: [4], weeks: 16, easierEvery: 6 }));
  expect(rare.easier).toEqual([8, 12]);
  expect(rare.retests).toEqual([1, 8, 12, 16]);
  const first = calendarOf(ask([steady()], { missedWeeks: [3], weeks: 12 }));
  expect(first.easier).toEqual([8, 12]);
  expect(first.retests).toEqual([1, 4, 8, 12]);
});

it('four and more missed weeks begin again at half, and ask for a retest', () => {
  const weeks = buildBlock(ask([steady()], { missedWeeks: [6, 7, 8, 9], weeks: 12, easierEvery: null })).lanes[0]!
    .weeks;
  // 180, 210, 240, 270, then a set more re-split: 315. Half of 315 s is less than the 180 s that every client begins with.
  expect(weeks[4]!.dose).toBe(315);
  expect(weeks[9]!.dose).toBe(180);
  expect(weeks[9]!.reasons[0]).toMatchObject({ code: 'begins-again', args: { weeks: 4 } });
});

// By hand: week 10 means 2 × 30 × 3 = 180 s and loses days; the next weeks are 2 × 35 × 3 and 2 × 40 × 3, not a step above week 5.
it('who begins again in a week that loses days goes on from what was meant', () => {
  const start = '2026-03-09';
  const away = [{ from: addDays(start, 64), to: addDays(start, 69) }];
  const input = ask([steady()], { startDate: start, missedWeeks: [6, 7, 8, 9], away, weeks: 12, easierEvery: null });
  const plan = buildBlock(input);
  const weeks = plan.lanes[0]!.weeks;
  expect(weeks[9]!.reasons.map((r) => r.code)).toEqual(['begins-again', 'fewer-days']);
  expect(weeks[9]!.dose).toBeLessThan(180);
  expect(weeks.slice(10).map((w) => w.dose)).toEqual([210, 240]);
  expect(checkBlock(input, plan)).toEqual([]);
  // The same when the week is over and the rest is planned anew.
  const past = weeks.slice(0, 10);
  const later = buildBlock({ ...input, lanes: [{ ...input.lanes[0]!, past }] });
  expect(later.lanes[0]!.weeks.slice(10).map((w) => w.dose)).toEqual([210, 240]);
});

it('who misses every other week still takes a step at every second return', () => {
  const missedWeeks = [5, 7, 9, 11, 13, 15];
  const weeks = buildBlock(ask([steady()], { missedWeeks, weeks: 16, easierEvery: null })).lanes[0]!.weeks;
  const back = [6, 8, 10, 12, 14, 16].map((w) => weeks[w - 1]!.dose);
  expect(back.every((d, i) => i === 0 || d >= back[i - 1]!)).toBe(true);
  expect(back.at(-1)!).toBeGreaterThan(back[0]!);
});

it('a week that lost some sessions is no base and no fall', () => {
  const input = ask([steady()], {
    startDate: '2026-03-09',
    easierEvery: null,
    away: [{ from: '2026-03-23', to: '2026-03-25' }],
  });
  // Week 3 has Friday only: no step, and week 4 goes on from week 2.
  expect(doses(input).slice(0, 4)).toEqual([180, 210, 70, 240]);
  expect(check(input).filter((v) => v.lane !== null)).toEqual([]);
});

it('a load falls by the same share, to the plate, and comes back', () => {
  const lane = steady({ styleId: 'loaded-range', startLoad: 10 });
  const weeks = buildBlock(
    ask([lane], { client: { ...adult, smallestPlate: 2.5 }, missedWeeks: [3], easierEvery: null }),
  ).lanes[0]!.weeks;
  // 80 % of 10 kg are 8 kg: 7.5 in plates of 2.5; 90 % are 9 kg: 7.5; then 10.
  expect(weeks.slice(0, 6).map((w) => w.prescription.load)).toEqual([10, 10, 10, 7.5, 7.5, 10]);
});

/** Weeks of a lane up to the last full one before a gap, and the three after it. */
function around(lane: PlannedLane, gap: number): { before: PlannedWeek; after: readonly PlannedWeek[] } | null {
  const before = lane.weeks
    .slice(0, gap - 1)
    .filter((w) => w.kind === 'build')
    .at(-1);
  const after = lane.weeks.slice(gap, gap + 3);
  return before && after.length === 3 ? { before, after } : null;
}

// The words of rule 12 for any client and style with minutes to spare: back at what was before within three weeks, at most 80 % in the first.
it('whoever misses one week is back within three, whatever the style', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...STYLES.map((s) => s.id)),
      fc.integer({ min: 2, max: 9 }),
      fc.constantFrom(16, 40, 70),
      fc.constantFrom('beginner' as const, 'regular' as const, 'experienced' as const),
      fc.constantFrom(0.05, 0.1, 0.2, 0.5),
      (styleId, gap, age, experience, ramp) => {
        const input: BlockInput = {
          client: { age, experience, trainingDays: [1, 2, 3, 4, 5, 6, 7], gentleGroups: [] },
          lanes: [{ group: 'hamstrings', styleId }],
          weeks: 14,
          ramp,
          easierEvery: null,
          missedWeeks: [gap],
        };
        const lane = buildBlock(input).lanes[0]!;
        const part = around(lane, gap);
        if (part === null) return;
        const was = volume(part.before.prescription);
        const [first, , third] = part.after;
        if (part.after.some((w) => w.prescription.technique !== part.before.prescription.technique)) return;
        const p = part.before.prescription;
        // One set, two days and the least bout are not made smaller.
        const least = volume({ ...first!.prescription, sets: 1, sessionsPerWeek: Math.min(2, p.sessionsPerWeek) });
        expect(volume(first!.prescription)).toBeLessThanOrEqual(Math.max(0.8 * was, least) + 1e-9);
        expect(volume(third!.prescription)).toBeGreaterThanOrEqual(was - 1e-9);
      },
    ),
    runs(100),
  );
});

it('no lane ends lower than it stood before a gap of up to three weeks, with three weeks to come back in', () => {
  fc.assert(
    fc.property(anyPresentBlock, fc.integer({ min: 2, max: 8 }), fc.integer({ min: 1, max: 3 }), (b, gap, length) => {
      const weeks = Math.max(b.weeks, gap + length + 4);
      const lanes = b.lanes.map((l) => ({ ...l, laterStyles: [] }));
      const missedWeeks = Array.from({ length }, (_, i) => gap + i);
      const plan = buildBlock({ ...b, lanes, weeks, easierEvery: null, missedWeeks });
      for (const lane of plan.lanes) {
        const before = lane.weeks
          .slice(0, gap - 1)
          .filter((w) => w.kind === 'build')
          .at(-1);
        const back = lane.weeks[gap + length + 1]!;
        if (!before || back.kind !== 'build') continue;
        if (back.prescription.technique !== before.prescription.technique) continue;
        // What minutes or days cut says so.
        const cut = back.reasons.some((r) =>
          ['fewer-sets', 'fewer-sessions', 'smaller-bouts', 'fewer-days'].includes(r.code),
        );
        if (!cut) expect(volume(back.prescription)).toBeGreaterThanOrEqual(volume(before.prescription) - 1e-9);
      }
    }),
    runs(100),
  );
});
