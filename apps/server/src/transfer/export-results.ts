import { Readable } from 'node:stream';
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

/** Readings that stand, of a client or of the whole studio, one at a time in the order of assessments. */
export async function* exportedReadings(
  data: StudioData,
  clientId: string | null,
): AsyncGenerator<Record<ResultColumn, string>> {
  const catalogue = await loadTestCatalogue(data);
  const readings = data
    .rows(ReadingEntity, 't')
    .innerJoin(AssessmentEntity, 'a', 'a.id = t.assessmentId')
    .innerJoin(ClientEntity, 'c', 'c.id = a.clientId')
    .innerJoin(CoachEntity, 'k', 'k.id = COALESCE(t.testerId, a.testerId)')
    .andWhere('t.replacedBy IS NULL')
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
    .orderBy({ 'a.clientId': 'ASC', 'a.date': 'ASC', 'a.time': 'ASC', 'a.id': 'ASC', 't.seq': 'ASC' });
  if (clientId) readings.andWhere('a.clientId = :clientId', { clientId });
  const rows: AsyncIterable<Row> = await readings.stream();
  for await (const r of rows) {
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
