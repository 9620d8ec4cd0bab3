import type { Page } from '@playwright/test';
import { clientCalled, expect, signInQuietly, test } from './support';

const toast = (page: Page, text: string) => page.locator('y-toast-outlet').getByText(text);
const kept = (page: Page) => expect(page.getByText('Saved', { exact: true })).toBeVisible();

test('an assessment as a record: kept on leaving the field, taken back with undo, dated anew, restored, erased', async ({
  page,
}) => {
  await signInQuietly(page);
  const { client, lastAssessment } = await clientCalled(page.request, 'Ottoline');
  const assessments = async () =>
    (await (await page.request.get(`/api/v1/clients/${client.id}/assessments`)).json()) as {
      date: string;
      readings: { value: number; seen: boolean }[];
    }[];
  const before = (await assessments()).length;
  await page.goto(`/clients/${client.id}/measure`);
  // A double click begins one.
  await page.getByRole('button', { name: 'Start measuring' }).dblclick();
  const left = page.getByRole('textbox', { name: /^Left, reading 1/ });
  await expect(left).toBeFocused();

  // Last time stays hidden; one key shows it on this side, and the reading says so.
  await expect(page.getByText(/^last \d/)).toHaveCount(0);
  await page.keyboard.press('s');
  await expect(page.getByText(/last [\d.]+ cm, \d+ \w+/)).toHaveCount(1);
  await left.fill('9.4');
  // No Enter: the field is left.
  await page.getByRole('heading', { level: 1 }).click();
  const taken = page.getByRole('button', { name: 'Correct reading 9.4' });
  await expect(taken).toBeVisible();
  await kept(page);
  expect((await assessments()).length).toBe(before + 1);
  expect((await assessments()).at(-1)!.readings).toMatchObject([{ value: 9.4, seen: true }]);

  // Taken back, and brought back.
  await taken.click();
  await page.getByRole('button', { name: 'Take 9.4 back' }).click();
  await expect(taken).toHaveCount(0);
  await toast(page, 'Undo').click();
  await expect(taken).toBeVisible();
  await kept(page);

  // Dated anew; a day that cannot be is refused at its field.
  await page.getByText('This assessment: date, note, take back').click();
  const record = page.locator('y-assessment-record');
  await record.getByLabel('Date').fill('1930-01-01');
  await expect(record.getByText('This is before the client was born.')).toBeVisible();
  const [year, month, day] = lastAssessment!.split('-');
  await record.getByLabel('Date').fill(`${year}-${month}-${day}`);
  await record.getByLabel('Note').fill('written down a day late');
  await record.getByRole('button', { name: 'Keep the change' }).click();
  await expect(toast(page, 'Changed. The earlier entry is kept.')).toBeVisible();
  await kept(page);
  expect((await assessments()).filter((a) => a.date === lastAssessment)).toHaveLength(2);

  // Taken back whole: it is nowhere, until it is restored from the list; then it goes for good.
  await record.getByRole('button', { name: 'Take this assessment back' }).click();
  await expect(page.getByRole('heading', { name: 'New assessment' })).toBeVisible();
  await expect.poll(async () => (await assessments()).length).toBe(before);
  await page.getByText('Taken back', { exact: true }).click();
  await page.getByRole('button', { name: 'Restore' }).click();
  await expect(page.getByText(`All assessments (${before + 1})`)).toBeVisible();
  await page.getByText(`All assessments (${before + 1})`).click();
  await page.getByRole('listitem').filter({ hasText: '1 test' }).getByRole('button').first().click();
  await page.getByText('This assessment: date, note, take back').click();
  await record.getByRole('button', { name: 'Erase for good…' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Erase for good' }).click();
  await expect.poll(async () => (await assessments()).length).toBe(before);
  await page.reload();
  await expect(page.getByRole('heading', { name: 'New assessment' })).toBeVisible();
});

test('a retest is put on another day, and the path of the client says so', async ({ page }) => {
  await signInQuietly(page);
  const { client, nextRetest } = await clientCalled(page.request, 'Ottoline');
  const moved = new Date(`${nextRetest!}T12:00:00Z`);
  moved.setUTCDate(moved.getUTCDate() - 2);
  const day = moved.toISOString().slice(0, 10);
  await page.goto(`/clients/${client.id}/block`);
  await page
    .getByRole('button', { name: /^Move the retest of/ })
    .last()
    .click();
  await page.getByLabel(/^New day of the retest/).fill(day);
  await page.getByRole('button', { name: 'Move', exact: true }).click();
  await expect(toast(page, 'Retest moved.')).toBeVisible();
  expect((await clientCalled(page.request, 'Ottoline')).nextRetest).toBe(day);
});
