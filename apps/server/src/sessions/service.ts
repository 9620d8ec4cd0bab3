import type {
  FinishRunBody,
  Session,
  SessionSummary,
  SetLogBody,
  StartRunBody,
  SymptomBody,
  SymptomReport,
} from '@yandle/contract';
import { boutCount, cautionsAgainst, type PlainDate } from '@yandle/core';
import { ClientEntity } from '../clients/entities.js';
import { hashOf, type StudioData } from '../database/studio-data.js';
import { loadExercises } from '../exercises/book.js';
import { screeningOf } from '../screening/service.js';
import { sessionItem } from './item.js';
import { HttpProblem } from '../http/problem.js';
import { RunEntity, SessionEntity, SessionItemEntity, SetLogEntity, SymptomEntity } from './entities.js';
import { openRedSymptoms, sessionView, summaries, symptomViews } from './views.js';

/** A client's sessions in order of date; with a block only its own. */
export async function listSessions(data: StudioData, clientId: string): Promise<SessionSummary[]> {
  await data.get(ClientEntity, clientId, 'client');
  return summaries(data, await data.find(SessionEntity, { clientId }, { order: { date: 'ASC', id: 'ASC' } }));
}

function invalid(path: string, message: string): HttpProblem {
  return new HttpProblem('validation', 'Mend the fields listed and send again.', { errors: [{ path, message }] });
}

/** Nothing is run that the screening speaks against today, whenever it was planned. */
async function assertMayRun(
  tx: StudioData,
  clientId: string,
  items: readonly SessionItemEntity[],
  today: PlainDate,
): Promise<void> {
  const screening = await screeningOf(tx, await tx.get(ClientEntity, clientId, 'client'), today);
  if (screening.state === 'refer')
    throw new HttpProblem(
      'screening-blocks-planning',
      'A licensed professional comes first: no session is run until the clearance is recorded in the intake.',
    );
  const { find } = await loadExercises(tx);
  for (const item of items) {
    const exercise = find(item.exerciseId);
    const [caution] = cautionsAgainst(
      { ...exercise, technique: item.technique ?? exercise.technique },
      screening.standing,
    );
    if (caution)
      throw new HttpProblem(
        'screening-blocks-planning',
        `${exercise.name} is no longer for this client: ${caution.title}. Choose another stretch for it on the Block and publish; the coming sessions change with it.`,
      );
  }
}

export async function startRun(
  data: StudioData,
  sessionId: string,
  body: StartRunBody,
  today: PlainDate,
): Promise<Session> {
  return data.transaction(async (tx) => {
    const session = await tx.getLocked(SessionEntity, sessionId, 'session');
    if (await tx.isNew(RunEntity, body.id, { sessionId, ...body })) {
      const items = await tx.find(SessionItemEntity, { sessionId });
      await assertMayRun(tx, session.clientId, items, today);
      const open = (await openRedSymptoms(tx, session.clientId)).filter((s) =>
        items.some((i) => i.exerciseId === s.exerciseId),
      );
      if (open.length > 0)
        throw new HttpProblem(
          'symptom-not-cleared',
          `${(await loadExercises(tx)).find(open[0]!.exerciseId).name} is on hold after a stop sign. Clear it on the session sheet before running it.`,
        );
      await tx.insert(RunEntity, {
        id: body.id,
        sessionId,
        startedAt: new Date(body.startedAt),
        endedAt: null,
        sensation: null,
        note: '',
        requestHash: hashOf({ sessionId, ...body }),
        createdAt: new Date(),
      });
    }
    return sessionView(tx, sessionId);
  });
}

/** The item a log speaks of, checked against the session it belongs to. */
async function itemOf(
  tx: StudioData,
  run: RunEntity,
  body: Pick<SetLogBody, 'item' | 'side'>,
): Promise<{ readonly item: SessionItemEntity; readonly bouts: number }> {
  const item = await tx.findOne(SessionItemEntity, { sessionId: run.sessionId, place: body.item });
  if (!item) throw invalid('item', 'This session has no such exercise.');
  const exercise = (await loadExercises(tx)).find(item.exerciseId);
  const sided = exercise.sides === 'each';
  if (sided !== (body.side !== null))
    throw invalid('side', sided ? 'This exercise has sides: say left or right.' : 'This exercise has no sides.');
  return { item, bouts: boutCount(sessionItem(item), exercise, body.side) };
}

/** One bout, acknowledged only when it is stored. Sending it again changes nothing. */
export async function putSet(data: StudioData, runId: string, id: string, body: SetLogBody): Promise<void> {
  await data.transaction(async (tx) => {
    const run = await tx.getLocked(RunEntity, runId, 'run');
    if (!(await tx.isNew(SetLogEntity, id, { runId, ...body }))) return;
    const { bouts } = await itemOf(tx, run, body);
    if (body.set > bouts) throw invalid('set', `This exercise has ${bouts} sets on a side.`);
    const same = await tx.find(SetLogEntity, { runId, item: body.item, set: body.set });
    const standing = same.find((s) => s.side === body.side && s.replacedBy === null);
    if (body.replaces !== null && standing?.id !== body.replaces)
      throw invalid('replaces', 'There is no such set to correct, or it has been corrected already.');
    if (body.replaces === null && standing)
      throw invalid('replaces', 'This set is logged already. Name the log that this one corrects.');
    await tx.insert(SetLogEntity, {
      ...body,
      id,
      runId,
      replacedBy: null,
      requestHash: hashOf({ runId, ...body }),
      createdAt: new Date(),
    });
    if (standing) await tx.update(SetLogEntity, { id: standing.id }, { replacedBy: id });
  });
}

export async function putSymptom(data: StudioData, runId: string, id: string, body: SymptomBody): Promise<void> {
  await data.transaction(async (tx) => {
    const run = await tx.getLocked(RunEntity, runId, 'run');
    if (!(await tx.isNew(SymptomEntity, id, { runId, ...body }))) return;
    const { item } = await itemOf(tx, run, body);
    const session = await tx.get(SessionEntity, run.sessionId, 'session');
    await tx.insert(SymptomEntity, {
      id,
      clientId: session.clientId,
      sessionId: session.id,
      runId,
      exerciseId: item.exerciseId,
      side: body.side,
      symptom: body.symptom,
      clearedAt: null,
      clearedBy: null,
      clearedNote: '',
      requestHash: hashOf({ runId, ...body }),
      createdAt: new Date(),
    });
  });
}

export async function finishRun(data: StudioData, runId: string, body: FinishRunBody): Promise<Session> {
  return data.transaction(async (tx) => {
    const run = await tx.getLocked(RunEntity, runId, 'run');
    const endedAt = new Date(body.endedAt);
    const same =
      run.endedAt?.getTime() === endedAt.getTime() && run.sensation === body.sensation && run.note === body.note;
    if (run.endedAt && !same)
      throw new HttpProblem(
        'conflict',
        'This run was finished before, with other answers. Load the session to see them.',
      );
    if (endedAt < run.startedAt) throw invalid('endedAt', 'A run cannot end before it starts.');
    if (!run.endedAt)
      await tx.update(RunEntity, { id: runId }, { endedAt, sensation: body.sensation, note: body.note });
    return sessionView(tx, run.sessionId);
  });
}

/** A coach looked into a stop sign: the exercise may be done again. */
export async function clearSymptom(
  data: StudioData,
  id: string,
  note: string,
  coachId: string,
  now: Date,
): Promise<SymptomReport> {
  return data.transaction(async (tx) => {
    const row = await tx.getLocked(SymptomEntity, id, 'symptom');
    if (row.clearedAt === null)
      await tx.update(SymptomEntity, { id }, { clearedAt: now, clearedBy: coachId, clearedNote: note });
    const [view] = await symptomViews(tx, [await tx.get(SymptomEntity, id, 'symptom')]);
    return view!;
  });
}

/**
 * Gives a session another day. Not one that has been begun, not into the past, and not on a day that has a session of the block; whether the
 * spacing holds, the screen says.
 */
export async function moveSession(
  data: StudioData,
  sessionId: string,
  date: PlainDate,
  today: PlainDate,
): Promise<SessionSummary> {
  return data.transaction(async (tx) => {
    const session = await tx.getLocked(SessionEntity, sessionId, 'session');
    if (date < today) throw invalid('date', 'Choose today or a later day.');
    if ((await tx.find(RunEntity, { sessionId })).length > 0)
      throw new HttpProblem('conflict', 'This session has been begun: it keeps its day.');
    const there = await tx.findOne(SessionEntity, { clientId: session.clientId, date });
    if (there && there.id !== sessionId)
      throw new HttpProblem('conflict', 'That day has a session already. Choose another day.');
    await tx.update(SessionEntity, { id: sessionId }, { date, plannedDate: session.plannedDate ?? session.date });
    const [view] = await summaries(tx, [await tx.get(SessionEntity, sessionId, 'session')]);
    return view!;
  });
}
