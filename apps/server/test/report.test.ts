import type { Report } from '@yandle/contract';
import request from 'supertest';
import { v7 as uuid } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { aClient, harness, TODAY, type Harness } from './harness.js';
import { logWeek, measured, plannedAt, sessionsBy, SUNDAY, whole } from './reviewing.js';

let h: Harness;
beforeAll(async () => (h = await harness()));
afterAll(() => h.close());

const reportOf = async (client: string): Promise<Report> =>
  (await h.agent.get(`/api/v1/clients/${client}/report`).expect(200)).body as Report;
const lines = (r: Report, id: string) => r.parts.find((p) => p.id === id)?.lines ?? [];

describe('a report for the client', () => {
  it('says what was done, what changed for sure and what may have, by the errors of the tests', async () => {
    const client = await plannedAt(h, SUNDAY);
    h.clock.now = new Date(`${TODAY}T09:00:00.000Z`);
    await measured(h, client, TODAY, 45, 30);
    h.clock.now = SUNDAY;
    await logWeek(h, client, whole);
    await measured(h, client, '2026-03-15', 30, 28);
    const r = await reportOf(client);
    expect([r.studio, r.client, r.from, r.to]).toEqual(['First', 'Ottoline', TODAY, '2026-03-15']);
    // 1.96·√2·3° = 8.3°: 15° are sure, 2° may be chance.
    expect(lines(r, 'sure')).toEqual(['Straightening the knee, left: 15° more since 9 March.']);
    expect(lines(r, 'maybe')[0]).toBe('Straightening the knee, right: 2° more.');
    const inWeek = (await sessionsBy(h, client)).filter((s) => s.date <= '2026-03-15');
    expect(inWeek.length).toBeGreaterThan(1);
    expect(lines(r, 'worked')).toEqual([
      'You worked on the lower leg and the back of the thigh.',
      `You did ${inWeek.length} of ${inWeek.length} sessions.`,
    ]);
    const [row] = r.rows;
    expect([row!.left!.last!.solid, row!.right!.last!.solid]).toEqual([true, false]);
    expect(r.exercises.map((e) => e.id)).toEqual(['bent-knee-wall-calf', 'supine-strap-hamstring']);
    expect(r.safety).toContain('see a doctor');
    await h.other.get(`/api/v1/clients/${client}/report`).expect(404);
  });

  it('opens by its link as it was, until its last day, and no longer', async () => {
    const client = await plannedAt(h, SUNDAY);
    const make = async (days: number) =>
      (await h.agent.post(`/api/v1/clients/${client}/report-link`).send({ days }).expect(201)).body as {
        token: string;
        expiresAt: string;
      };
    const open = (token: string) => request(h.app).post('/api/v1/shared-report').send({ token });
    const { token, expiresAt } = await make(14);
    expect(expiresAt).toBe('2026-03-29T18:00:00.000Z');
    const then = await reportOf(client);
    await measured(h, client, '2026-03-15', 30, 28);
    expect((await open(token).expect(200)).body).toEqual(then);
    h.clock.now = new Date('2026-03-29T18:00:01.000Z');
    await open(token).expect(401);
    h.clock.now = SUNDAY;
    const second = await make(1);
    await open(token).expect(401);
    await open(second.token).expect(200);
    await h.agent.post(`/api/v1/clients/${client}/report-link/revoke`).send({}).expect(200);
    await open(second.token).expect(401);
    await h.agent.post(`/api/v1/clients/${client}/report-link`).send({ days: 91 }).expect(400);
  });

  it('has little to say of a client who was never measured, and no names but the first', async () => {
    const client = await aClient(h, { id: uuid() });
    const r = await reportOf(client);
    expect(r.rows).toEqual([]);
    expect(r.parts.map((p) => p.id)).toEqual(['sure']);
    expect(JSON.stringify(r)).not.toContain('Varga');
  });
});
