import { HttpClient } from '@angular/common/http';
import { computed, inject, Injectable, signal } from '@angular/core';
import type { Problem } from '@yandle/contract';
import { firstValueFrom } from 'rxjs';
import { problemOf } from '../problem';
import { outboxDb, takeOverCoachRequests, type BoxName } from './outbox-db';
import { wireOf, type QueuedRequest } from './queued-request';

/** A write that the server refused for good, with its reason. */
export interface Refusal {
  readonly queued: QueuedRequest;
  readonly problem: Problem;
}

const FIRST_RETRY_MS = 1000;
const LONGEST_RETRY_MS = 30_000;
/** How soon a tab looks again while another one is sending. */
const LOOK_AGAIN_MS = 5000;

const NOT_STORED: Problem = {
  type: 'urn:yandle:problem:internal',
  title: 'Not saved',
  status: 0,
  code: 'internal',
  detail:
    'This entry could not be saved on this device. Free some space or leave the private window, then enter it again.',
  instance: '',
};

/** True when the same request may succeed later: no network, server or database down, signed out, too many at once. */
function isPassing(problem: Problem): boolean {
  return problem.status === 0 || problem.status >= 500 || problem.status === 401 || problem.status === 429;
}

/**
 * Writes that must not be lost: readings and logs. They are kept in the browser (IndexedDB) before anything is sent, go out in order, one at a
 * time and from one tab at a time, and stay until the server has acknowledged them: over reloads, beside other tabs, and while network or server
 * are gone.
 */
@Injectable({ providedIn: 'root' })
export class Outbox {
  private readonly http = inject(HttpClient);
  private readonly count = signal(0);
  private readonly refused = signal<readonly Refusal[]>([]);
  private readonly waiting = signal(false);
  private readonly late = signal(0);
  /** Requests on their way into the browser's store: they count as kept, whoever counts meanwhile. */
  private storing = 0;
  private retryMs = FIRST_RETRY_MS;
  private timer: ReturnType<typeof setTimeout> | null = null;
  private writing: Promise<unknown>;
  private readonly name: string;
  /** What one tab has sent the others hear of. */
  private readonly tabs: BroadcastChannel | null;

  readonly pending = this.count.asReadonly();
  readonly refusals = this.refused.asReadonly();
  /** True while the server cannot be reached. */
  readonly offline = this.waiting.asReadonly();
  /** Parts that the server keeps for the coach to look at, because link or plan have ended. */
  readonly keptForCoach = this.late.asReadonly();
  /** For the screens that write through the outbox. */
  readonly state = computed(() => {
    if (this.refused().length > 0) return 'refused';
    if (this.count() === 0) return 'saved';
    return this.waiting() ? 'waiting' : 'saving';
  });

  constructor() {
    this.name = `yandle.outbox.${this.box}`;
    this.tabs = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(this.name);
    addEventListener('online', () => this.flush());
    if (this.tabs) this.tabs.onmessage = () => void this.recount();
    this.writing = this.takeOver()
      .then(() => this.recount())
      // What cannot be read must not hold up what is written from now on.
      .catch(() => undefined)
      .then(() => this.flush());
  }

  protected get box(): BoxName {
    return 'coach';
  }

  protected get root(): string {
    return '/api/v1';
  }

  /** What versions of before left elsewhere in this browser. */
  protected takeOver(): Promise<void> {
    return takeOverCoachRequests();
  }

  post(queued: QueuedRequest): void {
    this.storing += 1;
    this.count.update((n) => n + 1);
    // One after the other, so that they stand in the order in which they were written.
    this.writing = this.writing.then(() => this.keep(queued)).then(() => this.flush());
  }

  /** Stores a request. Where the browser refuses that (a full disk, a private window), the screen says so, and later ones still go. */
  private async keep(queued: QueuedRequest): Promise<void> {
    try {
      await (await outboxDb()).add(this.box, queued);
      this.storing -= 1;
    } catch {
      this.storing -= 1;
      this.count.update((n) => Math.max(0, n - 1));
      this.refused.update((r) => [...r, { queued, problem: NOT_STORED }]);
    }
  }

  dismissRefusals(): void {
    this.refused.set([]);
  }

  /** Throws away what waits: there is nobody left whom it is about. */
  async empty(): Promise<void> {
    await this.writing;
    await (await outboxDb()).clear(this.box);
    this.refused.set([]);
    await this.recount();
  }

  /** Tries now instead of waiting for the next attempt. */
  flush(): void {
    if (this.timer) clearTimeout(this.timer);
    this.timer = null;
    void this.drain();
  }

  /** Empties the box; another tab that is at it already does it for both. */
  private async drain(): Promise<void> {
    if (!('locks' in navigator)) return this.sendAll();
    const mine = await navigator.locks.request(this.name, { ifAvailable: true }, async (lock) => {
      if (lock) await this.sendAll();
      return lock !== null;
    });
    await this.recount();
    // Should that tab be closed in the middle of it, this one goes on.
    if (!mine && this.count() > 0) this.timer ??= setTimeout(() => this.flush(), LOOK_AGAIN_MS);
  }

  private sending: Promise<void> | null = null;
  /** One pass at a time in this tab too. */
  private sendAll(): Promise<void> {
    this.sending ??= this.sendEach().finally(() => (this.sending = null));
    return this.sending;
  }

  private async sendEach(): Promise<void> {
    const db = await outboxDb();
    for (;;) {
      const cursor = await db.transaction(this.box).store.openCursor();
      if (!cursor) break;
      const { key, value: queued } = cursor;
      const { method, path, body } = wireOf(queued);
      try {
        const answer = await firstValueFrom(
          this.http.request(method, `${this.root}${path}`, { body, observe: 'response' }),
        );
        if (answer.status === 202) this.late.update((n) => n + 1);
      } catch (err) {
        const problem = problemOf(err);
        if (isPassing(problem)) {
          this.waiting.set(true);
          this.timer = setTimeout(() => this.flush(), this.retryMs);
          this.retryMs = Math.min(LONGEST_RETRY_MS, this.retryMs * 2);
          return;
        }
        this.refused.update((r) => [...r, { queued, problem }]);
      }
      this.waiting.set(false);
      this.retryMs = FIRST_RETRY_MS;
      await db.delete(this.box, key);
      await this.recount();
      this.tabs?.postMessage('sent');
    }
  }

  private async recount(): Promise<void> {
    const stored = await (await outboxDb()).count(this.box);
    this.count.set(stored + this.storing);
    if (this.count() === 0) this.waiting.set(false);
  }
}
