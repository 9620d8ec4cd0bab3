import { IsNull, Not, type DataSource } from 'typeorm';
import type { Planner } from '../blocks/planning.js';
import { lockedBlock } from '../blocks/replanning.js';
import { ClientEntity } from '../clients/entities.js';
import { dateIn, type Clock } from '../clock.js';
import { studiosWithStanding } from '../database/studios.js';
import type { StudioData } from '../database/studio-data.js';
import { HttpProblem } from '../http/problem.js';
import { ReviewEntity } from './entities.js';
import { decideLocked } from './service.js';
import { isPlain, reviewsOf, runningOf } from './week.js';

/** What was accepted by itself. */
export interface Accepted {
  readonly clients: number;
  readonly lanes: number;
}

/**
 * Accepts the plain proposals of clients whose coach has said that these need no look: advances, and repeats after a little less than was
 * planned. Whatever is out of the ordinary stays for the coach. One client at a time, each all or none: killed half-way, it goes on where it was; done
 * twice, every lane is decided once.
 */
export async function acceptStanding(data: StudioData, log: (err: unknown) => void): Promise<Accepted> {
  const { timeZone } = await data.studio();
  const today = dateIn(timeZone, data.now);
  const clients = await data.find(ClientEntity, { archivedAt: IsNull(), standingReview: true });
  let lanes = 0;
  let reviewed = 0;
  for (const c of clients) {
    const planner: Planner = { coachId: c.leadCoachId, timeZone, today };
    try {
      const plain = await data.transaction(async (tx) => {
        const [open] = await runningOf(tx, [c.id], planner);
        if (!open) return 0;
        const { row, before } = await lockedBlock(tx, open.row.id, null, today);
        const [review] = await reviewsOf(tx, [{ row, block: before }], planner);
        if (!review?.complete) return 0;
        // What a coach has taken back is theirs to decide.
        const earlier = await tx.find(ReviewEntity, { blockId: row.id, week: review.week, withdrawnAt: Not(IsNull()) });
        const touched = new Set(earlier.map((e) => e.laneKey));
        const decided = review.lanes
          .filter((l) => isPlain(l) && !touched.has(l.lane.id))
          .map((lane) => ({ lane, move: lane.move, reason: '' }));
        if (decided.length > 0) await decideLocked(tx, review, decided, planner, true);
        return decided.length;
      });
      lanes += plain;
      reviewed += plain > 0 ? 1 : 0;
    } catch (err) {
      // Somebody else was at this client, or they may not be planned for now: the next time sees to it.
      if (!(err instanceof HttpProblem) || err.code === 'validation') log(err);
    }
  }
  return { clients: reviewed, lanes };
}

/** The same for every studio; the program's own work. @param log hears of faults: one client's stops no other's */
export async function acceptStandingOfAll(
  source: DataSource,
  clock: Clock,
  log: (err: unknown) => void,
): Promise<Accepted> {
  const sum = { clients: 0, lanes: 0 };
  for (const data of await studiosWithStanding(source, clock.now())) {
    const { clients, lanes } = await acceptStanding(data, log);
    sum.clients += clients;
    sum.lanes += lanes;
  }
  return sum;
}
