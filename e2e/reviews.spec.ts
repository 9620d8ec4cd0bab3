import type { APIRequestContext } from '@playwright/test';
import { dayPlanOf } from '@yandle/core';
import type { ClientReview, Session, SessionSummary } from '@yandle/contract';
import { axe, expect, signInQuietly, test } from './support';

const CLIENTS = 100;
const EXCEPTIONS = 15;

const id = (): string => crypto.randomUUID();
const day = (date: string, days: number): string =>
  new Date(Date.parse(`${date}T12:00:00Z`) + days * 86_400_000).toISOString().slice(0, 10);

/** A client with one lane and one session a week, whose first week is over; of some nothing was logged. */
async function aClient(request: APIRequestContext, me: { coach: { id: string }; today: string }, i: number) {
  const send = async (method: 'post' | 'put', path: string, data: object) => {
    const answer = await request[method](`/api/v1${path}`, { data });
    expect(answer.ok(), `${path}: ${answer.status()} ${await answer.text()}`).toBe(true);
    return answer;
  };
  const client = id();
  await send('post', '/clients', {
    ...{ id: client, name: `Person ${String(i).padStart(3, '0')}`, birthDate: '1980-01-10', sex: null, aim: 'Reach' },
    ...{ experience: 'regular', trainingDays: [1, 2, 3, 4, 5, 6, 7], minutesPerSession: 15, gentleGroups: [] },
    ...{ screening: 'clear', screeningNote: '', notes: '', leadCoachId: me.coach.id },
  });
  const startDate = day(me.today, -7);
  const weekday = new Date(`${startDate}T12:00:00Z`).getUTCDay() || 7;
  const other = (weekday % 7) + 1;
  await send('post', `/clients/${client}/blocks`, {
    ...{ id: id(), startDate, weeks: 6, ramp: 0.2, easierEvery: null, easierWeeks: null, missedWeeks: [], away: [] },
    ...{ lanesPerSession: 5, smallestPlate: null, reason: 'First plan' },
    dayPlans: [
      {
        ...dayPlanOf({ trainingDays: [1], minutesPerSession: 15 }),
        weekdays: [weekday, other],
      },
    ],
    lanes: [
      {
        ...{ id: id(), group: 'soleus', styleId: 'steady-hold', laterStyles: [], fromWeek: 1, untilWeek: null },
        ...{ startingDose: null, loadUnit: null, startLoad: null, startHelp: null, loadMax: null, phaseWeeks: null },
        ...{
          exercises: [{ technique: 'static hold', exerciseId: 'bent-knee-wall-calf', dayPlanId: null }],
          locked: [],
        },
      },
    ],
  });
  if (i < EXCEPTIONS) return;
  const sessions = (await (await request.get(`/api/v1/clients/${client}/sessions`)).json()) as SessionSummary[];
  for (const { id: session } of sessions.filter((s) => s.week === 1)) {
    const { items } = (await (await request.get(`/api/v1/sessions/${session}`)).json()) as Session;
    const run = id();
    const at = new Date().toISOString();
    await send('post', `/sessions/${session}/runs`, { id: run, startedAt: at });
    for (const [item, { sets, holdSeconds }] of items.entries())
      for (const side of ['left', 'right'])
        for (let set = 1; set <= sets; set++)
          await send('put', `/runs/${run}/sets/${id()}`, {
            ...{ item, side, set, plannedSeconds: holdSeconds, doneSeconds: holdSeconds, replaces: null },
          });
    await send('post', `/runs/${run}/finish`, { endedAt: at, sensation: null, feltTighter: null, note: '' });
  }
}

test('a hundred clients are reviewed: one key for all plain ones, and no more than three for an exception', async ({
  page,
}) => {
  test.slow();
  await signInQuietly(page);
  const me = (await (await page.request.get('/api/v1/me')).json()) as { coach: { id: string }; today: string };
  for (let i = 0; i < CLIENTS; i += 4) await Promise.all([0, 1, 2, 3].map((k) => aClient(page.request, me, i + k)));

  const started = Date.now();
  const all = (await (await page.request.get('/api/v1/reviews?whose=all')).json()) as ClientReview[];
  expect(Date.now() - started).toBeLessThan(3_000);
  const mine = all.filter((r) => r.clientName.startsWith('Person '));
  expect(mine).toHaveLength(CLIENTS);
  expect(mine.filter((r) => r.lanes[0]!.review.move === 'ask')).toHaveLength(EXCEPTIONS);

  await page.goto('/reviews');
  await expect(page.getByRole('heading', { name: 'Weekly reviews' })).toBeVisible();
  const plain = page.getByRole('button', { name: /^Accept all \d+ plain ones/ });
  await expect(plain).toBeFocused();
  expect(await axe(page)).toEqual([]);
  let keys = 1;
  await page.keyboard.press('Enter');
  await expect(page.getByText(/lanes of \d+ clients decided\./)).toBeVisible({ timeout: 60_000 });
  await expect(page.getByRole('main').getByRole('status')).toHaveText(/^\s*\d+ lanes need a look, 0 are plain\.\s*$/);

  const rows = page.getByRole('group', { name: /^Decide: / });
  const exceptions = await rows.count();
  expect(exceptions).toBeGreaterThanOrEqual(EXCEPTIONS);
  for (let left = exceptions; left > 0; left--) {
    await expect(rows).toHaveCount(left);
    await expect(page.locator('[role=group] button:focus')).toBeVisible();
    // Every third one is decided otherwise than proposed.
    for (const key of left % 3 === 0 ? ['ArrowRight', 'Enter'] : ['Enter']) {
      await page.keyboard.press(key);
      keys++;
    }
  }
  await expect(page.getByText('Everything is decided.')).toBeVisible();
  expect(keys - 1).toBeLessThanOrEqual(3 * exceptions);
  const after = (await (await page.request.get('/api/v1/reviews?whose=all')).json()) as ClientReview[];
  expect(after.flatMap((r) => r.lanes).every((l) => l.decision !== null)).toBe(true);
});
