import type { FavouriteBody, MyExercises } from '@yandle/contract';
import { FAVOURITES_MOST, RECENT_MOST } from '@yandle/contract';
import { addDays, type PlainDate } from '@yandle/core';
import { CoachEntity } from '../accounts/entities.js';
import type { StudioData } from '../database/studio-data.js';
import { HttpProblem, notFound } from '../http/problem.js';
import { loadExercises } from './library.js';

/** Sessions that are looked through for what is in use: the latest by date, up to a week ahead. */
const SESSIONS_BACK = 40;
const DAYS_AHEAD = 7;

const RECENT = `SELECT i.exercise_id AS exerciseId, MAX(s.date) AS latest FROM session_item i
    INNER JOIN (SELECT id, date FROM session WHERE studio_id = {studio} AND date <= :until ORDER BY date DESC, id LIMIT ${SESSIONS_BACK}) s ON s.id = i.session_id
  WHERE i.studio_id = {studio} GROUP BY i.exercise_id ORDER BY latest DESC, i.exercise_id LIMIT ${RECENT_MOST}`;

/** What a coach keeps at hand, and what the sessions of these days hold, the latest first. */
export async function myExercises(
  data: StudioData,
  coach: Pick<CoachEntity, 'favourites'>,
  today: PlainDate,
): Promise<MyExercises> {
  const rows = await data.read<{ exerciseId: string }>(RECENT, { until: addDays(today, DAYS_AHEAD) });
  return { favourites: coach.favourites ?? [], recent: rows.map((r) => r.exerciseId) };
}

/** Puts an exercise among a coach's favourites, or takes it out; twice is the same as once. */
export async function setFavourite(
  data: StudioData,
  coachId: string,
  exerciseId: string,
  { favourite }: FavouriteBody,
): Promise<readonly string[]> {
  return data.transaction(async (tx) => {
    const library = await loadExercises(tx);
    if (favourite && !library.has(exerciseId)) throw notFound('exercise');
    const coach = await tx.getLocked(CoachEntity, coachId, 'coach');
    const others = (coach.favourites ?? []).filter((id) => id !== exerciseId);
    if (favourite && others.length >= FAVOURITES_MOST)
      throw new HttpProblem('conflict', `${FAVOURITES_MOST} favourites is the most. Take one out first.`);
    const favourites = favourite ? [...others, exerciseId] : others;
    await tx.update(CoachEntity, { id: coachId }, { favourites });
    return favourites;
  });
}
