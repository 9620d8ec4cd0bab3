import type { Block, Session, SessionSummary, WeekReview } from '@yandle/contract';
import { v7 as uuid } from 'uuid';
import { aClient, blockBody, TODAY, type Harness } from './harness.js';

/** The last day of the block's first week: its sessions are past, and the second week may still change. */
export const SUNDAY = new Date('2026-03-15T18:00:00.000Z');

export const sessionsBy = async (h: Harness, client: string): Promise<SessionSummary[]> =>
  (await h.agent.get(`/api/v1/clients/${client}/sessions`).expect(200)).body as SessionSummary[];
export const reviewBy = async (h: Harness, client: string): Promise<WeekReview | null> =>
  (await h.agent.get(`/api/v1/clients/${client}/review`).expect(200)).body as WeekReview | null;
export const blockBy = async (h: Harness, client: string): Promise<Block> =>
  ((await h.agent.get(`/api/v1/clients/${client}/blocks`).expect(200)).body as Block[])[0]!;
export const doses = (b: Block, group: string): number[] =>
  b.lanes.find((l) => l.group === group)!.weeks.map((w) => w.dose);

export const whole = { 'bent-knee-wall-calf': 1, 'supine-strap-hamstring': 1 };
export const half = { ...whole, 'bent-knee-wall-calf': 0.5 };

export type LogArgs = [
  client: string,
  share: Readonly<Record<string, number>>,
  sensation?: number | null,
  week?: number,
];

/** Seconds of a set; of contract-relax those of all its cycles. */
const secondsOf = (i: Session['items'][number]): number => (i.holdSeconds ?? 0) * (i.cycles ?? 1);

/** Logs every session of a week: of each exercise a share of its sets, and what was felt. */
export async function logWeek(h: Harness, ...[client, share, sensation = null, week = 1]: LogArgs): Promise<void> {
  for (const s of (await sessionsBy(h, client)).filter((x) => x.week === week)) {
    const session = (await h.agent.get(`/api/v1/sessions/${s.id}`)).body as Session;
    const run = uuid();
    const begin = { id: run, startedAt: h.clock.now.toISOString() };
    await h.agent.post(`/api/v1/sessions/${s.id}/runs`).send(begin).expect(201);
    for (const [item, i] of session.items.entries())
      for (const side of ['left', 'right'])
        for (let set = 1; set <= Math.round(i.sets * share[i.exerciseId]!); set++)
          await h.agent
            .put(`/api/v1/runs/${run}/sets/${uuid()}`)
            .send({
              ...{ item, side, set, replaces: null, sensation },
              ...{ plannedSeconds: secondsOf(i), doneSeconds: secondsOf(i) },
            })
            .expect(200);
    const end = { endedAt: h.clock.now.toISOString(), sensation: null, feltTighter: null, note: '' };
    await h.agent.post(`/api/v1/runs/${run}/finish`).send(end).expect(200);
  }
}

/** A client whose block began on the first day of the tests, at a later time. */
export async function plannedAt(h: Harness, now: Date, over: object = {}, client: object = {}): Promise<string> {
  h.clock.now = new Date(`${TODAY}T08:00:00.000Z`);
  const id = await aClient(h, client);
  const body = blockBody({ startDate: TODAY, ...over });
  await h.agent.post(`/api/v1/clients/${id}/blocks`).send(body).expect(201);
  h.clock.now = now;
  return id;
}

export const decideBy = (h: Harness, client: string, r: WeekReview, decisions: readonly object[]) =>
  h.agent.put(`/api/v1/clients/${client}/review`).send({ version: r.version, week: r.week, decisions });

/** An assessment with one reading a side. Knees that lack fewer degrees to straight are freer. */
export async function measured(
  h: Harness,
  client: string,
  date: string,
  left: number,
  right: number,
  testId = 'active-knee-extension',
): Promise<void> {
  const id = uuid();
  const body = { id, date, time: '08:40', warm: false, note: '', battery: [testId] };
  await h.agent.post(`/api/v1/clients/${client}/assessments`).send(body).expect(201);
  for (const [side, value] of Object.entries({ left, right }))
    await h.agent
      .put(`/api/v1/assessments/${id}/readings/${uuid()}`)
      .send({ testId, side, value, instrument: 'goniometer', replaces: null })
      .expect(200);
}
