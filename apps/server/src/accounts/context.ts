import type { CoachRole } from '@yandle/contract';
import type { PlainDate } from '@yandle/core';
import type { Request, RequestHandler } from 'express';
import type { DataSource } from 'typeorm';
import type { Actor } from '../audit/actor.js';
import { dateIn, type Clock } from '../clock.js';
import { StudioData } from '../database/studio-data.js';
import { HttpProblem } from '../http/problem.js';
import type { CoachEntity, StudioEntity } from './entities.js';
import type { DatabaseSessionStore } from './session-store.js';

declare module 'express-session' {
  interface SessionData {
    coachId?: string;
    /** The browser that signed in, as a list of devices shows it. */
    device?: { readonly id: string; readonly agent: string; readonly address: string; readonly at: string };
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

/** Who a request is written down under. */
export function actorOf(req: Request, coachId: string | null): Actor {
  return { kind: coachId ? 'coach' : 'client', coachId, address: (req.ip ?? '').slice(0, 45) };
}

/** Lets nobody through who is not signed in. */
export function requireCoach(source: DataSource, store: DatabaseSessionStore, clock: Clock): RequestHandler {
  return (req, res, next) => {
    const refused = new HttpProblem('not-signed-in', 'You’ve been signed out. Sign in again; your entries are saved.');
    const coach = req.session?.coachId ? store.coachOf(req.sessionID) : null;
    if (!coach?.studio || coach.removedAt) throw refused;
    const moment = momentIn(coach.studio, clock);
    const data = new StudioData(source.manager, coach.studioId, moment.now, actorOf(req, coach.id));
    res.locals.context = { coach, studio: coach.studio, data, ...moment };
    next();
  };
}

const READS = new Set(['GET', 'HEAD', 'OPTIONS']);

/** A guest reads. Behind {@link requireCoach}. */
export const guestsRead: RequestHandler = (req, res, next) => {
  if (contextOf(res).coach.role === 'guest' && !READS.has(req.method))
    throw new HttpProblem(
      'not-allowed',
      'As a guest you can read everything here and change nothing. Ask the owner of the studio.',
    );
  next();
};

/** Lets these roles through. Behind {@link requireCoach}. */
export function requireRole(...roles: readonly CoachRole[]): RequestHandler {
  return (_req, res, next) => {
    if (!roles.includes(contextOf(res).coach.role))
      throw new HttpProblem(
        'not-allowed',
        `This is for ${roles.map((r) => `${r}s`).join(' and ')} of the studio. Ask the owner.`,
      );
    next();
  };
}

/** The sender of a request behind {@link requireCoach}. */
export function contextOf(res: { locals: { context?: RequestContext } }): RequestContext {
  if (!res.locals.context) throw new Error('contextOf() before requireCoach()');
  return res.locals.context;
}
