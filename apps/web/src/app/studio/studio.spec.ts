import type { AuditEntry, CoachView, StudioView } from '@yandle/contract';
import { Screen, textOf } from '../testing/screen';
import { StudioScreen } from './studio';

const coach = (id: string, name: string, over: Partial<CoachView> = {}): CoachView => ({
  id,
  name,
  email: `${id}@studio.example`,
  role: 'coach',
  clients: 2,
  secondFactor: false,
  signedInAt: null,
  standInId: null,
  standInUntil: null,
  ...over,
});
const studio: StudioView = {
  name: 'Harbour Lane',
  timeZone: 'Europe/Vienna',
  retentionMonths: null,
  coaches: [
    coach('k2', 'Joris Ebbing', { standInId: 'k1', standInUntil: '2026-03-20' }),
    coach('k1', 'Mara Thornebrook', { role: 'owner', clients: 1, secondFactor: true }),
    coach('k3', 'Greta Lind', { role: 'guest' }),
  ],
  invitations: [{ id: 'i1', note: 'Ilse', role: 'coach', expiresAt: '2026-03-18T08:00:00.000Z' }],
};
const entry = (over: Partial<AuditEntry> = {}): AuditEntry => ({
  id: `e${Math.random()}`,
  at: '2026-03-11T08:00:00.000Z',
  actor: 'coach',
  coach: 'Joris Ebbing',
  client: { id: 'c1', name: 'Ottoline Varga' },
  action: 'block-published',
  address: '203.0.113.9',
  ...over,
});

describe('StudioScreen', () => {
  async function open(
    items: readonly AuditEntry[] = [],
    nextCursor: string | null = null,
  ): Promise<Screen<StudioScreen>> {
    const screen = await Screen.open(StudioScreen);
    await screen.answer('/studio', studio);
    await screen.answer('/studio/audit?cursor=', { items: [...items], nextCursor });
    await screen.answer('/studio/links', [
      {
        ...{ kind: 'phone', clientId: 'c1', clientName: 'Ottoline Varga', madeAt: '2026-03-01T08:00:00.000Z' },
        ...{ expiresAt: '2026-08-28T08:00:00.000Z', usedAt: null },
      },
    ]);
    return screen;
  }
  const pressLabelled = async (screen: Screen<StudioScreen>, label: string) => {
    screen.el.querySelector<HTMLButtonElement>(`button[aria-label="${label}"]`)!.click();
    await screen.settle();
  };

  it('shows who coaches here, with what, and who stands in', async () => {
    const screen = await open();
    expect(screen.text).toContain('Mara Thornebrook · you');
    expect(screen.text).toContain('1 client · second factor on');
    expect(screen.text).toContain('Mara Thornebrook stands in until 20 Mar');
    // Nobody removes themselves.
    expect(screen.el.querySelector('button[aria-label="Remove Mara Thornebrook"]')).toBeNull();
  });

  it('makes an invitation, shown once behind the #, and ends one', async () => {
    const screen = await open();
    await screen.fill('y-invitations select', 'guest');
    await screen.press('Make the link');
    const post = screen.request('POST', '/studio/invitations');
    expect(post.request.body).toEqual({ role: 'guest', note: '' });
    post.flush({ path: '/join#token-of-the-test', expiresAt: '2026-03-18T08:00:00.000Z' });
    await screen.settle();
    expect(screen.el.querySelector<HTMLInputElement>('y-link-once input')!.value).toMatch(/\/join#token-of-the-test$/);
    await screen.answer('/studio', studio);
    await pressLabelled(screen, 'End the invitation Ilse');
    screen.request('DELETE', '/studio/invitations/i1').flush({});
    await screen.settle();
    await screen.answer('/studio', { ...studio, invitations: [] });
    expect(screen.text).not.toContain('Not used yet');
  });

  it('removes a coach only with somebody who takes the clients over, and never a guest', async () => {
    const screen = await open();
    await pressLabelled(screen, 'Remove Joris Ebbing');
    const heirs = [...screen.el.querySelectorAll<HTMLOptionElement>('[role=dialog] option')].map((o) => o.text);
    expect(heirs).toEqual(['Mara Thornebrook']);
    screen.el.querySelector<HTMLButtonElement>('[role=dialog] .btn-go')!.click();
    await screen.settle();
    const post = screen.request('POST', '/studio/coaches/k2/remove');
    expect(post.request.body).toEqual({ clientsTo: 'k1' });
    post.flush({});
  });

  it('shows the role that stands when a change is refused', async () => {
    const screen = await open();
    const select = screen.el.querySelector<HTMLSelectElement>('#role-k1')!;
    select.value = 'coach';
    select.dispatchEvent(new Event('change'));
    await screen.settle();
    const problem = { code: 'conflict', title: 'Not possible', detail: 'This is the only owner.' };
    screen.request('PUT', '/studio/coaches/k1/role').flush(problem, { status: 409, statusText: 'Conflict' });
    await screen.settle();
    expect(screen.text).toContain('This is the only owner.');
    expect(select.value).toBe('owner');
  });

  it('saves the settings; no months keeps archived clients, and what is no number is not taken for none', async () => {
    const screen = await open();
    const field = [...screen.el.querySelectorAll<HTMLInputElement>('y-studio-settings input')];
    const put = async (months: string) => {
      field[2]!.value = months;
      field[2]!.dispatchEvent(new Event('input'));
      await screen.settle();
      screen.el.querySelector('y-studio-settings form')!.dispatchEvent(new Event('submit'));
      await screen.settle();
      return screen.request('PUT', '/studio');
    };
    const wrong = await put('soon');
    expect(wrong.request.body).toMatchObject({ retentionMonths: 0 });
    const errors = [{ path: 'retentionMonths', message: 'At least 1.' }];
    wrong.flush({ code: 'validation', title: 'x', detail: 'y', errors }, { status: 400, statusText: 'Bad' });
    await screen.settle();
    expect(screen.text).toContain('Whole months, 1 to 600.');
    expect((await put('24')).request.body).toMatchObject({ name: 'Harbour Lane', retentionMonths: 24 });
  });

  it('lists the links that clients have, and ends one', async () => {
    const screen = await open();
    expect(screen.text).toContain('phone: sessions, until 28 Aug, not opened');
    await pressLabelled(screen, 'End the phone link of Ottoline Varga');
    screen.request('POST', '/clients/c1/phone-link/revoke').flush({});
    await screen.settle();
    await screen.answer('/studio/links', []);
    expect(screen.text).toContain('None.');
  });

  it('says who did what to which client, whoever that was, and goes back page by page', async () => {
    const screen = await open(
      [
        entry(),
        entry({ actor: 'system', coach: null, action: 'client-erased-by-term', client: { id: 'c9', name: null } }),
        entry({ actor: 'client', coach: null, action: 'sign-in-refused', client: null }),
      ],
      'mark',
    );
    const rows = [...screen.el.querySelectorAll('y-audit-list tbody tr')].map((r) => textOf(r));
    expect(rows[0]).toContain('Joris Ebbing published the block Ottoline Varga');
    expect(rows[1]).toContain('Yandle itself erased the client: archived longer than the studio keeps erased');
    expect(rows[2]).toContain('by link sign-in refused');
    await screen.press('Show earlier');
    await screen.answer('/studio/audit?cursor=mark', { items: [entry()], nextCursor: null });
    expect(screen.el.querySelectorAll('y-audit-list tbody tr')).toHaveLength(4);
    expect(screen.text).not.toContain('Show earlier');
  });
});
