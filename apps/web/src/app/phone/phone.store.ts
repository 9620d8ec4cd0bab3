import { HttpClient } from '@angular/common/http';
import { computed, inject, Injectable, signal } from '@angular/core';
import type { CheckInBody, Soreness, SorenessBody, Session, SharedBlock, SymptomReport } from '@yandle/contract';
import { concerns, type BodyRegionId, type Exercise, findAmong, METRIC, restsOn, showUnits } from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { newId } from '../data/ids';
import { problemOf } from '../data/problem';
import { finishedHere, forgetBlock, keepFinished, keepBlock, keptBlock } from './phone-db';
import { PhoneOutbox } from './phone-outbox';

const SHARED = '/api/v1/shared';

/** What a client's phone knows: its block, from the network or as it was seen last. */
@Injectable()
export class PhoneStore {
  private readonly http = inject(HttpClient);
  private readonly outbox = inject(PhoneOutbox);
  readonly block = signal<SharedBlock | null>(null);
  /**
   * `loading`, `fresh`, `kept` (no network: as seen last), `ended` (the link works no more), `erased` (nothing is kept for it any more), `empty`
   * (never opened here).
   */
  readonly state = signal<'loading' | 'fresh' | 'kept' | 'ended' | 'erased' | 'empty'>('loading');
  private readonly finished = signal<readonly string[]>([]);
  private readonly ownFind = computed(() => findAmong(this.block()?.exercises ?? []));
  readonly find = (id: string): Exercise => this.ownFind()(id);

  /** Sessions, those finished here counted as done before the server says so. */
  readonly sessions = computed((): readonly Session[] =>
    (this.block()?.sessions ?? []).map((s) => (this.finished().includes(s.id) ? { ...s, status: 'done' } : s)),
  );

  /** Exchanges the token of a link for a cookie, and forgets what another link left here. */
  async open(token: string): Promise<void> {
    try {
      await firstValueFrom(this.http.post(`${SHARED}/open`, { token }));
      await forgetBlock();
    } catch (err) {
      const { status } = problemOf(err);
      if (status === 401 || status === 400) this.state.set('ended');
    }
  }

  async load(): Promise<void> {
    this.finished.set(await finishedHere());
    const kept = await keptBlock();
    if (kept && !this.block()) this.show(kept);
    try {
      const fresh = await firstValueFrom(this.http.get<SharedBlock>(`${SHARED}/block`));
      this.show(fresh);
      this.state.set('fresh');
      await keepBlock(this.block()!);
      this.outbox.flush();
    } catch (err) {
      const { status } = problemOf(err);
      if (status === 410) await this.end('erased');
      else if (status === 401) await this.end('ended');
      else this.state.set(kept ? 'kept' : 'empty');
    }
  }

  /**
   * The link works no more: what was kept of the client leaves this phone. What was logged stays queued for the coach; of who was erased that
   * leaves too.
   */
  private async end(how: 'ended' | 'erased'): Promise<void> {
    this.state.set(how);
    this.block.set(null);
    this.finished.set([]);
    await forgetBlock();
    if (how === 'erased') await this.outbox.empty();
    else this.outbox.flush();
  }

  /** A stop sign was felt here: every session goes by it from now on, whether the server knows of it yet or not. */
  noteStopSign(report: SymptomReport): void {
    this.noted.push(report);
    const p = this.block();
    if (!p) return;
    this.block.set(this.withNoted(p));
    void keepBlock(this.block()!);
  }

  /** Stop signs felt here that the server has not said back: a copy that was made before they arrived does not know them. */
  private noted: SymptomReport[] = [];

  private withNoted(block: SharedBlock): SharedBlock {
    return {
      ...block,
      sessions: block.sessions.map((s) => {
        const known = new Set(s.openSymptoms.map((o) => o.id));
        const more = this.noted.filter((n) => !known.has(n.id) && concerns(n, s.items, this.find));
        return more.length > 0 ? { ...s, openSymptoms: [...s.openSymptoms, ...more] } : s;
      }),
    };
  }

  private show(block: SharedBlock): void {
    showUnits(block.units ?? METRIC);
    this.block.set(block);
    if (this.outbox.pending() === 0) this.noted = [];
    this.block.set(this.withNoted(block));
  }

  session(id: string): Session | null {
    return this.sessions().find((s) => s.id === id) ?? null;
  }

  async markFinished(id: string): Promise<void> {
    this.finished.update((f) => [...new Set([...f, id])]);
    await keepFinished(this.finished());
  }

  /** What the client says of the week, or around a session; goes out when there is a network. */
  checkIn(body: CheckInBody): void {
    const p = this.block();
    if (!p) return;
    this.outbox.post({ kind: 'check-in', clientId: null, id: newId(), body });
    const { date, moment, sessionId } = body;
    const next = {
      ...p,
      checkIns: [{ date, moment, sessionId }, ...(p.checkIns ?? [])],
      ...(moment === 'day' && { checkInDue: false }),
    };
    this.block.set(next);
    void keepBlock(next);
  }

  /** How sore it is today, and where (null: all over); goes out when there is a network. */
  saySore(soreness: number, region: BodyRegionId | null): void {
    const p = this.block();
    if (!p) return;
    const body: SorenessBody = { date: p.today, region, soreness, note: '' };
    const id = newId();
    this.outbox.post({ kind: 'soreness', clientId: null, id, body });
    const note: Soreness = { id, ...body };
    // What is very sore rests at once, with a network or without.
    const sessions = p.sessions.map((s) => (restsOn(body, s.date) ? { ...s, sore: [...(s.sore ?? []), body] } : s));
    const next = { ...p, sessions, sorenessEntries: [note, ...p.sorenessEntries] };
    this.block.set(next);
    void keepBlock(next);
  }
}
