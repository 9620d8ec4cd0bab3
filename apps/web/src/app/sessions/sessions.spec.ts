import type { Block, SessionSummary } from '@yandle/contract';
import { aBlock, aDraft, aLane } from '../testing/a-block';
import { Screen, TODAY } from '../testing/screen';
import { SessionsScreen } from './sessions';

const block: Block = aBlock(aDraft({ weeks: 4, lanes: [aLane('soleus', 'bent-knee-wall-calf')] }), { version: 1 });
const session = (date: string, status: SessionSummary['status']): SessionSummary => ({
  id: date,
  clientId: 'c1',
  blockId: 'b1',
  name: null,
  date,
  plannedDate: date,
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
    for (const r of screen.http.match('/api/v1/clients/c1/calendar-link')) r.flush({ path: null, madeAt: null });
    await screen.settle();
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
    expect(screen.text).toContain('Baseline due by 8 Mar');
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
    expect(links.map((l) => /(not logged|done|started|planned)$/.exec(l)?.[1])).toEqual([
      'not logged',
      'done',
      'started',
      'planned',
    ]);
    expect(links[0]).toContain('no log');
    expect(links[0]).toContain('5:27 minutes, Soleus');
  });

  it('makes the changes of a practised client brisk, and shows the lengths as they are then', async () => {
    const screen = await open([session('2026-03-13', 'planned')], [block]);
    screen.el.querySelector<HTMLInputElement>('y-brisk-switch input')!.click();
    const put = screen.request('PUT', '/clients/c1/timings');
    expect(put.request.body).toEqual({ brisk: true, own: {} });
    put.flush({});
    await screen.settle();
    screen.http
      .expectOne('/api/v1/clients/c1/sessions')
      .flush([{ ...session('2026-03-13', 'planned'), totalSeconds: 300 }]);
    await screen.answer('/clients/c1/blocks', [block]);
    expect(screen.text).toContain('5:00');
  });

  it('puts the rounds of a day together: one day, each round for itself', async () => {
    const round = (no: number, status: SessionSummary['status']): SessionSummary => ({
      ...session('2026-05-02', status),
      ...{ id: `r${no}`, blockId: null, week: null, name: 'Desk break', dayRound: { no, of: 3 } },
    });
    const screen = await open([round(1, 'done'), round(2, 'planned'), round(3, 'planned')], []);
    expect(screen.text).toContain('Desk break 1 of 3 done Round 1, 5:27 ✓ Round 2, 5:27 Round 3, 5:27');
    expect(screen.el.querySelectorAll('section[aria-labelledby="others"] li')).toHaveLength(1);
  });

  it('leads to the block when there is none', async () => {
    expect((await open([], [])).text).toContain('Sessions come from a block, or are made one by one. Build a block');
  });

  it('shows what went wrong', async () => {
    const screen = await Screen.open(SessionsScreen, { clientId: 'c1' });
    screen.http.expectOne('/api/v1/clients/c1/blocks');
    await screen.answer('/clients/c1/sessions', { code: 'internal', title: 'x', detail: 'Try again.' }, 500);
    expect(screen.text).toContain('Try again.');
  });

  it('moves a session to a free day, and says when it comes too close to a retest', async () => {
    const screen = await open([session('2026-03-13', 'planned'), session('2026-03-16', 'planned')], [block]);
    screen.el.querySelector<HTMLButtonElement>('button[aria-pressed]')!.click();
    await screen.settle();
    const places = [...screen.el.querySelectorAll<HTMLButtonElement>('td button')].filter((b) =>
      b.textContent.includes('here'),
    );
    // The last retest is Sunday 5 April: the day itself and the one before are too close.
    expect(
      places.filter((b) => b.textContent.includes('too close')).map((b) => b.textContent.trim().slice(0, 5)),
    ).toEqual(['4 Apr', '5 Apr']);
    places[0]!.click();
    const put = screen.request('PUT', '/sessions/2026-03-13/date');
    expect(put.request.body).toEqual({ date: TODAY });
    put.flush({});
    await screen.settle();
    screen.http.expectOne('/api/v1/clients/c1/sessions').flush([session(TODAY, 'planned')]);
    await screen.answer('/clients/c1/blocks', [block]);
    expect(screen.text).toContain('11 Mar');
  });

  it('marks a week as missed, skipped or shifting the block, and takes days away', async () => {
    const screen = await open([session('2026-03-09', 'planned'), session('2026-03-13', 'planned')], [block]);
    await screen.press('shift');
    const put = screen.request('PUT', '/blocks/b1');
    expect(put.request.body).toMatchObject({
      version: 1,
      weeks: 5,
      missedWeeks: [1],
      easierWeeks: [5],
      reason: 'Week 1 missed: the block is a week longer',
    });
    put.flush({ code: 'conflict', title: 'x', detail: 'Look again.' }, { status: 409, statusText: 'c' });
    await screen.settle();
    expect(screen.text).toContain('Look again.');
    const [from, to] = [...screen.el.querySelectorAll<HTMLInputElement>('form input[type=date]')];
    from!.value = '2026-03-20';
    to!.value = '2026-03-18';
    await screen.press('Add');
    expect(screen.text).toContain('The last day is before the first.');
    to!.value = '2026-03-22';
    await screen.press('Add');
    expect(screen.request('PUT', '/blocks/b1').request.body).toMatchObject({
      away: [{ from: '2026-03-20', to: '2026-03-22' }],
      reason: 'Away 20 Mar to 22 Mar',
    });
  });

  it('gives the calendar an address, shown once, and takes it back', async () => {
    const screen = await open([session('2026-03-13', 'planned')], [block]);
    await screen.press('Make an address');
    screen
      .request('POST', '/clients/c1/calendar-link')
      .flush({ path: '/api/v1/calendar/abc.ics', madeAt: '2026-03-11T10:00:00.000Z' });
    await screen.settle();
    expect(screen.el.querySelector<HTMLInputElement>('input[readonly]')!.value).toContain('/api/v1/calendar/abc.ics');
    await screen.press('Turn it off');
    screen.request('DELETE', '/clients/c1/calendar-link').flush({});
    await screen.settle();
    expect(screen.el.querySelector('input[readonly]')).toBeNull();
  });
});
