import { describe, expect, it } from 'vitest';
import { MUSCLE_GROUP_IDS } from '../anatomy/muscle-group.js';
import { exerciseById, EXERCISES } from '../catalogue/exercises.js';
import { session } from './compose.fixture.js';
import { holdsFor, needsOfGroups, wishesOf, type GroupWish } from './needs-of-groups.js';
import { request } from './request.fixture.js';

const wish = (group: GroupWish['group'], tighter: GroupWish['tighter'] = null): GroupWish => ({ group, tighter });

describe('a session from groups and minutes', () => {
  it('divides seconds into holds of about half a minute', () => {
    expect([10, 30, 60, 100, 600].map(holdsFor)).toEqual([
      { sets: 1, holdSeconds: 10 },
      { sets: 1, holdSeconds: 30 },
      { sets: 2, holdSeconds: 30 },
      { sets: 3, holdSeconds: 35 },
      { sets: 20, holdSeconds: 30 },
    ]);
  });

  it('gives seven groups something each in twenty minutes, the first most', () => {
    const groups = ['hamstrings', 'calf', 'gluteals', 'hip-flexors', 'quadriceps', 'lats', 'pectorals'] as const;
    const needs = needsOfGroups(
      groups.map((g) => wish(g)),
      EXERCISES,
    );
    expect(needs.map((n) => [n.group, n.weight, n.floorSets])).toEqual(groups.map((g, i) => [g, 2 * (7 - i), 1]));
    const made = session(request(needs, { budgetSeconds: 1200 }));
    expect(made.totalSeconds).toBeLessThanOrEqual(1200);
    expect(new Set(made.items.map((i) => exerciseById(i.exerciseId).primary))).toEqual(new Set(groups));
  });

  it('has a way for every group of the library, and one set more on the tighter side', () => {
    const needs = needsOfGroups(
      MUSCLE_GROUP_IDS.map((g) => wish(g, 'right')),
      EXERCISES,
      30,
    );
    const stretched = MUSCLE_GROUP_IDS.filter((g) => EXERCISES.some((e) => e.primary === g && !e.warmUp));
    expect(needs.map((n) => n.group)).toEqual(stretched);
    for (const n of needs) expect(n).toMatchObject({ firstSide: 'right', bout: { bonus: { side: 'right', sets: 1 } } });
    expect(needsOfGroups([wish('hamstrings')], [])).toEqual([]);
  });

  it('takes from the findings what they ask for, in their order', () => {
    const short = { code: 'short', args: { testName: 'Straight leg raise', side: 'left' } } as const;
    expect(
      wishesOf([
        { group: 'hamstrings', lengthen: true, facts: [short, { code: 'tighter', args: { side: 'left' } }] },
        { group: 'calf', lengthen: false, facts: [{ code: 'asked' }] },
      ]),
    ).toEqual([wish('hamstrings', 'left'), wish('calf')]);
  });
});
