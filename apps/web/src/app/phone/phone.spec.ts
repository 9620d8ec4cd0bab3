import 'fake-indexeddb/auto';
import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting, type TestRequest } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import type { SharedBlock } from '@yandle/contract';
import { exercisesOnHold, isSessionOnHold } from '@yandle/core';
import { Outbox } from '../data/outbox/outbox';
import { outboxDb } from '../data/outbox/outbox-db';
import type { QueuedRequest } from '../data/outbox/queued-request';
import { RunGateway } from '../run/run-gateway';
import { aSession } from '../testing/a-session';
import { keptBlock, phoneDb } from './phone-db';
import { PhoneGateway } from './phone-gateway';
import { PhoneOutbox } from './phone-outbox';
import { PhoneStore } from './phone.store';

const block: SharedBlock = {
  firstName: 'Ottoline',
  studio: 'A room',
  today: '2026-03-11',
  sessions: [aSession()],
  exercises: [],
  sorenessEntries: [],
  progress: [],
  onHold: null,
};

const aLog = (id: string): QueuedRequest => ({
  kind: 'log',
  runId: 'r',
  id,
  body: { item: 0, side: null, set: 1, plannedSeconds: 30, doneSeconds: 30, replaces: null },
});

describe('a client’s phone', () => {
  let http: HttpTestingController;
  let store: PhoneStore;
  let box: PhoneOutbox;

  async function open(): Promise<void> {
    TestBed.resetTestingModule();
    TestBed.configureTestingModule({
      providers: [
        provideHttpClient(),
        provideHttpClientTesting(),
        PhoneStore,
        PhoneOutbox,
        { provide: Outbox, useExisting: PhoneOutbox },
        { provide: RunGateway, useClass: PhoneGateway },
      ],
    });
    http = TestBed.inject(HttpTestingController);
    store = TestBed.inject(PhoneStore);
    box = TestBed.inject(PhoneOutbox);
    await wait();
  }
  const wait = (ms = 150): Promise<void> => new Promise((r) => setTimeout(r, ms));
  const sent = (): TestRequest[] => http.match((r) => r.method !== 'GET');
  /** The next write that goes out, however slow this machine is. */
  async function nextSent(): Promise<TestRequest> {
    let found: TestRequest[] = [];
    await vi.waitFor(() => expect((found = sent()).length).toBeGreaterThan(0), 5000);
    return found[0]!;
  }
  async function loaded(status = 200): Promise<void> {
    const done = store.load();
    await wait();
    const request = http.expectOne('/api/v1/shared/block');
    if (status === 200) request.flush(block);
    else request.flush({ code: 'not-signed-in', status, title: '', detail: '' }, { status, statusText: 'x' });
    await done;
  }

  beforeEach(async () => {
    const db = await phoneDb();
    await db.clear('letters');
    await (await outboxDb()).clear('phone');
    await db.clear('kept');
    await open();
  });

  it('shows what it saw last when there is no network', async () => {
    await loaded();
    expect(store.state()).toBe('fresh');
    await open();
    const done = store.load();
    await wait();
    http.expectOne('/api/v1/shared/block').error(new ProgressEvent('error'));
    await done;
    expect(store.state()).toBe('kept');
    expect(store.session('s1')!.items).toHaveLength(2);
  });

  it('says that a link has ended, wipes the list from the phone, and keeps the queued', async () => {
    await loaded();
    box.post(aLog('a'));
    await wait();
    sent()[0]!.error(new ProgressEvent('error'));
    await loaded(401);
    expect(store.state()).toBe('ended');
    expect(store.block()).toBeNull();
    expect(await keptBlock()).toBeNull();
    expect(box.pending()).toBe(1);
  });

  it('of who was erased keeps nothing, what was on its way included', async () => {
    await loaded();
    box.post(aLog('a'));
    await wait();
    sent()[0]!.error(new ProgressEvent('error'));
    await loaded(410);
    expect(store.state()).toBe('erased');
    expect(await keptBlock()).toBeNull();
    expect([box.pending(), await (await outboxDb()).count('phone')]).toEqual([0, 0]);
  });

  it('forgets what another link left, but not what is on its way', async () => {
    await loaded();
    box.post(aLog('a'));
    await wait();
    sent()[0]!.error(new ProgressEvent('error'));
    const opened = store.open('x'.repeat(32));
    http.expectOne('/api/v1/shared/open').flush({});
    await opened;
    const db = await phoneDb();
    expect([await db.count('kept'), await (await outboxDb()).count('phone')]).toEqual([0, 1]);
  });

  it('sends in order, keeps what was not answered over a reload, and counts what is kept for the coach', async () => {
    for (const n of ['a', 'b']) box.post(aLog(n));
    await wait();
    const [first] = sent();
    expect(first!.request.url).toBe('/api/v1/shared/runs/r/sets/a');
    first!.flush({});
    await wait();
    sent()[0]!.error(new ProgressEvent('error'));
    await wait();
    expect([box.pending(), box.offline(), box.state()]).toEqual([1, true, 'waiting']);

    await open();
    const [again] = sent();
    expect(again!.request.url).toBe('/api/v1/shared/runs/r/sets/b');
    again!.flush({ kept: true }, { status: 202, statusText: 'Accepted' });
    await wait();
    expect([box.pending(), box.keptForCoach(), box.state()]).toEqual([0, 1, 'saved']);
  });

  it('puts aside what is refused for good, with the reason, and goes on', async () => {
    for (const n of ['a', 'b']) box.post(aLog(n));
    await wait();
    sent()[0]!.flush(
      { code: 'validation', status: 400, title: 'No', detail: 'Fix it.' },
      { status: 400, statusText: 'Bad' },
    );
    await wait();
    sent()[0]!.flush({});
    await wait();
    expect(box.refusals().map((r) => r.problem.detail)).toEqual(['Fix it.']);
    expect(box.pending()).toBe(0);
    expect(box.state()).toBe('refused');
    box.dismissRefusals();
    expect(box.state()).toBe('saved');
  });

  it('sends the session along when a run begins, and marks it done when it is finished', async () => {
    await loaded();
    const gateway = TestBed.inject(RunGateway);
    expect(await gateway.load('s1')).toMatchObject({ id: 's1' });
    await expect(gateway.load('nothing')).rejects.toThrow('not on the phone');
    gateway.post({
      kind: 'start',
      sessionId: 's1',
      body: { id: 'r1', startedAt: '2026-03-11T08:00:00.000Z' },
    });
    const start = await nextSent();
    expect(start.request.url).toBe('/api/v1/shared/sessions/s1/runs');
    expect(start.request.body).toMatchObject({
      id: 'r1',
      snapshot: { date: '2026-03-11', rounds: 1, items: aSession().items },
    });
    await store.markFinished('s1');
    expect(store.session('s1')!.status).toBe('done');
    expect(gateway.clientOf(aSession())).toBeNull();
  });

  it('says soreness once and shows it at once', async () => {
    await loaded();
    store.saySore(4, 'hip');
    const note = await nextSent();
    expect(note.request.body).toEqual({ date: '2026-03-11', region: 'hip', soreness: 4, note: '' });
    expect(store.block()!.sorenessEntries[0]).toMatchObject({ soreness: 4 });
  });

  // What the version before kept: a store `letters` of method, path and body, and the block as `programme`.
  it('takes over what a version before kept, once, and in the words of today', async () => {
    const db = await phoneDb();
    const snapshot = { items: [{ exerciseId: 'ball-foot-roll', technique: 'release', sets: 1 }] };
    const start = { id: 'r1', startedAt: '2026-03-11T08:00:00.000Z', snapshot };
    await db.add('letters', { method: 'POST', path: '/sessions/s1/runs', body: start });
    await db.add('letters', { method: 'PUT', path: '/day-notes/n1', body: { soreness: 3 } });
    const { sorenessEntries: _, ...rest } = block;
    await db.put('kept', { ...rest, dayNotes: [{ id: 'n0', soreness: 2 }] }, 'programme');
    await open();
    const first = await nextSent();
    expect(first.request.url).toBe('/api/v1/shared/sessions/s1/runs');
    expect(first.request.body).toMatchObject({ snapshot: { items: [{ technique: 'rolling' }] } });
    first.flush({});
    expect((await nextSent()).request.url).toBe('/api/v1/shared/soreness/n1');
    expect(await db.count('letters')).toBe(0);
    const done = store.load();
    await wait();
    http.expectOne('/api/v1/shared/block').error(new ProgressEvent('error'));
    await done;
    expect(store.block()!.sorenessEntries).toMatchObject([{ id: 'n0', soreness: 2 }]);
  });

  it('goes by a stop sign at once, without a network, in every session it concerns, and over a reload', async () => {
    await open();
    const loading = store.load();
    await wait();
    const later = aSession({ id: 's2', date: '2026-03-13' });
    http.expectOne('/api/v1/shared/block').flush({ ...block, sessions: [aSession(), later] });
    await loading;
    const gateway = TestBed.inject(RunGateway);
    const sign = {
      id: 'y',
      clientId: 'c1',
      clientName: '',
      sessionId: 's1',
      side: null,
      date: '2026-03-11',
      clearedAt: null,
    };
    gateway.felt({ ...sign, exerciseId: aSession().items[0]!.exerciseId, symptom: 'pinching' });
    const held = () => store.sessions().map((s) => isSessionOnHold(s.items, s.openSymptoms, store.find));
    const out = () => store.sessions().map((s) => exercisesOnHold(s.items, s.openSymptoms, store.find).length);
    expect([held(), out()]).toEqual([
      [false, false],
      [1, 1],
    ]);
    gateway.felt({ ...sign, id: 'z', exerciseId: aSession().items[0]!.exerciseId, symptom: 'dizziness' });
    expect(held()).toEqual([true, true]);
    await wait();
    await open();
    const again = store.load();
    await wait();
    http.expectOne('/api/v1/shared/block').error(new ProgressEvent('error'));
    await again;
    expect(store.state()).toBe('kept');
    expect(held()).toEqual([true, true]);
  });
});
