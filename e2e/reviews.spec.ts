import type { APIRequestContext } from '@playwright/test';
import type { ClientReview } from '@yandle/contract';
import { aMadeClient, type Me } from './made-clients';
import { axe, expect, signInQuietly, test } from './support';

const CLIENTS = 100;
const EXCEPTIONS = 15;

/** A client with one lane, whose first week is over; of some nothing was logged. */
const person = (request: APIRequestContext, me: Me, i: number): Promise<string> =>
  aMadeClient(request, me, {
    ...{ name: `Person ${String(i).padStart(3, '0')}`, weeksAgo: 1, weeks: 6, did: () => i >= EXCEPTIONS },
    lanes: [{ group: 'soleus', exerciseId: 'bent-knee-wall-calf' }],
  });

test('a hundred clients are reviewed: one key for all plain ones, and no more than three for an exception', async ({
  page,
}) => {
  test.slow();
  await signInQuietly(page);
  const me = (await (await page.request.get('/api/v1/me')).json()) as Me;
  for (let i = 0; i < CLIENTS; i += 4) await Promise.all([0, 1, 2, 3].map((k) => person(page.request, me, i + k)));

  const all = (await (await page.request.get('/api/v1/reviews?whose=all')).json()) as ClientReview[];
  const mine = all.filter((r) => r.clientName.startsWith('Person '));
  expect(mine).toHaveLength(CLIENTS);
  expect(mine.filter((r) => r.lanes[0]!.review.move === 'ask')).toHaveLength(EXCEPTIONS);

  await page.goto('/reviews');
  await expect(page.getByRole('heading', { name: 'Weekly reviews' })).toBeVisible();
  const plain = page.getByRole('button', { name: /^Accept all \d+ plain ones/ });
  await expect(plain).toBeFocused();
  expect(await axe(page)).toEqual([]);
  let keys = 1;
  await page.keyboard.press('Enter');
  await expect(page.getByText(/lanes of \d+ clients decided\./)).toBeVisible({ timeout: 60_000 });
  await expect(page.getByRole('main').getByRole('status')).toHaveText(/^\s*\d+ lanes need a look, 0 are plain\.\s*$/);

  const rows = page.getByRole('group', { name: /^Decide: / });
  const exceptions = await rows.count();
  expect(exceptions).toBeGreaterThanOrEqual(EXCEPTIONS);
  for (let left = exceptions; left > 0; left--) {
    await expect(rows).toHaveCount(left);
    await expect(page.locator('[role=group] button:focus')).toBeVisible();
    // Every third one is decided otherwise than proposed.
    for (const key of left % 3 === 0 ? ['ArrowRight', 'Enter'] : ['Enter']) {
      await page.keyboard.press(key);
      keys++;
    }
  }
  await expect(page.getByText('Everything is decided.')).toBeVisible();
  expect(keys - 1).toBeLessThanOrEqual(3 * exceptions);
  const after = (await (await page.request.get('/api/v1/reviews?whose=all')).json()) as ClientReview[];
  expect(after.flatMap((r) => r.lanes).every((l) => l.decision !== null)).toBe(true);
});
