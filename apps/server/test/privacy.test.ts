import { Ajv2020 } from 'ajv/dist/2020.js';
import request from 'supertest';
import { v7 as uuid } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { AuditEntry, Client, OpenLink, Page, Session, SessionSummary, SharedBlock } from '@yandle/contract';
import { AUDIT_ACTIONS } from '@yandle/contract';
import { eraseAgain, eraseByTerm } from '../src/privacy/erase.js';
import { intakeBody } from './bodies.js';
import { aClient, blockBody, harness, TODAY, type Harness } from './harness.js';

/** A name that stands nowhere else. */
const NAME = 'Quillon Umberdale';
const DAY_MS = 24 * 3600_000;

describe('privacy', () => {
  let h: Harness;
  beforeAll(async () => (h = await harness()));
  afterAll(() => h.close());

  /** A client with something in every table that can have it. */
  async function wholeClient(name: string): Promise<string> {
    const id = await aClient(h, { name, notes: `Notes on ${name}` });
    const post = (path: string, body: object) => h.agent.post(`/api/v1${path}`).send(body).expect(201);
    const put = (path: string, body: object) => h.agent.put(`/api/v1${path}`).send(body);
    await put(`/clients/${id}/intakes/${uuid()}`, intakeBody()).expect(200);
    await put(`/clients/${id}/clearances/${uuid()}`, { cautionId: 'heart', who: 'W', on: TODAY, note: '' }).expect(200);
    const assessment = uuid();
    const about = { id: assessment, date: TODAY, time: '09:40', warm: false, note: '', battery: ['neck-rotation'] };
    await post(`/clients/${id}/assessments`, about);
    const reading = { testId: 'neck-rotation', side: 'left', value: 60, instrument: 'goniometer', replaces: null };
    await put(`/assessments/${assessment}/readings/${uuid()}`, { ...reading, warm: null, testerId: null }).expect(200);
    await put(`/assessments/${assessment}/beighton/${uuid()}`, { items: Array(9).fill(false) }).expect(200);
    const event = { testId: 'neck-rotation', kind: 'skipped', side: null, symptom: null, reason: 'no time' };
    await put(`/assessments/${assessment}/events/${uuid()}`, event).expect(200);
    await h.agent
      .put(`/api/v1/assessments/${assessment}/pictures/${uuid()}?testId=neck-rotation&side=left`)
      .set('content-type', 'image/png')
      .send(Buffer.from([0x89, 0x50, 0x4e, 0x47, 1, 2, 3]))
      .expect(204);
    await put(`/clients/${id}/goals/${uuid()}`, { testId: 'neck-rotation', value: 80, due: null, words: 'w' }).expect(
      200,
    );
    const said = { date: TODAY, region: 'neck', kind: 'complaint', moment: 'day', score: 3, habits: [] };
    await put(`/clients/${id}/self-reports/${uuid()}`, said).expect(200);
    const priorities = { version: null, interests: [], pinned: [], excluded: [], order: [], quickCheck: [] };
    await put(`/clients/${id}/priorities`, priorities).expect(200);
    await post(`/clients/${id}/blocks`, blockBody());
    const [session] = (await h.agent.get(`/api/v1/clients/${id}/sessions`)).body as SessionSummary[];
    const run = uuid();
    const startedAt = h.clock.now.toISOString();
    await post(`/sessions/${session!.id}/runs`, { id: run, startedAt });
    const set = { item: 0, side: 'left', set: 1, plannedSeconds: 30, doneSeconds: 30, replaces: null };
    await put(`/runs/${run}/sets/${uuid()}`, set).expect(200);
    await put(`/runs/${run}/symptoms/${uuid()}`, { item: 0, side: 'left', symptom: 'other' }).expect(200);
    await h.agent.post(`/api/v1/runs/${run}/finish`).send({ endedAt: startedAt, sensation: 4, note: '' }).expect(200);
    await put(`/runs/${run}/answers`, { id: uuid(), sensation: 5, note: '' }).expect(200);
    await put(`/clients/${id}/soreness/${uuid()}`, { date: TODAY, region: null, soreness: 3, note: '' }).expect(200);
    await post(`/clients/${id}/intake-link`, {});
    await post(`/clients/${id}/calendar-link`, {});
    // A run of a phone whose link has ended: it waits for the coach.
    const phone = request.agent(h.app);
    const { token } = (await post(`/clients/${id}/phone-link`, {})).body as { token: string };
    await phone.post('/api/v1/shared/open').send({ token }).expect(200);
    await h.agent.post(`/api/v1/clients/${id}/phone-link/revoke`).expect(200);
    const { items } = (await h.agent.get(`/api/v1/sessions/${session!.id}`)).body as Session;
    const snapshot = { date: TODAY, items, purpose: 'own', alreadyWarm: false, rounds: 1 };
    await phone
      .post(`/api/v1/shared/sessions/${session!.id}/runs`)
      .send({ id: uuid(), startedAt, snapshot })
      .expect(202);
    return id;
  }

  /** Tables in which a text stands, whatever the column. */
  async function tablesWith(text: string): Promise<string[]> {
    const columns = await h.source.query<{ t: string; c: string }[]>(
      'SELECT table_name AS t, column_name AS c FROM information_schema.columns WHERE table_schema = DATABASE()',
    );
    const found = new Set<string>();
    for (const { t, c } of columns) {
      const [row] = await h.source.query(`SELECT COUNT(*) AS n FROM \`${t}\` WHERE CAST(\`${c}\` AS CHAR) LIKE ?`, [
        `%${text}%`,
      ]);
      if (Number(row.n) > 0) found.add(t);
    }
    return [...found].sort();
  }

  /** Rows of every table. */
  async function counts(): Promise<Record<string, number>> {
    const tables = await h.source.query<{ t: string }[]>(
      'SELECT table_name AS t FROM information_schema.tables WHERE table_schema = DATABASE()',
    );
    const out: Record<string, number> = {};
    for (const { t } of tables) out[t] = Number((await h.source.query(`SELECT COUNT(*) AS n FROM \`${t}\``))[0].n);
    return out;
  }

  it('a client is handed out whole: every table, by a published schema, without what opens anything', async () => {
    const empty = await counts();
    const id = await wholeClient(NAME);
    const file = (await h.agent.get(`/api/v1/clients/${id}/record.json`).expect(200)).body as Record<string, unknown[]>;
    const schema = (await h.agent.get('/api/v1/schemas/client.json').expect(200)).body as object;
    const ajv = new Ajv2020({ strict: false, validateFormats: false });
    expect(ajv.validate(schema, file), JSON.stringify(ajv.errors)).toBe(true);
    expect(ajv.validate(schema, { ...file, runs: [{}] })).toBe(false);
    // What has been written since, and is neither the studio's nor the account's, stands in the file row for row.
    const now = await counts();
    const ours = ['audit_entry', 'auth_session', 'attempt', 'lease', 'migration'];
    const grown = Object.keys(now).filter((t) => now[t]! > (empty[t] ?? 0) && !ours.includes(t));
    const inFile = Object.values(file).filter(Array.isArray);
    expect(grown.reduce((sum, t) => sum + now[t]! - (empty[t] ?? 0), 0)).toBe(
      inFile.reduce((sum, rows) => sum + rows.length, 0) - (file['coaches']?.length ?? 0),
    );
    expect(JSON.stringify(file)).toContain(`Notes on ${NAME}`);
    expect(JSON.stringify(file)).not.toMatch(/tokenHash|passwordHash|requestHash|studioId/);
    expect((file['pictures'] as { bytes: string }[])[0]!.bytes).toBe(
      Buffer.from([0x89, 0x50, 0x4e, 0x47, 1, 2, 3]).toString('base64'),
    );
    await h.other.get(`/api/v1/clients/${id}/record.json`).expect(404);
  });

  it('a client is erased on the typed name, physically and whole; nothing of anybody else goes', async () => {
    const before = await counts();
    const id = await wholeClient('Erasmus Pell');
    const erase = (name: string) => h.agent.post(`/api/v1/clients/${id}/erase`).send({ name });
    await erase('Somebody Else').expect(400);
    await h.other.post(`/api/v1/clients/${id}/erase`).send({ name: 'Erasmus Pell' }).expect(404);
    expect(await tablesWith('Erasmus')).not.toEqual([]);
    await erase('  erasmus  PELL ').expect(200);
    expect(await tablesWith('Erasmus')).toEqual([]);
    // The id alone stays, where it must.
    expect(await tablesWith(id)).toEqual(['audit_entry', 'erased_client']);
    const after = await counts();
    for (const t of ['audit_entry', 'erased_client', 'auth_session', 'attempt']) before[t] = after[t] = 0;
    expect(after).toEqual(before);
    await erase('Erasmus Pell').expect(404);
    expect((await h.agent.get('/api/v1/clients?search=Quillon')).text).toContain(NAME);
  });

  it('an erased client does not come back with a backup', async () => {
    const id = await aClient(h, { name: 'Back Again' });
    const { studioId } = (await h.source.query('SELECT studio_id AS studioId FROM client WHERE id = ?', [id]))[0];
    // The backup has them; the list of erased ids, kept beside it, says that they had gone.
    expect(await eraseAgain(h.source, { now: () => h.clock.now }, [{ id, studioId }])).toBe(1);
    await h.agent.get(`/api/v1/clients/${id}`).expect(404);
    expect(await eraseAgain(h.source, { now: () => h.clock.now }, [{ id, studioId }])).toBe(0);
  });

  it('archived clients go when the studio’s term is over, and not a day before; it is written down as done by the program', async () => {
    const [kept, gone] = [await wholeClient('Stays Longer'), await wholeClient('Goes By Term')];
    const archive = async (id: string) => {
      const { client } = (await h.agent.get(`/api/v1/clients/${id}`)).body as { client: Client };
      await h.agent.post(`/api/v1/clients/${id}/archive`).send({ version: client.version }).expect(200);
    };
    await archive(gone);
    const studio = { name: 'First', timeZone: 'Europe/Vienna', retentionMonths: 3 };
    const clock = (days: number) => ({ now: () => new Date(h.clock.now.getTime() + days * DAY_MS) });
    // Without a term nobody goes.
    expect(await eraseByTerm(h.source, clock(4000))).toHaveLength(0);
    await h.agent.put('/api/v1/studio').send(studio).expect(200);
    // Archived on 9 March 2026: three months are over on 9 June, 92 days later.
    expect(await eraseByTerm(h.source, clock(91))).toHaveLength(0);
    expect(await eraseByTerm(h.source, clock(93))).toHaveLength(1);
    await h.agent.get(`/api/v1/clients/${gone}`).expect(404);
    await h.agent.get(`/api/v1/clients/${kept}`).expect(200);
    const { items } = (await h.agent.get(`/api/v1/studio/audit?client=${gone}`)).body as Page<AuditEntry>;
    expect(items.find((e) => e.action === 'client-erased-by-term')).toMatchObject({ actor: 'system', coach: null });
    await h.agent
      .put('/api/v1/studio')
      .send({ ...studio, retentionMonths: null })
      .expect(200);
  });

  it('an archived client’s phone, calendar and intake links end', async () => {
    const id = await aClient(h, { name: 'Leaves Now' });
    const { token } = (await h.agent.post(`/api/v1/clients/${id}/phone-link`).expect(201)).body as { token: string };
    const { path } = (await h.agent.post(`/api/v1/clients/${id}/calendar-link`).expect(201)).body as { path: string };
    const intake = (await h.agent.post(`/api/v1/clients/${id}/intake-link`).expect(201)).body as { token: string };
    const phone = request.agent(h.app);
    await phone.post('/api/v1/shared/open').send({ token }).expect(200);
    await phone.get('/api/v1/shared/block').expect(200);
    await h.agent.post(`/api/v1/clients/${id}/archive`).send({ version: 1 }).expect(200);
    await phone.get('/api/v1/shared/block').expect(401);
    await request(h.app).get(path).expect(404);
    await request(h.app).get(`/api/v1/fill-in/${intake.token}`).expect(404);
  });

  it('the owner sees which links are open, of this studio only, and those that ended are gone', async () => {
    const id = await aClient(h, { name: 'Has Links' });
    await h.agent.post(`/api/v1/clients/${id}/phone-link`).expect(201);
    await h.agent.post(`/api/v1/clients/${id}/intake-link`).expect(201);
    await h.agent.post(`/api/v1/clients/${id}/calendar-link`).expect(201);
    const of = async (agent = h.agent) =>
      ((await agent.get('/api/v1/studio/links').expect(200)).body as OpenLink[])
        .filter((l) => l.clientId === id)
        .map((l) => l.kind);
    expect((await of()).sort()).toEqual(['calendar', 'intake', 'phone']);
    expect(await of(h.other)).toEqual([]);
    await h.agent.post(`/api/v1/clients/${id}/intake-link/revoke`).expect(200);
    await h.agent.delete(`/api/v1/clients/${id}/calendar-link`).expect(200);
    const now = h.clock.now;
    expect(await of()).toEqual(['phone']);
    h.clock.now = new Date(now.getTime() + 181 * DAY_MS);
    expect(await of()).toEqual([]);
    h.clock.now = now;
  });

  it('only the first name leaves for phone and calendar', async () => {
    const id = await wholeClient('Philomena Tarkington');
    const { token } = (await h.agent.post(`/api/v1/clients/${id}/phone-link`).expect(201)).body as { token: string };
    const phone = request.agent(h.app);
    await phone.post('/api/v1/shared/open').send({ token }).expect(200);
    const block = await phone.get('/api/v1/shared/block').expect(200);
    expect((block.body as SharedBlock).firstName).toBe('Philomena');
    const { path } = (await h.agent.post(`/api/v1/clients/${id}/calendar-link`).expect(201)).body as { path: string };
    for (const text of [block.text, (await request(h.app).get(path).expect(200)).text]) {
      expect(text).not.toContain('Tarkington');
      expect(text).not.toContain('Coach of First');
    }
  });

  it('a phone whose link has ended cannot fill the disk', async () => {
    const id = await aClient(h, { name: 'Sends And Sends' });
    const { studioId } = (await h.source.query('SELECT studio_id AS studioId FROM client WHERE id = ?', [id]))[0];
    const { token } = (await h.agent.post(`/api/v1/clients/${id}/phone-link`).expect(201)).body as { token: string };
    const phone = request.agent(h.app);
    await phone.post('/api/v1/shared/open').send({ token }).expect(200);
    await h.agent.post(`/api/v1/clients/${id}/phone-link/revoke`).expect(200);
    const set = { item: 0, side: 'left', set: 1, plannedSeconds: 30, doneSeconds: 30, replaces: null };
    const send = () => phone.put(`/api/v1/shared/runs/${uuid()}/sets/${uuid()}`).send(set);
    await send().expect(202);
    await h.source.query(
      `INSERT INTO late_log (id, studio_id, client_id, run_id, kind, target, body, reason, request_hash)
       SELECT UUID(), ?, ?, UUID(), 'set', UUID(), '{}', 'link', SHA2(seq, 256) FROM seq_1_to_4999`,
      [studioId, id],
    );
    await send().expect(409);
  });

  it('what is done to a client is written down: who, when, from where, and nothing of anybody’s health', async () => {
    const id = await wholeClient('Audited Person');
    await h.agent.get(`/api/v1/clients/${id}/record.json`).expect(200);
    const { items } = (await h.agent.get(`/api/v1/studio/audit?client=${id}`).expect(200)).body as Page<AuditEntry>;
    expect(items.map((e) => e.action).sort()).toEqual(
      [
        'block-published',
        'calendar-link-made',
        'cleared-by-professional',
        'client-added',
        'client-exported',
        'consent-given',
        'intake-link-made',
        'phone-link-ended',
        'phone-link-made',
      ].sort(),
    );
    for (const e of items) {
      expect(e).toMatchObject({ actor: 'coach', coach: 'Coach of First', client: { id, name: 'Audited Person' } });
      expect(Object.keys(e).sort()).toEqual(['action', 'actor', 'address', 'at', 'client', 'coach', 'id']);
      expect(AUDIT_ACTIONS).toContain(e.action);
      expect(e.address).toMatch(/127\.0\.0\.1/);
    }
    // The other studio reads none of it.
    expect(((await h.other.get('/api/v1/studio/audit')).body as Page<AuditEntry>).items.some((e) => e.client)).toBe(
      false,
    );
  });

  it('the list of what was done comes in pages, the newest first, each entry once', async () => {
    for (let i = 0; i < 120; i++)
      await h.source.query(
        "INSERT INTO audit_entry SELECT UUID(), studio_id, at, actor, coach_id, client_id, action, subject, address FROM audit_entry WHERE action = 'client-added' LIMIT 1",
      );
    const ids: string[] = [];
    const times: string[] = [];
    let cursor = '';
    do {
      const page = (await h.agent.get(`/api/v1/studio/audit?cursor=${cursor}`).expect(200)).body as Page<AuditEntry>;
      ids.push(...page.items.map((e) => e.id));
      times.push(...page.items.map((e) => e.at));
      cursor = page.nextCursor ?? '';
    } while (cursor);
    const [{ n }] = await h.source.query(
      'SELECT COUNT(*) AS n FROM audit_entry WHERE studio_id = (SELECT studio_id FROM coach WHERE id = ?)',
      [h.coachId],
    );
    expect([ids.length, new Set(ids).size]).toEqual([Number(n), Number(n)]);
    expect(times).toEqual([...times].sort().reverse());
    await h.agent.get('/api/v1/studio/audit?cursor=é').expect(400);
  });
});
