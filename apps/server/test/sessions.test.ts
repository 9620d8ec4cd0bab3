import { v7 as uuid } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Block, Soreness, Today, Session, SessionSummary, SetLogBody, SwapComing } from '@yandle/contract';
import {
  buildTimeline,
  plannedSeconds,
  type SessionItem,
  exerciseById,
  exercisesOnHold,
  soreGroups,
} from '@yandle/core';
import { intakeBody } from './bodies.js';
import { aClient, blockBody, harness, TODAY, type Harness } from './harness.js';

describe('sessions that a coach changes, runs and puts right', () => {
  let h: Harness;
  beforeAll(async () => (h = await harness()));
  afterAll(() => h.close());

  /** A client with a block of calf and hamstrings, and its first session. */
  async function aSession(): Promise<{ clientId: string; session: Session }> {
    const clientId = await aClient(h);
    await h.agent.post(`/api/v1/clients/${clientId}/blocks`).send(blockBody()).expect(201);
    const [first] = (await h.agent.get(`/api/v1/clients/${clientId}/sessions`)).body as SessionSummary[];
    return { clientId, session: await load(first!.id) };
  }
  const load = async (id: string) => (await h.agent.get(`/api/v1/sessions/${id}`).expect(200)).body as Session;
  const edit = (s: Session, over: object = {}) =>
    h.agent.put(`/api/v1/sessions/${s.id}/items`).send({
      version: s.version,
      items: s.items,
      purpose: s.purpose,
      alreadyWarm: s.alreadyWarm,
      rounds: s.rounds,
      minutes: s.minutes,
      ...over,
    });
  const start = async (sessionId: string, over: object = {}) => {
    const id = uuid();
    const body = { id, startedAt: h.clock.now.toISOString(), ...over };
    await h.agent.post(`/api/v1/sessions/${sessionId}/runs`).send(body).expect(201);
    return id;
  };
  const set = (run: string, over: Partial<SetLogBody> = {}, id = uuid()) =>
    h.agent
      .put(`/api/v1/runs/${run}/sets/${id}`)
      .send({ item: 0, side: 'left', set: 1, plannedSeconds: 30, doneSeconds: 30, replaces: null, ...over });

  it('keeps what the plan had, and goes back to it', async () => {
    const { session } = await aSession();
    const swapped: SessionItem[] = [
      { ...session.items[1]!, exerciseId: 'heel-on-chair-hamstring', sidePattern: 'alternating' },
      { ...session.items[0]!, link: 'chain' },
    ];
    const over = { items: swapped, purpose: 'after training', alreadyWarm: true, rounds: 2, minutes: 15 };
    const changed = (await edit(session, over).expect(200)).body as Session;
    expect(changed).toMatchObject({
      version: 2,
      items: swapped,
      plannedItems: session.items,
      minutesBudget: 15,
      rounds: 2,
    });
    expect(changed.totalSeconds).toBe(buildTimeline(swapped, { alreadyWarm: true, rounds: 2 }).totalSeconds);

    const stale = await edit(session).expect(409);
    expect(stale.body).toMatchObject({ code: 'stale-version', current: { version: 2 } });

    const back = await h.agent.post(`/api/v1/sessions/${session.id}/restore`).send({ version: 2 }).expect(200);
    expect(back.body).toEqual({ ...session, version: 3 });
  });

  it('swaps an exercise in every coming session, says where it could not, and can be put back', async () => {
    const { clientId, session } = await aSession();
    const all = (await h.agent.get(`/api/v1/clients/${clientId}/sessions`)).body as SessionSummary[];
    const [from, to] = ['supine-strap-hamstring', 'heel-on-chair-hamstring'];
    const swap = (over: object = {}) =>
      h.agent.post(`/api/v1/sessions/${session.id}/swap-coming`).send({ from, to, ...over });
    // One coming session has the other one already, one has been begun: both stay.
    const [, second, third] = all;
    const has = await load(second!.id);
    const other = has.items.find((i) => i.exerciseId === from)!;
    await edit(has, { items: [...has.items, { ...other, exerciseId: to }] }).expect(200);
    await start(third!.id);
    const begun = await load(third!.id);
    const made = (await swap().expect(200)).body as SwapComing;
    expect(made.left.map((l) => l.id)).toEqual([second!.id]);
    expect(made.changed).toHaveLength(all.length - 3);
    expect(made.changed.map((c) => c.date)).toEqual(all.slice(3).map((s) => s.date));
    const [first] = made.changed;
    const changed = await load(first!.id);
    expect(changed.items.map((i) => i.exerciseId)).not.toContain(from);
    expect(changed.plannedItems.map((i) => i.exerciseId)).toContain(from);
    expect(changed.totalSeconds).toBe(buildTimeline(changed.items, changed).totalSeconds);
    expect((await load(session.id)).items).toEqual(session.items);
    expect((await load(third!.id)).items).toEqual(begun.items);
    // Nothing is left to swap.
    expect(((await swap().expect(200)).body as SwapComing).changed).toEqual([]);
    await h.agent.put(`/api/v1/sessions/${first!.id}/items`).send(first!.undo).expect(200);
    expect((await load(first!.id)).items).toEqual(changed.plannedItems);
    expect((await swap({ to: 'no-such-stretch' }).expect(400)).body.errors[0].path).toBe('to');
    // A caution speaks against the other one: none is touched.
    await h.agent
      .put(`/api/v1/clients/${clientId}/intakes/${uuid()}`)
      .send(intakeBody(['hand-arthritis']))
      .expect(200);
    const strap = { from: to, to: from };
    expect((await swap(strap).expect(409)).body.code).toBe('screening-blocks-planning');
    expect((await load(made.changed[1]!.id)).items.map((i) => i.exerciseId)).toContain(to);
  });

  it('takes nothing unknown, forbidden or begun', async () => {
    const { clientId, session } = await aSession();
    const [first, second] = session.items;
    const bad = async (items: object[]) => (await edit(session, { items }).expect(400)).body.errors[0].path as string;
    expect(await bad([{ ...first, exerciseId: 'no-such-stretch' }])).toBe('items[0].exerciseId');
    expect(await bad([first!, { ...second, technique: 'rolling' }])).toBe('items[1].technique');
    expect(await bad([{ ...first, choice: 'no-such-stretch' }])).toBe('items[0].choice');
    await edit(session, { items: Array.from({ length: 41 }, () => first) }).expect(400);
    await edit(session, { rounds: 5 }).expect(400);
    expect((await load(session.id)).version).toBe(1);

    // The hands do not grip any more: what needs a strap is refused, what does not is taken.
    await h.agent
      .put(`/api/v1/clients/${clientId}/intakes/${uuid()}`)
      .send(intakeBody(['hand-arthritis']))
      .expect(200);
    const refused = await edit(session).expect(409);
    expect(refused.body.code).toBe('screening-blocks-planning');
    const standing = [first!, { ...second!, exerciseId: 'heel-on-chair-hamstring' }];
    const fixed = (await edit(session, { items: standing }).expect(200)).body as Session;
    await start(session.id);
    expect((await edit(fixed).expect(409)).body.detail).toContain('has started');
  });

  it('hears of the stop signs of what was planned too, so that composing cannot bring it back', async () => {
    const { clientId, session } = await aSession();
    const run = await start(session.id);
    const felt = { item: 0, side: 'left', symptom: 'pinching' };
    await h.agent.put(`/api/v1/runs/${run}/symptoms/${uuid()}`).send(felt).expect(200);
    const all = (await h.agent.get(`/api/v1/clients/${clientId}/sessions`)).body as SessionSummary[];
    const later = await load(all.find((s) => s.id !== session.id)!.id);
    const resting = session.items[0]!.exerciseId;
    expect(later.items.map((i) => i.exerciseId)).toContain(resting);
    const without = later.items.filter((i) => i.exerciseId !== resting);
    const changed = (await edit(later, { items: without }).expect(200)).body as Session;
    expect(changed.items.map((i) => i.exerciseId)).not.toContain(resting);
    expect(changed.openSymptoms.map((s) => s.exerciseId)).toEqual([resting]);
  });

  it('is not reached from another studio', async () => {
    const { clientId, session } = await aSession();
    const run = await start(session.id);
    const note = { date: TODAY, region: 'hip', soreness: 3, note: '' };
    const items = { version: 1, items: session.items, purpose: 'own', alreadyWarm: false, rounds: 1, minutes: null };
    for (const [method, path, body] of [
      ['put', `/sessions/${session.id}/items`, items],
      ['post', `/sessions/${session.id}/restore`, { version: 1 }],
      ['put', `/sessions/${session.id}/counted-run`, { runId: run }],
      ['put', `/runs/${run}/answers`, { id: uuid(), sensation: 3, note: '' }],
      ['get', `/clients/${clientId}/soreness`, undefined],
      ['put', `/clients/${clientId}/soreness/${uuid()}`, note],
      ['put', `/clients/${clientId}/breath`, { seconds: 6 }],
    ] as const)
      await h.other[method](`/api/v1${path}`).send(body).expect(404);
  });

  it('logs all that was said of a set, and keeps it when it is put right', async () => {
    const { session } = await aSession();
    const run = await start(session.id);
    const first = uuid();
    const said = {
      reps: 6,
      pieces: 2,
      form: 'straight-knee-wall-calf',
      load: 2.5,
      loadUnit: 'kg',
      assistance: 1,
      depthCm: -3.5,
      sensation: 6,
    } as const;
    await set(run, said, first).expect(200);
    await set(run, said, first).expect(200);
    await set(run, { ...said, reps: 7 }, first).expect(409);
    await set(run, { side: 'right', form: 'no-such-stretch' }).expect(400);
    await set(run, { doneSeconds: 40, replaces: first }).expect(200);
    const { run: seen } = await load(session.id);
    expect(seen!.sets).toHaveLength(2);
    expect(seen!.sets[0]).toMatchObject({ ...said, doneSeconds: 30, replacedBy: seen!.sets[1]!.id });
    expect(seen!.sets[1]).toMatchObject({ doneSeconds: 40, pieces: 1, form: null, load: null, replacedBy: null });
  });

  it('counts sets in every round', async () => {
    const { session } = await aSession();
    const twice = (await edit(session, { rounds: 2 }).expect(200)).body as Session;
    const run = await start(twice.id);
    const bouts = 2 * twice.items[0]!.sets;
    await set(run, { set: bouts }).expect(200);
    await set(run, { set: bouts + 1 }).expect(400);
  });

  it('keeps earlier answers when they are put right', async () => {
    const { session } = await aSession();
    const run = await start(session.id);
    const answers = { sensation: 4, feltTighter: 'left', note: 'First' };
    expect(
      (
        await h.agent
          .put(`/api/v1/runs/${run}/answers`)
          .send({ id: uuid(), ...answers })
          .expect(409)
      ).body.detail,
    ).toContain('not finished');
    const end = { endedAt: h.clock.now.toISOString(), ...answers };
    await h.agent.post(`/api/v1/runs/${run}/finish`).send(end).expect(200);
    const change = { id: uuid(), sensation: 5, feltTighter: null, note: 'Second' };
    for (let i = 0; i < 2; i++) await h.agent.put(`/api/v1/runs/${run}/answers`).send(change).expect(200);
    const now = (
      await h.agent
        .put(`/api/v1/runs/${run}/answers`)
        .send({ ...change, id: uuid(), note: 'Third' })
        .expect(200)
    ).body as Session;
    expect(now.run).toMatchObject({ sensation: 5, feltTighter: null, note: 'Third' });
    expect(now.run!.earlier.map((e) => [e.note, e.sensation, e.feltTighter])).toEqual([
      ['First', 4, 'left'],
      ['Second', 5, null],
    ]);
    // The first finish, sent once more by a phone that slept, is no new answer and no conflict.
    await h.agent.post(`/api/v1/runs/${run}/finish`).send(end).expect(200);
    await h.agent
      .post(`/api/v1/runs/${run}/finish`)
      .send({ ...end, sensation: 9 })
      .expect(409);
  });

  it('counts one of two runs, the coach’s choice above all', async () => {
    const { clientId, session } = await aSession();
    const [a, b] = [await start(session.id), await start(session.id)];
    await set(a).expect(200);
    await set(b, { doneSeconds: 11 }).expect(200);
    for (const run of [a, b])
      await h.agent
        .post(`/api/v1/runs/${run}/finish`)
        .send({ endedAt: h.clock.now.toISOString(), sensation: null, note: run === a ? 'a' : 'b' })
        .expect(200);
    const before = await load(session.id);
    const chosen = before.run!.id === a ? b : a;
    expect(before.otherRuns.map((r) => r.id)).toEqual([chosen]);
    const after = (await h.agent.put(`/api/v1/sessions/${session.id}/counted-run`).send({ runId: chosen }).expect(200))
      .body as Session;
    expect(after.run!.id).toBe(chosen);
    const { dose } = (await h.agent.get(`/api/v1/clients/${clientId}/progress`)).body;
    expect(dose.rows.find((r: { week: number; group: string }) => r.week === 1 && r.group === 'soleus').done.left).toBe(
      chosen === b ? 11 : 30,
    );
    await h.agent.put(`/api/v1/sessions/${session.id}/counted-run`).send({ runId: uuid() }).expect(400);
  });

  it('holds a whole group after two stop signs in it, until they are cleared', async () => {
    const { clientId, session } = await aSession();
    const run = await start(session.id);
    for (let i = 0; i < 2; i++)
      await h.agent
        .put(`/api/v1/runs/${run}/symptoms/${uuid()}`)
        .send({ item: 1, side: 'left', symptom: 'numbness' })
        .expect(200);
    const [, next] = (await h.agent.get(`/api/v1/clients/${clientId}/sessions`)).body as SessionSummary[];
    const coming = await load(next!.id);
    const other = [coming.items[0]!, { ...coming.items[1]!, exerciseId: 'heel-on-chair-hamstring' }];
    const swapped = (await edit(coming, { items: other }).expect(200)).body as Session;
    expect(swapped.openSymptoms).toHaveLength(2);
    // Swapping within the group does not lift it: what is left of the session goes on, and alone it does not begin.
    const find = (id: string) => exerciseById(id);
    expect(exercisesOnHold(swapped.items, swapped.openSymptoms, find).map((e) => e.id)).toEqual([
      'heel-on-chair-hamstring',
    ]);
    const alone = (await edit(swapped, { items: [other[1]!] }).expect(200)).body as Session;
    const begin = () =>
      h.agent.post(`/api/v1/sessions/${coming.id}/runs`).send({ id: uuid(), startedAt: h.clock.now.toISOString() });
    expect((await begin().expect(409)).body.code).toBe('symptom-not-cleared');
    // Twice in one group: whoever agreed is named.
    const clear = (over: object) =>
      h.agent.post(`/api/v1/symptoms/${alone.openSymptoms[0]!.id}/clear`).send({ note: 'Gone when asked', ...over });
    expect((await clear({}).expect(400)).body.errors[0].path).toBe('who');
    await clear({ who: 'Odile Marchetti, physiotherapist' }).expect(200);
    await begin().expect(201);
  });

  it('holds every session after a sign that ends one, until the record names who cleared it; dated when it was felt', async () => {
    const { clientId, session } = await aSession();
    const run = await start(session.id);
    const at = new Date(h.clock.now.getTime() - 2 * 24 * 3600_000).toISOString();
    await h.agent
      .put(`/api/v1/runs/${run}/symptoms/${uuid()}`)
      .send({ item: 0, side: 'left', symptom: 'chest', at })
      .expect(200);
    const all = (await h.agent.get(`/api/v1/clients/${clientId}/sessions`)).body as SessionSummary[];
    const last = await load(all.at(-1)!.id);
    // Whatever its exercises are, and whether they were swapped or not.
    expect(last.openSymptoms).toMatchObject([{ symptom: 'chest', date: at.slice(0, 10) }]);
    const begin = () =>
      h.agent.post(`/api/v1/sessions/${last.id}/runs`).send({ id: uuid(), startedAt: h.clock.now.toISOString() });
    expect((await begin().expect(409)).body.detail).toContain('All sessions are on hold');
    const clear = (who: string) =>
      h.agent.post(`/api/v1/symptoms/${last.openSymptoms[0]!.id}/clear`).send({ note: 'Heart looked at', who });
    await clear('').expect(400);
    await clear('Dr. Maude Ferrant, physician').expect(200);
    await begin().expect(201);
  });

  it('takes what was done on paper, though a stop sign holds it now', async () => {
    const { session } = await aSession();
    const run = await start(session.id);
    await h.agent
      .put(`/api/v1/runs/${run}/symptoms/${uuid()}`)
      .send({ item: 0, side: 'left', symptom: 'dizziness' })
      .expect(200);
    await h.agent
      .post(`/api/v1/sessions/${session.id}/runs`)
      .send({ id: uuid(), startedAt: h.clock.now.toISOString() })
      .expect(409);
    await start(session.id, { source: 'paper' });
    const seen = await load(session.id);
    expect([seen.run!, ...seen.otherRuns].map((r) => r.source).sort()).toEqual(['coach', 'paper']);
  });

  it('knows how far the week has come, and what is loaded near by', async () => {
    const { clientId, session } = await aSession();
    const run = await start(session.id);
    for (const side of ['left', 'right'] as const) await set(run, { side }).expect(200);
    await set(run, { set: 2 }).expect(200);
    const [, second] = (await h.agent.get(`/api/v1/clients/${clientId}/sessions`)).body as SessionSummary[];
    const seen = await load(second!.id);
    expect(seen.ranked).toEqual(['soleus', 'hamstrings']);
    // Three sessions of two sets: one set of both sides is done, one session is still to come after this one.
    expect(seen.weekWork.find((w) => w.group === 'soleus')).toEqual({
      group: 'soleus',
      technique: 'static hold',
      plannedSets: 6,
      doneSets: 1,
      laterSets: 2,
    });
    expect(seen.near.map((n) => n.id)).toContain(session.id);
    expect(seen.near.every((n) => n.loaded.length === 0)).toBe(true);
  });

  it('writes soreness down once a sending, newest first', async () => {
    const clientId = await aClient(h);
    const id = uuid();
    const note = { date: TODAY, region: 'thigh-back', soreness: 7, note: '' };
    const put = (body: object, noteId = uuid()) =>
      h.agent.put(`/api/v1/clients/${clientId}/soreness/${noteId}`).send(body);
    await put(note, id).expect(200);
    await put(note, id).expect(200);
    await put({ ...note, date: '2026-03-08', region: null, soreness: 2 }).expect(200);
    await put({ ...note, soreness: 11 }).expect(400);
    await put({ ...note, date: '2026-05-01' }).expect(400);
    const list = (await h.agent.get(`/api/v1/clients/${clientId}/soreness`).expect(200)).body as Soreness[];
    expect(list.map((n) => [n.date, n.region, n.soreness])).toEqual([
      [TODAY, 'thigh-back', 7],
      ['2026-03-08', null, 2],
    ]);
  });

  it('a log can be taken back and comes back; one with nothing in it makes no session done', async () => {
    const { session } = await aSession();
    const end = { endedAt: h.clock.now.toISOString(), sensation: null, feltTighter: null, note: '' };
    const status = async () => (await load(session.id)).status;
    const empty = await start(session.id, { wellness: 'unwell' });
    expect(await status()).toBe('started');
    await h.agent.post(`/api/v1/runs/${empty}/finish`).send(end).expect(200);
    const after = await load(session.id);
    expect(after).toMatchObject({ status: 'planned', run: null });
    expect(after.otherRuns[0]).toMatchObject({ id: empty, wellness: 'unwell', withdrawn: false });
    const today = async () => ((await h.agent.get('/api/v1/today')).body as Today).unwell.map((u) => u.sessionId);
    expect(await today()).toContain(session.id);
    // It may be changed and moved as before.
    await edit(after, { rounds: 2 }).expect(200);

    const run = await start(session.id, { wellness: 'lighter' });
    await set(run).expect(200);
    await h.agent.post(`/api/v1/runs/${run}/finish`).send(end).expect(200);
    expect(await load(session.id)).toMatchObject({ status: 'done', run: { id: run, wellness: 'lighter' } });
    const put = (withdrawn: unknown) => h.agent.put(`/api/v1/runs/${run}/withdrawn`).send({ withdrawn });
    const gone = (await put(true).expect(200)).body as Session;
    expect(gone).toMatchObject({ status: 'planned', run: null });
    expect(gone.otherRuns.find((r) => r.id === run)).toMatchObject({ withdrawn: true, sets: [{ doneSeconds: 30 }] });
    expect(gone.weekWork.every((w) => w.doneSets === 0)).toBe(true);
    expect((await put(false).expect(200)).body).toMatchObject({ status: 'done', run: { id: run } });
    await put('yes').expect(400);
    await h.agent.put(`/api/v1/runs/${uuid()}/withdrawn`).send({ withdrawn: true }).expect(404);
  });

  it('rests what is very sore for a day and a half, and no more once that is taken back', async () => {
    const { clientId, session } = await aSession();
    const note = uuid();
    const sore = { date: session.date, region: 'thigh-back', soreness: 8, note: '' };
    await h.agent.put(`/api/v1/clients/${clientId}/soreness/${note}`).send(sore).expect(200);
    const resting = (s: Session) =>
      exercisesOnHold(s.items, s.openSymptoms, exerciseById, soreGroups(s.sore ?? [], s.date)).map((e) => e.id);
    expect(resting(await load(session.id))).toEqual(['supine-strap-hamstring']);
    const [, later] = (await h.agent.get(`/api/v1/clients/${clientId}/sessions`)).body as SessionSummary[];
    expect(resting(await load(later!.id))).toEqual([]);
    const path = `/api/v1/clients/${clientId}/soreness/${note}/withdrawn`;
    expect((await h.agent.put(path).send({ withdrawn: true }).expect(200)).body).toEqual([]);
    expect(resting(await load(session.id))).toEqual([]);
    expect((await h.agent.put(path).send({ withdrawn: false }).expect(200)).body).toHaveLength(1);
  });

  it('an ended block takes what it still had planned off the calendar, and can be resumed', async () => {
    const { clientId } = await aSession();
    const [block] = (await h.agent.get(`/api/v1/clients/${clientId}/blocks`)).body as Block[];
    const count = async () => ((await h.agent.get(`/api/v1/clients/${clientId}/sessions`)).body as unknown[]).length;
    const before = await count();
    const end = (await h.agent.post(`/api/v1/blocks/${block!.id}/end`).send({ version: block!.version }).expect(200))
      .body as Block;
    expect(await count()).toBe(0);
    const resume = (version: number) => h.agent.post(`/api/v1/blocks/${block!.id}/resume`).send({ version });
    await resume(block!.version).expect(409);
    expect((await resume(end.version).expect(200)).body).toMatchObject({ endedAt: null, version: end.version + 1 });
    expect(await count()).toBe(before);
  });

  it('times breathing by the client’s own breath', async () => {
    const { clientId, session } = await aSession();
    await h.agent.put(`/api/v1/clients/${clientId}/breath`).send({ seconds: 7 }).expect(200);
    await h.agent.put(`/api/v1/clients/${clientId}/breath`).send({ seconds: 2 }).expect(400);
    const items = [
      ...session.items,
      {
        exerciseId: 'lower-rib-breathing',
        sets: 1,
        holdSeconds: 0,
        reps: 10,
        sensation: 1,
        firstSide: 'left' as const,
      },
    ];
    const changed = (await edit(session, { items }).expect(200)).body as Session;
    expect(changed.breathSeconds).toBe(7);
    const usual = buildTimeline(items);
    expect(plannedSeconds(usual, 2, 'left')).toBe(50);
    // Ten breaths of two seconds more, and half of that more to warm up: the session is longer than eight minutes.
    expect(changed.totalSeconds - usual.totalSeconds).toBe(30);
  });
});
