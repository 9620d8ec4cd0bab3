import { describe, expect, it } from 'vitest';
import { weekWords } from '../words/plan.js';
import { buildBlock } from './block.js';
import { checkBlock } from './check/check.js';
import type { EasedWeek } from './plan.js';
import { adult, ask, steady } from './rules.fixture.js';

/** Steady hold with seven days free: 180, 210, 240, 270, 315, 360 … by hand from domain 2.6 where every week is a full one. */
const input = (eased: readonly EasedWeek[], over: object = {}) =>
  ask([{ ...steady(), eased }], {
    client: { ...adult, trainingDays: [1, 2, 3, 4, 5, 6, 7] },
    weeks: 8,
    easierEvery: null,
    ...over,
  });
const doses = (i: ReturnType<typeof input>) => buildBlock(i).lanes[0]!.weeks.map((w) => w.dose);

describe('steps down that soreness asks for', () => {
  it('go back to the settled step before, once, and on from there', () => {
    expect(doses(input([]))).toEqual([180, 210, 240, 270, 315, 360, 405, 480]);
    expect(doses(input([{ week: 4, steps: 1 }]))).toEqual([180, 210, 240, 210, 240, 270, 315, 360]);
    expect(doses(input([{ week: 5, steps: 2 }]))).toEqual([180, 210, 240, 270, 210, 240, 270, 315]);
  });

  it('stop at the first step, and say so', () => {
    const plan = buildBlock(input([{ week: 2, steps: 2 }]));
    const lane = plan.lanes[0]!;
    expect(lane.weeks.slice(0, 3).map((w) => w.dose)).toEqual([180, 180, 210]);
    expect(weekWords(lane.weeks[1]!, lane)).toContain('Very sore: no step up.');
    const down = buildBlock(input([{ week: 4, steps: 1 }])).lanes[0]!;
    expect(weekWords(down.weeks[3]!, down)).toContain('Very sore: a step back, from 240 to 210 s a week');
  });

  it('wait for the week after an easier one, and are no second reduction beside a return', () => {
    // Week 4 is easier: 1 × 40 × 3 = 120; week 5 goes down from 240 to 210.
    expect(doses(input([{ week: 4, steps: 1 }], { easierEvery: 4 })).slice(2, 6)).toEqual([240, 120, 210, 240]);
    const back = { missedWeeks: [3] };
    expect(doses(input([{ week: 4, steps: 1 }], back))).toEqual(doses(input([], back)));
  });

  it('are none where a review asks to repeat: the step is taken a week later', () => {
    expect(doses(input([{ week: 4, steps: 0, why: 'review' }]))).toEqual([180, 210, 240, 240, 270, 315, 360, 405]);
    expect(doses(input([{ week: 4, steps: 0 }], { easierEvery: 4 })).slice(2, 6)).toEqual([240, 120, 240, 270]);
    const lane = buildBlock(input([{ week: 4, steps: 0, why: 'review' }])).lanes[0]!;
    expect(weekWords(lane.weeks[3]!, lane)).toContain('Reviewed: the step is repeated.');
    const back = buildBlock(input([{ week: 4, steps: 1, why: 'review' }])).lanes[0]!;
    expect(weekWords(back.weeks[3]!, back)).toContain('Reviewed: a step back, from 240 to 210 s a week.');
  });

  it('are the most that is asked where soreness and a review both ask', () => {
    const both = [
      { week: 4, steps: 0, why: 'review' },
      { week: 4, steps: 2 },
    ] as const;
    expect(doses(input(both))).toEqual(doses(input([{ week: 4, steps: 2 }])));
  });

  it('are no fault for the checker', () => {
    for (const week of [2, 3, 4, 5, 6])
      for (const steps of [0, 1, 2] as const) {
        const i = input([{ week, steps }], { easierEvery: 4 });
        expect(checkBlock(i, buildBlock(i))).toEqual([]);
      }
  });
});
