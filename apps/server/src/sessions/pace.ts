import { buildTimeline, type Pacing, type PlainDate } from '@yandle/core';
import { In, MoreThanOrEqual } from 'typeorm';
import { ClientEntity } from '../clients/entities.js';
import type { StudioData } from '../database/studio-data.js';
import { loadExercises } from '../exercises/library.js';
import { timingsBy } from '../studio/settings.js';
import { SessionEntity, SessionItemEntity } from './entities.js';
import { sessionItem } from './item.js';

/** Lengths of a client's sessions from today on, by the client's timings as they are now: every minute shown anywhere is the timeline's. */
async function retime(tx: StudioData, clientId: string, today: PlainDate): Promise<void> {
  const timings = await timingsBy(tx, await tx.get(ClientEntity, clientId, 'client'));
  const sessions = await tx.find(SessionEntity, { clientId, date: MoreThanOrEqual(today) });
  if (sessions.length === 0) return;
  const sessionId = In(sessions.map((s) => s.id));
  const items = await tx.find(SessionItemEntity, { sessionId }, { order: { place: 'ASC' } });
  const { find } = await loadExercises(tx);
  for (const s of sessions) {
    const own = items.filter((i) => i.sessionId === s.id).map(sessionItem);
    const { totalSeconds } = buildTimeline(own, s, timings(s), find);
    if (totalSeconds !== s.totalSeconds) await tx.update(SessionEntity, { id: s.id }, { totalSeconds });
  }
}

async function put(
  data: StudioData,
  clientId: string,
  pace: Partial<Pick<ClientEntity, 'breathSeconds' | 'brisk' | 'ownTimings'>>,
  today: PlainDate,
): Promise<void> {
  await data.transaction(async (tx) => {
    await tx.getLocked(ClientEntity, clientId, 'client');
    await tx.update(ClientEntity, { id: clientId }, pace);
    await retime(tx, clientId, today);
  });
}

/** Writes a client's own breath down; null goes back to the usual one. */
export function putBreath(data: StudioData, clientId: string, seconds: number | null, today: PlainDate): Promise<void> {
  return put(data, clientId, { breathSeconds: seconds }, today);
}

/** How quick the changes of a client's sessions are from today on. */
export function putPacing(data: StudioData, clientId: string, pacing: Pacing, today: PlainDate): Promise<void> {
  return put(data, clientId, { brisk: pacing.brisk, ownTimings: pacing.own }, today);
}
