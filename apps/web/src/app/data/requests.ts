import { computed, signal, type Signal, type WritableSignal } from '@angular/core';
import type { Problem } from '@yandle/contract';
import { firstValueFrom, isObservable, type Observable } from 'rxjs';
import { problemOf } from './problem';

/** What is asked of the server: a request, or several one after the other. */
export type Work<T> = Observable<T> | (() => Promise<T>);

/**
 * Requests of one screen or store, loading and saving alike: whether one is on its way, and why the last one was refused. The only place
 * that turns a refusal into a problem on screen.
 */
export class Requests {
  private readonly running = signal(0);
  readonly busy: Signal<boolean> = computed(() => this.running() > 0);

  /** @param problem why the last request was refused, null from the start of the next one; two kinds of requests may show theirs in one */
  constructor(readonly problem: WritableSignal<Problem | null> = signal<Problem | null>(null)) {}

  /**
   * Does some work and gives what came of it; undefined where it was refused.
   * @param settle looks at a refusal first; true where it has dealt with it, so that no problem is shown
   */
  async run<T>(work: Work<T>, settle?: (problem: Problem) => boolean | void): Promise<T | undefined> {
    this.problem.set(null);
    return this.follow(work, settle);
  }

  /** As {@link run}, and a problem that is shown stays: for what follows a refusal by itself. */
  async follow<T>(work: Work<T>, settle?: (problem: Problem) => boolean | void): Promise<T | undefined> {
    this.running.update((n) => n + 1);
    try {
      return await (isObservable(work) ? firstValueFrom(work) : work());
    } catch (err) {
      const problem = problemOf(err);
      if (settle?.(problem) !== true) this.problem.set(problem);
      return undefined;
    } finally {
      this.running.update((n) => n - 1);
    }
  }
}
