import { placeOfKind } from '../screening/place.js';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { exerciseById, EXERCISES } from '../catalogue/exercises.js';
import { POSITIONS } from '../catalogue/rom-test.js';
import { cautionsFor } from '../screening/cautions.js';
import { buildTimeline } from '../session/timeline.js';
import type { SessionItem } from '../session/item.js';
import { needsOf } from './needs.js';
import { clipped, offeredItem, candidatesFor } from './candidates.js';
import { withoutDominated } from './prune.js';
import { need, request } from './request.fixture.js';
import { target, worth } from './request.js';
import { settleInOrder } from './settle.js';
import { shortfallScale } from './shortfall-scale.js';
import { waysFor } from './ways.js';
import { composeModel } from './model.js';
import { highs } from './solvers.fixture.js';
import { floorSets } from './week-floor.js';
import { runs } from '../testing/runs.js';

describe('needsOf', () => {
  const items: SessionItem[] = [
    { exerciseId: 'supine-strap-hamstring', sets: 2, holdSeconds: 30, sensation: 5, firstSide: 'right', link: 'flow' },
    { exerciseId: 'straight-knee-wall-calf', sets: 3, holdSeconds: 45, sensation: 5, firstSide: 'left' },
  ];

  it('asks for each item, the first lane weighing most', () => {
    const needs = needsOf(items, ['calf', 'hamstrings'], [], exerciseById);
    expect(needs.map((n) => [n.group, n.weight, n.floorSets, n.firstSide])).toEqual([
      ['hamstrings', 2, 1, 'right'],
      ['calf', 4, 1, 'left'],
    ]);
    expect(needs[0]!.bout).toEqual({ technique: 'static hold', sets: 2, holdSeconds: 30, sensation: 5 });
  });

  it('weighs what stands beside a stretch half as much', () => {
    const roll = EXERCISES.find((e) => e.technique === 'rolling')!;
    const [n] = needsOf(
      [{ exerciseId: roll.id, sets: 1, holdSeconds: 60, sensation: 3, firstSide: 'left' }],
      [roll.primary],
      [],
      exerciseById,
    );
    expect(n!.weight).toBe(1);
  });
});

describe('floorSets', () => {
  // By hand: three sessions of two sets are six; 60 % of them are 3.6, so four. Two done and two to come leave none, but one stays.
  it.each([
    [{ plannedSets: 6, doneSets: 2, laterSets: 2 }, 1],
    [{ plannedSets: 6, doneSets: 0, laterSets: 2 }, 2],
    [{ plannedSets: 6, doneSets: 0, laterSets: 0 }, 2],
    [{ plannedSets: 6, doneSets: 6, laterSets: 0 }, 1],
  ])('of a week with %j', (week, sets) => {
    expect(floorSets(2, week)).toBe(sets);
  });

  it('is one when nothing is known of the week', () => {
    expect(floorSets(3, undefined)).toBe(1);
  });
});

describe('candidatesFor', () => {
  const hams = need('hamstrings', { bout: { sets: 2, holdSeconds: 30 } });

  it('says of everything that serves a need whether it may be chosen, and if not why', () => {
    const r = request([hams], {
      place: placeOfKind('home'),
      // As if nothing could stand in for its strap.
      exercises: EXERCISES.map((e) => (e.id === 'supine-strap-hamstring' ? { ...e, substitute: '' } : e)),
      positions: POSITIONS.filter((p) => p !== 'standing'),
      cautions: cautionsFor({ yes: ['disc'], no: [], regions: {} }, 40),
      never: ['supine-hands-hamstring'],
      onHold: { everything: false, exercises: new Set(['chair-hamstring-hinge']), groups: new Set() },
      experience: 'beginner',
    });
    const { candidates, leftOut } = candidatesFor(r);
    const serving = EXERCISES.filter((e) => e.primary === 'hamstrings' && e.technique === 'static hold');
    expect(new Set([...candidates, ...leftOut].map((o) => o.exercise.id))).toEqual(new Set(serving.map((e) => e.id)));
    const because = (id: string) => leftOut.find((l) => l.exercise.id === id)?.because;
    expect(because('supine-strap-hamstring')).toEqual({ code: 'needs', args: { props: ['strap'] } });
    expect(because('supine-hands-hamstring')).toEqual({ code: 'left-out-by-coach' });
    for (const o of candidates) {
      expect(o.exercise.position).not.toBe('standing');
      expect(o.exercise.difficulty).toBe(1);
    }
  });

  it('counts the seconds of an item exactly, whatever its sets', () => {
    const all = candidatesFor(
      request([hams, need('calf', { bout: { bonus: { side: 'left', sets: 1, more: 0 } } })]),
    ).candidates;
    fc.assert(
      fc.property(fc.constantFrom(...all), fc.integer({ min: 1, max: 6 }), fc.boolean(), (candidate, sets, extra) => {
        const more = extra && candidate.bout.bonus ? 1 : 0;
        const item = offeredItem(
          candidate,
          [hams, need('calf', { bout: { bonus: { side: 'left', sets: 1, more: 0 } } })][candidate.need]!,
          sets,
          more,
        );
        const t = buildTimeline([item], { alreadyWarm: true });
        // From nowhere the position takes twelve seconds more than in the same one, and its things are fetched.
        const things = candidate.exercise.props.length > 0 ? 10 : 0;
        expect(candidate.fixedSeconds + sets * candidate.setSeconds + more * candidate.bonusSeconds + 12 + things).toBe(
          t.totalSeconds,
        );
      }),
    );
  });

  it('clips a hold to what the exercise is made for', () => {
    const e = exerciseById('supine-strap-hamstring');
    expect(clipped({ ...hams.bout, holdSeconds: 500 }, e).holdSeconds).toBe(e.amount.max);
    expect(clipped({ ...hams.bout, holdSeconds: 1 }, e).holdSeconds).toBe(e.amount.min);
    expect(clipped({ ...hams.bout, technique: 'contract-relax', holdSeconds: 6 }, e).holdSeconds).toBe(6);
  });
});

describe('worth', () => {
  // Domain 2.4: lowering and pause count, rolling counts in its own seconds.
  it('is time under stretch, or its own unit where nothing is stretched', () => {
    expect(
      worth({ technique: 'loaded eccentric', sets: 2, reps: 6, lowerSeconds: 3, holdSeconds: 2, sensation: 5 }),
    ).toBe(30);
    expect(worth({ technique: 'rolling', sets: 1, holdSeconds: 60, sensation: 3 })).toBe(60);
    expect(worth({ technique: 'activation', sets: 1, reps: 10, holdSeconds: 0, sensation: 3 })).toBe(10);
    expect(target(need('calf', { bout: { sets: 3, holdSeconds: 45 } }))).toBe(135);
  });
});

describe('withoutDominated', () => {
  it('leaves out only what changes no optimum', () => {
    const groups = ['hamstrings', 'calf', 'adductors', 'pectorals'] as const;
    fc.assert(
      fc.property(
        fc.subarray([...groups], { minLength: 1, maxLength: 3 }),
        fc.integer({ min: 200, max: 900 }),
        fc.subarray(EXERCISES.filter((e) => groups.some((g) => g === e.primary)).map((e) => e.id)),
        (chosen, budgetSeconds, known) => {
          const r = request(
            chosen.map((g) => need(g)),
            { budgetSeconds, known },
          );
          const { candidates } = candidatesFor(r);
          const demands = { keep: [], locks: [], timed: true };
          const values = [candidates, withoutDominated(r, candidates)].map((list) => {
            const made = settleInOrder(
              composeModel(r, waysFor(r, list), demands),
              shortfallScale(r, list).percent,
              highs,
            );
            return made.kind === 'values' && made.settled.map((s) => Math.round(s.value * 1e4) / 1e4);
          });
          expect(values[1]).toEqual(values[0]);
        },
      ),
      runs(12),
    );
  });

  it('never leaves out what the coach names', () => {
    const all = EXERCISES.filter((e) => e.primary === 'hamstrings' && e.technique === 'static hold').map((e) => e.id);
    // Two neck stretches on a chair cost and give the same: one of them is enough.
    const r = request([need('hamstrings'), need('upper-trapezius')], { keep: all.slice(0, 2) });
    const left = withoutDominated(r, candidatesFor(r).candidates).map((o) => o.exercise.id);
    for (const id of all.slice(0, 2)) expect(left).toContain(id);
    expect(left.length).toBeLessThan(candidatesFor(r).candidates.length);
  });
});

describe('a solver that is stopped', () => {
  it('keeps what was settled before, and says how much better it could be', () => {
    const r = request([need('hamstrings'), need('calf')]);
    const { candidates } = candidatesFor(r);
    const model = composeModel(r, waysFor(r, candidates), { keep: [], locks: [], timed: true });
    let calls = 0;
    const result = settleInOrder(model, 1, (m, o) => {
      calls++;
      // The third objective runs out of its nodes with a solution in hand; its dual bound says that one could be saved.
      const answer = highs(m, o);
      return calls === 3 ? { ...answer, status: 'stopped', bound: answer.objective - 1 } : answer;
    });
    if (result.kind !== 'values') throw new Error('nothing found');
    expect(result.settled.map((s) => s.proven)).toEqual([true, true, false, true]);
    expect(result.settled[2]!.value - result.settled[2]!.bound).toBeCloseTo(1, 6);
  });
});
