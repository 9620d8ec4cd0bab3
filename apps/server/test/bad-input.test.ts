import { request as httpRequest } from 'node:http';
import type { AddressInfo } from 'node:net';
import { createServer, type Server } from 'node:http';
import { v7 as uuid } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Problem, Session, SessionSummary } from '@yandle/contract';
import { errorBody, exerciseBody, intakeBody, ownTestBody, studyBody, styleBody, templateBody } from './bodies.js';
import { aClient, blockBody, clientBody, harness, TODAY, type Harness } from './harness.js';

/** What an exercise may do without; every other field of every body has to come. */
const MAY_BE_LEFT_OUT = ['pushAgainst', 'startLoad', 'alsoIn'];

/** Every route that takes a body, with one that it accepts. */
interface Route {
  readonly method: 'post' | 'put';
  readonly path: string;
  readonly body: Record<string, unknown>;
}

describe('bad input', () => {
  let h: Harness;
  let routes: Route[];

  beforeAll(async () => {
    h = await harness();
    const clientId = await aClient(h);
    const block = (await h.agent.post(`/api/v1/clients/${clientId}/blocks`).send(blockBody()).expect(201)).body as {
      id: string;
    };
    const sessions = (await h.agent.get(`/api/v1/clients/${clientId}/sessions`)).body as SessionSummary[];
    const run = uuid();
    const startedAt = h.clock.now.toISOString();
    await h.agent.post(`/api/v1/sessions/${sessions[0]!.id}/runs`).send({ id: run, startedAt }).expect(201);
    const assessment = uuid();
    const assessmentBody = {
      id: assessment,
      date: TODAY,
      time: '09:40',
      warm: false,
      note: '',
      battery: ['neck-rotation'],
    };
    await h.agent.post(`/api/v1/clients/${clientId}/assessments`).send(assessmentBody).expect(201);
    const { token } = (await h.agent.post(`/api/v1/clients/${clientId}/phone-link`).expect(201)).body as {
      token: string;
    };
    await h.agent.post('/api/v1/shared/open').send({ token }).expect(200);
    const symptom = uuid();
    await h.agent
      .put(`/api/v1/runs/${run}/symptoms/${symptom}`)
      .send({ item: 0, side: 'left', symptom: 'pinching' })
      .expect(200);

    const { items } = (await h.agent.get(`/api/v1/sessions/${sessions[2]!.id}`)).body as Session;
    const shape = { purpose: 'own', alreadyWarm: false, rounds: 1 };
    const { id: _c, ...client } = clientBody(h.coachId);
    const { id: _b, ...plan } = blockBody();
    routes = [
      { method: 'post', path: '/sign-in', body: { email: 'a@b.example', password: 'x' } },
      {
        method: 'post',
        path: '/setup',
        body: { studioName: 'S', timeZone: 'UTC', coachName: 'C', email: 'a@b.example', password: 'long enough now' },
      },
      { method: 'post', path: '/clients', body: clientBody(h.coachId) },
      { method: 'put', path: `/clients/${clientId}`, body: { ...client, version: 1 } },
      { method: 'post', path: `/clients/${clientId}/archive`, body: { version: 1 } },
      { method: 'post', path: `/clients/${clientId}/restore`, body: { version: 1 } },
      { method: 'post', path: `/clients/${clientId}/assessments`, body: { ...assessmentBody, id: uuid() } },
      {
        method: 'put',
        path: `/assessments/${assessment}/readings/${uuid()}`,
        body: { testId: 'neck-rotation', side: 'left', value: 60, instrument: 'goniometer', replaces: null },
      },
      { method: 'post', path: `/clients/${clientId}/blocks`, body: blockBody() },
      { method: 'put', path: `/blocks/${block.id}`, body: { ...plan, version: 99 } },
      { method: 'post', path: `/blocks/${block.id}/end`, body: { version: 1 } },
      { method: 'post', path: `/sessions/${sessions[1]!.id}/runs`, body: { id: uuid(), startedAt } },
      {
        method: 'put',
        path: `/runs/${run}/sets/${uuid()}`,
        body: { item: 0, side: 'left', set: 1, plannedSeconds: 30, doneSeconds: 30, replaces: null },
      },
      {
        method: 'put',
        path: `/runs/${run}/symptoms/${uuid()}`,
        body: { item: 0, side: 'left', symptom: 'other' },
      },
      { method: 'post', path: `/runs/${run}/finish`, body: { endedAt: startedAt, sensation: null, note: '' } },
      { method: 'post', path: `/symptoms/${symptom}/clear`, body: { note: 'looked into' } },
      {
        method: 'put',
        path: `/sessions/${sessions[2]!.id}/items`,
        body: { version: 1, items, ...shape, minutes: null },
      },
      { method: 'post', path: `/sessions/${sessions[3]!.id}/restore`, body: { version: 1 } },
      { method: 'put', path: `/sessions/${sessions[0]!.id}/counted-run`, body: { runId: run } },
      { method: 'put', path: `/runs/${run}/answers`, body: { id: uuid(), sensation: 4, note: '' } },
      {
        method: 'put',
        path: `/clients/${clientId}/soreness/${uuid()}`,
        body: { date: TODAY, region: null, soreness: 3, note: '' },
      },
      { method: 'put', path: `/clients/${clientId}/breath`, body: { seconds: 6 } },
      { method: 'put', path: `/clients/${clientId}/late-logs/${uuid()}`, body: { accept: true } },
      { method: 'post', path: '/shared/open', body: { token: 'x'.repeat(32) } },
      {
        method: 'post',
        path: `/shared/sessions/${sessions[4]!.id}/runs`,
        body: { id: uuid(), startedAt, snapshot: { date: TODAY, items, ...shape } },
      },
      {
        method: 'put',
        path: `/assessments/${assessment}/events/${uuid()}`,
        body: { testId: 'neck-rotation', kind: 'stopped', side: 'left', symptom: 'pinching', reason: 'r' },
      },
      { method: 'put', path: `/assessments/${assessment}/beighton/${uuid()}`, body: { items: Array(9).fill(false) } },
      { method: 'put', path: `/own-tests/${uuid()}`, body: ownTestBody() },
      {
        method: 'put',
        path: `/own-batteries/${uuid()}`,
        body: { version: null, name: 'B', about: '', testIds: ['neck-rotation'], archived: false },
      },
      { method: 'put', path: `/studies/${uuid()}`, body: studyBody() },
      { method: 'post', path: '/own-errors', body: errorBody() },
      {
        method: 'put',
        path: `/clients/${clientId}/goals/${uuid()}`,
        body: { testId: 'neck-rotation', value: 80, due: null, words: 'look back' },
      },
      {
        method: 'put',
        path: `/clients/${clientId}/self-reports/${uuid()}`,
        body: { date: TODAY, region: 'neck', kind: 'complaint', moment: 'day', score: 3, habits: [] },
      },
      {
        method: 'put',
        path: `/clients/${clientId}/priorities`,
        body: { version: null, interests: [], pinned: [], excluded: [], order: [], quickCheck: [] },
      },
      { method: 'put', path: `/clients/${clientId}/intakes/${uuid()}`, body: intakeBody() },
      { method: 'put', path: `/own-exercises/${uuid()}`, body: exerciseBody() },
      { method: 'put', path: `/own-styles/${uuid()}`, body: styleBody() },
      { method: 'put', path: `/own-templates/${uuid()}`, body: templateBody() },
      { method: 'put', path: `/sessions/${sessions[2]!.id}/date`, body: { date: '2026-03-31' } },
      {
        method: 'put',
        path: `/clients/${clientId}/clearances/${uuid()}`,
        body: { cautionId: 'heart', who: 'W', on: TODAY, note: '' },
      },
      {
        method: 'put',
        path: '/devices/inclinometer',
        body: { trueAngle: 30, tremor: 0, driftPerMinute: 0, settling: 0, dropOuts: 0 },
      },
    ];
  });
  afterAll(() => h.close());

  /** Rows of every table of the studio: what must not change. */
  async function rows(): Promise<string> {
    const tables = await h.source.query<{ name: string }[]>(
      "SELECT table_name AS name FROM information_schema.tables WHERE table_schema = DATABASE() AND table_name <> 'auth_session'",
    );
    const counts = await Promise.all(
      tables.map(async ({ name }) => {
        const [row] = await h.source.query<{ n: string }[]>(`SELECT COUNT(*) AS n FROM \`${name}\``);
        return `${name} ${row!.n}`;
      }),
    );
    return counts.sort().join();
  }

  const WRONG: readonly unknown[] = [
    null,
    [],
    {},
    '',
    ' ',
    'x'.repeat(5000),
    -1,
    1.5,
    1e300,
    true,
    '\u0000',
    { $gt: '' },
  ];

  /** Fields in which one of the wrong values is a right one: null for none, an empty list, text, a number of another size. */
  const MAY_TAKE = [
    'alreadyWarm',
    'sensation',
    'accept',
    'region',
    'seconds',
    ...[
      'easierEvery',
      'sex',
      'note',
      'notes',
      'aim',
      'screeningNote',
      'warm',
      'value',
      'side',
      'reason',
      'due',
      'words',
    ],
    ...['archived', 'purpose', 'landmarks', 'notFor', 'faults', 'reference', 'about', 'rows', 'low', 'high', 'clients'],
    ...['studyId', 'sem', 'repeatTolerance', 'habits', 'interests', 'pinned', 'excluded', 'order', 'quickCheck'],
    ...['figure', 'secondary', 'tags', 'props', 'optionalProps', 'substitute', 'sideWords', 'stages', 'depthMeasure'],
    ...['easierForm', 'harderForm'],
    ...['easierWeeks', 'missedWeeks', 'away', 'smallestPlate', 'summary', 'before', 'after', 'doseCap', 'sources'],
    ...['trueAngle', 'tremor', 'driftPerMinute', 'settling'],
  ];

  it('of any field of any route is refused with 4xx, a code, and the field; nothing is written', async () => {
    const before = await rows();
    for (const route of routes)
      for (const [field, good] of Object.entries(route.body))
        for (const wrong of WRONG) {
          if (JSON.stringify(wrong) === JSON.stringify(good)) continue;
          const res = await h.agent[route.method](`/api/v1${route.path}`).send({ ...route.body, [field]: wrong });
          // A value that is allowed there (null for "none", text in a note) may pass validation; it must not break anything.
          if (res.status < 300) {
            expect(MAY_TAKE, `${route.path} ${field} ${JSON.stringify(wrong)?.slice(0, 30)}`).toContain(field);
            continue;
          }
          expect(res.status, `${route.path} ${field} ${JSON.stringify(wrong)?.slice(0, 30)}: ${res.text}`).toBeLessThan(
            500,
          );
          const problem = res.body as Problem;
          expect(res.headers['content-type']).toContain('application/problem+json');
          expect(problem.detail.length).toBeGreaterThan(10);
          if (problem.code === 'validation') expect(problem.errors!.length).toBeGreaterThan(0);
        }
    // Only what was accepted above may have come; refused requests wrote nothing.
    const after = await rows();
    for (const table of ['studio', 'coach', 'block', 'revision', 'lane', 'prescription', 'session_item'])
      expect(after.split(',').find((r) => r.startsWith(`${table} `))).toBe(
        before.split(',').find((r) => r.startsWith(`${table} `)),
      );
  }, 120_000);

  it('with a missing or an unknown field is refused and named', async () => {
    for (const route of routes) {
      for (const field of Object.keys(route.body)) {
        if (MAY_BE_LEFT_OUT.includes(field)) continue;
        const { [field]: _, ...rest } = route.body;
        const res = await h.agent[route.method](`/api/v1${route.path}`).send(rest);
        if (res.status === 429) continue;
        expect(res.status, `${route.path} without ${field}`).toBe(400);
        expect((res.body as Problem).errors!.map((e) => e.path)).toContain(field);
      }
      const extra = await h.agent[route.method](`/api/v1${route.path}`).send({ ...route.body, studioId: 'theirs' });
      if (extra.status === 429) continue;
      expect(extra.status, `${route.path} with studioId`).toBe(400);
      expect((extra.body as Problem).errors!.map((e) => e.path)).toContain('studioId');
    }
  }, 60_000);

  it('in the path is a missing thing, never a fault', async () => {
    for (const bad of ['x', '..', '%00', "1' OR '1'='1", uuid(), 'a'.repeat(2000)])
      for (const path of ['clients/ID', 'clients/ID/progress', 'assessments/ID', 'sessions/ID']) {
        const res = await h.agent.get(`/api/v1/${path.replace('ID', encodeURIComponent(bad))}`);
        expect([400, 404], `${path} ${bad}`).toContain(res.status);
      }
  });

  it('in the encoding of a body is refused: broken UTF-8, lone quotes, wrong length', async () => {
    const server: Server = createServer(h.app);
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    const { port } = server.address() as AddressInfo;
    const send = (body: Buffer, type = 'application/json') =>
      new Promise<number>((resolve, reject) => {
        const req = httpRequest(
          { port, host: '127.0.0.1', method: 'POST', path: '/api/v1/sign-in', headers: { 'content-type': type } },
          (res) => {
            res.resume();
            res.on('end', () => resolve(res.statusCode ?? 0));
          },
        );
        req.on('error', reject);
        req.end(body);
      });
    expect(await send(Buffer.from('{"email": "a'))).toBe(400);
    expect(await send(Buffer.from([0x7b, 0xff, 0xfe, 0x7d]))).toBe(400);
    expect(await send(Buffer.from('"text"'))).toBe(400);
    expect(await send(Buffer.from('{}'), 'application/xml')).toBe(415);
    expect(await send(Buffer.from(`{"email":"${'x'.repeat(300_000)}"}`))).toBe(413);
    await new Promise((resolve) => server.close(resolve));
  });
});
