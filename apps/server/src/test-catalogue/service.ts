import {
  OWN_TEST_PREFIX,
  type AdoptErrorBody,
  type OwnBattery,
  type OwnBatteryBody,
  type OwnError,
  type OwnTest,
  type OwnTestBody,
  type Study,
  type StudyBody,
  type TestCatalogueView,
} from '@yandle/contract';
import { MEANING_FIELDS, romTestOf } from '@yandle/core';
import { IsNull } from 'typeorm';
import { CoachEntity } from '../accounts/entities.js';
import { ReadingEntity } from '../assessments/entities.js';
import { dateIn } from '../clock.js';
import { hashOf, type StudioData } from '../database/studio-data.js';
import { putVersioned, type RowHead } from '../database/versioned.js';
import { HttpProblem, notFound } from '../http/problem.js';
import { assertInCatalogue, loadTestCatalogue } from './catalogue.js';
import { OwnBatteryEntity, OwnErrorEntity, OwnTestEntity, StudyEntity } from './entities.js';

interface Who {
  readonly coachId: string;
  readonly timeZone: string;
}

async function isUsed(data: StudioData, id: string): Promise<boolean> {
  return (await usedTests(data, [{ id }])).size > 0;
}

/** Ids of own tests of which there is a reading: the index of readings by test answers, whatever their number. */
async function usedTests(data: StudioData, tests: readonly { readonly id: string }[]): Promise<Set<string>> {
  if (tests.length === 0) return new Set();
  const rows = await data
    .rows(ReadingEntity, 't')
    .select('DISTINCT t.testId', 'testId')
    .andWhere('t.testId IN (:...ids)', { ids: tests.map((t) => OWN_TEST_PREFIX + t.id) })
    .getRawMany<{ testId: string }>();
  return new Set(rows.map((r) => r.testId));
}

function testView(row: OwnTestEntity, used: boolean): OwnTest {
  return { ...row.definition, id: row.id, version: row.version, archived: row.archived, used };
}

function batteryView(row: OwnBatteryEntity): OwnBattery {
  const { id, version, name, about, testIds, archived } = row;
  return { id, version, name, about, testIds, archived };
}

function errorView(row: OwnErrorEntity, coaches: readonly CoachEntity[], timeZone: string): OwnError {
  return {
    id: row.id,
    coachId: row.coachId,
    coachName: coaches.find((c) => c.id === row.coachId)?.name ?? '',
    testId: row.testId,
    sem: Number(row.sem),
    low: row.low === null ? null : Number(row.low),
    high: row.high === null ? null : Number(row.high),
    clients: row.clients,
    source: { origin: row.origin, text: row.source },
    studyId: row.studyId,
    since: dateIn(timeZone, row.createdAt),
  };
}

/** Everything a studio adds to the catalogue. */
export async function bookView(data: StudioData, timeZone: string): Promise<TestCatalogueView> {
  const [tests, batteries, errors, coaches] = await Promise.all([
    data.find(OwnTestEntity, {}, { order: { createdAt: 'ASC', id: 'ASC' } }),
    data.find(OwnBatteryEntity, {}, { order: { name: 'ASC', id: 'ASC' } }),
    data.find(OwnErrorEntity, { withdrawnAt: IsNull() }, { order: { createdAt: 'ASC' } }),
    data.find(CoachEntity, {}),
  ]);
  const used = await usedTests(data, tests);
  return {
    ownTests: tests.map((t) => testView(t, used.has(OWN_TEST_PREFIX + t.id))),
    batteries: batteries.map(batteryView),
    errors: errors.map((e) => errorView(e, coaches, timeZone)),
  };
}

export async function putOwnTest(data: StudioData, id: string, body: OwnTestBody): Promise<OwnTest> {
  const { version: _, archived, ...definition } = body;
  romTestOf(OWN_TEST_PREFIX + id, definition);
  return data.transaction(async (tx) => {
    const used = await isUsed(tx, id);
    await putVersioned(
      tx,
      OwnTestEntity,
      id,
      body,
      'test',
      {
        create: (head: RowHead) => ({ ...head, definition, archived, createdAt: tx.now }),
        edit: (row) => {
          // What was never said may still be said.
          const changed = MEANING_FIELDS.filter(
            (f) => used && row.definition[f] !== undefined && row.definition[f] !== definition[f],
          );
          if (changed.length > 0)
            throw new HttpProblem('validation', 'Fix the fields below and save again.', {
              errors: changed.map((path) => ({
                path,
                message:
                  'This test has results, so unit, direction, sides, rule and what moves the joint are fixed. Add a new test instead.',
              })),
            });
          return { definition, archived };
        },
      },
      (row) => testView(row, used),
    );
    return testView(await tx.get(OwnTestEntity, id, 'test'), used);
  });
}

export async function putOwnBattery(data: StudioData, id: string, body: OwnBatteryBody): Promise<OwnBattery> {
  return data.transaction(async (tx) => {
    assertInCatalogue(await loadTestCatalogue(tx), body.testIds, (i) => `testIds.${i}`);
    const { version: _, ...fields } = body;
    const make = { create: (head: RowHead) => ({ ...head, ...fields, createdAt: tx.now }), edit: () => fields };
    await putVersioned(tx, OwnBatteryEntity, id, body, 'battery', make, batteryView);
    return batteryView(await tx.get(OwnBatteryEntity, id, 'battery'));
  });
}

function studyView(row: StudyEntity, coaches: readonly CoachEntity[]): Study {
  const { id, version, coachId, testId, name, kind, columns, rows } = row;
  return {
    id,
    version,
    coachId,
    coachName: coaches.find((c) => c.id === coachId)?.name ?? '',
    testId,
    name,
    kind,
    columns,
    rows,
  };
}

export async function listStudies(data: StudioData): Promise<Study[]> {
  const coaches = await data.find(CoachEntity, {});
  const rows = await data.find(StudyEntity, {}, { order: { createdAt: 'DESC', id: 'DESC' } });
  return rows.map((r) => studyView(r, coaches));
}

export async function putStudy(data: StudioData, id: string, body: StudyBody, who: Who): Promise<Study> {
  return data.transaction(async (tx) => {
    assertInCatalogue(await loadTestCatalogue(tx), [body.testId], () => 'testId');
    const coaches = await tx.find(CoachEntity, {});
    const { version: _, ...fields } = body;
    await putVersioned(
      tx,
      StudyEntity,
      id,
      body,
      'study',
      {
        create: (head) => ({ ...head, ...fields, coachId: who.coachId, createdAt: tx.now }),
        edit: (row) => {
          if (row.coachId !== who.coachId)
            throw new HttpProblem('conflict', 'This study belongs to another coach. Start your own.');
          return fields;
        },
      },
      (row) => studyView(row, coaches),
    );
    return studyView(await tx.get(StudyEntity, id, 'study'), coaches);
  });
}

/** Adopts an error for what the signed-in coach measures; their earlier one of the test is withdrawn, not erased. */
export async function adoptError(data: StudioData, body: AdoptErrorBody, who: Who): Promise<OwnError> {
  return data.transaction(async (tx) => {
    const request = { coachId: who.coachId, ...body };
    if (await tx.isNew(OwnErrorEntity, body.id, request)) {
      assertInCatalogue(await loadTestCatalogue(tx), [body.testId], () => 'testId');
      if (body.studyId !== null) {
        const study = await tx.get(StudyEntity, body.studyId, 'study');
        if (study.coachId !== who.coachId || study.testId !== body.testId) throw notFound('study');
      }
      await tx.getLocked(CoachEntity, who.coachId, 'coach');
      const earlier = { coachId: who.coachId, testId: body.testId, withdrawnAt: IsNull() };
      await tx.update(OwnErrorEntity, earlier, { withdrawnAt: tx.now });
      await tx.insert(OwnErrorEntity, {
        id: body.id,
        coachId: who.coachId,
        studyId: body.studyId,
        testId: body.testId,
        sem: body.sem.toFixed(4),
        low: body.low?.toFixed(4) ?? null,
        high: body.high?.toFixed(4) ?? null,
        clients: body.clients,
        origin: body.source.origin,
        source: body.source.text,
        withdrawnAt: null,
        requestHash: hashOf(request),
        createdAt: tx.now,
      });
    }
    const coaches = await tx.find(CoachEntity, {});
    return errorView(await tx.get(OwnErrorEntity, body.id, 'error'), coaches, who.timeZone);
  });
}

/** Back to the catalogue's figure. Doing it twice changes nothing. */
export async function withdrawError(data: StudioData, id: string, who: Who): Promise<void> {
  await data.transaction(async (tx) => {
    const row = await tx.getLocked(OwnErrorEntity, id, 'error');
    if (row.coachId !== who.coachId)
      throw new HttpProblem('conflict', 'This is the error of another coach. Only they can withdraw it.');
    if (row.withdrawnAt === null) await tx.update(OwnErrorEntity, { id }, { withdrawnAt: tx.now });
  });
}
