import { expect, type APIRequestContext } from '@playwright/test';
import { dayPlanOf, type MuscleGroupId } from '@yandle/core';
import type { Session, SessionSummary } from '@yandle/contract';
import { ZONE } from './browser';

/** Clients made for a test, with weeks behind them: what would take weeks by hand goes in through the same requests as the screens send. */

export interface Me {
  readonly coach: { readonly id: string };
  readonly today: string;
}

export interface MadeClient {
  readonly name: string;
  /** Weeks since the block began. */
  readonly weeksAgo: number;
  readonly weeks: number;
  readonly lanes: readonly { readonly group: MuscleGroupId; readonly exerciseId: string }[];
  /** What was logged of a week: everything as planned, or nothing. */
  readonly did: (week: number) => boolean;
}

export const newId = (): string => crypto.randomUUID();
export const dayFrom = (date: string, days: number): string =>
  new Date(Date.parse(`${date}T12:00:00Z`) + days * 86_400_000).toISOString().slice(0, 10);

/** Sends a change, which has to be taken. */
export async function send(
  request: APIRequestContext,
  method: 'post' | 'put',
  path: string,
  data: object,
): Promise<unknown> {
  const answer = await request[method](`/api/v1${path}`, { data });
  expect(answer.ok(), `${path}: ${answer.status()} ${answer.ok() ? '' : await answer.text()}`).toBe(true);
  const text = await answer.text();
  return text === '' ? null : (JSON.parse(text) as unknown);
}

/**
 * A time of a day by the clocks of the studio. By UTC it would lie in the night or the evening before, as the zone of the hour has it
 * (`late-morning.mjs`), and now and then within six hours of an assessment.
 */
function atStudio(date: string, time: string): string {
  const utc = new Date(`${date}T${time}:00.000Z`);
  const there = new Date(`${utc.toLocaleString('sv-SE', { timeZone: ZONE }).replace(' ', 'T')}.000Z`);
  return new Date(2 * utc.getTime() - there.getTime()).toISOString();
}

/** Everything of a session as planned, at noon. */
export async function logWhole(request: APIRequestContext, session: string): Promise<void> {
  const { items, date } = (await (await request.get(`/api/v1/sessions/${session}`)).json()) as Session;
  const run = newId();
  await send(request, 'post', `/sessions/${session}/runs`, { id: run, startedAt: atStudio(date, '12:00') });
  for (const [item, { sets, holdSeconds }] of items.entries())
    for (const side of ['left', 'right'])
      for (let set = 1; set <= sets; set++)
        await send(request, 'put', `/runs/${run}/sets/${newId()}`, {
          ...{ item, side, set, plannedSeconds: holdSeconds, doneSeconds: holdSeconds, replaces: null },
        });
  await send(request, 'post', `/runs/${run}/finish`, {
    ...{ endedAt: atStudio(date, '12:30'), sensation: null, feltTighter: null, note: '' },
  });
}

/** A client whose block began some weeks ago, with two sessions a week. @returns the id of the client */
export async function aMadeClient(request: APIRequestContext, me: Me, made: MadeClient): Promise<string> {
  const client = newId();
  await send(request, 'post', '/clients', {
    ...{ id: client, name: made.name, birthDate: '1980-01-10', sex: null, aim: 'Reach', experience: 'regular' },
    ...{ trainingDays: [1, 2, 3, 4, 5, 6, 7], minutesPerSession: 15, gentleGroups: [], screening: 'clear' },
    ...{ screeningNote: '', notes: '', leadCoachId: me.coach.id },
  });
  const startDate = dayFrom(me.today, -7 * made.weeksAgo);
  const weekday = new Date(`${startDate}T12:00:00Z`).getUTCDay() || 7;
  await send(request, 'post', `/clients/${client}/blocks`, {
    ...{ id: newId(), startDate, weeks: made.weeks, ramp: 0.2, easierEvery: null, easierWeeks: null, missedWeeks: [] },
    ...{ away: [], lanesPerSession: 5, smallestPlate: null, reason: 'First plan' },
    dayPlans: [{ ...dayPlanOf({ trainingDays: [1], minutesPerSession: 15 }), weekdays: [weekday, (weekday % 7) + 1] }],
    lanes: made.lanes.map(({ group, exerciseId }) => ({
      ...{ id: newId(), group, styleId: 'steady-hold', laterStyles: [], fromWeek: 1, untilWeek: null },
      ...{ startingDose: null, loadUnit: null, startLoad: null, startHelp: null, loadMax: null, phaseWeeks: null },
      ...{ exercises: [{ technique: 'static hold', exerciseId, dayPlanId: null }], locked: [] },
    })),
  });
  const sessions = (await (await request.get(`/api/v1/clients/${client}/sessions`)).json()) as SessionSummary[];
  for (const s of sessions) if (s.date < me.today && made.did(s.week ?? 0)) await logWhole(request, s.id);
  return client;
}

/** An assessment on a day, one reading a side. */
export async function measured(
  request: APIRequestContext,
  client: string,
  date: string,
  testId: string,
  values: { readonly left: number; readonly right: number },
): Promise<void> {
  const id = newId();
  const conditions = { date, time: '00:10', warm: false, note: '', battery: [testId] };
  await send(request, 'post', `/clients/${client}/assessments`, { id, ...conditions });
  for (const [side, value] of Object.entries(values))
    await send(request, 'put', `/assessments/${id}/readings/${newId()}`, {
      ...{ testId, side, value, instrument: 'goniometer', replaces: null },
    });
}
