import { readFileSync } from 'node:fs';
import { BATTERIES, inPositionOrder, romTestById, type RomTest } from '@yandle/core';
import type { Page } from '@playwright/test';
import { clientCalled, expect, server, signInQuietly, test, typeReadings } from './support';

/** A plausible reading near the stiff end, in steps that the instrument shows. */
function stiff(t: RomTest): string {
  const { stiffest, freest } = t.scale;
  const inside = Math.min(t.plausible.max, Math.max(t.plausible.min, stiffest + (freest - stiffest) * 0.2));
  return String(Math.round(inside));
}

async function addClient(page: Page, name: string): Promise<string> {
  const me = (await (await page.request.get('/api/v1/me')).json()) as { coach: { id: string } };
  const id = crypto.randomUUID();
  const data = {
    ...{ id, name, birthDate: '1984-03-02', sex: 'female', aim: 'Reach the top shelf', experience: 'regular' },
    ...{
      trainingDays: [1, 3, 5],
      minutesPerSession: 20,
      gentleGroups: [],
      screening: 'clear',
      screeningNote: '',
      notes: '',
    },
    leadCoachId: me.coach.id,
  };
  expect((await page.request.post('/api/v1/clients', { data })).status()).toBe(201);
  return id;
}

const kept = (page: Page) => expect(page.getByText('Saved', { exact: true })).toBeVisible();

test('a whole battery by keyboard, an inclinometer, a symptom, a crash, and from the findings to lanes', async ({
  page,
}) => {
  test.setTimeout(180_000);
  await signInQuietly(page);
  const id = await addClient(page, 'Philippa Marrowby');
  await page.goto(`/clients/${id}/measure`);
  await page.getByLabel('Battery').selectOption('full-body');
  await page.getByRole('button', { name: 'Start measuring' }).click();
  const tests = inPositionOrder(BATTERIES.find((b) => b.id === 'full-body')!.testIds.map(romTestById));
  expect(tests.length).toBeGreaterThanOrEqual(10);
  // Nothing but the keyboard: number, Enter; the cursor finds the next reading; PageDown to the next test.
  const byKey = tests.slice(0, -3);
  for (const t of byKey) {
    await expect(page.getByRole('heading', { level: 1, name: t.name })).toBeVisible();
    const twice = [stiff(t), stiff(t)];
    await typeReadings(page, twice, t.sides === 'none' ? [] : twice);
    await page.keyboard.press('PageDown');
  }
  const battery = page.getByRole('navigation', { name: 'Battery' });
  await expect(battery.getByText('✓')).toHaveCount(byKey.length);

  // One key for the side.
  const [sensor, ended] = tests.slice(-3) as [RomTest, RomTest, RomTest];
  await page.keyboard.press('r');
  await expect(page.getByRole('textbox', { name: /^(Right|To the right), reading 1/ })).toBeFocused();
  await page.keyboard.press('l');
  await expect(page.getByRole('textbox', { name: /^(Left|To the left), reading 1/ })).toBeFocused();

  // The simulated inclinometer: set, held still, captured by itself. Whole seconds on a mat, so within a degree.
  await page.getByLabel('Read from').selectOption('inclinometer');
  await page.getByText('Simulated device: what it shows').click();
  await page.getByLabel(/^True angle/).fill('58');
  await page.getByLabel(/^Settling/).fill('0');
  await page.getByLabel(/^Tremor/).fill('0.1');
  await page.getByRole('button', { name: 'Set the device' }).click();
  await expect(page.getByText('Set.')).toBeVisible();
  await page.getByRole('button', { name: 'Same angle again' }).click();
  const left = page.getByRole('region', { name: /^(Left|To the left)$/ });
  await expect(left.getByRole('button', { name: /^Correct reading 5[78]/ }).first()).toBeVisible();
  await page.getByLabel('Read from').selectOption('typed');
  await kept(page);
  const assessments = (await (await page.request.get(`/api/v1/clients/${id}/assessments`)).json()) as {
    readings: { testId: string; instrument: string; value: number }[];
  }[];
  const captured = assessments[0]!.readings.filter((t) => t.testId === sensor.id && Math.abs(t.value - 58) < 1);
  expect(captured.length).toBeGreaterThanOrEqual(1);
  expect(captured[0]!.instrument).toBe('inclinometer');

  // A symptom ends the next test; the last is skipped with its reason.
  await page.getByRole('button', { name: /Next test/ }).click();
  await expect(page.getByRole('heading', { level: 1, name: ended.name })).toBeVisible();
  await page.getByRole('button', { name: 'Pain or symptom' }).click();
  await page.getByLabel('Pinching or pressure in a joint').check();
  await page.getByRole('button', { name: 'End this test' }).click();
  await expect(page.getByText('Ended: pinching or pressure in a joint.')).toBeVisible();
  await expect(page.getByRole('textbox', { name: /reading 1/ })).toHaveCount(0);
  await page.getByRole('button', { name: /Next test/ }).click();
  await page.getByRole('button', { name: 'Skip', exact: true }).click();
  await page.getByLabel('Can’t get into the position').check();
  await page.getByRole('button', { name: 'Skip this test' }).click();
  await expect(page.getByText('Skipped: Can’t get into the position.')).toBeVisible();
  await kept(page);

  // The server dies; a correction goes on; all is there after a reload.
  await server('kill');
  await battery.getByRole('button', { name: new RegExp(byKey[0]!.name) }).click();
  await page
    .getByRole('button', { name: /^Correct reading/ })
    .first()
    .click();
  await expect(page.locator('input:focus')).toBeVisible();
  await page.keyboard.type(stiff(byKey[0]!) + '.5');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: `Correct reading ${stiff(byKey[0]!)}.5` })).toBeVisible();
  await server('start');
  await kept(page);
  await page.reload();
  await expect(battery.getByText('✓')).toHaveCount(byKey.length);
  await expect(battery.getByText('■ ended')).toBeVisible();
  await expect(page.getByRole('button', { name: `Correct reading ${stiff(byKey[0]!)}.5` })).toBeVisible();

  // Findings: ranked, adjusted, handed over.
  await page.getByRole('link', { name: /^Findings/ }).click();
  await expect(page.getByText('Stopped for a symptom last time')).toBeVisible();
  await expect(page.getByText(`${ended.name}: pinching or pressure in a joint`)).toBeVisible();
  const names = page.locator('ol h3');
  const before = await names.allTextContents();
  expect(before.length).toBeGreaterThan(4);
  await page.getByRole('button', { name: `Move ${before[2]}: arrow keys up and down` }).press('ArrowUp');
  await expect(names.nth(1)).toHaveText(before[2]!);
  await page.getByRole('button', { name: `Adjust ${before[0]}` }).click();
  await page.getByLabel('Leave out because').fill('rests this block');
  await page.getByRole('button', { name: 'Leave out', exact: true }).click();
  await expect(page.getByText(`${before[0]}: rests this block`)).toBeVisible();
  await page.getByText('Set a goal').click();
  await page.getByRole('combobox', { name: 'Test', exact: true }).selectOption('shoulder-flexion');
  await page.getByLabel(/^Result to reach/).fill('175');
  await page.getByLabel('In the client’s words (optional)').fill('reach the top shelf');
  await page.getByRole('button', { name: 'Set the goal' }).click();
  await expect(page.getByText('“reach the top shelf”')).toBeVisible();
  await page.reload();
  await expect(names.first()).toHaveText(before[2]!);
  await expect(page.getByText(`${before[0]}: rests this block`)).toBeVisible();
  await page.getByRole('button', { name: /^Plan th(is one|ese \d)$/ }).click();
  await expect(page).toHaveURL(/block\?groups=/);
  await page
    .getByRole('button', { name: /^Use these/ })
    .first()
    .click();
  await expect(page.getByRole('button', { name: /, week 1: 2 × 30 s/ }).first()).toBeVisible();
});

test('a coach’s own error stands for what that coach measured, and can be taken back', async ({ page }) => {
  await signInQuietly(page);
  await page.goto('/error');
  await page.getByRole('combobox', { name: 'Test', exact: true }).selectOption('active-knee-extension');
  await page.getByText('Paste from a spreadsheet').click();
  const rows = Array.from({ length: 10 }, (_, i) => `Client ${i + 1};${30 + i * 2};${30 + i * 2 + (i % 2 ? 1 : -1)}`);
  await page.getByLabel('One client per line: name, first, second').fill(rows.join('\n'));
  await page.getByRole('button', { name: 'Use these' }).click();
  await expect(page.getByText('10 clients added.')).toBeVisible();
  // Differences ±1, mean 0: SD √(10/9) = 1.05, SEM = SD/√2 = 0.75; ten clients, t = 2.262: MDC95 = 2.262·√2·0.745 = 2.38.
  await expect(page.getByText('0.75°', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Use as my error for this test' }).click();
  await expect(page.getByText(/Now in use: 0\.75°/)).toBeVisible();
  const { client } = await clientCalled(page.request, 'Ottoline');
  await page.goto(`/clients/${client.id}/progress`);
  await expect(page.getByRole('region', { name: 'Active knee extension' })).toContainText(
    'A change above 2.4° is real',
  );
  await page.goto('/error');
  await page.getByRole('button', { name: 'Withdraw the error of Active knee extension' }).click();
  await page.goto(`/clients/${client.id}/progress`);
  await expect(page.getByRole('region', { name: 'Active knee extension' })).toContainText(
    'A change above 8.3° is real',
  );
});

test('a test of one’s own, in a battery of one’s own, is measured like any other', async ({ page }) => {
  await signInQuietly(page);
  await page.goto('/tests');
  await page.getByRole('button', { name: 'Add a test' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Wall angel reach');
  await page.getByLabel('Motion measured').fill('Shoulder elevation at a wall');
  await page.getByLabel('What the number reads').fill('wrist to wall');
  await page.getByLabel('Stop reading when').fill('the low back leaves the wall');
  await page.getByLabel('Steps, one per line').fill('Back to the wall.\nSlide both arms up.');
  await page.getByLabel('Unit').selectOption('cm');
  await page.getByLabel('Better is').selectOption('less');
  await page.getByLabel(/^Agree within/).fill('1');
  await page.getByLabel(/^Instrument shows/).fill('0.5');
  await page.getByLabel('Largest plausible').fill('60');
  await page.getByLabel(/^Measurement error/).fill('1.2');
  await page.getByRole('button', { name: 'Save the test' }).click();
  await expect(page.getByText('Required.')).toBeVisible();
  await page.getByLabel('Source of the error').fill('the studio’s habit');
  await page.getByRole('button', { name: 'Save the test' }).click();
  await expect(page.getByRole('heading', { name: 'Wall angel reach' })).toBeVisible();
  await page.getByRole('button', { name: 'Add a battery' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Shelf');
  await page.getByRole('checkbox', { name: /Wall angel reach/ }).check();
  await page.getByRole('checkbox', { name: /Shoulder flexion/ }).check();
  await page.getByRole('button', { name: 'Save the battery' }).click();
  await expect(page.getByText('Shelf is saved.')).toBeVisible();

  const id = await addClient(page, 'Corwin Ashgrove');
  await page.goto(`/clients/${id}/measure`);
  await page.getByLabel('Battery').selectOption({ label: 'Shelf: 2 tests, about 4 min' });
  await page.getByRole('button', { name: 'Start measuring' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Wall angel reach' })).toBeVisible();
  await typeReadings(page, ['12', '12.5'], ['8', '8.5']);
  // 4 cm apart, more than 1.96·√2·1.2 = 3.3 cm.
  await expect(
    page.getByRole('img', { name: /Wall angel reach: left 12.3 cm; right 8.3 cm. L tighter by 4 cm/ }),
  ).toBeVisible();
});

test('results come in from a table, whole or not at all, and go out as they came', async ({ page }) => {
  await signInQuietly(page);
  const id = await addClient(page, 'Ysolde Penhallow');
  await page.goto('/data');
  const choose = (name: string, text: string) =>
    page
      .getByLabel('Choose a CSV or JSON file')
      .setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) });
  const line = (date: string, value: string, who = 'Ysolde Penhallow') =>
    `${who};${date};Active knee extension;L;${value}`;
  await choose(
    'old.csv',
    ['Who;When;What;Side;Result', line('2026-02-02', '41,5'), line('2026-02-31', '40')].join('\n'),
  );
  for (const [i, column] of ['client', 'date', 'test'].entries())
    await page.getByRole('combobox', { name: new RegExp(`^Column ${i + 1},`) }).selectOption(column);
  await page.getByRole('button', { name: 'Check the file' }).click();
  await expect(page.getByText('Nothing imported')).toBeVisible();
  await expect(page.getByRole('cell', { name: 'Enter a date like 2026-03-09.' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Import' })).toBeDisabled();
  await choose(
    'new.csv',
    ['client;date;test;side;value', line('2026-02-02', '41,5'), line('2026-02-09', '40')].join('\n'),
  );
  await page.getByRole('button', { name: 'Check the file' }).click();
  await expect(page.getByText('Ready to import')).toBeVisible();
  await page.getByRole('button', { name: 'Import' }).click();
  await expect(page.getByText('2 lines: 2 new readings in 2 new assessments of 1 client')).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'CSV', exact: true }).click();
  const file = readFileSync(await (await download).path(), 'utf8');
  expect(file).toContain(
    'Ysolde Penhallow,2026-02-02,12:00,cold,Mara Thornebrook,active-knee-extension,left,41.5,deg,',
  );
  await page.goto(`/clients/${id}/progress`);
  await expect(page.getByRole('region', { name: 'Active knee extension' })).toContainText('41.5° → 40°');
});

test('an angle is read from a picture that stays in the browser until it is attached', async ({ page }) => {
  await signInQuietly(page);
  const id = await addClient(page, 'Leopold Fenwick');
  await page.goto(`/clients/${id}/measure`);
  await page.getByLabel('Battery').selectOption('ankle-hamstring');
  await page.getByRole('button', { name: 'Start measuring' }).click();
  await page.keyboard.press('PageDown');
  await expect(page.getByRole('heading', { level: 1, name: 'Active knee extension' })).toBeVisible();
  await kept(page);
  const sent: string[] = [];
  page.on('request', (r) => void (r.method() !== 'GET' && sent.push(`${r.method()} ${new URL(r.url()).pathname}`)));
  await page.getByLabel('Read from').selectOption('picture');
  // Any picture will do: one of this very screen.
  const picture = await page.screenshot();
  await page
    .getByLabel('Choose a photo or video')
    .setInputFiles({ name: 'knee.png', mimeType: 'image/png', buffer: picture });
  await page.getByRole('combobox', { name: 'Angle', exact: true }).selectOption('to the horizontal');
  const moving = page.getByRole('button', { name: 'moving arm, point 3' });
  const angle = page.getByTestId('picture-angle');
  // Start points at (0.5, 0.5) and (0.62, 0.3) of 1280 × 800: arctan(160/154) = 46.1°.
  await expect(angle).toHaveText('46.1°');
  await moving.press('Shift+ArrowUp');
  // Ten steps of 1280/800 pixels up: arctan(176/154) = 48.8°.
  await expect(angle).toHaveText('48.8°');
  await page.getByRole('button', { name: 'Use for Left 1' }).click();
  await expect(page.getByRole('region', { name: 'Left', exact: true })).toContainText('48.8°');
  await kept(page);
  expect(sent.filter((s) => s.includes('pictures'))).toEqual([]);
  await page.getByRole('button', { name: 'Attach to the record' }).click();
  await expect(page.getByText('Picture saved.')).toBeVisible();
  await expect(page.getByRole('img', { name: /^Picture of Active knee extension/ })).toBeVisible();
  expect(sent.filter((s) => s.includes('pictures'))).toHaveLength(1);
});
