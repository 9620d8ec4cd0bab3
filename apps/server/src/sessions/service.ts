import type { ClearSymptomBody, SessionSummary, SymptomReport } from '@yandle/contract';
import { isStopSign, needsProfessional, type PlainDate } from '@yandle/core';
import { IsNull, Not } from 'typeorm';
import { BlockEntity } from '../blocks/entities.js';
import { ClientEntity } from '../clients/entities.js';
import type { StudioData } from '../database/studio-data.js';
import { HttpProblem, invalidField } from '../http/problem.js';
import { RunEntity, SessionEntity, SymptomEntity } from './entities.js';
import { loadExercises } from '../exercises/library.js';
import { isStanding } from './standing.js';
import { openStopSigns } from './symptoms.js';
import { summaries, symptomViews } from './views.js';

/** A client's sessions in order of date. */
export async function listSessions(data: StudioData, clientId: string): Promise<SessionSummary[]> {
  await data.get(ClientEntity, clientId, 'client');
  const [rows, ended] = await Promise.all([
    data.find(SessionEntity, { clientId }, { order: { date: 'ASC', id: 'ASC' } }),
    data.find(BlockEntity, { clientId, endedAt: Not(IsNull()) }),
  ]);
  const over = new Map(ended.map((b) => [b.id, b.endedAt!.toISOString().slice(0, 10)]));
  // What an ended block still had planned is not to be done any more.
  return (await summaries(data, rows)).filter(
    (s) => s.status !== 'planned' || s.date < (over.get(s.blockId ?? '') ?? '9999'),
  );
}

/**
 * A coach looked into a stop sign: what it held may be done again.
 * @throws HttpProblem `validation` where it held everything or a whole group and nobody is named who agreed
 */
export async function clearSymptom(
  data: StudioData,
  id: string,
  { note, who }: ClearSymptomBody,
  coachId: string,
): Promise<SymptomReport> {
  return data.transaction(async (tx) => {
    const row = await tx.getLocked(SymptomEntity, id, 'symptom');
    if (row.clearedAt === null) {
      const { find } = await loadExercises(tx);
      if (isStopSign(row.symptom) && who === '' && needsProfessional(row, await openStopSigns(tx, row.clientId), find))
        throw invalidField('who', 'Enter the doctor or physiotherapist who agreed: name and profession.');
      const cleared = { clearedAt: tx.now, clearedBy: coachId, clearedNote: note, clearedWho: who };
      await tx.update(SymptomEntity, { id }, cleared);
      await tx.audit('stop-sign-cleared', { clientId: row.clientId, subject: id });
    }
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
    // Of two moves to one day the second sees the first.
    await tx.getLocked(ClientEntity, session.clientId, 'client');
    if (date < today) throw invalidField('date', 'Choose today or a later day.');
    if ((await tx.find(RunEntity, { sessionId })).some(isStanding))
      throw new HttpProblem('conflict', 'This session has started, so its date can’t change.');
    // Sessions of their own may come twice a day.
    const { blockId } = session;
    const there =
      blockId === null ? null : await tx.findOne(SessionEntity, { clientId: session.clientId, date, blockId });
    if (there && there.id !== sessionId)
      throw new HttpProblem('conflict', 'That day has a session already. Choose another day.');
    await tx.update(SessionEntity, { id: sessionId }, { date, plannedDate: session.plannedDate ?? session.date });
    const [view] = await summaries(tx, [await tx.get(SessionEntity, sessionId, 'session')]);
    return view!;
  });
}
