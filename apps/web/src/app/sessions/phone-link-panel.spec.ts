import type { LateLog } from '@yandle/contract';
import { Screen } from '../testing/screen';
import { PhoneLinkPanel } from './phone-link-panel';

const late: LateLog = {
  runId: 'r1',
  reason: 'plan',
  receivedAt: '2026-03-11T17:00:00.000Z',
  date: '2026-03-10',
  started: true,
  sets: 4,
  seconds: 120,
  symptoms: 1,
};

describe('PhoneLinkPanel', () => {
  async function open(runs: readonly LateLog[] = []): Promise<Screen<PhoneLinkPanel>> {
    const screen = await Screen.open(PhoneLinkPanel, { clientId: 'c1' });
    await screen.answer('/clients/c1/phone-link', null);
    await screen.answer('/clients/c1/late-logs', [...runs]);
    return screen;
  }

  it('makes a link whose token stands behind the #, with a code to scan, and ends it', async () => {
    const screen = await open();
    await screen.press('Make a link');
    screen
      .request('POST', '/clients/c1/phone-link')
      .flush({ token: 'a-token-of-the-test', expiresAt: '2026-09-07T08:00:00.000Z' });
    await screen.settle();
    const url = new URL(screen.el.querySelector('input')!.value);
    expect([url.pathname, url.hash]).toEqual(['/s/start', '#a-token-of-the-test']);
    expect(screen.text).toContain('works until 7 Sep 2026, not opened yet');
    // The code is drawn by a part that is loaded when it is needed.
    await vi.waitFor(() => {
      screen.fixture.detectChanges();
      expect(screen.el.querySelector('img')).not.toBeNull();
    }, 5000);
    expect(screen.el.querySelector('img')!.src).toMatch(/^data:image\/png/);
    await screen.press('End the link');
    screen.request('POST', '/clients/c1/phone-link/revoke').flush({});
    await screen.settle();
    expect(screen.el.querySelector('input')).toBeNull();
  });

  it('shows what arrived late, and takes it in when the coach says so', async () => {
    const screen = await open([late]);
    expect(screen.text).toContain('Arrived late: session of Tue 10 Mar');
    expect(screen.text).toContain('4 sets, 120 s, with something felt. Its session is no longer in the block');
    await screen.press('Accept');
    const sent = screen.request('PUT', '/clients/c1/late-logs/r1');
    expect(sent.request.body).toEqual({ accept: true });
    sent.flush([]);
    await screen.settle();
    expect(screen.text).not.toContain('Arrived late');
  });

  it('asks which session sets belong to whose beginning never arrived', async () => {
    const screen = await open([{ ...late, date: null, started: false }]);
    await screen.answer('/clients/c1/sessions', [
      { id: 's1', date: '2026-03-09' },
      { id: 's2', date: '2026-03-10' },
      { id: 's3', date: '2026-03-30' },
    ]);
    const accept = screen.button('Accept');
    expect(accept.disabled).toBe(true);
    const select = screen.el.querySelector('select')!;
    // Up to today, the newest first.
    expect([...select.options].map((o) => o.value)).toEqual(['', 's2', 's1']);
    select.value = 's1';
    select.dispatchEvent(new Event('change'));
    await screen.settle();
    await screen.press('Accept');
    const put = screen.request('PUT', '/clients/c1/late-logs/r1');
    expect(put.request.body).toEqual({ accept: true, sessionId: 's1' });
    put.flush([]);
  });
});
