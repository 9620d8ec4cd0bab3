import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEFAULT_TIMINGS } from '../technique/timings.js';
import { runs } from '../testing/runs.js';
import { addDays, type PlainDate } from '../schedule/plain-date.js';
import { weekOn } from './block-dates.js';
import { anyBlock } from './any-block.fixture.js';
import { basisOf, keptBasis, tighterSideIn, type PlanBasis } from './basis.js';
import { buildBlock } from './block.js';

const START = '2026-03-09';
const basis = (over: Partial<PlanBasis> = {}): PlanBasis => ({
  ...basisOf(
    { experience: 'regular', trainingDays: [1, 3, 5], gentleGroups: [], minutesPerSession: 20 },
    { timings: DEFAULT_TIMINGS, hypermobile: false, tighter: [{ group: 'soleus', side: 'left' }] },
  ),
  ...over,
});

// Issue "Safe hands" 4; domain 2.8: a re-plan keeps everything it was not asked to change.
describe('what a change of a block is planned from', () => {
  it('is what it was published from: days, minutes, experience, breath and tighter sides of today wait', () => {
    const now = basis({
      ...{ trainingDays: [2], minutesPerSession: 40, experience: 'experienced', tighter: [] },
      timings: { ...DEFAULT_TIMINGS, breath: 8 },
    });
    expect(keptBasis(basis(), now)).toEqual(basis());
    expect(tighterSideIn(keptBasis(basis(), now), 'soleus')).toBe('left');
    expect(tighterSideIn(now, 'soleus')).toBeNull();
  });
  it('but what guards a body counts at once', () => {
    expect(keptBasis(basis(), basis({ hypermobile: true, gentleGroups: ['calf'] }))).toMatchObject({
      hypermobile: true,
      gentleGroups: ['calf'],
    });
    expect(keptBasis(basis({ hypermobile: true, gentleGroups: ['calf'] }), basis())).toMatchObject({
      hypermobile: true,
      gentleGroups: ['calf'],
    });
  });
  it('is what is known now for a block from before it was kept', () => {
    expect(keptBasis(null, basis())).toEqual(basis());
  });
});

describe('days away', () => {
  it('change no week before them', () => {
    fc.assert(
      fc.property(anyBlock, fc.nat(15), fc.nat(6), fc.nat(9), (input, week, day, length) => {
        const from: PlainDate = addDays(START, 7 * (week % input.weeks) + day);
        const away = { from, to: addDays(from, length) };
        const first = weekOn(START, from);
        const [before, after] = [
          buildBlock({ ...input, startDate: START }),
          buildBlock({ ...input, startDate: START, away: [...(input.away ?? []), away] }),
        ];
        const head = (p: typeof before) =>
          p.lanes.map((l) =>
            l.weeks
              .slice(0, first - 1)
              .map(({ kind, prescription, dose, days }) => ({ kind, prescription, dose, days })),
          );
        expect(head(after)).toEqual(head(before));
      }),
      runs(100),
    );
  });
});
