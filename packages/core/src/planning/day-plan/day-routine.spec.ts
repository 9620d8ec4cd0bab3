import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { exerciseById } from '../../catalogue/exercises.js';
import { sessionsOfBlock } from '../../composing/from-lanes.js';
import { boutDose } from '../../dose/dose.js';
import { ROUTINES } from '../../routine/catalogue.js';
import { weekdayOf } from '../../schedule/plain-date.js';
import type { SessionItem } from '../../session/item.js';
import { buildTimeline, plannedSeconds } from '../../session/timeline.js';
import { runs } from '../../testing/runs.js';
import { givenWords } from '../../words/day-plan.js';
import { isLoaded } from '../../technique/catalogue.js';
import { anyBlock } from '../any-block.fixture.js';
import { buildBlock } from '../block.js';
import { checkBlock } from '../check/check.js';
import { adult, context, draft } from '../draft.fixture.js';
import { blockInputOf } from '../draft.js';
import type { BlockInput } from '../plan.js';
import { weeklyGroupDoses } from '../reach.js';
import { boutMissing, routineSeconds, stepsOf } from './day-routine.js';

const strap = (sets: number, holdSeconds: number): SessionItem => ({
  ...{ exerciseId: 'supine-strap-hamstring', sets, holdSeconds, sensation: 5, firstSide: 'left' },
});

/** Sessions of Monday, Wednesday and Friday, each beginning with a routine. */
function planned(items: readonly SessionItem[], minutes: number | null = null) {
  const dayPlans = draft.dayPlans.map((p) => ({
    ...{ ...p, minutes, routineId: 'mine', routine: { name: 'Mine', items } },
  }));
  const input = blockInputOf({ ...draft, dayPlans }, { ...context, client: adult });
  const plan = buildBlock(input);
  const lanes = draft.lanes.map((l) => ({ group: l.group, exercises: l.exercises, firstSide: 'left' as const }));
  return { input, plan, sessions: sessionsOfBlock(plan, draft.startDate, lanes, input.dayPlans) };
}

// Domain 2.7: the items of a routine count towards the lanes of their groups, and the planner plans only what is missing. Steady hold begins with
// 2 × 30 s on three days.
describe('a routine in a day plan', () => {
  const firstWeek = (items: readonly SessionItem[]) => planned(items).sessions.filter((s) => s.week === 1);
  const hamstrings = (items: readonly SessionItem[]) =>
    items.filter((i) => i.exerciseId === 'supine-strap-hamstring').map((i) => [i.sets, i.holdSeconds]);

  it('does a lane’s sets, and what is missing follows it', () => {
    for (const s of firstWeek([strap(1, 30)])) {
      expect(hamstrings(s.items)).toEqual([
        [1, 30],
        [1, 30],
      ]);
      expect(s.items[0]!.exerciseId).toBe('supine-strap-hamstring');
    }
    for (const s of firstWeek([strap(2, 30)])) expect(hamstrings(s.items)).toEqual([[2, 30]]);
    // 3 × 20 s are 60 s, as much as 2 × 30 s; of 2 × 20 s a set of 20 s is left; of 15 s 45 s, which are two sets of 25 s in steps of 5.
    for (const s of firstWeek([strap(3, 20)])) expect(hamstrings(s.items)).toEqual([[3, 20]]);
    for (const s of firstWeek([strap(2, 20)])) expect(hamstrings(s.items)[1]).toEqual([1, 20]);
    for (const s of firstWeek([strap(1, 15)])) expect(hamstrings(s.items)[1]).toEqual([2, 25]);
  });

  it('leaves the lane and its ladder as they are, and adds nothing twice to the dose', () => {
    const plain = planned([]);
    const given = planned([strap(1, 30)]);
    expect(given.plan.lanes.map((l) => l.weeks.map((w) => w.dose))).toEqual(
      plain.plan.lanes.map((l) => l.weeks.map((w) => w.dose)),
    );
    // 2 × 30 s on three days, however they are shared out; 3 × 30 s where the routine alone has more.
    const dose = (p: typeof plain) => weeklyGroupDoses(p.input, p.plan, 1).get('hamstrings');
    expect(dose(plain)).toEqual({ left: 180, right: 180 });
    expect(dose(given)).toEqual({ left: 180, right: 180 });
    expect(dose(planned([strap(3, 30)]))).toEqual({ left: 270, right: 270 });
  });

  it('is said of the lane that it does sets of', () => {
    const said = (items: readonly SessionItem[], lane: number): string => {
      const { input, plan } = planned(items);
      const { group, weeks } = plan.lanes[lane]!;
      return givenWords(input.dayPlans![0]!, weeks[0]!, group, [exerciseById('supine-strap-hamstring')]);
    };
    expect(said([strap(1, 30)], 1)).toBe('“Mine” does 30 of the 60 s a side on Mon, Wed, Fri; the lane adds 1 × 30 s.');
    expect(said([strap(2, 30)], 1)).toBe('“Mine” does all of it on Mon, Wed, Fri.');
    expect(said([strap(2, 30)], 0)).toBe('');
    expect(said([], 1)).toBe('');
  });

  it('counts only what is done the lane’s way, and only the group’s own', () => {
    const steps = stepsOf({ name: '', items: [strap(2, 30)] }, exerciseById);
    const lane = { technique: 'static hold', sets: 3, holdSeconds: 30, sensation: 5 } as const;
    expect(boutMissing(steps, 'hamstrings', lane)).toEqual({ ...lane, sets: 1 });
    expect(boutMissing(steps, 'soleus', lane)).toBe(lane);
    const moving = { ...lane, technique: 'moving stretch' as const, reps: 8, holdSeconds: 1 };
    expect(boutMissing(steps, 'hamstrings', moving)).toBe(moving);
    // What stretches nothing is counted in sets; a routine without any of it leaves the bout as it is, and nothing is said.
    const rolling = { technique: 'rolling', sets: 2, holdSeconds: 60, sensation: 4 } as const;
    expect(boutMissing(steps, 'hamstrings', rolling)).toBe(rolling);
    const roll = exerciseById('ball-foot-roll');
    const rolled = stepsOf({ name: '', items: [{ ...strap(1, 60), exerciseId: roll.id }] }, exerciseById);
    expect(boutMissing(rolled, roll.primary, rolling)).toEqual({ ...rolling, sets: 1 });
    expect(boutMissing(rolled, roll.primary, { ...rolling, sets: 1 })).toBeNull();
    // 30 of 90 s: two sets of 30 s with an exercise for holds; with one that is made for moving, whole sets of 45 s.
    const long = { ...lane, sets: 2, holdSeconds: 45 };
    const one = stepsOf({ name: '', items: [strap(1, 30)] }, exerciseById);
    const holds = exerciseById('supine-strap-hamstring');
    expect(boutMissing(one, 'hamstrings', long, [holds])).toMatchObject({ sets: 2, holdSeconds: 30 });
    expect(boutMissing(one, 'hamstrings', long, [exerciseById('leg-swing')])).toMatchObject({
      sets: 2,
      holdSeconds: 45,
    });
    // The tighter side's third set needs one of the lane's own to stand on.
    const bonus = { ...lane, sets: 2, bonus: { side: 'left', sets: 1, more: 0 } } as const;
    expect(boutMissing(steps, 'hamstrings', bonus)).toEqual({ ...bonus, sets: 1 });
  });

  // A group without a lane: the session takes place all the same.
  it('takes place on every day of its day plan, whatever the lanes do', () => {
    const { sessions } = planned([{ ...strap(1, 20), exerciseId: 'frog' }]);
    expect(sessions).toHaveLength(8 * 3);
    expect(new Set(sessions.map((s) => weekdayOf(s.date)))).toEqual(new Set([1, 3, 5]));
    expect(sessions.every((s) => s.items[0]!.exerciseId === 'frog')).toBe(true);
  });
});

/** Any block with shipped routines in some of its day plans, and exercises for all lanes. */
const withRoutines: fc.Arbitrary<BlockInput> = fc
  .tuple(anyBlock, fc.array(fc.option(fc.constantFrom(...ROUTINES), { freq: 3 }), { minLength: 3, maxLength: 3 }))
  .map(([input, routines]) => ({
    ...input,
    dayPlans: (input.dayPlans ?? []).map((p, i) => {
      const routine = routines[i % 3];
      return routine ? { ...p, routineId: routine.id, steps: stepsOf(routine, exerciseById) } : p;
    }),
  }))
  .filter(
    (input) => input.dayPlans.length > 0 && input.lanes.every((l) => l.exercises !== undefined && !l.locked?.length),
  );

describe('sessions that begin with a routine, for any block', () => {
  it('hold their minutes, begin with the routine, and have every set of their lanes in one or the other', () => {
    let tried = 0;
    const wrong: string[] = [];
    fc.assert(
      fc.property(withRoutines, (input) => {
        const plan = buildBlock(input);
        const start = input.startDate ?? '2026-03-09';
        const lanes = input.lanes.map((l) => ({
          ...{ group: l.group, firstSide: 'left' as const },
          exercises: l.exercises!.map((e) => ({ ...e, exerciseId: e.exercise.id, dayPlanId: e.dayPlanId ?? null })),
        }));
        const t = input.client.timings;
        const own = input.lanes.flatMap((l) => l.exercises!.map((e) => e.exercise));
        const find = (id: string) => own.find((e) => e.id === id) ?? exerciseById(id);
        const sessions = sessionsOfBlock(plan, start, lanes, input.dayPlans, find, 1, t);
        for (const s of sessions) {
          const dayPlan = input.dayPlans!.find((p) => p.id === s.dayPlanId)!;
          const steps = dayPlan.steps ?? [];
          if (steps.length === 0) continue;
          tried++;
          const head = s.items.slice(0, steps.length);
          if (head.some((item, i) => item !== steps[i]!.item)) wrong.push('the routine comes first');
          const time = buildTimeline(s.items, { alreadyWarm: dayPlan.warm }, t, find);
          if (time.totalSeconds !== s.totalSeconds) wrong.push('length');
          const onlyRoutine = s.items.length === steps.length;
          if (dayPlan.minutes !== null && !onlyRoutine && time.totalSeconds > dayPlan.minutes * 60)
            wrong.push(`${time.totalSeconds} s in ${dayPlan.minutes} min`);
          plan.lanes.forEach((l) => {
            const cell = l.weeks[s.week - 1]!;
            const here = cell.sessions.find((x) => x.dayPlanId === s.dayPlanId && x.weekday === weekdayOf(s.date));
            const { technique } = cell.prescription;
            if (!here || isLoaded(technique) || boutDose(cell.prescription) === 0) return;
            const mine = s.items.flatMap((item, i) => {
              const e = find(item.exerciseId);
              return e.primary === l.group ? [i] : [];
            });
            for (const side of ['left', 'right'] as const) {
              const seconds = mine.reduce((sum, i) => sum + plannedSeconds(time, i, side), 0);
              if (seconds < here.sets * boutDose(cell.prescription) - 1e-9) wrong.push(`${l.group} ${side} short`);
            }
          });
        }
        // The checker finds nothing to say of what the planner made, but for what a caution holds against a lane.
        wrong.push(...checkBlock(input, plan).flatMap((v) => (v.rule === 'time' ? [`checker: ${v.fact.code}`] : [])));
      }),
      runs(30),
    );
    expect(wrong).toEqual([]);
    expect(tried).toBeGreaterThan(100);
  });

  it('leave the lanes what the routine takes at most', () => {
    for (const r of ROUTINES) {
      const seconds = routineSeconds(stepsOf(r, exerciseById));
      const alone = buildTimeline(r.items, { alreadyWarm: true }).totalSeconds;
      expect(seconds).toBeGreaterThanOrEqual(alone);
      expect(seconds).toBeLessThanOrEqual(alone + 45);
    }
  });
});
