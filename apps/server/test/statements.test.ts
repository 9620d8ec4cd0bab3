import type TestAgent from 'supertest/lib/agent.js';
import { v7 as uuid } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Block, SessionSummary } from '@yandle/contract';
import { addDays } from '@yandle/core';
import request from 'supertest';
import { exerciseBody, intakeBody, ownTestBody, studyBody, styleBody, templateBody } from './bodies.js';
import { aClient, blockBody, harness, TODAY, type Harness } from './harness.js';
import { routesOf } from './routes-of.js';

/** Routes whose number of statements is not of rows: files that come piece by piece, streams. */
const STREAMED = /exports|record\.json|stream/;

describe('statements of a route', () => {
  let h: Harness;
  let count = 0;
  beforeAll(async () => {
    h = await harness();
    const { logger } = h.source;
    h.source.logger = Object.assign(Object.create(Object.getPrototypeOf(logger) as object) as typeof logger, {
      logQuery: () => void count++,
      logQueryError: () => undefined,
      logQuerySlow: () => undefined,
      log: () => undefined,
      logMigration: () => undefined,
      logSchemaBuild: () => undefined,
    });
  });
  afterAll(() => h.close());

  const ids: Record<string, string> = {};

  /** Somebody of whom there is something of everything, so many times over. */
  async function fill(clientId: string, times: number): Promise<void> {
    const put = (path: string, body: object) => h.agent.put(`/api/v1${path}`).send(body).expect(200);
    const post = (path: string, body: object) => h.agent.post(`/api/v1${path}`).send(body).expect(201);
    for (let i = 0; i < times; i++) {
      await put(`/clients/${clientId}/intakes/${uuid()}`, intakeBody());
      await put(`/clients/${clientId}/clearances/${uuid()}`, { cautionId: 'heart', who: `W${i}`, on: TODAY, note: '' });
      const id = uuid();
      ids['assessments'] = id;
      const date = addDays(TODAY, -1 - Math.floor(Math.random() * 300));
      await post(`/clients/${clientId}/assessments`, {
        id,
        date,
        time: '09:40',
        warm: false,
        note: '',
        battery: ['neck-rotation'],
      });
      for (const side of ['left', 'right'])
        for (const testId of ['neck-rotation', 'weight-bearing-lunge'])
          await put(`/assessments/${id}/readings/${uuid()}`, {
            ...{
              testId,
              side,
              value: 10,
              instrument: testId === 'neck-rotation' ? 'goniometer' : 'tape',
              replaces: null,
            },
            ...{ warm: null, testerId: null },
          });
      await put(`/assessments/${id}/beighton/${uuid()}`, { items: Array(9).fill(false) });
      await put(`/clients/${clientId}/goals/${uuid()}`, {
        testId: 'neck-rotation',
        value: 70 + i,
        due: null,
        words: '',
      });
      await put(`/clients/${clientId}/self-reports/${uuid()}`, {
        ...{ date, region: 'neck', kind: 'complaint', moment: 'day', score: 3, habits: [] },
      });
      await put(`/clients/${clientId}/soreness/${uuid()}`, { date: TODAY, region: null, soreness: 3 + i, note: '' });
      const blocks = (await h.agent.get(`/api/v1/clients/${clientId}/blocks`)).body as Block[];
      if (blocks[0] && !blocks[0].endedAt)
        await h.agent.post(`/api/v1/blocks/${blocks[0].id}/end`).send({ version: blocks[0].version }).expect(200);
      const block = (await post(`/clients/${clientId}/blocks`, blockBody())).body as Block;
      ids['blocks'] = block.id;
      const sessions = (await h.agent.get(`/api/v1/clients/${clientId}/sessions`)).body as SessionSummary[];
      const open = sessions.filter((s) => s.status === 'planned').slice(-3);
      for (const s of open) {
        const run = uuid();
        ids['sessions'] = s.id;
        ids['runs'] = run;
        const startedAt = h.clock.now.toISOString();
        await post(`/sessions/${s.id}/runs`, { id: run, startedAt });
        await put(`/runs/${run}/sets/${uuid()}`, {
          item: 0,
          side: 'left',
          set: 1,
          plannedSeconds: 30,
          doneSeconds: 30,
          replaces: null,
        });
        await put(`/runs/${run}/symptoms/${uuid()}`, { item: 0, side: 'left', symptom: 'other' });
        await h.agent
          .post(`/api/v1/runs/${run}/finish`)
          .send({ endedAt: startedAt, sensation: 4, note: '' })
          .expect(200);
      }
    }
  }

  /** What a studio has of its own, so many of each. */
  async function own(times: number): Promise<void> {
    const put = (path: string, body: object) => h.agent.put(`/api/v1${path}`).send(body).expect(200);
    for (let i = 0; i < times; i++) {
      for (const [kind, body] of [
        ['own-tests', ownTestBody({ name: `T${uuid()}` })],
        ['own-exercises', exerciseBody({ name: `E${uuid()}` })],
        ['own-styles', styleBody({ name: `S${uuid()}`.slice(0, 40) })],
        ['own-templates', templateBody({ name: `P${uuid()}`.slice(0, 40) })],
        ['studies', studyBody({ name: `R${uuid()}` })],
      ] as const) {
        ids[kind] = uuid();
        await put(`/${kind}/${ids[kind]}`, body);
      }
      ids['own-batteries'] = uuid();
      await put(`/own-batteries/${ids['own-batteries']}`, {
        version: null,
        name: uuid(),
        about: '',
        testIds: ['neck-rotation'],
        archived: false,
      });
    }
  }

  async function statements(agent: TestAgent): Promise<Map<string, number>> {
    const found = new Map<string, number>();
    for (const { method, path } of routesOf(h.app)) {
      if (method !== 'GET' || STREAMED.test(path)) continue;
      const group = /^\/([a-z-]+)/.exec(path)?.[1] ?? '';
      if (path.includes(':') && ids[group] === undefined) continue;
      let first = true;
      const whole = path.replace(/:[A-Za-z]+/g, () => (first ? ((first = false), ids[group]!) : uuid()));
      count = 0;
      const answer = await agent.get(`/api/v1${whole}`);
      if (answer.status === 200) found.set(path, count);
    }
    return found;
  }

  it('never grow with the rows it reads, on any route that reads', async () => {
    const clientId = await aClient(h, { screening: 'clear' });
    ids['clients'] = clientId;
    const agent = request.agent(h.app);
    await agent
      .post('/api/v1/sign-in')
      .send({ email: 'first@studio.example', password: 'a password of the tests' })
      .expect(200);
    const { token } = (await h.agent.post(`/api/v1/clients/${clientId}/phone-link`).expect(201)).body as {
      token: string;
    };
    await agent.post('/api/v1/shared/open').send({ token }).expect(200);
    await own(2);
    await fill(clientId, 2);
    for (let i = 0; i < 2; i++) await fill(await aClient(h), 1);
    ids['clients'] = clientId;
    const before = await statements(agent);
    await own(4);
    for (let i = 0; i < 5; i++) await fill(await aClient(h), 1);
    await fill(clientId, 4);
    const after = await statements(agent);
    expect(before.size).toBeGreaterThan(30);

    const grown = [...after]
      .filter(([path, n]) => n > before.get(path)!)
      .map(([path, n]) => `${path}: ${before.get(path)} → ${n}`);
    expect(grown).toEqual([]);
    // And none of them is long: a screen is a handful of reads.
    const long = [...after].filter(([, n]) => n > 30).map(([path, n]) => `${path}: ${n}`);
    expect(long).toEqual([]);
  }, 240_000);
});
