import { Readable } from 'node:stream';
import { RESULT_COLUMNS, testInCatalogue, toCell, type ResultColumn } from '@yandle/core';
import type { DataSource } from 'typeorm';
import type { StudioData } from '../database/studio-data.js';
import { loadTestCatalogue } from '../test-catalogue/catalogue.js';

interface Row {
  readonly client: string;
  readonly date: string | Date;
  readonly time: string;
  readonly warm: number;
  readonly tester: string;
  readonly testId: string;
  readonly side: string | null;
  readonly value: string;
  readonly instrument: string;
  readonly id: string;
}

const SQL = `SELECT c.name AS client, DATE_FORMAT(a.date, '%Y-%m-%d') AS date, a.time AS time,
  COALESCE(t.warm, a.warm) AS warm, k.name AS tester, t.test_id AS testId, t.side AS side, t.value AS value,
  t.instrument AS instrument, t.id AS id
FROM reading t
JOIN assessment a ON a.id = t.assessment_id
JOIN client c ON c.id = a.client_id
JOIN coach k ON k.id = COALESCE(t.tester_id, a.tester_id)
WHERE t.studio_id = ? AND t.replaced_by IS NULL`;

/** Readings that stand, of a client or of the whole studio, one at a time in the order of assessments. */
export async function* exportedReadings(
  source: DataSource,
  data: StudioData,
  clientId: string | null,
): AsyncGenerator<Record<ResultColumn, string>> {
  const catalogue = await loadTestCatalogue(data);
  const runner = source.createQueryRunner();
  try {
    const rows = await runner.stream(
      `${SQL}${clientId ? ' AND a.client_id = ?' : ''} ORDER BY a.client_id, a.date, a.time, a.id, t.seq`,
      clientId ? [data.studioId, clientId] : [data.studioId],
    );
    for await (const r of rows as AsyncIterable<Row>) {
      const test = testInCatalogue(catalogue, r.testId);
      yield {
        client: r.client,
        date: String(r.date),
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
  } finally {
    await runner.release();
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
