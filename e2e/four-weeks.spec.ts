import type { Block, Report, Session, SessionSummary } from '@yandle/contract';
import { aMadeClient, dayFrom, measured, newId, send, type Me } from './made-clients';
import { axe, expect, productUrl, signInQuietly, test } from './support';

/** A client's weeks from the phone to a changed plan to the report: one done, one missed, two done; sore twice, a pinch, a goal reached. */
test('what was done, felt and measured changes the plan, and the report says whether it works', async ({
  page,
  browser,
}) => {
  test.slow();
  await signInQuietly(page);
  const { request } = page;
  const me = (await (await request.get('/api/v1/me')).json()) as Me;
  const client = await aMadeClient(request, me, {
    ...{ name: 'Iolanthe Brask', weeksAgo: 4, weeks: 8, did: (week: number) => week !== 2 },
    lanes: [
      { group: 'soleus', exerciseId: 'bent-knee-wall-calf' },
      { group: 'hamstrings', exerciseId: 'supine-strap-hamstring' },
      { group: 'pectorals', exerciseId: 'doorway-pectorals' },
    ],
  });
  const blockOf = async (): Promise<Block> =>
    ((await (await request.get(`/api/v1/clients/${client}/blocks`)).json()) as Block[])[0]!;
  await measured(request, client, dayFrom(me.today, -27), 'active-knee-extension', { left: 42, right: 40 });
  await send(request, 'put', `/clients/${client}/goals/${newId()}`, {
    ...{ testId: 'active-knee-extension', value: 25, due: null, words: 'sit on the floor with straight legs' },
  });
  for (const [ago, left] of [
    [5, 24],
    [1, 22],
  ] as const)
    await measured(request, client, dayFrom(me.today, -ago), 'active-knee-extension', { left, right: 23 });

  // A pinch in the last session, as the phone sends it (the button is pressed in phone.spec).
  const sessions = (await (await request.get(`/api/v1/clients/${client}/sessions`)).json()) as SessionSummary[];
  const last = sessions.filter((s) => s.week === 4 && s.date < me.today).at(-1)!;
  const { run, items } = (await (await request.get(`/api/v1/sessions/${last.id}`)).json()) as Session;
  const chest = items.findIndex((i) => i.exerciseId === 'doorway-pectorals');
  await send(request, 'put', `/runs/${run!.id}/symptoms/${newId()}`, {
    ...{ item: chest, side: 'left', symptom: 'pinching', form: null, at: run!.startedAt },
  });

  // On the phone: what pinched is left out; sore twice, the week, and days away.
  const { token } = (await send(request, 'post', `/clients/${client}/phone-link`, {})) as { token: string };
  const phone = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
  await phone.goto(`${productUrl()}/s/start#${token}`);
  await expect(phone.getByRole('heading', { name: 'Hello Iolanthe' })).toBeVisible();
  await expect(phone.getByText(/We left out .* until your coach has looked at it\./)).toBeVisible();
  await phone.getByRole('button', { name: 'Lower leg 6' }).click();
  await phone.getByRole('button', { name: 'No time' }).click();
  await phone.getByLabel('First day away').fill(dayFrom(me.today, 14));
  await phone.getByLabel('Last day away').fill(dayFrom(me.today, 15));
  expect(await axe(phone)).toEqual([]);
  // Without a network it waits on the phone.
  await phone.context().setOffline(true);
  await phone.getByRole('button', { name: 'Tell my coach' }).click();
  await expect(phone.getByText('Your coach can see what you said.')).toBeVisible();
  await phone.context().setOffline(false);
  await expect
    .poll(async () => ((await (await request.get(`/api/v1/clients/${client}/check-ins`)).json()) as unknown[]).length)
    .toBe(1);
  for (const ago of [1, 4])
    await send(request, 'put', `/clients/${client}/soreness/${newId()}`, {
      ...{ date: dayFrom(me.today, -ago), region: 'lower-leg', soreness: 8, note: '' },
    });

  // The coach: Today names it, the review proposes, and the plan changes.
  await page.goto('/');
  await expect(page.getByText(/Iolanthe Brask is away/)).toBeVisible();
  await expect(page.getByText('Iolanthe Brask: pinching or pressure in a joint')).toBeVisible();
  const before = await blockOf();
  await page.goto(`/clients/${client}/review`);
  await expect(page.getByRole('heading', { name: 'Review of week 4' })).toBeVisible();
  const soleus = page.getByRole('listitem', { name: 'Soleus' });
  const hamstrings = page.getByRole('listitem', { name: 'Hamstrings' });
  await expect(soleus).toContainText('Two steps back');
  await expect(hamstrings).toContainText('Keep what is reached: Upkeep at a third of the dose');
  await expect(page.getByText('Stiffness: Lower leg 6 of 10')).toBeVisible();
  const pectorals = page.getByRole('listitem', { name: 'Pectorals' });
  await expect(pectorals).toContainText('A stop sign was reported in this lane: no step up.');
  for (const lane of [soleus, hamstrings, pectorals]) await lane.getByRole('button', { name: /^Accept/ }).click();
  await expect(page.getByText('All lanes are decided.')).toBeVisible();
  await expect(page.getByText(/This changed \d+ cells? of the plan/)).toBeVisible();
  await page.getByRole('button', { name: 'Plan around it' }).click();
  await expect(page.getByText('The plan goes around the days away.')).toBeVisible();
  const after = await blockOf();
  const doses = (b: Block, group: string) => b.lanes.find((l) => l.group === group)!.weeks.map((w) => w.dose);
  const from = before.changeableFrom - 1;
  for (const group of ['soleus', 'hamstrings'])
    expect(doses(after, group).slice(0, from)).toEqual(doses(before, group).slice(0, from));
  expect(doses(after, 'soleus')[from]!).toBeLessThan(doses(before, 'soleus')[from]!);
  expect(doses(after, 'hamstrings')[from]!).toBeLessThanOrEqual(doses(before, 'hamstrings')[from - 1]! / 3);
  expect(doses(after, 'pectorals')[from]!).toBeLessThanOrEqual(doses(before, 'pectorals')[from - 1]!);
  expect(after.choices.away).toHaveLength(1);

  // Progress and the report say whether it works.
  await page.goto(`/clients/${client}/progress`);
  await expect(page.getByText(/Left .*freer: a real change\./)).toBeVisible();
  expect(await axe(page)).toEqual([]);
  await page.getByRole('link', { name: 'Report for the client' }).click();
  await expect(page.getByRole('heading', { name: 'Iolanthe, your progress so far' })).toBeVisible();
  await expect(page.getByText(/Straightening the knee, left: 19° more since/)).toBeVisible();
  expect(await axe(page)).toEqual([]);
  await page.getByRole('button', { name: 'Make a link' }).click();
  const address = await page.getByLabel('Link to this report').inputValue();
  const reader = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
  await reader.goto(address);
  await expect(reader.getByRole('heading', { name: 'Iolanthe, your progress so far' })).toBeVisible();
  expect(new URL(reader.url()).hash).toBe('');
  expect(await axe(reader)).toEqual([]);
  const report = (await (await request.get(`/api/v1/clients/${client}/report`)).json()) as Report;
  expect(report.parts.find((p) => p.id === 'next')!.lines).toContain(
    'Your goal, in your words: “sit on the floor with straight legs”.',
  );
});
