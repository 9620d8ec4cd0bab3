import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { buildBlock } from '@yandle/core';
import { Stave } from './stave';

const plan = buildBlock({
  client: { age: 40, level: 'regular', trainingDays: [1, 3, 5], easyOn: [] },
  lanes: [
    { group: 'soleus', styleId: 'steady-hold' },
    { group: 'hamstrings', styleId: 'steady-hold' },
  ],
  weeks: 8,
  ramp: 0.2,
  easierEvery: 4,
});

describe('Stave', () => {
  let fixture: ComponentFixture<Stave>;
  const el = () => fixture.nativeElement as HTMLElement;

  beforeEach(async () => {
    fixture = TestBed.createComponent(Stave);
    const set = (name: string, value: unknown) => fixture.componentRef.setInput(name, value);
    set(
      'lanes',
      plan.lanes.map((l) => ({ ...l, styleName: 'Steady hold' })),
    );
    set('retests', plan.retestWeeks);
    set('currentWeek', 3);
    set('longest', [534, 574, 614, 534, 700, 760, 900, 700]);
    set('budgetSeconds', 800);
    await fixture.whenStable();
  });

  const press = async (key: string) => {
    el()
      .querySelector('table')!
      .dispatchEvent(new KeyboardEvent('keydown', { key, cancelable: true }));
    await fixture.whenStable();
  };

  it('has a cell for every lane and week, with its words', () => {
    const cells = [...el().querySelectorAll('button.cell')];
    expect(cells).toHaveLength(16);
    expect(cells[1]!.getAttribute('aria-label')).toBe(
      'Soleus, week 2: 2 × 35 s a side, 3 sessions, sensation 5, 210 s a side in the week',
    );
    expect(cells[3]!.getAttribute('aria-label')).toContain('easier');
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
    expect(fixture.componentInstance.selected()).toEqual({ lane: 1, week: 2 });
    await press('ArrowDown');
    expect(fixture.componentInstance.selected()).toEqual({ lane: 1, week: 2 });
    await press('End');
    await press('ArrowRight');
    expect(fixture.componentInstance.selected()).toEqual({ lane: 1, week: 8 });
    await press('Home');
    await press('ArrowUp');
    expect(fixture.componentInstance.selected()).toEqual({ lane: 0, week: 1 });
    expect(el().querySelectorAll('button[tabindex="0"]')).toHaveLength(1);
  });

  it('shows weeks whose longest session is over the budget', () => {
    expect([...el().querySelectorAll('.minutes .bar')].map((b) => b.classList.contains('over'))).toEqual(
      [534, 574, 614, 534, 700, 760, 900, 700].map((s) => s > 800),
    );
  });
});
