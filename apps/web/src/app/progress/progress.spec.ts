import { Component, input } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { Assessment, PrioritiesView, Progress } from '@yandle/contract';
import { Screen, textOf } from '../testing/screen';
import { aReading, anAssessment, NO_PRIORITIES } from '../testing/assessments';
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
  readonly leftTrend = input();
  readonly rightTrend = input();
  readonly goal = input();
}

function assessment(date: string, left: number[], right: number[], over: Partial<Assessment> = {}): Assessment {
  const reading = (side: 'left' | 'right') => (value: number, i: number) =>
    aReading('active-knee-extension', side, value, { id: `${date}${side}${i}` });
  return anAssessment(date, [...left.map(reading('left')), ...right.map(reading('right'))], over);
}

describe('ProgressScreen', () => {
  async function open(
    part: Pick<Progress, 'assessments' | 'dose' | 'sensations'> & Partial<Progress>,
    priorities: PrioritiesView = NO_PRIORITIES,
  ): Promise<Screen<ProgressScreen>> {
    const progress: Progress = { today: '2026-03-10', choices: [], felt: [], ...part };
    const screen = await Screen.open(ProgressScreen, { clientId: 'c1' }, () =>
      TestBed.overrideComponent(ProgressScreen, { remove: { imports: [HistoryChart] }, add: { imports: [ChartStub] } }),
    );
    await screen.answer('/clients/c1/progress', progress);
    await screen.answer('/clients/c1/priorities', priorities);
    return screen;
  }

  const running = { blockId: 'b1', startDate: '2026-02-02', weeks: 8, weeksOver: 4, rows: [], along: [] };

  it('proposes two tests to check weekly while the trend of a running block needs dates', async () => {
    const two = [assessment('2026-02-02', [48, 48], [30, 31]), assessment('2026-03-08', [45, 45], [29, 29])];
    const screen = await open({ assessments: two, dose: running, sensations: [] });
    expect(screen.text).toContain('A trend needs results on five dates; there are 2 so far.');
    const right = await open({
      assessments: ['2026-02-02', '2026-02-09', '2026-03-08'].map((d) => assessment(d, [], [30])),
      dose: running,
      sensations: [],
    });
    expect(right.text).toContain('there are 3 so far');
    // One test was measured, so it cannot be two; with another there is a proposal, whether it is short or not.
    expect(screen.text).not.toContain('Use ');
    const lunge = {
      ...two[0]!,
      readings: [...two[0]!.readings, aReading('weight-bearing-lunge', 'left', 14, { id: 'l' })],
    };
    const both = await open({ assessments: [lunge, two[1]!], dose: running, sensations: [] });
    await both.press('Use ');
    const put = both.http.expectOne((r) => r.method === 'PUT' && r.url === '/api/v1/clients/c1/priorities');
    expect([...put.request.body.quickCheck].sort()).toEqual(['active-knee-extension', 'weight-bearing-lunge']);
    const over = await open({ assessments: two, dose: { ...running, weeksOver: 8 }, sensations: [] });
    expect(over.text).not.toContain('A trend needs results on five dates; there');
    const days = ['2026-02-02', '2026-02-09', '2026-02-16', '2026-02-23', '2026-03-02'];
    const five = await open({
      assessments: days.map((d) => assessment(d, [48], [30])),
      dose: running,
      sensations: [],
    });
    expect(five.text).not.toContain('A trend needs results on five dates; there');
  });

  it('shows which side felt tighter beside the tests of that group', async () => {
    const felt = (['left', 'left', 'right'] as const).map((side, i) => ({
      ...{ date: `2026-03-0${i + 1}`, group: 'hamstrings', side },
    })) as Progress['felt'];
    const screen = await open({
      assessments: [assessment('2026-02-02', [48, 48], [30, 31])],
      ...{ dose: null, sensations: [], felt },
    });
    expect(screen.text).toContain('Felt tighter while stretching: left 2 times, right once.');
  });

  // MDC95 of this test is 1.96·√2·3° = 8.3° (Weir 2005).
  it('calls a change real only above the MDC95, each side by itself', async () => {
    const screen = await open({
      assessments: [assessment('2026-01-05', [38, 40], [30, 31]), assessment('2026-03-08', [29, 29], [24, 24])],
      dose: null,
      sensations: [],
    });
    const [overview] = screen.el.querySelectorAll('y-progress-overview');
    expect(textOf(overview!)).toContain('▲ Left 10° freer: a real change.');
    expect(textOf(overview!)).toContain('◇ Right 6.5° freer, not sure yet: a change is sure from 8.3° on.');
    // One sentence each; the probability waits behind "why".
    expect(textOf(overview!)).not.toContain('chance that');
    const why = screen.el.querySelector('details')!;
    expect(textOf(why)).toContain('99.1% chance that it really improved');
    expect(screen.text).toContain('▲ improved 39° → 29°, 10° freer');
    expect(screen.text).toContain('A change above 8.3° is real.');
    expect(screen.text).not.toContain('Different conditions');
  });

  it('calls the other direction worse', async () => {
    const screen = await open({
      assessments: [assessment('2026-01-05', [29], []), assessment('2026-03-08', [39], [])],
      dose: null,
      sensations: [],
    });
    expect(screen.text).toContain('▼ worse 29° → 39°, 10° tighter');
  });

  it('shows a warm result in the table and does not let it speak', async () => {
    const warm = assessment('2026-03-08', [20], [18], { warm: true });
    const screen = await open({
      assessments: [assessment('2026-01-05', [39], [30]), assessment('2026-03-01', [36], [29]), warm],
      dose: null,
      sensations: [],
    });
    expect(screen.text).toContain('39° → 36°');
    expect(screen.text).not.toContain('39° → 20°');
    expect(screen.text).toContain('warm, ');
  });

  it('warns of different conditions and names them', async () => {
    const screen = await open({
      assessments: [
        assessment('2026-01-05', [39], [30]),
        assessment('2026-03-08', [29], [24], {
          time: '18:00',
          testerId: 'k2',
          testerName: 'Joris',
          hoursSinceSession: 12,
        }),
      ],
      dose: null,
      sensations: [],
    });
    expect(screen.text).toMatch(
      /Different conditions \(≠\): measured by different people; more than 2 hours apart in the time of day; less than 24 hours after a session/,
    );
  });

  it('says conditions that differ once, whatever the number of tests', async () => {
    const both = (date: string, over: Partial<Assessment> = {}) => {
      const a = assessment(date, [30], [30], over);
      const lunge = (side: 'left' | 'right') => aReading('weight-bearing-lunge', side, 9, { id: `${date}l${side}` });
      return { ...a, readings: [...a.readings, lunge('left'), lunge('right')] };
    };
    const screen = await open({
      assessments: [both('2026-01-05'), both('2026-03-08', { time: '18:00' })],
      dose: null,
      sensations: [],
    });
    expect(screen.text.match(/more than 2 hours apart/g)).toHaveLength(1);
    expect(screen.text.match(/≠ other conditions/g)).toHaveLength(2);
  });

  it('shows how it feels and what was done beside the tests', async () => {
    const report = (date: string, score: number) => ({
      ...{ id: date, date, region: 'low-back', kind: 'complaint', moment: 'day', score, habits: [] },
    });
    const row = (group: string, done: number) => ({
      ...{ week: 1, group, planned: { left: 200, right: 200 }, done: { left: done, right: done }, ratio: done / 200 },
    });
    const dose = {
      blockId: 'b',
      startDate: '2026-03-02',
      weeks: 8,
      weeksOver: 1,
      rows: [row('soleus', 150)],
      along: [],
    };
    const screen = await open(
      {
        assessments: [assessment('2026-03-08', [29], [24])],
        dose: { ...dose, along: [row('soleus', 100)] },
        sensations: [],
      },
      { ...NO_PRIORITIES, selfReports: [report('2026-03-09', 2), report('2026-02-09', 5)] } as PrioritiesView,
    );
    // 150 of its own and 100 along with others, of 200 and 200: 62.5 %, 250 s in the one week that is over.
    expect(screen.text).toContain('Done of the plan: 75%');
    expect(screen.text).toMatch(/Soleus\s+63%\s+· 250 s a side and week/);
    expect(screen.text).toContain('Low back, complaint: 5 of 10 on 9 Feb, 2 on 9 Mar: better.');
  });

  it('has nothing to compare with one assessment, and says what to do with none', async () => {
    const one = await open({ assessments: [assessment('2026-03-08', [29], [24])], dose: null, sensations: [] });
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
      dose: {
        blockId: 'b',
        startDate: '2026-03-02',
        weeks: 8,
        weeksOver: 1,
        rows: [row(1, 162), row(2, 60)],
        along: [{ ...row(1, 80), group: 'calf' }],
      },
      sensations: [],
    });
    expect(screen.text).toContain('90% of the weeks that are over');
    expect(screen.text).toMatch(/counted half .*Calf \(gastrocnemius\)\s*180\s*80/);
    const rows = [...screen.el.querySelectorAll('y-mirror-row [role=img]')].map((r) => r.getAttribute('aria-label'));
    expect(rows).toEqual([
      'Week 1: left 162 s; right 162 s. planned 180 s per side · 90%',
      'Week 2: left 60 s; right 60 s. planned 180 s per side · 33%',
    ]);
  });

  const weekly = (values: number[]) =>
    values.map((v, i) => assessment(`2026-0${i < 4 ? 1 : 2}-${String(((i * 7) % 28) + 1).padStart(2, '0')}`, [v], []));

  it('draws a trend from five dates on, and says what it leads to', async () => {
    const goal = {
      id: 'g',
      testId: 'active-knee-extension',
      value: 20,
      due: '2026-06-01',
      words: '',
      setOn: '2026-01-01',
      endedOn: null,
    };
    const six = await open(
      { assessments: weekly([45, 43, 41, 38.5, 37, 35]), dose: null, sensations: [] },
      { ...NO_PRIORITIES, goals: [goal] },
    );
    expect(six.text).toContain('● Left on course +1.8° a week');
    expect(six.text).toMatch(/\(95% range \+[\d.]+ to \+[\d.]+; 6 dates/);
    // Six dates at an error of 3° do not hold two ends (docs/calibration.md).
    expect(six.text).toMatch(/20° not before \d+ \w+ 2026/);
    const four = await open({ assessments: weekly([45, 43, 41, 39]), dose: null, sensations: [] });
    expect(four.text).toContain('A trend needs results on five dates.');
  });

  it('says what a session did on a day with two assessments, and does not add it to the trend', async () => {
    const morning = weekly([45, 44, 45, 44, 45]);
    const after = assessment('2026-02-01', [30], [], { id: 'later', time: '11:00', warm: true });
    const screen = await open({ assessments: [...morning, after], dose: null, sensations: [] });
    expect(screen.text).toContain('On 1 Feb: 15° freer at the later assessment, more than measurement error.');
    expect(screen.text).toMatch(/5 dates/);
  });

  it('uses the error of who measured', async () => {
    const screen = await Screen.open(ProgressScreen, { clientId: 'c1' }, () =>
      TestBed.overrideComponent(ProgressScreen, { remove: { imports: [HistoryChart] }, add: { imports: [ChartStub] } }),
    );
    await screen.answer('/test-catalogue', {
      ownTests: [],
      batteries: [],
      errors: [
        {
          id: 'e',
          testId: 'active-knee-extension',
          coachId: 'k1',
          coachName: 'Mara',
          sem: 1,
          low: null,
          high: null,
          clients: null,
          source: { origin: 'own', text: 'x' },
          studyId: null,
          since: '2026-01-01',
        },
      ],
    });
    await screen.answer('/clients/c1/progress', {
      today: '2026-03-10',
      choices: [],
      assessments: [assessment('2026-01-05', [39, 39], []), assessment('2026-03-08', [35, 35], [])],
      dose: null,
      sensations: [],
      felt: [],
    });
    // MDC95 of SEM 1: 1.96·√2 = 2.8.
    expect(screen.text).toContain('A change above 2.8° is real.');
    expect(screen.text).toContain('▲ improved');
  });
});
