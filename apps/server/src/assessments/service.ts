import type { Assessment, BeightonBody, CreateAssessmentBody, ReadingBody, TestEventBody } from '@yandle/contract';
import {
  assessmentDateFault,
  isPlausible,
  refusalWords,
  current,
  MAX_READINGS,
  type PlainDate,
  testInCatalogue,
} from '@yandle/core';
import { In, IsNull } from 'typeorm';
import { CoachEntity } from '../accounts/entities.js';
import { instantOf } from '../clock.js';
import { ClientEntity } from '../clients/entities.js';
import { groupBy } from '../database/group-by.js';
import { hashOf, type StudioData } from '../database/studio-data.js';
import { HttpProblem, invalidField } from '../http/problem.js';
import { STANDING_SQL } from '../sessions/standing.js';
import { assertInCatalogue, loadTestCatalogue } from '../test-catalogue/catalogue.js';
import { AssessmentEntity, BeightonEntity, PictureEntity, ReadingEntity, TestEventEntity } from './entities.js';

/** Sessions further back say nothing about an assessment's conditions. */
const HOURS_THAT_MATTER = 7 * 24;
const HOUR_MS = 3_600_000;

const ENDS = `SELECT s.client_id AS clientId, COALESCE(r.ended_at, r.started_at) AS at
  FROM run r INNER JOIN session s ON s.id = r.session_id
  WHERE r.studio_id = {studio} AND s.client_id IN (:clientIds) AND ${STANDING_SQL} ORDER BY at`;

/** When the logged sessions of clients ended (or, unfinished, began), newest last; by client. */
async function sessionEnds(data: StudioData, clientIds: readonly string[]): Promise<Map<string, Date[]>> {
  const runs = await data.read<{ clientId: string; at: Date }>(ENDS, { clientIds });
  return new Map([...groupBy(runs, (r) => r.clientId)].map(([id, own]) => [id, own.map((r) => r.at)]));
}

/** Hours from the last session's end to an assessment; Infinity when there was none in the days before. */
function hoursSince(ends: readonly Date[], assessment: AssessmentEntity, timeZone: string): number {
  // Time zones are slow to work with: only where a session lies near.
  const noon = Date.parse(`${assessment.date}T12:00:00Z`);
  const near = ends.filter((e) => Math.abs(e.getTime() - noon) < (HOURS_THAT_MATTER + 48) * HOUR_MS);
  if (near.length === 0) return Infinity;
  const at = instantOf(assessment.date, assessment.time, timeZone).getTime();
  const before = near.filter((e) => e.getTime() <= at).pop();
  return before ? (at - before.getTime()) / HOUR_MS : Infinity;
}

async function views(data: StudioData, rows: readonly AssessmentEntity[], timeZone: string): Promise<Assessment[]> {
  if (rows.length === 0) return [];
  const ofAssessments = { assessmentId: In(rows.map((r) => r.id)) };
  const bySeq = { order: { seq: 'ASC' } } as const;
  const [readings, events, looks, pictures, coaches, ends] = await Promise.all([
    data.find(ReadingEntity, { ...ofAssessments, withdrawnAt: IsNull() }, bySeq),
    data.find(TestEventEntity, ofAssessments, bySeq),
    data.find(BeightonEntity, ofAssessments, bySeq),
    data.find(PictureEntity, ofAssessments, { order: { createdAt: 'ASC', id: 'ASC' } }),
    data.find(CoachEntity, {}),
    sessionEnds(data, [...new Set(rows.map((r) => r.clientId))]),
  ]);
  const byAssessment = new Map<string, ReadingEntity[]>();
  for (const t of readings) {
    const own = byAssessment.get(t.assessmentId);
    if (own) own.push(t);
    else byAssessment.set(t.assessmentId, [t]);
  }
  return rows.map((r) => {
    const own = byAssessment.get(r.id) ?? [];
    const hours = hoursSince(ends.get(r.clientId) ?? [], r, timeZone);
    return {
      id: r.id,
      clientId: r.clientId,
      date: r.date,
      time: r.time,
      warm: r.warm,
      testerId: r.testerId,
      testerName: coaches.find((c) => c.id === r.testerId)?.name ?? '',
      note: r.note,
      battery: r.battery ?? [...new Set(own.map((t) => t.testId))],
      hoursSinceSession: hours <= HOURS_THAT_MATTER ? Math.round(hours * 10) / 10 : null,
      readings: own.map((t) => ({
        id: t.id,
        testId: t.testId,
        side: t.side,
        value: Number(t.value),
        instrument: t.instrument,
        replaces: t.replaces,
        replacedBy: t.replacedBy,
        warm: t.warm,
        testerId: t.testerId,
        seen: t.seen,
      })),
      events: events
        .filter((e) => e.assessmentId === r.id)
        .map(({ id, testId, kind, side, symptom, reason }) => ({ id, testId, kind, side, symptom, reason })),
      beighton: looks.filter((l) => l.assessmentId === r.id).at(-1)?.items ?? null,
      pictures: pictures.filter((p) => p.assessmentId === r.id).map(({ id, testId, side }) => ({ id, testId, side })),
    };
  });
}

/** All assessments of clients of the studio that stand, oldest first, by client; the number of statements does not grow with the clients. */
export async function assessmentsOfAll(
  data: StudioData,
  clientIds: readonly string[],
  timeZone: string,
): Promise<Map<string, Assessment[]>> {
  const order = { date: 'ASC', time: 'ASC', id: 'ASC' } as const;
  const rows = await data.find(AssessmentEntity, { clientId: In([...clientIds]), removedAt: IsNull() }, { order });
  return groupBy(await views(data, rows, timeZone), (a) => a.clientId);
}

/** The same of one client. */
export async function assessmentsOf(data: StudioData, clientId: string, timeZone: string): Promise<Assessment[]> {
  return (await assessmentsOfAll(data, [clientId], timeZone)).get(clientId) ?? [];
}

/** As {@link assessmentsOf}, for a client who may not be there. @throws HttpProblem `not-found` */
export async function listAssessments(data: StudioData, clientId: string, timeZone: string): Promise<Assessment[]> {
  await data.get(ClientEntity, clientId, 'client');
  return assessmentsOf(data, clientId, timeZone);
}

export async function getAssessment(data: StudioData, id: string, timeZone: string): Promise<Assessment> {
  const [view] = await views(data, [await data.get(AssessmentEntity, id, 'assessment')], timeZone);
  return view!;
}

/** @throws HttpProblem `validation` for a day that no assessment can be of */
export function assertDate(date: PlainDate, client: Pick<ClientEntity, 'birthDate'>, today: PlainDate): void {
  const fault = assessmentDateFault(date, today, client.birthDate);
  if (fault !== null) throw invalidField('date', fault);
}

/** Whether an assessment counts: it stands, and has a reading that stands. Called wherever either changes; the only place that says so. */
export async function recount(tx: StudioData, id: string): Promise<void> {
  const assessment = await tx.get(AssessmentEntity, id, 'assessment');
  const standing = { assessmentId: id, replacedBy: IsNull(), withdrawnAt: IsNull() };
  const counts = assessment.removedAt === null && (await tx.findOne(ReadingEntity, standing)) !== null;
  if (counts !== assessment.counts) await tx.update(AssessmentEntity, { id }, { counts });
}

export async function createAssessment(
  data: StudioData,
  clientId: string,
  body: CreateAssessmentBody,
  who: { coachId: string; timeZone: string; today: PlainDate },
): Promise<Assessment> {
  return data.transaction(async (tx) => {
    const client = await tx.get(ClientEntity, clientId, 'client');
    // The client belongs to the fingerprint: the same id for another client is another request.
    if (await tx.isNew(AssessmentEntity, body.id, { clientId, ...body })) {
      assertInCatalogue(await loadTestCatalogue(tx), body.battery, (i) => `battery.${i}`);
      assertDate(body.date, client, who.today);
      await tx.insert(AssessmentEntity, {
        ...body,
        clientId,
        testerId: who.coachId,
        removedAt: null,
        counts: false,
        requestHash: hashOf({ clientId, ...body }),
        createdAt: tx.now,
      });
    }
    return getAssessment(tx, body.id, who.timeZone);
  });
}

/** One reading, acknowledged only when it is stored. Sending it again changes nothing. */
export async function putReading(
  data: StudioData,
  assessmentId: string,
  id: string,
  body: ReadingBody,
  timeZone: string,
): Promise<Assessment> {
  return data.transaction(async (tx) => {
    await tx.getLocked(AssessmentEntity, assessmentId, 'assessment');
    const { seen, ...rest } = body;
    // Senders from before it was asked do not say it: their fingerprint stays what it was.
    const request = { assessmentId, ...rest, ...(seen ? { seen } : {}) };
    if (await tx.isNew(ReadingEntity, id, request)) {
      const catalogue = await loadTestCatalogue(tx);
      assertInCatalogue(catalogue, [body.testId], () => 'testId');
      const test = testInCatalogue(catalogue, body.testId);
      const refuse = (path: string, message: string): never => {
        throw new HttpProblem('validation', 'Fix the fields below and save again.', { errors: [{ path, message }] });
      };
      if ((test.sides !== 'none') !== (body.side !== null))
        refuse('side', test.sides !== 'none' ? 'This test has sides: say left or right.' : 'This test has no sides.');
      if (!isPlausible(body.value, test)) refuse('value', refusalWords({ code: 'implausible', args: test.plausible }));
      if (body.testerId !== null && !(await tx.findOne(CoachEntity, { id: body.testerId })))
        refuse('testerId', 'Choose a coach of this studio.');
      const rows = await tx.find(ReadingEntity, { assessmentId }, { order: { seq: 'ASC' } });
      const same = rows.filter((t) => t.testId === body.testId && t.side === body.side && t.withdrawnAt === null);
      const replaced = body.replaces === null ? null : same.find((t) => t.id === body.replaces);
      if (replaced === undefined) refuse('replaces', 'There is no such reading of this test and side to correct.');
      if (replaced?.replacedBy) refuse('replaces', 'This reading has been corrected already. Correct the newer one.');
      const events = await tx.find(
        TestEventEntity,
        { assessmentId, testId: body.testId },
        { order: { seq: 'DESC' }, take: 1 },
      );
      if (!replaced && events[0]?.kind === 'stopped')
        throw new HttpProblem(
          'conflict',
          'This test was ended by a symptom. Take no more readings of it in this assessment.',
        );
      if (!replaced && current(same).length >= MAX_READINGS)
        refuse('value', refusalWords({ code: 'too-many-readings', args: { most: MAX_READINGS } }));
      await tx.insert(ReadingEntity, {
        ...body,
        value: body.value.toFixed(2),
        id,
        assessmentId,
        seq: rows.length + 1,
        replacedBy: null,
        withdrawnAt: null,
        requestHash: hashOf(request),
        createdAt: tx.now,
      });
      if (replaced) await tx.update(ReadingEntity, { id: replaced.id }, { replacedBy: id });
      await recount(tx, assessmentId);
    }
    return getAssessment(tx, assessmentId, timeZone);
  });
}

/** A test skipped, ended by a symptom, or that taken back. Sending it again changes nothing. */
export async function putEvent(
  data: StudioData,
  assessmentId: string,
  id: string,
  body: TestEventBody,
  timeZone: string,
): Promise<Assessment> {
  return data.transaction(async (tx) => {
    await tx.getLocked(AssessmentEntity, assessmentId, 'assessment');
    if (await tx.isNew(TestEventEntity, id, { assessmentId, ...body })) {
      assertInCatalogue(await loadTestCatalogue(tx), [body.testId], () => 'testId');
      const seq = (await tx.find(TestEventEntity, { assessmentId })).length + 1;
      const requestHash = hashOf({ assessmentId, ...body });
      await tx.insert(TestEventEntity, { ...body, id, assessmentId, seq, requestHash, createdAt: tx.now });
    }
    return getAssessment(tx, assessmentId, timeZone);
  });
}

/** The nine items of the Beighton score; a later look stands for an earlier one. */
export async function putBeighton(
  data: StudioData,
  assessmentId: string,
  id: string,
  body: BeightonBody,
  timeZone: string,
): Promise<Assessment> {
  return data.transaction(async (tx) => {
    await tx.getLocked(AssessmentEntity, assessmentId, 'assessment');
    if (await tx.isNew(BeightonEntity, id, { assessmentId, ...body })) {
      const seq = (await tx.find(BeightonEntity, { assessmentId })).length + 1;
      const requestHash = hashOf({ assessmentId, ...body });
      await tx.insert(BeightonEntity, { ...body, id, assessmentId, seq, requestHash, createdAt: tx.now });
    }
    return getAssessment(tx, assessmentId, timeZone);
  });
}
