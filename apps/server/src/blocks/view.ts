import type { Block, Lane, Revision, RevisionSummary } from '@yandle/contract';
import { endOfBlock, weekOn, type PlainDate, type PlannedWeek, type Weekday } from '@yandle/core';
import { In } from 'typeorm';
import { CoachEntity } from '../accounts/entities.js';
import { boutFields } from '../database/bout-columns.js';
import type { StudioData } from '../database/studio-data.js';
import { notFound } from '../http/problem.js';
import { RunEntity, SessionEntity } from '../sessions/entities.js';
import { LaneEntity, PrescriptionEntity, RetestEntity, RevisionEntity, type BlockEntity } from './entities.js';

const daysOf = (text: string): Weekday[] => (text === '' ? [] : text.split(',').map((d) => Number(d) as Weekday));

function weekOf(parts: readonly PrescriptionEntity[]): PlannedWeek {
  const [main, ...beforeAndAfter] = [...parts].sort((a, b) => a.part - b.part);
  const w = main!;
  return {
    week: w.week,
    kind: w.kind,
    prescription: { technique: w.technique, ...boutFields(w), sessionsPerWeek: w.sessionsPerWeek },
    beforeAndAfter: beforeAndAfter.map((e) => ({ technique: e.technique, ...boutFields(e) })),
    dose: w.dose,
    days: daysOf(w.days),
    step: w.step,
    changed: w.changed,
    styleId: w.styleId,
    locked: w.locked,
    reasons: w.facts ?? [],
    said: w.reason,
  };
}

/** The lanes of a revision with their weeks, as they were published. */
export async function lanesOf(data: StudioData, revisionId: string): Promise<Lane[]> {
  const lanes = await data.find(LaneEntity, { revisionId }, { order: { place: 'ASC' } });
  const cells = await data.find(PrescriptionEntity, { laneId: In(lanes.map((l) => l.id)) }, { order: { week: 'ASC' } });
  const byCell = new Map<string, PrescriptionEntity[]>();
  for (const c of cells) {
    const key = `${c.laneId} ${c.week}`;
    byCell.set(key, [...(byCell.get(key) ?? []), c]);
  }
  return lanes.map((l) => ({
    id: l.laneKey,
    group: l.group,
    styleId: l.styleId,
    limitReasons: l.limitReasons,
    leftOut: l.leftOut ?? [],
    weeks: cells.filter((c) => c.laneId === l.id && c.part === 0).map((c) => weekOf(byCell.get(`${l.id} ${c.week}`)!)),
  }));
}

/** Weeks of a block in which something was done. */
export async function weeksDone(data: StudioData, blockId: string): Promise<Set<number>> {
  const rows = await data
    .rows(RunEntity, 'r')
    .innerJoin(SessionEntity, 's', 's.id = r.session_id')
    .select('DISTINCT s.week', 'week')
    .andWhere('s.blockId = :blockId', { blockId })
    .getRawMany<{ week: number }>();
  return new Set(rows.map((r) => Number(r.week)));
}

/** First week that may still be changed: 1 until something has been done, then the week after the running one. */
export async function changeableFrom(data: StudioData, row: BlockEntity, today: PlainDate): Promise<number> {
  const done = await weeksDone(data, row.id);
  return done.size === 0 ? 1 : Math.max(weekOn(row.startDate, today), ...done) + 1;
}

export async function newestRevision(data: StudioData, blockId: string): Promise<RevisionEntity> {
  const [revision] = await data.find(RevisionEntity, { blockId }, { order: { number: 'DESC' }, take: 1 });
  return revision!;
}

export async function blockView(data: StudioData, row: BlockEntity, today: PlainDate): Promise<Block> {
  const revision = await newestRevision(data, row.id);
  const retests = await data.find(RetestEntity, { blockId: row.id }, { order: { week: 'ASC' } });
  return {
    id: row.id,
    clientId: row.clientId,
    version: row.version,
    revision: revision.number,
    choices: revision.choices,
    startDate: row.startDate,
    endDate: endOfBlock(row.startDate, row.weeks),
    weeks: row.weeks,
    lanes: await lanesOf(data, revision.id),
    retests: retests.map((r) => ({ week: r.week, date: r.date })),
    cuts: revision.cuts ?? [],
    changeableFrom: await changeableFrom(data, row, today),
    endedAt: row.endedAt?.toISOString() ?? null,
  };
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
