import type { Me, SetupBody } from '@yandle/contract';
import { setupSchema, signInSchema } from '@yandle/contract/schemas';
import { Router, type Request, type RequestHandler } from 'express';
import { rateLimit } from 'express-rate-limit';
import type { DataSource } from 'typeorm';
import { v7 as uuid } from 'uuid';
import type { Clock } from '../clock.js';
import { HttpProblem } from '../http/problem.js';
import { validBody } from '../http/validate.js';
import { contextOf, requireCoach } from './context.js';
import { CoachEntity, StudioEntity } from './entities.js';
import { hashPassword, verifyPassword } from './password.js';

/** Waits for a callback of the session library. */
function done(start: (callback: (err: unknown) => void) => void): Promise<void> {
  return new Promise((resolve, reject) =>
    start((err) => {
      if (!err) resolve();
      else reject(err instanceof Error ? err : new Error(JSON.stringify(err)));
    }),
  );
}

/** A new session id at every change of who is signed in, so that no planted cookie survives it. */
async function startSession(req: Request, coachId: string): Promise<void> {
  await done((callback) => req.session.regenerate(callback));
  req.session.coachId = coachId;
  await done((callback) => req.session.save(callback));
}

function endSession(req: Request): Promise<void> {
  return done((callback) => req.session.destroy(callback));
}

/** Ten failed sign-ins in a quarter of an hour from one address, then a wait. */
function signInLimit(): RequestHandler {
  return rateLimit({
    windowMs: 15 * 60 * 1000,
    limit: 10,
    skipSuccessfulRequests: true,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    handler: () => {
      throw new HttpProblem('too-many-attempts', 'Too many failed sign-ins from here. Wait 15 minutes.');
    },
  });
}

/** Creates the studio and its first coach, once: of two first visits at the same moment the lock lets one win. */
async function createStudio(source: DataSource, body: SetupBody): Promise<string> {
  const tooLate = new HttpProblem('already-set-up', 'This Yandle has its studio already. Sign in instead.');
  // Hashing is dear: nobody may make an open route do it for nothing.
  if ((await source.manager.count(StudioEntity)) > 0) throw tooLate;
  const passwordHash = await hashPassword(body.password);
  const runner = source.createQueryRunner();
  await runner.connect();
  try {
    await runner.query("SELECT GET_LOCK('yandle-setup', 10)");
    await runner.startTransaction();
    if ((await runner.manager.count(StudioEntity)) > 0) throw tooLate;
    const studioId = uuid();
    const coachId = uuid();
    await runner.manager.insert(StudioEntity, { id: studioId, name: body.studioName, timeZone: body.timeZone });
    await runner.manager.insert(CoachEntity, {
      id: coachId,
      studioId,
      name: body.coachName,
      email: body.email.toLowerCase(),
      passwordHash,
    });
    await runner.commitTransaction();
    return coachId;
  } catch (err) {
    if (runner.isTransactionActive) await runner.rollbackTransaction();
    throw err;
  } finally {
    await runner.query("SELECT RELEASE_LOCK('yandle-setup')").catch(() => undefined);
    await runner.release();
  }
}

/** First visit, sign-in, sign-out, who am I. */
export function accountRoutes(source: DataSource, clock: Clock): Router {
  const router = Router();

  router.post('/setup', async (req, res) => {
    const coachId = await createStudio(source, validBody(setupSchema, req.body));
    await startSession(req, coachId);
    res.status(201).json({});
  });

  router.post('/sign-in', signInLimit(), async (req, res) => {
    const body = validBody(signInSchema, req.body);
    const coach = await source.manager.findOneBy(CoachEntity, { email: body.email.trim().toLowerCase() });
    if (!(await verifyPassword(coach?.passwordHash ?? null, body.password)) || !coach)
      throw new HttpProblem('sign-in-refused', 'Wrong email or password. Check both and try again.');
    await startSession(req, coach.id);
    res.json({});
  });

  router.post('/sign-out', async (req, res) => {
    await endSession(req);
    res.clearCookie('yandle').json({});
  });

  router.get('/me', requireCoach(source, clock), async (_req, res) => {
    const { coach, studio, today } = contextOf(res);
    const coaches = await source.manager.find(CoachEntity, { where: { studioId: studio.id }, order: { name: 'ASC' } });
    const me: Me = {
      coach: { id: coach.id, name: coach.name, email: coach.email },
      studio: { id: studio.id, name: studio.name, timeZone: studio.timeZone },
      coaches: coaches.map((c) => ({ id: c.id, name: c.name })),
      today,
    };
    res.json(me);
  });

  return router;
}
