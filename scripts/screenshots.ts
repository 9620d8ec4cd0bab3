import { mkdirSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { chromium, type Page } from '@playwright/test';
import { CHROMIUM, ZONE } from '../e2e/browser';
import type { ClientListItem, ClientPath, Page as ListPage } from '@yandle/contract';

const OUT = fileURLToPath(new URL('../docs/screenshots/', import.meta.url));
const base = process.env['BASE_URL'];
if (!base) throw new Error('Run this through npm run screenshots: it needs a product of its own.');

/** One picture of each main view, from the demo data. */
const browser = await chromium.launch(CHROMIUM);

async function open(options: { width?: number; height?: number; dark?: boolean } = {}): Promise<Page> {
  const context = await browser.newContext({
    baseURL: base!,
    viewport: { width: options.width ?? 1280, height: options.height ?? 800 },
    colorScheme: options.dark ? 'dark' : 'light',
    locale: 'en-GB',
    timezoneId: ZONE,
  });
  await context.request.post('/api/v1/sign-in', {
    data: { email: 'mara@harbourlane.example', password: 'long-easy-breath' },
  });
  return context.newPage();
}

async function client(page: Page, name: string): Promise<ClientPath> {
  const list = (await (await page.request.get(`/api/v1/clients?search=${name}`)).json()) as ListPage<ClientListItem>;
  return (await (await page.request.get(`/api/v1/clients/${list.items[0]!.id}`)).json()) as ClientPath;
}

async function shoot(page: Page, file: string, path: string, before?: (page: Page) => Promise<void>): Promise<void> {
  await page.goto(path);
  await page.waitForLoadState('networkidle');
  await before?.(page);
  await page.waitForTimeout(400);
  await page.screenshot({ path: `${OUT}${file}.png` });
  console.log(`docs/screenshots/${file}.png`);
  await page.context().close();
}

mkdirSync(OUT, { recursive: true });
const probe = await open();
const ottoline = await client(probe, 'Ottoline');
const emeric = await client(probe, 'Emeric');
const tobin = await client(probe, 'Tobin');
await probe.context().close();
/** A client’s own page: the intake by link. */
async function fillIn(): Promise<string> {
  const page = await open();
  const { client: c } = await client(page, 'Fenna');
  const made = await page.request.post(`/api/v1/clients/${c.id}/intake-link`, { data: {} });
  const { token } = (await made.json()) as { token: string };
  await page.context().close();
  return `/fill-in/${token}`;
}
/** The address of the first client's own pages. */
async function phoneLink(): Promise<string> {
  const page = await open();
  const link = await page.request.post(`/api/v1/clients/${ottoline.client.id}/phone-link`, { data: {} });
  const { token } = (await link.json()) as { token: string };
  await page.context().close();
  return `/s/start#${token}`;
}
const at = (step: string) => `/clients/${ottoline.client.id}/${step}`;

await shoot(await open(), 'today', '/');
await shoot(await open(), 'intake', at('intake'));
await shoot(await open({ width: 390, height: 844 }), 'intake-client', await fillIn());
await shoot(await open(), 'library', '/library');
await shoot(await open(), 'measure', `/clients/${emeric.client.id}/measure`, async (page) => {
  await page.getByRole('button', { name: 'Start measuring' }).click();
  for (const value of ['8.8', '10.1', '9.0', '10.4']) {
    await page.keyboard.type(value);
    await page.keyboard.press('Enter');
    await page.waitForTimeout(100);
  }
});
await shoot(await open(), 'findings', at('findings'));
await shoot(await open(), 'tests', '/tests');
await shoot(await open(), 'block', `/clients/${tobin.client.id}/block`, async (page) => {
  await page.getByRole('button', { name: /^Hamstrings, week 6/ }).click();
});
await shoot(await open(), 'styles', '/styles', async (page) => {
  await page.getByRole('button', { name: 'Long hold' }).click();
  await page.getByRole('button', { name: 'Copy and change' }).click();
});
await shoot(await open(), 'timings', at('timings'));
await shoot(await open(), 'report', at('report'));
await shoot(await open(), 'review', `/clients/${tobin.client.id}/review`);
await shoot(await open(), 'sessions', at('sessions'));
await shoot(await open(), 'new-session', at('sessions'), async (page) => {
  await page.getByRole('button', { name: 'New session' }).click();
  await page.getByLabel('From a routine').selectOption({ label: 'Slow Sunday' });
  await page.getByRole('button', { name: 'Take out Breathing into the lower ribs' }).waitFor();
});
await shoot(await open(), 'routines', '/routines', async (page) => {
  await page.getByRole('button', { name: /^Slow Sunday/ }).click();
});
await shoot(await open(), 'session', at(`sessions/${ottoline.nextSession!.id}`), async (page) => {
  await page.getByRole('button', { name: 'Suggest a session…' }).click();
  await page.getByRole('spinbutton', { name: 'Minutes' }).fill('10');
  await page.getByRole('spinbutton', { name: 'Minutes' }).blur();
  await page.getByRole('button', { name: 'Compose', exact: true }).click();
  await page.getByRole('button', { name: 'Use this session' }).waitFor();
  await page.evaluate('scrollTo(0, 0)');
});
await shoot(await open({ width: 390, height: 844 }), 'phone', await phoneLink());
await shoot(await open(), 'progress', at('progress'));
const page = await open();
await page.clock.install();
await shoot(page, 'run', `/sessions/${ottoline.nextSession!.id}/run`, async (p) => {
  await p.getByRole('button', { name: 'Start', exact: true }).click();
  await p.getByRole('button', { name: 'I’m well' }).click();
  await p.clock.runFor(235_000);
  await p.getByRole('button', { name: 'Pause' }).click();
});
await browser.close();
