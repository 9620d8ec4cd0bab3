import { placeOfKind } from '../screening/place.js';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { exerciseById, EXERCISES } from '../catalogue/exercises.js';
import { sessionDose } from '../dose/dose.js';
import { cautionsFor } from '../screening/cautions.js';
import { splitAllowed } from '../screening/limits.js';
import { boutOf, type SessionItem } from '../session/item.js';
import { orderItems } from '../session/order.js';
import { buildTimeline, plannedSeconds } from '../session/timeline.js';
import { DEFAULT_TIMINGS } from '../technique/timings.js';
import { extendProposals, cutProposals, type FitInput } from './fit.js';
import { phaseWarnings } from './phase-warnings.js';
import { alternatives, swappedIn } from './swap.js';

const item = (exerciseId: string, over: Partial<SessionItem> = {}): SessionItem => ({
  exerciseId,
  sets: 2,
  holdSeconds: 30,
  sensation: 5,
  firstSide: 'left',
  ...over,
});
const calf = item('straight-knee-wall-calf', { sets: 3, holdSeconds: 45 });
const hams = item('supine-strap-hamstring', { bonus: { side: 'right', sets: 1, more: 0 } });
const pecs = item('doorway-pectorals', { holdSeconds: 40 });
const input = (items: SessionItem[], budgetSeconds: number): FitInput => ({
  items,
  shape: {},
  budgetSeconds,
  ranked: ['hamstrings', 'calf', 'pectorals'],
  timings: DEFAULT_TIMINGS,
  find: exerciseById,
});
const all = [calf, hams, pecs];
const full = buildTimeline(all).totalSeconds;

describe('cutProposals', () => {
  it('are empty when the session fits', () => {
    expect(cutProposals(input(all, full))).toEqual([]);
  });

  it('fit, keep the sides equal, and say what they take', () => {
    fc.assert(
      fc.property(fc.integer({ min: 420, max: full - 1 }), (budget) => {
        for (const p of cutProposals(input(all, budget))) {
          expect(p.totalSeconds).toBeLessThanOrEqual(budget);
          const t = buildTimeline(p.items);
          expect(t.totalSeconds).toBe(p.totalSeconds);
          p.items.forEach((x, i) => {
            const extra = x.bonus ? sessionDose(boutOf(x, exerciseById(x.exerciseId))) / x.sets : 0;
            if (exerciseById(x.exerciseId).sides === 'each')
              expect(plannedSeconds(t, i, 'right') - plannedSeconds(t, i, 'left')).toBe(extra);
          });
        }
      }),
    );
  });

  it('take the least important first, and no more than it takes', () => {
    const [extra, holds, sets, leave] = cutProposals(input(all, full - 15));
    expect([extra!.kind, holds!.kind, sets!.kind, leave!.kind]).toEqual(['extra', 'holds', 'sets', 'leave out']);
    // Five seconds of one hold are ten a set of both sides: two sets of the pectorals give twenty.
    expect(holds!.change).toEqual({
      code: 'shorter-holds',
      args: { holds: [{ exercise: expect.stringContaining('oorway') as string, seconds: 5 }] },
    });
    expect(holds!.items.map((x) => x.holdSeconds)).toEqual([45, 30, 35]);
    expect(sets!.items.map((x) => x.sets)).toEqual([3, 2, 1]);
    expect(leave!.items.map((x) => x.exerciseId)).not.toContain('doorway-pectorals');
  });
});

describe('extendProposals', () => {
  it('never go past the minutes, nor a fifth above the plan', () => {
    fc.assert(
      fc.property(fc.integer({ min: full, max: full + 900 }), (budget) => {
        for (const p of extendProposals(input(all, budget), all)) {
          expect(p.totalSeconds).toBeLessThanOrEqual(budget);
          p.items.forEach((x, i) => {
            const dose = (y: SessionItem) => sessionDose(boutOf(y, exerciseById(y.exerciseId)));
            expect(dose(x)).toBeLessThanOrEqual(dose(all[i]!) * 1.2);
          });
        }
      }),
    );
  });

  it('make holds longer when there is time, and are silent when there is none', () => {
    // By hand: 30 s may become 36, so one step of five; 40 may become 48, 45 may become 54.
    const [longer] = extendProposals(input(all, full + 600), all);
    expect(longer!.items.map((x) => x.holdSeconds)).toEqual([50, 35, 45]);
    expect(extendProposals(input(all, full + 9), all)).toEqual([]);
    expect(extendProposals(input(all, full - 1), all)).toEqual([]);
  });
});

describe('alternatives', () => {
  const things = ['strap'] as const;

  it('are for the same group and technique, keep the dose, and come nearest first', () => {
    const found = alternatives(item('supine-strap-hamstring'), exerciseById('supine-strap-hamstring'), {
      allowed: EXERCISES,
      place: placeOfKind('home', 'home', things),
      inSession: ['supine-hands-hamstring'],
    });
    expect(found.length).toBeGreaterThan(1);
    for (const a of found) {
      expect(a.exercise.primary).toBe('hamstrings');
      expect(['supine-strap-hamstring', 'supine-hands-hamstring']).not.toContain(a.exercise.id);
      if (a.lost === 0) expect(sessionDose(boutOf(a.item, a.exercise))).toBe(60);
    }
    const lost = found.map((a) => a.lost);
    expect(lost).toEqual([...lost].sort((a, b) => a - b));
    expect(found[0]!.facts[0]).toEqual({ code: 'same-dose' });
  });

  it('keep contract-relax where it can be done, and say what is not at hand', () => {
    const push = item('supine-strap-hamstring', {
      technique: 'contract-relax',
      cycles: 3,
      pushSeconds: 6,
      effort: 20,
      holdSeconds: 15,
    });
    const found = alternatives(push, exerciseById('supine-strap-hamstring'), {
      allowed: EXERCISES,
      place: placeOfKind('home'),
      inSession: [],
    });
    for (const a of found) expect(boutOf(a.item, a.exercise).technique).toBe('contract-relax');
    expect(found.map((a) => a.exercise.id)).toContain('heel-on-chair-hamstring');
  });

  it('candidate nothing that a caution speaks against', () => {
    const { allowed, leftOut } = splitAllowed(EXERCISES, cautionsFor({ yes: ['floor'], no: [], regions: {} }, 40));
    const found = alternatives(item('heel-on-chair-hamstring'), exerciseById('heel-on-chair-hamstring'), {
      allowed,
      place: placeOfKind('home', 'home', things),
      inSession: [],
    });
    const off = new Set(leftOut.map((l) => l.exercise.id));
    expect(found.filter((a) => off.has(a.exercise.id))).toEqual([]);
    // Lying on a bed stays; what is done sitting on the floor does not.
    expect([off.has('long-sitting-fold'), off.has('supine-strap-hamstring')]).toEqual([true, false]);
  });
});

describe('phaseWarnings', () => {
  const warn = (
    items: SessionItem[],
    purpose: Parameters<typeof phaseWarnings>[1] = 'own',
    others: Parameters<typeof phaseWarnings>[3] = [],
  ) => phaseWarnings(items, purpose, '2026-03-09', others, exerciseById);
  const loaded = item('step-heel-drop', { reps: 6, lowerSeconds: 3, holdSeconds: 2 });
  const neck = item(EXERCISES.find((e) => e.primary === 'neck-side' && e.technique === 'static hold')!.id, {
    sets: 1,
    holdSeconds: 20,
  });

  it('are silent for a session in the best order', () => {
    expect(warn(orderItems([calf, hams, pecs]))).toEqual([]);
  });

  // Behm et al. 2016, Appl Physiol Nutr Metab 41:1-11 (from memory).
  it('count what is held still before training', () => {
    expect(warn([item('doorway-pectorals')], 'before training')).toEqual([]);
    const [w] = warn([calf], 'before training');
    expect(w!.fact).toEqual({ code: 'held-before-training', args: { group: 'calf', seconds: 135, most: 60 } });
    expect(w!.items).toEqual([0]);
  });

  it('see the neck after a load, and a phase out of order', () => {
    expect(warn([loaded, neck]).map((w) => w.items)).toEqual([[0, 1]]);
    expect(warn([calf, loaded])[0]!.fact).toEqual({
      code: 'out-of-order',
      args: { technique: 'loaded eccentric', before: 'static hold' },
    });
  });

  it('see a group loaded again within 48 h', () => {
    const other = { id: 'x', date: '2026-03-10', loaded: ['calf' as const, 'soleus' as const] };
    expect(warn([loaded], 'own', [other])[0]!.fact).toMatchObject({
      code: 'loaded-too-close',
      args: { date: '2026-03-10' },
    });
    expect(warn([loaded], 'own', [{ ...other, date: '2026-03-11' }])).toEqual([]);
  });
});

describe('swappedIn', () => {
  it('puts one exercise in place of another wherever its way can be done, and changes nothing else', () => {
    const list = [
      item('supine-strap-hamstring', { holdSeconds: 45, link: 'flow' }),
      item('bent-knee-wall-calf'),
      item('supine-strap-hamstring', { sets: 1, technique: 'contract-relax', cycles: 3, pushSeconds: 6, effort: 20 }),
    ];
    const swapped = swappedIn(list, 'supine-strap-hamstring', 'heel-on-chair-hamstring', exerciseById)!;
    expect(swapped.map((i) => i.exerciseId)).toEqual([
      'heel-on-chair-hamstring',
      'bent-knee-wall-calf',
      'heel-on-chair-hamstring',
    ]);
    expect(swapped[0]).toMatchObject({ sets: 2, holdSeconds: 45, link: 'flow' });
    expect(swapped[1]).toBe(list[1]);
    expect(swapped[2]).toMatchObject({ sets: 1, technique: 'contract-relax', cycles: 3 });
  });

  it('is none where there is nothing to swap, where it is in already, or where nothing of it can be done that way', () => {
    const list = [item('supine-strap-hamstring')];
    expect(swappedIn(list, 'frog', 'bound-soles-sit', exerciseById)).toBeNull();
    const both = [...list, item('heel-on-chair-hamstring')];
    expect(swappedIn(both, 'supine-strap-hamstring', 'heel-on-chair-hamstring', exerciseById)).toBeNull();
    expect(swappedIn(list, 'supine-strap-hamstring', 'weighted-hinge', exerciseById)).toBeNull();
  });
});
