import type {
  DecideLateBody,
  FinishRunBody,
  LateReason,
  LateLog,
  SetLogBody,
  SharedRunBody,
  SymptomBody,
} from '@yandle/contract';
import { buildTimeline, weekOn } from '@yandle/core';
import { In, IsNull } from 'typeorm';
import { v7 as uuid } from 'uuid';
import { BlockEntity } from '../blocks/entities.js';
import { newestRevision } from '../blocks/view.js';
import { ClientEntity } from '../clients/entities.js';
import { hashOf, type StudioData } from '../database/studio-data.js';
import { loadExercises } from '../exercises/library.js';
import { timingsBy } from '../studio/settings.js';
import { HttpProblem, invalidField, notFound } from '../http/problem.js';
import { RunEntity, SessionEntity, SessionItemEntity } from '../sessions/entities.js';
import { AS_PLANNED, itemRow } from '../sessions/item.js';
import { finishRun, putSet, putSymptom } from '../sessions/run.js';
import { LateLogEntity, type RequestKind } from './entities.js';

/** A part of a run as a phone sent it. */
export interface QueuedRequest {
  readonly kind: RequestKind;
  readonly runId: string;
  readonly target: string;
  readonly body: unknown;
}

/** Parts that wait for a coach, for one client: some eighty sessions. A phone whose link has ended may not fill the disk. */
const MOST_WAITING = 5000;

/** Keeps what cannot be taken now. Sending it again keeps it once. */
export async function keepLate(
  data: StudioData,
  clientId: string,
  queued: QueuedRequest,
  reason: LateReason,
): Promise<void> {
  const requestHash = hashOf({ ...queued, clientId });
  await data.transaction(async (tx) => {
    await tx.getLocked(ClientEntity, clientId, 'client');
    const { kind, runId, target } = queued;
    if (await tx.findOne(LateLogEntity, { clientId, runId, kind, target, requestHash })) return;
    const kept = await tx
      .rows(LateLogEntity, 'l')
      .andWhere('l.clientId = :clientId AND l.decidedAt IS NULL', { clientId })
      .getCount();
    if (kept >= MOST_WAITING)
      throw new HttpProblem(
        'conflict',
        'Your coach has not looked at what was sent before. Ask them to, then do this session again.',
      );
    await tx.insert(LateLogEntity, {
      id: uuid(),
      clientId,
      ...queued,
      reason,
      decidedAt: null,
      accepted: null,
      requestHash,
      createdAt: tx.now,
    });
  });
}

async function waiting(data: StudioData, clientId: string): Promise<LateLogEntity[]> {
  await data.get(ClientEntity, clientId, 'client');
  return data.find(LateLogEntity, { clientId, decidedAt: IsNull() }, { order: { createdAt: 'ASC', id: 'ASC' } });
}

/** Runs of a client that wait for the coach. */
export async function lateLogs(data: StudioData, clientId: string): Promise<LateLog[]> {
  const rows = await waiting(data, clientId);
  const runs = rows.length ? await data.find(RunEntity, { id: In(rows.map((r) => r.runId)) }) : [];
  const begun = new Set(runs.map((r) => r.id));
  return [...new Set(rows.map((r) => r.runId))].map((runId) => {
    const mine = rows.filter((r) => r.runId === runId);
    const start = mine.find((r) => r.kind === 'start')?.body as SharedRunBody | undefined;
    const sets = mine.filter((r) => r.kind === 'set').map((r) => r.body as SetLogBody);
    return {
      runId,
      reason: mine[0]!.reason,
      receivedAt: mine[0]!.createdAt.toISOString(),
      date: start?.snapshot.date ?? null,
      started: start !== undefined || begun.has(runId),
      sets: sets.filter((s) => s.replaces === null).length,
      seconds: sets.reduce((sum, s) => sum + s.doneSeconds, 0),
      symptoms: mine.filter((r) => r.kind === 'symptom').length,
    };
  });
}

/** The session a late run belongs to: the one it was begun from, or one made again from what the phone had. */
async function sessionFor(tx: StudioData, clientId: string, id: string, body: SharedRunBody): Promise<string> {
  const there = await tx.findOne(SessionEntity, { id });
  if (there && there.clientId !== clientId)
    throw new HttpProblem('conflict', 'This log names a session of another client. Reject it.');
  if (there) return there.id;
  const { snapshot } = body;
  const blocks = await tx.find(BlockEntity, { clientId }, { order: { startDate: 'DESC' } });
  const block = blocks.find((b) => b.startDate <= snapshot.date) ?? blocks[0];
  const client = await tx.get(ClientEntity, clientId, 'client');
  const { find } = await loadExercises(tx);
  const { totalSeconds } = buildTimeline(snapshot.items, snapshot, (await timingsBy(tx, client))(snapshot), find);
  await tx.insert(SessionEntity, {
    id,
    clientId,
    blockId: block?.id ?? null,
    revisionNumber: block ? (await newestRevision(tx, block.id)).number : null,
    date: snapshot.date,
    plannedDate: null,
    dayPlanId: null,
    week: block ? Math.min(block.weeks, Math.max(1, weekOn(block.startDate, snapshot.date))) : null,
    totalSeconds,
    ...AS_PLANNED,
    purpose: snapshot.purpose,
    alreadyWarm: snapshot.alreadyWarm,
    rounds: snapshot.rounds,
    untilEasy: snapshot.untilEasy ?? false,
    pacing: snapshot.pacing ?? null,
  });
  await tx.insertMany(
    SessionItemEntity,
    snapshot.items.map((item, place) => itemRow(id, item, place)),
  );
  return id;
}

/** The session that the coach chose for a run whose beginning never arrived. */
async function chosenSession(tx: StudioData, clientId: string, sessionId: string | null): Promise<string> {
  const session = sessionId === null ? null : await tx.findOne(SessionEntity, { id: sessionId, clientId });
  if (!session)
    throw invalidField(
      'sessionId',
      'The start of this session never arrived. Choose the session that these sets belong to.',
    );
  return session.id;
}

async function take(
  tx: StudioData,
  clientId: string,
  rows: readonly LateLogEntity[],
  chosen: string | null,
): Promise<void> {
  const start = rows.find((r) => r.kind === 'start');
  const runId = rows[0]!.runId;
  const there = await tx.findOne(RunEntity, { id: runId });
  if (there && (await tx.get(SessionEntity, there.sessionId, 'session')).clientId !== clientId)
    throw new HttpProblem('conflict', 'This log names a session of another client. Reject it.');
  if (!there) {
    const body = start?.body as SharedRunBody | undefined;
    const sessionId =
      start && body ? await sessionFor(tx, clientId, start.target, body) : await chosenSession(tx, clientId, chosen);
    // Where nobody knows when it began, it is known when its first part arrived.
    const startedAt = body?.startedAt ?? rows[0]!.createdAt.toISOString();
    await tx.insert(RunEntity, {
      id: runId,
      sessionId,
      startedAt: new Date(startedAt),
      endedAt: null,
      source: 'client',
      sensation: null,
      feltTighter: null,
      tighterIn: null,
      note: '',
      wellness: body?.wellness ?? null,
      hasWork: false,
      withdrawnAt: null,
      requestHash: hashOf({ sessionId, id: runId, startedAt }),
      createdAt: tx.now,
    });
  }
  for (const row of rows) {
    if (row.kind === 'set') await putSet(tx, runId, row.target, row.body as SetLogBody);
    if (row.kind === 'symptom') await putSymptom(tx, runId, row.target, row.body as SymptomBody);
    if (row.kind === 'finish') await finishRun(tx, runId, row.body as FinishRunBody);
  }
}

/** The coach takes a late run in, all of it, or puts it aside. Either way it stays on record. */
export async function decideLate(
  data: StudioData,
  clientId: string,
  runId: string,
  { accept, sessionId }: DecideLateBody,
): Promise<LateLog[]> {
  return data.transaction(async (tx) => {
    await tx.getLocked(ClientEntity, clientId, 'client');
    const rows = (await waiting(tx, clientId)).filter((r) => r.runId === runId);
    if (rows.length === 0) throw notFound('late run');
    if (accept) await take(tx, clientId, rows, sessionId ?? null);
    await tx.audit(accept ? 'late-log-accepted' : 'late-log-rejected', { clientId, subject: runId });
    for (const { id } of rows) await tx.update(LateLogEntity, { id }, { decidedAt: tx.now, accepted: accept });
    return lateLogs(tx, clientId);
  });
}
