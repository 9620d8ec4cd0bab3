import type { ClientListItem, ClientRoutineFit, CreateSessionsBody, OwnRoutine } from '@yandle/contract';
import { exerciseById, firstItem } from '@yandle/core';
import { Screen, TODAY } from '../testing/screen';
import { RoutinesScreen } from './routines';

const strap = firstItem(exerciseById('supine-strap-hamstring'));
const own: OwnRoutine = {
  ...{ id: 'r1', version: 2, archived: false, clientId: null, name: 'Court legs', note: 'After tennis.' },
  ...{ purpose: 'own', alreadyWarm: true, rounds: 2, minutes: null, items: [strap] },
};

describe('RoutinesScreen', () => {
  async function open(routines: readonly OwnRoutine[] = []): Promise<Screen<RoutinesScreen>> {
    const screen = await Screen.open(RoutinesScreen);
    await screen.answer('/routines', routines);
    return screen;
  }
  const put = (screen: Screen<RoutinesScreen>) =>
    screen.http.expectOne((r) => r.method === 'PUT' && r.url.startsWith('/api/v1/routines/'));

  it('shows what ships, each with its exercises, its length, its cautions and the stop signs', async () => {
    const screen = await open();
    expect(screen.el.querySelectorAll('ul button[aria-pressed]')).toHaveLength(12);
    await screen.press('Desk break, five minutes');
    expect(screen.text).toMatch(/[45]:\d\d min with set-up and changes/);
    expect(screen.el.querySelectorAll('y-routine-facts li .text-attention').length).toBeGreaterThan(3);
    expect(screen.text).toContain('Stop signs: numbness');
  });

  it('is written from nothing: a name and a list', async () => {
    const screen = await open();
    await screen.press('Write a routine');
    expect(screen.button('Save this routine').disabled).toBe(true);
    await screen.fill('.field input', 'Court legs');
    await screen.fill('y-exercise-picker input', 'strap hamstring');
    screen.el.querySelector('y-exercise-picker input')!.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
    await screen.settle();
    await screen.press('Save this routine');
    const kept = put(screen);
    expect(kept.request.body).toMatchObject({ name: 'Court legs', version: null, clientId: null, items: [strap] });
    kept.flush({ ...own, version: 1 });
    await screen.settle();
    await screen.answer('/routines', [own]);
    expect(screen.el.querySelector('[aria-pressed=true]')!.textContent).toContain('Court legs');
    expect(screen.text).toContain('2 rounds · begun warm');
  });

  it('is archived, and comes back with an earlier version', async () => {
    const screen = await open([own]);
    await screen.press('Court legs');
    await screen.press('Earlier versions');
    const { id: _i, version: _v, archived: _a, clientId: _c, ...definition } = own;
    const before = { version: 1, at: '2026-03-01T10:00:00.000Z', definition: { ...definition, name: 'Clay legs' } };
    await screen.answer('/routines/r1/versions', [before]);
    await screen.press('Restore');
    await screen.press('Save this routine');
    const kept = put(screen);
    expect(kept.request.url).toBe('/api/v1/routines/r1');
    expect(kept.request.body).toMatchObject({ name: 'Clay legs', version: 2 });
    kept.flush({ ...own, version: 3 });
    await screen.settle();
    await screen.answer('/routines', [{ ...own, version: 3 }]);
    await screen.press('Archive');
    expect(put(screen).request.body).toMatchObject({ archived: true, version: 3 });
  });

  it('is given to many at once, as each of them can do it, and not to who waits', async () => {
    const screen = await open([own]);
    await screen.press('Court legs');
    await screen.press('Give it to clients');
    const fitOf = (n: number, over: Partial<ClientRoutineFit> = {}): ClientRoutineFit => ({
      ...{ clientId: `c${n}`, clientName: `Client ${n}`, waits: false, placeId: null, totalSeconds: 300 },
      ...{ items: [strap], out: [], ...over },
    });
    const out = [{ place: 0, exerciseId: 'bent-knee-wall-calf', why: [{ code: 'on-hold' }], insteadId: null }] as const;
    for (const fit of [fitOf(1), fitOf(2, { placeId: 'bed', out }), fitOf(3, { waits: true })]) {
      const picker = screen.el.querySelector('y-client-picker input')!;
      picker.dispatchEvent(new Event('focus'));
      await new Promise((r) => setTimeout(r, 100));
      const found = { id: fit.clientId, name: fit.clientName, age: 40, aim: '' } as ClientListItem;
      screen.http.expectOne((r) => r.url === '/api/v1/clients').flush({ items: [found], total: 1 });
      await screen.settle();
      picker.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
      const asked = screen.request('POST', '/routines/fit');
      expect(asked.request.body).toEqual({ items: [strap], alreadyWarm: true, rounds: 2, clientIds: [fit.clientId] });
      asked.flush([fit]);
      await screen.settle();
    }
    expect(screen.text).toContain('Client 1 · 5:00 min As it is.');
    expect(screen.text).toContain('Bent-knee calf stretch at a wall is left out: on hold after a stop sign.');
    expect(screen.text).toContain('Client 3 · waits for a clearance first');
    await screen.press('Put it on the calendar of 2 clients');
    for (const n of [1, 2]) {
      const made = screen.request('POST', `/clients/c${n}/sessions`);
      const body = made.request.body as CreateSessionsBody;
      expect(body).toMatchObject({ name: 'Court legs', routineId: 'own-r1', rounds: 2, items: [strap] });
      expect([body.placeId, body.sessions[0]!.date]).toEqual([n === 2 ? 'bed' : null, TODAY]);
      made.flush([{}]);
      await screen.settle();
    }
    expect(screen.text).toContain('✓ on the calendar');
    expect(screen.button('Put it on').disabled).toBe(true);
  });
});
