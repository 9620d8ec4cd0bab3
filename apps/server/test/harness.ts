import type { Express } from 'express';
import { pino, type Logger } from 'pino';
import request from 'supertest';
import type TestAgent from 'supertest/lib/agent.js';
import type { DataSource } from 'typeorm';
import { v7 as uuid } from 'uuid';
import { CoachEntity, StudioEntity } from '../src/accounts/entities.js';
import { hashPassword } from '../src/accounts/password.js';
import { DatabaseSessionStore } from '../src/accounts/session-store.js';
import { createApp } from '../src/app.js';
import type { Clock } from '../src/clock.js';
import { openDataSource } from '../src/database/data-source.js';
import { HealthProbe } from '../src/database/health-probe.js';
import { migrate } from '../src/database/lease.js';
import type { Life } from '../src/http/health.js';

export const PASSWORD = 'a password of the tests';
/** Monday 9 March 2026, 09:00 in Vienna. */
export const NOW = new Date('2026-03-09T08:00:00.000Z');
export const TODAY = '2026-03-09';

/** The application on a real database, at a fixed time, with two studios. */
export interface Harness {
  readonly app: Express;
  readonly source: DataSource;
  readonly clock: { now: Date };
  readonly coachId: string;
  readonly otherCoachId: string;
  /** A browser signed in at the first studio. */
  readonly agent: TestAgent;
  /** A browser signed in at the other studio. */
  readonly other: TestAgent;
  close(): Promise<void>;
}

export function newApp(
  source: DataSource,
  clock: Clock,
  {
    life = { stopping: false },
    url = databaseUrl(),
    log = pino({ level: 'silent' }),
    webRoot = null,
    publicUrl = null,
  }: { life?: Life; url?: string; log?: Logger; webRoot?: string | null; publicUrl?: string | null } = {},
): Express {
  return createApp({
    config: {
      publicUrl,
      trustedProxies: 0,
      webRoot,
      sessionSecret: 'a secret of the tests, long enough',
      erasedFile: null,
    },
    source,
    store: new DatabaseSessionStore(source, clock),
    clock,
    log,
    probe: new HealthProbe(url),
    life,
  });
}

/** Address of this worker's database. */
export function databaseUrl(): string {
  const url = process.env['TEST_DATABASE_URL'];
  if (!url) throw new Error('Run this through npm run test:api: it needs a database of its own.');
  return `${url}_${process.env['VITEST_POOL_ID'] ?? '1'}`;
}

/** The database without a table. */
export async function bareDatabase(): Promise<DataSource> {
  const source = await openDataSource(databaseUrl());
  await source.query('SET FOREIGN_KEY_CHECKS = 0');
  for (const { name } of await source.query<{ name: string }[]>(
    'SELECT table_name AS name FROM information_schema.tables WHERE table_schema = DATABASE()',
  ))
    await source.query(`DROP TABLE \`${name}\``);
  await source.query('SET FOREIGN_KEY_CHECKS = 1');
  return source;
}

/** The database with its tables, and nothing in them. */
export async function emptyDatabase(): Promise<DataSource> {
  const source = await bareDatabase();
  await migrate(source);
  return source;
}

async function studio(source: DataSource, name: string, email: string): Promise<string> {
  const studioId = uuid();
  const coachId = uuid();
  await source.manager.insert(StudioEntity, { id: studioId, name, timeZone: 'Europe/Vienna' });
  await source.manager.insert(CoachEntity, {
    id: coachId,
    studioId,
    name: `Coach of ${name}`,
    email,
    passwordHash: await hashPassword(PASSWORD),
    role: 'owner',
  });
  return coachId;
}

export async function signedIn(app: Express, email: string): Promise<TestAgent> {
  const agent = request.agent(app);
  await agent.post('/api/v1/sign-in').send({ email, password: PASSWORD }).expect(200);
  return agent;
}

export async function harness(): Promise<Harness> {
  const source = await emptyDatabase();
  const coachId = await studio(source, 'First', 'first@studio.example');
  const otherCoachId = await studio(source, 'Other', 'other@studio.example');
  const clock = { now: NOW };
  const app = newApp(source, { now: () => clock.now });
  return {
    app,
    source,
    clock,
    coachId,
    otherCoachId,
    agent: await signedIn(app, 'first@studio.example'),
    other: await signedIn(app, 'other@studio.example'),
    close: () => source.destroy(),
  };
}

export const clientBody = (leadCoachId: string, over: object = {}) => ({
  id: uuid(),
  name: 'Ottoline Varga',
  birthDate: '1980-01-10',
  sex: null,
  aim: 'Sit on my heels',
  experience: 'regular',
  trainingDays: [1, 3, 5, 6],
  minutesPerSession: 20,
  gentleGroups: [],
  screening: 'clear',
  screeningNote: '',
  notes: '',
  leadCoachId,
  ...over,
});

/** A lane in the Steady hold style with one exercise, to be bent by a test. */
export const laneBody = (group: string, exerciseId: string, over: object = {}) => ({
  id: uuid(),
  group,
  styleId: 'steady-hold',
  laterStyles: [],
  fromWeek: 1,
  untilWeek: null,
  startingDose: null,
  loadUnit: null,
  startLoad: null,
  startHelp: null,
  loadMax: null,
  phaseWeeks: null,
  exercises: [{ technique: 'static hold', exerciseId, dayPlanId: null }],
  locked: [],
  ...over,
});

/** A kind of session on the days of {@link clientBody}. */
export const dayPlanBody = (over: object = {}) => ({
  id: 'day-plan-1',
  name: 'Session',
  weekdays: [1, 3, 5, 6],
  purpose: 'own',
  minutes: 20,
  warm: false,
  placeId: null,
  order: 'fewest changes',
  theme: null,
  routineId: null,
  ...over,
});

export const blockBody = (over: object = {}) => ({
  id: uuid(),
  startDate: TODAY,
  weeks: 8,
  ramp: 0.2,
  easierEvery: 4,
  easierWeeks: null,
  missedWeeks: [],
  away: [],
  lanesPerSession: 5,
  dayPlans: [dayPlanBody()],
  smallestPlate: null,
  reason: 'First plan',
  lanes: [laneBody('soleus', 'bent-knee-wall-calf'), laneBody('hamstrings', 'supine-strap-hamstring')],
  ...over,
});

/** Creates a client and gives its id. */
export async function aClient(h: Harness, over: object = {}): Promise<string> {
  const response = await h.agent.post('/api/v1/clients').send(clientBody(h.coachId, over)).expect(201);
  return (response.body as { id: string }).id;
}
