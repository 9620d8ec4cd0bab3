import type { Run, Session, SessionStatus, SessionSummary, SetLog, SymptomReport } from '@yandle/contract';
import { concerns, onHoldAfter, restsOn, settingsOf, soreGroups, warmUpMoves } from '@yandle/core';
import { dateIn } from '../clock.js';
import { In } from 'typeorm';
import { ClientEntity } from '../clients/entities.js';
import { groupBy } from '../database/group-by.js';
import type { StudioData } from '../database/studio-data.js';
import { screeningAt, screeningFacts, type ScreeningFacts } from '../screening/service.js';
import { plannedSettings } from './item.js';
import { formsOf } from './allowed.js';
import { openStopSigns, type OpenSign } from './symptoms.js';
import { paceOf } from '../studio/settings.js';
import { loadExercises, type ExerciseLibrary } from '../exercises/library.js';
import { RunAnswerEntity, RunEntity, SessionEntity, SessionItemEntity, SetLogEntity } from './entities.js';
import { soreAround } from './soreness.js';
import { isStanding, type RunState } from './standing.js';
import { surroundingsOf, weekAround } from './week.js';

/** Of several runs of a session the one that counts: the coach's choice, else the first that was finished, else the one started last. */
export function countedRun<R extends Pick<RunEntity, 'id' | 'startedAt'> & RunState>(
  all: readonly R[],
  chosen: string | null,
): R | null {
  const runs = all.filter(isStanding);
  const finished = runs.filter((r) => r.endedAt !== null).sort((a, b) => a.endedAt!.getTime() - b.endedAt!.getTime());
  const started = [...runs].sort((a, b) => b.startedAt.getTime() - a.startedAt.getTime());
  return runs.find((r) => r.id === chosen) ?? finished[0] ?? started[0] ?? null;
}

export function statusOf(run: Pick<RunEntity, 'endedAt'> | null): SessionStatus {
  return !run ? 'planned' : run.endedAt ? 'done' : 'started';
}

function summaryOf(
  row: SessionEntity,
  runs: readonly RunEntity[],
  items: readonly Pick<SessionItemEntity, 'exerciseId'>[],
): SessionSummary {
  return {
    id: row.id,
    clientId: row.clientId,
    blockId: row.blockId,
    name: row.name,
    date: row.date,
    plannedDate: row.plannedDate ?? row.date,
    week: row.week,
    status: statusOf(countedRun(runs, row.countedRun)),
    totalSeconds: row.totalSeconds,
    exerciseIds: items.map((i) => i.exerciseId),
    ...(row.dayRound && { dayRound: row.dayRound }),
  };
}

export async function summaries(data: StudioData, rows: readonly SessionEntity[]): Promise<SessionSummary[]> {
  if (rows.length === 0) return [];
  const sessionId = In(rows.map((r) => r.id));
  const [runs, items] = await Promise.all([
    data.find(RunEntity, { sessionId }),
    data.find(SessionItemEntity, { sessionId }, { order: { place: 'ASC' } }),
  ]);
  const runsOf = groupBy(runs, (r) => r.sessionId);
  const itemsOf = groupBy(items, (i) => i.sessionId);
  return rows.map((r) => summaryOf(r, runsOf.get(r.id) ?? [], itemsOf.get(r.id) ?? []));
}

export async function symptomViews(data: StudioData, rows: readonly OpenSign[]): Promise<SymptomReport[]> {
  if (rows.length === 0) return [];
  const clients = await data.find(ClientEntity, { id: In(rows.map((r) => r.clientId)) });
  const { timeZone } = await data.studio();
  return rows.map((r) => ({
    id: r.id,
    clientId: r.clientId,
    clientName: clients.find((c) => c.id === r.clientId)?.name ?? '',
    sessionId: r.sessionId,
    exerciseId: r.exerciseId,
    ...(r.form !== null && { form: r.form }),
    side: r.side,
    symptom: r.symptom,
    date: dateIn(timeZone, r.feltAt ?? r.createdAt),
    clearedAt: r.clearedAt?.toISOString() ?? null,
    ...(r.late && { late: true }),
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

function runView(run: RunEntity, sets: readonly SetLogEntity[], answers: readonly RunAnswerEntity[]): Run {
  return {
    id: run.id,
    sessionId: run.sessionId,
    startedAt: run.startedAt.toISOString(),
    endedAt: run.endedAt?.toISOString() ?? null,
    source: run.source,
    sensation: run.sensation,
    feltTighter: run.feltTighter,
    tighterIn: run.tighterIn ?? [],
    note: run.note,
    wellness: run.wellness,
    withdrawn: run.withdrawnAt !== null,
    earlier: answers
      .filter((a) => a.runId === run.id)
      .slice(0, -1)
      .map((a) => ({
        at: a.createdAt.toISOString(),
        sensation: a.sensation,
        feltTighter: a.feltTighter,
        note: a.note,
      })),
    sets: sets.filter((s) => s.runId === run.id).map(setView),
  };
}

/** A session as its sheet shows it. @throws HttpProblem `not-found` */
export async function sessionView(data: StudioData, id: string): Promise<Session> {
  const row = await data.get(SessionEntity, id, 'session');
  const [view] = await sessionViews(data, await data.get(ClientEntity, row.clientId, 'client'), [row]);
  return view!;
}

/** Sessions of one client as their sheets show them; the number of statements does not grow with them. @param read what of it is read already */
export async function sessionViews(
  data: StudioData,
  client: ClientEntity,
  rows: readonly SessionEntity[],
  read: { readonly facts?: ScreeningFacts; readonly library?: ExerciseLibrary } = {},
): Promise<Session[]> {
  if (rows.length === 0) return [];
  const [around, { find, current }, stops, screening, studio] = await Promise.all([
    surroundingsOf(data, rows),
    read.library ?? loadExercises(data),
    openStopSigns(data, client.id),
    read.facts ?? screeningFacts(data, client),
    data.studio(),
  ]);
  const runIds = around.runs.map((r) => r.id);
  const [answers, reports] = await Promise.all([
    runIds.length
      ? data.find(RunAnswerEntity, { runId: In(runIds) }, { order: { createdAt: 'ASC', id: 'ASC' } })
      : Promise.resolve([]),
    symptomViews(data, stops),
  ]);
  const pace = paceOf(studio, client);
  const sore = await soreAround(data, client.id, rows);
  return rows.map((row): Session => {
    const { items } = around.planned.find((p) => p.session.id === row.id)!;
    const runs = around.runs.filter((r) => r.sessionId === row.id);
    const run = countedRun(runs, row.countedRun);
    const resting = sore.filter((e) => restsOn(e, row.date));
    const hold = onHoldAfter(stops, find, soreGroups(resting, row.date));
    // What was planned too: composing and "back to the plan" may bring it in again.
    const listed = [...items, ...(row.plannedItems ?? [])];
    const weekOf = weekAround(around, row, find);
    const cautions = screeningAt(screening, row.date).current;
    return {
      ...summaryOf(row, runs, items),
      clientName: client.name,
      routineId: row.routineId,
      version: row.version,
      ...settingsOf(row),
      asPlanned: plannedSettings(row),
      minutesBudget: row.minutes ?? client.minutesPerSession,
      items,
      plannedItems: row.plannedItems ?? items,
      forms: formsOf(items, find, cautions, hold, weekOf.place),
      warmUp: row.alreadyWarm
        ? []
        : warmUpMoves(items, { exercises: current, cautions, hold, place: weekOf.place }, find).map((e) => e.id),
      breathSeconds: client.breathSeconds,
      timings: pace.timings,
      ...(pace.steady && { steadyTimings: pace.steady }),
      ...weekOf,
      run: run ? runView(run, around.logs, answers) : null,
      otherRuns: runs.filter((r) => r.id !== run?.id).map((r) => runView(r, around.logs, answers)),
      openSymptoms: reports.filter((s) => concerns(s, listed, find)),
      sore: resting,
    };
  });
}
