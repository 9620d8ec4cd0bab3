import { Readable } from 'node:stream';
import { IsNull } from 'typeorm';
import { RESULT_COLUMNS, testInCatalogue, toCell, type ResultColumn } from '@yandle/core';
import { CoachEntity } from '../accounts/entities.js';
import { AssessmentEntity, ReadingEntity } from '../assessments/entities.js';
import { ClientEntity } from '../clients/entities.js';
import type { StudioData } from '../database/studio-data.js';
import { loadTestCatalogue } from '../test-catalogue/catalogue.js';

interface Row {
  readonly client: string;
  readonly date: string;
  readonly time: string;
  readonly warm: number;
  readonly tester: string;
  readonly testId: string;
  readonly side: string | null;
  readonly value: string;
  readonly instrument: string;
  readonly id: string;
}

/** Assessments whose readings one statement brings: between two of them no connection is held while the client reads. */
const AT_ONCE = 50;

/** Readings that stand, of a client or of the whole studio, one at a time in the order of assessments. */
export async function* exportedReadings(
  data: StudioData,
  clientId: string | null,
): AsyncGenerator<Record<ResultColumn, string>> {
  const catalogue = await loadTestCatalogue(data);
  const order = { clientId: 'ASC', date: 'ASC', time: 'ASC', id: 'ASC' } as const;
  const assessments = await data.find(
    AssessmentEntity,
    { ...(clientId ? { clientId } : {}), removedAt: IsNull() },
    { select: { id: true }, order },
  );
  for (let i = 0; i < assessments.length; i += AT_ONCE) {
    const ids = assessments.slice(i, i + AT_ONCE).map((a) => a.id);
    for (const r of await readingsOf(data, ids)) {
      const test = testInCatalogue(catalogue, r.testId);
      yield {
        client: r.client,
        date: r.date,
        time: r.time,
        body: r.warm ? 'warm' : 'cold',
        tester: r.tester,
        test: r.testId,
        side: r.side ?? '',
        value: String(Number(r.value)),
        unit: test.unit,
        instrument: r.instrument,
        id: r.id,
      };
    }
  }
}

function readingsOf(data: StudioData, assessmentIds: readonly string[]): Promise<Row[]> {
  return data
    .rows(ReadingEntity, 't')
    .innerJoin(AssessmentEntity, 'a', 'a.id = t.assessmentId')
    .innerJoin(ClientEntity, 'c', 'c.id = a.clientId')
    .innerJoin(CoachEntity, 'k', 'k.id = COALESCE(t.testerId, a.testerId)')
    .andWhere('t.assessmentId IN (:...assessmentIds) AND t.replacedBy IS NULL AND t.withdrawnAt IS NULL', {
      assessmentIds,
    })
    .select('c.name', 'client')
    .addSelect("DATE_FORMAT(a.date, '%Y-%m-%d')", 'date')
    .addSelect('a.time', 'time')
    .addSelect('COALESCE(t.warm, a.warm)', 'warm')
    .addSelect('k.name', 'tester')
    .addSelect('t.testId', 'testId')
    .addSelect('t.side', 'side')
    .addSelect('t.value', 'value')
    .addSelect('t.instrument', 'instrument')
    .addSelect('t.id', 'id')
    .orderBy({ 'a.clientId': 'ASC', 'a.date': 'ASC', 'a.time': 'ASC', 'a.id': 'ASC', 't.seq': 'ASC' })
    .getRawMany<Row>();
}

/** Rows as the documented table: numbers as they are, texts safe for spreadsheets. */
export function tableRows(readings: AsyncIterable<Record<ResultColumn, string>>): Readable {
  return Readable.from(
    (async function* () {
      yield RESULT_COLUMNS.map((c) => c.id);
      for await (const r of readings) yield RESULT_COLUMNS.map((c) => (c.id === 'value' ? r.value : toCell(r[c.id])));
    })(),
  );
}

/** The same as JSON, written piece by piece. */
export async function* jsonText(
  readings: AsyncIterable<Record<ResultColumn, string>>,
  format: string,
): AsyncGenerator<string> {
  yield `{"format":${JSON.stringify(format)},"results":[`;
  let first = true;
  for await (const r of readings) {
    const row = Object.fromEntries(
      RESULT_COLUMNS.filter((c) => r[c.id] !== '').map((c) => [c.id, c.id === 'value' ? Number(r.value) : r[c.id]]),
    );
    yield `${first ? '\n' : ',\n'}${JSON.stringify(row)}`;
    first = false;
  }
  yield '\n]}\n';
}
