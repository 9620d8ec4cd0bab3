import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { fileURLToPath } from 'node:url';
import type { ClientReview, DaySession, Today } from '@yandle/contract';
import { v7 as uuid } from 'uuid';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { ReviewEntity } from '../src/review/entities.js';
import { acceptStandingOfAll } from '../src/review/standing.js';
import { lookAtWeeksOfAll } from '../src/review/week-look.js';
import { databaseUrl, harness, TODAY, type Harness } from './harness.js';
import { blockBy, decideBy, doses, half, logWeek, plannedAt, reviewBy, SUNDAY, whole } from './reviewing.js';

const JOB = fileURLToPath(new URL('standing-job.ts', import.meta.url));
const TSCONFIG = fileURLToPath(new URL('../tsconfig.json', import.meta.url));

let h: Harness;
beforeAll(async () => (h = await harness()));
afterAll(() => h.close());

const all = async (whose = 'all'): Promise<ClientReview[]> =>
  (await h.agent.get(`/api/v1/reviews?whose=${whose}`).expect(200)).body as ClientReview[];
const standing = (client: string, on = true) =>
  h.agent.put(`/api/v1/clients/${client}/review/standing`).send({ standing: on });
const accept = async (fail?: () => void) => {
  const faults: unknown[] = [];
  const sum = await acceptStandingOfAll(
    h.source,
    {
      now: () => {
        fail?.();
        return h.clock.now;
      },
    },
    (err) => faults.push(err),
  );
  return { ...sum, faults };
};

describe('the reviews of a studio', () => {
  it('are those of all clients with a week that is over, the same as one by one', async () => {
    const plain = await plannedAt(h, SUNDAY, {}, { name: 'Aurel Winkelbach' });
    const silent = await plannedAt(h, SUNDAY, {}, { name: 'Berit Solheim' });
    await logWeek(h, plain, half);
    const reviews = await all();
    expect(reviews.map((r) => [r.clientName, r.lanes.map((l) => l.review.move)])).toEqual([
      ['Aurel Winkelbach', ['repeat', 'advance']],
      ['Berit Solheim', ['ask', 'ask']],
    ]);
    for (const client of [plain, silent]) {
      const single = (await reviewBy(h, client))!;
      const among = reviews.find((r) => r.clientId === client)!;
      expect(among.lanes.map((l) => [l.laneId, l.review, l.proposal, l.planned])).toEqual(
        single.lanes.map((l) => [l.laneId, l.review, l.proposal, l.planned]),
      );
    }
    expect((await h.other.get('/api/v1/reviews?whose=all').expect(200)).body).toEqual([]);
  });
});

describe('plain reviews that need no look', () => {
  it('are accepted once, whoever asks how often, and leave exceptions to the coach', async () => {
    const client = await plannedAt(h, SUNDAY);
    await logWeek(h, client, half);
    const silent = await plannedAt(h, SUNDAY);
    const byHand = await plannedAt(h, SUNDAY);
    await logWeek(h, byHand, whole);
    for (const c of [client, silent]) await standing(c).expect(204);
    const before = await blockBy(h, client);

    const sums = await Promise.all([accept(), accept()]);
    expect(sums.map((s) => s.lanes).reduce((a, b) => a + b, 0)).toBe(2);
    expect(await accept()).toEqual({ clients: 0, lanes: 0, faults: [] });
    const [was, now] = [doses(before, 'soleus'), doses(await blockBy(h, client), 'soleus')];
    expect(now.slice(0, 3)).toEqual([was[0], was[0], was[1]]);
    const decided = (await reviewBy(h, client))!.lanes.map((l) => [l.decision?.move, l.decision?.byItself]);
    expect(decided).toEqual([
      ['repeat', true],
      ['advance', true],
    ]);
    for (const other of [silent, byHand])
      expect((await reviewBy(h, other))!.lanes.every((l) => l.decision === null)).toBe(true);
    const blockId = before.id;
    expect(await h.source.manager.countBy(ReviewEntity, { blockId })).toBe(2);
  });

  it('go on where they were when the job was killed half-way', async () => {
    const clients: string[] = [];
    for (let i = 0; i < 3; i++) {
      const client = await plannedAt(h, SUNDAY);
      await logWeek(h, client, half);
      await standing(client).expect(204);
      clients.push(client);
    }
    const written = async (client: string): Promise<number> =>
      h.source.manager.countBy(ReviewEntity, { blockId: (await blockBy(h, client)).id });
    // The second client's block is held by somebody else, so that the job is in the middle when it is killed.
    const held = h.source.createQueryRunner();
    await held.startTransaction();
    await held.query('SELECT id FROM block WHERE id = ? FOR UPDATE', [(await blockBy(h, clients[1]!)).id]);
    const job = spawn(process.execPath, ['--import', 'tsx', JOB, databaseUrl(), h.clock.now.toISOString()], {
      env: { ...process.env, TSX_TSCONFIG_PATH: TSCONFIG },
      stdio: 'ignore',
    });
    await vi.waitFor(async () => expect(await written(clients[0]!)).toBe(2), { timeout: 60_000, interval: 100 });
    job.kill('SIGKILL');
    await once(job, 'exit');
    await held.rollbackTransaction();
    await held.release();
    expect(await Promise.all(clients.map(written))).toEqual([2, 0, 0]);
    // Two at once go on where it was.
    await Promise.all([accept(), accept()]);
    await accept();
    for (const client of clients) {
      const r = (await reviewBy(h, client))!;
      expect(r.lanes.map((l) => l.decision?.byItself)).toEqual([true, true]);
      expect(await written(client)).toBe(2);
      expect((await blockBy(h, client)).revision).toBe(2);
    }
  });

  it('wait while a session of the week may still be done, and end when the coach says so', async () => {
    const saturday = new Date('2026-03-14T20:00:00.000Z');
    const client = await plannedAt(h, saturday);
    await standing(client).expect(204);
    await logWeek(h, client, whole);
    // All are done: the week is complete before its last day.
    expect((await accept()).lanes).toBe(2);
    const late = await plannedAt(h, saturday);
    await standing(late).expect(204);
    expect((await accept()).lanes).toBe(0);
    await standing(late, false).expect(204);
    h.clock.now = SUNDAY;
    await logWeek(h, late, whole);
    expect((await accept()).lanes).toBe(0);
    expect((await reviewBy(h, late))!.standing).toBe(false);
  });

  it('can be decided again by the coach', async () => {
    const client = await plannedAt(h, SUNDAY);
    await logWeek(h, client, half);
    await standing(client).expect(204);
    await accept();
    const r = (await reviewBy(h, client))!;
    const back = r.lanes.map((l) => ({ laneId: l.laneId, move: null, reason: '' }));
    await decideBy(h, client, r, back).expect(200);
    // What a coach has taken back is not taken up again by itself.
    expect((await accept()).lanes).toBe(0);
  });
});

describe('Today', () => {
  it('names weeks of which nothing was logged and days away, mine first, and counts the reviews that are due', async () => {
    h.clock.now = new Date('2026-03-16T08:00:00.000Z');
    const before = (await h.agent.get('/api/v1/today?whose=all').expect(200)).body as Today;
    const silent = await plannedAt(h, SUNDAY, {}, { name: 'Zelda Ferring' });
    const did = await plannedAt(h, SUNDAY, {}, { name: 'Yorick Aspen' });
    await logWeek(h, did, half);
    h.clock.now = new Date('2026-03-16T08:00:00.000Z');
    const away = [{ from: '2026-03-23', to: '2026-03-25' }];
    await h.agent
      .put(`/api/v1/clients/${did}/check-ins/${uuid()}`)
      .send({
        ...{ date: '2026-03-16', moment: 'day', sessionId: null, stiffness: [], complaints: [], inTheWay: [] },
        ...{ away, note: '' },
      })
      .expect(200);
    const today = (await h.agent.get('/api/v1/today?whose=all').expect(200)).body as Today;
    expect(today.reviewsDue).toBe(before.reviewsDue + 2);
    const names = today.missed.map((m) => m.clientName);
    expect(names).toContain('Zelda Ferring');
    expect(names).not.toContain('Yorick Aspen');
    expect(today.missed.every((m) => m.week === 1)).toBe(true);
    expect(today.away.filter((a) => a.clientId === did)).toEqual([{ clientId: did, clientName: 'Yorick Aspen', away }]);
    const r = (await reviewBy(h, silent))!;
    const [one, ...rest] = r.lanes.map((l) => ({ laneId: l.laneId, move: 'repeat', reason: '' }));
    const partly = (await decideBy(h, silent, r, [one!]).expect(200)).body as ClientReview;
    // One lane is still open: it is not lost.
    const between = (await h.agent.get('/api/v1/today?whose=all').expect(200)).body as Today;
    expect(between.reviewsDue).toBe(before.reviewsDue + 2);
    await decideBy(h, silent, partly, rest).expect(200);
    const after = (await h.agent.get('/api/v1/today?whose=all').expect(200)).body as Today;
    expect(after.reviewsDue).toBe(before.reviewsDue + 1);
    expect(after.missed.map((m) => m.clientName)).not.toContain('Zelda Ferring');
  });

  it('asks for no review of a lane of which nothing came into the week', async () => {
    const client = await plannedAt(h, SUNDAY, {}, { name: 'Xaver Lindqvist' });
    h.clock.now = new Date('2026-03-16T08:00:00.000Z');
    const due = async () => ((await h.agent.get('/api/v1/today?whose=all').expect(200)).body as Today).reviewsDue;
    // As where the week had no time left for it: the lane is in the plan, and in none of its sessions.
    await h.source.query(
      'DELETE i FROM session_item i INNER JOIN session s ON s.id = i.session_id WHERE s.client_id = ? AND i.exercise_id = ?',
      [client, 'bent-knee-wall-calf'],
    );
    await lookAtWeeksOfAll(h.source, { now: () => h.clock.now }, (err) => {
      throw err;
    });
    const before = await due();
    const r = (await reviewBy(h, client))!;
    expect(r.lanes.map((l) => l.group)).toEqual(['hamstrings']);
    const decisions = r.lanes.map((l) => ({ laneId: l.laneId, move: 'repeat', reason: '' }));
    await decideBy(h, client, r, decisions).expect(200);
    expect(await due()).toBe(before - 1);
  });

  it('holds the first sessions of each day by name, and all of a day when asked', async () => {
    for (const name of [
      'Ärna',
      'Bo',
      'Zeno',
      'Cleo',
      'Dara',
      'Ebba',
      'Faye',
      'Gus',
      'Hal',
      'Ida',
      'Jo',
      'Kit',
      'Lu',
      'Mo',
    ])
      await plannedAt(h, new Date(`${TODAY}T08:00:00.000Z`), {}, { name });
    const today = (await h.agent.get('/api/v1/today?whose=all').expect(200)).body as Today;
    const whole = async (date: string): Promise<DaySession[]> =>
      (await h.agent.get(`/api/v1/today/sessions?whose=all&date=${date}`).expect(200)).body as DaySession[];
    const all = await whole(today.date);
    expect([today.sessionCount, today.sessions]).toEqual([all.length, all.slice(0, 12)]);
    expect(all.length).toBeGreaterThan(13);
    const names = all.map((s) => s.clientName);
    expect(names).toEqual([...names].sort((a, b) => a.localeCompare(b, 'en')));
    expect(names[0]).toBe('Ärna');
    expect(today.ahead.length).toBeGreaterThan(0);
    for (const { date, count, sessions } of today.ahead) {
      const day = await whole(date);
      expect([count, sessions.map((s) => s.id)]).toEqual([day.length, day.slice(0, 6).map((s) => s.id)]);
    }
    expect((await h.other.get(`/api/v1/today/sessions?date=${today.date}`).expect(200)).body).toEqual([]);
    await h.agent.get('/api/v1/today/sessions?date=soon').expect(400);
  });
});
