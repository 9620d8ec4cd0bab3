import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import { exerciseById, EXERCISES } from '../catalogue/exercises.js';
import { techniquesOf } from '../catalogue/forms.js';
import { runs } from '../testing/runs.js';
import { DEFAULT_TIMINGS } from '../technique/timings.js';
import { clientItemWords } from '../words/client-item.js';
import { itemWords } from '../words/item.js';
import type { Part } from '../technique/part.js';
import type { SessionItem } from './item.js';
import { boutCount, isLoadedItem, stillSeconds, techniqueOfBout, techniquesIn } from './parts.js';
import { buildTimeline, itemBodySeconds } from './timeline.js';

const strap = exerciseById('supine-strap-hamstring');
const base = { exerciseId: strap.id, sensation: 5, firstSide: 'left' } as const;
/** Five moves of 3 s without a pause, then a hold of 20 s. */
const moveThenHold: SessionItem = {
  ...{ ...base, sets: 1, technique: 'moving stretch', reps: 5, holdSeconds: 0 },
  then: [{ technique: 'static hold', holdSeconds: 20 }],
};
/** An entry hold of 10 s, then three cycles of 6 s push and 15 s stretch. */
const pushRelax: SessionItem = {
  ...{ ...base, sets: 1, holdSeconds: 10 },
  then: [{ technique: 'contract-relax', cycles: 3, pushSeconds: 6, effort: 20, holdSeconds: 15 }],
};
/** Three directions of 10 s in one entry. */
const layered: SessionItem = {
  ...{ ...base, sets: 1, holdSeconds: 10, name: 'Toes up' },
  then: [
    { name: 'Toes in', holdSeconds: 10 },
    { name: 'Toes out', holdSeconds: 10 },
  ],
};
const kinds = (item: SessionItem, breath = 5) =>
  buildTimeline([item], { alreadyWarm: true }, { ...DEFAULT_TIMINGS, breath }).cues.map((c) => [c.kind, c.seconds]);

describe('an item of several parts', () => {
  it('is gone into once and left once a set, and each part is logged as its own bout', () => {
    // Five repetitions of 3 s are 15 s; entry 3 s and exit 5 s stand once a side.
    expect(kinds(moveThenHold).slice(-9)).toEqual([
      ...[['entry', 3] as const, ['repetitions', 15] as const, ['hold', 20] as const, ['exit', 5] as const],
      ['switch', 5],
      ...[['entry', 3] as const, ['repetitions', 15] as const, ['hold', 20] as const, ['exit', 5] as const],
    ]);
    const logged = buildTimeline([{ ...moveThenHold, sets: 2 }]).cues.filter((c) => c.ends && c.side === 'left');
    expect(logged.map((c) => [c.kind, c.bout])).toEqual([
      ['repetitions', 1],
      ['hold', 2],
      ['repetitions', 3],
      ['hold', 4],
    ]);
    expect(boutCount({ ...moveThenHold, sets: 2 }, strap, 'left', 3)).toBe(12);
    expect([1, 2, 3, 4].map((n) => techniqueOfBout({ ...moveThenHold, sets: 2 }, strap, n))).toEqual([
      ...['moving stretch', 'static hold', 'moving stretch', 'static hold'],
    ]);
  });

  it('logs every cycle after an entry hold', () => {
    // 10 s, then three times 6 + 2 + 15 s: 79 s of work a side between entry and exit.
    expect(itemBodySeconds(pushRelax, strap)).toBe(2 * (3 + 10 + 3 * (6 + 2 + 15) + 5) + 5);
    expect(boutCount(pushRelax, strap, 'right')).toBe(4);
    expect(techniqueOfBout(pushRelax, strap, 1)).toBe('static hold');
    expect(techniqueOfBout(pushRelax, strap, 4)).toBe('contract-relax');
    expect(techniquesIn(pushRelax, strap)).toEqual(['static hold', 'contract-relax']);
    expect(isLoadedItem(pushRelax, strap)).toBe(false);
  });

  it('says each direction when it comes', () => {
    const says = buildTimeline([layered]).cues.flatMap((c) => (c.says.code === 'stage' ? [c.says.args.name] : []));
    expect(says).toEqual(['Toes up', 'Toes in', 'Toes out', 'Toes up', 'Toes in', 'Toes out']);
    expect(itemWords(layered, strap)).toBe(
      'Toes up: hold 10 s, then toes in: hold 10 s, then toes out: hold 10 s, once on each side, left first',
    );
    // Three holds of 10 s, once a side.
    expect(stillSeconds(layered, strap)).toBe(30);
    expect(stillSeconds(moveThenHold, strap)).toBe(20);
  });

  it('counts breaths at the client’s own pace, and paces repetitions', () => {
    const breaths: SessionItem = { ...base, sets: 1, holdSeconds: 25, breaths: 5 };
    for (const breath of [4, 5, 9]) expect(kinds(breaths, breath)).toContainEqual(['hold', 5 * breath]);
    const { then: _, ...moves } = moveThenHold;
    expect(kinds({ ...moves, pace: { out: 4, back: 3 } })).toContainEqual(['repetitions', 5 * 7]);
    expect(kinds({ ...moves, pace: 'breath' }, 6)).toContainEqual(['repetitions', 5 * 6]);
    expect(itemWords(breaths, strap)).toBe('Hold for 5 breaths, once on each side, left first');
    expect(itemWords({ ...moves, pace: 'breath' }, strap)).toContain(', one a breath, once on each side');
    expect(clientItemWords({ ...moveThenHold, pace: { out: 4, back: 3 } }, strap)).toContain(
      'then hold for 20 seconds, 4 seconds out and 3 seconds back, once on each side, left first.',
    );
  });

  it('comes once more in the middle, for both sides at once', () => {
    const straddle: SessionItem = { ...base, sets: 2, holdSeconds: 20, middle: true };
    const cues = buildTimeline([straddle]).cues.filter((c) => c.kind === 'hold');
    expect(cues.map((c) => [c.side, c.bout])).toEqual([
      ['left', 1],
      ['left', 2],
      ['right', 1],
      ['right', 2],
      [null, 1],
    ]);
    expect(boutCount(straddle, strap, null)).toBe(1);
    expect(boutCount(straddle, strap, 'left')).toBe(2);
    expect(itemWords(straddle, strap)).toBe('Hold 20 s, 2 times on each side, left first, then once in the middle');
  });

  it('rests like a loaded exercise when any part of it is loaded', () => {
    const lunge = EXERCISES.find((e) => techniquesOf(e).includes('loaded isometric') && e.sides === 'each')!;
    const other = techniquesOf(lunge).find((t) => t !== 'loaded isometric')!;
    const item: SessionItem = {
      ...{ exerciseId: lunge.id, technique: other, sets: 2, reps: 4, lowerSeconds: 3, holdSeconds: 10, sensation: 5 },
      ...{ firstSide: 'left', then: [{ technique: 'loaded isometric', holdSeconds: 10 }] },
    };
    const rests = buildTimeline([item], { alreadyWarm: true }).cues.filter((c) => c.kind === 'rest');
    expect(rests.map((c) => c.seconds)).toEqual([45, 45]);
    expect(isLoadedItem(item, lunge)).toBe(true);
  });
});

const part: fc.Arbitrary<Part> = fc.record(
  {
    holdSeconds: fc.integer({ min: 5, max: 60 }),
    technique: fc.constantFrom('static hold' as const, 'contract-relax' as const, 'moving stretch' as const),
    ...{ reps: fc.constant(4), cycles: fc.constant(2), pushSeconds: fc.constant(6) },
    breaths: fc.integer({ min: 1, max: 12 }),
  },
  { requiredKeys: ['holdSeconds', 'reps', 'cycles', 'pushSeconds'] },
);

describe('random items of parts', () => {
  it('have no gaps; each side gets the same; the sum is the sets, and every bout is logged once, in order', () => {
    fc.assert(
      fc.property(
        fc.record({
          ...{ sets: fc.integer({ min: 1, max: 4 }), then: fc.array(part, { maxLength: 4 }) },
          ...{ hold: fc.integer({ min: 5, max: 60 }), breath: fc.integer({ min: 3, max: 9 }) },
          ...{ alternating: fc.boolean(), middle: fc.boolean(), rounds: fc.integer({ min: 1, max: 3 }) },
        }),
        ({ sets, then, hold, breath, alternating, middle, rounds }) => {
          const item: SessionItem = {
            ...{ ...base, sets, holdSeconds: hold, sidePattern: alternating ? 'alternating' : 'side by side' },
            ...(then.length > 0 && { then }),
            ...(middle && { middle: true as const }),
          };
          const t = { ...DEFAULT_TIMINGS, breath };
          const line = buildTimeline([item], { alreadyWarm: true, rounds }, t);
          let at = 0;
          for (const c of line.cues) {
            expect(c.start).toBe(at);
            at += c.seconds;
          }
          expect(line.totalSeconds).toBe(at);
          // What a part counts, by the words of 2.4: the hold; the stretches of the cycles; the pauses of the moves.
          const worth = (p: Part): number => {
            const holding = p.breaths === undefined ? p.holdSeconds : p.breaths * breath;
            const times = p.technique === 'contract-relax' ? 2 : p.technique === 'moving stretch' ? 4 : 1;
            return holding * times;
          };
          const one = hold + then.reduce((sum, p) => sum + worth(p), 0);
          for (const side of ['left', 'right', null] as const) {
            const mine = line.cues.filter((c) => c.side === side && c.bout !== null);
            const often = side === null ? (middle ? rounds : 0) : rounds * sets;
            expect(mine.reduce((sum, c) => sum + c.counts, 0)).toBe(often * one);
            const bouts = mine.filter((c) => c.ends).map((c) => c.bout);
            const perSet = 1 + then.reduce((sum, p) => sum + (p.technique === 'contract-relax' ? 2 : 1), 0);
            expect(bouts).toEqual(Array.from({ length: often * perSet }, (_, i) => i + 1));
            if (side !== null || middle) expect(bouts).toHaveLength(boutCount(item, strap, side, rounds));
          }
        },
      ),
      runs(100),
    );
  });
});
