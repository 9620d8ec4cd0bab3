import type { RequestHandler } from 'express';
import type { DataSource } from 'typeorm';
import { StudioData } from '../database/studio-data.js';
import { HttpProblem } from '../http/problem.js';
import { CoachEntity, StudioEntity } from './entities.js';

declare module 'express-session' {
  interface SessionData {
    coachId?: string;
  }
}

/** Who sends the request, and the one door to their studio's data. */
export interface Current {
  readonly coach: CoachEntity;
  readonly studio: StudioEntity;
  readonly data: StudioData;
}

declare module 'express-serve-static-core' {
  interface Locals {
    current?: Current;
  }
}

/** Lets nobody through who is not signed in. */
export function requireCoach(source: DataSource): RequestHandler {
  return async (req, res, next) => {
    const refused = new HttpProblem('not-signed-in', 'You’ve been signed out. Sign in again; your entries are saved.');
    const coachId = req.session?.coachId;
    if (!coachId) throw refused;
    // One query: with every request.
    const coach = await source.manager
      .createQueryBuilder(CoachEntity, 'c')
      .innerJoinAndSelect('c.studio', 's')
      .where('c.id = :coachId', { coachId })
      .getOne();
    if (!coach?.studio) throw refused;
    res.locals.current = { coach, studio: coach.studio, data: new StudioData(source.manager, coach.studioId) };
    next();
  };
}

/** The sender of a request behind {@link requireCoach}. */
export function currentOf(res: { locals: { current?: Current } }): Current {
  if (!res.locals.current) throw new Error('currentOf() before requireCoach()');
  return res.locals.current;
}
