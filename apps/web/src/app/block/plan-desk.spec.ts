import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { PlanDesk, PLANNER_WORKER } from './plan-desk';
import type { PlanRequest, PlanTasks } from './plan-messages';

type Ask = PlanTasks['ways']['ask'];

/** A worker that answers when it is told to. */
class SlowWorker {
  readonly asked: PlanRequest[] = [];
  onmessage: ((e: { data: unknown }) => void) | null = null;
  onerror: (() => void) | null = null;
  postMessage(request: PlanRequest): void {
    this.asked.push(request);
  }
  answer(answer: unknown): void {
    this.onmessage!({ data: { id: this.asked.at(-1)!.id, answer } });
  }
}

describe('PlanDesk', () => {
  const made: SlowWorker[] = [];
  const ask = (group: string): Ask => ({ group }) as unknown as Ask;
  const settle = async (): Promise<void> => {
    TestBed.tick();
    await new Promise((r) => setTimeout(r));
    TestBed.tick();
  };
  const desk = (): PlanDesk => {
    made.length = 0;
    const make = () => {
      made.push(new SlowWorker());
      return made.at(-1) as unknown as Worker;
    };
    TestBed.configureTestingModule({ providers: [{ provide: PLANNER_WORKER, useValue: make }] });
    return TestBed.inject(PlanDesk);
  };

  it('follows what changes: the one before stays meanwhile, and of many only the last is made', async () => {
    const asked = signal<Ask | null>(ask('a'));
    const d = desk();
    const shown = TestBed.runInInjectionContext(() => d.follow('ways', asked));
    await settle();
    expect(shown()).toBeNull();
    made[0]!.answer(['a made']);
    await settle();
    expect(shown()!.answer).toEqual(['a made']);
    for (const group of ['b', 'c', 'd']) {
      asked.set(ask(group));
      await settle();
    }
    // One is under way; the board still shows the first.
    expect(made[0]!.asked.map((r) => (r.ask as Ask).group)).toEqual(['a', 'b']);
    expect(shown()!.answer).toEqual(['a made']);
    made[0]!.answer(['b made']);
    await settle();
    expect(made[0]!.asked.map((r) => (r.ask as Ask).group)).toEqual(['a', 'b', 'd']);
    made[0]!.answer(['d made']);
    await settle();
    expect(shown()).toEqual({ ask: asked(), answer: ['d made'] });
    asked.set(null);
    await settle();
    expect(shown()).toBeNull();
  });

  it('goes on with a new worker after one that failed', async () => {
    const d = desk();
    const first = d.do('ways', ask('a'));
    made[0]!.onerror!();
    expect(await first).toBeNull();
    const second = d.do('ways', ask('b'));
    expect(made).toHaveLength(2);
    made[1]!.answer([]);
    expect(await second).toEqual([]);
  });
});
