import { HttpClient } from '@angular/common/http';
import { computed, inject, Injectable, signal } from '@angular/core';
import { firstValueFrom } from 'rxjs';
import type { QueuedRequest, Outbox, Refusal } from '../data/outbox.service';
import { problemOf } from '../data/problem';
import { phoneDb } from './phone-db';

const SHARED = '/api/v1/shared';
const FIRST_RETRY_MS = 1000;
const LONGEST_RETRY_MS = 30_000;
/** How soon a tab looks again while another one is sending. */
const LOOK_AGAIN_MS = 5000;
const NAME = 'yandle.phone.outbox';

/**
 * The outbox of a client's phone: as the coach's, but kept in IndexedDB and emptied by one tab at a time. Every queued stays until the server
 * has answered for it; sending one twice counts once.
 */
@Injectable()
export class PhoneOutbox implements Pick<
  Outbox,
  'post' | 'flush' | 'pending' | 'offline' | 'refusals' | 'state' | 'dismissRefusals'
> {
  private readonly http = inject(HttpClient);
  private readonly count = signal(0);
  private readonly waiting = signal(false);
  private readonly refused = signal<readonly Refusal[]>([]);
  private readonly late = signal(0);
  private retryMs = FIRST_RETRY_MS;
  private timer: ReturnType<typeof setTimeout> | null = null;
  private writing: Promise<unknown> = Promise.resolve();

  readonly pending = this.count.asReadonly();
  readonly offline = this.waiting.asReadonly();
  readonly refusals = this.refused.asReadonly();
  /** Parts that the server keeps for the coach to look at, because link or plan have ended. */
  readonly keptForCoach = this.late.asReadonly();
  readonly state = computed(() => {
    if (this.refused().length > 0) return 'refused';
    if (this.count() === 0) return 'saved';
    return this.waiting() ? 'waiting' : 'saving';
  });

  /** What one tab has sent the others hear of. */
  private readonly tabs = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(NAME);

  constructor() {
    addEventListener('online', () => this.flush());
    if (this.tabs) this.tabs.onmessage = () => void this.recount();
    void this.recount().then(() => this.flush());
  }

  post(queued: QueuedRequest): void {
    this.count.update((n) => n + 1);
    // One after the other, so that they stand in the order in which they were written.
    this.writing = this.writing.then(async () => (await phoneDb()).add('queued', queued)).then(() => this.flush());
  }

  dismissRefusals(): void {
    this.refused.set([]);
  }

  flush(): void {
    if (this.timer) clearTimeout(this.timer);
    this.timer = null;
    void this.drain();
  }

  /** Empties the box; another tab that is at it already does it for both. */
  private async drain(): Promise<void> {
    if (!('locks' in navigator)) return this.sendAll();
    const mine = await navigator.locks.request(NAME, { ifAvailable: true }, async (lock) => {
      if (lock) await this.sendAll();
      return lock !== null;
    });
    await this.recount();
    // Should that tab be closed in the middle of it, this one goes on.
    if (!mine && this.count() > 0) this.timer ??= setTimeout(() => this.flush(), LOOK_AGAIN_MS);
  }

  private async sendAll(): Promise<void> {
    const db = await phoneDb();
    for (;;) {
      const cursor = await db.transaction('queued').store.openCursor();
      if (!cursor) break;
      const { key, value: queued } = cursor;
      try {
        const answer = await firstValueFrom(
          this.http.request(queued.method, `${SHARED}${queued.path}`, { body: queued.body, observe: 'response' }),
        );
        if (answer.status === 202) this.late.update((n) => n + 1);
      } catch (err) {
        const problem = problemOf(err);
        const passing = problem.status === 0 || problem.status >= 500 || [401, 429].includes(problem.status);
        if (passing) {
          this.waiting.set(true);
          this.timer = setTimeout(() => this.flush(), this.retryMs);
          this.retryMs = Math.min(LONGEST_RETRY_MS, this.retryMs * 2);
          return;
        }
        this.refused.update((r) => [...r, { queued, problem }]);
      }
      this.waiting.set(false);
      this.retryMs = FIRST_RETRY_MS;
      await db.delete('queued', key);
      await this.recount();
      this.tabs?.postMessage('sent');
    }
  }

  private async recount(): Promise<void> {
    this.count.set(await (await phoneDb()).count('queued'));
    if (this.count() === 0) this.waiting.set(false);
  }
}
