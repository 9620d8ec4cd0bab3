import {
  boutCount,
  boutOf,
  isLoaded,
  type FindExercise,
  type MuscleGroupId,
  type SessionItem,
  type SpacedSession,
  type WeekWork,
} from '@yandle/core';
import { Between, In, IsNull } from 'typeorm';
import { LaneEntity, RevisionEntity } from '../blocks/entities.js';
import type { StudioData } from '../database/studio-data.js';
import { RunEntity, SessionEntity, SessionItemEntity, SetLogEntity } from './entities.js';
import { sessionItem } from './item.js';

/** What of the block a session hangs together with. */
export interface Around {
  readonly ranked: readonly MuscleGroupId[];
  readonly weekWork: readonly WeekWork[];
  readonly near: readonly SpacedSession[];
}

interface Planned {
  readonly session: SessionEntity;
  readonly items: readonly SessionItem[];
}

async function rankedGroups(data: StudioData, session: SessionEntity): Promise<MuscleGroupId[]> {
  const revision = await data.findOne(RevisionEntity, {
    blockId: session.blockId,
    number: session.revisionNumber,
  });
  if (!revision) return [];
  const lanes = await data.find(LaneEntity, { revisionId: revision.id }, { order: { place: 'ASC' } });
  return lanes.map((l) => l.group);
}

/** Bouts done of every item of some sessions: by session and place, the side that had fewer. */
async function doneBouts(
  data: StudioData,
  sessions: readonly Planned[],
  find: FindExercise,
): Promise<Map<string, number>> {
  const runs = await data.find(RunEntity, { sessionId: In(sessions.map((p) => p.session.id)) });
  const logs = runs.length
    ? await data.find(SetLogEntity, { runId: In(runs.map((r) => r.id)), replacedBy: IsNull() })
    : [];
  const out = new Map<string, number>();
  for (const { session, items } of sessions) {
    const own = new Set(runs.filter((r) => r.sessionId === session.id).map((r) => r.id));
    items.forEach((item, place) => {
      const mine = logs.filter((l) => own.has(l.runId) && l.item === place && l.doneSeconds > 0);
      const sides = find(item.exerciseId).sides === 'each' ? (['left', 'right'] as const) : [null];
      out.set(
        `${session.id} ${place}`,
        Math.min(...sides.map((side) => new Set(mine.filter((l) => l.side === side).map((l) => l.set)).size)),
      );
    });
  }
  return out;
}

/** How far the week of a session has come, what stands around it, and the order of the block's lanes. */
export async function weekAround(data: StudioData, session: SessionEntity, find: FindExercise): Promise<Around> {
  const { blockId } = session;
  const rows = await data.find(
    SessionEntity,
    { blockId, week: Between(session.week - 1, session.week + 1) },
    { order: { date: 'ASC' } },
  );
  const itemRows = await data.find(
    SessionItemEntity,
    { sessionId: In(rows.map((r) => r.id)) },
    { order: { place: 'ASC' } },
  );
  const all = rows.map((s): Planned => ({
    session: s,
    items: itemRows.filter((i) => i.sessionId === s.id).map(sessionItem),
  }));
  const week = all.filter((p) => p.session.week === session.week);
  const done = await doneBouts(data, week, find);
  const work = new Map<string, WeekWork>();
  for (const { session: s, items } of week)
    items.forEach((item, place) => {
      const exercise = find(item.exerciseId);
      const { technique } = boutOf(item, exercise);
      const key = `${exercise.primary} ${technique}`;
      const before = work.get(key) ?? { group: exercise.primary, technique, plannedSets: 0, doneSets: 0, laterSets: 0 };
      const sets = item.sets * s.rounds;
      // Cycles of contract-relax are logged one by one.
      const perSet = boutCount({ ...item, bonus: undefined }, exercise, null) / item.sets;
      work.set(key, {
        ...before,
        plannedSets: before.plannedSets + sets,
        doneSets: before.doneSets + Math.floor((done.get(`${s.id} ${place}`) ?? 0) / perSet),
        laterSets: before.laterSets + (s.date > session.date ? sets : 0),
      });
    });
  return {
    ranked: await rankedGroups(data, session),
    weekWork: [...work.values()],
    near: all
      .filter((p) => p.session.id !== session.id)
      .map(({ session: s, items }) => ({
        id: s.id,
        date: s.date,
        loaded: [
          ...new Set(
            items.flatMap((i) => {
              const e = find(i.exerciseId);
              return isLoaded(boutOf(i, e).technique) ? [e.primary] : [];
            }),
          ),
        ],
      })),
  };
}
