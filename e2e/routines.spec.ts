import { randomUUID } from 'node:crypto';
import type { Block, Session, SessionSummary } from '@yandle/contract';
import { addDays, itemWords, exerciseById } from '@yandle/core';
import type { Page } from '@playwright/test';
import { clientCalled, expect, signInQuietly, standStill, test } from './support';

/** Hands at a keyboard and a mouse, that count every key and click. */
class Hands {
  used = 0;
  constructor(private readonly page: Page) {}

  async click(name: string | RegExp): Promise<void> {
    this.used++;
    await this.page.getByRole('button', { name }).first().click();
  }

  /** A click into a field, its old content replaced by a few keys. */
  async type(label: string | RegExp, text: string): Promise<void> {
    this.used += 1 + text.length;
    const field = this.page.getByLabel(label).first();
    await field.click();
    await field.fill(text);
    await field.blur();
  }

  /** A click to open a list, a click on its option. */
  async choose(label: string | RegExp, option: string): Promise<void> {
    this.used += 2;
    await this.page.getByLabel(label).first().selectOption({ label: option });
  }

  /** Types into the box for exercises, the box being where the cursor is after the first time, and takes what is marked. */
  async add(text: string, ...more: readonly number[]): Promise<void> {
    const box = this.page.getByRole('combobox', { name: 'Add an exercise' });
    if (!(await box.evaluate((e) => e === document.activeElement))) {
      this.used++;
      await box.click();
    }
    await this.page.keyboard.type(text);
    const [times = 1] = more;
    for (let i = 0; i < times; i++) await this.page.keyboard.press(times > 1 ? 'Shift+Enter' : 'Enter');
    this.used += text.length + times * (times > 1 ? 2 : 1);
  }
}

const load = async (page: Page, id: string): Promise<Session> =>
  (await (await page.request.get(`/api/v1/sessions/${id}`)).json()) as Session;

/** A new session of a client, made by some hands; its words as they are kept. */
async function made(page: Page, name: string, work: (hands: Hands) => Promise<void>): Promise<Session> {
  const { client } = await clientCalled(page.request, name);
  await page.goto(`/clients/${client.id}/sessions`);
  const hands = new Hands(page);
  await hands.click('New session');
  await work(hands);
  await hands.click('Make this session');
  await expect(page.getByRole('heading', { name: 'Change this session' })).toBeVisible();
  expect(hands.used).toBeLessThanOrEqual(60);
  return load(page, /sessions\/([^/?]+)/.exec(page.url())![1]!);
}
/** The whole of a session, by the player's own clock; every bout that it logs was done to its end. */
async function ran(page: Page, s: Session): Promise<void> {
  await page.clock.install();
  await page.goto(`/sessions/${s.id}/run`);
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await standStill(page);
  await page.getByRole('button', { name: 'I’m well' }).click();
  await page.clock.runFor(100);
  await expect(page.getByText('Starting', { exact: true })).toBeVisible();
  const over = page.getByRole('heading', { name: 'Session finished' });
  const free = page.getByRole('button', { name: 'Nothing felt' });
  // Where a check without hands is asked, the clock waits for the answer.
  for (let left = s.totalSeconds + 60; left > 0 && !(await over.isVisible()); left -= 60) {
    if (await free.isVisible()) await free.click();
    // Second by second: a longer gap would be a phone that slept, and pauses.
    for (let i = 0; i < 60; i++) await page.clock.fastForward(1_000);
  }
  await expect(over).toBeVisible();
  await page.clock.resume();
  const done = async () => (await load(page, s.id)).run?.sets ?? [];
  await expect.poll(async () => new Set((await done()).map((b) => b.item)).size).toBe(s.items.length);
  for (const b of await done()) expect(b.doneSeconds).toBe(b.plannedSeconds);
}
const words = (s: Session): string[] => s.items.map((i) => itemWords(i, exerciseById(i.exerciseId)));

test.describe('sessions that practitioners do, typed in with at most sixty keys and clicks each', () => {
  // Each is run from beginning to end.
  test.beforeEach(({ page }) => {
    test.slow();
    return signInQuietly(page);
  });

  test('ten standing moves that flow, a minute each', async ({ page }) => {
    const s = await made(page, 'Ottoline', async (hands) => {
      await hands.add('standing', 10);
      await hands.choose('How, all of them', 'move');
      await hands.type('Seconds each, all of them', '60');
      await hands.choose('With the next, all of them', 'flow through');
    });
    expect(s.items).toHaveLength(10);
    expect(s.items.map((i) => i.link)).toEqual([...Array.from({ length: 9 }, () => 'flow'), undefined]);
    // 3 s there and back and 2 s at the end: twelve in a minute; what works takes 3 s each; what can only be held is held.
    const each = (i: (typeof s.items)[number]): number =>
      (i.technique ?? exerciseById(i.exerciseId).technique) === 'moving stretch' ? 5 : 3;
    for (const i of s.items) expect(i.reps === undefined ? i.holdSeconds : i.reps * each(i)).toBeLessThanOrEqual(60);
    expect(s.items.filter((i) => i.technique === 'moving stretch' && i.reps === 12).length).toBeGreaterThan(4);
    await ran(page, s);
  });

  test('five moves and then a hold, in three positions, on both sides', async ({ page }) => {
    const s = await made(page, 'Ottoline', async (hands) => {
      for (const text of ['strap h', 'half-kneeling h', 'knee to the o']) await hands.add(text);
      await hands.choose('How, all of them', 'move');
      for (const name of ['Lying ham', 'Half-kn', 'Knee to']) {
        await hands.type(new RegExp(`^repetitions of ${name}`), '5');
        await hands.click(new RegExp(`^Then, after ${name}`));
      }
    });
    expect(words(s)).toEqual(
      Array.from({ length: 3 }, () =>
        expect.stringMatching(/^Move in and out: 5 reps .*, then hold \d+ s, once on each side/),
      ),
    );
    await ran(page, s);
  });

  test('a layered neck with its directions', async ({ page }) => {
    const s = await made(page, 'Ottoline', async (hands) => {
      await hands.add('seated ear');
      await hands.type(/^seconds of Seated ear/, '10');
      await hands.click(/^Then, after Seated ear/);
      await hands.type(/^Direction, part 1/, 'level');
      await hands.click(/^Then, after Seated ear/);
      await hands.type(/^Direction, part 2/, 'chin down');
      await hands.type(/^Direction, part 3/, 'chin up');
    });
    expect(words(s)).toEqual([
      'Level: hold 10 s, then chin down: hold 10 s, then chin up: hold 10 s, once on each side, left first',
    ]);
    await ran(page, s);
  });

  test('a push and a stretch after an entry hold', async ({ page }) => {
    const s = await made(page, 'Ottoline', async (hands) => {
      await hands.add('strap h');
      await hands.type(/^seconds of Lying ham/, '10');
      await hands.click(/^Then, after Lying ham/);
      await hands.choose(/^How, part 2/, 'contract-relax');
    });
    expect(words(s)[0]).toMatch(/^Hold 10 s, then push, let go, stretch: 3 × \(/);
    await ran(page, s);
  });

  test('three rounds in bed', async ({ page }) => {
    const bed = await made(page, 'Ottoline', async (hands) => {
      await hands.choose('From a routine', 'Morning in bed');
      await hands.choose('Rounds', '3');
    });
    expect([bed.rounds, bed.name]).toEqual([3, 'Morning in bed']);
    await ran(page, bed);
  });

  test('a plank and a lunge in breaths', async ({ page }) => {
    const session = await made(page, 'Tobin', async (hands) => {
      await hands.add('plank');
      await hands.choose(/^How, part 1 of Plank/, 'hold with work, in breaths');
      await hands.type(/^breaths of Plank/, '5');
      await hands.add('half-kneeling h');
      await hands.choose(/^How, part 1 of Half/, 'hold, in breaths');
      await hands.type(/^breaths of Half/, '6');
    });
    expect(words(session)).toEqual(['Hold for 5 breaths, once', 'Hold for 6 breaths, once on each side, left first']);
    await ran(page, session);
  });

  test('a breath of its own pattern, a loosening between the sides, and a band by its strength', async ({ page }) => {
    const session = await made(page, 'Tobin', async (hands) => {
      await hands.add('half-kneeling h');
      await hands.choose(/^How, part 1/, 'hold, in breaths');
      await hands.click(/^Sides, pace, load and link of Half/);
      await hands.choose(/^Pace/, 'breath by seconds');
      await hands.type('Breath out, s', '4');
      await hands.choose('Loosen up', 'between the sides');
      await hands.choose('Place', 'anywhere');
      await hands.add('band');
      await hands.click(/^Sides, pace, load and link of .*[Bb]and/);
      await hands.choose(/^Load/, 'a band');
      await hands.choose('Strength', 'medium band (step 3)');
    });
    const [held, band] = words(session);
    expect(held).toContain('breathing in 2 s, out 4 s');
    expect(held).toContain('shake out for 10 s between the sides');
    expect(band).toContain('medium band (step 3)');
  });

  test('fourteen groups after class in twenty minutes, brisk, from the feet up', async ({ page }) => {
    const groups = [
      ...['Soleus', 'Calf (gastrocnemius)', 'Hamstrings', 'Quadriceps', 'Hip flexors', 'Adductors', 'Gluteals'],
      ...['Lateral trunk', 'Upper back', 'Pectorals', 'Posterior shoulder', 'Lats', 'Triceps', 'Forearm flexors'],
    ];
    const { client } = await clientCalled(page.request, 'Ottoline');
    const set = { data: { brisk: true, own: {} } };
    expect((await page.request.put(`/api/v1/clients/${client.id}/timings`, set)).ok()).toBe(true);
    const s = await made(page, 'Ottoline', async (hands) => {
      await hands.choose('Purpose', 'After training');
      for (const group of groups) await hands.choose('or add a muscle group', group);
      await hands.type('Seconds each, all of them', '25');
      await hands.choose('Order of all of them', 'From the feet up');
    });
    expect(s.items).toHaveLength(14);
    expect(s.totalSeconds).toBeLessThanOrEqual(20 * 60);
    await ran(page, s);
    expect(
      (await page.request.put(`/api/v1/clients/${client.id}/timings`, { data: { brisk: false, own: {} } })).ok(),
    ).toBe(true);
  });

  test('a desk break of five minutes, every day of a week', async ({ page }) => {
    const { client } = await clientCalled(page.request, 'Ottoline');
    await page.goto(`/clients/${client.id}/sessions`);
    await page.getByRole('button', { name: 'New session' }).click();
    await page.getByLabel('From a routine').selectOption({ label: 'Desk break, five minutes' });
    await page.getByRole('combobox', { name: 'Repeat', exact: true }).selectOption('every day');
    await page.getByRole('button', { name: 'Make 7 sessions' }).click();
    await expect(page.getByText('7 sessions are on the calendar.')).toBeVisible();
    const all = (await (await page.request.get(`/api/v1/clients/${client.id}/sessions`)).json()) as SessionSummary[];
    const breaks = all.filter((s) => s.name === 'Desk break, five minutes');
    expect(breaks).toHaveLength(7);
    expect(breaks[0]!.totalSeconds).toBeLessThanOrEqual(330);
    await ran(page, await load(page, breaks[0]!.id));
  });
});

test('five moves and a hold are run in one entry, each logged as its own bout', async ({ page }) => {
  await signInQuietly(page);
  const s = await made(page, 'Ottoline', async (hands) => {
    await hands.add('strap h');
    await hands.choose(/^How, part 1/, 'move');
    await hands.type(/^repetitions of/, '5');
    await hands.click(/^Then, after/);
    await hands.type(/^seconds of Lying.*part 2/, '20');
  });
  await page.clock.install();
  await page.getByRole('link', { name: 'Start session' }).click();
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await standStill(page);
  await page.getByRole('button', { name: 'I’m well' }).click();
  await page.clock.runFor(100);
  await expect(page.getByText('Starting', { exact: true })).toBeVisible();
  await page.clock.runFor(3500);
  await page.clock.runFor((s.totalSeconds + 2) * 1000);
  await page.clock.resume();
  const logs = async () => (await load(page, s.id)).run?.sets.map((x) => [x.side, x.set, x.doneSeconds]) ?? [];
  // Five pauses of 2 s, then 20 s, on each side.
  await expect.poll(logs).toEqual([
    ['left', 1, 10],
    ['left', 2, 20],
    ['right', 1, 10],
    ['right', 2, 20],
  ]);
});

test('a session is composed from what the findings ask for and a group, without a block', async ({ page }) => {
  await signInQuietly(page);
  const { client } = await clientCalled(page.request, 'Ottoline');
  await page.goto(`/clients/${client.id}/sessions`);
  await page.getByRole('button', { name: 'New session' }).click();
  await page.getByRole('button', { name: 'Compose from muscle groups…' }).click();
  const panel = page.getByRole('region', { name: 'Compose from muscle groups' });
  await panel.getByRole('button', { name: 'What the findings ask for' }).click();
  const asked = await panel.getByRole('listitem').count();
  await panel.getByLabel('Add a group').selectOption({ label: 'Triceps' });
  await expect(panel.getByRole('listitem')).toHaveCount(asked + 1);
  await panel.getByLabel('Minutes').fill('15');
  await panel.getByLabel('Minutes').blur();
  await panel.getByLabel('These were just trained: no warm-up').check();
  await panel.getByRole('button', { name: 'Compose', exact: true }).click();
  await expect(panel.getByText('Nothing better fits these minutes (proven).')).toBeVisible({ timeout: 30_000 });
  await page.getByRole('button', { name: 'Make this session' }).click();
  await expect(page.getByRole('heading', { name: 'Change this session' })).toBeVisible();
  const session = await load(page, /sessions\/([^/?]+)/.exec(page.url())![1]!);
  expect(session.totalSeconds).toBeLessThanOrEqual(15 * 60);
  expect(session).toMatchObject({ purpose: 'after training', alreadyWarm: true, minutesBudget: 15, blockId: null });
  expect(session.items.length).toBeGreaterThan(2);
});

test('a routine is written, given to two clients at once, and each can do what they get', async ({ page }) => {
  await signInQuietly(page);
  await page.goto('/routines');
  await page.getByRole('button', { name: 'Write a routine' }).click();
  await page.getByLabel('Name').fill('Court legs');
  const hands = new Hands(page);
  for (const text of ['wall calf', 'strap h', 'crossed-k']) await hands.add(text);
  await page.getByRole('button', { name: 'Save this routine' }).click();
  await expect(page.getByRole('heading', { name: 'Court legs' })).toBeVisible();
  await page.getByRole('button', { name: 'Give it to clients' }).click();
  for (const name of ['Ottoline', 'Isaura']) {
    await page.getByRole('combobox', { name: 'Add a client' }).fill(name);
    await page.getByRole('option', { name: new RegExp(name) }).click();
  }
  const list = page.getByRole('region', { name: 'Give it to clients' });
  // One has all of it at home; the other has a chair only, so something takes its place.
  await expect(list.getByText('As it is.')).toHaveCount(1);
  await expect(list.getByText(/instead of|left out/).first()).toBeVisible();
  await list.getByRole('button', { name: /Put it on the calendar of 2 clients/ }).click();
  await expect(list.getByText('✓ on the calendar')).toHaveCount(2);
  const { client } = await clientCalled(page.request, 'Isaura');
  await page.goto(`/clients/${client.id}/sessions`);
  await page
    .getByRole('link', { name: /Court legs/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'Remove this session' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('heading', { name: 'Change this session' })).toBeVisible();
  await expect(page.getByText('Isaura Bellwether · Court legs')).toBeVisible();
});

test('a routine begins the sessions of a block, and the lanes add what is missing', async ({ page }) => {
  await signInQuietly(page);
  const { client } = await clientCalled(page.request, 'Tobin');
  await page.goto(`/clients/${client.id}/block`);
  await page.getByRole('button', { name: /^After training: / }).click();
  await page.getByLabel('Begins with a routine').selectOption({ label: 'After running' });
  await expect(
    page.getByText(/“After running” takes \d+:\d\d at the beginning of each of these sessions/),
  ).toBeVisible();
  await page.getByRole('button', { name: /^Soleus, week 5/ }).click();
  await expect(page.getByText(/“After running” does (all|the|\d)/)).toBeVisible();
  await page.getByRole('button', { name: 'Publish', exact: true }).click();
  await page.getByLabel('Reason, for the record').fill('Their own routine first');
  await page.getByRole('button', { name: 'Publish', exact: true }).last().click();
  await expect(page.getByText('The changes are published.')).toBeVisible();
  const [block] = (await (await page.request.get(`/api/v1/clients/${client.id}/blocks`)).json()) as Block[];
  const { routine } = block!.choices.dayPlans[0]!;
  const sessions = (await (await page.request.get(`/api/v1/clients/${client.id}/sessions`)).json()) as SessionSummary[];
  const last = await load(page, sessions.filter((s) => s.week === block!.weeks).at(-1)!.id);
  expect(last.items.slice(0, routine!.items.length)).toEqual(routine!.items);
  expect(last.totalSeconds).toBeLessThanOrEqual(25 * 60);
  await page.goto(`/clients/${client.id}/sessions/${last.id}`);
  await expect(page.getByText('begins with “After running”')).toBeVisible();
});

test('a series is copied, changed and put on a calendar as a whole', async ({ page }) => {
  await signInQuietly(page);
  await page.goto('/routines');
  await page.getByRole('link', { name: 'Series of days and weeks' }).click();
  await expect(page.getByRole('heading', { name: 'A week of one small routine a day' })).toBeVisible();
  await page.getByRole('button', { name: 'Copy and change' }).click();
  await page.getByLabel('Name').fill('Four small days');
  for (const day of [7, 6, 5]) await page.getByRole('button', { name: `Take out day ${day}`, exact: true }).click();
  await page.getByLabel('Routine of day 4').selectOption({ label: 'After running' });
  await page.getByRole('button', { name: 'The same days again' }).click();
  await page.getByRole('button', { name: 'Save this series' }).click();
  await expect(page.getByRole('heading', { name: 'Four small days' })).toBeVisible();
  await page.getByRole('button', { name: 'Give it to clients' }).click();
  await page.getByRole('combobox', { name: 'Add a client' }).fill('Fenna');
  await page.getByRole('option', { name: /Fenna/ }).click();
  await page.getByRole('button', { name: 'Put 8 sessions on the calendar of 1 client' }).click();
  await expect(page.getByText('✓ on the calendar')).toBeVisible();
  const { client } = await clientCalled(page.request, 'Fenna');
  const { today } = (await (await page.request.get('/api/v1/me')).json()) as { today: string };
  const sessions = (await (await page.request.get(`/api/v1/clients/${client.id}/sessions`)).json()) as SessionSummary[];
  const own = sessions.filter((s) => s.blockId === null && s.date >= today);
  expect(own.map((s) => s.date)).toEqual(Array.from({ length: 8 }, (_, i) => addDays(today, i)));
  expect(own[3]!.name).toBe('After running');
  expect(own[7]!.name).toBe('After running');
});

test('rounds go on until it feels easy: asked after each, done where it did', async ({ page }) => {
  await signInQuietly(page);
  const { client } = await clientCalled(page.request, 'Fenna');
  const { today } = (await (await page.request.get('/api/v1/me')).json()) as { today: string };
  const item = { exerciseId: 'frog', sets: 1, holdSeconds: 20, sensation: 4, firstSide: 'left' };
  const body = {
    sessions: [{ id: randomUUID(), date: today }],
    ...{ name: 'Frog rounds', routineId: null, placeId: null, purpose: 'own', alreadyWarm: true, minutes: null },
    ...{ rounds: 4, untilEasy: true, items: [item] },
  };
  const answer = await page.request.post(`/api/v1/clients/${client.id}/sessions`, { data: body });
  const [made] = (await answer.json()) as [SessionSummary];
  await page.goto(`/clients/${client.id}/sessions/${made.id}`);
  await expect(page.getByText('up to 4 rounds, until it feels easy')).toBeVisible();
  await page.clock.install();
  await page.getByRole('link', { name: 'Start session' }).click();
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await page.getByRole('button', { name: 'I’m well' }).click();
  await page.clock.runFor(120_000);
  await page.getByRole('button', { name: 'Not yet, one more' }).click();
  await page.clock.runFor(120_000);
  await page.getByRole('button', { name: 'Yes, that’s enough' }).click();
  await expect(page.getByRole('heading', { name: 'Session finished' })).toBeVisible();
  await page.getByRole('button', { name: 'Finish and save' }).click();
  await page.clock.runFor(5000);
  await expect(page.getByRole('heading', { name: 'Done', exact: true })).toBeVisible();
  const sets = (await load(page, made.id)).run!.sets.map((s) => [s.set, s.doneSeconds]);
  expect(sets).toEqual([
    [1, 20],
    [2, 20],
  ]);
});

test('one session is timed on its own, and is as long as the screen of timings says', async ({ page }) => {
  await signInQuietly(page);
  const { client } = await clientCalled(page.request, 'Ottoline');
  const all = (await (await page.request.get(`/api/v1/clients/${client.id}/sessions`)).json()) as SessionSummary[];
  const next = all.find((s) => s.status === 'planned')!;
  await page.goto(`/clients/${client.id}/sessions/${next.id}`);
  await page.getByRole('link', { name: 'Timings' }).click();
  await page.getByLabel('Change to a new position, this session').fill('40');
  await page.getByLabel('Change to a new position, this session').blur();
  const said = page.getByRole('status').filter({ hasText: 'takes' });
  await expect(said).toContainText('with the timings of Ottoline');
  const session = await load(page, next.id);
  expect(session.pacing).toEqual({ brisk: null, own: { newPosition: 40 } });
  const minutes = `${Math.floor(session.totalSeconds / 60)}:${String(session.totalSeconds % 60).padStart(2, '0')}`;
  await expect(said).toContainText(`takes ${minutes} min`);
  await said.getByRole('link').click();
  await expect(page.getByText(minutes, { exact: true })).toBeVisible();
});
