import type { SwapComing, SwapComingBody } from '@yandle/contract';
import { settingsOf, buildTimeline, missingAt, swappedIn, type PlainDate } from '@yandle/core';
import { MoreThanOrEqual } from 'typeorm';
import { ClientEntity } from '../clients/entities.js';
import type { StudioData } from '../database/studio-data.js';
import { loadExercises } from '../exercises/library.js';
import { invalidField } from '../http/problem.js';
import { timingsBy } from '../studio/settings.js';
import { assertMayBeDone } from './allowed.js';
import { writeItems } from './edit.js';
import { SessionEntity } from './entities.js';
import { sessionViews } from './views.js';

/**
 * One exercise in place of another in every session after this one that nobody has begun, whatever it belongs to. All or nothing: where a caution
 * speaks against it, none changes. What can't take it is left as it is and named.
 */
export async function swapComing(
  data: StudioData,
  id: string,
  { from, to }: SwapComingBody,
  today: PlainDate,
): Promise<SwapComing> {
  return data.transaction(async (tx) => {
    const session = await tx.get(SessionEntity, id, 'session');
    const client = await tx.get(ClientEntity, session.clientId, 'client');
    const { find, has } = await loadExercises(tx);
    if (!has(from)) throw invalidField('from', 'Choose an exercise from the library.');
    if (!has(to)) throw invalidField('to', 'Choose an exercise from the library.');
    const first = session.date > today ? session.date : today;
    const rows = await tx.find(
      SessionEntity,
      { clientId: client.id, date: MoreThanOrEqual(first) },
      { order: { date: 'ASC', id: 'ASC' }, lock: { mode: 'pessimistic_write' } },
    );
    const coming = (await sessionViews(tx, client, rows)).filter(
      (s) => s.id !== id && s.status === 'planned' && s.items.some((i) => i.exerciseId === from),
    );
    const timings = await timingsBy(tx, client);
    const changed: SwapComing['changed'][number][] = [];
    const left: SwapComing['left'][number][] = [];
    const checked = new Set<string>();
    for (const s of coming) {
      const items = missingAt(find(to), s.place ?? null).length > 0 ? null : swappedIn(s.items, from, to, find);
      if (items === null) {
        left.push({ id: s.id, date: s.date });
        continue;
      }
      const swapped = items.filter((i) => i.exerciseId === to);
      const ways = swapped.map((i) => i.technique ?? '').join();
      if (!checked.has(ways)) await assertMayBeDone(tx, client.id, swapped, today);
      checked.add(ways);
      await writeItems(tx, s.id, items);
      const { totalSeconds } = buildTimeline(items, s, timings(s), find);
      await tx.update(
        SessionEntity,
        { id: s.id },
        { version: s.version + 1, plannedItems: s.plannedItems, totalSeconds },
      );
      const undo = { version: s.version + 1, ...settingsOf(s), items: s.items };
      changed.push({ id: s.id, date: s.date, undo });
    }
    return { changed, left };
  });
}
