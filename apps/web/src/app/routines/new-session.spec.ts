import type { CreateSessionsBody } from '@yandle/contract';
import { firstItem, exerciseById } from '@yandle/core';
import { TestBed } from '@angular/core/testing';
import { ClientContext } from '../data/client-context';
import { PATH, Screen, TODAY } from '../testing/screen';
import { NewSession } from './new-session';

const strap = firstItem(exerciseById('supine-strap-hamstring'));

describe('NewSession', () => {
  async function open(): Promise<Screen<NewSession>> {
    const screen = await Screen.open(NewSession, { clientId: 'c1' });
    screen.http.expectOne('/api/v1/routines').flush([]);
    screen.http.match(() => true);
    await screen.settle();
    return screen;
  }

  async function choose(screen: Screen<NewSession>, label: string, option: string): Promise<void> {
    const field = [...screen.el.querySelectorAll('label')].find((l) => l.textContent.includes(label))!;
    const select = field.querySelector('select')!;
    select.value = [...select.options].find((o) => o.text.trim() === option)!.value;
    select.dispatchEvent(new Event('change'));
    await screen.settle();
  }

  const sent = (screen: Screen<NewSession>) =>
    screen.request('POST', '/clients/c1/sessions').request.body as CreateSessionsBody;

  it('cannot be made of nothing', async () => {
    const screen = await open();
    expect(screen.button('Make this session').disabled).toBe(true);
    expect(screen.text).toContain('Choose a routine, add or compose from muscle groups, or type an exercise.');
  });

  it('is typed, repeated, undone and made for today', async () => {
    const screen = await open();
    await screen.fill('y-exercise-picker input', 'strap hamstring');
    screen.el.querySelector('y-exercise-picker input')!.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
    await screen.settle();
    screen.el.querySelector<HTMLButtonElement>('[aria-label^="Repeat "]')!.click();
    await screen.settle();
    expect(screen.el.querySelectorAll('li[cdkDrag]')).toHaveLength(2);
    await screen.press('Undo');
    expect(screen.el.querySelectorAll('li[cdkDrag]')).toHaveLength(1);
    // 30 s on each side, a set-up of the strap and the lying position, one change of side.
    expect(screen.text).toMatch(/\d:\d\d min with set-up, changes and rests/);
    await screen.press('Make this session');
    const body = sent(screen);
    expect(body).toMatchObject({ name: 'Session', routineId: null, placeId: null, purpose: 'own', items: [strap] });
    expect(body.sessions.map((s) => s.date)).toEqual([TODAY]);
  });

  it('takes a routine as this client can do it, says what fell out, and makes it for every day of a range', async () => {
    const screen = await open();
    await choose(screen, 'From a routine', 'Desk break, five minutes');
    const ask = screen.request('POST', '/routines/fit');
    expect(ask.request.body).toMatchObject({ clientIds: ['c1'] });
    const why = [{ code: 'on-hold' }];
    const out = [{ place: 0, exerciseId: 'bent-knee-wall-calf', why, insteadId: 'supine-strap-hamstring' }];
    ask.flush([{ clientId: 'c1', clientName: 'Ottoline Varga', waits: false, totalSeconds: 100, items: [strap], out }]);
    await screen.settle();
    expect(screen.text).toMatch(
      /Lying hamstring stretch with a strap instead of Bent-knee calf stretch.*: on hold after a stop sign/,
    );
    await choose(screen, 'Repeat', 'every day');
    await screen.press('Make 7 sessions');
    expect(sent(screen).sessions.map((s) => s.date.slice(-2))).toEqual(['11', '12', '13', '14', '15', '16', '17']);
  });

  it('offers nothing that is on hold', async () => {
    const path = async (openSigns: readonly object[]): Promise<boolean> => {
      const screen = await open();
      const context = screen.fixture.debugElement.injector.get(ClientContext);
      context.open('c1');
      screen.http.match((r) => r.url === '/api/v1/clients/c1').forEach((r) => r.flush({ ...PATH, openSigns }));
      await screen.settle();
      const shown = screen.fixture.componentInstance as unknown as { exercises: () => readonly { id: string }[] };
      return shown.exercises().some((e) => e.id === 'supine-strap-hamstring');
    };
    expect(await path([])).toBe(true);
    TestBed.resetTestingModule();
    expect(await path([{ exerciseId: 'supine-strap-hamstring', symptom: 'pinching' }])).toBe(false);
  });

  it('finds an exercise for a muscle group', async () => {
    const screen = await open();
    await choose(screen, 'add a muscle group', 'Soleus');
    expect(screen.el.querySelectorAll('li[cdkDrag]')).toHaveLength(1);
    expect(screen.el.querySelector('ol')!.textContent).toContain('calf');
  });
});
