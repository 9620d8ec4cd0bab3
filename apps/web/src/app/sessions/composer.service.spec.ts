import { TestBed } from '@angular/core/testing';
import type { ComposeRequest, SessionClash } from '@yandle/core';
import type { ComposerAnswer, ComposerTask } from './composer-messages';
import { Composer, COMPOSER_WORKER } from './composer.service';

/** A worker that says what the test tells it to. */
class StandIn {
  onmessage: ((e: MessageEvent<ComposerAnswer>) => void) | null = null;
  onerror: (() => void) | null = null;
  readonly heard: ComposerTask[] = [];
  ended = false;
  postMessage(task: ComposerTask): void {
    this.heard.push(task);
  }
  terminate(): void {
    this.ended = true;
  }
  say(answer: ComposerAnswer): void {
    this.onmessage?.({ data: answer } as MessageEvent<ComposerAnswer>);
  }
}

const request = { needs: [] } as unknown as ComposeRequest;
const clash: SessionClash = { kind: 'clash', exerciseIds: [], why: [{ code: 'not-together' }], waysOut: [] };

describe('Composer', () => {
  let workers: StandIn[];
  let composer: Composer;

  beforeEach(() => {
    workers = [];
    TestBed.configureTestingModule({
      providers: [
        {
          provide: COMPOSER_WORKER,
          useValue: () => {
            workers.push(new StandIn());
            return workers.at(-1);
          },
        },
      ],
    });
    composer = TestBed.inject(Composer);
  });

  const idOf = (w: StandIn): number => w.heard.at(-1)!.id;

  it('loads the solver once, before anything is asked', () => {
    composer.warm();
    composer.warm();
    expect(workers).toHaveLength(1);
    expect(workers[0]!.heard.map((t) => t.kind)).toEqual(['load']);
  });

  it('says how far it is, and gives the answer', async () => {
    const made = composer.compose(request);
    const [w] = workers;
    w!.say({ kind: 'stage', id: idOf(w!), name: 'shortfall', index: 1 });
    expect(composer.progress()).toEqual({ settled: 1, words: 'The most that fits' });
    w!.say({ kind: 'made', id: idOf(w!), made: clash });
    expect(await made).toBe(clash);
    expect(composer.progress()).toBeNull();
  });

  it('ends the worker when it is cancelled, and hears nothing of it any more', async () => {
    const first = composer.compose(request);
    const id = idOf(workers[0]!);
    composer.cancel();
    expect(await first).toBeNull();
    expect(workers[0]!.ended).toBe(true);
    const second = composer.compose(request);
    workers[1]!.say({ kind: 'made', id, made: clash });
    expect(composer.progress()).not.toBeNull();
    workers[1]!.say({ kind: 'made', id: idOf(workers[1]!), made: clash });
    expect(await second).toBe(clash);
  });

  it('says what failed', async () => {
    const made = composer.compose(request);
    workers[0]!.say({ kind: 'failed', id: idOf(workers[0]!), words: 'no WebAssembly here' });
    expect(await made).toBeNull();
    expect(composer.problem()).toBe('no WebAssembly here');
    const again = composer.compose(request);
    expect(composer.problem()).toBeNull();
    workers[0]!.onerror!();
    expect(await again).toBeNull();
    expect(composer.problem()).toContain('Load the page again');
  });
});
