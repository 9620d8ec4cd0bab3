import { endOfBlock, type PlainDate, runningBlock, weekOn } from '@yandle/core';
import type { StudioData } from '../database/studio-data.js';

/** Where a client stands on the path. */
export interface Overview {
  readonly lastAssessment: PlainDate | null;
  readonly assessments: number;
  readonly block: {
    readonly id: string;
    readonly week: number;
    readonly of: number;
    readonly endDate: PlainDate;
  } | null;
  readonly nextSession: { readonly id: string; readonly date: PlainDate } | null;
  readonly nextRetest: { readonly date: PlainDate; readonly week: number } | null;
}

interface BlockRow {
  readonly id: string;
  readonly clientId: string;
  readonly startDate: PlainDate;
  readonly weeks: number;
  readonly endedAt: null;
}

const ASSESSMENTS = `SELECT client_id AS clientId, DATE_FORMAT(MAX(date), '%Y-%m-%d') AS last, COUNT(*) AS count
  FROM assessment WHERE studio_id = {studio} AND client_id IN (:ids) GROUP BY client_id`;

const BLOCKS = `SELECT id, client_id AS clientId, DATE_FORMAT(start_date, '%Y-%m-%d') AS startDate, weeks, ended_at AS endedAt
  FROM block WHERE studio_id = {studio} AND client_id IN (:ids) AND ended_at IS NULL`;

/** The first session of each block that is not done, from a day on. */
const NEXT_SESSIONS = `SELECT blockId, id, DATE_FORMAT(date, '%Y-%m-%d') AS date FROM (
    SELECT s.block_id AS blockId, s.id, s.date, ROW_NUMBER() OVER (PARTITION BY s.block_id ORDER BY s.date, s.id) AS place
    FROM session s WHERE s.studio_id = {studio} AND s.block_id IN (:blockIds) AND s.date >= :today
      AND NOT EXISTS (SELECT 1 FROM run r WHERE r.session_id = s.id AND r.ended_at IS NOT NULL)
  ) x WHERE place = 1`;

const RETESTS = `SELECT block_id AS blockId, DATE_FORMAT(date, '%Y-%m-%d') AS date, week
  FROM retest WHERE studio_id = {studio} AND block_id IN (:blockIds) ORDER BY date`;

function grouped<T, K extends keyof T>(rows: readonly T[], key: K): Map<T[K], T[]> {
  const out = new Map<T[K], T[]>();
  for (const row of rows) {
    const own = out.get(row[key]);
    if (own) own.push(row);
    else out.set(row[key], [row]);
  }
  return out;
}

/** Overviews of several clients with a fixed number of queries. */
export async function overviews(
  data: StudioData,
  clientIds: readonly string[],
  today: PlainDate,
): Promise<Map<string, Overview>> {
  if (clientIds.length === 0) return new Map();
  const ids = [...clientIds];
  const [assessments, blocks] = await Promise.all([
    data.read<{ clientId: string; last: PlainDate; count: number }>(ASSESSMENTS, { ids }),
    data.read<BlockRow>(BLOCKS, { ids }),
  ]);
  const blocksOf = grouped(blocks, 'clientId');
  const running = new Map(ids.map((id) => [id, runningBlock(blocksOf.get(id) ?? [], today)]));
  const blockIds = [...running.values()].flatMap((b) => (b ? [b.id] : []));
  const [sessions, retests] =
    blockIds.length === 0
      ? [[], []]
      : await Promise.all([
          data.read<{ blockId: string; id: string; date: PlainDate }>(NEXT_SESSIONS, { blockIds, today }),
          data.read<{ blockId: string; date: PlainDate; week: number }>(RETESTS, { blockIds }),
        ]);
  const measured = new Map(assessments.map((a) => [a.clientId, a]));
  const sessionOf = new Map(sessions.map((s) => [s.blockId, s]));
  const retestsOf = grouped(retests, 'blockId');

  return new Map(
    ids.map((id) => {
      const last = measured.get(id)?.last ?? null;
      const b = running.get(id) ?? null;
      const next = b ? sessionOf.get(b.id) : undefined;
      const retest = b ? retestsOf.get(b.id)?.find((r) => last === null || r.date > last) : undefined;
      return [
        id,
        {
          lastAssessment: last,
          assessments: Number(measured.get(id)?.count ?? 0),
          block: b
            ? { id: b.id, week: weekOn(b.startDate, today), of: b.weeks, endDate: endOfBlock(b.startDate, b.weeks) }
            : null,
          nextSession: next ? { id: next.id, date: next.date } : null,
          nextRetest: retest ? { date: retest.date, week: retest.week } : null,
        },
      ];
    }),
  );
}
