import type { ClientReview, ReviewedLaneView } from '@yandle/contract';
import { reviewedLane as lane, soreLane as sore } from '../testing/reviewed-lane';
import { Screen } from '../testing/screen';
import { ReviewsScreen } from './reviews';

const of = (clientId: string, clientName: string, lanes: readonly ReviewedLaneView[]): ClientReview => ({
  ...{
    clientId,
    clientName,
    blockId: `b-${clientId}`,
    version: 2,
    week: 3,
    fromWeek: 4,
    standing: false,
    lanes,
    changed: [],
  },
});
const decidedIn = (r: ClientReview): ClientReview => ({
  ...r,
  version: 3,
  lanes: r.lanes.map((l) => ({
    ...l,
    decision: { move: l.proposal.move, reason: '', coachName: 'Mara', at: '2026-03-11T08:00:00Z', byItself: false },
  })),
});

const aurel = of('c1', 'Aurel Winkelbach', [lane('soleus'), lane('calf')]);
const berit = of('c2', 'Berit Solheim', [sore, lane('soleus')]);

describe('ReviewsScreen', () => {
  async function open(answer: readonly ClientReview[]): Promise<Screen<ReviewsScreen>> {
    const screen = await Screen.open(ReviewsScreen);
    await screen.answer('/reviews?whose=all', answer);
    return screen;
  }

  it('shows exceptions one by one, and what they make of next week once it is planned', async () => {
    const screen = await open([aurel, berit]);
    expect(screen.text).toContain('1 lane needs a look, 3 are plain.');
    expect([...screen.el.querySelectorAll('h3')].map((h) => h.textContent.trim())).toEqual([
      'Berit Solheim · Hamstrings, week 3',
    ]);
    await screen.answer('/clients/c2/review', {
      ...berit,
      lanes: [{ ...sore, proposed: '2 × 30 s, 3 days' }, lane('soleus')],
    });
    expect(screen.text).toContain('Week 4: 2 × 35 s, 3 days');
    expect(screen.text).toContain('2 × 30 s, 3 days');
  });

  it('takes all plain ones, client by client, and says who was left', async () => {
    const screen = await open([aurel, berit]);
    await screen.answer('/clients/c2/review', berit);
    screen.button('Accept all 3 plain ones').click();
    await screen.settle();
    const first = screen.request('PUT', '/clients/c1/review');
    expect(first.request.body).toEqual({
      ...{ version: 2, week: 3 },
      decisions: ['soleus', 'calf'].map((laneId) => ({ laneId, move: 'advance', reason: '' })),
    });
    expect(screen.text).toContain('0 of 2 clients');
    first.flush(decidedIn(aurel));
    await screen.settle();
    const problem = { code: 'stale-version', title: 'x', detail: 'Someone else changed this.' };
    screen.request('PUT', '/clients/c2/review').flush(problem, { status: 409, statusText: 'Conflict' });
    await screen.settle();
    await screen.answer('/clients/c2/review', { ...decidedIn(berit), version: 9 });
    expect(screen.text).toContain('Berit Solheim was left as it is: Someone else changed this.');
    expect(screen.text).toContain('1 lane needs a look, 1 is plain.');
  });

  it('stops when it is cancelled', async () => {
    const screen = await open([aurel, { ...berit, lanes: [lane('soleus')] }]);
    screen.button('Accept all 3 plain ones').click();
    await screen.settle();
    screen.button('Cancel').click();
    screen.request('PUT', '/clients/c1/review').flush(decidedIn(aurel));
    await screen.settle();
    screen.http.expectNone((r) => r.method === 'PUT');
    expect(screen.text).toContain('0 lanes need a look, 1 is plain.');
  });

  it('moves along the decisions of a row by arrows', async () => {
    const screen = await open([berit]);
    await screen.answer('/clients/c2/review', berit);
    const buttons = [...screen.el.querySelectorAll<HTMLElement>('li [role=group] button')];
    expect(buttons.map((b) => b.textContent.trim())).toEqual([
      'Two steps back',
      ...['Go on as planned', 'Repeat the step', 'One step back'],
      'Keep what is reached',
    ]);
    buttons[0]!.focus();
    buttons[0]!.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowRight', bubbles: true }));
    expect(document.activeElement).toBe(buttons[1]);
    buttons[1]!.click();
    expect(screen.request('PUT', '/clients/c2/review').request.body).toMatchObject({
      decisions: [{ laneId: 'hamstrings', move: 'advance' }],
    });
  });

  it('says what a review is of, before there is one', async () => {
    expect((await open([])).text).toContain('No running block has a week that is over.');
  });
});
