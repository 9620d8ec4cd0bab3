import type { BlockBody } from '@yandle/contract';
import {
  scheduleRetests,
  sessionsOfBlock,
  tighterSide,
  type BlockPlan,
  type FindExercise,
  type SidedValues,
  type Weekday,
} from '@yandle/core';
import { v7 as uuid } from 'uuid';
import type { StudioData } from '../database/studio-data.js';
import { SessionEntity, SessionItemEntity } from '../sessions/entities.js';
import { LaneEntity, PrescriptionEntity, RetestEntity, RevisionEntity } from './entities.js';

/** Version of the rules a revision was made with; raised when the same input would give another plan. */
export const ENGINE_VERSION = '1';

export interface Publication {
  readonly programmeId: string;
  readonly clientId: string;
  readonly coachId: string;
  readonly number: number;
  readonly reason: string;
  readonly body: BlockBody;
  readonly plan: BlockPlan;
  readonly trainingDays: readonly Weekday[];
  readonly find: FindExercise;
  /** Newest sided values of the client: the tighter side begins. */
  readonly measured: readonly SidedValues[];
}

/** Writes a revision with its lanes, weeks, dated sessions and retests. Inside a transaction of the caller. */
export async function publish(tx: StudioData, p: Publication): Promise<void> {
  const revisionId = uuid();
  await tx.insert(RevisionEntity, {
    id: revisionId,
    programmeId: p.programmeId,
    coachId: p.coachId,
    number: p.number,
    reason: p.reason,
    effectiveWeek: 1,
    engineVersion: ENGINE_VERSION,
    createdAt: new Date(),
  });
  const laneIds = p.body.lanes.map(() => uuid());
  await tx.insertMany(
    LaneEntity,
    p.body.lanes.map((l, i) => ({
      id: laneIds[i]!,
      revisionId,
      laneKey: l.id,
      place: i,
      group: l.group,
      styleId: l.styleId,
      exerciseId: l.exerciseId,
      limitReasons: p.plan.lanes[i]!.limitReasons,
    })),
  );
  await tx.insertMany(
    PrescriptionEntity,
    p.plan.lanes.flatMap((lane, i) =>
      lane.weeks.map((w) => ({
        id: uuid(),
        laneId: laneIds[i]!,
        week: w.week,
        kind: w.kind,
        ...w.prescription,
        dose: w.dose,
        step: w.step,
        changed: w.changed,
        reason: w.reason,
      })),
    ),
  );

  const sessions = sessionsOfBlock(
    p.plan,
    p.body.startDate,
    p.trainingDays,
    p.body.lanes.map((l) => ({ exerciseId: l.exerciseId, firstSide: tighterSide(l.group, p.measured) ?? 'left' })),
    p.find,
  ).map((s) => ({ id: uuid(), ...s }));
  await tx.insertMany(
    SessionEntity,
    sessions.map((s) => ({
      id: s.id,
      clientId: p.clientId,
      programmeId: p.programmeId,
      revisionNumber: p.number,
      date: s.date,
      week: s.week,
      totalSeconds: s.totalSeconds,
    })),
  );
  await tx.insertMany(
    SessionItemEntity,
    sessions.flatMap((s) => s.items.map((item, place) => ({ id: uuid(), sessionId: s.id, place, ...item }))),
  );
  await tx.insertMany(
    RetestEntity,
    scheduleRetests(p.plan.retestWeeks, p.body.startDate, sessions).map((r) => ({
      id: uuid(),
      programmeId: p.programmeId,
      ...r,
    })),
  );
}
