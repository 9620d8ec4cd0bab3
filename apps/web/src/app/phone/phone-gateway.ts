import { inject, Injectable } from '@angular/core';
import type { Session, SessionSnapshot, SharedRunBody, SymptomReport } from '@yandle/contract';
import { settingsOf, type Exercise } from '@yandle/core';
import type { QueuedRequest } from '../data/outbox/queued-request';
import { RunGateway } from '../run/run-gateway';
import { PhoneOutbox } from './phone-outbox';
import { PhoneStore } from './phone.store';

/** Runs on a client's phone: from the kept block, into the phone's own outbox. */
@Injectable()
export class PhoneGateway extends RunGateway {
  private readonly store = inject(PhoneStore);
  private readonly box = inject(PhoneOutbox);

  override async load(sessionId: string): Promise<Session> {
    if (!this.store.block()) await this.store.load();
    const session = this.store.session(sessionId);
    if (!session) throw new Error('This session is not on the phone. Go back to your list.');
    return session;
  }

  override find(id: string): Exercise {
    return this.store.find(id);
  }

  /** A beginning carries the session along: it is not lost when the plan changes before it arrives. */
  override post(queued: QueuedRequest): void {
    const session = queued.kind === 'start' ? this.store.session(queued.sessionId) : null;
    if (queued.kind !== 'start' || !session) return this.box.post(queued);
    const { minutes: _, ...manner } = settingsOf(session);
    const snapshot: SessionSnapshot = { date: session.date, ...manner, items: session.items };
    const { id, startedAt, wellness } = queued.body;
    const body: SharedRunBody = { id, startedAt, ...(wellness && { wellness }), snapshot };
    this.box.post({ ...queued, body });
  }

  override felt(report: SymptomReport): void {
    this.store.noteStopSign(report);
  }

  override pending(): number {
    return this.box.pending();
  }

  override offline(): boolean {
    return this.box.offline();
  }

  /** The phone's link says whose breath it is. */
  override clientOf(): null {
    return null;
  }
}
