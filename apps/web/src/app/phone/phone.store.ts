import { HttpClient } from '@angular/common/http';
import { computed, inject, Injectable, signal } from '@angular/core';
import type { DayNote, DayNoteBody, Session, SharedProgramme } from '@yandle/contract';
import { findAmong, type Exercise } from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { newId } from '../data/ids';
import { problemOf } from '../data/problem';
import { finishedHere, forgetProgramme, keepFinished, keepProgramme, keptProgramme } from './phone-db';
import { PhoneOutbox } from './phone-outbox';

const SHARED = '/api/v1/shared';

/** What a client's phone knows: its programme, from the network or as it was seen last. */
@Injectable()
export class PhoneStore {
  private readonly http = inject(HttpClient);
  private readonly outbox = inject(PhoneOutbox);
  readonly programme = signal<SharedProgramme | null>(null);
  /** `loading`, `fresh`, `kept` (no network: as seen last), `ended` (the link works no more), `empty` (never opened here). */
  readonly state = signal<'loading' | 'fresh' | 'kept' | 'ended' | 'empty'>('loading');
  private readonly finished = signal<readonly string[]>([]);
  private readonly ownFind = computed(() => findAmong(this.programme()?.exercises ?? []));
  readonly find = (id: string): Exercise => this.ownFind()(id);

  /** Sessions, those finished here counted as done before the server says so. */
  readonly sessions = computed((): readonly Session[] =>
    (this.programme()?.sessions ?? []).map((s) => (this.finished().includes(s.id) ? { ...s, status: 'done' } : s)),
  );

  /** Exchanges the token of a link for a cookie, and forgets what another link left here. */
  async open(token: string): Promise<void> {
    try {
      await firstValueFrom(this.http.post(`${SHARED}/open`, { token }));
      await forgetProgramme();
    } catch (err) {
      const { status } = problemOf(err);
      if (status === 401 || status === 400) this.state.set('ended');
    }
  }

  async load(): Promise<void> {
    this.finished.set(await finishedHere());
    const kept = await keptProgramme();
    if (kept && !this.programme()) this.programme.set(kept);
    try {
      const fresh = await firstValueFrom(this.http.get<SharedProgramme>(`${SHARED}/programme`));
      this.programme.set(fresh);
      this.state.set('fresh');
      await keepProgramme(fresh);
      this.outbox.flush();
    } catch (err) {
      if (problemOf(err).status === 401) this.state.set('ended');
      else this.state.set(kept ? 'kept' : 'empty');
    }
  }

  session(id: string): Session | null {
    return this.sessions().find((s) => s.id === id) ?? null;
  }

  async markFinished(id: string): Promise<void> {
    this.finished.update((f) => [...new Set([...f, id])]);
    await keepFinished(this.finished());
  }

  /** How sore it is today; goes out when there is a network. */
  saySore(soreness: number): void {
    const p = this.programme();
    if (!p) return;
    const body: DayNoteBody = { date: p.today, region: null, soreness, note: '' };
    const id = newId();
    this.outbox.post({ method: 'PUT', path: `/day-notes/${id}`, body });
    const note: DayNote = { id, ...body };
    const next = { ...p, dayNotes: [note, ...p.dayNotes] };
    this.programme.set(next);
    void keepProgramme(next);
  }
}
