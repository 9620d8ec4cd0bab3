import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { expect, type APIRequestContext, type Page } from '@playwright/test';
import type { ClientListItem, ClientPath, Page as ListPage } from '@yandle/contract';

export const COACH = { email: 'mara@harbourlane.example', password: 'long-easy-breath' };
export const OTHER_COACH = { email: 'silva@millpond.example', password: 'long-easy-breath' };

/** Signs in as a coach does. */
export async function signIn(page: Page, who = COACH): Promise<void> {
  await page.goto('/sign-in');
  await page.getByLabel('E-mail').fill(who.email);
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

/** Kills or starts the server, as a crash and a restart do. */
export async function server(what: 'kill' | 'start'): Promise<void> {
  const response = await fetch(`${process.env['CONTROL_URL']}/${what}`, { method: 'POST' });
  expect(response.ok).toBe(true);
}
