import type { EditSessionBody, Session } from '@yandle/contract';
import { buildTimeline, settingsOf, type PlainDate, type SessionItem, type SessionSettings } from '@yandle/core';
import { ClientEntity } from '../clients/entities.js';
import type { StudioData } from '../database/studio-data.js';
import { loadExercises, type ExerciseLibrary } from '../exercises/library.js';
import { HttpProblem, invalidField } from '../http/problem.js';
import { timingsBy } from '../studio/settings.js';
import { assertMayBeDone } from './allowed.js';
import { RunEntity, SessionEntity, SessionItemEntity } from './entities.js';
import { AS_PLANNED, itemRow, plannedSettings, sessionItem } from './item.js';
import { partFaults } from './part-faults.js';
import { isStanding } from './standing.js';
import { sessionView } from './views.js';

/** Every exercise exists and can be done as it is asked. */
export async function assertKnown(tx: StudioData, items: readonly SessionItem[]): Promise<void> {
  assertItems(await loadExercises(tx), items);
}

/** The same with the library at hand. @param at field that the list stands in */
export function assertItems(
  { find, has }: Pick<ExerciseLibrary, 'find' | 'has'>,
  items: readonly SessionItem[],
  at = 'items',
): void {
  items.forEach((item, i) => {
    if (!has(item.exerciseId)) throw invalidField(`${at}[${i}].exerciseId`, 'Choose an exercise from the library.');
    if (item.choice !== undefined && !has(item.choice))
      throw invalidField(`${at}[${i}].choice`, 'Choose an exercise from the library.');
    const exercise = find(item.exerciseId);
    const [fault] = partFaults(item, exercise);
    if (fault) throw invalidField(`${at}[${i}].${fault.path}`, fault.message);
    if (item.middle && exercise.sides !== 'each')
      throw invalidField(`${at}[${i}].middle`, `${exercise.name} has no sides, so it has no middle.`);
  });
}

async function openFor(tx: StudioData, id: string, version: number): Promise<SessionEntity> {
  const session = await tx.getLocked(SessionEntity, id, 'session');
  if ((await tx.find(RunEntity, { sessionId: id })).some(isStanding))
    throw new HttpProblem('conflict', 'This session has started, so it can’t change. Change the next one.');
  if (session.version !== version)
    throw new HttpProblem('stale-version', 'Someone else changed this session. Load it again to see it.', {
      current: await sessionView(tx, id),
    });
  return session;
}

/** Settings that are left out when they are not so. */
const UNSET = { untilEasy: false, pacing: null } as const;

/** The list of a session as it is from now on. */
export async function writeItems(tx: StudioData, sessionId: string, items: readonly SessionItem[]): Promise<void> {
  await tx.delete(SessionItemEntity, { sessionId });
  await tx.insertMany(
    SessionItemEntity,
    items.map((item, place) => itemRow(sessionId, item, place)),
  );
}

async function plannedItems(tx: StudioData, session: SessionEntity): Promise<readonly SessionItem[]> {
  if (session.plannedItems) return session.plannedItems;
  const rows = await tx.find(SessionItemEntity, { sessionId: session.id }, { order: { place: 'ASC' } });
  return rows.map(sessionItem);
}

async function lengthOf(
  tx: StudioData,
  session: Pick<SessionEntity, 'clientId'>,
  items: readonly SessionItem[],
  settings: SessionSettings,
): Promise<number> {
  const client = await tx.get(ClientEntity, session.clientId, 'client');
  const { find } = await loadExercises(tx);
  return buildTimeline(items, settings, (await timingsBy(tx, client))(settings), find).totalSeconds;
}

/**
 * Changes a session that has not been begun. What the plan had is kept, so that it can be restored; a new plan of the block makes the session
 * anew.
 */
export async function editSession(
  data: StudioData,
  id: string,
  body: EditSessionBody,
  today: PlainDate,
): Promise<Session> {
  return data.transaction(async (tx) => {
    const session = await openFor(tx, id, body.version);
    await assertKnown(tx, body.items);
    await assertMayBeDone(tx, session.clientId, body.items, today);
    const planned = await plannedItems(tx, session);
    await writeItems(tx, id, body.items);
    await tx.update(
      SessionEntity,
      { id },
      {
        version: session.version + 1,
        ...UNSET,
        ...settingsOf(body),
        plannedItems: planned,
        totalSeconds: await lengthOf(tx, session, body.items, body),
      },
    );
    return sessionView(tx, id);
  });
}

/** Back to what the plan had. */
export async function restoreSession(data: StudioData, id: string, version: number): Promise<Session> {
  return data.transaction(async (tx) => {
    const session = await openFor(tx, id, version);
    const planned = await plannedItems(tx, session);
    await writeItems(tx, id, planned);
    const settings = plannedSettings(session);
    const totalSeconds = await lengthOf(tx, session, planned, settings);
    const { countedRun, plannedItems: none } = AS_PLANNED;
    await tx.update(
      SessionEntity,
      { id },
      { ...UNSET, ...settings, countedRun, plannedItems: none, version: session.version + 1, totalSeconds },
    );
    return sessionView(tx, id);
  });
}
