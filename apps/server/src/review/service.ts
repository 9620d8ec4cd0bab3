import type { Block, DecideReviewBody, ReviewedLaneView, WeekReview } from '@yandle/contract';
import {
  addDays,
  laneRecord,
  muscleGroupName,
  prescriptionWords,
  proposedMove,
  reviewLane,
  reviewMoveWords,
  runningBlock,
  stepsBack,
  weekOn,
  type BlockPlan,
  type DecidedMove,
  type LaneEased,
  type PlainDate,
  type PlannedWeek,
  type ReviewedSession,
} from '@yandle/core';
import { In, IsNull } from 'typeorm';
import { v7 as uuid } from 'uuid';
import { CoachEntity } from '../accounts/entities.js';
import { BlockEntity } from '../blocks/entities.js';
import type { Planner } from '../blocks/planning.js';
import { lockedBlock, replanned, reviseLocked } from '../blocks/replanning.js';
import { blockView } from '../blocks/view.js';
import { ClientEntity } from '../clients/entities.js';
import type { StudioData } from '../database/studio-data.js';
import { loadExercises } from '../exercises/library.js';
import { HttpProblem } from '../http/problem.js';
import { RunEntity, SessionEntity, SessionItemEntity, SetLogEntity, SymptomEntity } from '../sessions/entities.js';
import { sessionItem } from '../sessions/item.js';
import { recentSoreness } from '../sessions/soreness.js';
import { countedRun } from '../sessions/views.js';
import { ReviewEntity } from './entities.js';

interface Logged extends ReviewedSession {
  readonly date: PlainDate;
  readonly done: boolean;
}

/** The sessions of a block with what was logged in them. */
async function loggedSessions(data: StudioData, blockId: string): Promise<Logged[]> {
  const sessions = await data.find(SessionEntity, { blockId }, { order: { date: 'ASC', id: 'ASC' } });
  if (sessions.length === 0) return [];
  const sessionId = In(sessions.map((s) => s.id));
  const [items, runs, symptoms] = await Promise.all([
    data.find(SessionItemEntity, { sessionId }, { order: { place: 'ASC' } }),
    data.find(RunEntity, { sessionId }),
    data.find(SymptomEntity, { sessionId }),
  ]);
  const counted = new Map(
    sessions.map(
      (s) =>
        [
          s.id,
          countedRun(
            runs.filter((r) => r.sessionId === s.id),
            s.countedRun,
          ),
        ] as const,
    ),
  );
  const runIds = [...counted.values()].flatMap((r) => (r ? [r.id] : []));
  const logs = runIds.length ? await data.find(SetLogEntity, { runId: In(runIds), replacedBy: IsNull() }) : [];
  return sessions.map((s): Logged => {
    const run = counted.get(s.id) ?? null;
    const mine = runs.filter((r) => r.sessionId === s.id && r.withdrawnAt === null);
    const own = items.filter((i) => i.sessionId === s.id).map(sessionItem);
    const hurt = symptoms.filter((x) => x.sessionId === s.id);
    return {
      week: s.week ?? 0,
      date: s.date,
      items: own,
      rounds: s.rounds,
      // Called off because the client was unwell is known, too.
      logged: run !== null || mine.some((r) => r.wellness === 'unwell'),
      done: run !== null && run.endedAt !== null,
      sensation: run?.sensation ?? null,
      bouts: logs.filter((l) => l.runId === run?.id),
      stopped: own.flatMap((i, place) =>
        hurt.some((x) => [i.exerciseId, i.choice].includes(x.exerciseId)) ? [place] : [],
      ),
    };
  });
}

/** The week to review: the running one once its sessions are done or past, else the one before; null before the first is over. */
function weekToReview(block: Block, sessions: readonly Logged[], today: PlainDate): number | null {
  const running = Math.min(block.weeks, weekOn(block.startDate, today));
  const own = sessions.filter((s) => s.week === running);
  const over = today > block.endDate || (own.length > 0 && own.every((s) => s.done || s.date < today));
  const week = over ? running : running - 1;
  return week < 1 ? null : week;
}

interface Running {
  readonly row: BlockEntity;
  readonly block: Block;
}

async function runningOf(data: StudioData, clientId: string, today: PlainDate): Promise<Running | null> {
  await data.get(ClientEntity, clientId, 'client');
  const blocks = await data.find(BlockEntity, { clientId }, { order: { startDate: 'DESC', id: 'DESC' } });
  const row = runningBlock(blocks, today);
  return row && { row, block: await blockView(data, row, today) };
}

/** The first full week from one on: in an easier one no step shows. The week itself where no full one is left. */
const firstFull = (weeks: readonly PlannedWeek[], from: number): number =>
  weeks.find((w) => w.week >= from && w.kind === 'build')?.week ?? from;

const cellOf = (weeks: readonly PlannedWeek[], week: number): string | null => {
  const cell = weeks.find((w) => w.week === week);
  return !cell || cell.kind === 'rest' ? null : prescriptionWords(cell.prescription);
};

/** The plan with further weeks that stay or go down; null while the client's answers have to be cleared first. */
async function planIfAllowed(
  data: StudioData,
  { row, block }: Running,
  more: readonly LaneEased[],
  planner: Planner,
): Promise<BlockPlan | null> {
  try {
    return await replanned(data, row, block, more, planner);
  } catch (err) {
    if (err instanceof HttpProblem && err.code === 'screening-blocks-planning') return null;
    throw err;
  }
}

/** The review of a block's week, with nothing written. */
async function reviewOf(data: StudioData, { row, block }: Running, planner: Planner): Promise<WeekReview | null> {
  const sessions = await loggedSessions(data, block.id);
  const week = weekToReview(block, sessions, planner.today);
  if (week === null) return null;
  const { find } = await loadExercises(data);
  const soreness = await recentSoreness(data, block.clientId, planner.today);
  const end = addDays(block.startDate, 7 * week - 1);
  const to = end < planner.today ? end : planner.today;
  const rows = await data.find(ReviewEntity, { blockId: block.id, week, withdrawnAt: IsNull() });
  const coaches = rows.length ? await data.find(CoachEntity, { id: In(rows.map((r) => r.coachId)) }) : [];
  const fromWeek = block.changeableFrom;
  const lanes = block.lanes.flatMap((lane) => {
    const cell = lane.weeks.find((w) => w.week === week);
    if (!cell || cell.kind === 'rest') return [];
    const of = { group: lane.group, technique: cell.prescription.technique };
    const found = { plateau: false, goalTwice: false };
    const record = laneRecord(of, week, to, sessions, soreness, found, find);
    if (!record) return [];
    const decided = rows.find((r) => r.laneKey === lane.id);
    return [{ lane, review: reviewLane(record), decided }];
  });
  const more = lanes.flatMap(({ lane, review, decided }): LaneEased[] => {
    const steps = decided ? null : stepsBack(proposedMove(review));
    return steps === null ? [] : [{ group: lane.group, laneId: lane.id, week: fromWeek, steps, why: 'review' }];
  });
  const proposed =
    more.length > 0 && fromWeek <= block.weeks ? await planIfAllowed(data, { row, block }, more, planner) : null;
  return {
    blockId: block.id,
    version: block.version,
    week,
    fromWeek,
    lanes: lanes.map(({ lane, review, decided }): ReviewedLaneView => {
      const shownWeek = firstFull(lane.weeks, fromWeek);
      const planned = cellOf(lane.weeks, shownWeek);
      const place = block.lanes.indexOf(lane);
      return {
        laneId: lane.id,
        group: lane.group,
        review,
        shownWeek,
        planned,
        proposed: proposed ? cellOf(proposed.lanes[place]!.weeks, shownWeek) : planned,
        decision: decided
          ? {
              move: decided.move,
              reason: decided.reason,
              coachName: coaches.find((c) => c.id === decided.coachId)?.name ?? '',
              at: decided.createdAt.toISOString(),
            }
          : null,
      };
    }),
  };
}

/** The review of a client's week; null while no block runs, or none of its weeks is over. */
export async function weekReview(data: StudioData, clientId: string, planner: Planner): Promise<WeekReview | null> {
  const running = await runningOf(data, clientId, planner.today);
  return running && reviewOf(data, running, planner);
}

/**
 * Decides lanes of the week that is reviewed. Steps that stay or go down are published from next week on; a decision about the same week takes the
 * place of the one before. All or none.
 */
export async function decideReview(
  data: StudioData,
  clientId: string,
  { version, week, decisions }: DecideReviewBody,
  planner: Planner,
): Promise<WeekReview | null> {
  return data.transaction(async (tx) => {
    const open = await runningOf(tx, clientId, planner.today);
    if (!open) throw new HttpProblem('conflict', 'This client has no running block, so there is nothing to review.');
    const { row, before } = await lockedBlock(tx, open.row.id, version, planner.today);
    const review = await reviewOf(tx, { row, block: before }, planner);
    if (review?.week !== week)
      throw new HttpProblem('conflict', 'Another week is reviewed by now. Load the page again.');
    const of = (laneId: string) => {
      const lane = review.lanes.find((l) => l.laneId === laneId);
      if (!lane) throw new HttpProblem('conflict', 'One of these lanes is not in the review any more. Load it again.');
      return lane;
    };
    const asked = decisions.map((d) => ({ ...d, lane: of(d.laneId) }));
    const withdrawnAt = tx.now;
    for (const { laneId } of asked)
      await tx.update(
        ReviewEntity,
        { blockId: before.id, laneKey: laneId, week, withdrawnAt: IsNull() },
        { withdrawnAt },
      );
    await tx.insertMany(
      ReviewEntity,
      asked.flatMap(({ laneId, move, reason, lane }) =>
        move === null
          ? []
          : [
              {
                ...{ id: uuid(), blockId: before.id, laneKey: laneId, week, fromWeek: review.fromWeek, move, reason },
                ...{ proposed: lane.review, coachId: planner.coachId, withdrawnAt: null, createdAt: tx.now },
              },
            ],
      ),
    );
    const moves = (move: DecidedMove | null = null): boolean => move !== null && stepsBack(move) !== null;
    const changes = asked.some((d) => moves(d.move) || moves(d.lane.decision?.move));
    if (changes && review.fromWeek <= before.weeks) {
      const said = asked.map(
        (d) =>
          `${muscleGroupName(d.lane.group)}: ${d.move === null ? 'taken back' : reviewMoveWords(d.move).toLowerCase()}`,
      );
      const reason = `Review of week ${week}. ${said.join('; ')}.`.slice(0, 300);
      await reviseLocked(tx, row, before, { ...before.choices, reason }, planner);
    } else await tx.update(BlockEntity, { id: before.id }, { version: row.version + 1 });
    const after = await runningOf(tx, clientId, planner.today);
    return after && reviewOf(tx, after, planner);
  });
}
