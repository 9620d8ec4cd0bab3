import { Component, inject } from '@angular/core';
import type { PrioritiesBody, PrioritiesView } from '@yandle/contract';
import { Screen } from '../testing/screen';
import { PrioritiesStore } from './priorities.store';

@Component({ selector: 'y-priorities-host', template: '', providers: [PrioritiesStore] })
class Host {
  readonly store = inject(PrioritiesStore);
}

const view = (over: Partial<PrioritiesView['priorities']> = {}): PrioritiesView => ({
  priorities: { version: 1, interests: [], pinned: [], excluded: [], order: [], quickCheck: [], ...over },
  goals: [],
  selfReports: [],
});
const ORDER = ['soleus', 'hamstrings', 'pectorals', 'lats'] as const;

describe('PrioritiesStore', () => {
  let screen: Screen<Host>;
  let store: PrioritiesStore;

  async function open(over: Partial<PrioritiesView['priorities']> = {}): Promise<void> {
    screen = await Screen.open(Host);
    store = screen.fixture.componentInstance.store;
    const loaded = store.load('c1');
    await screen.answer('/clients/c1/priorities', view(over));
    await loaded;
  }
  /** What the last decision sends; answered, so that the next can go out. */
  async function sent(): Promise<PrioritiesBody> {
    await screen.settle();
    const request = screen.request('PUT', '/clients/c1/priorities');
    const body = request.request.body as PrioritiesBody;
    request.flush(view({ ...body, version: (body.version ?? 0) + 1 }));
    await screen.settle();
    return body;
  }

  it('pins a group and lets it go again', async () => {
    await open();
    store.pin('soleus');
    expect(store.isPinned('soleus')).toBe(true);
    expect((await sent()).pinned).toEqual(['soleus']);
    store.pin('soleus');
    expect(store.isPinned('soleus')).toBe(false);
    expect((await sent()).version).toBe(2);
  });

  it('leaves a group out with its reason, unpinned, and includes it again', async () => {
    await open({ pinned: ['soleus', 'lats'] });
    store.exclude('soleus', 'works on it elsewhere');
    expect(await sent()).toMatchObject({
      pinned: ['lats'],
      excluded: [{ group: 'soleus', reason: 'works on it elsewhere' }],
    });
    store.exclude('soleus', 'after the race');
    expect((await sent()).excluded).toEqual([{ group: 'soleus', reason: 'after the race' }]);
    store.include('soleus');
    expect((await sent()).excluded).toEqual([]);
  });

  it('forgets an interest that nobody has', async () => {
    await open();
    store.setInterest('lats', { coach: 1, client: 2 });
    expect((await sent()).interests).toEqual([{ group: 'lats', coach: 1, client: 2 }]);
    store.setInterest('lats', { coach: 0, client: 0 });
    expect((await sent()).interests).toEqual([]);
  });

  it('moves a group, not beyond the ends, and goes back to the scores', async () => {
    await open();
    store.move(ORDER, 'pectorals', 0);
    expect((await sent()).order).toEqual(['pectorals', 'soleus', 'hamstrings', 'lats']);
    store.move(ORDER, 'pectorals', 9);
    expect((await sent()).order).toEqual(['soleus', 'hamstrings', 'lats', 'pectorals']);
    store.byScore();
    expect((await sent()).order).toEqual([]);
  });

  it('keeps a pin only among the pinned', async () => {
    await open({ pinned: ['soleus', 'hamstrings'] });
    store.move(ORDER, 'soleus', 2);
    expect(await sent()).toMatchObject({ pinned: ['hamstrings'], order: ['pectorals', 'soleus', 'lats'] });
  });

  it('sends one change after the other, each with the version the one before made', async () => {
    await open();
    store.pin('soleus');
    store.pin('lats');
    expect((await sent()).version).toBe(1);
    expect(await sent()).toMatchObject({ version: 2, pinned: ['soleus', 'lats'] });
  });
});
