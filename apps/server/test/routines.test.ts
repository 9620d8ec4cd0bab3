import type {
  Block,
  ClientRoutineFit,
  OwnRoutine,
  OwnSeries,
  Progress,
  RoutineVersion,
  Session,
  SessionSummary,
  Today,
} from '@yandle/contract';
import { addDays, NOTHING_KNOWN, placeOfKind } from '@yandle/core';
import { v7 as uuid } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { intakeBody } from './bodies.js';
import { aClient, blockBody, dayPlanBody, harness, TODAY, type Harness } from './harness.js';

let h: Harness;
beforeAll(async () => (h = await harness()));
afterAll(() => h.close());

const hold = (exerciseId: string, over: object = {}) => ({
  ...{ exerciseId, sets: 1, holdSeconds: 30, sensation: 4, firstSide: 'left' },
  ...over,
});
const settings = { purpose: 'own', alreadyWarm: true, rounds: 1, minutes: null };
const items = [hold('bent-knee-wall-calf'), hold('supine-strap-hamstring'), hold('bent-knee-wall-calf')];
const body = (dates: readonly string[], over: object = {}) => ({
  sessions: dates.map((date) => ({ id: uuid(), date })),
  ...{ name: 'After the run', routineId: `own-${uuid()}`, placeId: null, ...settings, items },
  ...over,
});
const make = (client: string, b: object) => h.agent.post(`/api/v1/clients/${client}/sessions`).send(b);
const session = async (id: string): Promise<Session> =>
  (await h.agent.get(`/api/v1/sessions/${id}`).expect(200)).body as Session;
const routine = (over: object = {}) => ({
  ...{ version: null, archived: false, clientId: null, name: 'After the run', note: '', ...settings, items },
  ...over,
});

describe('a session of its own', () => {
  it('needs no block, may come twice a day, and holds an exercise twice; it is listed, shown and due today', async () => {
    const client = await aClient(h);
    const asked = body([TODAY, TODAY, addDays(TODAY, 2)]);
    const made = (await make(client, asked).expect(201)).body as SessionSummary[];
    expect(made.map((s) => [s.date, s.name, s.blockId, s.week])).toEqual([
      [TODAY, 'After the run', null, null],
      [TODAY, 'After the run', null, null],
      [addDays(TODAY, 2), 'After the run', null, null],
    ]);
    // The same request again makes nothing twice.
    await make(client, asked).expect(201);
    const listed = (await h.agent.get(`/api/v1/clients/${client}/sessions`).expect(200)).body as SessionSummary[];
    expect(listed).toHaveLength(3);
    const open = await session(made[0]!.id);
    expect(open.items.map((i) => i.exerciseId)).toEqual(items.map((i) => i.exerciseId));
    expect(open).toMatchObject({ ranked: [], weekWork: [], near: [], place: null, alreadyWarm: true });
    const today = (await h.agent.get('/api/v1/today').expect(200)).body as Today;
    expect(today.sessions.filter((s) => s.clientId === client).map((s) => s.name)).toEqual([
      'After the run',
      'After the run',
    ]);
  });

  it('is changed, moved, run and counted like any other, and removed while nobody has begun it', async () => {
    const client = await aClient(h);
    const [one, two] = (await make(client, body([TODAY, addDays(TODAY, 1)])).expect(201)).body as SessionSummary[];
    const open = await session(one!.id);
    const changed = { version: open.version, items: [...items, hold('doorway-pectorals')], ...settings };
    const after = (await h.agent.put(`/api/v1/sessions/${one!.id}/items`).send(changed).expect(200)).body as Session;
    expect(after.items).toHaveLength(4);
    const day = addDays(TODAY, 3);
    await h.agent.put(`/api/v1/sessions/${two!.id}/date`).send({ date: day }).expect(200);
    const run = uuid();
    const begun = { id: run, startedAt: h.clock.now.toISOString() };
    await h.agent.post(`/api/v1/sessions/${one!.id}/runs`).send(begun).expect(201);
    await h.agent
      .put(`/api/v1/runs/${run}/sets/${uuid()}`)
      .send({ item: 0, side: 'left', set: 1, plannedSeconds: 30, doneSeconds: 30, replaces: null })
      .expect(200);
    await h.agent.delete(`/api/v1/sessions/${one!.id}`).expect(409);
    await h.agent.delete(`/api/v1/sessions/${two!.id}`).expect(200);
    await h.agent.get(`/api/v1/sessions/${two!.id}`).expect(404);
    // In the weeks of a block its seconds count by group and side.
    await h.agent
      .post(`/api/v1/clients/${client}/blocks`)
      .send(blockBody({ startDate: TODAY }))
      .expect(201);
    const { dose } = (await h.agent.get(`/api/v1/clients/${client}/progress`).expect(200)).body as Progress;
    const soleus = dose!.rows.filter((r) => r.group === 'soleus' && r.week === 1);
    expect(soleus).toMatchObject([{ done: { left: 30, right: 0 } }]);
    // A session of the block goes with its block only.
    const listed = (await h.agent.get(`/api/v1/clients/${client}/sessions`)).body as SessionSummary[];
    await h.agent.delete(`/api/v1/sessions/${listed.find((s) => s.blockId !== null)!.id}`).expect(409);
  });

  it('is refused where it must not be: in the past, unknown exercises, a place that is not the client’s, a caution', async () => {
    const client = await aClient(h);
    await make(client, body([addDays(TODAY, -1)])).expect(400);
    await make(client, body([TODAY], { items: [hold('no-such-thing')] })).expect(400);
    await make(client, body([TODAY], { items: [] })).expect(400);
    await make(client, body([TODAY], { placeId: 'moon' })).expect(400);
    await make(client, body([])).expect(400);
    const careful = await aClient(h);
    const intake = intakeBody(['bones']);
    await h.agent.put(`/api/v1/clients/${careful}/intakes/${uuid()}`).send(intake).expect(200);
    const { detail } = (await make(careful, body([TODAY], { items: [hold('standing-forward-fold')] }))).body as {
      detail?: string;
    };
    expect(detail ?? '').not.toBe('');
    expect((await h.agent.get(`/api/v1/clients/${careful}/sessions`)).body).toEqual([]);
  });
});

describe('routines', () => {
  it('are kept with what they were before, for the studio or one client, and archived', async () => {
    const id = uuid();
    const first = (await h.agent.put(`/api/v1/routines/${id}`).send(routine()).expect(200)).body as OwnRoutine;
    expect(first).toMatchObject({ id, version: 1, name: 'After the run', clientId: null });
    const next = routine({ version: 1, name: 'After the long run' });
    await h.agent.put(`/api/v1/routines/${id}`).send(next).expect(200);
    await h.agent.put(`/api/v1/routines/${id}`).send(next).expect(409);
    const [before] = (await h.agent.get(`/api/v1/routines/${id}/versions`).expect(200)).body as RoutineVersion[];
    expect(before).toMatchObject({ version: 1, definition: { name: 'After the run', items } });
    await h.agent
      .put(`/api/v1/routines/${uuid()}`)
      .send(routine({ items: [{ ...items[0], then: [{ technique: 'moving stretch', holdSeconds: 2 }] }] }))
      .expect(400);
    await h.agent
      .put(`/api/v1/routines/${uuid()}`)
      .send(routine({ clientId: uuid() }))
      .expect(404);
    await h.agent
      .put(`/api/v1/routines/${uuid()}`)
      .send(routine({ items: [hold('no-such-thing')] }))
      .expect(400);
    const all = (await h.agent.get('/api/v1/routines').expect(200)).body as OwnRoutine[];
    expect(all.find((r) => r.id === id)!.name).toBe('After the long run');
  });

  it('come in from a file once', async () => {
    const { version: _v, archived: _a, clientId: _c, ...definition } = routine({ name: 'From a file' });
    const file = { format: 'yandle-routines', formatVersion: 4, routines: [definition] };
    expect((await h.agent.post('/api/v1/routines/import').send(file).expect(200)).body).toEqual({ added: 1, same: 0 });
    expect((await h.agent.post('/api/v1/routines/import').send(file).expect(200)).body).toEqual({ added: 0, same: 1 });
    await h.agent
      .post('/api/v1/routines/import')
      .send({ ...file, formatVersion: 9 })
      .expect(400);
  });

  it('say for each of many clients what falls out and what takes its place', async () => {
    const free = await aClient(h);
    const inBed = await aClient(h);
    const bed = placeOfKind('bed', 'bed', ['strap']);
    const intake = intakeBody([], { about: { ...NOTHING_KNOWN, places: [bed] } });
    await h.agent.put(`/api/v1/clients/${inBed}/intakes/${uuid()}`).send(intake).expect(200);
    const asked = { items, alreadyWarm: false, rounds: 2, clientIds: [free, inBed] };
    const fits = (await h.agent.post('/api/v1/routines/fit').send(asked).expect(200)).body as ClientRoutineFit[];
    expect(fits.map((f) => [f.clientId, f.waits])).toEqual([
      [free, false],
      [inBed, false],
    ]);
    expect(fits[0]!.items).toEqual(items);
    expect(fits[0]!.out).toEqual([]);
    const once = { ...asked, rounds: 1 };
    const short = (await h.agent.post('/api/v1/routines/fit').send(once).expect(200)).body as ClientRoutineFit[];
    expect(fits[0]!.totalSeconds).toBeGreaterThan(1.5 * short[0]!.totalSeconds);
    expect(fits.map((f) => f.placeId)).toEqual([null, bed.id]);
    // A wall and standing are not there in bed; the strap is.
    expect(fits[1]!.out.map((o) => o.exerciseId)).toEqual(['bent-knee-wall-calf', 'bent-knee-wall-calf']);
    expect(fits[1]!.items.map((i) => i.exerciseId)).toContain('supine-strap-hamstring');
    for (const o of fits[1]!.out) expect(o.why.map((w) => w.code)).toContain('position');
  });
});

describe('a routine in a day plan of a block', () => {
  const dayPlans = (list: readonly object[]) => [
    dayPlanBody({ minutes: null, routineId: 'own-1', routine: { name: 'Before work', items: list } }),
  ];
  const plan = (client: string, over: object) =>
    h.agent.post(`/api/v1/clients/${client}/blocks`).send(blockBody({ startDate: TODAY, ...over }));

  it('begins each of its sessions; the lanes add what is missing, and what is planned is what both do', async () => {
    const list = [hold('supine-strap-hamstring'), hold('frog')];
    const client = await aClient(h);
    await plan(client, { dayPlans: dayPlans(list) }).expect(201);
    const all = (await h.agent.get(`/api/v1/clients/${client}/sessions`).expect(200)).body as SessionSummary[];
    const week = all.filter((s) => s.week === 1);
    // Monday, Wednesday, Friday and Saturday, whether the lanes are done that day or not.
    expect(week).toHaveLength(4);
    let withLanes = 0;
    for (const s of week) {
      const items = (await session(s.id)).items.map((i) => [i.exerciseId, i.sets]);
      expect(items.slice(0, 2)).toEqual([
        ['supine-strap-hamstring', 1],
        ['frog', 1],
      ]);
      // Steady hold asks for two sets: one is done.
      const rest = items.slice(2).filter(([id]) => id === 'supine-strap-hamstring');
      if (rest.length > 0) expect(rest).toEqual([['supine-strap-hamstring', 1]]);
      withLanes += rest.length;
    }
    expect(withLanes).toBe(3);
    const { dose } = (await h.agent.get(`/api/v1/clients/${client}/progress`).expect(200)).body as Progress;
    const planned = (group: string) => dose!.rows.find((r) => r.group === group && r.week === 1)?.planned;
    // Three days of 2 × 30 s, and the routine's 30 s on the fourth; of the frog four times 30 s.
    expect(planned('hamstrings')).toEqual({ left: 210, right: 210 });
    expect(planned('adductors')).toEqual({ left: 120, right: 120 });
    // What was published goes back as it was read.
    const [block] = (await h.agent.get(`/api/v1/clients/${client}/blocks`).expect(200)).body as Block[];
    expect(block!.choices.dayPlans[0]).toMatchObject({
      routineId: 'own-1',
      routine: { name: 'Before work', items: list },
    });
    const again = { ...block!.choices, version: block!.version, reason: 'The same' };
    await h.agent.put(`/api/v1/blocks/${block!.id}`).send(again).expect(200);
  });

  it('is refused with an exercise that is not there, or that a caution speaks against', async () => {
    const client = await aClient(h);
    const gone = await plan(client, { dayPlans: dayPlans([hold('no-such-stretch')]) }).expect(400);
    expect(JSON.stringify(gone.body)).toContain('dayPlans.0.routine.items[0].exerciseId');
    await h.agent
      .put(`/api/v1/clients/${client}/intakes/${uuid()}`)
      .send(intakeBody(['pressure']))
      .expect(200);
    const push = hold('supine-strap-hamstring', {
      ...{ technique: 'contract-relax', cycles: 3, pushSeconds: 6, holdSeconds: 15 },
    });
    const refused = await plan(client, { dayPlans: dayPlans([push]) });
    expect([refused.status, JSON.stringify(refused.body)]).toEqual([
      400,
      expect.stringContaining('dayPlans.0.routine.items.0.exerciseId'),
    ]);
  });

  it('is fitted to a client where its sessions take place', async () => {
    const client = await aClient(h);
    const about = { ...NOTHING_KNOWN, places: [placeOfKind('home'), placeOfKind('bed', 'place-2')] };
    await h.agent.put(`/api/v1/clients/${client}/intakes/${uuid()}`).send(intakeBody([], { about })).expect(200);
    const ask = { items: [hold('bent-knee-wall-calf')], alreadyWarm: true, rounds: 1, clientIds: [client] };
    const fitAt = async (placeId?: string | null) =>
      (
        (
          await h.agent
            .post('/api/v1/routines/fit')
            .send({ ...ask, placeId })
            .expect(200)
        ).body as ClientRoutineFit[]
      )[0]!;
    expect((await fitAt()).placeId).toBe(about.places[0]!.id);
    expect((await fitAt(about.places[1]!.id)).out).toHaveLength(1);
    expect((await fitAt(null)).out).toEqual([]);
  });
});

describe('what a session warms up with', () => {
  it('is possible where it takes place, and nothing for who is warm', async () => {
    const client = await aClient(h);
    const bed = placeOfKind('bed');
    await h.agent
      .put(`/api/v1/clients/${client}/intakes/${uuid()}`)
      .send(intakeBody([], { about: { ...NOTHING_KNOWN, places: [bed] } }))
      .expect(200);
    const warmUpOf = async (over: object): Promise<readonly string[]> => {
      const list = [hold('supine-strap-hamstring'), hold('half-kneeling-hip-flexor')];
      const [made] = (await make(client, body([TODAY], { items: list, alreadyWarm: false, ...over })).expect(201))
        .body as SessionSummary[];
      return (await session(made!.id)).warmUp!;
    };
    expect(await warmUpOf({})).toContain('march-on-the-spot');
    expect(await warmUpOf({ placeId: bed.id })).not.toContain('march-on-the-spot');
    expect(await warmUpOf({ alreadyWarm: true })).toEqual([]);
  });
});

describe('rounds until it feels easy', () => {
  it('are kept by routines and sessions, and given up again', async () => {
    const client = await aClient(h);
    const easy = { rounds: 4, untilEasy: true };
    const id = uuid();
    const kept = await h.agent.put(`/api/v1/routines/${id}`).send(routine(easy)).expect(200);
    expect(kept.body).toMatchObject(easy);
    const [made] = (await make(client, body([TODAY], easy)).expect(201)).body as SessionSummary[];
    const { version, ...whole } = await session(made!.id);
    expect(whole).toMatchObject({ ...easy, asPlanned: easy });
    const edited = { version, ...settings, rounds: 2, items };
    await h.agent.put(`/api/v1/sessions/${made!.id}/items`).send(edited).expect(200);
    const after = await session(made!.id);
    expect([after.rounds, after.untilEasy]).toEqual([2, undefined]);
    const back = { version: after.version };
    await h.agent.post(`/api/v1/sessions/${made!.id}/restore`).send(back).expect(200);
    expect(await session(made!.id)).toMatchObject(easy);
  });
});

describe('a series', () => {
  const entries = [
    { day: 1, routineId: 'after-running' },
    { day: 3, routineId: 'desk-break' },
  ];
  const series = (over: object = {}) => ({
    ...{ version: null, archived: false, name: 'Two days', note: '', entries },
    ...over,
  });
  const put = (id: string, b: object) => h.agent.put(`/api/v1/series/${id}`).send(b);

  it('is kept, changed and archived, in its studio alone, and names routines that are there', async () => {
    const id = uuid();
    await put(id, series()).expect(200);
    await put(id, series()).expect(200);
    await put(id, series({ version: 1, name: 'Two days and one' })).expect(200);
    await put(id, series({ version: 1 })).expect(409);
    const all = (await h.agent.get('/api/v1/series').expect(200)).body as OwnSeries[];
    expect(all).toEqual([{ id, version: 2, archived: false, name: 'Two days and one', note: '', entries }]);
    expect((await h.other.get('/api/v1/series').expect(200)).body).toEqual([]);
    await h.other
      .put(`/api/v1/series/${id}`)
      .send(series({ version: 2 }))
      .expect(404);
    await put(uuid(), series({ entries: [{ day: 1, routineId: 'no-such' }] })).expect(400);
    await put(uuid(), series({ entries: [{ day: 85, routineId: 'desk-break' }] })).expect(400);
    await put(uuid(), series({ entries: [] })).expect(400);
  });

  it('goes on the calendar whole or not at all, and once however often it is asked for', async () => {
    const client = await aClient(h);
    const give = (lists: readonly object[]) =>
      h.agent.post(`/api/v1/clients/${client}/sessions/series`).send({ lists });
    const lists = [
      body([TODAY, addDays(TODAY, 2)], { routineId: 'after-running' }),
      body([addDays(TODAY, 1)], { name: 'Desk', routineId: 'desk-break' }),
    ];
    const made = (await give(lists).expect(201)).body as SessionSummary[];
    expect(made.map((s) => [s.date, s.name])).toEqual([
      [TODAY, 'After the run'],
      [addDays(TODAY, 1), 'Desk'],
      [addDays(TODAY, 2), 'After the run'],
    ]);
    await give(lists).expect(201);
    // The second list is refused: nothing of the first is there.
    await give([body([TODAY]), body([addDays(TODAY, -1)])]).expect(400);
    await give([]).expect(400);
    const all = (await h.agent.get(`/api/v1/clients/${client}/sessions`).expect(200)).body as SessionSummary[];
    expect(all).toHaveLength(3);
    await h.other.post(`/api/v1/clients/${client}/sessions/series`).send({ lists }).expect(404);
  });
});
