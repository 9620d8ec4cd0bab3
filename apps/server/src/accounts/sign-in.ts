import type { SetupBody, SignInBody } from '@yandle/contract';
import type { Request } from 'express';
import type { DataSource, EntityManager } from 'typeorm';
import { v7 as uuid } from 'uuid';
import type { Clock } from '../clock.js';
import { withLease } from '../database/lease.js';
import { StudioData } from '../database/studio-data.js';
import { HttpProblem } from '../http/problem.js';
import { actorOf } from './context.js';
import { AuthSessionEntity, CoachEntity, StudioEntity } from './entities.js';
import { assertGoodPassword, hashPassword, verifyPassword } from './password.js';
import { stepOf, withoutCode } from './second-factor.js';

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
export async function startSession(req: Request, coachId: string, now: Date): Promise<void> {
  await done((callback) => req.session.regenerate(callback));
  req.session.coachId = coachId;
  req.session.device = {
    id: uuid(),
    agent: (req.get('user-agent') ?? '').slice(0, 200),
    address: (req.ip ?? '').slice(0, 45),
    at: now.toISOString(),
  };
  await done((callback) => req.session.save(callback));
}

export function endSession(req: Request): Promise<void> {
  return done((callback) => req.session.destroy(callback));
}

/** Signs a coach out on every device. */
export async function endAllSessions(source: DataSource, coachId: string): Promise<void> {
  await source.manager.delete(AuthSessionEntity, { coachId });
}

/** An address as it is stored and compared. */
export function plainEmail(email: string): string {
  return email.trim().normalize('NFC').toLowerCase();
}

/** A studio's data for somebody who is not, or not yet, signed in. */
export function dataOf(manager: EntityManager, coach: CoachEntity, req: Request, now: Date): StudioData {
  return new StudioData(manager, coach.studioId, now, actorOf(req, coach.id));
}

/** Creates the studio and its first coach, once: of two first visits at the same moment, on one node or two, one wins. */
export async function createStudio(source: DataSource, req: Request, body: SetupBody, now: Date): Promise<string> {
  const tooLate = new HttpProblem('already-set-up', 'This Yandle has its studio already. Sign in instead.');
  // Hashing is dear: nobody may make an open route do it for nothing.
  if ((await source.manager.count(StudioEntity)) > 0) throw tooLate;
  assertGoodPassword(body.password, [body.email, body.coachName, body.studioName]);
  const passwordHash = await hashPassword(body.password);
  return withLease(source, 'setup', () =>
    source.transaction(async (m) => {
      if ((await m.count(StudioEntity)) > 0) throw tooLate;
      const [studioId, coachId] = [uuid(), uuid()];
      await m.insert(StudioEntity, { id: studioId, name: body.studioName, timeZone: body.timeZone });
      await m.insert(CoachEntity, {
        id: coachId,
        studioId,
        name: body.coachName,
        email: plainEmail(body.email),
        passwordHash,
        role: 'owner',
      });
      await new StudioData(m, studioId, now, actorOf(req, coachId)).audit('studio-set-up');
      return coachId;
    }),
  );
}

/** Takes a code of the app, or a recovery code; each once. */
async function takeCode(tx: StudioData, coach: CoachEntity, code: string): Promise<boolean> {
  const step = stepOf(coach.totpSecret!, code, tx.now, coach.totpStep);
  if (step !== null) {
    await tx.update(CoachEntity, { id: coach.id }, { totpStep: step });
    return true;
  }
  const left = withoutCode(coach.recoveryCodes ?? [], code);
  if (!left) return false;
  await tx.update(CoachEntity, { id: coach.id }, { recoveryCodes: left });
  await tx.audit('recovery-code-used');
  return true;
}

/**
 * Who signs in with these words.
 * @throws HttpProblem `sign-in-refused`, `second-factor`
 */
export async function signIn(source: DataSource, clock: Clock, req: Request, body: SignInBody): Promise<CoachEntity> {
  const coach = await source.manager.findOneBy(CoachEntity, { email: plainEmail(body.email) });
  const right = await verifyPassword(coach?.passwordHash ?? null, body.password);
  if (!coach) throw new HttpProblem('sign-in-refused', 'Wrong email or password. Check both and try again.');
  const data = dataOf(source.manager, coach, req, clock.now());
  if (!right || coach.removedAt) {
    await data.audit('sign-in-refused');
    throw new HttpProblem('sign-in-refused', 'Wrong email or password. Check both and try again.');
  }
  if (coach.totpSecret) {
    if (body.code === undefined || body.code.trim() === '')
      throw new HttpProblem('second-factor', 'Enter the code of your authenticator app, or a recovery code.');
    const { code } = body;
    const taken = await data.transaction(async (tx) =>
      takeCode(tx, await tx.getLocked(CoachEntity, coach.id, 'coach'), code),
    );
    if (!taken) {
      await data.audit('sign-in-refused');
      throw new HttpProblem(
        'second-factor',
        'This code is wrong or has been used. Wait for the next one and enter it.',
      );
    }
  }
  await data.audit('signed-in');
  return coach;
}
