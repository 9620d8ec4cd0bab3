import { cellWords, clashSubjectWords, clashValueWords, laneChangeWords } from '../../words/revision.js';
import { describe, expect, it } from 'vitest';
import { compareBlocks } from './compare.js';
import { newLane, type BlockDraft } from '../draft.js';
import { setCells, setStyle } from './edit.js';
import { mergeDrafts } from './merge.js';
import { draft, planOf, hold } from '../draft.fixture.js';

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
          prescription: { ...hold(2, 40), sensation: 4 },
        }) as object,
        after: expect.objectContaining({ prescription: hold(1, 30) }) as object,
        doseChange: 90 - 240,
      },
    ]);
    expect(cellWords(c.cells[0]!.before!)).toBe('2 × 40 s, 3 days, sensation 4');
    expect(c.lanes[0]!.change).toEqual({ kind: 'changed', weeks: 1 });
    expect(laneChangeWords(c.lanes[0]!)).toBe('Soleus: 1 week changed');
    expect(compareBlocks(lanes(draft), lanes(draft)).cells).toEqual([]);
  });
  it('says which lanes came and went', () => {
    const c = compareBlocks(lanes(draft), lanes({ ...draft, lanes: [draft.lanes[0]!] }));
    expect(c.lanes).toEqual([
      {
        laneId: 'b',
        group: 'hamstrings',
        change: { kind: 'gone' },
        doseChange: -(180 + 210 + 240 + 120 + 270 + 315 + 360 + 240),
      },
    ]);
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
  // Seen: the other coach's order of lanes was lost without a word.
  it('takes over an order of lanes that only one changed, and asks for one that both changed', () => {
    const [a, b] = draft.lanes;
    const c = newLane('c', 'calf', 'upkeep', []);
    const base = { ...draft, lanes: [a!, b!, c] };
    const theirs = { ...base, lanes: [b!, a!, c] };
    const mine = { ...base, ramp: 0.1 };
    expect(mergeDrafts(base, mine, theirs)).toMatchObject({ clashes: [], draft: { ramp: 0.1 } });
    expect(mergeDrafts(base, mine, theirs).draft.lanes.map((l) => l.id)).toEqual(['b', 'a', 'c']);
    const other = { ...base, lanes: [c, a!, b!] };
    const both = mergeDrafts(base, other, theirs, () => 'theirs');
    expect(both.clashes.map((x) => [clashSubjectWords(x.what), clashValueWords(x.theirs)])).toEqual([
      ['Order of the lanes', 'Hamstrings, Soleus, Calf (gastrocnemius)'],
    ]);
    expect(both.draft.lanes.map((l) => l.id)).toEqual(['b', 'a', 'c']);
    // A lane that one added stands where it was put.
    const added = { ...base, lanes: [newLane('d', 'shin', 'upkeep', []), ...base.lanes] };
    expect(mergeDrafts(base, added, theirs).draft.lanes.map((l) => l.id)).toEqual(['d', 'b', 'a', 'c']);
  });
  it('changes nothing when both are the same', () => {
    expect(mergeDrafts(draft, mine, mine)).toEqual({ draft: mine, clashes: [] });
    expect(mergeDrafts(draft, draft, draft).draft).toEqual(draft);
  });
});
