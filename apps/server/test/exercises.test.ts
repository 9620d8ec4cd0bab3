import type { MyExercises } from '@yandle/contract';
import { EXERCISES } from '@yandle/core';
import { v7 as uuid } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { exerciseBody } from './bodies.js';
import { aClient, blockBody, harness, laneBody, type Harness } from './harness.js';

let h: Harness;
beforeAll(async () => {
  h = await harness();
});
afterAll(() => h.close());

const put = (id: string, over: object = {}) => h.agent.put(`/api/v1/own-exercises/${id}`).send(exerciseBody(over));
const list = async () =>
  (await h.agent.get('/api/v1/own-exercises').expect(200)).body as { id: string; name: string }[];

describe('own exercises', () => {
  it('are kept once, edited by version, and what they were stays', async () => {
    const id = uuid();
    for (let i = 0; i < 2; i++) await put(id).expect(200);
    await put(id, { version: 1, name: 'Second form' }).expect(200);
    await put(id, { version: 1, name: 'Third form' }).expect(409);
    const edited = await put(id, { version: 2, name: 'Third form', archived: true }).expect(200);
    expect(edited.body).toMatchObject({ version: 3, name: 'Third form', archived: true });
    const versions = (await h.agent.get(`/api/v1/own-exercises/${id}/versions`).expect(200)).body as {
      version: number;
      definition: { name: string };
    }[];
    expect(versions.map((v) => [v.version, v.definition.name])).toEqual([
      [2, 'Second form'],
      [1, exerciseBody().name],
    ]);
  });

  it('bring along their tempo, directions, what follows and what is pushed against', async () => {
    const id = uuid();
    const { id: _, ...hold } = EXERCISES.find((e) => e.id === 'lying-open-arms')!;
    const own = {
      ...{ ...hold, name: 'Arms open, then moved', version: null, archived: false },
      stages: [
        { name: 'Low', share: 0.5 },
        { name: 'High', share: 0.5 },
      ],
      pace: { out: 4, back: 2 },
      pushAgainst: 'Press the backs of the hands into the floor.',
      then: [{ technique: 'moving stretch', reps: 5, holdSeconds: 0 }],
    };
    const send = (over: object) => h.agent.put(`/api/v1/own-exercises/${id}`).send({ ...own, ...over });
    expect((await send({}).expect(200)).body).toMatchObject({
      ...{ pace: own.pace, pushAgainst: own.pushAgainst, then: own.then, stages: own.stages },
    });
    // What is pushed against makes contract-relax possible; without it a push is refused.
    const push = [{ technique: 'contract-relax', cycles: 2, pushSeconds: 5, effort: 30, holdSeconds: 10 }];
    await send({ version: 1, then: push }).expect(200);
    const { pushAgainst: _p, ...unpushed } = own;
    const refused = await h.agent
      .put(`/api/v1/own-exercises/${id}`)
      .send({ ...unpushed, version: 2, then: push })
      .expect(400);
    expect((refused.body as { errors: { path: string }[] }).errors[0]!.path).toBe('then[0].technique');
  });

  it('are refused when they do not make sense, with the field', async () => {
    const refused = await put(uuid(), {
      amount: { unit: 'seconds', min: 60, max: 30 },
      secondary: [exerciseBody().primary],
      optionalProps: exerciseBody().props,
      stages: [{ name: 'half', share: 0.5 }],
    }).expect(400);
    expect((refused.body as { errors: { path: string }[] }).errors.map((e) => e.path)).toEqual([
      'amount.max',
      'secondary',
      'optionalProps',
      'stages',
    ]);
  });

  it('are planned, run and counted like any other; archived ones are not planned anew', async () => {
    const id = uuid();
    const { id: _, ...twoArms } = EXERCISES.find((e) => e.id === 'lying-open-arms')!;
    await h.agent
      .put(`/api/v1/own-exercises/${id}`)
      .send({ ...twoArms, name: 'On the roller', version: null, archived: false })
      .expect(200);
    const client = await aClient(h);
    const lanes = [laneBody('pectorals', `own-${id}`)];
    const plan = (over: object = {}) =>
      h.agent.post(`/api/v1/clients/${client}/blocks`).send(blockBody({ lanes, ...over }));
    const unknown = [laneBody('pectorals', `own-${uuid()}`)];
    const refused = await plan({ lanes: unknown }).expect(400);
    expect((refused.body as { errors: { path: string }[] }).errors[0]!.path).toBe('lanes.0.exercises.0.exerciseId');
    await plan().expect(201);
    const sessions = (await h.agent.get(`/api/v1/clients/${client}/sessions`).expect(200)).body as { id: string }[];
    const run = uuid();
    await h.agent
      .post(`/api/v1/sessions/${sessions[0]!.id}/runs`)
      .send({ id: run, startedAt: '2026-03-09T08:00:00.000Z' })
      .expect(201);
    // Both arms at once: the server goes by the own exercise, not by a guess.
    const set = { item: 0, set: 1, plannedSeconds: 30, doneSeconds: 30, replaces: null };
    await h.agent
      .put(`/api/v1/runs/${run}/sets/${uuid()}`)
      .send({ ...set, side: 'left' })
      .expect(400);
    await h.agent
      .put(`/api/v1/runs/${run}/sets/${uuid()}`)
      .send({ ...set, side: null })
      .expect(200);
    await h.agent
      .post(`/api/v1/runs/${run}/finish`)
      .send({ endedAt: '2026-03-09T08:10:00.000Z', sensation: 5, note: '' })
      .expect(200);
    const progress = await h.agent.get(`/api/v1/clients/${client}/progress`).expect(200);
    expect(JSON.stringify(progress.body)).toContain('pectorals');
    await h.agent
      .put(`/api/v1/own-exercises/${id}`)
      .send({ ...twoArms, name: 'On the roller', version: 1, archived: true })
      .expect(200);
    const other = await aClient(h);
    await h.agent.post(`/api/v1/clients/${other}/blocks`).send(blockBody({ lanes })).expect(400);
    await h.other.post(`/api/v1/clients/${other}/blocks`).send(blockBody({ lanes })).expect(404);
    await h.agent.get(`/api/v1/sessions/${sessions[1]!.id}`).expect(200);
  });

  it('belong to one studio', async () => {
    const id = uuid();
    await put(id, { name: 'Ours alone' }).expect(200);
    expect((await h.other.get('/api/v1/own-exercises').expect(200)).body).toEqual([]);
    await h.other.get(`/api/v1/own-exercises/${id}/versions`).expect(404);
    await h.other
      .put(`/api/v1/own-exercises/${id}`)
      .send(exerciseBody({ version: 1 }))
      .expect(404);
  });

  it('come in from a file, all or nothing, and the same file twice adds once', async () => {
    const before = (await list()).length;
    const exercises = EXERCISES.slice(0, 5).map(({ id: _, ...rest }) => rest);
    const file = { format: 'yandle-exercises', formatVersion: 3, exercises };
    const send = (body: object) => h.agent.post('/api/v1/own-exercises/import').send(body);
    const broken = { ...exercises[4]!, amount: { unit: 'seconds', min: 90, max: 30 } };
    const refused = await send({ ...file, exercises: [...exercises.slice(0, 4), broken] }).expect(400);
    expect((refused.body as { errors: { path: string }[] }).errors[0]!.path).toBe('exercises.4.amount.max');
    expect(await list()).toHaveLength(before);
    expect((await send(file).expect(200)).body).toEqual({ added: 5, same: 0 });
    expect((await send(file).expect(200)).body).toEqual({ added: 0, same: 5 });
    expect(await list()).toHaveLength(before + 5);
  });

  it('have a published schema', async () => {
    const r = await h.agent.get('/api/v1/own-exercises/schema').expect(200);
    expect(r.headers['content-type']).toContain('schema+json');
    expect(JSON.parse(r.text)).toMatchObject({ $schema: expect.stringContaining('2020-12') as string });
  });
});

describe('what a coach keeps at hand', () => {
  const mine = async () => (await h.agent.get('/api/v1/library/mine').expect(200)).body as MyExercises;
  const keep = (id: string, favourite: boolean) => h.agent.put(`/api/v1/library/favourites/${id}`).send({ favourite });

  it('is theirs alone, kept once however often it is said, and taken out again', async () => {
    expect((await mine()).favourites).toEqual([]);
    for (let i = 0; i < 2; i++) await keep('chair-fold', true).expect(200);
    await keep('knee-hug', true).expect(200);
    expect((await mine()).favourites).toEqual(['chair-fold', 'knee-hug']);
    await keep('chair-fold', false).expect(200);
    await keep('chair-fold', false).expect(200);
    expect((await mine()).favourites).toEqual(['knee-hug']);
    await keep('no-such-exercise', true).expect(404);
    await h.agent.put('/api/v1/library/favourites/knee-hug').send({ favourite: 'yes' }).expect(400);
    expect(((await h.other.get('/api/v1/library/mine').expect(200)).body as MyExercises).favourites).toEqual([]);
  });

  it('is at most two hundred, and said so', async () => {
    const many = EXERCISES.slice(0, 200).map((e) => e.id);
    await h.source.query('UPDATE coach SET favourites = ? WHERE id = ?', [JSON.stringify(many), h.coachId]);
    await keep(EXERCISES[200]!.id, true).expect(409);
    await keep(many[0]!, true).expect(200);
    await keep(many[0]!, false).expect(200);
    await keep(EXERCISES[200]!.id, true).expect(200);
    expect((await mine()).favourites).toHaveLength(200);
  });

  it('is what the sessions of these days hold too, the latest first', async () => {
    const client = await aClient(h);
    await h.agent.post(`/api/v1/clients/${client}/blocks`).send(blockBody()).expect(201);
    const { recent } = await mine();
    // By hand: each exercise's latest day, up to a week ahead of the day of the tests.
    const rows: { exerciseId: string; day: string }[] = await h.source.query(
      `SELECT i.exercise_id AS exerciseId, DATE_FORMAT(s.date, '%Y-%m-%d') AS day FROM session_item i
       INNER JOIN session s ON s.id = i.session_id INNER JOIN coach c ON c.studio_id = s.studio_id
       WHERE c.id = ? AND s.date <= '2026-03-16'`,
      [h.coachId],
    );
    const latest = new Map<string, string>();
    for (const { exerciseId, day } of rows) if (day > (latest.get(exerciseId) ?? '')) latest.set(exerciseId, day);
    expect(new Set(recent)).toEqual(new Set(latest.keys()));
    const days = recent.map((id) => latest.get(id)!);
    expect(days).toEqual([...days].sort().reverse());
    expect(((await h.other.get('/api/v1/library/mine').expect(200)).body as MyExercises).recent).toEqual([]);
  });
});

describe('a copy of the catalogue', () => {
  it('brings along where else it is done, what to begin with and what is pushed', async () => {
    const copied = EXERCISES.filter((e) => e.alsoIn || e.startLoad || e.pushAgainst);
    expect(copied.length).toBeGreaterThan(90);
    for (const { id: _, ...definition } of copied) {
      const own = { ...definition, name: `${definition.name}, own`, version: null, archived: false };
      const { body } = await h.agent.put(`/api/v1/own-exercises/${uuid()}`).send(own).expect(200);
      const { alsoIn, startLoad, pushAgainst } = definition;
      expect(body).toMatchObject({
        ...(alsoIn && { alsoIn }),
        ...(startLoad && { startLoad }),
        ...(pushAgainst && { pushAgainst }),
      });
    }
  });
});
