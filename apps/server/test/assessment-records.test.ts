import { v7 as uuid } from 'uuid';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import type { Assessment, Block, Progress, RemovedAssessment } from '@yandle/contract';
import { addDays, type ReadingHabits } from '@yandle/core';
import { AssessmentChangeEntity, AssessmentEntity, ReadingEntity } from '../src/assessments/entities.js';
import { aClient, blockBody, harness, TODAY, type Harness } from './harness.js';

const EARLIER = addDays(TODAY, -10);

describe('an assessment as a record', () => {
  let h: Harness;
  let clientId: string;
  let id: string;
  beforeAll(async () => {
    h = await harness();
  });
  afterAll(() => h.close());
  beforeEach(async () => {
    clientId = await aClient(h);
    id = await begin();
  });

  const begin = async (date = EARLIER) => {
    const made = uuid();
    await h.agent
      .post(`/api/v1/clients/${clientId}/assessments`)
      .send({ id: made, date, time: '09:40', warm: false, note: '', battery: ['neck-rotation'] })
      .expect(201);
    return made;
  };
  const read = async (value: number, over: object = {}) => {
    const reading = uuid();
    await h.agent
      .put(`/api/v1/assessments/${id}/readings/${reading}`)
      .send({ testId: 'neck-rotation', side: 'left', value, instrument: 'goniometer', replaces: null, ...over })
      .expect(200);
    return reading;
  };
  const put = (path: string, body: object, status = 200) =>
    h.agent.put(`/api/v1/assessments/${id}${path}`).send(body).expect(status);
  const habits = async () =>
    (await h.agent.get('/api/v1/reading-habits').query({ testId: 'neck-rotation' }).expect(200)).body as ReadingHabits;
  const list = async () => (await h.agent.get(`/api/v1/clients/${clientId}/assessments`)).body as Assessment[];
  const values = async () => (await list())[0]?.readings.map((r) => r.value);
  const overview = async () =>
    (await h.agent.get(`/api/v1/clients/${clientId}`)).body as {
      lastAssessment: string | null;
      assessments: number;
    };

  it('is none without a reading: it is not the last one, and not counted', async () => {
    expect(await overview()).toMatchObject({ lastAssessment: null, assessments: 0 });
    await read(60);
    expect(await overview()).toMatchObject({ lastAssessment: EARLIER, assessments: 1 });
    // Begun twice, as by a double click: the second one has nothing in it.
    await begin(TODAY);
    expect(await overview()).toMatchObject({ lastAssessment: EARLIER, assessments: 1 });
  });

  it('takes a reading back with what it had replaced, and brings it back', async () => {
    const first = await read(60);
    await read(70);
    const corrected = await read(62, { replaces: first });
    expect(await values()).toEqual([60, 70, 62]);
    await put(`/readings/${corrected}/withdrawn`, { withdrawn: true });
    await put(`/readings/${corrected}/withdrawn`, { withdrawn: true });
    expect(await values()).toEqual([70]);
    // A reading that was taken back cannot be corrected; its place is free again.
    await put(
      `/readings/${uuid()}`,
      {
        ...{ testId: 'neck-rotation', side: 'left', value: 1, instrument: 'goniometer', replaces: corrected },
      },
      400,
    );
    for (const v of [71, 72, 73, 74]) await read(v);
    await put(
      `/readings/${uuid()}`,
      {
        ...{ testId: 'neck-rotation', side: 'left', value: 75, instrument: 'goniometer', replaces: null },
      },
      400,
    );
    await put(`/readings/${corrected}/withdrawn`, { withdrawn: false });
    expect((await values())!.sort()).toEqual([60, 62, 70, 71, 72, 73, 74].sort());
    // Nothing was thrown away meanwhile.
    expect(await h.source.getRepository(ReadingEntity).countBy({ assessmentId: id })).toBe(7);
    await put(`/readings/${uuid()}/withdrawn`, { withdrawn: true }, 404);
    await put(`/readings/${corrected}/withdrawn`, {}, 400);
  });

  it('counts as none once its last reading is taken back', async () => {
    const only = await read(60);
    await put(`/readings/${only}/withdrawn`, { withdrawn: true });
    expect(await overview()).toMatchObject({ lastAssessment: null, assessments: 0 });
    await put(`/readings/${only}/withdrawn`, { withdrawn: false });
    expect(await overview()).toMatchObject({ lastAssessment: EARLIER });
  });

  it('is taken back whole, is nowhere then, and comes back as it was', async () => {
    await read(60);
    await put('/removed', { removed: true });
    expect(await list()).toEqual([]);
    expect(await overview()).toMatchObject({ lastAssessment: null, assessments: 0 });
    const progress = (await h.agent.get(`/api/v1/clients/${clientId}/progress`)).body as Progress;
    expect(progress.assessments).toEqual([]);
    const csv = await h.agent.get(`/api/v1/exports/results.csv?client=${clientId}`);
    expect(csv.text).not.toContain('neck-rotation');
    const removed = (await h.agent.get(`/api/v1/clients/${clientId}/assessments/removed`)).body as RemovedAssessment[];
    expect(removed).toEqual([{ id, date: EARLIER, time: '09:40', tests: 1, removedOn: TODAY }]);
    await put('/removed', { removed: false });
    expect(await values()).toEqual([60]);
    expect(await overview()).toMatchObject({ lastAssessment: EARLIER, assessments: 1 });
  });

  it('is dated anew with the earlier entry kept; sending it twice counts once', async () => {
    await read(60);
    const change = uuid();
    const body = { date: addDays(TODAY, -12), time: '18:00', warm: true, note: 'wrong day' };
    await put(`/conditions/${change}`, body);
    await put(`/conditions/${change}`, body);
    expect((await list())[0]).toMatchObject(body);
    expect(await overview()).toMatchObject({ lastAssessment: body.date });
    const kept = await h.source.getRepository(AssessmentChangeEntity).findBy({ assessmentId: id });
    expect(kept).toMatchObject([{ date: EARLIER, time: '09:40', warm: false, note: '' }]);
    const { body: refused } = await put(`/conditions/${uuid()}`, { ...body, date: addDays(TODAY, 1) }, 400);
    expect(refused).toMatchObject({ errors: [{ path: 'date', message: 'An assessment can’t be in the future.' }] });
    await put(`/conditions/${uuid()}`, { ...body, date: '1900-01-01' }, 400);
    await put(`/conditions/${change}`, { ...body, time: '08:00' }, 409);
  });

  it('is erased for good with all that belongs to it, and that it was done stays', async () => {
    await read(60);
    await h.agent.delete(`/api/v1/assessments/${id}`).expect(204);
    expect(await h.source.getRepository(AssessmentEntity).countBy({ id })).toBe(0);
    expect(await h.source.getRepository(ReadingEntity).countBy({ assessmentId: id })).toBe(0);
    await h.agent.delete(`/api/v1/assessments/${id}`).expect(404);
    const audit = (await h.agent.get('/api/v1/studio/audit')).body as {
      items: { action: string; client: { id: string } | null }[];
    };
    expect(audit.items.find((e) => e.action === 'assessment-erased')).toMatchObject({ client: { id: clientId } });
  });

  it('keeps whether a reading was taken blind', async () => {
    await read(60, { seen: true });
    await read(61);
    expect((await list())[0]!.readings.map((r) => r.seen)).toEqual([true, false]);
    // The error study of the coach who read is told: with how their readings end.
    const before = await habits();
    await read(65);
    await read(70, { seen: true });
    const gone = await read(75);
    await put(`/readings/${gone}/withdrawn`, { withdrawn: true });
    const after = await habits();
    expect(after.readings - before.readings).toBe(2);
    expect(after.seen - before.seen).toBe(1);
    expect([0, 5, 7].map((d) => after.endings[d]! - before.endings[d]!)).toEqual([1, 1, 0]);
    await h.agent.get('/api/v1/reading-habits').query({ testId: 'none' }).expect(400);
  });

  it('has retests that can be moved, and stay where they were put when the plan changes', async () => {
    const block = (await h.agent.post(`/api/v1/clients/${clientId}/blocks`).send(blockBody()).expect(201))
      .body as Block;
    const last = block.retests.at(-1)!;
    const date = addDays(last.date, -1);
    const move = (week: number, to: string, status: number) =>
      h.agent.put(`/api/v1/blocks/${block.id}/retests/${week}`).send({ date: to }).expect(status);
    const moved = (await move(last.week, date, 200)).body as Block;
    expect(moved.retests.at(-1)).toEqual({ week: last.week, date });
    const { body } = await move(last.week, addDays(block.endDate, 40), 400);
    expect(body).toMatchObject({ errors: [{ path: 'date' }] });
    await move(99, date, 404);
    const update = { ...block.choices, version: moved.version, reason: 'less', ramp: 0.1 };
    const revised = await h.agent.put(`/api/v1/blocks/${block.id}`).send(update).expect(200);
    expect((revised.body as Block).retests.at(-1)).toEqual({ week: last.week, date });
  });
});
