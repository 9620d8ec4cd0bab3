import type { Today } from '@yandle/contract';
import { Screen, textOf, TODAY } from '../testing/screen';
import { TodayScreen } from './today';

const empty: Today = {
  date: TODAY,
  sessions: [],
  sessionCount: 0,
  ahead: [],
  retests: [],
  quickChecks: [],
  lateLogs: [],
  unwell: [],
  sore: [],
  symptoms: [],
  missed: [],
  reviewsDue: 0,
  plateaus: [],
  away: [],
  clearances: [],
  questions: [],
  withoutBlock: [],
};
const session = (date: string, over: object = {}) => ({
  id: `s-${date}`,
  clientId: 'c1',
  clientName: 'Ottoline Varga',
  blockId: 'b1',
  name: null,
  date,
  plannedDate: date,
  week: 2,
  status: 'planned' as const,
  totalSeconds: 718,
  exerciseIds: ['bent-knee-wall-calf', 'supine-strap-hamstring'],
  ...over,
});

describe('TodayScreen', () => {
  async function open(over: Partial<Today>): Promise<Screen<TodayScreen>> {
    const screen = await Screen.open(TodayScreen);
    await screen.answer('/today?whose=all', { ...empty, ...over });
    return screen;
  }
  const section = (screen: Screen<TodayScreen>, id: string) =>
    textOf(screen.el.querySelector(`section[aria-labelledby=${id}]`)!);

  it('tells today from the days to come', async () => {
    const friday = '2026-03-13';
    const screen = await open({
      ...{ sessions: [session(TODAY)], sessionCount: 1 },
      ahead: [{ date: friday, count: 2, sessions: [session(friday)] }],
    });
    expect(screen.text).toContain('Wednesday 11 March');
    expect(section(screen, 'mat')).toContain('Ottoline Varga Soleus, Hamstrings · week 2 11:58 Open');
    expect(section(screen, 'ahead')).toContain('Fri 13 Mar Ottoline Varga 11:58');
    expect(section(screen, 'ahead')).not.toContain('Wed 11 Mar');
    // The rest of a day is asked for when it is wanted.
    await screen.press('All 2');
    const both = [session(friday), session(friday, { id: 'y', clientName: 'Tobin' })];
    await screen.answer(`/today/sessions?whose=all&date=${friday}`, both);
    expect(section(screen, 'ahead')).toContain('Fri 13 Mar Ottoline Varga 11:58 Tobin 11:58');
    expect(section(screen, 'ahead')).not.toContain('All 2');
  });

  it('shows what is done and what was begun', async () => {
    const screen = await open({
      ...{ sessionCount: 2 },
      sessions: [session(TODAY, { status: 'done' }), session(TODAY, { id: 'x', status: 'started' })],
    });
    expect(section(screen, 'mat')).toContain('✓ done');
    expect(section(screen, 'mat')).toContain('Resume');
  });

  it('gives each thing that needs the coach its reason and one way on', async () => {
    const screen = await open({
      symptoms: [
        {
          id: 'y',
          clientId: 'c1',
          clientName: 'Tobin',
          sessionId: 's',
          exerciseId: 'supine-strap-hamstring',
          side: 'right',
          symptom: 'numbness',
          date: '2026-03-09',
          clearedAt: null,
        },
      ],
      clearances: [{ clientId: 'c2', clientName: 'Petronella', note: '' }],
      withoutBlock: [{ clientId: 'c3', clientName: 'Dario', reason: 'not measured yet' }],
      retests: [
        { clientId: 'c1', clientName: 'Isaura', date: '2026-03-10', week: 4 },
        { clientId: 'c4', clientName: 'Emeric', date: '2026-03-12', week: 1 },
      ],
    });
    const needs = section(screen, 'needs');
    expect(needs).toContain('Tobin: numbness or tingling');
    expect(needs).toContain('on hold until you clear it');
    expect(needs).toContain('Petronella: doctor or physiotherapist first Planning is blocked');
    expect(needs).toContain('Dario not measured yet');
    expect(section(screen, 'retests')).toContain('Isaura was due Tue 10 Mar · week 4');
    expect(section(screen, 'retests')).toContain('Emeric Thu 12 Mar · baseline');
  });

  it('says what to do when there is nothing', async () => {
    const screen = await open({});
    expect(section(screen, 'mat')).toContain('Nobody has a session today.');
    expect(section(screen, 'needs')).toContain('Add a client');
  });

  it('says what is wrong and asks again', async () => {
    const screen = await Screen.open(TodayScreen);
    await screen.answer(
      '/today?whose=all',
      { code: 'database-unavailable', title: 'Down', detail: 'Wait a moment.' },
      503,
    );
    expect(screen.text).toContain('Wait a moment.');
    await screen.press('Try again');
    await screen.answer('/today?whose=all', empty);
    expect(screen.text).toContain('Nobody has a session today.');
  });

  it('lists who is due for the weekly quick check', async () => {
    const screen = await open({
      quickChecks: [
        { clientId: 'c1', clientName: 'Ottoline Varga', last: '2026-03-02' },
        { clientId: 'c2', clientName: 'Tobin', last: null },
      ],
    });
    const text = section(screen, 'retests');
    expect(text).toContain('Ottoline Varga weekly quick check · last assessment Mon 2 Mar');
    expect(text).toContain('Tobin weekly quick check · not measured yet');
  });

  it('is a glance for a studio of 300: kinds of things in order, three of each, and all behind a press', async () => {
    const three = (i: number) => ({ clientId: `c${i}`, clientName: `Person ${String(i).padStart(3, '0')}` });
    const many = Array.from({ length: 257 }, (_, i) => three(i));
    const sessions = many.slice(0, 60).map((c, i) => session(TODAY, { ...c, id: `s${i}` }));
    const screen = await open({
      withoutBlock: many.map((c) => ({ ...c, reason: 'not measured yet' })),
      missed: many.slice(0, 40).map((c) => ({ ...c, week: 3 })),
      clearances: many.slice(0, 1).map((c) => ({ ...c, note: '' })),
      reviewsDue: 85,
      plateaus: [{ ...three(9), groups: ['hamstrings', 'calf'] }],
      away: [{ ...three(7), away: [{ from: '2026-03-16', to: '2026-03-20' }] }],
      ...{ sessions: sessions.slice(0, 12), sessionCount: 60 },
    });
    const needs = screen.el.querySelector('section[aria-labelledby=needs]')!;
    expect([...needs.querySelectorAll('h3')].map((x) => x.textContent.trim())).toEqual([
      'Missed weeks (40)',
      'Weekly reviews',
      'Plateaus',
      'Days away',
      'Clearances',
      'No block running (257)',
    ]);
    expect(needs.querySelectorAll('a').length).toBe(3 + 1 + 1 + 1 + 1 + 3);
    expect(textOf(needs)).toContain('85 clients to review');
    expect(textOf(needs)).toMatch(/Person 009: hamstrings, calf.* on a plateau/);
    expect(textOf(needs)).toContain('Person 007 is away Mon 16 Mar to Fri 20 Mar');
    await screen.press('All 257');
    expect(needs.querySelectorAll('a').length).toBe(3 + 1 + 1 + 1 + 1 + 257);
    expect(screen.el.querySelectorAll('section[aria-labelledby=mat] li').length).toBe(13);
    await screen.press('All 60 sessions of today');
    await screen.answer(`/today/sessions?whose=all&date=${TODAY}`, sessions);
    expect(screen.el.querySelectorAll('section[aria-labelledby=mat] li').length).toBe(60);
  });

  it('says who is sore, and what arrived late from a phone', async () => {
    const screen = await open({
      unwell: [{ clientId: 'c2', clientName: 'Lorcan', sessionId: 's7', date: '2026-03-08' }],
      sore: [{ clientId: 'c1', clientName: 'Ottoline', date: '2026-03-08', region: 'thigh-back', soreness: 8 }],
      lateLogs: [{ clientId: 'c2', clientName: 'Tobin', runs: 2 }],
    });
    expect(screen.text).toContain('Ottoline: soreness 8 of 10, back of the thigh');
    expect(screen.text).toContain('Lorcan was unwell, no session');
    expect(screen.text).toContain('Tobin: 2 sessions logged late');
    expect(screen.text).not.toContain('Nothing waits for you');
  });
});
