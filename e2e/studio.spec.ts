import { clientCalled, COACH, expect, signIn, signInQuietly, test } from './support';

const ILSE = { email: 'ilse@harbourlane.example', password: 'four plain words here' };

test('an owner invites a coach, who works with the clients, sees her own, and is removed again', async ({
  page,
  browser,
}) => {
  await signIn(page);
  await page.getByRole('link', { name: 'Studio', exact: true }).click();
  await page.getByLabel('For whom').fill('Ilse, from April');
  await page.getByRole('button', { name: 'Make the link' }).click();
  const link = await page.getByLabel('Invitation, shown once').inputValue();
  await expect(page.getByText('coach, until')).toBeVisible();

  const ilse = await (await browser.newContext()).newPage();
  await ilse.goto(link);
  await expect(ilse.getByRole('heading', { name: 'Join Harbour Lane Mobility' })).toBeVisible();
  await ilse.getByLabel('Your name').fill('Ilse Maren');
  await ilse.getByLabel('Email').fill(ILSE.email);
  await ilse.getByLabel('Password').fill('password1234');
  await ilse.getByRole('button', { name: 'Join' }).click();
  await expect(ilse.getByText('This is one of the passwords that are tried first.')).toBeVisible();
  await ilse.getByLabel('Password').fill(ILSE.password);
  await ilse.getByRole('button', { name: 'Join' }).click();
  await expect(ilse.getByRole('heading', { name: 'On the mat today' })).toBeVisible();
  // She has no studio to run, and no clients of her own yet.
  await expect(ilse.getByRole('link', { name: 'Studio', exact: true })).toHaveCount(0);
  await ilse.goto('/clients');
  await expect(ilse.getByRole('link', { name: 'Ottoline Varga' })).toBeVisible();
  await ilse.getByRole('button', { name: 'Mine' }).click();
  await expect(ilse.getByRole('link', { name: 'Ottoline Varga' })).toHaveCount(0);
  // While Mara is away her clients are among Ilse’s.
  await page.reload();
  await page.getByRole('button', { name: 'Stand-in for Mara Thornebrook' }).click();
  await page.getByLabel('Stands in').selectOption({ label: 'Ilse Maren' });
  await page.getByRole('button', { name: 'Save' }).first().click();
  await expect(page.getByText(/Ilse Maren stands in until/)).toBeVisible();
  await ilse.reload();
  await expect(ilse.getByRole('link', { name: 'Ottoline Varga' })).toBeVisible();
  await expect(ilse.getByRole('link', { name: 'Fenna Oosterveld' })).toHaveCount(0);

  await page.getByRole('button', { name: 'Remove Ilse Maren' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Remove' }).click();
  await expect(page.getByRole('button', { name: 'Remove Ilse Maren' })).toHaveCount(0);
  await ilse.reload();
  await expect(ilse).toHaveURL(/sign-in/);
  await page.reload();
  const list = page.getByRole('table', { name: 'What was done, the newest first' });
  await expect(list.getByRole('row', { name: /Mara Thornebrook removed a coach/ })).toBeVisible();
  await expect(list.getByRole('row', { name: /Ilse Maren joined the studio/ })).toBeVisible();
});

test('a password is changed, other devices are out, and a link of the owner leads back in', async ({
  page,
  browser,
}) => {
  const joris = { email: 'joris@harbourlane.example', password: COACH.password };
  await signIn(page, joris);
  const elsewhere = await (await browser.newContext()).newPage();
  await signIn(elsewhere, joris);
  await page.getByRole('link', { name: /^Your account/ }).click();
  await page.getByLabel('Present password').fill(joris.password);
  await page.getByLabel('New password').fill('a longer one of words');
  await page.getByRole('button', { name: 'Change password' }).click();
  await expect(page.getByText('Password changed. Other devices are signed out.')).toBeVisible();
  await elsewhere.reload();
  await expect(elsewhere).toHaveURL(/sign-in/);

  const mara = await (await browser.newContext()).newPage();
  await signIn(mara);
  await mara.goto('/studio');
  await mara.getByRole('button', { name: 'New password for Joris Ebbing' }).click();
  const link = await mara.getByLabel('Link for Joris Ebbing, shown once').inputValue();
  await elsewhere.goto(link);
  await expect(elsewhere.getByRole('heading', { name: 'A new password for Joris Ebbing' })).toBeVisible();
  await elsewhere.getByLabel('New password').fill('quite another phrase');
  await elsewhere.getByRole('button', { name: 'Save and sign in' }).click();
  await expect(elsewhere.getByRole('heading', { name: 'On the mat today' })).toBeVisible();
  await page.reload();
  await expect(page).toHaveURL(/sign-in/);
});

test('a client’s record is shown, handed out and erased on the typed name', async ({ page }) => {
  await signInQuietly(page);
  const { client } = await clientCalled(page.request, 'Dario');
  await page.goto(`/clients/${client.id}/intake`);
  await page.getByRole('link', { name: 'Record' }).click();
  await page.getByRole('button', { name: 'Show it here' }).click();
  await expect(page.getByText('Reach the top shelf without leaning back')).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Download as JSON' }).click();
  expect((await download).suggestedFilename()).toBe('yandle-client.json');
  await page.getByLabel(/^Type the client’s name/).fill('Somebody Else');
  await page.getByRole('button', { name: 'Erase for good' }).click();
  await expect(page.getByText('Type the client’s name as it stands here')).toBeVisible();
  await page.getByLabel(/^Type the client’s name/).fill('Dario Munkácsy');
  await page.getByRole('button', { name: 'Erase for good' }).click();
  await expect(page.getByText('Dario Munkácsy is erased.')).toBeVisible();
  await expect(page.getByRole('link', { name: 'Ottoline Varga' })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Dario Munkácsy' })).toHaveCount(0);
});

test('a studio settles its timings, week and units, and everything goes by them', async ({ page }) => {
  await signIn(page);
  await page.goto('/studio');
  await page.getByLabel('First day of the week').selectOption('Sunday');
  await page.getByLabel('Lengths in').selectOption('inches');
  await page.getByLabel('Rest between loaded sets').fill('5');
  await page.getByRole('button', { name: 'Save defaults' }).click();
  await expect(page.getByText('Whole number, 20 to 180.')).toBeVisible();
  await page.getByLabel('Rest between loaded sets').fill('60');
  await page.getByRole('button', { name: 'Save defaults' }).click();
  await expect(page.getByText('Defaults saved.')).toBeVisible();

  // A new client’s week begins on Sunday, lengths are in inches, a new block starts on a Sunday.
  await page.goto('/clients/new');
  const days = page.getByRole('group', { name: 'Days for sessions' }).getByRole('checkbox');
  await expect(days.first()).toHaveAccessibleName('Sunday');
  const { client } = await clientCalled(page.request, 'Emeric');
  await page.goto(`/clients/${client.id}/progress`);
  await expect(page.getByText(/difference [\d.]+ in, within error/)).toBeVisible();
  await page.goto(`/clients/${client.id}/block`);
  const start = await page.getByLabel('Start', { exact: true }).inputValue();
  expect(new Date(`${start}T12:00:00Z`).getUTCDay()).toBe(0);
});
