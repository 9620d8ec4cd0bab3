import type { ReviewedLaneView, WeekReview } from '@yandle/contract';
import { Screen } from '../testing/screen';
import { ReviewScreen } from './review';

const lane = (group: ReviewedLaneView['group'], over: Partial<ReviewedLaneView> = {}): ReviewedLaneView => ({
  laneId: group,
  group,
  review: { move: 'advance', because: { code: 'as-planned', args: { percent: 96 } }, asks: [] },
  proposal: { move: 'advance' },
  ...{ shownWeek: 4, planned: '2 × 35 s, 3 days', proposed: '2 × 35 s, 3 days', decision: null },
  ...over,
});
const sore = lane('hamstrings', {
  review: { move: 'ease two', because: { code: 'sore-twice', args: { days: 2 } }, asks: [] },
  proposal: { move: 'ease two' },
  proposed: '2 × 30 s, 3 days',
});
const review = (lanes: readonly ReviewedLaneView[], version = 4): WeekReview => ({
  ...{ blockId: 'b1', version, week: 3, fromWeek: 4, standing: false, lanes },
});

describe('ReviewScreen', () => {
  async function open(answer: WeekReview | null): Promise<Screen<ReviewScreen>> {
    const screen = await Screen.open(ReviewScreen, { clientId: 'c1' });
    await screen.answer('/clients/c1/review', answer);
    return screen;
  }
  const put = (screen: Screen<ReviewScreen>) => screen.request('PUT', '/clients/c1/review');

  it('shows exceptions first, with the reason in numbers and next week beside the plan', async () => {
    const screen = await open(review([lane('soleus'), sore]));
    expect([...screen.el.querySelectorAll('h2')].map((h) => h.textContent)).toEqual(['Hamstrings', 'Soleus']);
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
    asked.flush(review([{ ...sore, decision }], 5));
    await screen.settle();
    expect(screen.text).toContain('✓ Repeat the step, Mara, 11 Mar: “Sore from hiking”');
    screen.button('Decide again').click();
    expect(put(screen).request.body).toMatchObject({ version: 5, decisions: [{ laneId: 'hamstrings', move: null }] });
  });

  it('shows what another coach has decided meanwhile, and why it was refused', async () => {
    const screen = await open(review([lane('soleus'), sore]));
    screen.button('Accept the plain one').click();
    const problem = { code: 'stale-version', title: 'x', detail: 'Someone else changed this.' };
    put(screen).flush(problem, { status: 409, statusText: 'Conflict' });
    await screen.settle();
    const decision = {
      move: 'advance',
      reason: '',
      coachName: 'Joris',
      at: '2026-03-11T08:00:00Z',
      byItself: false,
    } as const;
    await screen.answer('/clients/c1/review', review([lane('soleus', { decision }), sore], 5));
    expect(screen.text).toContain('Someone else changed this.');
    expect(screen.text).toContain('✓ Go on as planned, Joris');
  });

  it('says what a review is of, before there is one', async () => {
    expect((await open(null)).text).toContain(
      'A week of a running block is reviewed once its sessions are done or past.',
    );
  });
});
