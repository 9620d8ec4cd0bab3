import type { SessionSettings } from '@yandle/contract';
import { settingsOf, type SessionItem } from '@yandle/core';
import { boutColumns, boutFields } from '../database/bout-columns.js';
import { v7 as uuid } from 'uuid';
import type { MoreOfItem, SessionEntity, SessionItemEntity, SetLogEntity } from './entities.js';

/** What a session has before a coach changes it. */
export const AS_PLANNED = {
  version: 1,
  purpose: 'own',
  alreadyWarm: false,
  rounds: 1,
  untilEasy: false,
  minutes: null,
  pacing: null,
  dayRound: null,
  plannedManner: null,
  plannedItems: null,
  countedRun: null,
  name: null,
  routineId: null,
  place: null,
} as const satisfies Partial<SessionEntity>;

/** How the plan has a session gone through. */
export function plannedSettings(session: Pick<SessionEntity, 'plannedManner'>): SessionSettings {
  return session.plannedManner ?? settingsOf(AS_PLANNED);
}

/** What a log says of a set beyond its seconds when nothing more was said. */
export const PLAIN_SET = {
  reps: null,
  pieces: 1,
  form: null,
  loadAmount: null,
  loadUnit: null,
  assistance: null,
  depthCm: null,
  sensation: null,
} as const satisfies Partial<SetLogEntity>;

/** A row of a session as the computation knows it. */
export function sessionItem(row: SessionItemEntity): SessionItem {
  return {
    exerciseId: row.exerciseId,
    ...(row.technique === null ? {} : { technique: row.technique }),
    ...boutFields(row),
    firstSide: row.firstSide,
    ...(row.sidePattern === null ? {} : { sidePattern: row.sidePattern }),
    ...(row.link === null ? {} : { link: row.link }),
    ...(row.choice === null ? {} : { choice: row.choice }),
    ...row.more,
  };
}

/** What an item has beyond a plain bout; null for nothing. */
function moreOf({ name, breaths, trips, pace, loosen, then, middle }: SessionItem): MoreOfItem | null {
  const more = {
    ...(name !== undefined && { name }),
    ...(breaths !== undefined && { breaths }),
    ...(trips !== undefined && { trips }),
    ...(pace !== undefined && { pace }),
    ...(loosen !== undefined && { loosen }),
    ...(then !== undefined && { then }),
    ...(middle !== undefined && { middle }),
  };
  return Object.keys(more).length === 0 ? null : more;
}

/** The row of an item at a place of a session. */
export function itemRow(sessionId: string, item: SessionItem, place: number): Omit<SessionItemEntity, 'studioId'> {
  return {
    ...boutColumns(item),
    id: uuid(),
    sessionId,
    place,
    exerciseId: item.exerciseId,
    technique: item.technique ?? null,
    firstSide: item.firstSide,
    sidePattern: item.sidePattern ?? null,
    link: item.link ?? null,
    choice: item.choice ?? null,
    more: moreOf(item),
  };
}
