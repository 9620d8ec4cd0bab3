import { addDays, endOfBlock, type PlainDate, runningBlock, weekOn } from '@yandle/core';
import { chosenOn } from '../blocks/lane-choices.js';
import { groupBy } from '../database/group-by.js';
import type { StudioData } from '../database/studio-data.js';

/** Where a client stands on the path. */
export interface Overview {
  readonly lastAssessment: PlainDate | null;
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
  readonly createdAt: Date;
}

/**
 * One look into the index of the assessments of a client that count: no row is read. One that was taken back, or has no reading, is none.
 */
const LAST_ASSESSMENTS = `SELECT c.id AS clientId,
    (SELECT DATE_FORMAT(a.date, '%Y-%m-%d') FROM assessment a WHERE a.client_id = c.id AND a.counts = 1
      ORDER BY a.date DESC LIMIT 1) AS last
  FROM client c WHERE c.studio_id = {studio} AND c.id IN (:ids)`;

const BLOCKS = `SELECT id, client_id AS clientId, DATE_FORMAT(start_date, '%Y-%m-%d') AS startDate, weeks, ended_at AS endedAt, created_at AS createdAt
  FROM block WHERE studio_id = {studio} AND client_id IN (:ids) AND ended_at IS NULL`;

/** The first session of each block that is not done, from a day on. */
/** Of the running block, or of no block. */
const NEXT_SESSIONS = `SELECT c.id AS clientId, s.id, DATE_FORMAT(s.date, '%Y-%m-%d') AS date
  FROM client c INNER JOIN session s ON s.id = (
    SELECT x.id FROM session x WHERE x.client_id = c.id AND (x.block_id IS NULL OR x.block_id IN (:blockIds)) AND x.date >= :today
      AND NOT EXISTS (SELECT 1 FROM run r WHERE r.session_id = x.id AND r.ended_at IS NOT NULL AND r.has_work = 1 AND r.withdrawn_at IS NULL)
    ORDER BY x.date, x.id LIMIT 1)
  WHERE c.studio_id = {studio} AND c.id IN (:ids)`;

const RETESTS = `SELECT block_id AS blockId, DATE_FORMAT(date, '%Y-%m-%d') AS date, week
  FROM retest WHERE studio_id = {studio} AND block_id IN (:blockIds) AND date <= :until ORDER BY date`;

/** An assessment so many days before a retest meets it. Common practice, no source. */
const MEETS_DAYS = 5;

/** The retest before week 1 is the baseline. */
const BASELINE_WEEK = 1;

function remembered<V>(make: (key: string) => V): (key: string) => V {
  const known = new Map<string, V>();
  return (key) => {
    const found = known.get(key);
    if (found !== undefined) return found;
    const made = make(key);
    known.set(key, made);
    return made;
  };
}

/**
 * Overviews of several clients with a fixed number of queries.
 * @param nextSessions false leaves them out, for who has the sessions anyway
 * @param retestsUntil last day on which the next retest is looked for; left out for whenever it is
 */
export async function overviews(
  data: StudioData,
  clientIds: readonly string[],
  today: PlainDate,
  { nextSessions = true, retestsUntil = '9999-12-31' }: { nextSessions?: boolean; retestsUntil?: PlainDate } = {},
): Promise<Map<string, Overview>> {
  if (clientIds.length === 0) return new Map();
  const ids = [...clientIds];
  const { timeZone } = await data.studio();
  const [assessments, blocks] = await Promise.all([
    data.read<{ clientId: string; last: PlainDate | null }>(LAST_ASSESSMENTS, { ids }),
    data.read<BlockRow>(BLOCKS, { ids }),
  ]);
  const blocksOf = groupBy(blocks, (b) => b.clientId);
  const meets = remembered((last) => addDays(last, MEETS_DAYS));
  // Blocks of a studio begin on few days: what the calendar says of one is asked once.
  const dates = remembered((key) => {
    const [startDate, weeks] = key.split(' ') as [PlainDate, string];
    const block = { startDate, weeks: Number(weeks), endedAt: null };
    return {
      runs: runningBlock([block], today) !== null,
      week: weekOn(startDate, today),
      endDate: endOfBlock(startDate, block.weeks),
    };
  });
  const datesOf = (b: BlockRow) => dates(`${b.startDate} ${b.weeks}`);
  const running = new Map(
    ids.map((id) => {
      const live = (blocksOf.get(id) ?? []).filter((b) => datesOf(b).runs);
      return [id, live.length > 1 ? runningBlock(live, today) : (live[0] ?? null)];
    }),
  );
  const blockIds = [...running.values()].flatMap((b) => (b ? [b.id] : []));
  const some = blockIds.length > 0 ? blockIds : ['none'];
  const [sessions, retests] = await Promise.all([
    nextSessions
      ? data.read<{ clientId: string; id: string; date: PlainDate }>(NEXT_SESSIONS, { ids, blockIds: some, today })
      : [],
    data.read<{ blockId: string; date: PlainDate; week: number }>(RETESTS, { blockIds: some, until: retestsUntil }),
  ]);
  const measured = new Map(assessments.map((a) => [a.clientId, a]));
  const sessionOf = new Map(sessions.map((s) => [s.clientId, s]));
  const retestsOf = groupBy(retests, (r) => r.blockId);

  // What chose the lanes is no baseline of them: it is measured again on another day, before the block begins (domain 2.6, 4).
  const isBaselineDue = (r: { date: PlainDate }, last: PlainDate | null, b: BlockRow): boolean =>
    today <= (r.date > b.startDate ? r.date : b.startDate) &&
    (last === null || last <= chosenOn(b.createdAt, b.startDate, timeZone));
  const isDue = (r: { date: PlainDate; week: number }, last: PlainDate | null, b: BlockRow): boolean =>
    r.week === BASELINE_WEEK ? isBaselineDue(r, last, b) : last === null || r.date > meets(last);

  return new Map(
    ids.map((id) => {
      const last = measured.get(id)?.last ?? null;
      const b = running.get(id) ?? null;
      const next = sessionOf.get(id);
      const retest = b ? retestsOf.get(b.id)?.find((r) => isDue(r, last, b)) : undefined;
      return [
        id,
        {
          lastAssessment: last,
          block: b ? { id: b.id, week: datesOf(b).week, of: b.weeks, endDate: datesOf(b).endDate } : null,
          nextSession: next ? { id: next.id, date: next.date } : null,
          nextRetest: retest ? { date: retest.date, week: retest.week } : null,
        },
      ];
    }),
  );
}
