import { computed, effect, inject, Injectable, InjectionToken, signal, untracked, type Signal } from '@angular/core';
import { workOn, type PlanAnswer, type PlanRequest, type PlanTask, type PlanTasks } from './plan-messages';

/** Makes the planner's worker; null where there are none, and the planning is done on the spot. */
export const PLANNER_WORKER = new InjectionToken<(() => Worker) | null>('planner worker', {
  providedIn: 'root',
  factory: () =>
    typeof Worker === 'undefined'
      ? null
      : () => new Worker(new URL('../workers/planner.worker', import.meta.url), { type: 'module' }),
});

/** Something asked, with what was made of it. */
export interface Planned<A, B> {
  readonly ask: A;
  readonly answer: B;
}

/** Has blocks planned away from the screen, so that no key waits for it. */
@Injectable({ providedIn: 'root' })
export class PlanDesk {
  private readonly make = inject(PLANNER_WORKER);
  private worker: Worker | null = null;
  private last = 0;
  private readonly waiting = new Map<number, (answer: PlanAnswer['answer']) => void>();

  /** What a task makes; null when it failed. */
  do<K extends PlanTask>(kind: K, ask: PlanTasks[K]['ask']): Promise<PlanTasks[K]['answer'] | null> {
    if (!this.make) return Promise.resolve(workOn(kind, ask));
    this.worker ??= this.started(this.make);
    const id = ++this.last;
    const request: PlanRequest<K> = { id, kind, ask };
    this.worker.postMessage(request);
    return new Promise((resolve) => this.waiting.set(id, (answer) => resolve(answer)));
  }

  /**
   * The newest of what is made of something that changes. While one is being made the one before stays; of several that come meanwhile only the last
   * is made. Call it where something can be injected.
   */
  follow<K extends PlanTask>(
    kind: K,
    asked: Signal<PlanTasks[K]['ask'] | null>,
  ): Signal<Planned<PlanTasks[K]['ask'], PlanTasks[K]['answer']> | null> {
    if (!this.make)
      return computed(() => {
        const ask = asked();
        return ask && { ask, answer: workOn(kind, ask) };
      });
    const made = signal<Planned<PlanTasks[K]['ask'], PlanTasks[K]['answer']> | null>(null);
    let busy = false;
    const next = async (): Promise<void> => {
      busy = true;
      for (let ask = untracked(asked); ask && ask !== untracked(made)?.ask; ask = untracked(asked)) {
        const answer = await this.do(kind, ask);
        if (answer === null) break;
        made.set({ ask, answer });
      }
      busy = false;
    };
    effect(() => {
      const ask = asked();
      untracked(() => {
        if (ask === null) made.set(null);
        else if (!busy) void next();
      });
    });
    return made.asReadonly();
  }

  private started(make: () => Worker): Worker {
    const worker = make();
    worker.onmessage = ({ data }: MessageEvent<PlanAnswer>) => {
      this.waiting.get(data.id)?.(data.answer);
      this.waiting.delete(data.id);
    };
    // A worker that could not be loaded answers nobody: the next task tries again with a new one.
    worker.onerror = () => {
      for (const answer of this.waiting.values()) answer(null);
      this.waiting.clear();
      this.worker = null;
    };
    return worker;
  }
}
