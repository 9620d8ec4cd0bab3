import { planClientOf } from './plan-client.js';
import { cautionsFor } from '../screening/cautions.js';
import { cellWords, clashSubjectWords, clashValueWords, laneChangeWords } from '../words/revision.js';
import { describe, expect, it } from 'vitest';
import { exerciseById } from '../catalogue/exercises.js';
import { exercisesDoing } from '../catalogue/forms.js';
import { TEMPLATES } from './template-catalogue.js';
import { styleById } from '../styles/index.js';
import type { Prescription } from '../technique/prescription.js';
import { buildBlock } from './block.js';
import { checkBlock } from './check/check.js';
import { compareBlocks } from './compare.js';
import { blockInputOf, newLane, type BlockDraft, type PlanContext, emptyDraft } from './draft.js';
import {
  applyFix,
  copyCells,
  fillRight,
  lockCells,
  missWeek,
  moveEasierWeek,
  moveLane,
  pasteCells,
  rangeBetween,
  setCells,
  setStyle,
  setWeeks,
  toggleEasierWeek,
  turn,
  unlockCells,
  withLaneToggled,
  withPastKept,
  withLoadUnit,
  withStartingDose,
  withExercise,
} from './edit.js';
import { mergeDrafts } from './merge.js';
import type { PlanClient } from './limits.js';
import { applyTemplate, templateOf } from './template.js';

const adult: PlanClient = { age: 40, experience: 'regular', trainingDays: [1, 3, 5], gentleGroups: [] };
const context: PlanContext = { client: adult, findStyle: styleById, findExercise: exerciseById };
const draft: BlockDraft = {
  startDate: '2026-03-09',
  weeks: 8,
  ramp: 0.2,
  easierEvery: 4,
  easierWeeks: null,
  missedWeeks: [],
  away: [],
  lanesPerSession: 5,
  smallestPlate: null,
  lanes: [
    newLane('a', 'soleus', 'steady-hold', [{ technique: 'static hold', exerciseId: 'bent-knee-wall-calf' }]),
    newLane('b', 'hamstrings', 'steady-hold', [{ technique: 'static hold', exerciseId: 'supine-strap-hamstring' }]),
  ],
};
const planOf = (d: BlockDraft, c: PlanContext = context) => buildBlock(blockInputOf(d, c));
const hold = (sets: number, holdSeconds: number): Prescription => ({
  technique: 'static hold',
  sets,
  holdSeconds,
  sessionsPerWeek: 3,
  sensation: 5,
});

describe('turning by hand', () => {
  it('goes in the steps of the trade, and never past what can be done', () => {
    expect(turn(hold(2, 30), 'holdSeconds', 1, 1.25).holdSeconds).toBe(35);
    expect(turn(hold(2, 30), 'holdSeconds', -9, 1.25).holdSeconds).toBe(1);
    expect(turn(hold(2, 30), 'sensation', 5, 1.25).sensation).toBe(6);
    expect(turn(hold(2, 30), 'sessionsPerWeek', 9, 1.25).sessionsPerWeek).toBe(7);
    expect(turn(hold(2, 30), 'load', 1, 1.25)).toEqual(hold(2, 30));
    const lower: Prescription = {
      ...hold(2, 2),
      technique: 'loaded eccentric',
      reps: 6,
      lowerSeconds: 3,
      load: 2.5,
      loadUnit: 'kg',
      assistance: 2,
    };
    expect(turn(lower, 'load', 1, 1.25).load).toBe(3.75);
    expect(turn({ ...lower, loadUnit: 'band', load: 1 }, 'load', 1, 1.25).load).toBe(2);
    // More of it is less help.
    expect(turn(lower, 'assistance', 1, 1.25).assistance).toBe(1);
    expect(turn(lower, 'assistance', 5, 1.25).assistance).toBe(0);
    expect(turn(lower, 'reps', 1, 1.25).reps).toBe(7);
    expect(
      turn({ ...hold(1, 15), technique: 'contract-relax', cycles: 3, pushSeconds: 6, effort: 20 }, 'holdSeconds', 1, 1)
        .holdSeconds,
    ).toBe(16);
  });
});

describe('cells', () => {
  it('are set, kept, given back', () => {
    const set = setCells(draft, [{ lane: 1, week: 2, prescription: hold(1, 20) }]);
    expect(set.lanes[0]).toBe(draft.lanes[0]);
    expect(planOf(set).lanes[1]!.weeks[1]).toMatchObject({ locked: true, dose: 60 });
    const again = setCells(set, [{ lane: 1, week: 2, prescription: hold(2, 20) }]);
    expect(again.lanes[1]!.locked).toHaveLength(1);
    expect(unlockCells(again, [{ lane: 1, week: 2 }])).toEqual(draft);
    const locked = lockCells(draft, planOf(draft), [
      { lane: 0, week: 3 },
      { lane: 9, week: 1 },
    ]);
    expect(locked.lanes[0]!.locked).toEqual([
      { week: 3, prescription: planOf(draft).lanes[0]!.weeks[2]!.prescription },
    ]);
  });

  it('are copied, pasted and filled to the right, as far as the board reaches', () => {
    const plan = planOf(draft);
    const clip = copyCells(plan, rangeBetween({ lane: 0, week: 1 }, { lane: 1, week: 2 }));
    const pasted = pasteCells(draft, plan, { lane: 1, week: 8 }, clip);
    expect(pasted.lanes[0]!.locked).toEqual([]);
    expect(pasted.lanes[1]!.locked.map((k) => [k.week, k.prescription.holdSeconds])).toEqual([[8, 30]]);
    const filled = fillRight(draft, plan, rangeBetween({ lane: 0, week: 4 }, { lane: 0, week: 1 }));
    expect(filled.lanes[0]!.locked.map((k) => k.week)).toEqual([2, 3, 4]);
    expect(
      planOf(filled)
        .lanes[0]!.weeks.slice(0, 4)
        .every((w) => w.dose === 180),
    ).toBe(true);
  });

  it('of another technique are not pasted', () => {
    const push = setStyle(draft, 1, 'push-relax', 1);
    const lanes = push.lanes.map((l) => ({
      ...l,
      exercises: [...l.exercises, { technique: 'contract-relax' as const, exerciseId: l.exercises[0]!.exerciseId }],
    }));
    const plan = planOf({ ...push, lanes });
    const clip = copyCells(plan, rangeBetween({ lane: 0, week: 1 }, { lane: 0, week: 1 }));
    expect(pasteCells({ ...push, lanes }, plan, { lane: 1, week: 1 }, clip).lanes[1]!.locked).toEqual([]);
  });
});

describe('the board', () => {
  it('moves lanes and easier weeks, grows and shrinks', () => {
    expect(moveLane(draft, 1, 0).lanes.map((l) => l.id)).toEqual(['b', 'a']);
    expect(moveLane(draft, 7, 0)).toBe(draft);
    expect(moveEasierWeek(draft, 4, 5).easierWeeks).toEqual([5, 8]);
    expect(moveEasierWeek(draft, 3, 5)).toBe(draft);
    expect(moveEasierWeek(draft, 4, 8)).toBe(draft);
    expect(toggleEasierWeek(draft, 4).easierWeeks).toEqual([8]);
    expect(toggleEasierWeek(draft, 6).easierWeeks).toEqual([4, 6, 8]);
    const set = setCells(toggleEasierWeek(draft, 6), [{ lane: 0, week: 7, prescription: hold(1, 30) }]);
    const short = setWeeks(set, 5);
    expect(short).toMatchObject({ weeks: 5, easierWeeks: [4] });
    expect(short.lanes[0]!.locked).toEqual([]);
    expect(setWeeks(draft, 99).weeks).toBe(16);
    expect(setWeeks(draft, 1).weeks).toBe(4);
  });

  it('changes the style of a lane from a week on', () => {
    const set = setCells(draft, [
      { lane: 0, week: 2, prescription: hold(1, 30) },
      { lane: 0, week: 6, prescription: hold(1, 30) },
    ]);
    const later = setStyle(set, 0, 'long-hold', 5);
    expect(later.lanes[0]).toMatchObject({
      styleId: 'steady-hold',
      laterStyles: [{ fromWeek: 5, styleId: 'long-hold' }],
    });
    expect(later.lanes[0]!.locked.map((k) => k.week)).toEqual([2]);
    expect(setStyle(later, 0, 'steady-hold', 5).lanes[0]!.laterStyles).toEqual([]);
    expect(setStyle(later, 0, 'upkeep', 1).lanes[0]).toMatchObject({ styleId: 'upkeep', laterStyles: [] });
  });

  it('skips a missed week, or shifts the block by one', () => {
    const set = setCells(draft, [{ lane: 0, week: 5, prescription: hold(1, 30) }]);
    expect(missWeek(set, 3, 'skip')).toEqual({ ...set, missedWeeks: [3] });
    const shifted = missWeek(set, 3, 'shift');
    expect(shifted).toMatchObject({ weeks: 9, missedWeeks: [3], easierWeeks: [5, 9] });
    expect(shifted.lanes[0]!.locked.map((k) => k.week)).toEqual([6]);
    expect(() => missWeek(setWeeks(draft, 16), 3, 'shift')).toThrow(expect.objectContaining({ code: 'invalid-plan' }));
  });

  it('takes a fix of the easier weeks', () => {
    const d = { ...draft, easierEvery: null };
    const input = blockInputOf(d, context);
    const fix = checkBlock(input, buildBlock(input)).find((v) => v.fix?.kind === 'easier-weeks')!.fix!;
    const fixed = applyFix(d, fix);
    const after = blockInputOf(fixed, context);
    expect(checkBlock(after, buildBlock(after))).toEqual([]);
  });
});

describe('comparing', () => {
  const lanes = (d: BlockDraft) => planOf(d).lanes.map((l, i) => ({ id: d.lanes[i]!.id, ...l }));
  it('names every cell that differs, with the dose', () => {
    const set = setCells(draft, [{ lane: 0, week: 8, prescription: hold(1, 30) }]);
    const c = compareBlocks(lanes(draft), lanes(set));
    expect(c.cells).toEqual([
      {
        laneId: 'a',
        group: 'soleus',
        week: 8,
        before: expect.objectContaining({
          prescription: { ...hold(2, 55), sessionsPerWeek: 2, sensation: 4 },
        }) as object,
        after: expect.objectContaining({ prescription: hold(1, 30) }) as object,
        doseChange: 90 - 220,
      },
    ]);
    expect(cellWords(c.cells[0]!.before!)).toBe('2 × 55 s, 2 days, sensation 4');
    expect(c.lanes[0]!.change).toEqual({ kind: 'changed', weeks: 1 });
    expect(laneChangeWords(c.lanes[0]!)).toBe('Soleus: 1 week changed');
    expect(compareBlocks(lanes(draft), lanes(draft)).cells).toEqual([]);
  });
  it('says which lanes came and went', () => {
    const c = compareBlocks(lanes(draft), lanes({ ...draft, lanes: [draft.lanes[0]!] }));
    expect(c.lanes).toEqual([{ laneId: 'b', group: 'hamstrings', change: { kind: 'gone' }, doseChange: -1910 }]);
    expect(compareBlocks([], lanes(draft)).lanes[0]!.change).toEqual({ kind: 'new' });
  });
});

describe('bringing two drafts together', () => {
  const mine = setCells({ ...draft, weeks: 10 }, [{ lane: 0, week: 2, prescription: hold(1, 30) }]);
  it('takes over what only one changed', () => {
    const theirs = setCells({ ...draft, ramp: 0.1 }, [{ lane: 1, week: 3, prescription: hold(1, 20) }]);
    const { draft: both, clashes } = mergeDrafts(draft, mine, theirs);
    expect(clashes).toEqual([]);
    expect(both).toMatchObject({ weeks: 10, ramp: 0.1 });
    expect(both.lanes.map((l) => l.locked.map((k) => k.week))).toEqual([[2], [3]]);
  });
  it('asks for what both changed differently, cell by cell', () => {
    const theirs = setCells({ ...draft, weeks: 6 }, [{ lane: 0, week: 2, prescription: hold(3, 20) }]);
    const merged = mergeDrafts(draft, mine, theirs, (key) => (key === 'weeks' ? 'theirs' : 'mine'));
    expect(
      merged.clashes.map((c) => [clashSubjectWords(c.what), clashValueWords(c.mine), clashValueWords(c.theirs)]),
    ).toEqual([
      ['Weeks', '10', '6'],
      ['Soleus, week 2', '1 × 30 s, 3 days', '3 × 20 s, 3 days'],
    ]);
    expect(merged.draft.weeks).toBe(6);
    expect(merged.draft.lanes[0]!.locked[0]!.prescription).toEqual(hold(1, 30));
  });
  it('keeps lanes that one added, drops those that one took out, and asks when the other changed them', () => {
    const calf = newLane('c', 'calf', 'upkeep', []);
    const added = mergeDrafts(draft, { ...draft, lanes: [...draft.lanes, calf] }, draft);
    expect(added.draft.lanes.map((l) => l.id)).toEqual(['a', 'b', 'c']);
    const gone = mergeDrafts(draft, draft, { ...draft, lanes: [draft.lanes[0]!] });
    expect(gone.draft.lanes.map((l) => l.id)).toEqual(['a']);
    const clash = mergeDrafts(draft, setStyle(draft, 1, 'upkeep', 1), { ...draft, lanes: [draft.lanes[0]!] });
    expect(clash.clashes[0]).toMatchObject({
      mine: { kind: 'lane', kept: true },
      theirs: { kind: 'lane', kept: false },
    });
  });
  it('changes nothing when both are the same', () => {
    expect(mergeDrafts(draft, mine, mine)).toEqual({ draft: mine, clashes: [] });
    expect(mergeDrafts(draft, draft, draft).draft).toEqual(draft);
  });
});

describe('templates', () => {
  const use = (client: PlanClient, startingDose: number | null = null) => ({
    startDate: '2026-03-09',
    client,
    findStyle: styleById,
    allowed: (g: Parameters<typeof exercisesDoing>[0], t: Parameters<typeof exercisesDoing>[1]) => exercisesDoing(g, t),
    startingDose: () => startingDose,
    newId: () => Math.random().toString(36),
  });

  it.each(TEMPLATES.map((t) => [t.name, t] as const))(
    '%s keeps every rule for a beginner, a regular and a senior',
    (_, t) => {
      const clients: PlanClient[] = [
        { age: 30, experience: 'beginner', trainingDays: [1, 3, 5], gentleGroups: [], minutesPerSession: 20 },
        { age: 45, experience: 'regular', trainingDays: [1, 2, 4, 6], gentleGroups: [], minutesPerSession: 30 },
        { age: 72, experience: 'beginner', trainingDays: [2, 5], gentleGroups: [], minutesPerSession: 15 },
      ];
      for (const client of clients) {
        const { draft: d } = applyTemplate(t, use(client));
        const input = blockInputOf(d, { ...context, client });
        const found = checkBlock(input, buildBlock(input)).filter((v) => v.rule !== 'weekly-dose');
        expect(found).toEqual([]);
      }
    },
  );

  it('are made without anything of the client', () => {
    const set = setCells({ ...draft, missedWeeks: [2], away: [{ from: '2026-03-10', to: '2026-03-11' }] }, [
      { lane: 0, week: 3, prescription: { ...hold(3, 40), bonus: { side: 'left', sets: 1, more: 0 } } },
    ]);
    const t = templateOf(set, 'Ours', 'For us', () => 180);
    expect(Object.keys(t).sort()).toEqual([
      'easierEvery',
      'easierWeeks',
      'lanes',
      'lanesPerSession',
      'name',
      'ramp',
      'summary',
      'weeks',
    ]);
    expect(t.lanes[0]!.cells).toEqual([{ week: 3, prescription: hold(3, 40) }]);
    expect(JSON.stringify(t)).not.toMatch(/exercise|bonus|2026|startingDose/);
  });

  it('scale what was set by hand to a client who begins lower, and say so', () => {
    // Made where the lane began with 360 s; this client begins with 180 s: half.
    const t = {
      ...templateOf(setCells(draft, [{ lane: 0, week: 3, prescription: hold(4, 60) }]), 'x', '', () => 360),
      id: 't',
    };
    const { draft: d, notes } = applyTemplate(t, use(adult));
    const p = d.lanes[0]!.locked[0]!.prescription;
    expect(p.sets * p.holdSeconds * p.sessionsPerWeek).toBeLessThanOrEqual(360);
    expect(notes).toEqual([{ code: 'scaled', args: { group: 'soleus', percent: 50 } }]);
    expect(applyTemplate(t, use(adult, 360)).draft.lanes[0]!.locked[0]!.prescription).toEqual(hold(4, 60));
  });

  it('leave out groups that a caution rests, and say so', () => {
    const cautions = {
      excludedGroups: ['hamstrings' as const],
      gentleGroups: [],
      excludedTechniques: [],
      excludedPositions: [],
      excludedTags: [],
      sensationMax: null,
    };
    const runner = TEMPLATES.find((t) => t.id === 'runner')!;
    const { draft: d, notes } = applyTemplate(runner, use({ ...adult, cautions }));
    expect(d.lanes.some((l) => l.group === 'hamstrings')).toBe(false);
    expect(notes).toEqual([{ code: 'caution', args: { group: 'hamstrings' } }]);
    const none = applyTemplate(runner, { ...use(adult), allowed: () => [] });
    expect(none.draft.lanes).toEqual([]);
    expect(none.notes).toHaveLength(5);
  });
});

describe('lanes of a draft', () => {
  const two: BlockDraft = {
    ...draft,
    lanes: [
      newLane('a', 'soleus', 'steady-hold', [{ technique: 'static hold', exerciseId: 'bent-knee-wall-calf' }]),
      newLane('b', 'pectorals', 'steady-hold', [{ technique: 'static hold', exerciseId: 'doorway-pectorals' }]),
    ],
  };
  const cell = (week: number, loadUnit?: 'band' | 'kg') => ({
    week,
    prescription: {
      technique: 'static hold',
      sets: 2,
      holdSeconds: 30,
      sessionsPerWeek: 3,
      sensation: 5,
      loadUnit,
    } as Prescription,
  });
  const never = () => {
    throw new Error('no lane is made');
  };

  it('come, and go while nothing of them was done', () => {
    const made = newLane('c', 'hamstrings', 'steady-hold', []);
    const three = withLaneToggled(
      two,
      'hamstrings',
      () => made,
      () => false,
      1,
    );
    expect(three.lanes.map((l) => l.id)).toEqual(['a', 'b', 'c']);
    expect(withLaneToggled(three, 'soleus', never, () => false, 1).lanes.map((l) => l.id)).toEqual(['b', 'c']);
  });
  it('stay in the record once started: they end, and may go on', () => {
    const ended = withLaneToggled(two, 'soleus', never, (id) => id === 'a', 4);
    expect(ended.lanes.map((l) => l.untilWeek)).toEqual([3, null]);
    expect(withLaneToggled(ended, 'soleus', never, (id) => id === 'a', 4).lanes[0]!.untilWeek).toBeNull();
  });
  it('keep the cells of weeks that have begun, whatever is put over them', () => {
    const before = { ...two, lanes: [{ ...two.lanes[0]!, locked: [cell(1), cell(4)] }, two.lanes[1]!] };
    const next = { ...two, lanes: [{ ...two.lanes[0]!, locked: [cell(2), cell(5)] }, two.lanes[1]!] };
    expect(withPastKept(next, before, 3).lanes[0]!.locked.map((k) => k.week)).toEqual([1, 5]);
    expect(withPastKept(next, before, 1)).toEqual(next);
  });
  it('give back loads of another unit when theirs changes', () => {
    const locked = {
      ...two,
      lanes: [{ ...two.lanes[0]!, locked: [cell(1), cell(2, 'kg'), cell(3, 'band')] }, two.lanes[1]!],
    };
    const [lane] = withLoadUnit(locked, 0, 'band').lanes;
    expect(lane!.loadUnit).toBe('band');
    expect(lane!.locked.map((k) => k.week)).toEqual([1, 3]);
  });
  it('change their start or their exercise alone', () => {
    expect(withStartingDose(two, 1, 240).lanes.map((l) => l.startingDose)).toEqual([null, 240]);
    const other = withExercise(two, 0, 'static hold', 'deep-squat-hold').lanes;
    expect(other[0]!.exercises).toEqual([{ technique: 'static hold', exerciseId: 'deep-squat-hold' }]);
    expect(other[1]).toBe(two.lanes[1]);
  });
});

describe('a block to begin with', () => {
  it('starts on the next Monday with the usual bounds and no lane', () => {
    expect(emptyDraft('2026-03-11')).toMatchObject({
      startDate: '2026-03-16',
      weeks: 8,
      ramp: 0.2,
      easierEvery: 4,
      lanes: [],
    });
  });
});

describe('the client of a plan', () => {
  // Domain 2.5: age on the first day, cautions as their strictest, minutes and days from the record.
  it('is put together from record, cautions and measurements', () => {
    const record = {
      birthDate: '1980-03-10',
      experience: 'regular' as const,
      trainingDays: [1, 3] as const,
      gentleGroups: [],
      minutesPerSession: 20,
    };
    const cautions = cautionsFor({ yes: ['feeling', 'kneeling'], no: [], regions: {} }, 45);
    const day = (d: string) => planClientOf(record, d, cautions, true);
    expect(day('2026-03-09').age).toBe(45);
    expect(day('2026-03-10')).toMatchObject({
      age: 46,
      hypermobile: true,
      minutesPerSession: 20,
      trainingDays: [1, 3],
    });
    expect(day('2026-03-10').cautions).toMatchObject({ sensationMax: 4, excludedPositions: ['kneeling', 'all fours'] });
  });
});
