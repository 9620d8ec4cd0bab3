import type { Block, SessionSummary } from '@yandle/contract';
import { Screen, TODAY } from '../testing/screen';
import { SessionsScreen } from './sessions';

const block: Block = {
  id: 'b1',
  clientId: 'c1',
  version: 1,
  revision: 1,
  startDate: '2026-03-09',
  endDate: '2026-04-05',
  weeks: 4,
  ramp: 0.2,
  easierEvery: 4,
  lanes: [
    {
      id: 'l1',
      group: 'soleus',
      styleId: 'steady-hold',
      exerciseId: 'bent-knee-wall-calf',
      limitReasons: [],
      weeks: [1, 2, 3, 4].map((week) => ({
        week,
        kind: week === 4 ? ('easier' as const) : ('build' as const),
        prescription: { technique: 'static hold' as const, sets: 2, holdSeconds: 30, sessionsPerWeek: 3, sensation: 5 },
        dose: 180,
        step: 1,
        changed: null,
        reason: 'as planned here',
      })),
    },
  ],
  retests: [
    { week: 1, date: '2026-03-08' },
    { week: 4, date: '2026-04-05' },
  ],
  replannable: true,
  endedAt: null,
};
const session = (date: string, status: SessionSummary['status']): SessionSummary => ({
  id: date,
  clientId: 'c1',
  blockId: 'b1',
  date,
  week: 1,
  status,
  totalSeconds: 327,
  exerciseIds: ['bent-knee-wall-calf'],
});

describe('SessionsScreen', () => {
  async function open(sessions: SessionSummary[], blocks: Block[]): Promise<Screen<SessionsScreen>> {
    const screen = await Screen.open(SessionsScreen, { clientId: 'c1' });
    screen.http.expectOne('/api/v1/clients/c1/sessions').flush(sessions);
    await screen.answer('/clients/c1/blocks', blocks);
    return screen;
  }

  it('lays the block out by week and day, with retests and easier weeks', async () => {
    const screen = await open(
      [session('2026-03-09', 'done'), session(TODAY, 'started'), session('2026-03-13', 'planned')],
      [block],
    );
    expect(screen.el.querySelectorAll('tbody tr')).toHaveLength(4);
    expect([...screen.el.querySelectorAll('thead th')].map((t) => t.textContent.trim())).toEqual([
      'Week',
      'Mon',
      'Tue',
      'Wed',
      'Thu',
      'Fri',
      'Sat',
      'Sun',
    ]);
    expect(screen.text).toContain('4 easier');
    expect(screen.text).toContain('5 Apr ⚑ retest');
    expect(screen.text).toContain('Baseline measured by 8 Mar');
    expect(screen.text).toContain('1 done of 1 up to yesterday, 3 in the block');
  });

  it('says the state of each session also to who cannot see the tick', async () => {
    const screen = await open(
      [
        session('2026-03-09', 'planned'),
        session('2026-03-10', 'done'),
        session(TODAY, 'started'),
        session('2026-03-13', 'planned'),
      ],
      [block],
    );
    const links = [...screen.el.querySelectorAll('tbody a')].map((a) => a.textContent.replace(/\s+/g, ' ').trim());
    expect(links.map((l) => /(not logged|done|begun|planned)$/.exec(l)?.[1])).toEqual([
      'not logged',
      'done',
      'begun',
      'planned',
    ]);
    expect(links[0]).toContain('no log');
    expect(links[0]).toContain('5:27 minutes, Soleus');
  });

  it('leads to the block when there is none', async () => {
    expect((await open([], [])).text).toContain('Sessions come from a block. Build one');
  });

  it('shows what went wrong', async () => {
    const screen = await Screen.open(SessionsScreen, { clientId: 'c1' });
    screen.http.expectOne('/api/v1/clients/c1/blocks');
    await screen.answer('/clients/c1/sessions', { code: 'internal', title: 'x', detail: 'Try again.' }, 500);
    expect(screen.text).toContain('Try again.');
  });
});
