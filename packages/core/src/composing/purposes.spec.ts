import { placeOfKind } from '../screening/place.js';
import { clashWords } from '../words/composing.js';
import { EXERCISES } from '../catalogue/exercises.js';
import { describe, expect, it } from 'vitest';
import { muscleGroupOrder } from '../anatomy/muscle-group.js';
import { exerciseById } from '../catalogue/exercises.js';
import { buildTimeline } from '../session/timeline.js';
import { compose } from './compose.js';
import { need, request } from './request.fixture.js';
import { highs } from './solvers.fixture.js';
import { session, clash } from './compose.fixture.js';

describe('purposes', () => {
  const lanes = [
    need('hamstrings', { bout: { sets: 4, holdSeconds: 45 } }),
    need('calf', { bout: { sets: 2 } }),
    need('pectorals', { bout: { sets: 2 } }),
  ];

  // Behm et al. 2016 (from memory): longer static holds before training cost strength.
  it('before training no group is held still for more than a minute', () => {
    const made = session(request(lanes, { purpose: 'before training' }));
    for (const item of made.items) expect(item.sets * item.holdSeconds).toBeLessThanOrEqual(60);
    expect(made.shortfalls[0]!.why).toEqual({ code: 'held-before-training', args: { most: 60 } });
  });

  // Snook et al. 1998 (from memory).
  it('on waking spares the back', () => {
    const made = session(request([need('low-back'), need('hamstrings')], { purpose: 'on waking' }));
    for (const item of made.items) expect(exerciseById(item.exerciseId).demands).not.toContain('spine-forward');
    expect(made.leftOut.some((l) => l.because.code === 'spine-after-waking')).toBe(true);
  });

  it('after training there is no warm-up', () => {
    const made = session(request(lanes, { purpose: 'after training' }));
    expect(made.alreadyWarm).toBe(true);
    expect(buildTimeline(made.items, { alreadyWarm: true }).totalSeconds).toBe(made.totalSeconds);
    // What was trained comes first when the minutes do not hold both.
    const two = [need('hamstrings', { floorSets: 0 }), need('pectorals', { floorSets: 0 })];
    for (const trained of ['hamstrings', 'pectorals'] as const) {
      const tense = session(request(two, { purpose: 'after training', trained: [trained], budgetSeconds: 90 }));
      expect(tense.items.map((i) => exerciseById(i.exerciseId).primary)).toEqual([trained]);
    }
  });

  it('a short break stays in one region', () => {
    const made = session(request(lanes, { purpose: 'short break', budgetSeconds: 300 }));
    const leg = made.items.map((i) => muscleGroupOrder(exerciseById(i.exerciseId).primary));
    expect(made.items.length).toBeGreaterThan(0);
    expect(
      made.items.every((i) => exerciseById(i.exerciseId).primary === 'pectorals') ||
        leg.every((h) => h < muscleGroupOrder('pectorals')),
    ).toBe(true);
  });

  it('uses only positions that are possible', () => {
    const made = session(request(lanes, { positions: ['standing', 'sitting on a chair'] }));
    for (const i of made.items)
      expect(['standing', 'sitting on a chair']).toContain(exerciseById(i.exerciseId).position);
  });
});

describe('demands that clash', () => {
  const needs = [need('hamstrings', { bout: { sets: 3, holdSeconds: 60 } }), need('calf')];

  it('says how many minutes would fix it, and they do', () => {
    const r = request(needs, {
      keep: ['supine-strap-hamstring', 'heel-on-chair-hamstring', 'straight-knee-wall-calf'],
      budgetSeconds: 300,
    });
    const c = clash(r);
    const [way] = c.waysOut;
    if (way?.code !== 'more-time') throw new Error('no time named');
    const more = way.args.seconds;
    expect(compose({ ...r, budgetSeconds: 300 + more }, highs).kind).toBe('session');
    expect(compose({ ...r, budgetSeconds: 300 + more - 1 }, highs).kind).toBe('clash');
    // And so does letting go of those it names, the fewest.
    expect(compose({ ...r, keep: r.keep.filter((k) => !c.exerciseIds.includes(k)) }, highs).kind).toBe('session');
    expect(c.exerciseIds.length).toBeLessThan(3);
  });

  it('names what may not be in, and why', () => {
    const exercises = EXERCISES.map((e) => ({ ...e, substitute: '' }));
    const c = clash(request(needs, { keep: ['supine-strap-hamstring'], place: placeOfKind('home'), exercises }));
    expect(c.why).toMatchObject([
      { code: 'cannot-be-in', args: { because: { code: 'needs', args: { props: ['strap'] } } } },
    ]);
    expect(clashWords(clash(request(needs, { keep: ['doorway-pectorals'] })))).toContain('serves nothing');
  });

  it('knows when no time would help', () => {
    const c = clash(
      request([need('hamstrings', { bout: { sets: 1 } })], {
        keep: ['supine-strap-hamstring', 'heel-on-chair-hamstring'],
      }),
    );
    expect(c.why).toEqual([{ code: 'not-together' }]);
    expect(c.exerciseIds).toHaveLength(1);
  });
});
