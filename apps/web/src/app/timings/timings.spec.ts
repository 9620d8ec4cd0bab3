import { TestBed } from '@angular/core/testing';
import { ClientContext } from '../data/client-context';
import { aSession } from '../testing/a-session';
import { PATH, Screen, TODAY } from '../testing/screen';
import { TimingsScreen } from './timings';

describe('TimingsScreen', () => {
  async function open(session?: string): Promise<Screen<TimingsScreen>> {
    const screen = await Screen.open(TimingsScreen, { clientId: 'c1', session });
    screen.http.expectOne('/api/v1/clients/c1/sessions').flush([{ ...aSession(), date: TODAY }]);
    if (session) screen.http.expectOne(`/api/v1/sessions/${session}`).flush(aSession({ alreadyWarm: true }));
    TestBed.inject(ClientContext).open('c1');
    await screen.answer('/clients/c1', PATH);
    return screen;
  }
  const box = (screen: Screen<TimingsScreen>, label: string) =>
    screen.el.querySelector<HTMLInputElement>(`input[aria-label="${label}"]`)!;
  const type = (input: HTMLInputElement, value: string) => {
    input.value = value;
    input.dispatchEvent(new Event('change'));
  };

  it('shows what comes from the studio where the client has nothing of their own', async () => {
    const screen = await open();
    const rest = box(screen, 'Rest between sets, Ottoline');
    expect([rest.value, rest.placeholder]).toEqual(['', '10']);
    expect(box(screen, 'Rest between sets, the studio').value).toBe('10');
    expect(box(screen, 'Rest between sets, this session')).toBeNull();
  });

  it('saves one number of the client, and leaves it out again when the field is emptied', async () => {
    const screen = await open();
    type(box(screen, 'Rest between sets, Ottoline'), '25');
    const put = screen.request('PUT', '/clients/c1/timings');
    expect(put.request.body).toEqual({ brisk: false, own: { rest: 25 } });
    put.flush({});
    await screen.settle();
    await screen.answer('/clients/c1', {
      ...PATH,
      client: { ...PATH.client, pacing: { brisk: false, own: { rest: 25 } } },
    });
    expect(box(screen, 'Rest between sets, Ottoline').value).toBe('25');
    type(box(screen, 'Rest between sets, Ottoline'), '');
    expect(screen.request('PUT', '/clients/c1/timings').request.body).toEqual({ brisk: false, own: {} });
  });

  it('puts back what cannot be', async () => {
    const screen = await open();
    type(box(screen, 'Rest between sets, Ottoline'), '600');
    expect(box(screen, 'Rest between sets, Ottoline').value).toBe('');
    screen.http.expectNone('/api/v1/clients/c1/timings');
  });

  it('times one session, and says how long it is then', async () => {
    const screen = await open('s1');
    type(box(screen, 'Rest between sets, this session'), '40');
    const put = screen.request('PUT', '/sessions/s1/items');
    expect(put.request.body).toMatchObject({ version: 1, pacing: { brisk: null, own: { rest: 40 } } });
    put.flush(aSession({ version: 2, alreadyWarm: true, pacing: { brisk: null, own: { rest: 40 } } }));
    await screen.settle();
    // Two exercises of two sets a side: four rests of 30 s more than the client's.
    const [now, plain] = [...screen.text.matchAll(/(\d+):(\d\d)/g)].map((m) => Number(m[1]) * 60 + Number(m[2]));
    expect(now! - plain!).toBe(120);
  });
});
