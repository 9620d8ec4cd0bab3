import { readFileSync } from 'node:fs';
import { gunzipSync } from 'node:zlib';
import type {
  Today,
  Block,
  LateLog,
  OwnExercise,
  OwnStyle,
  OwnTemplate,
  PrioritiesView,
  SessionSummary,
} from '@yandle/contract';
import { v7 as uuid } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { DataSource } from 'typeorm';
import type { Express } from 'express';
import type TestAgent from 'supertest/lib/agent.js';
import { MIGRATIONS } from '../src/database/migrations/index.js';
import { intakeBody } from './bodies.js';
import { NOW, bareDatabase, newApp, signedIn } from './harness.js';

/** A studio as the version before stored it: written by that version through its API, and dumped. */
const DUMP = gunzipSync(readFileSync(new URL('./fixtures/before-words.sql.gz', import.meta.url))).toString();
/** Files that the version before exported. */
const FILES = JSON.parse(readFileSync(new URL('./fixtures/files-version-1.json', import.meta.url), 'utf8')) as Record<
  'exercises' | 'styles' | 'templates',
  object
>;

describe('a studio of the version before', () => {
  let source: DataSource;
  let app: Express;
  let coach: TestAgent;
  let client: string;

  beforeAll(async () => {
    source = await bareDatabase();
    for (const statement of DUMP.split(/;\n/)) if (statement.trim() !== '') await source.query(statement);
    await source.runMigrations({ transaction: 'each' });
    app = newApp(source, { now: () => NOW });
    coach = await signedIn(app, 'first@studio.example');
    const { items } = (await coach.get('/api/v1/clients').expect(200)).body as { items: { id: string }[] };
    client = items[0]!.id;
  });
  afterAll(() => source.destroy());

  it('has the tables of today, and nothing of the old names', async () => {
    expect((await source.driver.createSchemaBuilder().log()).upQueries.map((q) => q.query)).toEqual([]);
    const rows = await source.query<{ found: string }[]>(
      `SELECT CONCAT(table_name, '.', column_name) AS found FROM information_schema.columns WHERE table_schema = DATABASE()
       UNION SELECT index_name FROM information_schema.statistics WHERE table_schema = DATABASE()
       UNION SELECT constraint_name FROM information_schema.table_constraints WHERE table_schema = DATABASE()`,
    );
    const old = /programme|trial|\bfelt\b|focus|visit|day_note|letter|share|retired|\blevel|easy_on|trims/;
    expect(rows.map((r) => r.found).filter((n) => old.test(n))).toEqual([]);
  });

  it('keeps client, intake, readings and decisions', async () => {
    expect((await coach.get(`/api/v1/clients/${client}`).expect(200)).body.client).toMatchObject({
      name: 'Ludmila Orwin',
      experience: 'regular',
      gentleGroups: ['soleus'],
    });
    const screening = (await coach.get(`/api/v1/clients/${client}/screening`).expect(200)).body;
    expect(screening.intakes[0].about).toMatchObject({
      aims: ['squat'],
      places: [{ kind: 'bed', things: ['cushion', 'roller'], floor: false }],
    });
    const [assessment] = (await coach.get(`/api/v1/clients/${client}/assessments`).expect(200)).body;
    expect(assessment.readings.map((r: { value: number }) => r.value)).toEqual([8, 8.5, 12, 12.5]);
    expect(assessment.events).toMatchObject([{ kind: 'skipped', reason: 'No time' }]);
    const view = (await coach.get(`/api/v1/clients/${client}/priorities`).expect(200)).body as PrioritiesView;
    expect(view.priorities).toMatchObject({ pinned: ['soleus'], quickCheck: ['weight-bearing-lunge'] });
    expect(view.selfReports.map((r) => r.score).sort()).toEqual([4, 6]);
  });

  it('keeps the block with its choices and cells, and can publish it again', async () => {
    const [block] = (await coach.get(`/api/v1/clients/${client}/blocks`).expect(200)).body as Block[];
    expect(block!.choices.lanes[0]).toMatchObject({ startingDose: 240 });
    expect(block!.choices.lanes[0]!.exercises.map((e) => e.technique)).toEqual([
      'rolling',
      'static hold',
      'activation',
    ]);
    expect(block!.lanes[0]!.weeks[0]!.beforeAndAfter[0]!.technique).toBe('rolling');
    expect(block!.lanes[1]!.weeks[1]).toMatchObject({ locked: true, prescription: { holdSeconds: 35 } });
    const body = { ...block!.choices, version: block!.version, reason: 'Again' };
    // New questions are asked before the next publication; what runs goes on, and Today lists who it is.
    const refused = await coach.put(`/api/v1/blocks/${block!.id}`).send(body).expect(409);
    expect(refused.body.code).toBe('screening-blocks-planning');
    const today = (await coach.get('/api/v1/today').expect(200)).body as Today;
    expect(today.questions.map((q) => q.clientId)).toEqual([client]);
    // The next morning: the newest answers count.
    const next = newApp(source, { now: () => new Date(NOW.getTime() + 24 * 3600_000) });
    const tomorrow = await signedIn(next, 'first@studio.example');
    const answers = intakeBody([], { askedOn: '2026-03-10' });
    await tomorrow.put(`/api/v1/clients/${client}/intakes/${uuid()}`).send(answers).expect(200);
    await tomorrow.put(`/api/v1/blocks/${block!.id}`).send(body).expect(200);
  });

  it('keeps sessions and what was done, and takes a run in that came late', async () => {
    const sessions = (await coach.get(`/api/v1/clients/${client}/sessions`).expect(200)).body as SessionSummary[];
    const done = sessions.find((s) => s.status === 'done')!;
    const { run, items } = (await coach.get(`/api/v1/sessions/${done.id}`).expect(200)).body;
    expect(run).toMatchObject({ sensation: 5, feltTighter: 'left', sets: [{ doneSeconds: 30, side: 'left' }] });
    expect(items).toHaveLength(4);
    const late = (await coach.get(`/api/v1/clients/${client}/late-logs`).expect(200)).body as LateLog[];
    expect(late).toHaveLength(1);
    await coach.put(`/api/v1/clients/${client}/late-logs/${late[0]!.runId}`).send({ accept: true }).expect(200);
  });

  it('keeps own exercises, styles and templates with their versions, and knows their files again', async () => {
    const exercises = (await coach.get('/api/v1/own-exercises').expect(200)).body as OwnExercise[];
    expect(exercises.map((e) => [e.name, e.difficulty, e.technique, e.archived])).toEqual([
      ['Our long roller', 2, 'rolling', true],
      ['From a file', 3, 'static hold', false],
    ]);
    // What they ask is known from their tags only: left out for clients with a limit until the coach goes through it.
    expect(exercises.map((e) => e.demandsKnown)).toEqual([false, false]);
    expect(exercises.every((e) => Array.isArray(e.demands) && !('tags' in e))).toBe(true);
    const versions = (await coach.get(`/api/v1/own-exercises/${exercises[0]!.id}/versions`).expect(200)).body;
    expect(versions[0].definition).toMatchObject({ name: 'Our roller', difficulty: 2, technique: 'rolling' });
    const styles = (await coach.get('/api/v1/own-styles').expect(200)).body as OwnStyle[];
    expect(styles.map((s) => [s.name, s.before?.technique, s.phases[0]!.stepSize])).toEqual([
      ['Our rolling', 'rolling', 5],
      ['Style of a file', 'rolling', 5],
    ]);
    const templates = (await coach.get('/api/v1/own-templates').expect(200)).body as OwnTemplate[];
    expect(templates.map((t) => t.name)).toEqual(['Our desk', 'Template of a file']);
    for (const kind of ['exercises', 'styles', 'templates'] as const)
      expect((await coach.post(`/api/v1/own-${kind}/import`).send(FILES[kind]).expect(200)).body).toEqual({
        added: 0,
        same: 1,
      });
  });

  it('is answered under the old paths for one release, in the old words', async () => {
    const focus = (await coach.get(`/api/v1/clients/${client}/focus`).expect(200).expect('deprecation', 'true')).body;
    expect(Object.keys(focus).sort()).toEqual(['felt', 'focus', 'goals']);
    const [assessment] = (await coach.get(`/api/v1/clients/${client}/assessments`).expect(200)).body;
    const reading = {
      testId: 'weight-bearing-lunge',
      side: 'left',
      value: 9,
      instrument: 'tape',
      replaces: null,
      warm: null,
      testerId: null,
    };
    const { body } = await coach.put(`/api/v1/assessments/${assessment.id}/trials/${uuid()}`).send(reading).expect(200);
    expect(body.trials).toHaveLength(5);
    const report = { date: '2026-03-09', region: 'hip', kind: 'stiffness', moment: 'day', score: 2, habits: [] };
    expect(
      (await coach.put(`/api/v1/clients/${client}/felt/${uuid()}`).send(report).expect(200)).body.felt,
    ).toHaveLength(3);
    const note = { date: '2026-03-09', region: null, soreness: 3, note: '' };
    await coach.put(`/api/v1/clients/${client}/day-notes/${uuid()}`).send(note).expect(200);
    await coach.get('/api/v1/test-book').expect(200);
    await coach.get(`/api/v1/clients/${client}/late-runs`).expect(200);
    const { token } = (await coach.post(`/api/v1/clients/${client}/share-link`).send({}).expect(201)).body;
    await coach.post('/api/v1/shared/open').send({ token }).expect(200);
    const seen = (await coach.get('/api/v1/shared/programme').expect(200)).body;
    expect(seen.dayNotes.map((n: { soreness: number }) => n.soreness).sort()).toEqual([3, 4]);
    await coach
      .put(`/api/v1/shared/day-notes/${uuid()}`)
      .send({ ...note, soreness: 5 })
      .expect(200);
  });

  it('can go back to the tables of before', async () => {
    const runner = source.createQueryRunner();
    const Last = MIGRATIONS.find((m) => m.name.startsWith('Words'))!;
    for (const Migration of MIGRATIONS.slice(MIGRATIONS.indexOf(Last)).reverse()) await new Migration().down(runner);
    const [style] = await source.query("SELECT definition FROM own_style WHERE definition LIKE '%Our rolling%'");
    expect(JSON.parse(style.definition)).toMatchObject({
      before: { technique: 'release' },
      phases: [{ amountGrain: 5 }],
    });
    for (const Migration of MIGRATIONS.slice(MIGRATIONS.indexOf(Last))) await new Migration().up(runner);
    await runner.release();
    expect((await source.driver.createSchemaBuilder().log()).upQueries.map((q) => q.query)).toEqual([]);
  });
});

describe('what a version of before said', () => {
  it('reads as it did, with a code where one can be told', async () => {
    const source = await bareDatabase();
    for (const statement of DUMP.split(/;\n/)) if (statement.trim() !== '') await source.query(statement);
    const before = await source.query<{ reason: string }[]>(
      "SELECT reason FROM prescription WHERE part = 0 AND reason <> '' ORDER BY id",
    );
    await source.runMigrations({ transaction: 'each' });
    const coach = await signedIn(newApp(source, { now: () => NOW }), 'first@studio.example');
    const { items } = (await coach.get('/api/v1/clients').expect(200)).body as { items: { id: string }[] };
    const [block] = (await coach.get(`/api/v1/clients/${items[0]!.id}/blocks`).expect(200)).body as Block[];
    const weeks = block!.lanes.flatMap((l) => l.weeks);
    expect(weeks.map((w) => w.said).sort()).toEqual(before.map((r) => r.reason).sort());
    const coded = weeks.filter((w) => w.said!.startsWith('Easier week: 67 %'));
    expect(coded.length).toBeGreaterThan(0);
    for (const w of coded) expect(w.reasons).toEqual([{ code: 'easier', args: { percent: 67 }, words: w.said }]);
    expect(weeks.every((w) => w.reasons.length > 0)).toBe(true);
    await source.destroy();
  });
});
