import type { GroupChoice, MuscleGroupId, PlainDate } from '@yandle/core';
import { dateIn } from '../clock.js';
import type { StudioData } from '../database/studio-data.js';

const CHOICES = `SELECT l.muscle_group AS muscleGroup, b.created_at AS createdAt, DATE_FORMAT(b.start_date, '%Y-%m-%d') AS startDate,
    DATE_FORMAT((SELECT MIN(s.date) FROM session s WHERE s.block_id = b.id), '%Y-%m-%d') AS firstSession
  FROM block b INNER JOIN revision r ON r.block_id = b.id AND r.number = 1 INNER JOIN lane l ON l.revision_id = r.id
  WHERE b.studio_id = {studio} AND b.client_id = :clientId ORDER BY b.start_date`;

/** The lanes of all blocks of a client, earliest first: they say which results had chosen a lane. */
export async function laneChoices(data: StudioData, clientId: string, timeZone: string): Promise<GroupChoice[]> {
  const rows = await data.read<{
    muscleGroup: MuscleGroupId;
    createdAt: Date | string;
    startDate: PlainDate;
    firstSession: PlainDate | null;
  }>(CHOICES, { clientId });
  return rows.map(({ muscleGroup, createdAt, startDate, firstSession }) => {
    const written = dateIn(timeZone, new Date(createdAt));
    // A block that was written down after it had begun was chosen before its first day.
    return { group: muscleGroup, chosenOn: written < startDate ? written : startDate, firstSession };
  });
}
