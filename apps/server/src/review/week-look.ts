import type { MuscleGroupId, PlainDate } from '@yandle/core';
import type { DataSource } from 'typeorm';
import { v7 as uuid } from 'uuid';
import { BlockEntity } from '../blocks/entities.js';
import type { Planner } from '../blocks/planning.js';
import { dateIn, type Clock } from '../clock.js';
import { groupBy } from '../database/group-by.js';
import { allStudios } from '../database/studios.js';
import type { StudioData } from '../database/studio-data.js';
import { WeekLookEntity, type StillLane } from './entities.js';
import { reviewsOf, runningOf, type BlockReview } from './week.js';

/** Blocks that are looked at together: what they share is read once. */
const AT_ONCE = 25;
/** Hours after which a block is looked at again. */
const LOOK_HOURS = 12;

/** Not over for more than a week: the last review may still come. */
const RUNS = 'DATEDIFF(:today, b.start_date) < 7 * (b.weeks + 1)';

/** Running blocks that nobody has looked at for a while, or whose client was measured since. */
const TO_LOOK_AT = `SELECT b.client_id AS clientId, c.lead_coach_id AS coachId
  FROM block b INNER JOIN client c ON c.id = b.client_id AND c.archived_at IS NULL
    LEFT JOIN week_look s ON s.block_id = b.id
  WHERE b.studio_id = {studio} AND b.ended_at IS NULL AND b.start_date <= :today AND ${RUNS}
    AND (s.id IS NULL OR s.looked_at < :before
      OR EXISTS (SELECT 1 FROM assessment a WHERE a.client_id = b.client_id AND a.created_at > s.looked_at))
  GROUP BY b.client_id, c.lead_coach_id ORDER BY b.client_id`;

const stillOf = (r: BlockReview): StillLane[] =>
  r.lanes.flatMap(({ lane, review }) =>
    review.because.code === 'plateau' ? [{ laneId: lane.id, group: lane.group }] : [],
  );

async function keep(data: StudioData, blockId: string, review: BlockReview | undefined): Promise<void> {
  const found = {
    week: review?.week ?? 0,
    reviewable: review?.lanes.length ?? 0,
    still: review ? stillOf(review) : [],
  };
  await data.transaction(async (tx) => {
    // Two servers may look at once: the later one waits, and writes what it found.
    await tx.getLocked(BlockEntity, blockId, 'block');
    await tx.delete(WeekLookEntity, { blockId });
    await tx.insert(WeekLookEntity, { id: uuid(), blockId, ...found, lookedAt: tx.now });
  });
}

/**
 * Looks what the reviews of the running blocks come to, and keeps it for Today: how many lanes they have, and which are on a plateau. Blocks looked at lately are
 * passed over, so that it may be called often.
 * @param log hears of faults: some clients' stop no others'
 * @returns how many blocks were looked at
 */
export async function lookAtWeeks(data: StudioData, log: (err: unknown) => void): Promise<number> {
  const { timeZone } = await data.studio();
  const today = dateIn(timeZone, data.now);
  const before = new Date(data.now.getTime() - LOOK_HOURS * 3_600_000);
  const clients = await data.read<{ clientId: string; coachId: string }>(TO_LOOK_AT, { today, before });
  let looked = 0;
  for (let i = 0; i < clients.length; i += AT_ONCE) {
    const some = clients.slice(i, i + AT_ONCE);
    try {
      const planner: Planner = { coachId: some[0]!.coachId, timeZone, today };
      const running = await runningOf(
        data,
        some.map((c) => c.clientId),
        planner,
      );
      const reviews = new Map((await reviewsOf(data, running, planner)).map((r) => [r.block.id, r]));
      for (const { block } of running) await keep(data, block.id, reviews.get(block.id));
      looked += running.length;
    } catch (err) {
      log(err);
    }
  }
  return looked;
}

/** The same for every studio; the program's own work. */
export async function lookAtWeeksOfAll(source: DataSource, clock: Clock, log: (err: unknown) => void): Promise<number> {
  let looked = 0;
  for (const data of await allStudios(source, clock.now())) looked += await lookAtWeeks(data, log);
  return looked;
}

const STILL = `SELECT b.client_id AS clientId, s.still,
    (SELECT GROUP_CONCAT(v.lane_key) FROM review v
      WHERE v.block_id = b.id AND v.week >= s.week AND v.withdrawn_at IS NULL) AS decided
  FROM week_look s INNER JOIN block b ON b.id = s.block_id
  WHERE s.studio_id = {studio} AND b.ended_at IS NULL AND ${RUNS} AND s.still <> '[]'`;

/** Groups that stand still by client, without those about which something was decided since. */
export async function standstills(data: StudioData, today: PlainDate): Promise<Map<string, readonly MuscleGroupId[]>> {
  const rows = await data.read<{ clientId: string; still: string; decided: string | null }>(STILL, { today });
  const open = rows.flatMap(({ clientId, still, decided }) => {
    const done = new Set((decided ?? '').split(','));
    return (JSON.parse(still) as StillLane[])
      .filter((l) => !done.has(l.laneId))
      .map((l) => ({ clientId, group: l.group }));
  });
  return new Map(
    [...groupBy(open, (o) => o.clientId)].map(([clientId, own]) => [clientId, [...new Set(own.map((o) => o.group))]]),
  );
}
