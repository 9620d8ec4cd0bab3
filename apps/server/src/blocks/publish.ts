import type { SessionSettings } from '@yandle/contract';
import {
  type BlockDraft,
  type BlockPlan,
  techniquesIn,
  givesWay,
  type HandList,
  buildTimeline,
  type PlanBasis,
  cutWords,
  type FindExercise,
  leftOutWords,
  placed,
  limitWords,
  type PlainDate,
  type PlannedLane,
  type PlannedWeek,
  scheduleRetests,
  sameData,
  sessionsOfBlock,
  type SessionItem,
  type Side,
  type Technique,
  weekOn,
  weekWords,
  settingsOf,
  sameSettings,
} from '@yandle/core';
import { In, MoreThanOrEqual, type FindOperator } from 'typeorm';
import { v7 as uuid } from 'uuid';
import { boutColumns } from '../database/bout-columns.js';
import { ClientEntity } from '../clients/entities.js';
import type { StudioData } from '../database/studio-data.js';
import { timingsBy } from '../studio/settings.js';
import { RunEntity, SessionEntity, SessionItemEntity } from '../sessions/entities.js';
import { AS_PLANNED, itemRow, plannedSettings, sessionItem } from '../sessions/item.js';
import { LaneEntity, PrescriptionEntity, RetestEntity, RevisionEntity } from './entities.js';

/** Version of the rules a revision was made with; raised when the same input would give another plan. */
export const ENGINE_VERSION = '5';

/** Whether no caution speaks against an exercise done with a technique. */
export type MayBeDone = (exerciseId: string, technique: Technique) => boolean;

export interface Publication {
  readonly blockId: string;
  readonly clientId: string;
  readonly coachId: string;
  readonly number: number;
  readonly reason: string;
  readonly draft: BlockDraft;
  readonly plan: BlockPlan;
  readonly find: FindExercise;
  /** First week that changes; sessions before it stay as they are. */
  readonly fromWeek: number;
  /** Side that begins in each lane: the tighter one, else left. */
  readonly firstSides: readonly Side[];
  readonly today: PlainDate;
  readonly basis: PlanBasis;
}

function partsOf(laneId: string, lane: PlannedLane, w: PlannedWeek): Omit<PrescriptionEntity, 'studioId'>[] {
  const { technique, sessionsPerWeek, ...bout } = w.prescription;
  const common = {
    laneId,
    week: w.week,
    kind: w.kind,
    sessionsPerWeek,
    days: w.days.join(),
    sessions: w.sessions,
    styleId: w.styleId,
    locked: w.locked,
    step: w.step,
  };
  return [
    {
      ...common,
      ...boutColumns(bout),
      id: uuid(),
      part: 0,
      technique,
      dose: w.dose,
      changed: w.changed,
      reason: weekWords(w, lane),
      facts: w.reasons,
    },
    ...w.beforeAndAfter.map((e, i) => ({
      ...common,
      ...boutColumns(e),
      id: uuid(),
      part: i + 1,
      technique: e.technique,
      dose: 0,
      changed: null,
      reason: '',
      facts: null,
    })),
  ];
}

const slotKey = (s: { readonly date: string; readonly dayPlanId: string | null }): string => `${s.date} ${s.dayPlanId}`;

/** How a day plan has its sessions gone through. */
function mannerOf(draft: Pick<BlockDraft, 'dayPlans'>, dayPlanId: string): SessionSettings {
  const plan = draft.dayPlans.find((d) => d.id === dayPlanId);
  return plan
    ? { purpose: plan.purpose, alreadyWarm: plan.warm, rounds: 1, minutes: plan.minutes }
    : plannedSettings({ plannedManner: null });
}

/** What the coach set on a single session by hand, other than the plan had it. */
interface ByHand {
  readonly manner: SessionSettings | null;
  readonly items: readonly SessionItem[] | null;
}

/** A list changed by hand, for judging whether it stays. */
const handListOf = (
  { date, week }: Pick<HandList, 'date' | 'week'>,
  items: readonly SessionItem[],
  find: FindExercise,
): HandList => ({
  date,
  week,
  items: items.flatMap((i) =>
    techniquesIn(i, find(i.exerciseId)).map((technique) => ({ exerciseId: i.exerciseId, technique })),
  ),
});

/** Sessions of a block whose list differs from what was planned, with the list. */
async function changedLists(
  tx: StudioData,
  rows: readonly SessionEntity[],
): Promise<Map<string, readonly SessionItem[]>> {
  const edited = rows.filter((s) => s.plannedItems !== null);
  const items = edited.length
    ? await tx.find(SessionItemEntity, { sessionId: In(edited.map((s) => s.id)) }, { order: { place: 'ASC' } })
    : [];
  return new Map(
    edited.flatMap((s): [string, readonly SessionItem[]][] => {
      const mine = items.filter((i) => i.sessionId === s.id).map(sessionItem);
      return sameData(mine, s.plannedItems) ? [] : [[s.id, mine]];
    }),
  );
}

/** Lists changed by hand on sessions that a new plan from a week on would replace. @param sessions of the block, the earliest first */
export async function handLists(
  data: StudioData,
  sessions: readonly SessionEntity[],
  fromWeek: number,
  find: FindExercise,
): Promise<HandList[]> {
  const rows = sessions.filter((s) => s.week !== null && s.week >= fromWeek);
  const lists = await changedLists(data, rows);
  return rows.flatMap((s) =>
    lists.has(s.id) ? [handListOf({ date: s.date, week: s.week! }, lists.get(s.id)!, find)] : [],
  );
}

/** What was set by hand on the sessions of a block: a new plan keeps it. By the day and day plan that the plan had given them. */
async function setByHand(tx: StudioData, blockId: string): Promise<Map<string, ByHand>> {
  const rows = await tx.find(SessionEntity, { blockId });
  const lists = await changedLists(tx, rows);
  return new Map(
    rows.flatMap((s): [string, ByHand][] => {
      const now = settingsOf(s);
      const same = sameSettings(now, plannedSettings(s));
      const items = lists.get(s.id) ?? null;
      if (same && items === null) return [];
      const key = slotKey({ date: s.plannedDate ?? s.date, dayPlanId: s.dayPlanId });
      return [[key, { manner: same ? null : now, items }]];
    }),
  );
}

/** Dates the coach gave to sessions by hand, by the day the plan had given them. */
async function movedDates(tx: StudioData, blockId: string): Promise<Map<string, string>> {
  const rows = await tx.find(SessionEntity, { blockId });
  return new Map(rows.flatMap((s) => (s.plannedDate && s.plannedDate !== s.date ? [[s.plannedDate, s.date]] : [])));
}

/** Removes sessions of a week, or of weeks, that nobody has started: a new plan replaces them. */
async function clearWeeks(tx: StudioData, blockId: string, week: number | FindOperator<number>): Promise<void> {
  const rows = await tx.find(SessionEntity, { blockId, week });
  if (rows.length === 0) return;
  const begun = new Set((await tx.find(RunEntity, { sessionId: In(rows.map((r) => r.id)) })).map((r) => r.sessionId));
  const open = rows.filter((r) => !begun.has(r.id)).map((r) => r.id);
  if (open.length > 0) await tx.delete(SessionEntity, { id: In(open) });
}

async function writeSessions(
  tx: StudioData,
  p: Publication,
  moved: ReadonlyMap<string, string>,
  handSet: ReadonlyMap<string, ByHand>,
  allowed: MayBeDone,
): Promise<void> {
  const timings = await timingsBy(tx, await tx.get(ClientEntity, p.clientId, 'client'));
  const planned = sessionsOfBlock(
    p.plan,
    p.draft.startDate,
    p.draft.lanes.map((l, i) => ({ group: l.group, exercises: l.exercises, firstSide: p.firstSides[i]! })),
    placed(p.draft.dayPlans, p.basis.places, p.find),
    p.find,
    p.fromWeek,
    p.basis.timings,
  );
  const sessions = planned.map((s) => {
    const byHand = handSet.get(slotKey(s));
    const manner = mannerOf(p.draft, s.dayPlanId);
    const list = byHand?.items ?? null;
    const own = list && givesWay(handListOf(s, list, p.find), p.plan, allowed) === null ? list : null;
    const shape = byHand?.manner ?? manner;
    // Timed as it was set by hand; the plan's stays beside it, for the way back.
    const set = own !== null || byHand?.manner;
    const totalSeconds = set
      ? buildTimeline(own ?? s.items, shape, timings(shape), p.find).totalSeconds
      : s.totalSeconds;
    return { ...s, id: uuid(), manner, shape, own, totalSeconds };
  });
  await tx.insertMany(
    SessionEntity,
    sessions.map((s) => ({
      id: s.id,
      clientId: p.clientId,
      blockId: p.blockId,
      revisionNumber: p.number,
      date: moved.get(s.date) ?? s.date,
      plannedDate: s.date,
      week: s.week,
      totalSeconds: s.totalSeconds,
      dayPlanId: s.dayPlanId,
      ...AS_PLANNED,
      plannedManner: s.manner,
      plannedItems: s.own ? s.items : null,
      ...s.shape,
    })),
  );
  await tx.insertMany(
    SessionItemEntity,
    sessions.flatMap((s) => (s.own ?? s.items).map((item, place) => itemRow(s.id, item, place))),
  );
}

async function writeRetests(tx: StudioData, p: Publication): Promise<void> {
  const sessions = await tx.find(SessionEntity, { blockId: p.blockId });
  const stays = (r: RetestEntity): boolean => r.week < p.fromWeek || (r.moved && p.plan.retestWeeks.includes(r.week));
  const before = await tx.find(RetestEntity, { blockId: p.blockId });
  const kept = before.filter(stays);
  await tx.delete(RetestEntity, { id: In(before.filter((r) => !stays(r)).map((r) => r.id)) });
  const weeks = p.plan.retestWeeks.filter((w) => !kept.some((k) => k.week === w));
  await tx.insertMany(
    RetestEntity,
    scheduleRetests(weeks, p.draft.startDate, sessions).map((r) => ({
      id: uuid(),
      blockId: p.blockId,
      moved: false,
      ...r,
    })),
  );
}

/**
 * Sessions of weeks that stay as they are keep their dose; but an exercise that may no longer be done is swapped for the lane's new one of the
 * same technique, or left out when there is none.
 */
async function swapForbidden(tx: StudioData, p: Publication, allowed: MayBeDone): Promise<void> {
  const running = weekOn(p.draft.startDate, p.today);
  const rows = (await tx.find(SessionEntity, { blockId: p.blockId })).filter(
    (s) => s.week !== null && s.week < p.fromWeek && s.week >= running && s.date >= p.today,
  );
  if (rows.length === 0) return;
  const begun = new Set((await tx.find(RunEntity, { sessionId: In(rows.map((r) => r.id)) })).map((r) => r.sessionId));
  const items = await tx.find(SessionItemEntity, { sessionId: In(rows.map((r) => r.id)) }, { order: { place: 'ASC' } });
  const touched = new Set<string>();
  const timings = await timingsBy(tx, await tx.get(ClientEntity, p.clientId, 'client'));
  for (const item of items) {
    const old = p.find(item.exerciseId);
    const technique = item.technique ?? old.technique;
    if (begun.has(item.sessionId) || allowed(item.exerciseId, technique)) continue;
    touched.add(item.sessionId);
    const lane = p.draft.lanes.find((l) => l.group === old.primary);
    const next = lane?.exercises.find((e) => e.technique === technique && allowed(e.exerciseId, technique));
    if (!next) await tx.delete(SessionItemEntity, { id: item.id });
    else {
      const own = p.find(next.exerciseId).technique === technique;
      await tx.update(
        SessionItemEntity,
        { id: item.id },
        { exerciseId: next.exerciseId, technique: own ? null : technique },
      );
    }
  }
  for (const id of touched) {
    const left = await tx.find(SessionItemEntity, { sessionId: id }, { order: { place: 'ASC' } });
    const session = rows.find((r) => r.id === id)!;
    const { totalSeconds } = buildTimeline(left.map(sessionItem), session, timings(session), p.find);
    await tx.update(SessionEntity, { id }, { totalSeconds, version: session.version + 1, plannedItems: null });
  }
}

/** Writes a revision with its lanes, weeks, dated sessions and retests. Inside a transaction of the caller. */
export async function publish(tx: StudioData, p: Publication, allowed: MayBeDone): Promise<void> {
  const revisionId = uuid();
  await tx.insert(RevisionEntity, {
    id: revisionId,
    blockId: p.blockId,
    coachId: p.coachId,
    number: p.number,
    reason: p.reason,
    effectiveWeek: p.fromWeek,
    engineVersion: ENGINE_VERSION,
    choices: p.draft,
    basis: p.basis,
    shortages: p.plan.shortages.map((c) => ({ ...c, fact: { ...c.fact, words: cutWords(c.fact) } })),
    createdAt: tx.now,
  });
  await tx.audit('block-published', { clientId: p.clientId, subject: p.blockId });
  const laneIds = p.draft.lanes.map(() => uuid());
  await tx.insertMany(
    LaneEntity,
    p.draft.lanes.map((l, i) => ({
      id: laneIds[i]!,
      revisionId,
      laneKey: l.id,
      place: i,
      group: l.group,
      styleId: l.styleId,
      limitReasons: p.plan.lanes[i]!.limitReasons.map((f) => ({ ...f, words: limitWords(f) })),
      leftOut: p.plan.lanes[i]!.leftOut.map((f) => ({ ...f, words: leftOutWords(f) })),
    })),
  );
  await tx.insertMany(
    PrescriptionEntity,
    p.plan.lanes.flatMap((lane, i) => lane.weeks.flatMap((w) => partsOf(laneIds[i]!, lane, w))),
  );
  const moved = await movedDates(tx, p.blockId);
  const set = await setByHand(tx, p.blockId);
  await clearWeeks(tx, p.blockId, MoreThanOrEqual(p.fromWeek));
  // A missed week keeps what was started in it, and loses the rest.
  for (const week of p.draft.missedWeeks.filter((w) => w < p.fromWeek)) await clearWeeks(tx, p.blockId, week);
  await swapForbidden(tx, p, allowed);
  await writeSessions(tx, p, moved, set, allowed);
  await writeRetests(tx, p);
}
