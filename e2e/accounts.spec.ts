import { COACH, OTHER_COACH, clientCalled, expect, signIn, signInQuietly, test } from './support';

test('a wrong password is refused with what to do', async ({ page }) => {
  await page.goto('/');
  await expect(page).toHaveURL(/sign-in/);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByText('Enter your email address.')).toBeVisible();
  await page.getByLabel('Email').fill(COACH.email);
  await page.getByLabel('Password').fill('not this one');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('alert')).toContainText('Wrong email or password.');
});

test('sign-in leads back to where one was, sign-out ends it', async ({ page }) => {
  await page.goto('/clients');
  await expect(page).toHaveURL(/sign-in\?next=/);
  await page.getByLabel('Email').fill(COACH.email);
  await page.getByLabel('Password').fill(COACH.password);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('heading', { name: 'Clients' })).toBeVisible();
  await page.getByRole('button', { name: 'Sign out' }).click();
  await expect(page).toHaveURL(/sign-in/);
  await page.goto('/clients');
  await expect(page).toHaveURL(/sign-in/);
});

test('another studio’s client cannot be reached, seen or found', async ({ page, browser }) => {
  await signInQuietly(page);
  const { client, nextSession } = await clientCalled(page.request, 'Ottoline');
  const stranger = await (await browser.newContext()).newPage();
  await signIn(stranger, OTHER_COACH);
  for (const path of ['intake', 'measure', 'block', 'sessions', 'progress']) {
    await stranger.goto(`/clients/${client.id}/${path}`);
    await expect(stranger.getByText('There is no such client.')).toBeVisible();
    await expect(stranger.getByText(client.name)).toHaveCount(0);
  }
  await stranger.goto(`/sessions/${nextSession!.id}/run`);
  await expect(stranger.getByText('There is no such session.')).toBeVisible();
  await stranger.goto('/clients');
  await expect(stranger.getByText('Ruprecht Vale')).toBeVisible();
  await expect(stranger.getByText(client.name)).toHaveCount(0);
  await stranger.context().close();
});
