import type { Page } from '@playwright/test';
import { axe, clientCalled, expect, signInQuietly, test } from './support';

const screens: Record<string, (page: Page) => Promise<void>> = {
  today: async (page) => void (await page.goto('/')),
  clients: async (page) => void (await page.goto('/clients')),
  'new client': async (page) => {
    await page.goto('/clients/new');
    await page.getByRole('button', { name: 'Add client' }).click();
  },
  intake: async (page) => of(page, 'intake'),
  'intake, cautions': async (page) => {
    await of(page, 'intake', 'Petronella');
    await page.getByRole('button', { name: /^Bones/ }).click();
    await page.getByRole('button', { name: /^Record a clearance/ }).click();
  },
  'intake, wishes and means': async (page) => {
    await of(page, 'intake');
    await page.getByRole('button', { name: /^Aims/ }).click();
    await page.getByRole('button', { name: /the client/ }).click();
  },
  'intake, person': async (page) => {
    await of(page, 'intake');
    await page.getByRole('button', { name: /^Person/ }).click();
  },
  'client’s intake': async (page) => {
    const { client } = await clientCalled(page.request, 'Fenna');
    const made = await page.request.post(`/api/v1/clients/${client.id}/intake-link`, { data: {} });
    await page.goto(`/fill-in/${((await made.json()) as { token: string }).token}`);
  },
  library: async (page) => {
    await page.goto('/library');
    await page
      .getByRole('button', { name: /^Deep squat hold|Deep squat hold/ })
      .first()
      .click();
  },
  'own exercise': async (page) => {
    await page.goto('/library');
    await page.getByRole('button', { name: 'Add an exercise' }).click();
    await page.getByText('Secondary muscles, equipment').click();
  },
  'not found': async (page) => void (await page.goto('/nowhere')),
  'measure, start': async (page) => of(page, 'measure'),
  'measure, assessment': async (page) => {
    await of(page, 'measure');
    await page.getByRole('button', { name: 'Open to correct or add' }).click();
  },
  'measure, pad and symptom': async (page) => {
    await of(page, 'measure');
    await page.getByRole('button', { name: 'Open to correct or add' }).click();
    await page.getByRole('button', { name: 'Large pad' }).click();
    await page.getByRole('button', { name: 'Pain or symptom' }).click();
  },
  'measure, Beighton': async (page) => {
    await of(page, 'measure');
    await page.getByRole('button', { name: 'Open to correct or add' }).click();
    await page.getByRole('button', { name: 'Beighton score' }).click();
  },
  'findings, forms open': async (page) => {
    await of(page, 'findings');
    await page.getByText('Note a complaint or stiffness').click();
    await page.getByText('Set a goal').click();
    await page
      .getByRole('button', { name: /^Adjust/ })
      .first()
      .click();
  },
  tests: async (page) => void (await page.goto('/tests')),
  'own test': async (page) => {
    await page.goto('/tests');
    await page.getByRole('button', { name: 'Add a test' }).click();
  },
  'own battery': async (page) => {
    await page.goto('/tests');
    await page.getByRole('button', { name: 'Add a battery' }).click();
  },
  'my measurement error': async (page) => {
    await page.goto('/error');
    await page.getByRole('button', { name: /Spring/ }).click();
    await page.getByText('All forms of the ICC').click();
  },
  data: async (page) => void (await page.goto('/data')),
  findings: async (page) => of(page, 'findings', 'Emeric'),
  block: async (page) => of(page, 'block'),
  'block, what if': async (page) => {
    await of(page, 'block', 'Tobin');
    await page.getByRole('button', { name: 'What if' }).click();
    await page.getByLabel('Weekly increase, at most').last().selectOption('0.1');
    await page.getByRole('button', { name: 'Weekly dose' }).click();
    await page.getByText('The numbers').click();
  },
  'block, broken rules and revisions': async (page) => {
    await of(page, 'block', 'Tobin');
    await page.getByRole('button', { name: /^Soleus, week 6/ }).click();
    await page.getByLabel('Sets, more').click();
    await page.getByRole('button', { name: 'Versions' }).click();
    await expect(page.getByRole('region', { name: 'Cells that differ' })).toBeVisible();
  },
  'block, templates': async (page) => {
    await of(page, 'block', 'Fenna');
    await page.getByRole('button', { name: 'Templates' }).click();
  },
  'why this plan': async (page) => of(page, 'block/why'),
  styles: async (page) => void (await page.goto('/styles')),
  'own style': async (page) => {
    await page.goto('/styles');
    await page.getByRole('button', { name: 'Copy and change' }).click();
  },
  routines: async (page) => {
    await page.goto('/routines');
    await page.getByRole('button', { name: /Slow Sunday/ }).click();
    await page.getByRole('button', { name: 'Give it to clients' }).click();
  },
  'routine, written': async (page) => {
    await page.goto('/routines');
    await page.getByRole('button', { name: 'Write a routine' }).click();
    await page.getByRole('combobox', { name: 'Add an exercise' }).fill('strap');
  },
  reviews: async (page) => {
    await page.goto('/reviews');
    await page.getByRole('heading', { name: 'Weekly reviews' }).waitFor();
    await page.getByRole('heading', { name: 'Plain' }).waitFor();
  },
  report: async (page) => {
    const { client } = await clientCalled(page.request, 'Ottoline');
    await page.goto(`/clients/${client.id}/report`);
    await page.getByRole('heading', { name: 'Ottoline, your progress so far' }).waitFor();
  },
  review: async (page) => {
    const { client } = await clientCalled(page.request, 'Tobin');
    await page.goto(`/clients/${client.id}/review`);
    await expect(page.getByRole('heading', { name: /^Review of week/ })).toBeVisible();
  },
  timings: async (page) => {
    const { client } = await clientCalled(page.request, 'Ottoline');
    await page.goto(`/clients/${client.id}/timings`);
    await expect(page.getByRole('table')).toBeVisible();
  },
  series: async (page) => {
    await page.goto('/routines/series');
    await page.getByRole('button', { name: 'Give it to clients' }).click();
  },
  'series, written': async (page) => {
    await page.goto('/routines/series');
    await page.getByRole('button', { name: 'Copy and change' }).click();
  },
  'day plan with a routine': async (page) => {
    await of(page, 'block');
    await page
      .getByRole('button', { name: /^(After training|Session|Morning|Evening)/ })
      .first()
      .click();
    await page.getByLabel('Begins with a routine').selectOption({ label: 'Chair only' });
    await page.getByText(/takes \d+:\d\d at the beginning/).waitFor();
  },
  'new session': async (page) => {
    await of(page, 'sessions');
    await page.getByRole('button', { name: 'New session' }).click();
    await page.getByRole('button', { name: 'Compose from muscle groups…' }).click();
    await page.getByRole('button', { name: 'What the findings ask for' }).click();
  },
  'new block': async (page) => {
    await of(page, 'block', 'Emeric');
    await page.getByLabel('Add a muscle group').selectOption({ label: 'Hamstrings' });
  },
  sessions: async (page) => of(page, 'sessions'),
  session: async (page) => {
    const { client, nextSession } = await clientCalled(page.request, 'Ottoline');
    await page.goto(`/clients/${client.id}/sessions/${nextSession!.id}`);
  },
  'session, composed': async (page) => {
    await screens['session']!(page);
    await page.getByRole('button', { name: 'Suggest a session…' }).click();
    await page.getByRole('button', { name: 'Compose', exact: true }).click();
    await expect(page.getByRole('button', { name: 'Use this session' })).toBeVisible({ timeout: 20_000 });
  },
  'session, swap and log': async (page) => {
    await screens['session']!(page);
    await page.getByRole('button', { name: 'Swap' }).first().click();
    await page.getByRole('button', { name: 'Log it' }).click();
    await page.getByLabel('What was felt').selectOption({ index: 2 });
    await page.getByText('How it is done').first().click();
  },
  'client’s phone': async (page) => {
    const { client } = await clientCalled(page.request, 'Ottoline');
    const link = await page.request.post(`/api/v1/clients/${client.id}/phone-link`, { data: {} });
    await page.goto(`/s/start#${((await link.json()) as { token: string }).token}`);
    await expect(page.getByText('Works offline.')).toBeVisible({ timeout: 30_000 });
  },
  'run, what was felt': async (page) => {
    // Another client than the sheets above: a session that has begun cannot be changed.
    const { nextSession } = await clientCalled(page.request, 'Isaura');
    await page.goto(`/sessions/${nextSession!.id}/run`);
    await page.getByRole('button', { name: 'Start', exact: true }).click();
    await page.getByRole('button', { name: 'I’m well' }).click();
    await page.getByRole('button', { name: 'Stop: I feel something' }).click();
  },
  'run, how are you today': async (page) => {
    await screens['run']!(page);
    await page.getByRole('button', { name: 'Start', exact: true }).click();
  },
  run: async (page) => {
    const { nextSession } = await clientCalled(page.request, 'Ottoline');
    await page.goto(`/sessions/${nextSession!.id}/run`);
  },
  progress: async (page) => of(page, 'progress'),
  studio: async (page) => {
    await page.goto('/studio');
    await page.getByRole('button', { name: 'New password for Joris Ebbing' }).click();
    await page.getByRole('button', { name: 'Stand-in for Joris Ebbing' }).click();
    await expect(page.getByLabel('Link for Joris Ebbing, shown once')).toBeVisible();
  },
  account: async (page) => {
    await page.goto('/account');
    await page.getByRole('button', { name: 'Set up' }).click();
    await expect(page.getByRole('img', { name: /^Code to scan/ })).toBeVisible();
  },
  record: async (page) => {
    await of(page, 'record');
    await page.getByRole('button', { name: 'Show it here' }).click();
    await expect(page.getByRole('heading', { name: /^Readings/ })).toBeVisible();
  },
  invitation: async (page) => {
    const made = await page.request.post('/api/v1/studio/invitations', { data: { role: 'coach', note: '' } });
    await page.context().clearCookies();
    await page.goto(((await made.json()) as { path: string }).path);
    await expect(page.getByRole('button', { name: 'Join' })).toBeVisible();
  },
};

async function of(page: Page, step: string, name = 'Ottoline'): Promise<void> {
  const { client } = await clientCalled(page.request, name);
  await page.goto(`/clients/${client.id}/${step}`);
}

const THEMES = ['light', 'dark'] as const;

/** What axe finds on a screen in each theme, in the order of the themes. */
async function inBothThemes(page: Page): Promise<Record<string, string[]>> {
  const found: Record<string, string[]> = {};
  for (const colorScheme of THEMES) {
    // Without motion: colours that are still changing over are no colours to judge.
    await page.emulateMedia({ colorScheme, reducedMotion: 'reduce' });
    await expect(page.locator('html')).toHaveAttribute('data-theme', colorScheme);
    // Looked at again where something is found: colours may still be changing over.
    for (let look = 0; look < 3 && (found[colorScheme]?.length ?? 1) > 0; look++) found[colorScheme] = await axe(page);
  }
  return found;
}
const NOTHING = { light: [], dark: [] };

// Screens do not change what others show: they may be looked at side by side.
test.describe.configure({ mode: 'parallel' });

for (const [name, open] of Object.entries(screens))
  test(`${name} has no violation that axe can see`, async ({ page }) => {
    await signInQuietly(page);
    await open(page);
    await page.waitForLoadState('networkidle');
    expect(await inBothThemes(page)).toEqual(NOTHING);
  });
test('set-up has no violation that axe can see', async ({ page }) => {
  await page.goto('/setup');
  await page.getByRole('button', { name: 'Create the studio' }).click();
  expect(await inBothThemes(page)).toEqual(NOTHING);
});
test('sign-in has no violation that axe can see', async ({ page }) => {
  await page.goto('/sign-in');
  await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible();
  expect(await inBothThemes(page)).toEqual(NOTHING);
});

test('phone: Today and Run do not scroll sideways', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await signInQuietly(page);
  for (const name of [
    ...[
      'today',
      'run',
      'session',
      'session, swap and log',
      'client’s phone',
      'progress',
      'block',
      'measure, assessment',
      'measure, pad and symptom',
      'measure, Beighton',
    ],
    ...[
      'findings, forms open',
      'tests',
      'my measurement error',
      'data',
      'sessions',
      'styles',
      'own style',
      'studio',
      'account',
      'record',
    ],
    ...['why this plan', 'block, broken rules and revisions'],
    // Signs out.
    'invitation',
  ]) {
    await screens[name]!(page);
    await page.waitForLoadState('networkidle');
    const over = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
    expect(over, name).toBeLessThanOrEqual(0);
  }
});
