import type { Page } from '@playwright/test';
import type { Block } from '@yandle/contract';
import { clientCalled, expect, signInQuietly, test } from './support';

const cell = (page: Page, name: RegExp) => page.getByRole('button', { name });
const rules = (page: Page) => page.getByRole('region', { name: 'Rules' });

/** From findings to a calendar, as a coach goes (issue: the block). */
test('findings become a block that is changed, fixed, published, compared, kept as a template and dated', async ({
  page,
}) => {
  await signInQuietly(page);
  const { client } = await clientCalled(page.request, 'Emeric');

  // Findings → block.
  await page.goto(`/clients/${client.id}/findings`);
  await page.getByRole('button', { name: /^Plan th(is one|ese \d)$/ }).click();
  await expect(page.getByText(/^3 days of 20 min bring/)).toBeVisible();
  await page
    .getByRole('button', { name: /^Use these/ })
    .first()
    .click();
  await expect(cell(page, /, week 1: 2 × 30 s/).first()).toBeVisible();
  await page.getByLabel('in the style').selectOption({ label: 'Push-relax' });
  await page.getByLabel('Add a muscle group').selectOption({ label: 'Pectorals' });
  await expect(cell(page, /^Pectorals, week 1: 1 × 3 × \(6 s push at 20%, 15 s\)/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Rules: all met' })).toBeVisible();

  // Edit by keyboard until a rule breaks, and take the fix; undo brings the break back.
  await cell(page, /^Pectorals, week 2/).click();
  for (let i = 0; i < 3; i++) await page.keyboard.press('+');
  await expect(cell(page, /^Pectorals, week 2: 1 × 3 × \(6 s push at 20%, 21 s\).*rule/)).toBeVisible();
  await expect(rules(page)).toContainText('the weekly increase allows 20%, 162 s');
  await rules(page)
    .getByRole('button', { name: /^Use 1 × 3/ })
    .click();
  await expect(page.getByRole('button', { name: 'Rules: all met' })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: /^Rules: \d broken/ })).toBeVisible();
  await page.keyboard.press('Control+y');

  // A range over lanes, filled to the right; unsaved work survives a reload.
  await cell(page, /^Pectorals, week 2/).click();
  await page.keyboard.press('Shift+ArrowRight');
  await page.keyboard.press('f');
  await expect(cell(page, /^Pectorals, week 3: .*18 s\).*set by you/)).toBeVisible();
  await page.reload();
  await expect(cell(page, /^Pectorals, week 3: .*18 s\).*set by you/)).toBeVisible();

  // Published with a reason, changed, published again, compared.
  await page.getByRole('button', { name: 'Start this block' }).click();
  await page.getByRole('button', { name: 'Start the block' }).click();
  await expect(page.getByText('The block is planned and its sessions have dates.')).toBeVisible();
  await page.getByLabel('Weekly increase, at most').selectOption('0.1');
  await page.getByRole('button', { name: 'Publish', exact: true }).click();
  await page.getByLabel('Reason, for the record').fill('Sore after the first week');
  await page.getByRole('button', { name: 'Publish', exact: true }).last().click();
  await expect(page.getByText('version 2')).toBeVisible();
  await page.getByRole('button', { name: 'Versions' }).click();
  await expect(page.getByText('2 · Sore after the first week')).toBeVisible();
  await expect(page.getByRole('list', { name: 'What differs' })).toContainText('weeks changed');
  await page.getByRole('button', { name: 'Restore this version' }).click();
  await page.getByRole('button', { name: 'Publish', exact: true }).click();
  await expect(page.getByLabel('Reason, for the record')).toHaveValue('Back to version 1');
  await page.getByRole('button', { name: 'Publish', exact: true }).last().click();
  await expect(page.getByText('version 3')).toBeVisible();

  // Kept as a template, and taken for another client within that client's limits.
  await page.getByRole('button', { name: 'Templates' }).click();
  await page.getByLabel('Name').fill('Emeric-like');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('“Emeric-like” is saved as a template, without the client’s data.')).toBeVisible();
  const dario = await clientCalled(page.request, 'Dario');
  await page.goto(`/clients/${dario.client.id}/block`);
  await page.getByRole('button', { name: 'Templates' }).click();
  await page.getByRole('button', { name: 'Use Emeric-like' }).click();
  await expect(cell(page, /^Pectorals, week 1/)).toBeVisible();

  // The calendar: a session moves, an address is made.
  await page.goto(`/clients/${client.id}/sessions`);
  await page.getByRole('button', { name: /^move/ }).first().click();
  const place = page.getByRole('button', { name: / here$/ }).first();
  await place.click();
  await expect(page.getByText(/^Moved to/)).toBeVisible();
  await page.getByRole('button', { name: 'Make an address to subscribe to' }).click();
  const address = await page.getByLabel('Address, shown once').inputValue();
  const file = await (await page.request.get(address)).text();
  expect(file).toContain('BEGIN:VCALENDAR');
  expect(file.match(/BEGIN:VEVENT/g)!.length).toBeGreaterThan(10);

  // Why this plan, on one page.
  await page.goto(`/clients/${client.id}/block/why`);
  await expect(page.getByRole('heading', { name: 'What this block works on' })).toBeVisible();
  await expect(page.getByText('not medical advice')).toBeVisible();
  await expect(page.getByText('Garber CE et al. 2011').first()).toBeVisible();
});

test('two coaches change one block: the second chooses what both changed', async ({ page, browser }) => {
  await signInQuietly(page);
  const { client } = await clientCalled(page.request, 'Lorcan');
  await page.goto(`/clients/${client.id}/block`);
  await page.getByLabel('Weekly increase, at most').selectOption('0.3');
  await page.getByRole('combobox', { name: 'Weeks' }).selectOption('10');

  const other = await (await browser.newContext()).newPage();
  await signInQuietly(other, { email: 'joris@harbourlane.example', password: 'long-easy-breath' });
  const [block] = (await (await other.request.get(`/api/v1/clients/${client.id}/blocks`)).json()) as Block[];
  const put = await other.request.put(`/api/v1/blocks/${block!.id}`, {
    data: { ...block!.choices, ramp: 0.1, version: block!.version, reason: 'Slower' },
  });
  expect(put.ok()).toBe(true);

  await page.getByRole('button', { name: 'Publish', exact: true }).click();
  await page.getByLabel('Reason, for the record').fill('Longer');
  await page.getByRole('button', { name: 'Publish', exact: true }).last().click();
  await expect(page.getByRole('heading', { name: 'Published while you were editing' })).toBeVisible();
  await page.getByLabel('theirs: 0.1').check();
  await page.getByRole('button', { name: 'Merge' }).click();
  await expect(page.getByLabel('Weekly increase, at most')).toHaveValue('0.1');
  await expect(page.getByRole('combobox', { name: 'Weeks' })).toHaveValue('10');
  await page.getByRole('button', { name: 'Publish', exact: true }).click();
  await page.getByLabel('Reason, for the record').fill('Both');
  await page.getByRole('button', { name: 'Publish', exact: true }).last().click();
  await expect(page.getByText('The changes are published.')).toBeVisible();
});

test('an own style is written with its weeks beside it, and planned with', async ({ page }) => {
  await signInQuietly(page);
  await page.goto('/styles');
  await page.getByRole('button', { name: 'Long hold' }).click();
  await page.getByRole('button', { name: 'Copy and change' }).click();
  await page.getByLabel('Name').fill('Evening hold');
  await page.getByLabel('Days per week').fill('2');
  await page.getByLabel('Days per week').blur();
  await expect(page.getByRole('button', { name: /^Hamstrings, week 1: 1 × 45 s, 2 days/ })).toBeVisible();
  await page.getByRole('button', { name: 'Save this style' }).click();
  await expect(page.getByText('“Evening hold” is saved.')).toBeVisible();
  const { client } = await clientCalled(page.request, 'Fenna');
  await page.goto(`/clients/${client.id}/block`);
  await page.getByLabel('in the style').selectOption({ label: 'Evening hold' });
  await page.getByLabel('Add a muscle group').selectOption({ label: 'Gluteals' });
  await expect(page.getByRole('button', { name: /^Gluteals, week 1: 1 × 45 s, 2 days/ })).toBeVisible();
});

test('the board with 20 lanes and 16 weeks answers keys without long tasks', async ({ page }) => {
  await signInQuietly(page);
  const { client } = await clientCalled(page.request, 'Fenna');
  await page.goto(`/clients/${client.id}/block`);
  await expect(page.getByText('Before this block can start: add at least one lane.')).toBeVisible();
  const names = await page.getByLabel('Add a muscle group').locator('option').allTextContents();
  for (const name of names.slice(1, 21)) await page.getByLabel('Add a muscle group').selectOption({ label: name });
  await page.getByRole('combobox', { name: 'Weeks' }).selectOption('16');
  await expect(page.locator('button.cell')).toHaveCount(320);
  const first = page.locator('button.cell').first();
  await first.click();
  for (const key of ['ArrowRight', 'ArrowDown', 'ArrowRight']) await page.keyboard.press(key);
  await expect(page.locator('button.cell.selected')).toHaveCount(1);
});

test('a second place, an earlier block as a start, and another client’s block with what is different', async ({
  page,
}) => {
  await signInQuietly(page);
  const { client } = await clientCalled(page.request, 'Fenna');
  await page.goto(`/clients/${client.id}/intake`);
  await page
    .getByRole('button', { name: /^Aims and equipment/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'Add a place' }).click();
  await page.getByLabel('Kind').selectOption('chair');
  await page.getByLabel('Name', { exact: true }).fill('Office');
  await page.getByLabel('Name', { exact: true }).blur();
  await page.getByRole('button', { name: 'Save today’s answers' }).click();
  await expect(page.getByText('Not saved yet')).toBeHidden();

  // The earlier block, planned for who the client is now; one of its sessions moves to the office.
  await page.goto(`/clients/${client.id}/block`);
  await page.getByText(/^Earlier blocks/).click();
  await page
    .getByRole('link', { name: /^\w{3} \d+ \w{3} – / })
    .first()
    .click();
  await page.getByRole('link', { name: 'Start a new block from this' }).click();
  await expect(page.getByText('made for this client')).toBeVisible();
  await expect(cell(page, /, week 1: /).first()).toBeVisible();
  await page.getByRole('button', { name: /^Session: / }).click();
  await page.getByLabel('Place').selectOption('Office');
  await expect(page.getByRole('button', { name: 'Start this block' })).toBeEnabled();

  // Somebody else's block: what changes is said with the reason.
  await page.getByRole('button', { name: 'Templates' }).click();
  await page.getByRole('combobox', { name: 'Whose block' }).fill('Tobin');
  await page.getByRole('option', { name: /Tobin/ }).click();
  await page
    .getByRole('list', { name: /^Blocks of Tobin/ })
    .getByRole('button', { name: /^Use/ })
    .first()
    .click();
  await expect(page.getByText(/^Different for Fenna/)).toBeVisible();
  await expect(cell(page, /^Calf \(gastrocnemius\), week 1/)).toBeVisible();
});
