import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { buildBlock, rangeBetween, type BlockInput, type Violation } from '@yandle/core';
import { Stave } from './stave';
import type { Selection, StaveCommand } from './stave.model';

const at = (lane: number, week: number): Selection => ({
  head: { lane, week },
  range: rangeBetween({ lane, week }, { lane, week }),
});

const input: BlockInput = {
  client: { age: 40, experience: 'regular', trainingDays: [1, 3, 5], gentleGroups: [] },
  lanes: [
    { group: 'soleus', styleId: 'steady-hold' },
    { group: 'hamstrings', styleId: 'steady-hold' },
  ],
  weeks: 8,
  ramp: 0.2,
  easierEvery: 4,
};
const plan = buildBlock(input);

describe('Stave', () => {
  let fixture: ComponentFixture<Stave>;
  const el = () => fixture.nativeElement as HTMLElement;

  beforeEach(async () => {
    fixture = TestBed.createComponent(Stave);
    const set = (name: string, value: unknown) => fixture.componentRef.setInput(name, value);
    set(
      'lanes',
      plan.lanes.map((l) => ({ ...l, id: l.group, styleName: 'Steady hold', other: null })),
    );
    set('retests', plan.retestWeeks);
    set('easierWeeks', [4, 8]);
    set('selection', at(0, 1));
    set('currentWeek', 3);
    set('dayPlans', [
      {
        ...{ id: 'p', name: 'Session', line: 'Mon, Wed · 13 min', budgetSeconds: 800 },
        longest: [534, 574, 614, 534, 700, 760, 900, 700],
      },
    ]);
    await fixture.whenStable();
  });

  const press = async (key: string, over: KeyboardEventInit = {}) => {
    el()
      .querySelector('table')!
      .dispatchEvent(new KeyboardEvent('keydown', { key, cancelable: true, ...over }));
    await fixture.whenStable();
  };

  it('has a cell for every lane and week, with its words', () => {
    const cells = [...el().querySelectorAll('button.cell')];
    expect(cells).toHaveLength(16);
    expect(cells[1]!.querySelector('.sr-only')!.textContent).toBe(
      'Soleus, week 2: 2 × 35 s, 3 days, sensation 5, 210 s per side in the week',
    );
    expect(cells[3]!.querySelector('.sr-only')!.textContent).toContain('easier');
  });

  it('flags retests and shades easier weeks', () => {
    const heads = [...el().querySelectorAll('thead .week-head')];
    expect(heads.map((h) => h.querySelector('.flag') !== null)).toEqual([
      true,
      false,
      false,
      true,
      false,
      false,
      false,
      true,
    ]);
    expect(heads.map((h) => h.classList.contains('easier')).filter(Boolean)).toHaveLength(2);
    expect(heads[2]!.classList.contains('now')).toBe(true);
  });

  it('is walked with the arrow keys and never left by them', async () => {
    await press('ArrowRight');
    await press('ArrowDown');
    expect(fixture.componentInstance.selection().head).toEqual({ lane: 1, week: 2 });
    await press('ArrowDown');
    expect(fixture.componentInstance.selection().head).toEqual({ lane: 1, week: 2 });
    await press('End');
    await press('ArrowRight');
    expect(fixture.componentInstance.selection().head).toEqual({ lane: 1, week: 8 });
    await press('Home');
    await press('ArrowUp');
    expect(fixture.componentInstance.selection().head).toEqual({ lane: 0, week: 1 });
    expect(el().querySelectorAll('button.cell[tabindex="0"]')).toHaveLength(1);
  });

  it('shows weeks whose longest session is over the budget', () => {
    expect([...el().querySelectorAll('.minutes .bar')].map((b) => b.classList.contains('over'))).toEqual(
      [534, 574, 614, 534, 700, 760, 900, 700].map((s) => s > 800),
    );
  });

  it('selects a range with Shift, a lane by its name and a week by its number', async () => {
    await press('ArrowRight', { shiftKey: true });
    await press('ArrowDown', { shiftKey: true });
    const range = () => fixture.componentInstance.selection().range;
    expect(range()).toEqual({ fromLane: 0, toLane: 1, fromWeek: 1, toWeek: 2 });
    await press('ArrowLeft', { shiftKey: true });
    expect(range()).toEqual({ fromLane: 0, toLane: 1, fromWeek: 1, toWeek: 1 });
    el().querySelectorAll<HTMLButtonElement>('.lane-name')[1]!.click();
    await fixture.whenStable();
    expect(range()).toEqual({ fromLane: 1, toLane: 1, fromWeek: 1, toWeek: 8 });
    el().querySelectorAll<HTMLButtonElement>('.week-name')[4]!.click();
    await fixture.whenStable();
    expect(range()).toEqual({ fromLane: 0, toLane: 1, fromWeek: 5, toWeek: 5 });
    expect(el().querySelectorAll('button.cell.within')).toHaveLength(2);
    const cells = el().querySelectorAll<HTMLButtonElement>('button.cell');
    cells[0]!.click();
    cells[10]!.dispatchEvent(new MouseEvent('click', { shiftKey: true, bubbles: true }));
    await fixture.whenStable();
    expect(range()).toEqual({ fromLane: 0, toLane: 1, fromWeek: 1, toWeek: 3 });
  });

  it('asks for what each key means', async () => {
    const asked: StaveCommand[] = [];
    fixture.componentInstance.asked.subscribe((c) => asked.push(c));
    for (const key of ['+', '-', 'f', 'l', 'Delete']) await press(key);
    for (const key of ['c', 'v', 'z', 'y']) await press(key, { ctrlKey: true });
    await press('z', { ctrlKey: true, shiftKey: true });
    await press('ArrowDown', { altKey: true });
    expect(asked).toEqual([
      { kind: 'turn', clicks: 1 },
      { kind: 'turn', clicks: -1 },
      ...['fill', 'lock', 'unlock', 'copy', 'paste', 'undo', 'redo', 'redo'].map((kind) => ({ kind })),
      { kind: 'move-lane', from: 0, to: 1 },
    ]);
    expect(fixture.componentInstance.selection().head.lane).toBe(1);
  });

  it('marks broken cells, past weeks, and the doses of a plan that is laid over', async () => {
    const violation: Violation = {
      rule: 'ramp',
      lane: 1,
      week: 2,
      severity: 'warning',
      fact: { code: 'loaded-too-close' },
      fix: null,
    };
    fixture.componentRef.setInput('violations', [violation]);
    fixture.componentRef.setInput('fromWeek', 3);
    const slower = buildBlock({ ...input, ramp: 0.1 });
    fixture.componentRef.setInput(
      'lanes',
      plan.lanes.map((l, i) => ({ ...l, id: l.group, styleName: 's', other: slower.lanes[i]!.weeks })),
    );
    await fixture.whenStable();
    const cells = [...el().querySelectorAll('button.cell')];
    expect(cells[9]!.querySelector('.mark')).not.toBeNull();
    expect(cells[9]!.querySelector('.sr-only')!.textContent).toContain('1 rule broken');
    expect(cells.filter((c) => c.classList.contains('past'))).toHaveLength(4);
    // With 10 % no step of 5 s fits on 2 × 30 s: the dose stays at 180 s.
    expect(cells[1]!.querySelector('.other')!.textContent).toContain('▼ 180 s');
  });

  it('moves an easier week by dragging, and grows with the keys of its edge', async () => {
    const moves: object[] = [];
    const weeks: number[] = [];
    fixture.componentInstance.easierMoved.subscribe((m) => moves.push(m));
    fixture.componentInstance.weeksStretched.subscribe((w) => weeks.push(w));
    const heads = el().querySelectorAll('th.week-head');
    heads[3]!.querySelector('.grip')!.dispatchEvent(new Event('dragstart'));
    heads[4]!.dispatchEvent(new Event('drop', { cancelable: true }));
    expect(moves).toEqual([{ from: 4, to: 5 }]);
    const edge = el().querySelector('.stretch')!;
    edge.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowRight' }));
    edge.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowLeft' }));
    expect(weeks).toEqual([9, 7]);
  });
});
