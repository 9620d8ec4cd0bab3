import type { ScreeningView } from '@yandle/contract';
import { CONSENT_VERSION, NOTHING_KNOWN, QUESTION_IDS } from '@yandle/core';
import { v7 as uuid } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import request from 'supertest';
import { aClient, blockBody, harness, laneBody, TODAY, type Harness } from './harness.js';
import { intakeBody } from './bodies.js';

interface View {
  state: string;
  current: { id: string }[];
  lifted: { id: string }[];
  intakes: { by: string | null }[];
  dueOn: string;
}

let h: Harness;
beforeAll(async () => {
  h = await harness();
});
afterAll(() => h.close());

const ask = (client: string, yes: readonly string[] = [], over: object = {}) =>
  h.agent
    .put(`/api/v1/clients/${client}/intakes/${uuid()}`)
    .send(intakeBody(yes, over))
    .expect(200)
    .then((r) => r.body as View);
const clear = (client: string, cautionId: string, over: object = {}) =>
  h.agent
    .put(`/api/v1/clients/${client}/clearances/${uuid()}`)
    .send({ cautionId, who: 'Dr. Maude Ferrant, physician', on: TODAY, note: '', ...over });
const lane = (group: string, exerciseId: string) => laneBody(group, exerciseId);
const plan = (client: string, lanes: object[]) =>
  h.agent.post(`/api/v1/clients/${client}/blocks`).send(blockBody({ lanes }));

/** What is off for everybody until it is allowed. */
const HOUSE = [{ id: 'nerve-glides' }, { id: 'hand-on-head' }];

describe('screening', () => {
  it('blocks planning from the answers, until a clearance is recorded; taking it back blocks again', async () => {
    const client = await aClient(h);
    expect(await ask(client, ['leg-pain'])).toMatchObject({ state: 'refer', current: [{ id: 'leg-pain' }, ...HOUSE] });
    const refused = await plan(client, [lane('soleus', 'bent-knee-wall-calf')]).expect(409);
    expect(refused.body).toMatchObject({ code: 'screening-blocks-planning' });
    const cleared = (await clear(client, 'leg-pain').expect(200)).body as View & {
      clearances: { id: string; ends: string }[];
    };
    // It opens planning; what the caution takes away stays, since the record names no limit.
    expect(cleared).toMatchObject({
      ...{ state: 'cleared', holds: false, lifted: [{ id: 'leg-pain', outcome: 'refer' }] },
      current: [
        { id: 'leg-pain', outcome: 'limit', effect: { excludedDemands: ['spine-forward', 'spine-loaded'] } },
        ...HOUSE,
      ],
    });
    expect(cleared.clearances[0]!.ends).toBe('2027-03-09');
    const path = await h.agent.get(`/api/v1/clients/${client}`).expect(200);
    expect(path.body).toMatchObject({
      client: { screening: 'cleared' },
      cautions: [{ id: 'leg-pain' }, ...HOUSE],
      rescreenOn: '2027-03-09',
    });
    const back = await h.agent.post(`/api/v1/clearances/${cleared.clearances[0]!.id}/withdraw`).send({}).expect(200);
    expect(back.body).toMatchObject({ state: 'refer' });
    await plan(client, [lane('soleus', 'bent-knee-wall-calf')]).expect(409);
  });

  it('is open while a question or a region is missing', async () => {
    const client = await aClient(h);
    const half = { ...intakeBody(), answers: { yes: [], no: QUESTION_IDS.slice(1), regions: {} } };
    const r = await h.agent.put(`/api/v1/clients/${client}/intakes/${uuid()}`).send(half).expect(200);
    expect(r.body).toMatchObject({ state: 'open' });
    expect(await ask(client, ['tear'])).toMatchObject({ state: 'open' });
    const untold = { ...intakeBody(['pressure']).answers, details: {} };
    expect(await ask(client, [], { answers: untold })).toMatchObject({ state: 'open' });
    await plan(client, [lane('soleus', 'bent-knee-wall-calf')]).expect(409);
  });

  it('never stores a plan with a stretch that a caution speaks against, and says why', async () => {
    const client = await aClient(h);
    await ask(client, ['floor']);
    const r = await plan(client, [
      lane('soleus', 'bent-knee-wall-calf'),
      lane('hamstrings', 'long-sitting-fold'),
    ]).expect(400);
    expect((r.body as { errors: { path: string; message: string }[] }).errors).toEqual([
      { path: 'lanes.1.exercises.0.exerciseId', message: expect.stringContaining('No floor') as string },
    ]);
    const kept = await plan(client, [lane('soleus', 'bent-knee-wall-calf')]).expect(201);
    expect(kept.body).toMatchObject({ lanes: [{ group: 'soleus' }] });
  });

  it('lifts by a clearance what it names, and nothing else', async () => {
    const client = await aClient(h);
    await ask(client, ['hip-replacement']);
    const bend = [lane('gluteals', 'knee-hug')];
    await plan(client, bend).expect(400);
    await clear(client, 'hip-replacement').expect(200);
    await plan(client, bend).expect(400);
    const wrong = await clear(client, 'hip-replacement', { lifts: ['demand:neck-back'] }).expect(400);
    expect((wrong.body as { errors: { path: string }[] }).errors[0]!.path).toBe('lifts');
    await clear(client, 'hip-replacement', { lifts: ['demand:hip-past-90'] }).expect(200);
    await plan(client, bend).expect(201);
    const view = (await h.agent.get(`/api/v1/clients/${client}/screening`).expect(200)).body as View;
    expect(view.current).toMatchObject([
      { id: 'hip-replacement', effect: { excludedDemands: ['hip-back', 'hip-across'] } },
      ...HOUSE,
    ]);
  });

  it('reads an asking from before a question was given up, in the intake and in the record', async () => {
    const client = await aClient(h);
    await ask(client, ['bones']);
    const then = JSON.stringify({ yes: ['unwell', 'bones'], no: [], regions: {} });
    await h.source.query('UPDATE intake SET answers = ? WHERE client_id = ?', [then, client]);
    const view = (await h.agent.get(`/api/v1/clients/${client}/screening`).expect(200)).body as View;
    expect(view).toMatchObject({ intakes: [{ answers: { yes: ['bones'] } }], dueOn: expect.any(String) as string });
    await h.agent.get(`/api/v1/clients/${client}`).expect(200);
  });

  it('plans within the limits of the answers', async () => {
    const client = await aClient(h);
    await ask(client, ['medicines']);
    const r = await plan(client, [lane('soleus', 'bent-knee-wall-calf')]).expect(201);
    const weeks = (r.body as { lanes: { weeks: { prescription: { sensation: number } }[] }[] }).lanes[0]!.weeks;
    expect(Math.max(...weeks.map((w) => w.prescription.sensation))).toBe(4);
  });

  // From the answer to the stored plan. Sources of the rules: core/screening/cautions.spec.ts, "examples".
  it.each<[name: string, yes: string, refused: [string, string][], taken: [string, string] | null]>([
    [
      'an artificial hip',
      'hip-replacement',
      [
        ['gluteals', 'knee-hug'],
        ['low-back', 'folded-kneel'],
      ],
      ['calf', 'straight-knee-wall-calf'],
    ],
    [
      'brittle bones',
      'bones',
      [
        ['hamstrings', 'long-sitting-fold'],
        ['low-back', 'chair-fold'],
        ['upper-back', 'rounded-fours'],
      ],
      ['abdominals', 'forearm-prop'],
    ],
    [
      'pregnancy',
      'pregnancy',
      [
        ['abdominals', 'press-up-on-hands'],
        ['pectorals', 'lying-open-arms'],
      ],
      ['hamstrings', 'chair-hamstring-hinge'],
    ],
    [
      'red flags of the neck',
      'neck-signs',
      [
        ['neck-side', 'seated-side-neck'],
        ['calf', 'straight-knee-wall-calf'],
      ],
      null,
    ],
    ['blood thinners', 'thinners', [], ['hamstrings', 'supine-strap-hamstring']],
    ['loose joints', 'loose-joints', [], ['quadriceps', 'standing-quadriceps']],
  ])('%s', async (_, yes, refused, taken) => {
    const client = await aClient(h);
    const { state } = await ask(client, [yes]);
    expect(state).toBe(taken === null ? 'refer' : 'clear');
    for (const [group, exercise] of refused)
      expect([400, 409], exercise).toContain((await plan(client, [lane(group, exercise)])).status);
    if (taken === null) return;
    const block = await plan(client, [lane(...taken)]).expect(201);
    const weeks = (block.body as { lanes: { weeks: { prescription: { sensation: number } }[] }[] }).lanes[0]!.weeks;
    if (yes === 'pregnancy' || yes === 'loose-joints')
      for (const w of weeks) expect(w.prescription.sensation).toBeLessThanOrEqual(4);
    // Rolling, loading and nerve glides are other techniques: never part of a plan that holds still.
    const other = await aClient(h);
    await ask(other, []);
    await plan(other, [lane('hamstrings', 'hamstring-roll')]).expect(400);
    await plan(other, [lane('hamstrings', 'sciatic-glide')]).expect(400);
  });

  it('keeps every asking; the newest by day counts, and the form of the client no longer does', async () => {
    const client = await aClient(h);
    await ask(client, ['heart']);
    const now = await ask(client, []);
    expect(now.state).toBe('clear');
    expect(now.intakes).toHaveLength(2);
    expect(await ask(client, ['heart'], { askedOn: '2025-12-01' })).toMatchObject({
      state: 'clear',
      dueOn: '2027-03-09',
    });
    const { client: c } = (await h.agent.get(`/api/v1/clients/${client}`)).body as { client: Record<string, unknown> };
    const { id, age: _a, pacing: _k, archivedAt: _b, ...body } = c;
    await h.agent
      .put(`/api/v1/clients/${String(id)}`)
      .send({ ...body, screening: 'refer' })
      .expect(200);
    expect((await h.agent.get(`/api/v1/clients/${client}`)).body).toMatchObject({ client: { screening: 'clear' } });
  });

  it('wants a guardian’s consent under 18, and keeps the limits of youth after it', async () => {
    const client = await aClient(h, { birthDate: '2010-05-05' });
    const consent = { version: CONSENT_VERSION, by: 'guardian', name: 'A Parent' };
    expect(await ask(client, [], { consent })).toMatchObject({
      state: 'refer',
      current: [{ id: 'under-18' }, ...HOUSE],
    });
    const r = await clear(client, 'under-18').expect(200);
    expect(r.body).toMatchObject({ state: 'cleared', current: [{ id: 'under-18', outcome: 'limit' }, ...HOUSE] });
  });

  it('refuses days that have not come, both answers at once, and regions where none are asked', async () => {
    const client = await aClient(h);
    const put = (body: object) => h.agent.put(`/api/v1/clients/${client}/intakes/${uuid()}`).send(body).expect(400);
    await put(intakeBody([], { askedOn: '2026-03-10' }));
    await put({ ...intakeBody(), answers: { yes: ['heart'], no: [...QUESTION_IDS], regions: {} } });
    await put({ ...intakeBody(), answers: { yes: [], no: [...QUESTION_IDS], regions: { heart: ['knee'] } } });
    await clear(client, 'leg-pain', { on: '2026-03-10' }).expect(400);
    await clear(client, 'leg-pain', { who: '  ' }).expect(400);
    expect(await ask(client)).toMatchObject({ intakes: [{}] });
  });

  it('is hidden from another studio', async () => {
    const client = await aClient(h);
    await h.other.get(`/api/v1/clients/${client}/screening`).expect(404);
    await h.other.put(`/api/v1/clients/${client}/intakes/${uuid()}`).send(intakeBody()).expect(404);
    await h.other.post(`/api/v1/clients/${client}/intake-link`).send({}).expect(404);
  });
});

describe('complaints of the intake', () => {
  it('count in the findings, once however often they are sent', async () => {
    const client = await aClient(h);
    const id = uuid();
    const body = intakeBody([], { about: { ...NOTHING_KNOWN, complaints: [{ region: 'neck', score: 4 }] } });
    for (let i = 0; i < 2; i++) await h.agent.put(`/api/v1/clients/${client}/intakes/${id}`).send(body).expect(200);
    const priorities = (await h.agent.get(`/api/v1/clients/${client}/priorities`).expect(200)).body as {
      selfReports: object[];
    };
    expect(priorities.selfReports).toEqual([
      expect.objectContaining({ region: 'neck', score: 4, kind: 'complaint', date: TODAY, habits: [] }),
    ]);
    const twice = {
      ...body,
      about: { ...body.about, complaints: [1, 2].map((score) => ({ region: 'knee', score })) },
    };
    await h.agent.put(`/api/v1/clients/${client}/intakes/${uuid()}`).send(twice).expect(400);
  });
});

describe('a link for the client', () => {
  const anyone = () => request(h.app);

  it('asks and answers without an account, once sent twice counts once, and shows nothing else', async () => {
    const client = await aClient(h, { name: 'Wilma Orbeck' });
    const made = await h.agent.post(`/api/v1/clients/${client}/intake-link`).send({}).expect(201);
    const { token } = made.body as { token: string };
    const seen = await anyone().get(`/api/v1/fill-in/${token}`).expect(200);
    expect(Object.keys(seen.body as object).sort()).toEqual([
      'age',
      'askedOn',
      'consented',
      'firstName',
      'studio',
      'units',
    ]);
    expect(seen.body).toMatchObject({ firstName: 'Wilma', askedOn: TODAY });
    const id = uuid();
    for (let i = 0; i < 2; i++)
      await anyone()
        .put(`/api/v1/fill-in/${token}/${id}`)
        .send(intakeBody(['balance']))
        .expect(200);
    const view = (await h.agent.get(`/api/v1/clients/${client}/screening`)).body as View;
    expect(view.intakes).toEqual([expect.objectContaining({ by: null })]);
    expect(view.current).toMatchObject([{ id: 'balance' }, ...HOUSE]);
    await anyone().get(`/api/v1/clients/${client}`).expect(401);
  });

  it('adds to what is on record and takes nothing away, and is used up by its use', async () => {
    const client = await aClient(h);
    await ask(client, ['heart']);
    const { token } = (await h.agent.post(`/api/v1/clients/${client}/intake-link`).send({}).expect(201)).body as {
      token: string;
    };
    const id = uuid();
    await anyone()
      .put(`/api/v1/fill-in/${token}/${id}`)
      .send(intakeBody(['disc']))
      .expect(200);
    const view = (await h.agent.get(`/api/v1/clients/${client}/screening`).expect(200)).body as View & {
      intakes: { answers: { yes: string[]; denied: string[] } }[];
    };
    expect(view).toMatchObject({ state: 'refer', current: [{ id: 'heart' }, { id: 'disc' }, ...HOUSE] });
    expect(view.intakes[0]!.answers).toMatchObject({ yes: ['heart', 'disc'], denied: ['heart'] });
    await plan(client, [lane('soleus', 'bent-knee-wall-calf')]).expect(409);
    // Neither asked again nor answered otherwise; only the same answers, sent again because the line was cut, are taken as before.
    await anyone().get(`/api/v1/fill-in/${token}`).expect(404);
    await anyone().put(`/api/v1/fill-in/${token}/${uuid()}`).send(intakeBody()).expect(404);
    await anyone()
      .put(`/api/v1/fill-in/${token}/${id}`)
      .send(intakeBody(['disc']))
      .expect(200);
    // The coach's own answer counts.
    expect(await ask(client, ['disc'])).toMatchObject({ state: 'clear' });
  });

  it('ends when it is taken back, replaced, too old or made up', async () => {
    const client = await aClient(h);
    const make = async () =>
      ((await h.agent.post(`/api/v1/clients/${client}/intake-link`).send({})).body as { token: string }).token;
    const first = await make();
    const second = await make();
    await anyone().get(`/api/v1/fill-in/${first}`).expect(404);
    await anyone().get(`/api/v1/fill-in/${second}`).expect(200);
    await h.agent.post(`/api/v1/clients/${client}/intake-link/revoke`).send({}).expect(200);
    await anyone().put(`/api/v1/fill-in/${second}/${uuid()}`).send(intakeBody()).expect(404);
    const third = await make();
    const then = h.clock.now;
    h.clock.now = new Date(then.getTime() + 15 * 24 * 60 * 60 * 1000);
    await anyone().get(`/api/v1/fill-in/${third}`).expect(404);
    h.clock.now = then;
    await anyone().get('/api/v1/fill-in/none').expect(404);
  });

  describe('consent', () => {
    const bare = (over: object = {}) => {
      const { consent: _, ...body } = intakeBody();
      return { ...body, ...over };
    };
    const agreed = { version: CONSENT_VERSION, by: 'client', name: 'Ada Wren' };
    const put = (client: string, body: object, id = uuid()) =>
      h.agent.put(`/api/v1/clients/${client}/intakes/${id}`).send(body);

    it('comes before the first answer, by the text of today, under 18 by a guardian', async () => {
      const client = await aClient(h);
      expect((await put(client, bare()).expect(400)).body.errors[0].path).toBe('consent');
      const old = await put(client, bare({ consent: { ...agreed, version: 99 } })).expect(400);
      expect(old.body.errors[0].path).toBe('consent.version');
      const view = (await put(client, bare({ consent: agreed })).expect(200)).body as ScreeningView;
      expect(view.consent).toMatchObject({ by: 'client', name: 'Ada Wren', version: CONSENT_VERSION });
      // Once is enough, until the text changes; what it kept stays.
      await put(client, bare()).expect(200);
      await h.source.query('UPDATE consent SET version = version - 1 WHERE client_id = ?', [client]);
      expect((await put(client, bare()).expect(400)).body.errors[0].path).toBe('consent');
      const kept = (await h.agent.get(`/api/v1/clients/${client}/screening`)).body as ScreeningView;
      expect(kept.intakes).toHaveLength(2);
      await put(client, bare({ consent: agreed })).expect(200);

      const child = await aClient(h, { birthDate: '2010-05-01' });
      expect((await put(child, bare({ consent: agreed })).expect(400)).body.errors[0].path).toBe('consent.by');
      await put(child, bare({ consent: { ...agreed, by: 'guardian' } })).expect(200);
    });

    it('is recorded by itself for a client of before, whose answers are kept', async () => {
      const client = await aClient(h);
      await put(client, intakeBody(['heart'])).expect(200);
      await h.source.query('DELETE FROM consent WHERE client_id = ?', [client]);
      const path = `/api/v1/clients/${client}/consents/${uuid()}`;
      const before = (await h.agent.get(`/api/v1/clients/${client}/screening`)).body as ScreeningView;
      expect(before).toMatchObject({ consent: null, intakes: [{ answers: { yes: ['heart'] } }] });
      for (let i = 0; i < 2; i++) await h.agent.put(path).send(agreed).expect(200);
      expect(await h.source.query('SELECT id FROM consent WHERE client_id = ?', [client])).toHaveLength(1);
    });

    it('taken back: the answers are gone for good, and nothing can be planned until it is given again', async () => {
      const client = await aClient(h);
      const about = { ...NOTHING_KNOWN, complaints: [{ region: 'knee', score: 4 }] };
      await put(client, intakeBody(['heart'], { about })).expect(200);
      await clear(client, 'heart').expect(200);
      const rows = async (table: string): Promise<number> => {
        const found: unknown[] = await h.source.query(`SELECT id FROM ${table} WHERE client_id = ?`, [client]);
        return found.length;
      };
      expect([await rows('intake'), await rows('clearance'), await rows('self_report')]).toEqual([1, 1, 1]);
      const gone = (await h.agent.post(`/api/v1/clients/${client}/consent/withdraw`).send({}).expect(200))
        .body as ScreeningView;
      expect(gone).toMatchObject({ consent: null, intakes: [], state: 'open' });
      // The complaint and the clearance said of the same health what the answers said.
      expect([await rows('intake'), await rows('clearance'), await rows('self_report')]).toEqual([0, 0, 0]);
      await put(client, bare()).expect(400);
      const kept = await h.source.query('SELECT withdrawn_at FROM consent WHERE client_id = ?', [client]);
      expect(kept[0].withdrawn_at).not.toBeNull();
    });

    it('one answer is erased for good, from every asking, and its question is open again', async () => {
      const client = await aClient(h);
      await put(client, intakeBody(['heart', 'kneeling'])).expect(200);
      await put(client, intakeBody(['heart'])).expect(200);
      const erase = (question: string) => h.agent.post(`/api/v1/clients/${client}/answers/erase`).send({ question });
      const view = (await erase('heart').expect(200)).body as ScreeningView;
      for (const { answers } of view.intakes) {
        expect([...answers.yes, ...answers.no]).not.toContain('heart');
        expect(answers.yes.length + answers.no.length).toBe(QUESTION_IDS.length - 1);
      }
      const stored: { answers: string }[] = await h.source.query('SELECT answers FROM intake WHERE client_id = ?', [
        client,
      ]);
      for (const { answers } of stored) expect(answers).not.toContain('"heart"');
      expect(view.current.map((c) => c.id)).not.toContain('heart');
      await erase('no-such-question').expect(400);
    });
  });
});
