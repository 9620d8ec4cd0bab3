import type { Block, Lane } from '@yandle/contract';
import {
  addDays,
  DATES_FOR_TREND,
  isException,
  KEEP_STYLE,
  laneFound,
  laneRecord,
  proposedMove,
  reviewLane,
  runningBlock,
  styleIn,
  weekOn,
  type ChangedBefore,
  type DecidedMove,
  type LaneRecord,
  type LaneReview,
  type MeasuredGoal,
  type PlainDate,
  type SoreEntry,
} from '@yandle/core';
import { In, IsNull, MoreThanOrEqual } from 'typeorm';
import { BlockEntity } from '../blocks/entities.js';
import type { Planner } from '../blocks/planning.js';
import { blockViews } from '../blocks/view.js';
import { groupBy } from '../database/group-by.js';
import type { StudioData } from '../database/studio-data.js';
import { loadExercises } from '../exercises/library.js';
import { SorenessEntity } from '../sessions/entities.js';
import { changesFor, type LaneChangeTo } from './changes.js';
import { ReviewEntity } from './entities.js';
import { measuredGoals } from './goals.js';
import { loggedSessions, type Logged } from './logged.js';

/** A running block, and its row. */
export interface Running {
  readonly row: BlockEntity;
  readonly block: Block;
}

/** A lane in the review of a week. */
export interface LaneOutcome {
  readonly lane: Lane;
  readonly record: LaneRecord;
  readonly review: LaneReview;
  readonly decided: ReviewEntity | null;
  /** What is proposed to decide. */
  readonly move: DecidedMove;
  /** What a change would bring; null where there is nothing to change to. */
  readonly change: LaneChangeTo | null;
}

/** The review of a block's week. */
export interface BlockReview extends Running {
  readonly week: number;
  readonly fromWeek: number;
  /** All its sessions are done, or its last day has come: what is not logged by now may never be. */
  readonly complete: boolean;
  readonly lanes: readonly LaneOutcome[];
}

/** True for a lane that takes its proposal without anybody looking: one for whom a plain rule speaks, and nobody has decided. */
export const isPlain = (l: LaneOutcome): boolean => l.decided === null && !isException(l.review);

/** Days back that soreness is looked at: two weeks up to the end of the week before the running one. */
const SORE_DAYS = 28;

/** The week to review: the running one once its sessions are done or past, else the one before; null before the first is over. */
function weekToReview(block: Block, sessions: readonly Logged[], today: PlainDate): number | null {
  const running = Math.min(block.weeks, weekOn(block.startDate, today));
  const own = sessions.filter((s) => s.week === running);
  const over = today > block.endDate || (own.length > 0 && own.every((s) => s.done || s.date < today));
  const week = over ? running : running - 1;
  return week < 1 ? null : week;
}

/** The running blocks of clients. */
export async function runningOf(
  data: StudioData,
  clientIds: readonly string[],
  { today }: Planner,
): Promise<Running[]> {
  if (clientIds.length === 0) return [];
  const rows = await data.find(
    BlockEntity,
    { clientId: In([...clientIds]), endedAt: IsNull() },
    { order: { startDate: 'DESC', id: 'DESC' } },
  );
  const running = [...groupBy(rows, (r) => r.clientId).values()].flatMap((own) => runningBlock(own, today) ?? []);
  const views = new Map((await blockViews(data, running, today)).map((b) => [b.id, b]));
  return running.map((row) => ({ row, block: views.get(row.id)! }));
}

async function sorenessOf(
  data: StudioData,
  clientIds: readonly string[],
  today: PlainDate,
): Promise<Map<string, SoreEntry[]>> {
  const since = MoreThanOrEqual(addDays(today, -SORE_DAYS));
  return groupBy(
    await data.find(SorenessEntity, { clientId: In([...clientIds]), date: since, withdrawnAt: IsNull() }),
    (r) => r.clientId,
  );
}

/** Where a course could be a plateau, if only it was practised: what that costs is looked up for these alone. */
const mayStandStill = (goals: readonly MeasuredGoal[]): boolean =>
  goals.some((g) => g.sides.some((s) => s.length >= DATES_FOR_TREND));

/** Goals with what was practised for them, where that can make a difference. */
async function goalsOf(
  data: StudioData,
  running: readonly Running[],
  planner: Planner,
): Promise<Map<string, MeasuredGoal[]>> {
  const goals = await measuredGoals(
    data,
    running.map((r) => r.block.clientId),
    [],
    planner,
  );
  const doubtful = running.filter(({ block }) => {
    const own = (goals.get(block.clientId) ?? []).map((g) => ({ ...g, adherence: 1 }));
    return mayStandStill(own) && block.lanes.some((l) => laneFound(l.group, own, planner.today).plateau);
  });
  if (doubtful.length === 0) return goals;
  const rows = doubtful.map((r) => r.row);
  return new Map([
    ...goals,
    ...(await measuredGoals(
      data,
      rows.map((r) => r.clientId),
      rows,
      planner,
    )),
  ]);
}

/** The reviews of running blocks, with nothing written; without those of which no week is over. */
export async function reviewsOf(
  data: StudioData,
  running: readonly Running[],
  planner: Planner,
): Promise<BlockReview[]> {
  const { today } = planner;
  const sessions = await loggedSessions(
    data,
    running.map((r) => r.block.id),
    today,
  );
  const due = running.flatMap((r) => {
    const week = weekToReview(r.block, sessions.get(r.block.id) ?? [], today);
    return week === null ? [] : [{ ...r, week }];
  });
  if (due.length === 0) return [];
  const [{ find }, soreness, goals, decisions] = await Promise.all([
    loadExercises(data),
    sorenessOf(
      data,
      due.map((r) => r.block.clientId),
      today,
    ),
    goalsOf(data, due, planner),
    data.find(ReviewEntity, { blockId: In(due.map((r) => r.block.id)), withdrawnAt: IsNull() }),
  ]);
  const decidedOf = groupBy(decisions, (d) => d.blockId);
  const changedBefore = (blockId: string, week: number, laneId: string): ChangedBefore | null => {
    const own = (decidedOf.get(blockId) ?? []).filter(
      (d) => d.laneKey === laneId && d.move === 'change' && d.week < week,
    );
    const last = own.reduce<ReviewEntity | null>((a, d) => (a === null || d.week > a.week ? d : a), null);
    return last && { week: last.week, styleId: last.style?.later.styleId ?? null };
  };
  const out: BlockReview[] = [];
  for (const { row, block, week } of due) {
    const end = addDays(block.startDate, 7 * week - 1);
    const to = end < today ? end : today;
    const reviewed = block.lanes.flatMap((lane) => {
      const cell = lane.weeks.find((w) => w.week === week);
      if (!cell || cell.kind === 'rest') return [];
      const of = { group: lane.group, technique: cell.prescription.technique };
      const last = { week, changed: changedBefore(block.id, week, lane.id) };
      const found = laneFound(lane.group, goals.get(block.clientId) ?? [], today, last);
      const sore = soreness.get(block.clientId) ?? [];
      const record = laneRecord(of, week, to, sessions.get(block.id) ?? [], sore, found, find);
      return record ? [{ lane, record, review: reviewLane(record) }] : [];
    });
    // Of a block in which nothing is done yet all may change, and a decision is about next week all the same.
    const fromWeek = Math.max(block.changeableFrom, weekOn(block.startDate, today) + 1);
    const standing = reviewed.filter((r) => r.review.move === 'change').map((r) => r.lane);
    const before = (laneId: string) => changedBefore(block.id, week, laneId);
    const changes = await changesFor(data, { row, block }, week, standing, before, planner);
    const lanes = reviewed.map(({ lane, record, review }): LaneOutcome => {
      const decided = decidedOf.get(block.id)?.find((d) => d.laneKey === lane.id && d.week === week) ?? null;
      const change = changes.get(lane.id) ?? null;
      const drafted = block.choices.lanes.find((l) => l.id === lane.id);
      const kept = drafted !== undefined && styleIn(drafted, fromWeek) === KEEP_STYLE;
      const move = proposedMove(review, { change: change !== null, keep: !kept });
      return { lane, record, review, decided, change, move };
    });
    const own = (sessions.get(block.id) ?? []).filter((s) => s.week === week);
    const complete = today >= end || own.every((s) => s.done);
    out.push({ row, block, week, fromWeek, complete, lanes });
  }
  return out;
}
