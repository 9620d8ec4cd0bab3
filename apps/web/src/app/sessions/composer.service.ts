import { Injectable, InjectionToken, inject, signal } from '@angular/core';
import type { ComposeRequest, Composition, SessionClash } from '@yandle/core';
import type { ComposerAnswer, ComposerTask } from './composer-messages';

/** Makes the worker; a test puts a stand-in here. */
export const COMPOSER_WORKER = new InjectionToken<() => Worker>('composer worker', {
  providedIn: 'root',
  factory: () => () => new Worker(new URL('../workers/composer.worker', import.meta.url), { type: 'module' }),
});

/** How far a composition is. */
export interface ComposerProgress {
  /** 0 to 4: objectives settled. */
  readonly settled: number;
  readonly words: string;
}

const STAGE_WORDS = {
  floors: 'What the week needs at least',
  shortfall: 'The most that fits',
  exercises: 'The fewest exercises',
  positions: 'The fewest positions',
} as const;

/** Composes sessions in a worker. The solver is large: {@link warm} fetches it while the screen opens. */
@Injectable({ providedIn: 'root' })
export class Composer {
  private readonly make = inject(COMPOSER_WORKER);
  private worker: Worker | null = null;
  private task = 0;
  private settle: ((made: Composition | SessionClash | null) => void) | null = null;
  readonly progress = signal<ComposerProgress | null>(null);
  readonly problem = signal<string | null>(null);

  /** Starts the worker and lets it load its solver. */
  warm(): void {
    if (!this.worker) this.send({ kind: 'load', id: ++this.task, base: document.baseURI });
  }

  /** The best session, or what clashes; null when it was cancelled or failed. */
  compose(request: ComposeRequest): Promise<Composition | SessionClash | null> {
    this.cancel();
    this.problem.set(null);
    this.progress.set({ settled: 0, words: 'Getting ready' });
    const id = ++this.task;
    return new Promise((resolve) => {
      this.settle = resolve;
      this.send({ kind: 'compose', id, base: document.baseURI, request });
    });
  }

  /** Ends a composition by ending its worker: a solver cannot be asked to stop. */
  cancel(): void {
    if (!this.settle) return;
    this.worker?.terminate();
    this.worker = null;
    this.finish(null);
    this.warm();
  }

  private send(task: ComposerTask): void {
    if (!this.worker) {
      this.worker = this.make();
      this.worker.onmessage = ({ data }: MessageEvent<ComposerAnswer>) => this.hear(data);
      this.worker.onerror = () => this.fail('The composer could not be started. Load the page again.');
    }
    this.worker.postMessage(task);
  }

  private hear(answer: ComposerAnswer): void {
    if (answer.kind === 'ready' || answer.id !== this.task) return;
    if (answer.kind === 'stage') this.progress.set({ settled: answer.index, words: STAGE_WORDS[answer.name] });
    else if (answer.kind === 'failed') this.fail(answer.words);
    else this.finish(answer.made);
  }

  private fail(words: string): void {
    this.problem.set(words);
    this.finish(null);
  }

  private finish(made: Composition | SessionClash | null): void {
    const settle = this.settle;
    this.settle = null;
    this.progress.set(null);
    settle?.(made);
  }
}
