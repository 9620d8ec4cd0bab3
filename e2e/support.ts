import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { expect, test as base, type APIRequestContext, type Page } from '@playwright/test';
import type { ClientListItem, ClientPath, Page as ListPage } from '@yandle/contract';

export const COACH = { email: 'mara@harbourlane.example', password: 'long-easy-breath' };
export const OTHER_COACH = { email: 'silva@millpond.example', password: 'long-easy-breath' };

const mine = (urls: string | undefined): string => (urls ?? '').split(',')[base.info().parallelIndex]!;
/** Where the product of this worker is. */
export const productUrl = (): string => mine(process.env['BASE_URLS']);
/** File whose tests had the demo data last: the next one gets them fresh. */
let file = '';

/** Tests against the product of this worker; each file starts with the demo data as they were loaded. */
export const test = base.extend<{ fresh: void }>({
  // eslint-disable-next-line no-empty-pattern -- Playwright reads the names of fixtures off the pattern
  baseURL: async ({}, use) => use(productUrl()),
  fresh: [
    // eslint-disable-next-line no-empty-pattern -- as above
    async ({}, use, info) => {
      if (info.file !== file) await server('fresh');
      file = info.file;
      await use();
    },
    { auto: true },
  ],
});

/** Signs in as a coach does. */
export async function signIn(page: Page, who = COACH): Promise<void> {
  await page.goto('/sign-in');
  await page.getByLabel('Email').fill(who.email);
  await page.getByLabel('Password').fill(who.password);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('heading', { name: 'On the mat today' })).toBeVisible();
}

/** Signs a browser in without the form, for tests whose subject is something else. */
export async function signInQuietly(page: Page, who = COACH): Promise<void> {
  expect((await page.request.post('/api/v1/sign-in', { data: who })).ok()).toBe(true);
}

/** A demo client by the beginning of the name. */
export async function clientCalled(request: APIRequestContext, name: string): Promise<ClientPath> {
  const list = (await (await request.get(`/api/v1/clients?search=${name}`)).json()) as ListPage<ClientListItem>;
  return (await (await request.get(`/api/v1/clients/${list.items[0]!.id}`)).json()) as ClientPath;
}

/** Types readings one after the other, each once the one before is taken and the cursor has moved on. */
export async function typeReadings(page: Page, first: string[], second: string[] = []): Promise<void> {
  const taken = page.getByRole('button', { name: /^Correct reading/ });
  for (const [i, value] of [...first.entries(), ...second.entries()]) {
    // The cursor stands where this reading belongs, and not yet where it will be after it.
    await expect(page.locator('input:focus')).toHaveAttribute('aria-label', new RegExp(`reading ${i + 1}\\b`));
    await expect(page.locator('input:focus')).toHaveValue('');
    const before = await taken.count();
    await page.keyboard.type(value);
    await page.keyboard.press('Enter');
    await expect(taken).toHaveCount(before + 1);
  }
}

const axeSource = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

interface AxeResult {
  violations: { id: string; help: string; nodes: { target: string[]; failureSummary: string }[] }[];
}

/** Every rule of WCAG 2.2 A and AA that axe can see; returns what is broken, in words. */
export async function axe(page: Page): Promise<string[]> {
  await page.evaluate(axeSource);
  const { violations } = await page.evaluate(() =>
    (globalThis as unknown as { axe: { run(d: Document, o: object): Promise<AxeResult> } }).axe.run(document, {
      runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'],
    }),
  );
  return violations.flatMap((v) => v.nodes.map((n) => `${v.id}: ${v.help} (${n.target.join(' ')})`));
}

/**
 * Lets the page's clock stand still but for what it is told, so that a busy machine counts no second of its own. It jumps a minute ahead:
 * call it where nothing is counted yet. What is drawn by the clock needs a few milliseconds of it.
 */
export async function standStill(page: Page): Promise<void> {
  await page.clock.pauseAt((await page.evaluate(() => Date.now())) + 60_000);
}

/** Kills or starts the server, as a crash and a restart do; `fresh` puts the demo data back. */
export async function server(what: 'kill' | 'kill-database' | 'start' | 'fresh'): Promise<void> {
  const response = await fetch(`${mine(process.env['CONTROL_URLS'])}/${what}`, { method: 'POST' });
  expect(response.ok, await response.text()).toBe(true);
}

export { expect };
