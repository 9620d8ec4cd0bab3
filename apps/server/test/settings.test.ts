import request from 'supertest';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import {
  DEFAULT_SETTINGS,
  type LinkMade,
  type Me,
  type PlanningView,
  type Problem,
  type StudioSettings,
} from '@yandle/contract';
import { TIMING_BOUNDS } from '@yandle/core';
import { aClient, harness, type Harness } from './harness.js';

describe('what a studio settles', () => {
  let h: Harness;
  beforeAll(async () => (h = await harness()));
  afterAll(() => h.close());

  const settled = async () => ((await h.agent.get('/api/v1/me').expect(200)).body as Me).studio.settings;
  const put = (body: unknown) => h.agent.put('/api/v1/studio/settings').send(body as object);
  const OURS: StudioSettings = {
    timings: { ...DEFAULT_SETTINGS.timings, newPosition: 10, exit: 2 },
    firstWeekday: 7,
    units: { length: 'in', weight: 'lb' },
    block: { weeks: 6, ramp: 0.15, easierEvery: null, lanesPerSession: 4 },
    minutesPerSession: 30,
  };

  it('is as usual until it settles something, and then what it settled, for every coach and client', async () => {
    const client = await aClient(h);
    expect(await settled()).toEqual(DEFAULT_SETTINGS);
    await put(OURS).expect(200);
    expect(await settled()).toEqual(OURS);
    const planning = (await h.agent.get(`/api/v1/clients/${client}/planning`).expect(200)).body as PlanningView;
    // A breath is five seconds until it is measured (domain 2.7).
    expect(planning.timings).toEqual({ ...OURS.timings, breath: 5 });
  });

  it.each([
    [
      'a timing below its bound',
      { timings: { ...OURS.timings, loadedRest: TIMING_BOUNDS.loadedRest.min - 1 } },
      'timings.loadedRest',
    ],
    ['a timing that is no whole second', { timings: { ...OURS.timings, entry: 2.5 } }, 'timings.entry'],
    ['a week that begins on Tuesday', { firstWeekday: 2 }, 'firstWeekday'],
    ['a unit nobody knows', { units: { length: 'ell', weight: 'kg' } }, 'units.length'],
    ['an increase of more than half', { block: { ...OURS.block, ramp: 0.6 } }, 'block.ramp'],
  ])('refuses %s and changes nothing', async (_what, over, path) => {
    await put(OURS).expect(200);
    const answer = await put({ ...OURS, ...over }).expect(400);
    expect((answer.body as Problem).errors!.map((e) => e.path)).toEqual([path]);
    expect(await settled()).toEqual(OURS);
  });

  it('is the owner’s to settle', async () => {
    const made = (await h.agent.post('/api/v1/studio/invitations').send({ role: 'coach', note: '' }).expect(201)).body;
    const token = (made as LinkMade).path.split('#')[1]!;
    const agent = request.agent(h.app);
    const body = { name: 'Ilse Maren', email: 'ilse@studio.example', password: 'four plain words here' };
    await agent.post(`/api/v1/join/${token}`).send(body).expect(201);
    const before = await settled();
    await agent.put('/api/v1/studio/settings').send(DEFAULT_SETTINGS).expect(403);
    expect(await settled()).toEqual(before);
  });
});
