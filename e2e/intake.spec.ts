import type { Page } from '@playwright/test';
import { clientCalled, expect, signInQuietly, test } from './support';

test.beforeEach(({ page }) => signInQuietly(page));

/** Answers one question of the open part. */
async function say(page: Page, question: RegExp, answer: 'Yes' | 'No'): Promise<void> {
  await page.getByRole('radiogroup', { name: question }).getByRole('radio', { name: answer }).check();
}

test('a client answers on the phone by link; the cautions take stretches out of the plan', async ({
  page,
  browser,
}) => {
  const { client } = await clientCalled(page.request, 'Emeric');
  await page.goto(`/clients/${client.id}/intake`);
  await page.getByRole('button', { name: 'Let the client fill it in' }).click();
  const url = await page.getByLabel('Link for the client').inputValue();

  const phone = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const theirs = await phone.newPage();
  await theirs.goto(url);
  await expect(theirs.getByRole('heading', { name: 'Before we start, Emeric' })).toBeVisible();
  for (const [question, way] of [
    [/high blood pressure/, 'Yes, with medicine or without'],
    [/thin bones/, null],
    [/glaucoma/, 'No'],
    [null, null],
    [/get down to the floor/, null],
  ] as const) {
    if (question) await say(theirs, question, 'Yes');
    // A yes is told apart where that changes what it takes away.
    if (way) await theirs.getByRole('group').getByLabel(way, { exact: true }).check();
    // A reload loses nothing.
    if (question?.source.startsWith('high')) await theirs.reload();
    // One after the other: nothing answers all of them at once.
    await expect(theirs.getByRole('button', { name: /^Answer no/ })).toHaveCount(0);
    for (const group of await theirs.getByRole('radiogroup').all())
      if ((await group.getByRole('radio', { checked: true }).count()) === 0)
        await group.getByRole('radio', { name: 'No' }).check();
    expect(await theirs.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
    await theirs.getByRole('button', { name: 'Next' }).click();
  }
  await theirs.getByText('Touch my toes').click();
  await theirs.getByRole('button', { name: 'Send to my coach' }).click();
  await expect(theirs.getByRole('heading', { name: 'Thank you, Emeric' })).toBeVisible();
  await phone.close();

  await page.reload();
  const cautions = page.getByRole('complementary', { name: 'Cautions' });
  await expect(cautions).toContainText('Limits: Thin bones (osteoporosis)');
  await expect(page.getByText('Earlier answers (1)')).toBeVisible();
  const path = await clientCalled(page.request, 'Emeric');
  const answered = path.cautions.map((c) => c.id).filter((id) => !/nerve-glides|hand-on-head/.test(id));
  expect(answered).toEqual(['pressure', 'bones', 'eyes', 'floor']);
});
