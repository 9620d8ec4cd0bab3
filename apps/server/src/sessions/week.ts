import { isStanding } from './standing.js';
import {
  boutsPerSet,
  boutOf,
  isLoadedItem,
  type ClientPlace,
  type FindExercise,
  type MuscleGroupId,
  type SessionItem,
  type SpacedSession,
  type WeekWork,
} from '@yandle/core';
import { Between, In } from 'typeorm';
import { LaneEntity, RevisionEntity } from '../blocks/entities.js';
import type { StudioData } from '../database/studio-data.js';
import { RunEntity, SessionEntity, SessionItemEntity, SetLogEntity } from './entities.js';
import { sessionItem } from './item.js';

/** What of the block a session hangs together with. */
export interface Around {
  readonly ranked: readonly MuscleGroupId[];
  /** Where it takes place; null for anywhere. */
  readonly place: ClientPlace | null;
  /** Routine that its day plan begins with; left out for none. */
  readonly beginsWith?: string;
  readonly weekWork: readonly WeekWork[];
  readonly near: readonly SpacedSession[];
}

interface Planned {
  readonly session: SessionEntity;
  readonly items: readonly SessionItem[];
}

/** What is read once for several sessions of one client: their blocks' neighbouring weeks, and what was done in them. */
export interface Surroundings {
  readonly planned: readonly Planned[];
  readonly runs: readonly RunEntity[];
  readonly logs: readonly SetLogEntity[];
  /** What was published, by block and revision. */
  readonly published: ReadonlyMap<string, Published>;
}

/** What a session takes from the revision that it was published with. */
interface Published {
  /** Groups in the order of the lanes. */
  readonly ranked: readonly MuscleGroupId[];
  /** Where the sessions of a day plan take place, by its id. */
  readonly places: ReadonlyMap<string, ClientPlace | null>;
  /** Names of the routines that day plans begin with, by the id of the day plan. */
  readonly routines: ReadonlyMap<string, string>;
}

const revisionKey = (s: { readonly blockId: string | null; readonly revisionNumber: number | null }): string =>
  `${s.blockId} ${s.revisionNumber}`;

async function publishedWith(data: StudioData, sessions: readonly SessionEntity[]): Promise<Map<string, Published>> {
  const revisions = await data.find(RevisionEntity, {
    blockId: In([...new Set(sessions.flatMap((s) => s.blockId ?? []))]),
    number: In([...new Set(sessions.map((s) => s.revisionNumber))]),
  });
  const lanes = await data.find(
    LaneEntity,
    { revisionId: In(revisions.map((r) => r.id)) },
    { order: { place: 'ASC' } },
  );
  return new Map(
    revisions.map((r) => [
      revisionKey({ blockId: r.blockId, revisionNumber: r.number }),
      {
        ranked: lanes.filter((l) => l.revisionId === r.id).map((l) => l.group),
        places: new Map(
          r.choices.dayPlans.map((p) => [p.id, r.basis?.places?.find((x) => x.id === p.placeId) ?? null] as const),
        ),
        routines: new Map(r.choices.dayPlans.flatMap((p) => (p.routine ? [[p.id, p.routine.name] as const] : []))),
      },
    ]),
  );
}

/** Reads what stands around some sessions, with a number of statements that does not grow with them. */
export async function surroundingsOf(data: StudioData, sessions: readonly SessionEntity[]): Promise<Surroundings> {
  const weeks = sessions.flatMap((s) => s.week ?? []);
  const own = sessions.filter((s) => s.blockId === null);
  const [ofBlocks, published] = await Promise.all([
    weeks.length === 0
      ? []
      : data.find(
          SessionEntity,
          {
            blockId: In([...new Set(sessions.flatMap((s) => s.blockId ?? []))]),
            week: Between(Math.min(...weeks) - 1, Math.max(...weeks) + 1),
          },
          { order: { date: 'ASC' } },
        ),
    publishedWith(data, sessions),
  ]);
  const rows = [...ofBlocks, ...own];
  const sessionId = In(rows.map((r) => r.id));
  const [items, runs] = await Promise.all([
    data.find(SessionItemEntity, { sessionId }, { order: { place: 'ASC' } }),
    data.find(RunEntity, { sessionId }, { order: { startedAt: 'ASC' } }),
  ]);
  const logs = runs.length
    ? await data.find(SetLogEntity, { runId: In(runs.map((r) => r.id)) }, { order: { createdAt: 'ASC', id: 'ASC' } })
    : [];
  const planned = rows.map((session): Planned => ({
    session,
    items: items.filter((i) => i.sessionId === session.id).map(sessionItem),
  }));
  return { planned, runs, logs, published };
}

/** Bouts done of every item of a session, by place: the side that had fewer. */
function doneBouts({ runs, logs }: Surroundings, { session, items }: Planned, find: FindExercise): number[] {
  const own = new Set(runs.filter((r) => r.sessionId === session.id && isStanding(r)).map((r) => r.id));
  return items.map((item, place) => {
    const mine = logs.filter((l) => own.has(l.runId) && l.replacedBy === null && l.item === place && l.doneSeconds > 0);
    const sides = find(item.exerciseId).sides === 'each' ? (['left', 'right'] as const) : [null];
    return Math.min(...sides.map((side) => new Set(mine.filter((l) => l.side === side).map((l) => l.set)).size));
  });
}

/** How far the week of a session has come, what stands around it, and the order of the block's lanes. */
export function weekAround(all: Surroundings, session: SessionEntity, find: FindExercise): Around {
  const week = session.week;
  const block = all.planned.filter((p) => session.blockId !== null && p.session.blockId === session.blockId);
  const work = new Map<string, WeekWork>();
  for (const planned of block.filter((p) => p.session.week === session.week)) {
    const { session: s, items } = planned;
    const done = doneBouts(all, planned, find);
    items.forEach((item, place) => {
      const exercise = find(item.exerciseId);
      const { technique } = boutOf(item, exercise);
      const key = `${exercise.primary} ${technique}`;
      const before = work.get(key) ?? { group: exercise.primary, technique, plannedSets: 0, doneSets: 0, laterSets: 0 };
      const sets = item.sets * s.rounds;
      // Cycles of contract-relax, and parts, are logged one by one.
      const perSet = boutsPerSet(item, exercise);
      work.set(key, {
        ...before,
        plannedSets: before.plannedSets + sets,
        doneSets: before.doneSets + Math.floor(done[place]! / perSet),
        laterSets: before.laterSets + (s.date > session.date ? sets : 0),
      });
    });
  }
  const published = all.published.get(revisionKey(session));
  const beginsWith = published?.routines.get(session.dayPlanId ?? '');
  return {
    ...(beginsWith !== undefined && { beginsWith }),
    ranked: published?.ranked ?? [],
    place: published?.places.get(session.dayPlanId ?? '') ?? session.place,
    weekWork: [...work.values()],
    near: block
      .filter((p) => p.session.id !== session.id && Math.abs((p.session.week ?? 0) - (week ?? 0)) <= 1)
      .map(({ session: s, items }) => ({
        id: s.id,
        date: s.date,
        loaded: [
          ...new Set(
            items.flatMap((i) => {
              const e = find(i.exerciseId);
              return isLoadedItem(i, e) ? [e.primary] : [];
            }),
          ),
        ],
      })),
  };
}
