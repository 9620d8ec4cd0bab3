import type { GroupChoice, MuscleGroupId, PlainDate } from '@yandle/core';
import { dateIn } from '../clock.js';
import { groupBy } from '../database/group-by.js';
import type { StudioData } from '../database/studio-data.js';

const CHOICES = `SELECT b.client_id AS clientId, l.muscle_group AS muscleGroup, b.created_at AS createdAt, DATE_FORMAT(b.start_date, '%Y-%m-%d') AS startDate,
    DATE_FORMAT((SELECT MIN(s.date) FROM session s WHERE s.block_id = b.id), '%Y-%m-%d') AS firstSession
  FROM block b INNER JOIN revision r ON r.block_id = b.id AND r.number = 1 INNER JOIN lane l ON l.revision_id = r.id
  WHERE b.studio_id = {studio} AND b.client_id IN (:clientIds) ORDER BY b.start_date`;

/** Day on which the lanes of a block were chosen: one that was written down after it had begun was chosen before its first day. */
export function chosenOn(createdAt: Date | string, startDate: PlainDate, timeZone: string): PlainDate {
  const written = dateIn(timeZone, new Date(createdAt));
  return written < startDate ? written : startDate;
}

/** The lanes of all blocks of clients, earliest first, by client: they say which results had chosen a lane. */
export async function laneChoicesOf(
  data: StudioData,
  clientIds: readonly string[],
  timeZone: string,
): Promise<Map<string, GroupChoice[]>> {
  const rows = await data.read<{
    clientId: string;
    muscleGroup: MuscleGroupId;
    createdAt: Date | string;
    startDate: PlainDate;
    firstSession: PlainDate | null;
  }>(CHOICES, { clientIds });
  return new Map(
    [...groupBy(rows, (r) => r.clientId)].map(([id, own]) => [
      id,
      own.map(({ muscleGroup, createdAt, startDate, firstSession }) => ({
        group: muscleGroup,
        chosenOn: chosenOn(createdAt, startDate, timeZone),
        firstSession,
      })),
    ]),
  );
}

/** The same of one client. */
export async function laneChoices(data: StudioData, clientId: string, timeZone: string): Promise<GroupChoice[]> {
  return (await laneChoicesOf(data, [clientId], timeZone)).get(clientId) ?? [];
}
