import { v7 as uuid } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Assessment, ImportReport, Problem } from '@yandle/contract';
import { aClient, clientBody, harness, TODAY, type Harness } from './harness.js';

const HEADER = 'client,date,time,body,tester,test,side,value,unit,instrument,id';
const line = (over: Partial<Record<string, string>> = {}) => {
  const cells: Record<string, string> = {
    client: 'Ottoline Varga',
    date: '2026-02-02',
    time: '09:40',
    body: 'cold',
    tester: '',
    test: 'active-knee-extension',
    side: 'left',
    value: '31.5',
    unit: 'deg',
    instrument: 'goniometer',
    id: '',
    ...(over as Record<string, string>),
  };
  return HEADER.split(',')
    .map((c) => cells[c])
    .join(',');
};

describe('import and export of results', () => {
  let h: Harness;
  let clientId: string;
  beforeAll(async () => {
    h = await harness();
    clientId = await aClient(h);
  });
  afterAll(() => h.close());

  const send = (text: string | Buffer, query = '', type = 'text/csv') =>
    h.agent.post(`/api/v1/imports/results${query}`).set('content-type', type).send(text);
  const csv = (...lines: string[]) => [HEADER, ...lines].join('\n');
  const assessments = async () => (await h.agent.get(`/api/v1/clients/${clientId}/assessments`)).body as Assessment[];
  const count = async () => Number((await h.source.query('SELECT COUNT(*) AS n FROM reading'))[0].n);

  it('says what would come before it does, and writes nothing on a dry run', async () => {
    const { body } = await send(csv(line(), line({ value: '32' }), line({ side: 'right' })), '?dryRun=true').expect(
      200,
    );
    expect(body).toMatchObject({
      dryRun: true,
      lines: 3,
      readings: 3,
      known: 0,
      assessments: 1,
      clients: 1,
      errorCount: 0,
    });
    expect(await count()).toBe(0);
  });

  it('writes all, once: the same file again is known', async () => {
    const file = csv(line(), line(), line({ side: 'right', value: '"40,5"' }), line({ date: '2026-02-09' }));
    const first = (await send(file).expect(200)).body as ImportReport;
    expect(first).toMatchObject({ readings: 4, known: 0, assessments: 2 });
    const again = (await send(file).expect(200)).body as ImportReport;
    expect(again).toMatchObject({ readings: 0, known: 4, assessments: 0 });
    const [assessment] = await assessments();
    expect(assessment!.readings.map((t) => [t.side, t.value])).toEqual([
      ['left', 31.5],
      ['left', 31.5],
      ['right', 40.5],
    ]);
    expect(assessment).toMatchObject({ date: '2026-02-02', testerId: h.coachId, battery: ['active-knee-extension'] });
  });

  it('writes nothing when one line is wrong, and names the line', async () => {
    const before = await count();
    const good = Array.from({ length: 1500 }, (_, i) => line({ date: '2026-01-05', time: clock(i), value: '20' }));
    const res = await send(csv(...good, line({ client: 'Nobody' }), line({ date: '2026-03-10' }))).expect(422);
    const problem = res.body as Problem & { current: ImportReport };
    expect(problem.code).toBe('import-refused');
    expect(problem.current.errors).toEqual([
      { line: 1502, column: 'client', message: expect.stringContaining('Nobody') as string },
      { line: 1503, column: 'date', message: expect.stringContaining('future') as string },
    ]);
    expect(await count()).toBe(before);
    const dry = (await send(csv(line({ value: 'x' }), line({ test: '' })), '?dryRun=true').expect(200))
      .body as ImportReport;
    expect(dry.errorCount).toBe(2);
  });

  it('adds to an assessment that is there, and never a sixth reading of a side', async () => {
    const assessment = {
      id: uuid(),
      date: TODAY,
      time: '10:00',
      warm: false,
      note: '',
      battery: ['active-knee-extension'],
    };
    await h.agent.post(`/api/v1/clients/${clientId}/assessments`).send(assessment).expect(201);
    const reading = {
      testId: 'active-knee-extension',
      side: 'left',
      value: 30,
      instrument: 'goniometer',
      replaces: null,
    };
    await h.agent.put(`/api/v1/assessments/${assessment.id}/readings/${uuid()}`).send(reading).expect(200);
    const same = { date: TODAY, time: '10:00' };
    const four = [1, 2, 3, 4].map((i) => line({ ...same, value: String(30 + i) }));
    const { body } = await send(csv(...four)).expect(200);
    expect(body).toMatchObject({ readings: 4, assessments: 0 });
    const res = await send(csv(line({ ...same, value: '44' }))).expect(422);
    expect((res.body as { current: ImportReport }).current.errors[0]!.column).toBe('value');
    expect((await assessments()).find((v) => v.id === assessment.id)!.readings).toHaveLength(5);
  });

  it('takes other headings by a mapping, semicolons, a byte order mark and CRLF', async () => {
    const file = '\uFEFFWer;Wann;egal;Was;Seite;Wert\r\nOttoline Varga;2026-01-19;x;Active knee extension;R;28,5\r\n';
    const refused = await send(file).expect(400);
    expect((refused.body as Problem).detail).toContain('client');
    const { body } = await send(file, '?columns=client,date,,test,side,value').expect(200);
    expect(body).toMatchObject({ readings: 1 });
    // The comma of a semicolon file belongs to the number.
    const there = (await assessments()).find((v) => v.date === '2026-01-19')!;
    expect(there.readings.map((t) => t.value)).toEqual([28.5]);
    await send(file, '?columns=client,client,,test,side,value').expect(400);
    await send(file, '?columns=shoe').expect(400);
  });

  it('refuses what it cannot read with 4xx, and writes nothing', async () => {
    const before = await count();
    await send('').expect(400);
    await send(Buffer.from([0x63, 0xff, 0xfe, 0x0a])).expect(400);
    await send(`${HEADER}\n"open quote`).expect(400);
    await send(`${HEADER}\n${'x'.repeat(30_000)}`).expect(400);
    await send('{}', '', 'application/json').expect(415);
    await send('{"results":[1]}', '', 'application/x-yandle-results+json').expect(400);
    await send('{"results":[', '', 'application/x-yandle-results+json').expect(400);
    await send('nonsense', '', 'application/x-yandle-results+json').expect(400);
    await send(csv(line()), '?dryRun=maybe').expect(400);
    expect(await count()).toBe(before);
  });

  it('exports what it imports: CSV and JSON come back as known, in another studio as new', async () => {
    await aClient(h, { name: '=Formula, "quoted"' });
    await send(csv(line({ client: `"'=Formula, ""quoted"""`, date: '2026-02-16' }))).expect(200);
    const table = (await h.agent.get('/api/v1/exports/results.csv').expect(200)).text;
    expect(table.split('\n')[0]).toBe(HEADER);
    expect(table).toContain(`"'=Formula, ""quoted"""`);
    const total = await count();
    expect((await send(table).expect(200)).body).toMatchObject({ readings: 0, known: total, errorCount: 0 });
    const json = (await h.agent.get('/api/v1/exports/results.json').expect(200)).text;
    expect(JSON.parse(json)).toMatchObject({ format: 'yandle-results-1' });
    const back = await send(json, '', 'application/x-yandle-results+json').expect(200);
    expect(back.body).toMatchObject({ readings: 0, known: total });

    const one = (await h.agent.get(`/api/v1/exports/results.csv?client=${clientId}`).expect(200)).text;
    expect(one).not.toContain('Formula');
    await h.other.get(`/api/v1/exports/results.csv?client=${clientId}`).expect(404);
    expect((await h.other.get('/api/v1/exports/results.csv')).text.trim()).toBe(HEADER);
    // The other studio has a client of the same name: the same file is new there.
    await h.other.post('/api/v1/clients').send(clientBody(h.otherCoachId)).expect(201);
    const nameless = one.replaceAll('Coach of First', '');
    const there = await h.other
      .post('/api/v1/imports/results')
      .set('content-type', 'text/csv')
      .send(nameless)
      .expect(200);
    expect((there.body as ImportReport).known).toBe(0);
    expect((there.body as ImportReport).readings).toBeGreaterThan(5);
  });
});

/** A different time of day for each i. */
function clock(i: number): string {
  const minutes = i % 1440;
  return `${String(Math.floor(minutes / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`;
}
