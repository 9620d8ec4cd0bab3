import { Component, input } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { Assessment, Progress } from '@yandle/contract';
import { Screen } from '../testing/screen';
import { HistoryChart } from './history-chart';
import { ProgressScreen } from './progress';

/** The canvas is looked at in the browser tests; here its numbers count. */
@Component({ selector: 'y-history-chart', template: '' })
class ChartStub {
  readonly name = input();
  readonly unit = input();
  readonly lessIsBetter = input();
  readonly left = input();
  readonly right = input();
  readonly reference = input();
  readonly sideless = input();
}

function visit(date: string, left: number[], right: number[], over: Partial<Assessment> = {}): Assessment {
  const trial = (side: 'left' | 'right') => (value: number, i: number) => ({
    id: `${date}${side}${i}`,
    testId: 'active-knee-extension',
    side,
    value,
    instrument: 'goniometer',
    replaces: null,
    replacedBy: null,
  });
  return {
    id: date,
    clientId: 'c1',
    date,
    time: '09:40',
    warm: false,
    testerId: 'k1',
    testerName: 'Mara',
    note: '',
    battery: ['active-knee-extension'],
    hoursSinceSession: null,
    trials: [...left.map(trial('left')), ...right.map(trial('right'))],
    ...over,
  };
}

describe('ProgressScreen', () => {
  async function open(progress: Progress): Promise<Screen<ProgressScreen>> {
    const screen = await Screen.open(ProgressScreen, { clientId: 'c1' }, () =>
      TestBed.overrideComponent(ProgressScreen, { remove: { imports: [HistoryChart] }, add: { imports: [ChartStub] } }),
    );
    await screen.answer('/clients/c1/progress', progress);
    return screen;
  }

  // MDC95 of this test is 1.96·√2·3° = 8.3° (Weir 2005).
  it('calls a change real only above the MDC95, each side by itself', async () => {
    const screen = await open({
      assessments: [visit('2026-01-05', [38, 40], [30, 31]), visit('2026-03-08', [29, 29], [24, 24])],
      dose: null,
      sensations: [],
    });
    expect(screen.text).toContain('▲ improved 39° → 29°, 10° freer · 99.1 %');
    expect(screen.text).toContain('◇ no detectable change 30.5° → 24°, 6.5° freer');
    expect(screen.text).toContain('A change counts above 8.3° (MDC95).');
    expect(screen.text).not.toContain('Unlike conditions');
  });

  it('calls the other direction worse', async () => {
    const screen = await open({
      assessments: [visit('2026-01-05', [29], []), visit('2026-03-08', [39], [])],
      dose: null,
      sensations: [],
    });
    expect(screen.text).toContain('▼ worse 29° → 39°, 10° stiffer');
  });

  it('warns of unlike conditions and names them', async () => {
    const screen = await open({
      assessments: [
        visit('2026-01-05', [39], [30]),
        visit('2026-03-08', [29], [24], { warm: true, time: '18:00', testerName: 'Joris', hoursSinceSession: 2 }),
      ],
      dose: null,
      sensations: [],
    });
    expect(screen.text).toMatch(
      /Unlike conditions: one was taken cold, the other warm; measured by different people; more than 2 hours apart in the time of day; less than 24 hours after a session/,
    );
  });

  it('has nothing to compare with one visit, and says what to do with none', async () => {
    const one = await open({ assessments: [visit('2026-03-08', [29], [24])], dose: null, sensations: [] });
    expect(one.text).toContain('A second one shows what has changed');
    const none = await open({ assessments: [], dose: null, sensations: [] });
    expect(none.text).toContain('Measure a baseline');
  });

  it('puts done against planned week by week, the running week out of the total', async () => {
    const row = (week: number, done: number) => ({
      week,
      group: 'soleus',
      planned: { left: 180, right: 180 },
      done: { left: done, right: done },
      ratio: done / 180,
    });
    const screen = await open({
      assessments: [],
      dose: { blockId: 'b', startDate: '2026-03-02', weeks: 8, currentWeek: 2, rows: [row(1, 162), row(2, 60)] },
      sensations: [],
    });
    expect(screen.text).toContain('90 % of the weeks that are over');
    const rows = [...screen.el.querySelectorAll('y-mirror-row [role=img]')].map((r) => r.getAttribute('aria-label'));
    expect(rows).toEqual([
      'Week 1: left 162 s; right 162 s. planned 180 s a side · 90 %',
      'Week 2: left 60 s; right 60 s. planned 180 s a side · 33 %',
    ]);
  });
});
