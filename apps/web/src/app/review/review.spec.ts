import type { CheckIn, ReviewedLaneView, WeekReview } from '@yandle/contract';
import { reviewedLane as lane, soreLane as sore } from '../testing/reviewed-lane';
import { Screen } from '../testing/screen';
import { ReviewScreen } from './review';

const review = (lanes: readonly ReviewedLaneView[], version = 4): WeekReview => ({
  ...{ blockId: 'b1', version, week: 3, fromWeek: 4, standing: false, lanes, changed: [] },
});

const checkIn = (over: Partial<CheckIn> = {}): CheckIn => ({
  ...{ id: 's1', date: '2026-03-10', moment: 'day', sessionId: null, stiffness: [{ region: 'thigh-back', score: 6 }] },
  ...{ complaints: [], inTheWay: ['time'], away: [], note: '', awaySeen: true },
  ...over,
});

const byJoris = {
  move: 'advance',
  ...{ reason: '', coachName: 'Joris', at: '2026-03-11T08:00:00Z', byItself: false },
} as const;

describe('ReviewScreen', () => {
  async function open(answer: WeekReview | null, said: readonly CheckIn[] = []): Promise<Screen<ReviewScreen>> {
    const screen = await Screen.open(ReviewScreen, { clientId: 'c1' });
    await screen.answer('/clients/c1/review', answer);
    if (answer) await screen.answer('/clients/c1/check-ins', said);
    return screen;
  }
  const put = (screen: Screen<ReviewScreen>) => screen.request('PUT', '/clients/c1/review');

  it('shows exceptions first, with the reason in numbers and next week beside the plan', async () => {
    const screen = await open(review([lane('soleus'), sore]));
    expect([...screen.el.querySelectorAll('li h2')].map((h) => h.textContent)).toEqual(['Hamstrings', 'Soleus']);
    expect(screen.text).toContain('Two steps back. Very sore on 2 days in two weeks');
    expect(screen.text).toContain('with the proposal 2 × 30 s, 3 days');
    expect(screen.text).toContain('2 of 2 lanes to decide.');
  });

  it('takes all plain ones by one press, and leaves the exceptions', async () => {
    const screen = await open(review([lane('soleus'), sore, lane('calf')]));
    screen.button('Accept all 2 plain ones').click();
    expect(put(screen).request.body).toEqual({
      ...{ version: 4, week: 3 },
      decisions: ['soleus', 'calf'].map((laneId) => ({ laneId, move: 'advance', reason: '' })),
    });
  });

  it('decides one lane otherwise, with a reason, and again', async () => {
    const screen = await open(review([sore]));
    const [select] = screen.el.querySelectorAll('select');
    expect(select!.value).toBe('ease two');
    select!.value = 'repeat';
    await screen.fill('input[aria-label="Reason: Hamstrings"]', ' Sore from hiking ');
    screen.button('Accept: Hamstrings').click();
    const asked = put(screen);
    expect(asked.request.body).toMatchObject({
      decisions: [{ laneId: 'hamstrings', move: 'repeat', reason: 'Sore from hiking' }],
    });
    const decision = {
      move: 'repeat',
      reason: 'Sore from hiking',
      coachName: 'Mara',
      at: '2026-03-11T08:00:00Z',
      byItself: false,
    } as const;
    const changed = [{ group: 'hamstrings', week: 4, before: '2 × 35 s, 3 days', after: '2 × 30 s, 3 days' }] as const;
    asked.flush({ ...review([{ ...sore, decision }], 5), changed });
    await screen.settle();
    expect(screen.text).toContain('✓ Repeat the step, Mara, 11 Mar: “Sore from hiking”');
    expect(screen.text).toContain('Hamstrings, week 4: 2 × 35 s, 3 days → is now 2 × 30 s, 3 days');
    screen.button('Decide again').click();
    expect(put(screen).request.body).toMatchObject({ version: 5, decisions: [{ laneId: 'hamstrings', move: null }] });
  });

  it('shows what another coach has decided meanwhile, and why it was refused', async () => {
    const screen = await open(review([lane('soleus'), sore]));
    screen.button('Accept the plain one').click();
    const problem = { code: 'stale-version', title: 'x', detail: 'Someone else changed this.' };
    put(screen).flush(problem, { status: 409, statusText: 'Conflict' });
    await screen.settle();
    const theirs = review([lane('soleus', { decision: byJoris }), sore], 5);
    // Looked at once to bring both together, and once to show it.
    await screen.answer('/clients/c1/review', theirs);
    await screen.answer('/clients/c1/review', theirs);
    expect(screen.text).toContain('Someone else changed this.');
    expect(screen.text).toContain('✓ Go on as planned, Joris');
  });

  it('lets both stand where another coach has decided other lanes', async () => {
    const screen = await open(review([lane('soleus'), sore]));
    screen.button('Accept: Hamstrings').click();
    const problem = { code: 'stale-version', title: 'x', detail: 'Someone else changed this.' };
    put(screen).flush(problem, { status: 409, statusText: 'Conflict' });
    await screen.settle();
    await screen.answer('/clients/c1/review', review([lane('soleus', { decision: byJoris }), sore], 5));
    const again = put(screen);
    expect(again.request.body).toMatchObject({ version: 5, decisions: [{ laneId: 'hamstrings', move: 'ease two' }] });
    const mine = { ...byJoris, move: 'ease two', coachName: 'Mara' } as const;
    again.flush(review([lane('soleus', { decision: byJoris }), { ...sore, decision: mine }], 6));
    await screen.settle();
    expect(screen.text).toContain('✓ Go on as planned, Joris');
    expect(screen.text).toContain('✓ Two steps back, Mara');
    expect(screen.text).not.toContain('Someone else changed this.');
  });

  it('decides nothing of a lane about which something new was logged meanwhile', async () => {
    const screen = await open(review([lane('soleus'), sore]));
    screen.button('Accept the plain one').click();
    put(screen).flush(
      { code: 'stale-version', title: 'x', detail: 'Someone else changed this.' },
      { status: 409, statusText: 'C' },
    );
    await screen.settle();
    const stopped = { move: 'repeat', because: { code: 'stop-sign', args: { times: 1 } }, asks: [] } as const;
    const now = review([lane('soleus', { review: stopped }), sore], 5);
    await screen.answer('/clients/c1/review', now);
    screen.http.expectNone((r) => r.method === 'PUT');
    await screen.answer('/clients/c1/review', now);
    expect(screen.text).toContain('Someone else changed this.');
  });

  it('shows what was done on each side against the plan, and what the client said', async () => {
    const felt = { highest: 7, times: 3, target: 5 };
    const record = { planned: 180, done: { left: 180, right: 120 }, inSeconds: true, felt, soreDays: 1 };
    const screen = await open(review([lane('soleus', { record })]), [
      checkIn({ complaints: [{ region: 'low-back', score: 2 }] }),
      checkIn({
        id: 's0',
        date: '2026-03-03',
        complaints: [{ region: 'low-back', score: 5 }],
        stiffness: [],
        inTheWay: [],
      }),
    ]);
    expect(screen.el.querySelector('[role=img]')!.getAttribute('aria-label')).toBe(
      'Done: left 180 s, right 120 s, of 180 s a side planned',
    );
    expect(screen.text).toContain('Sensation up to 7 of 10, target 5, said 3 times.');
    expect(screen.text).toContain('Very sore on 1 day in two weeks.');
    expect(screen.text).toContain('Stiffness: Back of the thigh 6 of 10');
    expect(screen.text).toContain('Complaints: Low back 2 of 10, better (was 5)');
    expect(screen.text).toContain('In the way: no time');
  });

  it('plans around days away by one press', async () => {
    const away = [{ from: '2026-03-16', to: '2026-03-20' }];
    const screen = await open(review([lane('soleus')]), [checkIn({ away, awaySeen: false })]);
    expect(screen.text).toContain('Away 16 Mar to 20 Mar');
    screen.button('Plan around it').click();
    const asked = screen.request('PUT', '/clients/c1/check-ins/s1/away');
    expect(asked.request.body).toEqual({ plan: true });
    asked.flush([checkIn({ away })]);
    await screen.settle();
    expect(screen.text).not.toContain('Plan around it');
  });

  it('says what a review is of, before there is one', async () => {
    expect((await open(null)).text).toContain(
      'A week of a running block is reviewed once its sessions are done or past.',
    );
  });
});
