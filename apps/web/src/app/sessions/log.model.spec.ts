import type { SetLog } from '@yandle/contract';
import { buildTimeline, exerciseById } from '@yandle/core';
import { aRun, aSession } from '../testing/a-session';
import { logRows, saidOf } from './log.model';

const log = (over: Partial<SetLog>): SetLog => ({
  id: 'l',
  item: 0,
  side: 'left',
  set: 1,
  plannedSeconds: 30,
  doneSeconds: 30,
  replaces: null,
  replacedBy: null,
  ...over,
});

describe('logRows', () => {
  it('has a row for every side and a cell for every bout, with what stands', () => {
    const s = aSession({
      run: aRun({ sets: [log({ id: 'old', doneSeconds: 5, replacedBy: 'new' }), log({ id: 'new', replaces: 'old' })] }),
    });
    const rows = logRows(s, buildTimeline(s.items), exerciseById);
    expect(rows.map((r) => [r.item, r.side, r.cells.length])).toEqual([
      [0, 'left', 2],
      [0, 'right', 2],
      [1, 'left', 2],
      [1, 'right', 2],
    ]);
    expect(rows[0]!.cells.map((c) => [c.set, c.planned, c.log?.id ?? null])).toEqual([
      [1, 30, 'new'],
      [2, 30, null],
    ]);
  });

  it('has both sides of a set in which they take turns, and every round', () => {
    const s = aSession({
      items: [{ exerciseId: 'march-on-the-spot', sets: 1, reps: 6, holdSeconds: 2, sensation: 3, firstSide: 'left' }],
      rounds: 2,
    });
    const rows = logRows(s, buildTimeline(s.items, s), exerciseById);
    // By hand: six pauses of two seconds a side, in two rounds.
    expect(rows.map((r) => [r.side, r.cells.map((c) => c.planned)])).toEqual([
      ['left', [12, 12]],
      ['right', [12, 12]],
    ]);
  });
});

describe('saidOf', () => {
  it('says what was said and nothing else', () => {
    expect(saidOf(log({}), exerciseById)).toBe('');
    expect(
      saidOf(
        log({
          form: 'seated-strap-calf',
          pieces: 2,
          load: 5,
          loadUnit: 'kg',
          assistance: 1,
          depthCm: -3,
          sensation: 7,
        }),
        exerciseById,
      ),
    ).toBe(`as ${exerciseById('seated-strap-calf').name}, in 2 pieces, 5 kg, light help, depth −3 cm, sensation 7`);
  });
});
