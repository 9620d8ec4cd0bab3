import { clientCalled, expect, signInQuietly, test } from './support';

test.beforeEach(({ page }) => signInQuietly(page));

test('search, open by typing, archive and undo', async ({ page }) => {
  await page.goto('/clients');
  await page.getByRole('searchbox').fill('toes');
  await expect(page.getByRole('row')).toHaveCount(2);
  await page.getByRole('button', { name: 'Archive Emeric Holloway' }).click();
  await expect(page.getByText('Emeric Holloway is archived.')).toBeVisible();
  await expect(page.getByText('No client has “toes”')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('link', { name: 'Emeric Holloway' })).toBeVisible();
  await page.getByRole('combobox', { name: 'Find a client' }).fill('isau');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Isaura Bellwether' })).toBeVisible();
});

test('two coaches at once: the second sees that somebody saved', async ({ page }) => {
  const { client } = await clientCalled(page.request, 'Dario');
  await page.goto(`/clients/${client.id}/intake`);
  await page.getByRole('button', { name: /^Person and days/ }).click();
  await page.getByLabel('Notes').fill('mine');
  const { id, version, age: _a, pacing: _k, archivedAt: _b, ...body } = client;
  const saved = await page.request.put(`/api/v1/clients/${id}`, { data: { ...body, version, notes: 'theirs' } });
  expect(saved.ok()).toBe(true);
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Someone else saved this client while you were editing')).toBeVisible();
  await expect(page.getByLabel('Notes')).toHaveValue('mine');
  await page.getByRole('button', { name: 'Load the saved version' }).click();
  await expect(page.getByLabel('Notes')).toHaveValue('theirs');
});

test('planning waits for a clearance, and opens when it is recorded', async ({ page }) => {
  const { client } = await clientCalled(page.request, 'Petronella');
  await page.goto(`/clients/${client.id}/block`);
  await page.getByLabel('Add a muscle group').selectOption({ label: 'Hamstrings' });
  await expect(page.getByRole('button', { name: 'Start this block' })).toBeDisabled();
  await page.getByRole('link', { name: 'Open the intake' }).click();
  await page.getByRole('button', { name: 'Record a clearance: Leg pain below the knee' }).click();
  await page.getByRole('button', { name: 'Record it' }).click();
  await expect(page.getByText('Required.')).toBeVisible();
  await page.getByLabel('Who agreed: name and profession').fill('Dr. Maude Ferrant, physician');
  await page.getByRole('button', { name: 'Record it' }).click();
  await expect(page.getByText('Cleared by a doctor or physiotherapist')).toBeVisible();
  await page.getByRole('link', { name: /^Block/ }).click();
  // What was chosen before is still there.
  await expect(page.getByRole('button', { name: /^Hamstrings, week 1/ })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Start this block' })).toBeEnabled();
});

test('a stop sign holds the exercise until the coach clears it', async ({ page }) => {
  const { client, nextSession } = await clientCalled(page.request, 'Tobin');
  await page.goto('/');
  await page.getByRole('link', { name: 'Look into it' }).click();
  await expect(page.getByText('On hold: numbness or tingling')).toBeVisible();
  await page.goto(`/clients/${client.id}/sessions/${nextSession!.id}`);
  // Numbness holds its own exercise; the rest of the session goes on without it.
  await expect(page.getByText('The exercise is left out and the rest goes on.')).toBeVisible();
  await expect(page.getByRole('link', { name: 'Start session' })).toBeVisible();
  await page.getByLabel('What you found').fill('The strap was too tight; gone within a minute');
  await page.getByRole('button', { name: 'Clear it' }).click();
  await expect(page.getByText('The exercise is left out and the rest goes on.')).toHaveCount(0);
  await expect(page.getByRole('link', { name: 'Start session' })).toBeVisible();
});

test('nothing of one client stands under the name of another', async ({ page }) => {
  const ottoline = (await clientCalled(page.request, 'Ottoline')).client;
  const isaura = (await clientCalled(page.request, 'Isaura')).client;
  await page.goto(`/clients/${isaura.id}/measure`);
  await page.getByRole('button', { name: 'Open to correct or add' }).click();
  await page.goto(`/clients/${ottoline.id}/measure`);
  await page.getByRole('button', { name: 'Open to correct or add' }).click();
  const row = page.getByRole('img', { name: /^Weight-bearing lunge: / });
  await expect(row).toBeVisible();
  // Straight to the same screen of the other client, whose assessments do not come: nothing of the first may stay meanwhile.
  await page.route(`**/clients/${isaura.id}/assessments`, (route) => route.abort());
  await page.evaluate((path) => {
    history.pushState(null, '', path);
    dispatchEvent(new PopStateEvent('popstate'));
  }, `/clients/${isaura.id}/measure`);
  await expect(page.getByRole('combobox', { name: 'Find a client' })).toHaveValue(/Isaura/);
  await expect(page.getByText('Can’t reach Yandle.')).toBeVisible();
  await expect(row).toHaveCount(0);
  await expect(page.getByRole('textbox', { name: /^Left, reading/ })).toHaveCount(0);
});
