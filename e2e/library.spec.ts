import { EXERCISES } from '@yandle/core';
import { readFileSync } from 'node:fs';
import { clientCalled, expect, signInQuietly, test } from './support';

test.beforeEach(({ page }) => signInQuietly(page));

test('an exercise is found on the body, copied, edited, carried out and in again', async ({ page }) => {
  await page.goto('/library');
  await expect(page.getByText(`${EXERCISES.length} exercises`)).toBeVisible();
  await page.getByRole('button', { name: /^Lats: / }).press('Enter');
  await expect(page.getByText(/exercises, Lats first/)).toBeVisible();
  await page.getByRole('combobox', { name: 'Equipment' }).selectOption('table');
  await page.getByRole('button', { name: /Hinge at a table/ }).click();
  await expect(page.getByRole('img', { name: /^Hinge at a table, standing; stretched: Lats/ })).toBeVisible();
  await page.getByRole('button', { name: 'Copy and edit' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Hinge at the kitchen counter');
  await page.getByLabel('Cautions, one per line').fill('');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Choose at least 1.')).toBeVisible();
  await page.getByLabel('Cautions, one per line').fill('Come up slowly.');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('heading', { name: 'Hinge at the kitchen counter' })).toBeVisible();

  // It can be planned like any other.
  const { client } = await clientCalled(page.request, 'Fenna');
  await page.goto(`/clients/${client.id}/block`);
  await page.getByLabel('Add a muscle group').selectOption({ label: 'Lats' });
  await page.getByLabel('Exercise for static hold').selectOption({ label: 'Hinge at the kitchen counter' });
  await expect(page.getByRole('img', { name: 'Figure of Hinge at the kitchen counter' })).toBeVisible();
  await page.goto('/library');

  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Export as JSON' }).click(),
  ]);
  const file = JSON.parse(readFileSync(await download.path(), 'utf8')) as { exercises: { name: string }[] };
  expect(file.exercises.map((e) => e.name)).toEqual(['Hinge at the kitchen counter']);
  const send = (name: string, text: string) =>
    page.getByLabel('Import JSON').setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(text) });
  await send('broken.json', '{');
  await expect(page.getByText('This isn’t JSON')).toBeVisible();
  file.exercises[0]!.name = 'Hinge at a bar';
  await send('exercises.json', JSON.stringify(file));
  await expect(page.getByText('1 added.')).toBeVisible();
  await page.getByRole('searchbox', { name: 'Find an exercise' }).fill('hinge at a bar');
  await page.getByRole('button', { name: /Hinge at a bar/ }).click();
  await page.getByRole('button', { name: 'Edit' }).click();
  await page.getByRole('button', { name: 'Archive it' }).click();
  await expect(page.getByText('Nothing fits.')).toBeVisible();
});

test('an exercise is found by what a client calls the place, kept at hand, and left out where it does not suit', async ({
  page,
}) => {
  await page.goto('/library');
  const find = page.getByRole('searchbox', { name: 'Find an exercise' });
  await find.fill('between the shoulder bl');
  await page.getByRole('button', { name: /^Figure of Hugging yourself/ }).click();
  await page.getByRole('button', { name: 'Put among the favourites' }).click();
  await expect(page.getByRole('button', { name: 'Take out of the favourites' })).toBeVisible();
  await page.reload();
  await page.getByRole('button', { name: '★ Favourites' }).click();
  await expect(page.getByText('1 exercise', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'All', exact: true }).click();

  // Why there is nothing of a kind for a group is said.
  await page.getByRole('combobox', { name: 'Muscle group' }).selectOption({ label: 'Neck, side' });
  await page.getByRole('combobox', { name: 'Technique' }).selectOption('rolling');
  await expect(page.getByText(/on purpose: the neck is neither pushed/)).toBeVisible();
});
