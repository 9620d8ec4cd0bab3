import type { CreateSessionsBody, SessionSummary } from '@yandle/contract';
import { aboutFrom, buildTimeline, settingsOf, type ClientPlace, type PlainDate } from '@yandle/core';
import { In } from 'typeorm';
import { ClientEntity } from '../clients/entities.js';
import type { StudioData } from '../database/studio-data.js';
import { loadExercises } from '../exercises/library.js';
import { HttpProblem, invalidField } from '../http/problem.js';
import { latestIntake } from '../screening/service.js';
import { timingsBy } from '../studio/settings.js';
import { assertMayBeDone } from './allowed.js';
import { assertKnown } from './edit.js';
import { RunEntity, SessionEntity, SessionItemEntity } from './entities.js';
import { AS_PLANNED, itemRow } from './item.js';
import { isStanding } from './standing.js';
import { summaries } from './views.js';

async function placeOf(tx: StudioData, clientId: string, placeId: string | null): Promise<ClientPlace | null> {
  if (placeId === null) return null;
  const intake = await latestIntake(tx, clientId);
  const place = intake && aboutFrom(intake.about).places.find((p) => p.id === placeId);
  if (!place) throw invalidField('placeId', 'Choose one of the client’s places, or anywhere.');
  return place;
}

/** Makes the sessions of one list, alike on each of their dates. Gives their ids. */
async function createList(
  tx: StudioData,
  client: ClientEntity,
  body: CreateSessionsBody,
  today: PlainDate,
): Promise<readonly string[]> {
  const { sessions, items, name, routineId, placeId } = body;
  const settings = settingsOf(body);
  const clientId = client.id;
  const ids = sessions.map((s) => s.id);
  const there = await tx.find(SessionEntity, { id: In(ids) });
  if (there.some((s) => s.clientId !== clientId))
    throw new HttpProblem('conflict', 'A session with this id belongs to another client. Load the page again.');
  const open = sessions.filter((s) => !there.some((t) => t.id === s.id));
  sessions.forEach(({ date }, i) => {
    if (date < today) throw invalidField(`sessions[${i}].date`, 'Choose today or a later day.');
  });
  await assertKnown(tx, items);
  await assertMayBeDone(tx, clientId, items, today);
  const place = await placeOf(tx, clientId, placeId);
  const { find } = await loadExercises(tx);
  const { totalSeconds } = buildTimeline(items, settings, (await timingsBy(tx, client))(settings), find);
  await tx.insertMany(
    SessionEntity,
    open.map(({ id, date, dayRound = null }) => ({
      ...{ id, clientId, date, plannedDate: null, blockId: null, revisionNumber: null, week: null, dayPlanId: null },
      ...AS_PLANNED,
      ...settings,
      plannedManner: settings,
      ...{ name, routineId, place, totalSeconds, dayRound },
    })),
  );
  await tx.insertMany(
    SessionItemEntity,
    open.flatMap(({ id }) => items.map((item, at) => itemRow(id, item, at))),
  );
  return ids;
}

/**
 * Makes sessions of their own for a client: each list on its dates. All or none; the same request again makes nothing twice.
 * @throws HttpProblem `screening-blocks-planning`
 */
export async function createSessions(
  data: StudioData,
  clientId: string,
  lists: readonly CreateSessionsBody[],
  today: PlainDate,
): Promise<SessionSummary[]> {
  return data.transaction(async (tx) => {
    const client = await tx.getLocked(ClientEntity, clientId, 'client');
    const ids: string[] = [];
    for (const list of lists) ids.push(...(await createList(tx, client, list, today)));
    return summaries(tx, await tx.find(SessionEntity, { id: In(ids) }, { order: { date: 'ASC', id: 'ASC' } }));
  });
}

/** Takes a session of its own off the calendar, before anybody has begun it. One of a block goes with its block. */
export async function removeSession(data: StudioData, id: string): Promise<void> {
  await data.transaction(async (tx) => {
    const session = await tx.getLocked(SessionEntity, id, 'session');
    if (session.blockId !== null)
      throw new HttpProblem('conflict', 'This session is part of a block. Change the block, or leave the session out.');
    if ((await tx.find(RunEntity, { sessionId: id })).some(isStanding))
      throw new HttpProblem('conflict', 'This session has started, so it stays in the record.');
    // Runs that were begun and taken back hold no work, but they hold the session.
    await tx.delete(RunEntity, { sessionId: id });
    await tx.delete(SessionEntity, { id });
  });
}
