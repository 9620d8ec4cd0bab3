import { describe, expect, it } from 'vitest';
import { MUSCLE_GROUP_IDS } from '../anatomy/muscle-group.js';
import { BODY_REGIONS, regionOfGroup, workedRegions } from '../anatomy/body-region.js';
import { obstacleWords } from '../words/check-in.js';
import { checkInDue, OBSTACLES } from './check-in.js';

describe('the weekly check-in', () => {
  it('is asked a week after the last, or a week after the first session', () => {
    expect(checkInDue(null, null, '2026-03-09')).toBe(false);
    expect(checkInDue(null, '2026-03-03', '2026-03-09')).toBe(false);
    expect(checkInDue(null, '2026-03-02', '2026-03-09')).toBe(true);
    expect(checkInDue('2026-03-03', '2026-01-01', '2026-03-09')).toBe(false);
    expect(checkInDue('2026-03-02', '2026-01-01', '2026-03-09')).toBe(true);
  });

  it('names every obstacle in a word or two', () => {
    expect(new Set(OBSTACLES.map(obstacleWords)).size).toBe(OBSTACLES.length);
  });
});

describe('the regions that groups are felt in', () => {
  // Facts of anatomy: where a stretch of the group is felt. Common practice, no source.
  it('are the narrowest that a group belongs to', () => {
    expect(regionOfGroup('hamstrings')).toBe('thigh-back');
    expect(regionOfGroup('quadriceps')).toBe('thigh-front');
    expect(regionOfGroup('soleus')).toBe('lower-leg');
    expect(regionOfGroup('gluteals')).toBe('hip');
    expect(regionOfGroup('forearm-flexors')).toBe('hand');
    for (const g of MUSCLE_GROUP_IDS)
      expect(BODY_REGIONS.find((r) => r.id === regionOfGroup(g))!.groups as readonly string[]).toContain(g);
  });

  it('are asked once each, from the feet up', () => {
    expect(workedRegions(['hamstrings', 'calf', 'soleus', 'hamstrings'])).toEqual(['lower-leg', 'thigh-back']);
    expect(workedRegions([])).toEqual([]);
  });
});
