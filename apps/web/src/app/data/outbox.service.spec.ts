import { HttpErrorResponse, provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { Outbox } from './outbox.service';
import { fieldMessage, problemOf } from './problem';

const queued = (n: number) => ({ method: 'PUT' as const, path: `/runs/r/sets/${n}`, body: { n } });
const turn = () => new Promise((r) => setTimeout(r));

describe('Outbox', () => {
  let http: HttpTestingController;
  function make(): Outbox {
    TestBed.resetTestingModule();
    TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting()] });
    http = TestBed.inject(HttpTestingController);
    return TestBed.inject(Outbox);
  }
  const kept = () => JSON.parse(localStorage.getItem('yandle.outbox') ?? '[]') as unknown[];
  const expectOne = (n: number) => http.expectOne(`/api/v1/runs/r/sets/${n}`);

  beforeEach(() => localStorage.clear());

  it('sends one after the other, and keeps each until it is acknowledged', async () => {
    const outbox = make();
    outbox.post(queued(1));
    outbox.post(queued(2));
    expect(kept()).toHaveLength(2);
    http.expectNone('/api/v1/runs/r/sets/2');
    expectOne(1).flush({});
    await turn();
    expect(kept()).toHaveLength(1);
    expectOne(2).flush({});
    await turn();
    expect(kept()).toHaveLength(0);
    expect(outbox.state()).toBe('saved');
  });

  it('keeps everything while the server is gone and sends it when it is back', async () => {
    const outbox = make();
    outbox.post(queued(1));
    expectOne(1).error(new ProgressEvent('error'));
    await turn();
    expect([outbox.state(), outbox.pending(), kept().length]).toEqual(['waiting', 1, 1]);
    outbox.flush();
    expectOne(1).flush('', { status: 503, statusText: 'down' });
    await turn();
    expect(outbox.offline()).toBe(true);
    outbox.flush();
    expectOne(1).flush({});
    await turn();
    expect([outbox.state(), outbox.pending()]).toEqual(['saved', 0]);
  });

  it('goes on after a reload', async () => {
    localStorage.setItem('yandle.outbox', JSON.stringify([queued(7)]));
    const outbox = make();
    expectOne(7).flush({});
    await turn();
    expect(outbox.pending()).toBe(0);
  });

  it('shows what the server refuses for good and does not block the rest', async () => {
    const outbox = make();
    outbox.post(queued(1));
    outbox.post(queued(2));
    expectOne(1).flush(
      { code: 'validation', detail: 'No.', status: 400, title: 'x' },
      { status: 400, statusText: 'bad' },
    );
    await turn();
    expectOne(2).flush({});
    await turn();
    expect(outbox.state()).toBe('refused');
    expect(outbox.refusals()[0]!.problem.detail).toBe('No.');
    outbox.dismissRefusals();
    expect(outbox.state()).toBe('saved');
  });

  it('starts empty when what was kept cannot be read', () => {
    localStorage.setItem('yandle.outbox', '{broken');
    expect(make().pending()).toBe(0);
  });
});

describe('problemOf', () => {
  it('passes problems of the server on and has words for silence', () => {
    const problem = { code: 'validation', detail: 'Fix it.', errors: [{ path: 'name', message: 'This is needed.' }] };
    expect(problemOf(new HttpErrorResponse({ status: 400, error: problem }))).toEqual(problem);
    expect(problemOf(new HttpErrorResponse({ status: 0 })).detail).toContain('does not answer');
    expect(problemOf(new Error('x')).status).toBe(0);
    expect(fieldMessage(problemOf(new HttpErrorResponse({ status: 400, error: problem })), 'name')).toBe(
      'This is needed.',
    );
    expect(fieldMessage(null, 'name')).toBeNull();
  });
});
