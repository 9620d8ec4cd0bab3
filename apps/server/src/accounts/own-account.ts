import type { Account, ConfirmFactorBody, OfferedFactor, RecoveryCodes } from '@yandle/contract';
import { changePasswordSchema, confirmFactorSchema, removeFactorSchema } from '@yandle/contract/schemas';
import { Router, type Response } from 'express';
import { MoreThan, Not, type DataSource } from 'typeorm';
import type { StudioData } from '../database/studio-data.js';
import { HttpProblem, invalidField, notFound } from '../http/problem.js';
import { pathId, validBody } from '../http/validate.js';
import type { Limits } from '../limits/limit.js';
import { contextOf } from './context.js';
import { AuthSessionEntity, CoachEntity } from './entities.js';
import { nerveGlideRoutes } from './nerve-glides.js';
import { assertGoodPassword, hashPassword, verifyPassword } from './password.js';
import { newRecoveryCodes, newSecret, offer, stepOf } from './second-factor.js';
import { hashOfSid } from './session-store.js';
import { startSession } from './sign-in.js';

const NO_FACTOR = { totpSecret: null, totpOffered: null, totpStep: null, recoveryCodes: null } as const;

/** A secret that was offered becomes the second factor once a code of it was given. */
async function confirmFactor(data: StudioData, coachId: string, body: ConfirmFactorBody): Promise<RecoveryCodes> {
  return data.transaction(async (tx) => {
    const coach = await tx.getLocked(CoachEntity, coachId, 'coach');
    if (!coach.totpOffered) throw new HttpProblem('conflict', 'Set the app up first: scan the picture once more.');
    const step = stepOf(coach.totpOffered, body.code, tx.now, null);
    if (step === null)
      throw invalidField('code', 'This is not the code that the app shows now. Check the clock of the phone.');
    const { codes, hashes } = newRecoveryCodes();
    await tx.update(
      CoachEntity,
      { id: coachId },
      { totpSecret: coach.totpOffered, totpOffered: null, totpStep: step, recoveryCodes: hashes },
    );
    await tx.audit('second-factor-on');
    return { codes };
  });
}

/** A coach's own account: password, devices, second factor. A guest has one too. */
export function ownAccountRoutes(source: DataSource, limits: Limits): Router {
  const router = Router();
  const me = (res: Response) => contextOf(res).coach;
  const sessions = source.getRepository(AuthSessionEntity);
  /** Passwords are asked again here: nobody may guess them at an open desk. */
  const guard = limits.of({
    name: 'own-account',
    most: 10,
    minutes: 15,
    failuresOnly: true,
    detail: 'Too many wrong passwords. Wait 15 minutes.',
  });

  async function assertPassword(res: Response, password: string, field: string): Promise<void> {
    if (!(await verifyPassword(me(res).passwordHash, password)))
      throw invalidField(field, 'This is not your password. Check it and try again.');
  }

  router.get('/account', async (req, res) => {
    const coach = me(res);
    const rows = await sessions.find({
      where: { coachId: coach.id, expiresAt: MoreThan(contextOf(res).now) },
      order: { signedInAt: 'DESC' },
    });
    const account: Account = {
      email: coach.email ?? '',
      secondFactor: coach.totpSecret !== null,
      recoveryCodesLeft: coach.recoveryCodes?.length ?? 0,
      standIn:
        coach.standInId !== null && coach.standInUntil !== null && coach.standInUntil >= contextOf(res).today
          ? { standInId: coach.standInId, until: coach.standInUntil }
          : null,
      nerveGlides:
        coach.glidesLicence !== null && coach.glidesSince !== null
          ? { licence: coach.glidesLicence, since: coach.glidesSince }
          : null,
      devices: rows.map((r) => ({
        id: r.id ?? '',
        agent: r.agent,
        address: r.address,
        signedInAt: r.signedInAt?.toISOString() ?? null,
        current: r.sidHash === hashOfSid(req.sessionID),
      })),
    };
    res.json(account);
  });

  router.put('/account/password', guard, async (req, res) => {
    const { data, coach, now } = contextOf(res);
    const body = validBody(changePasswordSchema, req.body);
    await assertPassword(res, body.current, 'current');
    assertGoodPassword(body.password, [coach.email ?? '', coach.name]);
    const passwordHash = await hashPassword(body.password);
    await data.transaction(async (tx) => {
      await tx.update(CoachEntity, { id: coach.id }, { passwordHash });
      await tx.audit('password-changed');
    });
    // Whoever knew the old one is out, on every device; this one goes on.
    await sessions.delete({ coachId: coach.id });
    await startSession(req, coach.id, now);
    res.json({});
  });

  router.delete('/account/devices/:id', async (req, res) => {
    const { data, coach } = contextOf(res);
    const { affected } = await sessions.delete({ coachId: coach.id, id: pathId(req.params.id, 'device') });
    if (!affected) throw notFound('device');
    await data.audit('device-signed-out');
    res.json({});
  });
  router.post('/account/sign-out-others', async (req, res) => {
    const { data, coach } = contextOf(res);
    await sessions.delete({ coachId: coach.id, sidHash: Not(hashOfSid(req.sessionID)) });
    await data.audit('signed-out-everywhere');
    res.json({});
  });

  router.post('/account/second-factor', async (_req, res) => {
    const { data, coach } = contextOf(res);
    if (coach.totpSecret) throw new HttpProblem('conflict', 'A second factor is on already. Turn it off first.');
    const secret = newSecret();
    await data.update(CoachEntity, { id: coach.id }, { totpOffered: secret });
    const offered: OfferedFactor = offer(secret, coach.email ?? '');
    res.status(201).json(offered);
  });
  router.post('/account/second-factor/confirm', guard, async (req, res) => {
    const { data, coach } = contextOf(res);
    res.json(await confirmFactor(data, coach.id, validBody(confirmFactorSchema, req.body)));
  });
  router.post('/account/second-factor/off', guard, async (req, res) => {
    const { data, coach } = contextOf(res);
    const { password } = validBody(removeFactorSchema, req.body);
    await assertPassword(res, password, 'password');
    await data.transaction(async (tx) => {
      await tx.update(CoachEntity, { id: coach.id }, NO_FACTOR);
      await tx.audit('second-factor-off');
    });
    res.json({});
  });
  router.use(nerveGlideRoutes());
  return router;
}
