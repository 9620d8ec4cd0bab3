import 'fake-indexeddb/auto';
import { HttpErrorResponse, provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting, type TestRequest } from '@angular/common/http/testing';
import { Injector, runInInjectionContext } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { fieldMessage, problemOf } from '../problem';
import { Outbox } from './outbox';
import { outboxDb } from './outbox-db';
import { queuedBefore } from './queued-before';
import { wireOf, type QueuedRequest } from './queued-request';

const log = (n: number): QueuedRequest => ({
  kind: 'log',
  runId: 'r',
  id: String(n),
  body: { item: n, side: null, set: 1, plannedSeconds: 30, doneSeconds: 30, replaces: null },
});

describe('Outbox', () => {
  let http: HttpTestingController;
  const wait = (): Promise<void> => new Promise((r) => setTimeout(r, 150));
  async function make(): Promise<Outbox> {
    TestBed.resetTestingModule();
    TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting()] });
    http = TestBed.inject(HttpTestingController);
    const outbox = TestBed.inject(Outbox);
    await wait();
    return outbox;
  }
  const kept = async (): Promise<number> => (await outboxDb()).count('coach');
  const sent = (): TestRequest[] => http.match(() => true);

  beforeEach(async () => {
    localStorage.clear();
    await (await outboxDb()).clear('coach');
  });

  it('sends one after the other, and keeps each until it is acknowledged', async () => {
    const outbox = await make();
    outbox.post(log(1));
    outbox.post(log(2));
    await wait();
    expect(await kept()).toBe(2);
    const first = sent();
    expect(first.map((r) => r.request.url)).toEqual(['/api/v1/runs/r/sets/1']);
    first[0]!.flush({});
    await wait();
    expect(await kept()).toBe(1);
    sent()[0]!.flush({});
    await wait();
    expect([await kept(), outbox.state()]).toEqual([0, 'saved']);
  });

  it('counts what is on its way into the store, while what came before is acknowledged', async () => {
    const outbox = await make();
    outbox.post(log(1));
    await wait();
    const db = await outboxDb();
    const add = db.add.bind(db);
    let store!: () => void;
    const slow = new Promise<void>((resolve) => (store = resolve));
    vi.spyOn(db, 'add').mockImplementation(async (...args: Parameters<typeof add>) => {
      await slow;
      return add(...args);
    });
    sent()[0]!.flush({});
    outbox.post(log(2));
    await wait();
    // The first is gone and the second not stored yet: it is pending all the same.
    expect([await kept(), outbox.pending(), outbox.state()]).toEqual([0, 1, 'saving']);
    store();
    await wait();
    expect([await kept(), outbox.pending()]).toEqual([1, 1]);
    vi.restoreAllMocks();
    sent()[0]!.flush({});
    await wait();
    expect(outbox.pending()).toBe(0);
  });

  it('goes on where something could not be stored: that is said, and what comes after goes out', async () => {
    const outbox = await make();
    // A function cannot be stored: the browser refuses it as it refuses a full disk.
    outbox.post({ kind: 'as-written', method: 'PUT', path: '/runs/r/sets/1', body: () => 0 });
    outbox.post(log(2));
    await wait();
    expect(sent().map((r) => r.request.url)).toEqual(['/api/v1/runs/r/sets/2']);
    expect(outbox.refusals().map((r) => [wireOf(r.queued).path, r.problem.detail])).toEqual([
      ['/runs/r/sets/1', expect.stringMatching(/could not be saved on this device/)],
    ]);
  });

  it('keeps everything while the server is gone and sends it when it is back', async () => {
    const outbox = await make();
    outbox.post(log(1));
    await wait();
    sent()[0]!.error(new ProgressEvent('error'));
    await wait();
    expect([outbox.state(), outbox.pending(), await kept()]).toEqual(['waiting', 1, 1]);
    outbox.flush();
    await wait();
    sent()[0]!.flush('', { status: 503, statusText: 'down' });
    await wait();
    expect(outbox.offline()).toBe(true);
    outbox.flush();
    await wait();
    sent()[0]!.flush({});
    await wait();
    expect([outbox.state(), outbox.pending()]).toEqual(['saved', 0]);
  });

  it('goes on after a reload', async () => {
    const before = await make();
    before.post(log(7));
    await wait();
    await make();
    expect(sent().map((r) => r.request.url)).toEqual(['/api/v1/runs/r/sets/7']);
  });

  it('loses nothing when two tabs write while they are offline', async () => {
    const one = await make();
    const other = runInInjectionContext(TestBed.inject(Injector), () => new Outbox());
    await wait();
    one.post(log(1));
    other.post(log(2));
    one.post(log(3));
    await wait();
    for (const r of sent()) r.error(new ProgressEvent('error'));
    expect((await (await outboxDb()).getAll('coach')).map((r) => wireOf(r).path).sort()).toEqual([
      '/runs/r/sets/1',
      '/runs/r/sets/2',
      '/runs/r/sets/3',
    ]);
  });

  it('shows what the server refuses for good and does not block the rest', async () => {
    const outbox = await make();
    outbox.post(log(1));
    outbox.post(log(2));
    await wait();
    const no = { code: 'validation', detail: 'No.', status: 400, title: 'x' };
    sent()[0]!.flush(no, { status: 400, statusText: 'bad' });
    await wait();
    sent()[0]!.flush({});
    await wait();
    expect(outbox.state()).toBe('refused');
    expect(outbox.refusals()[0]!.problem.detail).toBe('No.');
    outbox.dismissRefusals();
    expect(outbox.state()).toBe('saved');
  });

  // Local storage `yandle.outbox` is where the version before kept method, path and body.
  it('takes over what a version before kept, and starts empty when that cannot be read', async () => {
    const body = { testId: 't', side: 'left', value: 9 };
    localStorage.setItem('yandle.outbox', JSON.stringify([{ method: 'PUT', path: '/assessments/a/trials/b', body }]));
    await make();
    const [reading] = sent();
    expect(reading!.request.url).toBe('/api/v1/assessments/a/readings/b');
    expect(reading!.request.body).toEqual(body);
    expect(localStorage.getItem('yandle.outbox')).toBeNull();
    await (await outboxDb()).clear('coach');
    localStorage.setItem('yandle.outbox', '{broken');
    expect((await make()).pending()).toBe(0);
  });
});

describe('queuedBefore', () => {
  it('keeps what it does not know as it was written, and nothing that is no request', () => {
    const strange = { method: 'PUT', path: '/something/else', body: { a: 1 } };
    expect(wireOf(queuedBefore(strange)!)).toEqual(strange);
    expect([queuedBefore(null), queuedBefore('x'), queuedBefore({ path: '/x' })]).toEqual([null, null, null]);
  });
});

describe('problemOf', () => {
  it('passes problems of the server on and has words for silence', () => {
    const problem = { code: 'validation', detail: 'Fix it.', errors: [{ path: 'name', message: 'Required.' }] };
    expect(problemOf(new HttpErrorResponse({ status: 400, error: problem }))).toEqual(problem);
    expect(problemOf(new HttpErrorResponse({ status: 0 })).detail).not.toBe('');
    expect(problemOf(new Error('x')).status).toBe(0);
    expect(fieldMessage(problemOf(new HttpErrorResponse({ status: 400, error: problem })), 'name')).toBe('Required.');
    expect(fieldMessage(null, 'name')).toBeNull();
  });
});
