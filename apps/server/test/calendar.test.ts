import type { Block, CalendarLink, SessionSummary } from '@yandle/contract';
import ICAL from 'ical.js';
import request from 'supertest';
import { v7 as uuid } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { aClient, blockBody, harness, newApp, TODAY, type Harness } from './harness.js';

let h: Harness;
beforeAll(async () => (h = await harness()));
afterAll(() => h.close());

const sessionsOf = async (client: string): Promise<SessionSummary[]> =>
  (await h.agent.get(`/api/v1/clients/${client}/sessions`).expect(200)).body as SessionSummary[];
const events = (file: string) =>
  new ICAL.Component(ICAL.parse(file) as [string, unknown[], unknown[]])
    .getAllSubcomponents('vevent')
    .map((e) => new ICAL.Event(e));
const move = (session: string, date: string) => h.agent.put(`/api/v1/sessions/${session}/date`).send({ date });

describe('the calendar file', () => {
  // Read back by a parser that is not the writer's (ical.js), as RFC 5545 asks.
  it('says the same days as the sessions, whole days, one event each, first name only', async () => {
    const client = await aClient(h, { name: 'Ottoline Varga' });
    const block = (await h.agent.post(`/api/v1/clients/${client}/blocks`).send(blockBody()).expect(201)).body as Block;
    const sessions = await sessionsOf(client);
    const r = await h.agent.get(`/api/v1/clients/${client}/calendar.ics`).expect(200);
    expect(r.headers['content-type']).toContain('text/calendar');
    expect(r.text).not.toContain('Varga');
    const all = events(r.text);
    const days = (prefix: string) =>
      all
        .filter((e) => e.uid.startsWith(prefix))
        .map((e) => e.startDate.toString())
        .sort();
    expect(days('session-')).toEqual(sessions.map((s) => s.date).sort());
    expect(days('retest-')).toEqual(block.retests.map((x) => x.date).sort());
    expect(new Set(all.map((e) => e.uid)).size).toBe(all.length);
    expect(all.every((e) => e.startDate.isDate && e.duration.toSeconds() === 24 * 60 * 60)).toBe(true);
    expect(all[0]!.summary).toContain('Soleus');
    expect(all[0]!.description).toContain('Stop at sharp pain');
    await h.other.get(`/api/v1/clients/${client}/calendar.ics`).expect(404);
  });

  it('can be subscribed to without an account, follows a session that moves, and ends when the link is taken back', async () => {
    const client = await aClient(h);
    await h.agent.post(`/api/v1/clients/${client}/blocks`).send(blockBody()).expect(201);
    const link = `/api/v1/clients/${client}/calendar-link`;
    expect((await h.agent.get(link).expect(200)).body).toEqual({ path: null, madeAt: null });
    const first = (await h.agent.post(link).expect(201)).body as CalendarLink;
    const outside = request(newApp(h.source, { now: () => h.clock.now }));
    const before = events((await outside.get(first.path!).expect(200)).text);
    const [session] = await sessionsOf(client);
    await move(session!.id, '2026-03-10').expect(200);
    const after = events((await outside.get(first.path!).expect(200)).text);
    expect(after).toHaveLength(before.length);
    expect(after.find((e) => e.uid === `session-${session!.id}@yandle`)!.startDate.toString()).toBe('2026-03-10');
    const second = (await h.agent.post(link).expect(201)).body as CalendarLink;
    await outside.get(first.path!).expect(404);
    await outside.get(second.path!).expect(200);
    await h.other.delete(link).expect(404);
    await h.agent.delete(link).expect(200);
    await outside.get(second.path!).expect(404);
    await outside.get('/api/v1/calendar/none.ics').expect(404);
    const [row] = await h.source.query('SELECT COUNT(*) AS n FROM calendar_link WHERE token_hash = ?', [second.path]);
    expect(Number(row.n)).toBe(0);
  });
});

describe('moving a session', () => {
  it('keeps the day the plan gave, also when the block is published again', async () => {
    const client = await aClient(h);
    const block = (await h.agent.post(`/api/v1/clients/${client}/blocks`).send(blockBody()).expect(201)).body as Block;
    const [first] = await sessionsOf(client);
    const moved = (await move(first!.id, '2026-03-10').expect(200)).body as SessionSummary;
    expect(moved).toMatchObject({ date: '2026-03-10', plannedDate: first!.date });
    await h.agent
      .put(`/api/v1/blocks/${block.id}`)
      .send({ ...block.choices, ramp: 0.1, version: 1, reason: 'Slower' })
      .expect(200);
    expect((await sessionsOf(client))[0]).toMatchObject({ date: '2026-03-10', plannedDate: first!.date });
  });

  it('is refused into the past, onto another session, and once begun', async () => {
    const client = await aClient(h);
    await h.agent.post(`/api/v1/clients/${client}/blocks`).send(blockBody()).expect(201);
    const [first, second] = await sessionsOf(client);
    expect((await move(first!.id, '2026-03-08').expect(400)).body.errors[0].path).toBe('date');
    await move(first!.id, second!.date).expect(409);
    await h.agent
      .post(`/api/v1/sessions/${first!.id}/runs`)
      .send({ id: uuid(), startedAt: h.clock.now.toISOString() })
      .expect(201);
    await move(first!.id, '2026-03-10').expect(409);
    await h.other.put(`/api/v1/sessions/${second!.id}/date`).send({ date: TODAY }).expect(404);
  });
});
