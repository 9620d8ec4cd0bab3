import type { Session } from '@yandle/contract';
import { clientCalled, expect, server, signInQuietly, test } from './support';

// Whatever a test did, the next one finds a server.
test.afterEach(() => server('start'));

test('a killed server loses nothing of a running session: it goes on and sends later', async ({ page }) => {
  test.setTimeout(120_000);
  await signInQuietly(page);
  const { nextSession } = await clientCalled(page.request, 'Lorcan');
  await page.clock.install();
  await page.goto(`/sessions/${nextSession!.id}/run`);
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await page.getByRole('button', { name: 'I’m well' }).click();
  await page.clock.runFor(240_000);
  const load = async (): Promise<Session> =>
    (await (await page.request.get(`/api/v1/sessions/${nextSession!.id}`)).json()) as Session;
  // A set goes out when it ends; how soon it arrives is the machine's affair.
  await expect.poll(async () => (await load()).run?.sets.length ?? 0).toBeGreaterThan(0);
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();
  const before = await load();

  await server('kill');
  await page.clock.runFor(400_000);
  await expect(page.getByText(/Offline: \d+ changes? saved here, sent later/)).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Session finished' })).toBeVisible();
  // A reload in the middle of it keeps them too.
  await server('start');
  await page.reload();
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();
  const after = (await (await page.request.get(`/api/v1/sessions/${nextSession!.id}`)).json()) as Session;
  expect(after.run!.id).toBe(before.run!.id);
  // What was acknowledged before the kill is there, and every set of the session exactly once.
  const ids = after.run!.sets.map((s) => s.id);
  expect(before.run!.sets.every((s) => ids.includes(s.id))).toBe(true);
  const keys = after.run!.sets.map((s) => `${s.item} ${s.side} ${s.set}`);
  expect(new Set(keys).size).toBe(keys.length);
  expect(keys.length).toBe(after.items.reduce((n, i) => n + 2 * i.sets, 0));
});

test('readings are taken without a server and sent when it is back', async ({ page }) => {
  await signInQuietly(page);
  const { client } = await clientCalled(page.request, 'Fenna');
  await page.goto(`/clients/${client.id}/measure`);
  await page.getByRole('button', { name: 'Start measuring' }).click();
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();
  await expect(page.getByRole('textbox', { name: /^Left, reading 1/ })).toBeFocused();
  await server('kill');
  for (const value of ['8.8', '9.1']) {
    await page.keyboard.type(value);
    await page.keyboard.press('Enter');
  }
  await expect(page.getByText('Offline: 2 changes saved here, sent later')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Left', exact: true })).toContainText('9 cm');
  await server('start');
  await expect(page.getByText('Saved', { exact: true })).toBeVisible({ timeout: 30_000 });
  await page.reload();
  await expect(page.getByRole('region', { name: 'Left', exact: true })).toContainText('9 cm');
});

test('a database that is killed is started again, and nothing that was acknowledged is lost', async ({ page }) => {
  await signInQuietly(page);
  const { client } = await clientCalled(page.request, 'Tobin');
  const { today } = (await (await page.request.get('/api/v1/me')).json()) as { today: string };
  const said = { date: today, region: null, soreness: 4, note: 'before the crash' };
  const id = '01900000-0000-7000-8000-00000000000d';
  expect((await page.request.put(`/api/v1/clients/${client.id}/soreness/${id}`, { data: said })).status()).toBe(200);
  await server('kill-database');
  // Meanwhile it is said plainly; then it is back by itself.
  await expect.poll(async () => (await page.request.get('/api/v1/health')).status(), { timeout: 60_000 }).toBe(200);
  const entries = (await (await page.request.get(`/api/v1/clients/${client.id}/soreness`)).json()) as { id: string }[];
  expect(entries.map((e) => e.id)).toContain(id);
  await page.goto('/clients');
  await expect(page.getByRole('link', { name: 'Tobin Quillfeather' })).toBeVisible();
});
