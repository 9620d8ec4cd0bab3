import type { Run, Session, SessionStatus, SessionSummary, SetLog, SymptomReport } from '@yandle/contract';
import { In } from 'typeorm';
import { ClientEntity } from '../clients/entities.js';
import type { StudioData } from '../database/studio-data.js';
import { screeningOf } from '../screening/service.js';
import { formsOf, onHoldOf } from './allowed.js';
import { openStopSigns } from './symptoms.js';
import { loadExercises } from '../exercises/library.js';
import {
  RunAnswerEntity,
  RunEntity,
  SessionEntity,
  SessionItemEntity,
  SetLogEntity,
  SymptomEntity,
} from './entities.js';
import { sessionItem } from './item.js';
import { weekAround } from './week.js';

/** Of several runs of a session the one that counts: the coach's choice, else the first that was finished, else the one started last. */
export function countedRun<R extends Pick<RunEntity, 'id' | 'startedAt' | 'endedAt'>>(
  runs: readonly R[],
  chosen: string | null,
): R | null {
  const finished = runs.filter((r) => r.endedAt !== null).sort((a, b) => a.endedAt!.getTime() - b.endedAt!.getTime());
  const started = [...runs].sort((a, b) => b.startedAt.getTime() - a.startedAt.getTime());
  return runs.find((r) => r.id === chosen) ?? finished[0] ?? started[0] ?? null;
}

export function statusOf(run: Pick<RunEntity, 'endedAt'> | null): SessionStatus {
  return !run ? 'planned' : run.endedAt ? 'done' : 'started';
}

export async function summaries(data: StudioData, rows: readonly SessionEntity[]): Promise<SessionSummary[]> {
  if (rows.length === 0) return [];
  const ids = rows.map((r) => r.id);
  const runs = await data.find(RunEntity, { sessionId: In(ids) });
  const items = await data.find(SessionItemEntity, { sessionId: In(ids) }, { order: { place: 'ASC' } });
  return rows.map((r) => ({
    id: r.id,
    clientId: r.clientId,
    blockId: r.blockId,
    date: r.date,
    plannedDate: r.plannedDate ?? r.date,
    week: r.week,
    status: statusOf(
      countedRun(
        runs.filter((x) => x.sessionId === r.id),
        r.countedRun,
      ),
    ),
    totalSeconds: r.totalSeconds,
    exerciseIds: items.filter((i) => i.sessionId === r.id).map((i) => i.exerciseId),
  }));
}

export async function symptomViews(data: StudioData, rows: readonly SymptomEntity[]): Promise<SymptomReport[]> {
  if (rows.length === 0) return [];
  const clients = await data.find(ClientEntity, { id: In(rows.map((r) => r.clientId)) });
  const sessions = await data.find(SessionEntity, { id: In(rows.map((r) => r.sessionId)) });
  return rows.map((r) => ({
    id: r.id,
    clientId: r.clientId,
    clientName: clients.find((c) => c.id === r.clientId)?.name ?? '',
    sessionId: r.sessionId,
    exerciseId: r.exerciseId,
    side: r.side,
    symptom: r.symptom,
    date: sessions.find((s) => s.id === r.sessionId)?.date ?? '',
    clearedAt: r.clearedAt?.toISOString() ?? null,
  }));
}

const setView = (s: SetLogEntity): SetLog => ({
  id: s.id,
  item: s.item,
  side: s.side,
  set: s.set,
  plannedSeconds: s.plannedSeconds,
  doneSeconds: s.doneSeconds,
  reps: s.reps,
  pieces: s.pieces,
  form: s.form,
  load: s.loadAmount === null ? null : Number(s.loadAmount),
  loadUnit: s.loadUnit,
  assistance: s.assistance,
  depthCm: s.depthCm === null ? null : Number(s.depthCm),
  sensation: s.sensation,
  replaces: s.replaces,
  replacedBy: s.replacedBy,
});

async function runView(data: StudioData, run: RunEntity): Promise<Run> {
  const sets = await data.find(SetLogEntity, { runId: run.id }, { order: { createdAt: 'ASC', id: 'ASC' } });
  const answers = await data.find(RunAnswerEntity, { runId: run.id }, { order: { createdAt: 'ASC', id: 'ASC' } });
  return {
    id: run.id,
    sessionId: run.sessionId,
    startedAt: run.startedAt.toISOString(),
    endedAt: run.endedAt?.toISOString() ?? null,
    source: run.source,
    sensation: run.sensation,
    feltTighter: run.feltTighter,
    note: run.note,
    earlier: answers.slice(0, -1).map((a) => ({
      at: a.createdAt.toISOString(),
      sensation: a.sensation,
      feltTighter: a.feltTighter,
      note: a.note,
    })),
    sets: sets.map(setView),
  };
}

/** A session as its sheet shows it. */
export async function sessionView(data: StudioData, id: string): Promise<Session> {
  const row = await data.get(SessionEntity, id, 'session');
  const [summary] = await summaries(data, [row]);
  const client = await data.get(ClientEntity, row.clientId, 'client');
  const rows = await data.find(SessionItemEntity, { sessionId: id }, { order: { place: 'ASC' } });
  const items = rows.map(sessionItem);
  const runs = await data.find(RunEntity, { sessionId: id }, { order: { startedAt: 'ASC' } });
  const run = countedRun(runs, row.countedRun);
  const { find } = await loadExercises(data);
  // What was planned too: composing and "back to the plan" may bring it in again.
  const listed = [...items, ...(row.plannedItems ?? [])];
  const here = {
    exercises: new Set(listed.map((i) => i.exerciseId)),
    groups: new Set(listed.map((i) => find(i.exerciseId).primary)),
  };
  const open = (await openStopSigns(data, row.clientId)).filter(
    (s) => here.exercises.has(s.exerciseId) || here.groups.has(find(s.exerciseId).primary),
  );
  return {
    ...summary!,
    clientName: client.name,
    version: row.version,
    purpose: row.purpose,
    alreadyWarm: row.alreadyWarm,
    rounds: row.rounds,
    minutes: row.minutes,
    minutesBudget: row.minutes ?? client.minutesPerSession,
    items,
    plannedItems: row.plannedItems ?? items,
    forms: formsOf(
      items,
      find,
      (await screeningOf(data, client, row.date)).current,
      await onHoldOf(data, row.clientId),
    ),
    breathSeconds: client.breathSeconds,
    ...(await weekAround(data, row, find)),
    run: run ? await runView(data, run) : null,
    otherRuns: await Promise.all(runs.filter((r) => r.id !== run?.id).map((r) => runView(data, r))),
    openSymptoms: await symptomViews(data, open),
  };
}
