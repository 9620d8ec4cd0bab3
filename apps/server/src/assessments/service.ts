import type { Assessment, CreateAssessmentBody, TrialBody } from '@yandle/contract';
import {
  assertPlausible,
  CoreError,
  MAX_TRIALS,
  resultOfTrials,
  romTestById,
  ROM_TESTS,
  standing,
  type PlainDate,
  type SidedValues,
} from '@yandle/core';
import { In } from 'typeorm';
import { CoachEntity } from '../accounts/entities.js';
import { instantOf } from '../clock.js';
import { ClientEntity } from '../clients/entities.js';
import { hashOf, type StudioData } from '../database/studio-data.js';
import { HttpProblem } from '../http/problem.js';
import { RunEntity, SessionEntity } from '../sessions/entities.js';
import { AssessmentEntity, TrialEntity } from './entities.js';

/** Sessions further back say nothing about a visit's conditions. */
const HOURS_THAT_MATTER = 7 * 24;

/** When the client's logged sessions ended (or, unfinished, began), newest last. */
async function sessionEnds(data: StudioData, clientId: string): Promise<Date[]> {
  const runs = await data.manager
    .createQueryBuilder(RunEntity, 'r')
    .innerJoin(SessionEntity, 's', 's.id = r.session_id')
    .where('r.studioId = :studio AND s.clientId = :client', { studio: data.studioId, client: clientId })
    .getMany();
  return runs.map((r) => r.endedAt ?? r.startedAt).sort((a, b) => a.getTime() - b.getTime());
}

async function views(data: StudioData, rows: readonly AssessmentEntity[], timeZone: string): Promise<Assessment[]> {
  const first = rows[0];
  if (!first) return [];
  const trials = await data.find(
    TrialEntity,
    { assessmentId: In(rows.map((r) => r.id)) },
    { order: { assessmentId: 'ASC', seq: 'ASC' } },
  );
  const coaches = await data.find(CoachEntity, {});
  const ends = await sessionEnds(data, first.clientId);
  return rows.map((r) => {
    const at = instantOf(r.date, r.time, timeZone).getTime();
    const before = ends.filter((e) => e.getTime() <= at).pop();
    const hours = before ? (at - before.getTime()) / 3_600_000 : Infinity;
    return {
      id: r.id,
      clientId: r.clientId,
      date: r.date,
      time: r.time,
      warm: r.warm,
      testerId: r.testerId,
      testerName: coaches.find((c) => c.id === r.testerId)?.name ?? '',
      note: r.note,
      battery: r.battery ?? [...new Set(trials.filter((t) => t.assessmentId === r.id).map((t) => t.testId))],
      hoursSinceSession: hours <= HOURS_THAT_MATTER ? Math.round(hours * 10) / 10 : null,
      trials: trials
        .filter((t) => t.assessmentId === r.id)
        .map((t) => ({
          id: t.id,
          testId: t.testId,
          side: t.side,
          value: Number(t.value),
          instrument: t.instrument,
          replaces: t.replaces,
          replacedBy: t.replacedBy,
        })),
    };
  });
}

/** All visits of a client, oldest first. */
export async function listAssessments(data: StudioData, clientId: string, timeZone: string): Promise<Assessment[]> {
  await data.get(ClientEntity, clientId, 'client');
  const rows = await data.find(AssessmentEntity, { clientId }, { order: { date: 'ASC', time: 'ASC', id: 'ASC' } });
  return views(data, rows, timeZone);
}

export async function getAssessment(data: StudioData, id: string, timeZone: string): Promise<Assessment> {
  const [view] = await views(data, [await data.get(AssessmentEntity, id, 'assessment')], timeZone);
  return view!;
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
      const errors = [];
      if (body.date > who.today) errors.push({ path: 'date', message: 'A visit cannot lie in the future.' });
      if (body.date < client.birthDate) errors.push({ path: 'date', message: 'This is before the client was born.' });
      if (errors.length > 0) throw new HttpProblem('validation', 'Mend the fields listed and send again.', { errors });
      await tx.insert(AssessmentEntity, {
        ...body,
        clientId,
        testerId: who.coachId,
        requestHash: hashOf({ clientId, ...body }),
        createdAt: new Date(),
      });
    }
    return getAssessment(tx, body.id, who.timeZone);
  });
}

/** One reading, acknowledged only when it is stored. Sending it again changes nothing. */
export async function putTrial(
  data: StudioData,
  assessmentId: string,
  id: string,
  body: TrialBody,
  timeZone: string,
): Promise<Assessment> {
  return data.transaction(async (tx) => {
    await tx.getLocked(AssessmentEntity, assessmentId, 'assessment');
    if (await tx.isNew(TrialEntity, id, { assessmentId, ...body })) {
      const test = romTestById(body.testId);
      const refuse = (path: string, message: string): never => {
        throw new HttpProblem('validation', 'Mend the fields listed and send again.', { errors: [{ path, message }] });
      };
      if ((test.sides !== 'none') !== (body.side !== null))
        refuse('side', test.sides !== 'none' ? 'This test has sides: say left or right.' : 'This test has no sides.');
      try {
        assertPlausible(body.value, test);
      } catch (err) {
        if (err instanceof CoreError) refuse('value', err.message);
        throw err;
      }
      const rows = await tx.find(TrialEntity, { assessmentId }, { order: { seq: 'ASC' } });
      const same = rows.filter((t) => t.testId === body.testId && t.side === body.side);
      const replaced = body.replaces === null ? null : same.find((t) => t.id === body.replaces);
      if (replaced === undefined) refuse('replaces', 'There is no such reading of this test and side to correct.');
      if (replaced?.replacedBy) refuse('replaces', 'This reading has been corrected already. Correct the newer one.');
      if (!replaced && standing(same).length >= MAX_TRIALS)
        refuse('value', `More than ${MAX_TRIALS} readings on a side tire the client. Correct one instead of adding.`);
      await tx.insert(TrialEntity, {
        ...body,
        value: body.value.toFixed(2),
        id,
        assessmentId,
        seq: rows.length + 1,
        replacedBy: null,
        requestHash: hashOf({ assessmentId, ...body }),
        createdAt: new Date(),
      });
      if (replaced) await tx.update(TrialEntity, { id: replaced.id }, { replacedBy: id });
    }
    return getAssessment(tx, assessmentId, timeZone);
  });
}

/** Newest values of each sided test measured on both sides, for choosing which side begins. */
export async function latestSidedValues(data: StudioData, clientId: string, timeZone: string): Promise<SidedValues[]> {
  const visits = (await listAssessments(data, clientId, timeZone)).reverse();
  return ROM_TESTS.filter((t) => t.sides !== 'none').flatMap((test) => {
    for (const visit of visits) {
      const value = (side: 'left' | 'right') => {
        const readings = standing(visit.trials.filter((t) => t.testId === test.id && t.side === side));
        return readings.length > 0
          ? resultOfTrials(
              readings.map((r) => r.value),
              test,
            ).value
          : null;
      };
      const left = value('left');
      const right = value('right');
      if (left !== null && right !== null) return [{ test, left, right }];
    }
    return [];
  });
}
