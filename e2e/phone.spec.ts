import type { LateLog, NewPhoneLink, Session, SessionSummary } from '@yandle/contract';
import type { Browser, BrowserContext, Page } from '@playwright/test';
import { ZONE } from './browser';
import { clientCalled, expect, productUrl, server, signInQuietly, test } from './support';

const PHONE = { viewport: { width: 390, height: 844 }, timezoneId: ZONE, locale: 'en-GB' };

// Whatever a test did, the next one finds a server.
test.afterEach(() => server('start'));

/** A signed-in coach, and the link of a client with sessions to come. */
async function aLink(page: Page, name: string): Promise<{ clientId: string; url: string }> {
  await signInQuietly(page);
  const { client } = await clientCalled(page.request, name);
  const answer = await page.request.post(`/api/v1/clients/${client.id}/phone-link`, { data: {} });
  const { token } = (await answer.json()) as NewPhoneLink;
  return { clientId: client.id, url: `/s/start#${token}` };
}

async function openPhone(browser: Browser, url: string): Promise<{ context: BrowserContext; phone: Page }> {
  const context = await browser.newContext({ ...PHONE, baseURL: productUrl() });
  const phone = await context.newPage();
  await phone.goto(url);
  await expect(phone.getByText('Works offline.')).toBeVisible({ timeout: 30_000 });
  return { context, phone };
}

/** Runs the session that comes next by the clock and finishes it. Gives its id. */
async function runNext(phone: Page): Promise<string> {
  const link = phone.getByRole('link', { name: /^(Start|Resume)$/ });
  const id = (await link.getAttribute('href'))!.split('/').at(-1)!;
  const minutes = Number(/(\d+) min ·/.exec((await phone.locator('main').textContent())!)![1]);
  await link.click();
  await phone.getByRole('button', { name: 'Start', exact: true }).click();
  await phone.getByRole('button', { name: 'I’m well' }).click();
  await phone.clock.runFor((minutes + 1) * 60_000);
  await finish(phone);
  return id;
}

async function finish(phone: Page): Promise<void> {
  await expect(phone.getByRole('heading', { name: 'Session finished' })).toBeVisible();
  await phone.getByRole('button', { name: 'Left', exact: true }).click();
  await phone.getByRole('button', { name: 'Finish and save' }).click();
  await phone.clock.runFor(5000);
  await expect(phone.getByRole('heading', { name: /^Hello/ })).toBeVisible();
}

const load = async (page: Page, id: string): Promise<Session> =>
  (await (await page.request.get(`/api/v1/sessions/${id}`)).json()) as Session;

function expectWhole(session: Session): void {
  const current = session.run!.sets.filter((s) => s.replacedBy === null);
  const keys = current.map((s) => `${s.item} ${s.side} ${s.set}`);
  expect(new Set(keys).size).toBe(keys.length);
  expect(current.length).toBeGreaterThan(0);
  expect(current.every((s) => s.doneSeconds === s.plannedSeconds)).toBe(true);
  expect(session).toMatchObject({ status: 'done', run: { source: 'client', feltTighter: 'left' } });
}

test('a client opens the link, runs a session without a network, and all of it arrives once', async ({
  page,
  browser,
}) => {
  test.setTimeout(150_000);
  const { url } = await aLink(page, 'Isaura');
  const { context, phone } = await openPhone(browser, url);
  expect(new URL(phone.url()).hash).toBe('');
  await expect(phone.getByRole('heading', { name: 'Hello Isaura' })).toBeVisible();
  await expect(phone.getByText(/Stop at once if you feel/).first()).toBeVisible();

  await context.setOffline(true);
  await phone.reload();
  await expect(phone.getByText('You are offline. Everything works; it will be sent later.')).toBeVisible();
  await phone.clock.install();
  const id = await runNext(phone);
  await expect(phone.getByText(/Offline: \d+ changes? saved here, sent later/)).toBeVisible();
  // The phone is switched off and on again in between.
  await phone.reload();
  await expect(phone.getByText(/Offline: \d+ changes? saved here, sent later/)).toBeVisible();
  expect((await load(page, id)).status).not.toBe('done');

  await context.setOffline(false);
  await phone.evaluate(() => dispatchEvent(new Event('online')));
  await expect(phone.getByText('Saved', { exact: true })).toBeVisible({ timeout: 30_000 });
  expectWhole(await load(page, id));
  await context.close();
});

test('a server that dies in the middle of a session changes nothing for the client', async ({ page, browser }) => {
  test.setTimeout(150_000);
  const { url } = await aLink(page, 'Lorcan');
  const { context, phone } = await openPhone(browser, url);
  await phone.clock.install();
  const link = phone.getByRole('link', { name: /^(Start|Resume)$/ });
  const id = (await link.getAttribute('href'))!.split('/').at(-1)!;
  await link.click();
  await phone.getByRole('button', { name: 'Start', exact: true }).click();
  await phone.getByRole('button', { name: 'I’m well' }).click();
  await phone.clock.runFor(240_000);
  await expect(phone.getByText('Saved', { exact: true })).toBeVisible();
  await server('kill');
  await phone.clock.runFor(30 * 60_000);
  await finish(phone);
  await expect(phone.getByText(/Offline: \d+ changes? saved here, sent later/)).toBeVisible();
  await server('start');
  await phone.evaluate(() => dispatchEvent(new Event('online')));
  await expect(phone.getByText('Saved', { exact: true })).toBeVisible({ timeout: 30_000 });
  expectWhole(await load(page, id));
  await context.close();
});

test('two tabs of one phone send what is kept once', async ({ page, browser }) => {
  test.setTimeout(150_000);
  const { url } = await aLink(page, 'Isaura');
  const { context, phone } = await openPhone(browser, url);
  await context.setOffline(true);
  await phone.clock.install();
  const id = await runNext(phone);
  const second = await context.newPage();
  await second.goto('/s/start');
  await expect(second.getByText(/\d+ changes? saved here/)).toBeVisible();
  const sent: string[] = [];
  for (const tab of [phone, second])
    tab.on('response', (r) => {
      if (r.request().method() !== 'GET' && r.ok()) sent.push(r.url());
    });
  await context.setOffline(false);
  await Promise.all([phone, second].map((tab) => tab.evaluate(() => dispatchEvent(new Event('online')))));
  await expect(phone.getByText('Saved', { exact: true })).toBeVisible({ timeout: 30_000 });
  await expect(second.getByText('Saved', { exact: true })).toBeVisible({ timeout: 30_000 });
  expectWhole(await load(page, id));
  // Each letter went out once: one tab held the box.
  expect(new Set(sent).size).toBe(sent.length);
  await context.close();
});

test('one session on two devices: one run counts, the coach sees the other and may choose it', async ({
  page,
  browser,
}) => {
  test.setTimeout(150_000);
  const { clientId, url } = await aLink(page, 'Isaura');
  const { context, phone } = await openPhone(browser, url);
  await phone.clock.install();
  const id = await runNext(phone);
  await expect(phone.getByText('Saved', { exact: true })).toBeVisible({ timeout: 30_000 });

  await page.goto(`/clients/${clientId}/sessions/${id}`);
  await expect(page.getByText('on the client’s phone').first()).toBeVisible();
  await page.clock.install();
  await page.getByRole('link', { name: 'Run again' }).click();
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await page.getByRole('button', { name: 'I’m well' }).click();
  await page.clock.runFor(30 * 60_000);
  await page.getByRole('button', { name: 'Finish and save' }).click();
  await page.clock.runFor(5000);
  await expect(page.getByText(/Another log: .* with the coach/)).toBeVisible();
  const first = (await load(page, id)).run!.id;
  await page.getByRole('button', { name: 'Count this one instead' }).click();
  await expect(page.getByText(/Another log: .* on the client’s phone/)).toBeVisible();
  expect((await load(page, id)).run!.id).not.toBe(first);
  await context.close();
});

test('a link that is ended while the phone is offline: what was done waits for the coach', async ({
  page,
  browser,
}) => {
  test.setTimeout(150_000);
  const { clientId, url } = await aLink(page, 'Ottoline');
  const { context, phone } = await openPhone(browser, url);
  await context.setOffline(true);
  await phone.clock.install();
  const id = await runNext(phone);
  await page.request.post(`/api/v1/clients/${clientId}/phone-link/revoke`, { data: {} });
  await context.setOffline(false);
  await phone.evaluate(() => dispatchEvent(new Event('online')));
  await expect(phone.getByText('Saved', { exact: true })).toBeVisible({ timeout: 30_000 });
  await expect(phone.getByText(/What you already did is saved/)).toBeVisible();
  await phone.reload();
  await expect(phone.getByText('This link has stopped working').first()).toBeVisible();

  expect((await load(page, id)).status).not.toBe('done');
  const late = (await (await page.request.get(`/api/v1/clients/${clientId}/late-logs`)).json()) as LateLog[];
  expect(late).toMatchObject([{ reason: 'link' }]);
  await page.goto(`/clients/${clientId}/sessions`);
  await page.getByRole('button', { name: 'Accept' }).click();
  await expect(page.getByText('Arrived late')).toBeHidden();
  expectWhole(await load(page, id));
  await context.close();
});

test('a stop sign felt without a network: left out at once, all held after the second, and everyone who must know does', async ({
  page,
  browser,
}) => {
  test.setTimeout(150_000);
  const { url, clientId } = await aLink(page, 'Ottoline');
  const { context, phone } = await openPhone(browser, url);
  await context.setOffline(true);
  await phone.clock.install();
  const link = phone.getByRole('link', { name: /^(Start|Resume)$/ });
  const id = (await link.getAttribute('href'))!.split('/').at(-1)!;
  await link.click();
  await phone.getByRole('button', { name: 'Start', exact: true }).click();
  await phone.getByRole('button', { name: 'I’m well' }).click();
  await phone.clock.runFor(3500);
  const headline = phone.locator('.headline');
  for (let i = 0; i < 12 && !(await headline.textContent())!.includes('Hold'); i++)
    await phone.getByRole('button', { name: 'Skip' }).click();
  const first = (await phone.locator('h1.exercise').textContent())!;
  await phone.clock.runFor(5000);
  await phone.getByRole('button', { name: 'Stop: I feel something' }).click();
  await phone.getByRole('button', { name: 'Pinching or pressure in a joint' }).click();
  // The exercise is left out, and the rest goes on.
  await expect(phone.getByText(`We left out “${first}” until your coach has looked at it.`)).toBeVisible();
  await expect(phone.locator('h1.exercise')).not.toHaveText(first);
  await phone.getByRole('button', { name: 'Leave' }).click();
  await expect(phone.getByText(`We left out ${first} until your coach has looked at it.`)).toBeVisible();
  await phone.getByRole('link', { name: 'Resume' }).click();
  await phone.getByRole('button', { name: 'Resume' }).click();
  await phone.getByRole('button', { name: 'Stop: I feel something' }).click();
  await phone.getByRole('button', { name: 'Dizziness, faintness or trouble seeing' }).click();
  await expect(phone.getByRole('heading', { name: 'We stop here for today' })).toBeVisible();
  await phone.getByRole('button', { name: 'Finish and save' }).click();
  await phone.clock.runFor(5000);
  // Every coming session is held, offline and after a restart of the phone.
  await phone.reload();
  await expect(phone.getByText('Your sessions are on hold.')).toBeVisible();
  await expect(phone.getByRole('link', { name: /^(Start|Resume|Do this one today)$/ })).toHaveCount(0);

  await context.setOffline(false);
  await phone.evaluate(() => dispatchEvent(new Event('online')));
  await expect(phone.getByText('Saved', { exact: true })).toBeVisible({ timeout: 30_000 });
  // The coach: Today, the sheet of another session, and the server itself.
  await page.goto('/');
  await expect(page.getByText('Ottoline Varga: pinching or pressure in a joint')).toBeVisible();
  await expect(page.getByText('Ottoline Varga: dizziness, faintness or trouble seeing')).toBeVisible();
  const all = (await (await page.request.get(`/api/v1/clients/${clientId}/sessions`)).json()) as SessionSummary[];
  const coming = all.find((s) => s.id !== id && s.status === 'planned')!;
  await page.goto(`/clients/${clientId}/sessions/${coming.id}`);
  await expect(page.getByText(/All sessions are on hold: dizziness/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'On hold' })).toBeDisabled();
  const refused = await page.request.post(`/api/v1/sessions/${coming.id}/runs`, {
    data: { id: crypto.randomUUID(), startedAt: new Date().toISOString() },
  });
  expect(refused.status()).toBe(409);
  // Whoever cleared it is named; then sessions go on, without the exercise that pinched.
  const form = page.locator('form.note').filter({ hasText: 'dizziness' });
  await form.getByLabel('What you found').fill('Low blood sugar; ate since, looked at');
  await form.getByLabel('Who agreed: name and profession').fill('Dr. Maude Ferrant, physician');
  await form.getByRole('button', { name: 'Clear it' }).click();
  await expect(page.getByText(/All sessions are on hold/)).toHaveCount(0);
  await expect(page.getByRole('link', { name: 'Start session' })).toBeVisible();
  await phone.reload();
  await expect(phone.getByText(`We left out ${first} until your coach has looked at it.`)).toBeVisible();
  await context.close();
});
