import { describe, expect, it } from 'vitest';
import { plannedDone } from './planned-done.js';

// By hand: planned 180 s a side; done 150 s left, 120 s right: 270 of 360 = 75 %.
describe('plannedDone', () => {
  const planned = [{ week: 1, group: 'soleus', side: null, seconds: 180 }];

  it('adds up both sides and gives the ratio', () => {
    const done = [
      { week: 1, group: 'soleus', side: 'left' as const, seconds: 90 },
      { week: 1, group: 'soleus', side: 'left' as const, seconds: 60 },
      { week: 1, group: 'soleus', side: 'right' as const, seconds: 120 },
    ];
    expect(plannedDone(planned, done)).toEqual([
      { week: 1, group: 'soleus', planned: { left: 180, right: 180 }, done: { left: 150, right: 120 }, ratio: 0.75 },
    ]);
  });

  it('credits each side once for a bout without sides, and counts more than planned', () => {
    const [row] = plannedDone(planned, [{ week: 1, group: 'soleus', side: null, seconds: 270 }]);
    expect(row).toMatchObject({ done: { left: 270, right: 270 }, ratio: 1.5 });
  });

  it('keeps a row for what was planned but not done, and for what was never planned', () => {
    const rows = plannedDone(
      [...planned, { week: 3, group: 'soleus', side: null, seconds: 240 }],
      [{ week: 2, group: 'calf', side: 'left', seconds: 30 }],
    );
    expect(rows.map((r) => [r.week, r.group, r.ratio])).toEqual([
      [1, 'soleus', 0],
      [2, 'calf', null],
      [3, 'soleus', 0],
    ]);
  });
});
