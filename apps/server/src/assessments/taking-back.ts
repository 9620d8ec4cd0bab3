import type { Assessment, AssessmentConditionsBody, RemovedAssessment } from '@yandle/contract';
import type { PlainDate } from '@yandle/core';
import { In, IsNull, Not } from 'typeorm';
import { dateIn } from '../clock.js';
import { ClientEntity } from '../clients/entities.js';
import { hashOf, type StudioData } from '../database/studio-data.js';
import { notFound } from '../http/problem.js';
import { AssessmentChangeEntity, AssessmentEntity, ReadingEntity } from './entities.js';
import { assertDate, getAssessment, recount } from './service.js';

interface Who {
  readonly coachId: string;
  readonly timeZone: string;
  readonly today: PlainDate;
}

/** Date, time, body or note entered anew; what stood before is kept. Sending it again changes nothing. */
export async function putConditions(
  data: StudioData,
  assessmentId: string,
  id: string,
  body: AssessmentConditionsBody,
  who: Who,
): Promise<Assessment> {
  return data.transaction(async (tx) => {
    const row = await tx.getLocked(AssessmentEntity, assessmentId, 'assessment');
    if (await tx.isNew(AssessmentChangeEntity, id, { assessmentId, ...body })) {
      assertDate(body.date, await tx.get(ClientEntity, row.clientId, 'client'), who.today);
      const { date, time, warm, note } = row;
      await tx.insert(AssessmentChangeEntity, {
        ...{ id, assessmentId, coachId: who.coachId, date, time, warm, note },
        requestHash: hashOf({ assessmentId, ...body }),
        createdAt: tx.now,
      });
      await tx.update(AssessmentEntity, { id: assessmentId }, body);
    }
    return getAssessment(tx, assessmentId, who.timeZone);
  });
}

/** Takes an assessment back, or brings it back with all its readings. */
export async function setRemoved(
  data: StudioData,
  id: string,
  removed: boolean,
  timeZone: string,
): Promise<Assessment> {
  return data.transaction(async (tx) => {
    const row = await tx.getLocked(AssessmentEntity, id, 'assessment');
    if ((row.removedAt !== null) !== removed) {
      await tx.update(AssessmentEntity, { id }, { removedAt: removed ? tx.now : null });
      await recount(tx, id);
      await tx.audit(removed ? 'assessment-removed' : 'assessment-restored', { clientId: row.clientId, subject: id });
    }
    return getAssessment(tx, id, timeZone);
  });
}

/** Takes a reading back with all that it has replaced, or brings them back. */
export async function setWithdrawn(
  data: StudioData,
  assessmentId: string,
  id: string,
  withdrawn: boolean,
  timeZone: string,
): Promise<Assessment> {
  return data.transaction(async (tx) => {
    await tx.getLocked(AssessmentEntity, assessmentId, 'assessment');
    const rows = await tx.find(ReadingEntity, { assessmentId });
    const reading = rows.find((r) => r.id === id);
    if (!reading) throw notFound('reading');
    const chain = [reading];
    for (let last = reading; last.replaces !== null;) {
      const before = rows.find((r) => r.id === last.replaces);
      if (!before) break;
      chain.push(before);
      last = before;
    }
    const ids = In(chain.map((r) => r.id));
    await tx.update(ReadingEntity, { id: ids }, { withdrawnAt: withdrawn ? tx.now : null });
    await recount(tx, assessmentId);
    return getAssessment(tx, assessmentId, timeZone);
  });
}

/** Assessments of a client that were taken back, the newest first. */
export async function listRemoved(data: StudioData, clientId: string, timeZone: string): Promise<RemovedAssessment[]> {
  await data.get(ClientEntity, clientId, 'client');
  const order = { date: 'DESC', time: 'DESC', id: 'DESC' } as const;
  const rows = await data.find(AssessmentEntity, { clientId, removedAt: Not(IsNull()) }, { order });
  const readings = await data.find(ReadingEntity, { assessmentId: In(rows.map((r) => r.id)), replacedBy: IsNull() });
  return rows.map((r) => ({
    id: r.id,
    date: r.date,
    time: r.time,
    tests: new Set(readings.filter((t) => t.assessmentId === r.id).map((t) => t.testId)).size,
    removedOn: dateIn(timeZone, r.removedAt!),
  }));
}

/** Erases an assessment with all that belongs to it: what a client may ask for. Only that it was done is written down. */
export async function eraseAssessment(data: StudioData, id: string): Promise<void> {
  await data.transaction(async (tx) => {
    const { clientId } = await tx.getLocked(AssessmentEntity, id, 'assessment');
    await tx.delete(AssessmentEntity, { id });
    await tx.audit('assessment-erased', { clientId, subject: id });
  });
}
