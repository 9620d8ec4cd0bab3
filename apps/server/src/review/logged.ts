import { addDays, endsSession, type PlainDate, type ReviewedSession } from '@yandle/core';
import { In, IsNull } from 'typeorm';
import { BlockEntity } from '../blocks/entities.js';
import { groupBy } from '../database/group-by.js';
import type { StudioData } from '../database/studio-data.js';
import { RunEntity, SessionEntity, SessionItemEntity, SetLogEntity, SymptomEntity } from '../sessions/entities.js';
import { sessionItem } from '../sessions/item.js';
import { countedRun } from '../sessions/views.js';

/** A session of a reviewed block, with what was logged in it. */
export interface Logged extends ReviewedSession {
  readonly date: PlainDate;
  readonly done: boolean;
}

/** Weeks that a review looks at: the one that runs, the one before it, and what that one is held against. */
const WEEKS = 3;

/** The last weeks' sessions of blocks with what was logged in them, by block; the number of statements does not grow with the blocks. */
export async function loggedSessions(
  data: StudioData,
  blockIds: readonly string[],
  today: PlainDate,
): Promise<Map<string, Logged[]>> {
  if (blockIds.length === 0) return new Map();
  const sessions = await data
    .rows(SessionEntity, 's')
    .innerJoin(BlockEntity, 'b', 'b.id = s.block_id')
    .andWhere('s.blockId IN (:...blockIds)', { blockIds })
    .andWhere('s.week > LEAST(b.weeks, FLOOR(DATEDIFF(:today, b.start_date) / 7) + 1) - :weeks', {
      today,
      weeks: WEEKS,
    })
    // Weeks to come say nothing yet.
    .andWhere('s.date <= :last', { last: addDays(today, 7) })
    .orderBy('s.date')
    .addOrderBy('s.id')
    .getMany();
  if (sessions.length === 0) return new Map();
  const sessionId = In(sessions.map((s) => s.id));
  const [items, runs, symptoms] = await Promise.all([
    data.find(SessionItemEntity, { sessionId }, { order: { place: 'ASC' } }),
    data.find(RunEntity, { sessionId }),
    data.find(SymptomEntity, { sessionId }),
  ]);
  const runsOf = groupBy(runs, (r) => r.sessionId);
  const counted = new Map(sessions.map((s) => [s.id, countedRun(runsOf.get(s.id) ?? [], s.countedRun)] as const));
  const runIds = [...counted.values()].flatMap((r) => (r ? [r.id] : []));
  const logs = runIds.length
    ? await data.find(
        SetLogEntity,
        { runId: In(runIds), replacedBy: IsNull() },
        { select: { runId: true, item: true, side: true, plannedSeconds: true, doneSeconds: true, sensation: true } },
      )
    : [];
  const itemsOf = groupBy(items, (i) => i.sessionId);
  const logsOf = groupBy(logs, (l) => l.runId);
  const hurtIn = groupBy(symptoms, (x) => x.sessionId);
  const views = sessions.map((s) => {
    const run = counted.get(s.id) ?? null;
    const mine = (runsOf.get(s.id) ?? []).filter((r) => r.withdrawnAt === null);
    const own = (itemsOf.get(s.id) ?? []).map(sessionItem);
    const hurt = hurtIn.get(s.id) ?? [];
    const logged: Logged = {
      week: s.week ?? 0,
      date: s.date,
      items: own,
      rounds: s.rounds,
      // Called off because the client was unwell is known, too.
      logged: run !== null || mine.some((r) => r.wellness === 'unwell'),
      done: run !== null && run.endedAt !== null,
      sensation: run?.sensation ?? null,
      bouts: run ? (logsOf.get(run.id) ?? []) : [],
      stopped: own.flatMap((i, place) =>
        hurt.some((x) => endsSession(x.symptom) || [i.exerciseId, i.choice].includes(x.exerciseId)) ? [place] : [],
      ),
    };
    return [s.blockId!, logged] as const;
  });
  return new Map([...groupBy(views, ([id]) => id)].map(([id, own]) => [id, own.map(([, l]) => l)]));
}
