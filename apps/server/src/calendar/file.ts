import { addDays, buildTimeline, dayRoundWords, formatClock, muscleGroupName, type FindExercise } from '@yandle/core';
import ical, { ICalCalendarMethod, ICalEventStatus } from 'ical-generator';
import { In } from 'typeorm';
import { RetestEntity, BlockEntity } from '../blocks/entities.js';
import type { ClientEntity } from '../clients/entities.js';
import type { StudioData } from '../database/studio-data.js';
import { loadExercises } from '../exercises/library.js';
import { SessionEntity, SessionItemEntity } from '../sessions/entities.js';
import { sessionItem } from '../sessions/item.js';
import { timingsBy } from '../studio/settings.js';
import { summaries } from '../sessions/views.js';

const first = (name: string): string => name.split(' ')[0]!;

/** Whole days carry no zone: the date a coach sees is the date in every calendar. */
function dayOf(date: string): Date {
  return new Date(`${date}T00:00:00`);
}

function describe(items: readonly SessionItemEntity[], find: FindExercise): string {
  const lines = items.map(
    (i) =>
      `${find(i.exerciseId).name}: ${i.sets} × ${i.reps ?? i.holdSeconds} ${i.reps === null ? 's' : 'repetitions'}`,
  );
  return [...lines, 'Stop at sharp pain, numbness, pinching or dizziness.'].join('\n');
}

/**
 * Sessions and retests of a client's running blocks, and sessions of their own, as an iCalendar file (RFC 5545): whole days, one event each, with a stable UID, so that a
 * program that reads it again moves an event rather than doubling it. Names carry the first name only.
 */
export async function calendarFile(data: StudioData, client: ClientEntity): Promise<string> {
  const blocks = await data.find(BlockEntity, { clientId: client.id });
  const open = blocks.filter((p) => p.endedAt === null).map((p) => p.id);
  const all = await data.find(SessionEntity, { clientId: client.id }, { order: { date: 'ASC', id: 'ASC' } });
  const sessions = all.filter((s) => s.blockId === null || open.includes(s.blockId));
  const retests = open.length ? await data.find(RetestEntity, { blockId: In(open) }, { order: { date: 'ASC' } }) : [];
  const items = sessions.length
    ? await data.find(SessionItemEntity, { sessionId: In(sessions.map((s) => s.id)) }, { order: { place: 'ASC' } })
    : [];
  const status = new Map((await summaries(data, sessions)).map((s) => [s.id, s.status]));
  const { find } = await loadExercises(data);
  const calendar = ical({
    name: `Stretching, ${first(client.name)}`,
    method: ICalCalendarMethod.PUBLISH,
    prodId: { company: 'Yandle', product: 'Sessions', language: 'EN' },
    ttl: 60 * 60 * 6,
  });
  const timings = await timingsBy(data, client);
  for (const s of sessions) {
    const own = items.filter((i) => i.sessionId === s.id);
    const groups = [...new Set(own.map((i) => muscleGroupName(find(i.exerciseId).primary)))].join(', ');
    const { totalSeconds } = buildTimeline(own.map(sessionItem), s, timings(s), find);
    calendar.createEvent({
      id: `session-${s.id}@yandle`,
      start: dayOf(s.date),
      end: dayOf(addDays(s.date, 1)),
      allDay: true,
      summary: `${s.name ?? 'Stretching'}${s.dayRound ? `, ${dayRoundWords(s.dayRound)},` : ''} ${formatClock(totalSeconds)} min: ${groups}`,
      description: describe(own, find),
      status: status.get(s.id) === 'done' ? ICalEventStatus.CONFIRMED : ICalEventStatus.TENTATIVE,
    });
  }
  for (const r of retests)
    calendar.createEvent({
      id: `retest-${r.id}@yandle`,
      start: dayOf(r.date),
      end: dayOf(addDays(r.date, 1)),
      allDay: true,
      summary: r.week === 1 ? 'Measuring before the block' : `Measuring again, week ${r.week}`,
      description: 'Under the same conditions as the first time: same time of day, cold or warm as then.',
      status: ICalEventStatus.CONFIRMED,
    });
  return calendar.toString();
}
