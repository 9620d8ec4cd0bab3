import type { ClientListItem, ClientRoutineFit, OwnSeries } from '@yandle/contract';
import { ROUTINES } from '@yandle/core';
import { Screen, TODAY } from '../testing/screen';
import { GiveSeries } from './give-series';
import { SeriesScreen } from './series';

const entries = [
  { day: 1, routineId: 'desk-break' },
  { day: 3, routineId: 'feet-and-ankles' },
];
const own: OwnSeries = { id: 'x1', version: 2, archived: false, name: 'Two days', note: '', entries };

describe('SeriesScreen', () => {
  async function open(series: readonly OwnSeries[] = []): Promise<Screen<SeriesScreen>> {
    const screen = await Screen.open(SeriesScreen);
    await screen.answer('/routines', []);
    await screen.answer('/series', series);
    return screen;
  }
  const put = (screen: Screen<SeriesScreen>) =>
    screen.http.expectOne((r) => r.method === 'PUT' && r.url.startsWith('/api/v1/series/'));

  it('shows the week that ships, day by day with its minutes, and the stop signs', async () => {
    const screen = await open();
    const days = [...screen.el.querySelectorAll('ol li')].map((li) => li.textContent);
    expect(days).toHaveLength(7);
    expect(days[2]).toMatch(/Day 3\s*Desk break, five minutes\s*[45]:\d\d min/);
    expect(screen.text).toContain('Stop signs: numbness');
  });

  it('is written day by day, repeated, and kept', async () => {
    const screen = await open();
    await screen.press('Write a series');
    expect(screen.button('Save this series').disabled).toBe(true);
    await screen.fill('.field input', 'Two weeks');
    await screen.press('Add a day');
    await screen.fill('input[type=number]', '2');
    await screen.press('The same days again');
    await screen.press('Save this series');
    const kept = put(screen);
    // The first routine of the list on day 2, so again on day 4.
    const routineId = ROUTINES[0]!.id;
    expect(kept.request.body).toEqual({
      ...{ version: null, archived: false, name: 'Two weeks', note: '' },
      entries: [
        { day: 2, routineId },
        { day: 4, routineId },
      ],
    });
    kept.flush({ ...own, name: 'Two weeks', version: 1 });
    await screen.settle();
    await screen.answer('/series', [{ ...own, name: 'Two weeks' }]);
    expect(screen.el.querySelector('[aria-pressed=true]')!.textContent).toContain('Two weeks');
  });

  it('is archived, and comes back', async () => {
    const screen = await open([own]);
    await screen.press('Two days');
    await screen.press('Archive');
    const archived = put(screen);
    expect(archived.request.body).toMatchObject({ version: 2, archived: true, entries });
    archived.flush({ ...own, archived: true, version: 3 });
    await screen.settle();
    await screen.answer('/series', [{ ...own, archived: true, version: 3 }]);
    expect(screen.text).not.toContain('Two days');
  });
});

describe('GiveSeries', () => {
  it('says for each routine what falls out, and puts the whole run on the calendar at once', async () => {
    const screen = await Screen.open(GiveSeries, { series: { ...own, id: 'own-x1' } });
    await screen.answer('/routines', []);
    const giver = screen.fixture.componentInstance as unknown as { add: (c: ClientListItem) => Promise<void> };
    const adding = giver.add({ id: 'c1' } as ClientListItem);
    const item = ROUTINES[0]!.items[0]!;
    const fit: ClientRoutineFit = {
      ...{ clientId: 'c1', clientName: 'Ottoline Varga', waits: false, placeId: null, totalSeconds: 300 },
      items: [item],
      out: [],
    };
    screen.request('POST', '/routines/fit').flush([fit]);
    await screen.settle();
    const out = [{ place: 0, exerciseId: item.exerciseId, why: [{ code: 'on-hold' as const }], insteadId: null }];
    screen.request('POST', '/routines/fit').flush([{ ...fit, out }]);
    await adding;
    await screen.settle();
    expect(screen.text).toContain('Feet and ankles');
    await screen.press('Put 2 sessions on the calendar of 1 client');
    const made = screen.request('POST', '/clients/c1/sessions/series');
    const { lists } = made.request.body as { lists: { routineId: string; sessions: { date: string }[] }[] };
    expect(lists.map((l) => [l.routineId, l.sessions.map((s) => s.date)])).toEqual([
      ['desk-break', [TODAY]],
      ['feet-and-ankles', ['2026-03-13']],
    ]);
    made.flush([]);
    await screen.settle();
    expect(screen.text).toContain('✓ on the calendar');
  });
});
