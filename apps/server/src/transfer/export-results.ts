import { Readable } from 'node:stream';
import { RESULT_COLUMNS, testInCatalogue, toCell, type ResultColumn, type TestCatalogue } from '@yandle/core';
import { CoachEntity } from '../accounts/entities.js';
import { AssessmentEntity, ReadingEntity } from '../assessments/entities.js';
import { ClientEntity } from '../clients/entities.js';
import type { StudioData } from '../database/studio-data.js';
import { loadTestCatalogue } from '../test-catalogue/catalogue.js';

interface Row {
  readonly client: string;
  readonly assessmentId: string;
  readonly seq: number;
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

/** Readings that one statement brings: between two of them no connection is held while the client reads. */
const PAGE = 1000;

/** Readings that stand, of a client or of the whole studio, one at a time in the order of assessments. */
export async function* exportedReadings(
  data: StudioData,
  clientId: string | null,
): AsyncGenerator<Record<ResultColumn, string>> {
  const catalogue = await loadTestCatalogue(data);
  const clients = clientId
    ? [clientId]
    : (await data.find(ClientEntity, {}, { select: { id: true }, order: { id: 'ASC' } })).map((c) => c.id);
  for (const id of clients) yield* readingsOfClient(data, catalogue, id);
}

async function* readingsOfClient(
  data: StudioData,
  catalogue: TestCatalogue,
  clientId: string,
): AsyncGenerator<Record<ResultColumn, string>> {
  const page = (after: Row | null): Promise<Row[]> => {
    const readings = data
      .rows(ReadingEntity, 't')
      .innerJoin(AssessmentEntity, 'a', 'a.id = t.assessmentId')
      .innerJoin(ClientEntity, 'c', 'c.id = a.clientId')
      .innerJoin(CoachEntity, 'k', 'k.id = COALESCE(t.testerId, a.testerId)')
      .andWhere('a.clientId = :clientId AND t.replacedBy IS NULL', { clientId })
      .select('c.name', 'client')
      .addSelect("DATE_FORMAT(a.date, '%Y-%m-%d')", 'date')
      .addSelect('a.time', 'time')
      .addSelect('a.id', 'assessmentId')
      .addSelect('COALESCE(t.warm, a.warm)', 'warm')
      .addSelect('k.name', 'tester')
      .addSelect('t.testId', 'testId')
      .addSelect('t.side', 'side')
      .addSelect('t.value', 'value')
      .addSelect('t.instrument', 'instrument')
      .addSelect('t.id', 'id')
      .addSelect('t.seq', 'seq')
      .orderBy({ 'a.date': 'ASC', 'a.time': 'ASC', 'a.id': 'ASC', 't.seq': 'ASC', 't.id': 'ASC' })
      .limit(PAGE);
    if (after)
      readings.andWhere(
        'a.date >= :afterDate AND (a.date, a.time, a.id, t.seq, t.id) > (:afterDate, :afterTime, :afterAssessment, :afterSeq, :afterId)',
        {
          afterDate: after.date,
          afterTime: after.time,
          afterAssessment: after.assessmentId,
          afterSeq: after.seq,
          afterId: after.id,
        },
      );
    return readings.getRawMany<Row>();
  };
  for (let rows = await page(null); rows.length > 0; rows = rows.length < PAGE ? [] : await page(rows.at(-1)!))
    for (const r of rows) {
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
