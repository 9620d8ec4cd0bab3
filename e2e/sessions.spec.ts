import { randomUUID } from 'node:crypto';
import type { Session, SessionSummary } from '@yandle/contract';
import { ROUTINES } from '@yandle/core';
import type { Page } from '@playwright/test';
import { clientCalled, expect, signInQuietly, standStill, test } from './support';

const seconds = (clock: string): number => {
  const [m, s] = clock.split(':').map(Number);
  return m! * 60 + s!;
};
const load = async (page: Page, id: string): Promise<Session> =>
  (await (await page.request.get(`/api/v1/sessions/${id}`)).json()) as Session;

/** The sheet of a client's next session. */
async function openSheet(page: Page, name: string): Promise<{ id: string; clientId: string }> {
  await signInQuietly(page);
  const { client, nextSession } = await clientCalled(page.request, name);
  await page.goto(`/clients/${client.id}/sessions/${nextSession!.id}`);
  await expect(page.getByRole('heading', { name: 'Change this session' })).toBeVisible();
  return { id: nextSession!.id, clientId: client.id };
}

test('a coach composes a session for fewer minutes, takes it, undoes it and goes back to the plan', async ({
  page,
}) => {
  const { id } = await openSheet(page, 'Ottoline');
  const before = await load(page, id);
  await page.getByRole('button', { name: 'Suggest a session…' }).click();
  const panel = page.getByRole('region', { name: 'Suggest a session' });
  await panel.getByLabel('Minutes').fill('6');
  await panel.getByLabel('Minutes').blur();
  await panel.getByRole('button', { name: 'Compose', exact: true }).click();
  await expect(panel.getByText('Nothing better fits these minutes (proven).')).toBeVisible({ timeout: 20_000 });
  await expect(panel.getByText(/Covers soleus \d+ s/)).toBeVisible();
  // The plan asks for more than six minutes hold, and it says so.
  await expect(panel.getByText(/ s short \(static hold\): \d+:\d\d more would fit it\./).first()).toBeVisible();
  await panel.getByRole('button', { name: 'Use this session' }).click();
  await expect(page.getByText('Changed by hand, saved.')).toBeVisible();
  const taken = await load(page, id);
  expect(taken.minutesBudget).toBe(6);
  expect(taken.totalSeconds).toBeLessThanOrEqual(6 * 60);
  expect(taken.plannedItems).toEqual(before.items);

  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('As the plan has it.')).toBeVisible();
  expect((await load(page, id)).items).toEqual(before.items);
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect(page.getByText('Changed by hand, saved.')).toBeVisible();
  await page.getByRole('button', { name: 'Back to the plan' }).click();
  await expect(page.getByText('As the plan has it.')).toBeVisible();
  expect((await load(page, id)).items).toEqual(before.items);
});

test('what the coach keeps can clash with the minutes: it says by how much', async ({ page }) => {
  await signInQuietly(page);
  // A client of this test alone: the session made here would be the next one of another test.
  const { client } = await clientCalled(page.request, 'Fenna');
  const { today } = (await (await page.request.get('/api/v1/me')).json()) as { today: string };
  // Six exercises with nothing but minutes against them.
  const { items } = ROUTINES.find((r) => r.id === 'after-running')!;
  const [made] = (await (
    await page.request.post(`/api/v1/clients/${client.id}/sessions`, {
      data: {
        sessions: [{ id: randomUUID(), date: today }],
        ...{ name: 'After running', routineId: null, placeId: null },
        ...{ purpose: 'own', alreadyWarm: true, rounds: 1, minutes: null, items },
      },
    })
  ).json()) as [SessionSummary];
  await page.goto(`/clients/${client.id}/sessions/${made.id}`);
  await page.getByRole('button', { name: 'Suggest a session…' }).click();
  const panel = page.getByRole('region', { name: 'Suggest a session' });
  await panel.getByLabel('Minutes').fill('5');
  await panel.getByLabel('Minutes').blur();
  for (const name of await panel.getByRole('combobox').all()) {
    if ((await name.locator('option[value="keep"]').count()) > 0) await name.selectOption('keep');
  }
  await panel.getByRole('button', { name: 'Compose', exact: true }).click();
  await expect(panel.getByRole('alert')).toContainText(/Give it \d+:\d\d more/, { timeout: 20_000 });
});

test('an exercise is swapped in all coming sessions, and put back there', async ({ page }) => {
  const { id, clientId } = await openSheet(page, 'Tobin');
  const before = await load(page, id);
  const from = before.items[0]!.exerciseId;
  const all = (await (await page.request.get(`/api/v1/clients/${clientId}/sessions`)).json()) as SessionSummary[];
  const coming = all.filter((s) => s.status === 'planned' && s.date > before.date);
  const last = coming.at(-1)!;
  expect((await load(page, last.id)).items.some((i) => i.exerciseId === from)).toBe(true);
  const list = page.getByRole('listitem').filter({ has: page.getByRole('heading', { level: 3 }) });
  await list.first().getByRole('button', { name: 'Swap' }).click();
  const swap = page.getByRole('region', { name: /^Instead of/ });
  await swap.getByLabel('In all coming sessions too').check();
  await swap.getByRole('button').filter({ hasText: 'same dose' }).first().click();
  await expect(page.getByText(/^Swapped in \d+ coming sessions?, to /)).toBeVisible();
  expect((await load(page, last.id)).items.some((i) => i.exerciseId === from)).toBe(false);
  await page.getByRole('button', { name: 'Undo there' }).click();
  await expect
    .poll(async () => (await load(page, last.id)).items.some((i) => i.exerciseId === from), { timeout: 15_000 })
    .toBe(true);
});

test('exercises are swapped, trimmed and moved, and the page prints on one sheet', async ({ page }) => {
  const { id } = await openSheet(page, 'Ottoline');
  const before = await load(page, id);
  const first = page
    .getByRole('listitem')
    .filter({ has: page.getByRole('heading', { level: 3 }) })
    .first();
  await first.getByRole('button', { name: 'Swap' }).click();
  const swap = page.getByRole('region', { name: /^Instead of/ });
  await swap.getByRole('button').filter({ hasText: 'same dose' }).first().click();
  await expect(page.getByText('Changed by hand, saved.')).toBeVisible();
  const swapped = await load(page, id);
  expect(swapped.items[0]!.exerciseId).not.toBe(before.items[0]!.exerciseId);
  expect(swapped.items[0]!.sets).toBe(before.items[0]!.sets);

  // Two minutes fewer than it takes: every way to make it fit does.
  const minutes = Math.max(5, Math.floor(swapped.totalSeconds / 60) - 2);
  await page.getByRole('region', { name: 'Change this session' }).getByLabel('Minutes').fill(String(minutes));
  await page.getByRole('region', { name: 'Change this session' }).getByLabel('Minutes').blur();
  await expect(page.getByText(/over the time there is/)).toBeVisible();
  const fit = page.getByRole('heading', { name: 'Make it fit' }).locator('..').getByRole('button').first();
  const words = await fit.textContent();
  await fit.click();
  await expect(page.getByText(/to spare/)).toBeVisible();
  await expect(page.getByText('Changed by hand, saved.')).toBeVisible();
  const trimmed = await load(page, id);
  expect(trimmed.totalSeconds).toBeLessThanOrEqual(minutes * 60);
  expect(trimmed.totalSeconds).toBe(seconds(/(\d+:\d\d) of/.exec(words!)![1]!));

  const pdf = await page.pdf({ format: 'A4', preferCSSPageSize: true });
  expect(pdf.toString('latin1').match(/\/Type\s*\/Page\b/g)).toHaveLength(1);
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByText(/Stop at once if you feel:/)).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Change this session' })).toBeHidden();
});

test('a session done on paper is logged, corrected, and the earlier answer is kept', async ({ page }) => {
  const { id } = await openSheet(page, 'Lorcan');
  await page.getByRole('button', { name: 'Log it' }).click();
  const log = page.getByRole('region', { name: 'Log this session' });
  await log.getByRole('button', { name: 'Fill as planned' }).click();
  await log.getByLabel('Sensation, 0-10').selectOption('4');
  await log.getByLabel('Note').fill('from paper');
  await log.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Sensation: 4 of 10 · “from paper” · logged from paper')).toBeVisible();
  const written = await load(page, id);
  expect(written.run).toMatchObject({ source: 'paper' });
  expect(written.run!.sets.every((s) => s.doneSeconds === s.plannedSeconds)).toBe(true);

  await page.getByRole('button', { name: 'Correct the log' }).click();
  const right = page.getByRole('region', { name: 'Correct the log' });
  await right
    .getByLabel(/, set 1, seconds of/)
    .first()
    .fill('12');
  await right.getByLabel('Sensation, 0-10').selectOption('7');
  await right.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Earlier answer: sensation 4 · “from paper”')).toBeVisible();
  await expect.poll(async () => (await load(page, id)).run!.sets.filter((s) => s.replacedBy !== null).length).toBe(1);

  await page.getByRole('button', { name: 'Soreness 7' }).click();
  await expect(page.getByText(/7 of 10, all over/)).toBeVisible();
});

test('the player holds longer, redoes a side, and a stop sign of more than the exercise ends the session at once', async ({
  page,
}) => {
  const { id } = await openSheet(page, 'Lorcan');
  const session = await load(page, id);
  await page.clock.install();
  await page.getByRole('link', { name: 'Start session' }).click();
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await standStill(page);
  // The screen is drawn by the same clock.
  const drawn = () => page.clock.runFor(100);
  await page.getByRole('button', { name: 'I’m well' }).click();
  await drawn();
  await expect(page.getByText('Starting', { exact: true })).toBeVisible();
  await page.clock.runFor(3900);
  const headline = page.locator('.headline');
  for (let i = 0; i < 12 && !(await headline.textContent())!.includes('Hold'); i++) {
    await page.getByRole('button', { name: 'Skip' }).click();
    await drawn();
  }
  const hold = Number(await page.getByRole('timer').textContent());
  await page.keyboard.press('+');
  await drawn();
  await expect(page.getByRole('timer')).toHaveText(String(hold + 10));
  // Two pieces: a pause in the middle counts nothing.
  await page.clock.runFor(10_000);
  await page.getByRole('button', { name: 'Pause' }).click();
  await page.clock.runFor(60_000);
  await page.getByRole('button', { name: 'Resume' }).click();
  await page.clock.runFor((hold + 1) * 1000);
  await page.keyboard.press('r');
  await page.clock.runFor(3200 + hold * 1000);
  await page.clock.resume();
  await expect.poll(async () => (await load(page, id)).run?.sets.length ?? 0).toBe(2);
  const [earlier, again] = (await load(page, id)).run!.sets;
  expect(earlier).toMatchObject({ plannedSeconds: hold, doneSeconds: hold + 10, pieces: 2 });
  expect(again).toMatchObject({ replaces: earlier!.id, doneSeconds: hold, pieces: 1 });

  await page.keyboard.press('s');
  await page.getByRole('button', { name: 'Dizziness, faintness or trouble seeing' }).click();
  await expect(page.getByRole('heading', { name: 'We stop here for today' })).toBeVisible();
  await expect(page.getByText(/doctor or physiotherapist/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Finish and save' }).click();
  await page.clock.runFor(3000);
  await expect(page.getByText(/All sessions are on hold: dizziness/)).toBeVisible();
  await page.goto('/');
  await expect(page.getByText(/Lorcan Ashgrove: dizziness/)).toBeVisible();
  expect((await load(page, id)).openSymptoms.map((o) => o.exerciseId)).toContain(session.items[0]!.exerciseId);
});

test('a quick check before and after says what the session did', async ({ page }) => {
  await signInQuietly(page);
  const { client } = await clientCalled(page.request, 'Ottoline');
  const me = (await (await page.request.get('/api/v1/me')).json()) as { today: string };
  const priorities = (await (await page.request.get(`/api/v1/clients/${client.id}/priorities`)).json()) as {
    priorities: Record<string, unknown>;
  };
  await page.request.put(`/api/v1/clients/${client.id}/priorities`, {
    data: { ...priorities.priorities, quickCheck: ['weight-bearing-lunge'] },
  });
  const list = (await (await page.request.get(`/api/v1/clients/${client.id}/sessions`)).json()) as Session[];
  const today = list.find((s) => s.date === me.today) ?? list.find((s) => s.status === 'done')!;
  await page.goto(`/clients/${client.id}/sessions/${today.id}`);
  const check = page.getByRole('region', { name: 'Quick check before and after', exact: true });
  // Cold 8.0, warm 10.4: 2.4 cm is more than the 1.96·√2·SEM of the lunge; 0.3 cm is not.
  for (const [when, left, right] of [
    ['before', '8', '8'],
    ['after', '10.4', '8.3'],
  ] as const) {
    await check.getByLabel(`Weight-bearing lunge, left, ${when}`).fill(left);
    await check.getByLabel(`Weight-bearing lunge, right, ${when}`).fill(right);
    await check.getByRole('button', { name: `Save ${when}` }).click();
  }
  await expect(check.getByText('2.4 cm freer, more than measurement error')).toBeVisible();
  await expect(check.getByText('0.3 cm freer, within measurement error')).toBeVisible();
});
