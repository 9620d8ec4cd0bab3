import { EXERCISES } from '../catalogue/exercises.js';
import { describe, expect, it } from 'vitest';
import { currentSets, plannedBoutSeconds, secondsDone, type LoggedSet } from './sets-done.js';
import { buildTimeline } from './timeline.js';

const set = (
  item: number,
  side: LoggedSet['side'],
  doneSeconds: number,
  replacedBy: string | null = null,
): LoggedSet => ({
  item,
  side,
  doneSeconds,
  replacedBy,
});

describe('sets that were done', () => {
  const sets = [set(0, 'left', 30), set(0, 'left', 25, 'x'), set(0, 'right', 20), set(1, null, 15)];

  it('counts a correction, and no longer what it replaced', () => {
    expect(currentSets(sets)).toHaveLength(3);
    expect(secondsDone(sets)).toBe(30 + 20 + 15);
  });
  it('counts a set of both sides on each', () => {
    expect(secondsDone(sets, { item: 1, side: 'left' })).toBe(15);
    expect(secondsDone(sets, { item: 1, side: 'right' })).toBe(15);
    expect(secondsDone(sets, { item: 0, side: 'right' })).toBe(20);
  });
  it('is nothing before anything is logged', () => {
    expect(secondsDone([])).toBe(0);
  });
});

describe('the seconds a bout is planned for', () => {
  // A staged hold: the stages of one bout are several cues, together the 40 s that were asked.
  it('adds the stages of a staged hold', () => {
    const neck = {
      ...EXERCISES.find((e) => e.check !== null)!,
      stages: ['Chin level', 'Chin down', 'Chin up'].map((name) => ({ name, share: 1 / 3 })),
    };
    const item = { exerciseId: neck.id, sets: 1, holdSeconds: 40, sensation: 4, firstSide: 'left' as const };
    const timeline = buildTimeline([item], {}, undefined, () => neck);
    const counted = timeline.cues.filter((c) => c.item === 0 && c.counts > 0);
    expect(counted.length).toBeGreaterThan(2);
    for (const c of counted) expect(plannedBoutSeconds(timeline, c)).toBe(40);
  });
});
