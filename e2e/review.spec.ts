import type { Block } from '@yandle/contract';
import type { Page } from '@playwright/test';
import { clientCalled, expect, signInQuietly, test } from './support';

const blockOf = async (page: Page, client: string): Promise<Block> =>
  ((await (await page.request.get(`/api/v1/clients/${client}/blocks`)).json()) as Block[])[0]!;
const doses = (b: Block, group: string): number[] => b.lanes.find((l) => l.group === group)!.weeks.map((w) => w.dose);

test('a week is reviewed: one lane repeats its step, the rest goes on by one press, and it can be undone', async ({
  page,
}) => {
  await signInQuietly(page);
  const { client } = await clientCalled(page.request, 'Ottoline');
  const before = await blockOf(page, client.id);
  await page.goto(`/clients/${client.id}`);
  await page.getByRole('link', { name: /^Review/ }).click();
  await expect(page.getByRole('heading', { name: /^Review of week \d/ })).toBeVisible();
  await expect(page.getByText('2 of 2 lanes to decide.')).toBeVisible();

  const soleus = page.getByRole('listitem', { name: 'Soleus' });
  await soleus.getByLabel('Decide').selectOption({ label: 'Repeat the step' });
  await soleus.getByLabel('Reason').fill('A busy week ahead');
  await soleus.getByRole('button', { name: 'Accept' }).click();
  await expect(soleus.getByText(/✓ Repeat the step.*“A busy week ahead”/)).toBeVisible();
  const repeated = await blockOf(page, client.id);
  const from = before.changeableFrom - 1;
  // The week after the next one holds what the week before had; nothing that has begun has changed.
  expect(doses(repeated, 'soleus').slice(0, from)).toEqual(doses(before, 'soleus').slice(0, from));
  expect(doses(repeated, 'soleus')[from]).toBe(doses(before, 'soleus')[from - 1]);
  expect(doses(repeated, 'hamstrings')).toEqual(doses(before, 'hamstrings'));

  await page.getByRole('button', { name: 'Accept the plain one' }).click();
  await expect(page.getByText('All lanes are decided.')).toBeVisible();
  await soleus.getByRole('button', { name: /^Decide again/ }).click();
  await expect(page.getByText('1 of 2 lanes to decide.')).toBeVisible();
  expect(doses(await blockOf(page, client.id), 'soleus')).toEqual(doses(before, 'soleus'));
});
