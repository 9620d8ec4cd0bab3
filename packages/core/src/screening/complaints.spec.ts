import { complaintWords } from '../words/complaint.js';
import { describe, expect, it } from 'vitest';
import { BODY_REGIONS } from '../anatomy/body-region.js';
import { MUSCLE_GROUP_IDS } from '../anatomy/muscle-group.js';
import { complaintChange, complaintsOf, HABITS, currentComplaints, type Complaint } from './complaints.js';

const back: Complaint = { region: 'low-back', score: 4, habits: ['sitting'] };

describe('complaints', () => {
  it('go with the groups of their region and of the habit they come with', () => {
    expect(complaintsOf('low-back', [back])).toEqual([back]);
    // Pectorals answer for sitting, not for the low back itself.
    expect(complaintsOf('pectorals', [back])).toEqual([back]);
    expect(complaintsOf('pectorals', [{ ...back, habits: [] }])).toEqual([]);
    expect(complaintsOf('calf', [back])).toEqual([]);
  });
  it('end with a score of 0', () => {
    expect(complaintsOf('low-back', [{ ...back, score: 0 }])).toEqual([]);
  });
  it('are said in words', () => {
    expect(complaintWords(back)).toBe('low back 4 of 10, with sitting for hours');
    expect(complaintWords({ region: 'neck', score: 2, habits: [] })).toBe('neck 2 of 10');
  });
  // Farrar JT et al. 2001, Pain 94:149-158 (from memory): 2 points or 30 %.
  it.each([
    [6, 4, 'better'],
    [3, 2, 'better'],
    [4, 3, 'no real change'],
    [5, 4, 'no real change'],
    [0, 1, 'no real change'],
    [0, 2, 'worse'],
    // One point more of three: the share was found for what gets less.
    [3, 4, 'no real change'],
    [3, 5, 'worse'],
    [5, 5, 'no real change'],
  ] as const)('from %i to %i is %s', (a, b, words) => {
    expect(complaintChange(a, b)).toBe(words);
  });
  it('stand as said last, with what was said before', () => {
    const entry = (date: string, score: number, region: Complaint['region'] = 'neck') => ({
      date,
      region,
      score,
      habits: [],
    });
    const said = [
      entry('2026-03-09', 2),
      entry('2026-03-02', 5),
      entry('2026-03-01', 7),
      entry('2026-02-01', 4, 'knee'),
    ];
    expect(currentComplaints(said)).toEqual([
      { now: said[3], before: null },
      { now: said[0], before: said[1] },
    ]);
  });
  it('reach every muscle group by a region', () => {
    const reached = new Set<string>(BODY_REGIONS.flatMap((r) => [...r.groups]));
    expect(MUSCLE_GROUP_IDS.filter((g) => !reached.has(g) && g !== 'abdominals')).toEqual([]);
    for (const h of HABITS) expect(new Set(h.groups).size).toBe(h.groups.length);
  });
});
