import { TestBed } from '@angular/core/testing';
import { Component, inject } from '@angular/core';
import type { Block } from '@yandle/contract';
import { cautionsFor, exerciseById } from '@yandle/core';
import { ClientContext } from '../data/client-context';
import { PATH, Screen } from '../testing/screen';
import { BlockStore } from './block.store';

@Component({ selector: 'y-host', template: '', providers: [BlockStore] })
class Host {
  readonly store = inject(BlockStore);
}

describe('BlockStore', () => {
  let screen: Screen<Host>;
  let store: BlockStore;

  async function open(blocks: Block[] = []): Promise<void> {
    screen = await Screen.open(Host);
    store = screen.fixture.componentInstance.store;
    TestBed.inject(ClientContext).open('c1');
    await screen.settle();
    await screen.answer('/clients/c1', PATH);
    const loaded = store.load('c1');
    await screen.answer('/clients/c1/blocks', blocks);
    await loaded;
  }

  it('starts a draft on the next Monday, with nothing chosen', async () => {
    await open();
    // 11 March 2026 is a Wednesday.
    expect(store.draft()).toMatchObject({ startDate: '2026-03-16', weeks: 8, ramp: 0.2, easierEvery: 4, lanes: [] });
    expect(store.preview()!.refusal).toContain('Choose the muscle groups');
  });

  it('draws the plan at every change, with the core’s arithmetic', async () => {
    await open();
    store.toggleLane('soleus');
    store.toggleLane('hamstrings');
    expect(store.preview()!.plan!.lanes.map((l) => l.weeks[0]!.dose)).toEqual([180, 180]);
    expect(store.longest()[0]).toBe(534);
    store.change({ weeks: 4, easierEvery: null });
    expect(store.preview()!.plan!.lanes[0]!.weeks.map((w) => w.dose)).toEqual([180, 210, 240, 270]);
    store.toggleLane('soleus');
    expect(store.draft()!.lanes.map((l) => l.group)).toEqual(['hamstrings']);
    store.change({ startDate: '' });
    expect(store.preview()!.refusal).toBe('Choose a start date.');
  });

  it('sends the choices, not the plan, under one id until it is taken', async () => {
    await open();
    store.toggleLane('soleus');
    const first = store.save();
    const one = screen.request('POST', '/clients/c1/blocks');
    expect(Object.keys(one.request.body as object).sort()).toEqual([
      'easierEvery',
      'id',
      'lanes',
      'ramp',
      'startDate',
      'weeks',
    ]);
    one.flush({}, { status: 503, statusText: 'down' });
    expect(await first).toBe(false);
    expect(store.problem()).not.toBeNull();
    const again = store.save();
    const two = screen.request('POST', '/clients/c1/blocks');
    expect((two.request.body as { id: string }).id).toBe((one.request.body as { id: string }).id);
    two.flush({});
    await screen.settle();
    await screen.answer('/clients/c1/blocks', []);
    expect(await again).toBe(true);
  });

  it('leaves out what a caution rules out, says why, and keeps to the limits', async () => {
    await open();
    const cautions = cautionsFor({ yes: ['floor', 'medicines'], no: [], regions: {} }, 46);
    TestBed.inject(ClientContext).refresh();
    await screen.settle();
    await screen.answer('/clients/c1', { ...PATH, cautions });
    const left = store.leftOut();
    expect(left.map((l) => l.exercise.id)).toContain('supine-strap-hamstring');
    expect(left.every((l) => l.because.length > 0 && l.exercise.technique === 'static hold')).toBe(true);
    expect(store.allowedFor('hamstrings').map((e) => e.position)).toEqual(['sitting', 'standing', 'sitting']);
    store.toggleLane('hamstrings');
    expect(store.draft()!.lanes[0]!.exerciseId).toBe('chair-hamstring-hinge');
    const weeks = store.preview()!.plan!.lanes[0]!.weeks;
    expect(Math.max(...weeks.map((w) => w.prescription.sensation))).toBe(4);
    store.setExercise('hamstrings', 'supine-strap-hamstring');
    expect(store.preview()!.refusal).toContain('Lying hamstring stretch with a strap is left out for this client.');
  });

  it('plans with the studio’s own exercises', async () => {
    await open();
    const { id: _, ...definition } = exerciseById('bent-knee-wall-calf');
    await screen.answer('/own-exercises', [
      { ...definition, name: 'Stairs', id: 'o1', version: 1, retired: false },
      { ...definition, name: 'Gone', id: 'o2', version: 1, retired: true },
    ]);
    expect(store.allowedFor('soleus').map((e) => e.name)).toContain('Stairs');
    expect(store.allowedFor('soleus').map((e) => e.name)).not.toContain('Gone');
    store.toggleLane('soleus');
    store.setExercise('soleus', 'own-o1');
    expect(store.longest()[0]).toBeGreaterThan(200);
  });

  it('knows the running block, what is past, and whether it may still be planned anew', async () => {
    const block = (over: Partial<Block>): Block => ({
      id: 'b1',
      clientId: 'c1',
      version: 2,
      revision: 1,
      startDate: '2026-03-09',
      endDate: '2026-05-03',
      weeks: 8,
      ramp: 0.2,
      easierEvery: 4,
      lanes: [],
      retests: [],
      replannable: false,
      endedAt: null,
      ...over,
    });
    await open([
      block({}),
      block({ id: 'b0', startDate: '2026-01-05', endDate: '2026-03-01' }),
      block({ id: 'b9', endedAt: 'x' }),
    ]);
    expect(store.running()!.id).toBe('b1');
    expect(store.past().map((b) => b.id)).toEqual(['b0', 'b9']);
    expect(store.editable()).toBe(false);
    expect(store.changed()).toBe(false);
    store.change({ weeks: 9 });
    expect(store.changed()).toBe(true);
    store.resetDraft();
    expect(store.changed()).toBe(false);
    const ended = store.end();
    const end = screen.request('POST', '/blocks/b1/end');
    expect(end.request.body).toEqual({ version: 2 });
    end.flush({ code: 'stale-version', title: 'x', detail: 'Look again.' }, { status: 409, statusText: 'c' });
    expect(await ended).toBe(false);
    expect(store.problem()!.detail).toBe('Look again.');
  });
});
