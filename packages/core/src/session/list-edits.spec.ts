import { describe, expect, it } from 'vitest';
import { exerciseById } from '../catalogue/exercises.js';
import { firstItem } from './first-item.js';
import { movedTo, putAt, repeatedAt, withLink, withSets } from './list-edits.js';

const calf = firstItem(exerciseById('bent-knee-wall-calf'));
const strap = firstItem(exerciseById('supine-strap-hamstring'));

describe('a list that is changed by hand', () => {
  it('moves, puts in and takes out without touching the list before', () => {
    const list = ['a', 'b', 'c'];
    expect(movedTo(list, 0, 2)).toEqual(['b', 'c', 'a']);
    expect(movedTo(list, 2, 0)).toEqual(['c', 'a', 'b']);
    expect(putAt(list, 1)).toEqual(['a', 'c']);
    expect(putAt(list, 1, 'x', 'y')).toEqual(['a', 'x', 'y', 'c']);
    expect(list).toEqual(['a', 'b', 'c']);
  });

  it('repeats an exercise before it leads on to the next', () => {
    const flowing = { ...calf, link: 'flow' as const };
    expect(repeatedAt([flowing, strap], 0)).toEqual([calf, flowing, strap]);
    expect(withLink(flowing, null)).toEqual(calf);
    expect(withLink(calf, 'chain')).toEqual({ ...calf, link: 'chain' });
  });

  it('refuses sets that cannot be', () => {
    expect(withSets(calf, 3)?.sets).toBe(3);
    for (const not of [0, 21, 2.5, NaN]) expect(withSets(calf, not)).toBeNull();
  });
});
