import { computed, inject, Injectable, signal } from '@angular/core';
import type { Problem } from '@yandle/contract';
import { firstValueFrom } from 'rxjs';
import { Api } from './api';
import { problemOf } from './problem';

/** A write on its way. Its path carries an id of our own, so that sending twice counts once. */
export interface QueuedRequest {
  readonly method: 'POST' | 'PUT';
  readonly path: string;
  readonly body: unknown;
}

/** A write that the server refused for good, with its reason. */
export interface Refusal {
  readonly queued: QueuedRequest;
  readonly problem: Problem;
}

const KEY = 'yandle.outbox';
const FIRST_RETRY_MS = 1000;
const LONGEST_RETRY_MS = 20_000;

/** True when the same request may succeed later: no network, server or database down, signed out, too many at once. */
function isPassing(problem: Problem): boolean {
  return problem.status === 0 || problem.status >= 500 || problem.status === 401 || problem.status === 429;
}

/**
 * Writes that must not be lost: readings and set logs. They are kept in the browser before anything is sent, go out in order, one at a
 * time, and stay until the server has acknowledged them, over reloads and while network or server are gone.
 */
@Injectable({ providedIn: 'root' })
export class Outbox {
  private readonly api = inject(Api);
  private readonly queued = signal<readonly QueuedRequest[]>(read());
  private readonly refused = signal<readonly Refusal[]>([]);
  private readonly waiting = signal(false);
  private busy = false;
  private retryMs = FIRST_RETRY_MS;
  private timer: ReturnType<typeof setTimeout> | null = null;

  readonly pending = computed(() => this.queued().length);
  readonly refusals = this.refused.asReadonly();
  /** True while the server cannot be reached. */
  readonly offline = this.waiting.asReadonly();
  /** In words, for the screens that write through the outbox. */
  readonly state = computed(() => {
    if (this.refused().length > 0) return 'refused';
    if (this.pending() === 0) return 'saved';
    return this.offline() ? 'waiting' : 'saving';
  });

  constructor() {
    addEventListener('online', () => this.flush());
    if (this.pending() > 0) this.flush();
  }

  post(queued: QueuedRequest): void {
    this.queued.update((l) => [...l, queued]);
    this.keep();
    this.flush();
  }

  dismissRefusals(): void {
    this.refused.set([]);
  }

  /** Tries now instead of waiting for the next attempt. */
  flush(): void {
    if (this.timer) clearTimeout(this.timer);
    this.timer = null;
    if (!this.busy) void this.drain();
  }

  private async drain(): Promise<void> {
    this.busy = true;
    try {
      for (let queued = this.queued()[0]; queued; queued = this.queued()[0]) {
        try {
          await firstValueFrom(this.api.send(queued.method, queued.path, queued.body));
        } catch (err) {
          const problem = problemOf(err);
          if (isPassing(problem)) {
            this.waiting.set(true);
            this.timer = setTimeout(() => this.flush(), this.retryMs);
            this.retryMs = Math.min(LONGEST_RETRY_MS, this.retryMs * 2);
            return;
          }
          const given = { queued, problem };
          this.refused.update((r) => [...r, given]);
        }
        this.waiting.set(false);
        this.retryMs = FIRST_RETRY_MS;
        this.queued.update((l) => l.slice(1));
        this.keep();
      }
    } finally {
      this.busy = false;
    }
  }

  private keep(): void {
    localStorage.setItem(KEY, JSON.stringify(this.queued()));
  }
}

function read(): QueuedRequest[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(KEY) ?? '[]');
    return Array.isArray(kept) ? (kept as QueuedRequest[]) : [];
  } catch {
    return [];
  }
}
