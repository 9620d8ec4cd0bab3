import type { PlainDate } from '@yandle/core';
import type { RequestHandler } from 'express';
import type { DataSource } from 'typeorm';
import { dateIn, type Clock } from '../clock.js';
import { StudioData } from '../database/studio-data.js';
import { HttpProblem } from '../http/problem.js';
import { CoachEntity, type StudioEntity } from './entities.js';

declare module 'express-session' {
  interface SessionData {
    coachId?: string;
  }
}

/** When a request is answered: one moment and one date for all that it does. */
export interface Moment {
  readonly now: Date;
  /** The date in the studio's time zone. */
  readonly today: PlainDate;
}

/** Who sends a request, when, and the one door to their studio's data. */
export interface RequestContext extends Moment {
  readonly coach: CoachEntity;
  readonly studio: StudioEntity;
  readonly data: StudioData;
}

declare module 'express-serve-static-core' {
  interface Locals {
    context?: RequestContext;
  }
}

/** The moment of a request to a studio. */
export function momentIn(studio: Pick<StudioEntity, 'timeZone'>, clock: Clock): Moment {
  const now = clock.now();
  return { now, today: dateIn(studio.timeZone, now) };
}

/** Lets nobody through who is not signed in. */
export function requireCoach(source: DataSource, clock: Clock): RequestHandler {
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
    const moment = momentIn(coach.studio, clock);
    const data = new StudioData(source.manager, coach.studioId, moment.now);
    res.locals.context = { coach, studio: coach.studio, data, ...moment };
    next();
  };
}

/** The sender of a request behind {@link requireCoach}. */
export function contextOf(res: { locals: { context?: RequestContext } }): RequestContext {
  if (!res.locals.context) throw new Error('contextOf() before requireCoach()');
  return res.locals.context;
}
