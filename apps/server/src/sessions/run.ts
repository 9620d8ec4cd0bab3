import type {
  EditAnswersBody,
  FinishRunBody,
  RunSource,
  Session,
  SetLogBody,
  StartRunBody,
  SymptomBody,
} from '@yandle/contract';
import { boutCount, feltExercise, itemDone, type Assistance, type PlainDate } from '@yandle/core';
import { v7 as uuid } from 'uuid';
import { hashOf, type StudioData } from '../database/studio-data.js';
import { loadExercises } from '../exercises/library.js';
import { HttpProblem, invalidField } from '../http/problem.js';
import { assertMayBeDone, assertNothingOnHold } from './allowed.js';
import {
  RunAnswerEntity,
  RunEntity,
  SessionEntity,
  SessionItemEntity,
  SetLogEntity,
  SymptomEntity,
} from './entities.js';
import { sessionItem } from './item.js';
import { sessionView } from './views.js';

/**
 * Begins a run. What is written down afterwards from paper has been done already: nothing is asked of the screening then.
 * @throws HttpProblem `screening-blocks-planning`, `symptom-not-cleared`
 */
export async function startRun(
  data: StudioData,
  sessionId: string,
  body: StartRunBody,
  today: PlainDate,
  source: RunSource = body.source ?? 'coach',
): Promise<Session> {
  return data.transaction(async (tx) => {
    const session = await tx.getLocked(SessionEntity, sessionId, 'session');
    if (await tx.isNew(RunEntity, body.id, { sessionId, ...body })) {
      const items = (await tx.find(SessionItemEntity, { sessionId })).map(sessionItem);
      if (source !== 'paper') {
        await assertMayBeDone(tx, session.clientId, items, today);
        await assertNothingOnHold(tx, session.clientId, items);
      }
      await tx.insert(RunEntity, {
        id: body.id,
        sessionId,
        startedAt: new Date(body.startedAt),
        endedAt: null,
        source,
        sensation: null,
        feltTighter: null,
        tighterIn: null,
        note: '',
        wellness: body.wellness ?? null,
        hasWork: false,
        withdrawnAt: null,
        requestHash: hashOf({ sessionId, ...body }),
        createdAt: tx.now,
      });
    }
    return sessionView(tx, sessionId);
  });
}

/** The item a log speaks of, checked against the session it belongs to. */
async function itemOf(
  tx: StudioData,
  run: RunEntity,
  body: Pick<SetLogBody, 'item' | 'side' | 'form'>,
): Promise<{ readonly item: SessionItemEntity; readonly bouts: number }> {
  const item = await tx.findOne(SessionItemEntity, { sessionId: run.sessionId, place: body.item });
  if (!item) throw invalidField('item', 'This session has no such exercise.');
  const { find, has } = await loadExercises(tx);
  if (body.form && !has(body.form)) throw invalidField('form', 'Choose an exercise from the library.');
  const row = itemDone(sessionItem(item), body.form ?? null, find);
  const exercise = find(row.exerciseId);
  const sided = exercise.sides === 'each';
  const inTheMiddle = body.side === null && row.middle === true;
  if (sided !== (body.side !== null) && !inTheMiddle)
    throw invalidField('side', sided ? 'This exercise has sides: say left or right.' : 'This exercise has no sides.');
  const { rounds } = await tx.get(SessionEntity, run.sessionId, 'session');
  return { item, bouts: boutCount(row, exercise, body.side, rounds) };
}

/** One bout, acknowledged only when it is stored. Sending it again changes nothing; a correction keeps the value before it. */
export async function putSet(data: StudioData, runId: string, id: string, body: SetLogBody): Promise<void> {
  await data.transaction(async (tx) => {
    const run = await tx.getLocked(RunEntity, runId, 'run');
    if (!(await tx.isNew(SetLogEntity, id, { runId, ...body }))) return;
    const { bouts } = await itemOf(tx, run, body);
    if (body.set > bouts) throw invalidField('set', `This exercise has ${bouts} sets per side.`);
    const same = await tx.find(SetLogEntity, { runId, item: body.item, set: body.set });
    const current = same.find((s) => s.side === body.side && s.replacedBy === null);
    if (body.replaces !== null && current?.id !== body.replaces)
      throw invalidField('replaces', 'There is no such set to correct, or it has been corrected already.');
    if (body.replaces === null && current)
      throw invalidField('replaces', 'This set is logged already. Name the log that this one corrects.');
    await tx.insert(SetLogEntity, {
      id,
      runId,
      item: body.item,
      side: body.side,
      set: body.set,
      plannedSeconds: body.plannedSeconds,
      doneSeconds: body.doneSeconds,
      reps: body.reps ?? null,
      pieces: body.pieces ?? 1,
      form: body.form ?? null,
      loadAmount: body.load === undefined || body.load === null ? null : body.load.toFixed(2),
      loadUnit: body.loadUnit ?? null,
      assistance: (body.assistance ?? null) as Assistance | null,
      depthCm: body.depthCm === undefined || body.depthCm === null ? null : body.depthCm.toFixed(1),
      sensation: body.sensation ?? null,
      replaces: body.replaces,
      replacedBy: null,
      requestHash: hashOf({ runId, ...body }),
      createdAt: tx.now,
    });
    if (current) await tx.update(SetLogEntity, { id: current.id }, { replacedBy: id });
    if (body.doneSeconds > 0 && !run.hasWork) await tx.update(RunEntity, { id: runId }, { hasWork: true });
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
      ...feltExercise(sessionItem(item), body.form ?? null),
      side: body.side,
      symptom: body.symptom,
      // A clock that is ahead does not date it into the future.
      feltAt: body.at ? new Date(Math.min(Date.parse(body.at), tx.now.getTime())) : null,
      clearedAt: null,
      clearedBy: null,
      clearedNote: '',
      clearedWho: '',
      requestHash: hashOf({ runId, ...body }),
      createdAt: tx.now,
    });
  });
}

type Answers = Pick<RunEntity, 'sensation' | 'feltTighter' | 'note'>;
const answersOf = (b: Pick<FinishRunBody, 'sensation' | 'feltTighter' | 'note'>): Answers => ({
  sensation: b.sensation,
  feltTighter: b.feltTighter ?? null,
  note: b.note,
});
const same = (a: Answers, b: Answers): boolean =>
  a.sensation === b.sensation && a.feltTighter === b.feltTighter && a.note === b.note;

/** True when there is an answer among them. */
const isSaid = (a: Answers): boolean => a.sensation !== null || a.feltTighter !== null || a.note !== '';

export async function finishRun(data: StudioData, runId: string, body: FinishRunBody): Promise<Session> {
  return data.transaction(async (tx) => {
    const run = await tx.getLocked(RunEntity, runId, 'run');
    const endedAt = new Date(body.endedAt);
    const given = answersOf(body);
    if (run.endedAt && !(run.endedAt.getTime() === endedAt.getTime() && (await wasGiven(tx, run, given))))
      throw new HttpProblem(
        'conflict',
        'This run was finished before, with other answers. Load the session to see them.',
      );
    if (endedAt < run.startedAt) throw invalidField('endedAt', 'A session can’t end before it starts.');
    if (!run.endedAt)
      await tx.update(
        RunEntity,
        { id: runId },
        { endedAt, ...given, tighterIn: body.tighterIn ?? null, hasWork: run.hasWork || isSaid(given) },
      );
    return sessionView(tx, run.sessionId);
  });
}

/** True when answers are the first ones of a run, corrected since or not: sending them again is no new answer. */
async function wasGiven(tx: StudioData, run: RunEntity, given: Answers): Promise<boolean> {
  const [first] = await tx.find(RunAnswerEntity, { runId: run.id }, { order: { createdAt: 'ASC', id: 'ASC' } });
  return same(first ?? run, given);
}

/** Puts the answers of a finished run right. The ones before are kept. */
export async function editAnswers(data: StudioData, runId: string, body: EditAnswersBody): Promise<Session> {
  return data.transaction(async (tx) => {
    const run = await tx.getLocked(RunEntity, runId, 'run');
    if (!run.endedAt) throw new HttpProblem('conflict', 'This run is not finished yet. Finish it first.');
    if (await tx.isNew(RunAnswerEntity, body.id, { runId, ...body })) {
      const before = await tx.find(RunAnswerEntity, { runId });
      const at = tx.now;
      // The first answers stand in the run itself until they are changed: from then on all of them stand in the list.
      if (before.length === 0)
        await tx.insert(RunAnswerEntity, {
          id: uuid(),
          runId,
          ...answersOf(run),
          requestHash: hashOf({ first: runId }),
          // Written down from paper it may have ended later than now, by the clock of the page.
          createdAt: new Date(Math.min(run.endedAt.getTime(), at.getTime() - 1)),
        });
      await tx.insert(RunAnswerEntity, {
        id: body.id,
        runId,
        ...answersOf(body),
        requestHash: hashOf({ runId, ...body }),
        createdAt: at,
      });
      const given = answersOf(body);
      await tx.update(RunEntity, { id: runId }, { ...given, hasWork: run.hasWork || isSaid(given) });
    }
    return sessionView(tx, run.sessionId);
  });
}

/** Takes a log back, or brings it in again. It stays on record either way. */
export async function withdrawRun(data: StudioData, runId: string, withdrawn: boolean): Promise<Session> {
  return data.transaction(async (tx) => {
    const run = await tx.getLocked(RunEntity, runId, 'run');
    if ((run.withdrawnAt !== null) !== withdrawn) {
      await tx.update(RunEntity, { id: runId }, { withdrawnAt: withdrawn ? tx.now : null });
      const { clientId } = await tx.get(SessionEntity, run.sessionId, 'session');
      await tx.audit(withdrawn ? 'log-withdrawn' : 'log-restored', { clientId, subject: runId });
    }
    return sessionView(tx, run.sessionId);
  });
}

/** Of several runs of a session the coach says which one counts. */
export async function chooseRun(data: StudioData, sessionId: string, runId: string): Promise<Session> {
  return data.transaction(async (tx) => {
    await tx.getLocked(SessionEntity, sessionId, 'session');
    if (!(await tx.findOne(RunEntity, { id: runId, sessionId })))
      throw invalidField('runId', 'This session has no such run.');
    await tx.update(SessionEntity, { id: sessionId }, { countedRun: runId });
    return sessionView(tx, sessionId);
  });
}
