import type { ClientPath, Session, SessionSummary } from '@yandle/contract';
import { buildTimeline, timingsFor } from '@yandle/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { aClient, blockBody, harness, TODAY, type Harness } from './harness.js';

let h: Harness;
beforeAll(async () => (h = await harness()));
afterAll(() => h.close());

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

    await h.agent.put(`/api/v1/clients/${client}/brisk`).send({ brisk: true }).expect(200);
    const brisk = await lengths();
    expect(brisk.timings).toMatchObject({ newPosition: 8, samePosition: 4, sideSwitch: 3, exit: 2 });
    expect(brisk.shown).toBe(brisk.added);
    expect(brisk.shown).toBeLessThan(slow.shown);
    const path = (await h.agent.get(`/api/v1/clients/${client}`)).body as ClientPath;
    expect(path.client.brisk).toBe(true);
    await h.agent.put(`/api/v1/clients/${client}/brisk`).send({ brisk: 'yes' }).expect(400);
  });
});
