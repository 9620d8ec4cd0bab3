import { STANDING_SQL } from '../sessions/standing.js';
import type { Block, Lane, Revision, RevisionSummary } from '@yandle/contract';
import {
  endOfBlock,
  FIRST_DAY_PLAN,
  weekOn,
  type LaneSession,
  type PlainDate,
  type PlannedWeek,
  type WeekFact,
  type Weekday,
} from '@yandle/core';
import { In } from 'typeorm';
import { CoachEntity } from '../accounts/entities.js';
import { boutFields, boutSelection, type BoutColumns } from '../database/bout-columns.js';
import type { StudioData } from '../database/studio-data.js';
import { notFound } from '../http/problem.js';
import { RunEntity, SessionEntity } from '../sessions/entities.js';
import { LaneEntity, PrescriptionEntity, RetestEntity, RevisionEntity, type BlockEntity } from './entities.js';

const daysOf = (text: string): Weekday[] => (text === '' ? [] : text.split(',').map((d) => Number(d) as Weekday));

/** The sessions of a cell; one planned before there were day plans is done once on each of its days. */
function sessionsOf(w: Pick<Cell, 'sessions' | 'days' | 'sets'>): readonly LaneSession[] {
  if (w.sessions !== null) return JSON.parse(w.sessions) as readonly LaneSession[];
  return daysOf(w.days).map((weekday) => ({ weekday, dayPlanId: FIRST_DAY_PLAN, sets: w.sets }));
}

/** A cell as plain SQL gives it: a plan has hundreds, and making entities of them takes longer than reading them. */
type Cell = BoutColumns &
  Pick<
    PrescriptionEntity,
    | 'laneId'
    | 'week'
    | 'kind'
    | 'part'
    | 'technique'
    | 'sessionsPerWeek'
    | 'days'
    | 'styleId'
    | 'dose'
    | 'step'
    | 'changed'
    | 'reason'
  > & {
    readonly locked: number;
    /** JSON. */
    readonly facts: string | null;
    readonly sessions: string | null;
  };

const CELLS = `SELECT p.lane_id AS laneId, p.week, p.kind, p.part, p.technique, p.sessions_per_week AS sessionsPerWeek, p.days, p.sessions,
    p.style_id AS styleId, p.locked, p.dose, p.step, p.changed, p.reason, p.facts, ${boutSelection('p')}
  FROM prescription p INNER JOIN lane l ON l.id = p.lane_id
  WHERE p.studio_id = {studio} AND l.revision_id IN (:revisionIds) ORDER BY p.week`;

function weekOf(parts: readonly Cell[]): PlannedWeek {
  const [main, ...beforeAndAfter] = [...parts].sort((a, b) => a.part - b.part);
  const w = main!;
  return {
    week: w.week,
    kind: w.kind,
    prescription: { technique: w.technique, ...boutFields(w), sessionsPerWeek: w.sessionsPerWeek },
    beforeAndAfter: beforeAndAfter.map((e) => ({ technique: e.technique, ...boutFields(e) })),
    dose: w.dose,
    days: daysOf(w.days),
    sessions: sessionsOf(w),
    step: w.step,
    changed: w.changed,
    styleId: w.styleId,
    locked: Number(w.locked) === 1,
    reasons: w.facts === null ? [] : (JSON.parse(w.facts) as readonly WeekFact[]),
    said: w.reason,
  };
}

/** The lanes of revisions with their weeks, as they were published; by revision. */
async function lanesByRevision(data: StudioData, revisionIds: readonly string[]): Promise<Map<string, Lane[]>> {
  const [lanes, cells] = await Promise.all([
    data.find(LaneEntity, { revisionId: In([...revisionIds]) }, { order: { place: 'ASC' } }),
    data.read<Cell>(CELLS, { revisionIds }),
  ]);
  const byLane = new Map<string, Map<number, Cell[]>>();
  for (const c of cells) {
    const weeks = byLane.get(c.laneId) ?? new Map<number, Cell[]>();
    byLane.set(c.laneId, weeks);
    weeks.set(c.week, [...(weeks.get(c.week) ?? []), c]);
  }
  const out = new Map<string, Lane[]>(revisionIds.map((id) => [id, []]));
  for (const l of lanes)
    out.get(l.revisionId)!.push({
      id: l.laneKey,
      group: l.group,
      styleId: l.styleId,
      limitReasons: l.limitReasons,
      leftOut: l.leftOut ?? [],
      weeks: [...(byLane.get(l.id)?.values() ?? [])].map(weekOf),
    });
  return out;
}

/** The lanes of a revision with their weeks, as they were published. */
export async function lanesOf(data: StudioData, revisionId: string): Promise<Lane[]> {
  return (await lanesByRevision(data, [revisionId])).get(revisionId)!;
}

/** Weeks of blocks in which something was done; by block. */
async function weeksDoneOf(data: StudioData, blockIds: readonly string[]): Promise<Map<string, Set<number>>> {
  const rows = await data
    .rows(RunEntity, 'r')
    .innerJoin(SessionEntity, 's', 's.id = r.session_id')
    .select('s.blockId', 'blockId')
    .addSelect('s.week', 'week')
    .andWhere('s.blockId IN (:...blockIds)', { blockIds })
    .andWhere(STANDING_SQL)
    .groupBy('s.blockId')
    .addGroupBy('s.week')
    .getRawMany<{ blockId: string; week: number }>();
  const out = new Map(blockIds.map((id) => [id, new Set<number>()]));
  for (const { blockId, week } of rows) out.get(blockId)!.add(Number(week));
  return out;
}

/** Weeks of a block in which something was done. */
export async function weeksDone(data: StudioData, blockId: string): Promise<Set<number>> {
  return (await weeksDoneOf(data, [blockId])).get(blockId)!;
}

/** First week that may still be changed: 1 until something has been done, then the week after the running one. */
function firstChangeable(row: BlockEntity, done: ReadonlySet<number>, today: PlainDate): number {
  return done.size === 0 ? 1 : Math.max(weekOn(row.startDate, today), ...done) + 1;
}

export async function changeableFrom(data: StudioData, row: BlockEntity, today: PlainDate): Promise<number> {
  return firstChangeable(row, await weeksDone(data, row.id), today);
}

export async function newestRevision(data: StudioData, blockId: string): Promise<RevisionEntity> {
  const [revision] = await data.find(RevisionEntity, { blockId }, { order: { number: 'DESC' }, take: 1 });
  return revision!;
}

/** The newest revision of each block. */
async function newestRevisions(data: StudioData, blockIds: readonly string[]): Promise<Map<string, RevisionEntity>> {
  const rows = await data
    .rows(RevisionEntity, 'r')
    .andWhere('r.blockId IN (:...blockIds)', { blockIds })
    .andWhere('r.number = (SELECT MAX(n.number) FROM revision n WHERE n.block_id = r.block_id)')
    .getMany();
  return new Map(rows.map((r) => [r.blockId, r]));
}

export async function blockView(data: StudioData, row: BlockEntity, today: PlainDate): Promise<Block> {
  return (await blockViews(data, [row], today))[0]!;
}

/** Blocks as they were published last; the number of statements does not grow with them. */
export async function blockViews(data: StudioData, rows: readonly BlockEntity[], today: PlainDate): Promise<Block[]> {
  if (rows.length === 0) return [];
  const ids = rows.map((r) => r.id);
  const [revisions, retests, done] = await Promise.all([
    newestRevisions(data, ids),
    data.find(RetestEntity, { blockId: In(ids) }, { order: { week: 'ASC' } }),
    weeksDoneOf(data, ids),
  ]);
  const lanes = await lanesByRevision(
    data,
    [...revisions.values()].map((r) => r.id),
  );
  return rows.map((row): Block => {
    const revision = revisions.get(row.id)!;
    return {
      id: row.id,
      clientId: row.clientId,
      version: row.version,
      revision: revision.number,
      choices: revision.choices,
      basis: revision.basis,
      startDate: row.startDate,
      endDate: endOfBlock(row.startDate, row.weeks),
      weeks: row.weeks,
      lanes: lanes.get(revision.id)!,
      retests: retests.filter((r) => r.blockId === row.id).map((r) => ({ week: r.week, date: r.date })),
      shortages: revision.shortages ?? [],
      changeableFrom: firstChangeable(row, done.get(row.id)!, today),
      endedAt: row.endedAt?.toISOString() ?? null,
    };
  });
}

async function summariesOf(data: StudioData, revisions: readonly RevisionEntity[]): Promise<RevisionSummary[]> {
  if (revisions.length === 0) return [];
  const coaches = await data.find(CoachEntity, { id: In(revisions.map((r) => r.coachId)) });
  const doses = await data
    .rows(PrescriptionEntity, 'p')
    .innerJoin(LaneEntity, 'l', 'l.id = p.lane_id')
    .select('l.revisionId', 'id')
    .addSelect('SUM(p.dose)', 'dose')
    .andWhere('l.revisionId IN (:...ids)', { ids: revisions.map((r) => r.id) })
    .groupBy('l.revisionId')
    .getRawMany<{ id: string; dose: string }>();
  return revisions.map((r) => ({
    number: r.number,
    reason: r.reason,
    at: r.createdAt.toISOString(),
    coachName: coaches.find((c) => c.id === r.coachId)?.name ?? '',
    effectiveWeek: r.effectiveWeek,
    weeks: r.choices.weeks,
    lanes: r.choices.lanes.length,
    totalDose: Number(doses.find((d) => d.id === r.id)?.dose ?? 0),
  }));
}

/** All published states of a block, newest first. */
export async function listVersions(data: StudioData, blockId: string): Promise<RevisionSummary[]> {
  return summariesOf(data, await data.find(RevisionEntity, { blockId }, { order: { number: 'DESC' } }));
}

/** One published state, whole. */
export async function revisionView(data: StudioData, blockId: string, number: number): Promise<Revision> {
  const row = await data.findOne(RevisionEntity, { blockId, number });
  if (!row) throw notFound('revision');
  const [summary] = await summariesOf(data, [row]);
  return { ...summary!, choices: row.choices, laneWeeks: await lanesOf(data, row.id) };
}
