import type { Block, ClientPath, Session, SessionSummary, Today } from '@yandle/contract';
import { buildTimeline, timingsFor } from '@yandle/core';
import { v7 as uuid } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { aClient, blockBody, harness, TODAY, type Harness } from './harness.js';

let h: Harness;
beforeAll(async () => (h = await harness()));
afterAll(() => h.close());

describe('a session that is spread over a day', () => {
  it('stands on it in rounds, each logged by itself', async () => {
    const client = await aClient(h);
    const hold = { exerciseId: 'bent-knee-wall-calf', sets: 1, sensation: 4, firstSide: 'left', holdSeconds: 30 };
    const plain = { name: 'Desk break', routineId: null, placeId: null, purpose: 'own', alreadyWarm: true, rounds: 1 };
    const round = (no: number, of = 3) => ({ id: uuid(), date: TODAY, dayRound: { no, of } });
    const make = (sessions: readonly object[]) =>
      h.agent.post(`/api/v1/clients/${client}/sessions`).send({ ...plain, minutes: null, items: [hold], sessions });
    const made = (await make([round(1), round(2), round(3)]).expect(201)).body as SessionSummary[];
    expect(made.map((s) => s.dayRound)).toEqual([1, 2, 3].map((no) => ({ no, of: 3 })));
    await make([round(4)]).expect(400);
    await make([round(1, 1)]).expect(400);
    const begin = { id: uuid(), startedAt: h.clock.now.toISOString() };
    await h.agent.post(`/api/v1/sessions/${made[1]!.id}/runs`).send(begin).expect(201);
    const list = (await h.agent.get(`/api/v1/clients/${client}/sessions`).expect(200)).body as SessionSummary[];
    expect(list.map((s) => s.status)).toEqual(['planned', 'started', 'planned']);
    const today = (await h.agent.get('/api/v1/today?whose=all').expect(200)).body as Today;
    expect(today.sessions.filter((s) => s.clientId === client).map((s) => s.dayRound?.no)).toEqual([1, 2, 3]);
  });
});

describe('the pace of a client', () => {
  it('is in every minute that is shown: the calendar says what the sheet adds up, after a breath and a brisk change', async () => {
    const client = await aClient(h);
    await h.agent
      .post(`/api/v1/clients/${client}/blocks`)
      .send(blockBody({ startDate: TODAY }))
      .expect(201);
    const list = async () =>
      (await h.agent.get(`/api/v1/clients/${client}/sessions`).expect(200)).body as SessionSummary[];
    const first = (await list()).find((s) => s.date >= TODAY)!;
    const sheet = (await h.agent.get(`/api/v1/sessions/${first.id}`)).body as Session;
    // Breaths at the end: the length hangs on the client's own.
    const breath = {
      exerciseId: 'lower-rib-breathing',
      sets: 1,
      reps: 12,
      holdSeconds: 0,
      sensation: 1,
      firstSide: 'left',
    };
    const { purpose, alreadyWarm, rounds, minutes, version, items } = sheet;
    const edited = { version, purpose, alreadyWarm, rounds, minutes, items: [...items, breath] };
    await h.agent.put(`/api/v1/sessions/${first.id}/items`).send(edited).expect(200);

    const lengths = async () => {
      const shown = new Map((await list()).map((s) => [s.id, s.totalSeconds]));
      const s = (await h.agent.get(`/api/v1/sessions/${first.id}`)).body as Session;
      const { totalSeconds } = buildTimeline(s.items, s, timingsFor(s.breathSeconds, s.timings));
      return { shown: shown.get(first.id)!, added: totalSeconds, timings: s.timings! };
    };
    const before = await lengths();
    expect(before.shown).toBe(before.added);
    await h.agent.put(`/api/v1/clients/${client}/breath`).send({ seconds: 8 }).expect(200);
    const slow = await lengths();
    // Twelve breaths of three seconds more.
    expect(slow.shown).toBe(slow.added);
    expect(slow.shown - before.shown).toBeGreaterThanOrEqual(36);

    await h.agent.put(`/api/v1/clients/${client}/timings`).send({ brisk: true, own: {} }).expect(200);
    const brisk = await lengths();
    expect(brisk.timings).toMatchObject({ newPosition: 8, samePosition: 4, sideSwitch: 3, exit: 2 });
    expect(brisk.shown).toBe(brisk.added);
    expect(brisk.shown).toBeLessThan(slow.shown);
    const path = (await h.agent.get(`/api/v1/clients/${client}`)).body as ClientPath;
    expect(path.client.pacing).toEqual({ brisk: true, own: {} });
    await h.agent.put(`/api/v1/clients/${client}/timings`).send({ brisk: 'yes', own: {} }).expect(400);
  });
  it('has timings of the client’s own and of one session, and the calendar says what they come to', async () => {
    const client = await aClient(h);
    const hold = { exerciseId: 'supine-strap-hamstring', sets: 2, sensation: 4, firstSide: 'left', holdSeconds: 30 };
    const plain = { name: 'Timed', routineId: null, placeId: null, purpose: 'own', alreadyWarm: true, rounds: 1 };
    const list = { ...plain, minutes: null, items: [hold], sessions: [{ id: uuid(), date: TODAY }] };
    const [made] = (await h.agent.post(`/api/v1/clients/${client}/sessions`).send(list).expect(201))
      .body as SessionSummary[];
    const first = made!.totalSeconds;
    const timed = async () => {
      const s = (await h.agent.get(`/api/v1/sessions/${made!.id}`)).body as Session;
      const all = (await h.agent.get(`/api/v1/clients/${client}/sessions`)).body as SessionSummary[];
      expect(all.find((x) => x.id === made!.id)!.totalSeconds).toBe(s.totalSeconds);
      return s;
    };
    // Two sets a side: one rest on each side, 10 s until it is the client's own 25.
    await h.agent
      .put(`/api/v1/clients/${client}/timings`)
      .send({ brisk: false, own: { rest: 25 } })
      .expect(200);
    const own = await timed();
    expect(own.totalSeconds - first).toBe(30);
    // The session's own 40 goes before it; a change of sides of 5 s becomes 15.
    const { purpose, alreadyWarm, rounds, minutes, items, version } = own;
    const edit = { version, purpose, alreadyWarm, rounds, minutes, items };
    const pacing = { brisk: null, own: { rest: 40, sideSwitch: 15 } };
    await h.agent
      .put(`/api/v1/sessions/${made!.id}/items`)
      .send({ ...edit, pacing })
      .expect(200);
    const set = await timed();
    expect(set.totalSeconds - first).toBe(60 + 10);
    expect(set.pacing).toEqual(pacing);
    // The studio's timings do not reach past them, and without them the session is the client's again.
    await h.agent
      .put(`/api/v1/sessions/${made!.id}/items`)
      .send({ ...edit, version: set.version })
      .expect(200);
    expect((await timed()).totalSeconds - first).toBe(30);
    const slow = { brisk: false, own: { rest: 600 } };
    await h.agent.put(`/api/v1/clients/${client}/timings`).send(slow).expect(400);
  });
  it('stays in the length of a session set by hand, when its block is planned anew', async () => {
    const client = await aClient(h);
    const body = blockBody({ startDate: TODAY });
    const block = (await h.agent.post(`/api/v1/clients/${client}/blocks`).send(body).expect(201)).body as Block;
    const list = async () => (await h.agent.get(`/api/v1/clients/${client}/sessions`)).body as SessionSummary[];
    const third = (await list()).find((s) => s.week === 3)!;
    const { purpose, alreadyWarm, minutes, version, items } = (await h.agent.get(`/api/v1/sessions/${third.id}`))
      .body as Session;
    const pacing = { brisk: true, own: { rest: 40 } };
    const edit = { version, purpose, alreadyWarm, minutes, items, rounds: 2, pacing };
    await h.agent.put(`/api/v1/sessions/${third.id}/items`).send(edit).expect(200);
    const byHand = (await list()).find((s) => s.id === third.id)!.totalSeconds;
    expect(byHand).toBeGreaterThan(third.totalSeconds);
    const longer = { ...block.choices, weeks: 9, version: block.version, reason: 'One week more' };
    await h.agent.put(`/api/v1/blocks/${block.id}`).send(longer).expect(200);
    const again = (await list()).find((s) => s.date === third.date)!;
    expect([again.id === third.id, again.totalSeconds]).toEqual([false, byHand]);
  });
});
