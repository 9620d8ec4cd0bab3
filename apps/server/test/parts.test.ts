import type { Problem, Progress, Session, SessionSummary } from '@yandle/contract';
import { v7 as uuid } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { intakeBody } from './bodies.js';
import { aClient, blockBody, harness, TODAY, type Harness } from './harness.js';

let h: Harness;
beforeAll(async () => (h = await harness()));
afterAll(() => h.close());

const base = { exerciseId: 'supine-strap-hamstring', sets: 1, sensation: 4, firstSide: 'left' };
const moveThenHold = {
  ...{ ...base, sets: 2, technique: 'moving stretch', reps: 5, holdSeconds: 2, pace: { out: 3, back: 2 } },
  then: [{ technique: 'static hold', holdSeconds: 20 }],
};
const pushRelax = {
  ...{ ...base, holdSeconds: 10 },
  then: [{ technique: 'contract-relax', cycles: 3, pushSeconds: 6, effort: 20, holdSeconds: 15 }],
};
const layered = { ...base, holdSeconds: 10, name: 'Toes up', then: [{ name: 'Toes in', holdSeconds: 10 }] };
const middle = { ...base, holdSeconds: 25, breaths: 5, middle: true };
const fine = [
  { ...base, holdSeconds: 15, breaths: 3, pace: { in: 4, hold: 2, out: 6 } },
  { ...base, technique: 'moving stretch', reps: 3, trips: true, holdSeconds: 0, pace: { out: 10, back: 10 } },
  { ...base, holdSeconds: 30, loosen: { seconds: 10, name: 'Shake out the leg', when: 'both' } },
  { ...base, holdSeconds: 30, load: 2, loadUnit: 'band' },
];
const body = (items: readonly object[]) => ({
  sessions: [{ id: uuid(), date: TODAY }],
  ...{ name: 'Parts', routineId: null, placeId: null, purpose: 'own', alreadyWarm: true, rounds: 1, minutes: null },
  items,
});
const make = (client: string, items: readonly object[]) =>
  h.agent.post(`/api/v1/clients/${client}/sessions`).send(body(items));

describe('items of several parts', () => {
  it('are kept as they were set, and one without stays plain', async () => {
    const client = await aClient(h);
    const items = [moveThenHold, pushRelax, layered, middle, ...fine, { ...base, holdSeconds: 30 }];
    const [made] = (await make(client, items).expect(201)).body as SessionSummary[];
    const session = (await h.agent.get(`/api/v1/sessions/${made!.id}`).expect(200)).body as Session;
    expect(session.items).toEqual(items);
  });

  it('log each part as its own bout, a middle one for both sides, and count what stretches', async () => {
    const client = await aClient(h);
    const [made] = (await make(client, [moveThenHold, middle]).expect(201)).body as SessionSummary[];
    const run = uuid();
    const begun = { id: run, startedAt: h.clock.now.toISOString() };
    await h.agent.post(`/api/v1/sessions/${made!.id}/runs`).send(begun).expect(201);
    const log = (item: number, side: string | null, set: number, seconds: number) =>
      h.agent
        .put(`/api/v1/runs/${run}/sets/${uuid()}`)
        .send({ item, side, set, plannedSeconds: seconds, doneSeconds: seconds, replaces: null });
    // Two sets of two parts are four bouts a side.
    for (const [set, seconds] of [10, 20, 10, 20].entries()) await log(0, 'left', set + 1, seconds).expect(200);
    await log(0, 'left', 5, 20).expect(400);
    await log(0, null, 1, 20).expect(400);
    await log(1, null, 1, 25).expect(200);
    await log(1, null, 2, 25).expect(400);
    await log(1, 'right', 1, 25).expect(200);
    await h.agent
      .post(`/api/v1/clients/${client}/blocks`)
      .send(blockBody({ startDate: TODAY }))
      .expect(201);
    const { dose } = (await h.agent.get(`/api/v1/clients/${client}/progress`).expect(200)).body as Progress;
    // 10 + 20 + 10 + 20 s on the left, 25 s on the right, and 25 s in the middle on both.
    expect(dose!.rows.find((r) => r.group === 'hamstrings' && r.week === 1)?.done).toEqual({ left: 85, right: 50 });
  });

  it.each([
    ['a way the exercise cannot be done', { then: [{ technique: 'rolling', holdSeconds: 20 }] }, 'then[0].technique'],
    ['a push without cycles', { then: [{ technique: 'contract-relax', holdSeconds: 10 }] }, 'then[0].cycles'],
    ['no part', { then: [] }, 'then'],
    ['nine parts', { then: Array.from({ length: 9 }, () => ({ holdSeconds: 5 })) }, 'then'],
    ['a breath of nothing', { breaths: 0 }, 'breaths'],
    ['a pace of nothing', { pace: { out: 0, back: 2 } }, 'pace'],
    ['a breath of nothing but a hold', { pace: { in: 0, hold: 5, out: 5 } }, 'pace'],
    ['trips of what is held', { trips: true }, 'trips'],
    ['a loosening without a name', { loosen: { seconds: 10, name: ' ', when: 'after' } }, 'loosen'],
    ['a loosening of three minutes', { loosen: { seconds: 180, name: 'Shake', when: 'after' } }, 'loosen'],
    ['a middle of what has no sides', { exerciseId: 'frog', middle: true }, 'middle'],
  ])('refuse %s', async (_, over, at) => {
    const client = await aClient(h);
    const answer = await make(client, [{ ...base, holdSeconds: 20, ...over }]).expect(400);
    expect(JSON.stringify((answer.body as Problem).errors)).toContain(at.split(/[.[]/)[0]);
  });

  it('are refused where a caution rules out one of the ways, not only the first', async () => {
    const client = await aClient(h);
    const intake = intakeBody(['pressure']);
    await h.agent.put(`/api/v1/clients/${client}/intakes/${uuid()}`).send(intake).expect(200);
    await make(client, [{ ...base, holdSeconds: 20 }]).expect(201);
    const pushed = await make(client, [pushRelax]);
    expect(pushed.status).toBe(409);
    // A breath that is held strains as a push does; one that is not, does not.
    const [held] = fine;
    expect((await make(client, [held!])).status).toBe(409);
    expect((await make(client, [{ ...held, pace: { in: 4, hold: 0, out: 6 } }])).status).toBe(201);
  });
});

describe('a choice on the spot', () => {
  it('is offered whatever its way and its sides, and is logged and counted as what was done', async () => {
    const client = await aClient(h);
    // A hold of both sides at once, or a lunge from side to side.
    const item = { ...base, exerciseId: 'bound-soles-sit', holdSeconds: 30, choice: 'side-lunge' };
    const same = { ...base, holdSeconds: 30, choice: 'supine-strap-hamstring' };
    const [made] = (await make(client, [item, same]).expect(201)).body as SessionSummary[];
    const session = (await h.agent.get(`/api/v1/sessions/${made!.id}`).expect(200)).body as Session;
    expect(session.forms.map((f) => f.choice)).toEqual(['side-lunge', 'supine-strap-hamstring']);
    const run = uuid();
    const begun = { id: run, startedAt: h.clock.now.toISOString() };
    await h.agent.post(`/api/v1/sessions/${made!.id}/runs`).send(begun).expect(201);
    const log = (side: string | null, form: string | null) =>
      h.agent
        .put(`/api/v1/runs/${run}/sets/${uuid()}`)
        .send({ item: 0, side, set: 1, plannedSeconds: 12, doneSeconds: 12, replaces: null, form });
    await log('left', null).expect(400);
    await log(null, 'side-lunge').expect(400);
    await log('left', 'side-lunge').expect(200);
    await log('right', 'side-lunge').expect(200);
    await h.agent
      .post(`/api/v1/clients/${client}/blocks`)
      .send(blockBody({ startDate: TODAY }))
      .expect(201);
    const { dose } = (await h.agent.get(`/api/v1/clients/${client}/progress`).expect(200)).body as Progress;
    const adductors = dose!.rows.find((r) => r.group === 'adductors')!;
    expect(adductors.done).toEqual({ left: 12, right: 12 });
  });

  it('holds what hurt: the choice that was being done, or the exercise with the form of it', async () => {
    const client = await aClient(h);
    const item = { ...base, exerciseId: 'bound-soles-sit', holdSeconds: 30, choice: 'side-lunge' };
    const [made] = (await make(client, [item]).expect(201)).body as SessionSummary[];
    const run = uuid();
    const begun = { id: run, startedAt: h.clock.now.toISOString() };
    await h.agent.post(`/api/v1/sessions/${made!.id}/runs`).send(begun).expect(201);
    const felt = (body: object) =>
      h.agent.put(`/api/v1/runs/${run}/symptoms/${uuid()}`).send({ item: 0, symptom: 'pinching', ...body });
    const open = async () =>
      ((await h.agent.get(`/api/v1/sessions/${made!.id}`).expect(200)).body as Session).openSymptoms;
    // The choice has sides, the planned exercise has none.
    await felt({ side: 'left' }).expect(400);
    await felt({ side: 'left', form: 'no-such-stretch' }).expect(400);
    await felt({ side: 'left', form: 'side-lunge' }).expect(200);
    expect(await open()).toMatchObject([{ exerciseId: 'side-lunge' }]);
    expect((await open())[0]!.form).toBeUndefined();
    await felt({ side: null, form: 'frog', symptom: 'bruise' }).expect(200);
    expect(await open()).toMatchObject([{}, { exerciseId: 'bound-soles-sit', form: 'frog' }]);
    // A new session is not made of it either.
    expect((await h.agent.get(`/api/v1/clients/${client}`).expect(200)).body.openSigns).toEqual([
      { exerciseId: 'side-lunge', form: null, symptom: 'pinching' },
      { exerciseId: 'bound-soles-sit', form: 'frog', symptom: 'bruise' },
    ]);
  });
});
