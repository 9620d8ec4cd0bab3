import type { ClientListItem } from '@yandle/contract';
import { PATH, Screen } from '../testing/screen';
import { ClientsScreen } from './clients';

const item = (name: string, over: Partial<ClientListItem> = {}): ClientListItem => ({
  id: name,
  name,
  age: 46,
  aim: 'Sit on my heels',
  leadCoachId: 'k2',
  screening: 'clear',
  archived: false,
  lastAssessment: '2026-03-08',
  nextSession: null,
  blockWeek: { week: 3, of: 8 },
  ...over,
});

const pause = () => new Promise((r) => setTimeout(r, 90));

describe('ClientsScreen', () => {
  async function open(items: ClientListItem[], nextCursor: string | null = null): Promise<Screen<ClientsScreen>> {
    const screen = await Screen.open(ClientsScreen);
    await pause();
    await screen.answer('/clients?search=&archived=false&whose=all', { items, nextCursor });
    return screen;
  }

  it('says where each client is, and who waits', async () => {
    const screen = await open([
      item('Ada'),
      item('Bo', { blockWeek: null }),
      item('Cy', { screening: 'refer' }),
      item('Di', { blockWeek: { week: 0, of: 8 } }),
    ]);
    const rows = [...screen.el.querySelectorAll('tbody tr')].map((r) => r.children[1]!.textContent.trim());
    expect(rows).toEqual(['week 3 of 8', 'no block', 'doctor or physiotherapist first', '8 weeks, not started']);
    expect(screen.text).toContain('Joris Ebbing');
    expect(screen.text).toContain('8 Mar');
  });

  it('searches as one types, and says when nobody fits', async () => {
    const screen = await open([item('Ada')]);
    await screen.fill('input[type=search]', 'zz');
    await pause();
    await screen.answer('/clients?search=zz&archived=false&whose=all', { items: [], nextCursor: null });
    expect(screen.text).toContain('No client has “zz” in name or aim.');
  });

  it('adds the next page below the first', async () => {
    const screen = await open([item('Ada')], 'mark');
    await screen.press('Show more');
    await screen.answer('/clients?search=&archived=false&whose=all&cursor=mark', {
      items: [item('Bo')],
      nextCursor: null,
    });
    expect(screen.el.querySelectorAll('tbody tr')).toHaveLength(2);
    expect(screen.text).not.toContain('Show more');
  });

  it('archives with the version the server has', async () => {
    const screen = await open([item('c1')]);
    await screen.press('Archive');
    await screen.answer('/clients/c1', PATH);
    const archive = screen.request('POST', '/clients/c1/archive');
    expect(archive.request.body).toEqual({ version: 3 });
    archive.flush({ ...PATH.client, version: 4 });
    await pause();
    await screen.answer('/clients?search=&archived=false&whose=all', { items: [], nextCursor: null });
    expect(screen.text).toContain('No clients yet.');
  });
});
