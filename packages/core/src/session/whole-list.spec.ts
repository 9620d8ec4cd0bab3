import { describe, expect, it } from 'vitest';
import { exerciseById } from '../catalogue/exercises.js';
import { DEFAULT_TIMINGS } from '../technique/timings.js';
import { firstItem } from './first-item.js';
import { allDoneAs, allLinked, allOfSeconds, allOrdered } from './whole-list.js';
import { buildTimeline } from './timeline.js';

const items = ['standing-quadriceps', 'seated-ear-to-shoulder', 'lower-rib-breathing', 'leg-swing'].map((id) =>
  firstItem(exerciseById(id)),
);

describe('a whole list', () => {
  it('is moved through where it can be: a neck is only held, a breath stays a breath', () => {
    const moved = allDoneAs(items, 'moving stretch', exerciseById);
    expect(moved.map((i) => i.technique)).toEqual(['moving stretch', undefined, undefined, undefined]);
    expect(moved.slice(1)).toEqual(items.slice(1));
    expect(allDoneAs(moved, 'static hold', exerciseById)[0]).toEqual(items[0]);
  });

  it('is a minute each: as many whole repetitions and breaths as fit, and no more than each is made for', () => {
    const [thigh, neck, breaths, swing] = allOfSeconds(
      allDoneAs(items, 'moving stretch', exerciseById),
      60,
      exerciseById,
    );
    // 3 s there and back and 2 s at the end: 12 in a minute. A breath of 5 s: 12. The neck is held 45 s at most.
    expect([thigh!.reps, thigh!.holdSeconds]).toEqual([12, 2]);
    expect(neck!.holdSeconds).toBeLessThanOrEqual(45);
    expect(breaths!.reps).toBe(12);
    // One a breath of 6 s, and 2 s at the end: seven in a minute.
    const breathing = { ...allDoneAs(items, 'moving stretch', exerciseById)[0]!, pace: 'breath' as const };
    expect(allOfSeconds([breathing], 60, exerciseById, { ...DEFAULT_TIMINGS, breath: 6 })[0]!.reps).toBe(7);
    const { cues } = buildTimeline([swing!], { alreadyWarm: true });
    const one = cues.find((c) => c.kind === 'repetitions')!;
    expect(one.seconds / (one.alternatesFrom ? 2 : 1)).toBeLessThanOrEqual(60);
    expect(allOfSeconds([{ ...items[0]!, breaths: 6 }], 60, exerciseById)[0]).toMatchObject({ breaths: 12 });
  });

  it('flows through, and the last leads nowhere', () => {
    expect(allLinked(items, 'flow').map((i) => i.link)).toEqual(['flow', 'flow', 'flow', undefined]);
    expect(allLinked(allLinked(items, 'flow'), null)).toEqual(items);
  });

  it('goes from the feet up or from the head down, what flows together staying so', () => {
    const ids = ['seated-ear-to-shoulder', 'bent-knee-wall-calf', 'doorway-pectorals', 'standing-quadriceps'];
    const list = ids.map((id) => firstItem(exerciseById(id)));
    const named = (all: readonly { readonly exerciseId: string }[]) => all.map((i) => i.exerciseId);
    const up = [ids[1], ids[3], ids[2], ids[0]];
    expect(named(allOrdered(list, 'lower to upper', exerciseById))).toEqual(up);
    expect(named(allOrdered(list, 'upper to lower', exerciseById))).toEqual(up.toReversed());
    const flowing = list.map((i, at) => (at === 0 ? { ...i, link: 'flow' as const } : i));
    expect(named(allOrdered(flowing, 'lower to upper', exerciseById))).toEqual([ids[3], ids[2], ids[0], ids[1]]);
  });

  it('leaves what has several parts', () => {
    const parted = { ...items[0]!, then: [{ holdSeconds: 10 }] };
    expect(allOfSeconds([parted], 60, exerciseById)).toEqual([parted]);
    expect(allDoneAs([parted], 'moving stretch', exerciseById)).toEqual([parted]);
  });
});
