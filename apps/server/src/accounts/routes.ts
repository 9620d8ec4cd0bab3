import type { JoinView, Me, ResetView } from '@yandle/contract';
import { joinSchema, resetSchema, setupSchema, signInSchema } from '@yandle/contract/schemas';
import { Router, type Request } from 'express';
import { IsNull, type DataSource } from 'typeorm';
import { v7 as uuid } from 'uuid';
import type { Clock } from '../clock.js';
import { withRetries } from '../database/retry.js';
import { invalidField } from '../http/problem.js';
import { validBody } from '../http/validate.js';
import { addressOf, type Limits } from '../limits/limit.js';
import { settingsOf } from '../studio/settings.js';
import { accountLink } from './account-link.js';
import { contextOf, requireCoach } from './context.js';
import { AccountLinkEntity, AuthSessionEntity, CoachEntity, StudioEntity } from './entities.js';
import { assertGoodPassword, hashPassword } from './password.js';
import type { DatabaseSessionStore } from './session-store.js';
import { createStudio, dataOf, endSession, plainEmail, signIn, startSession } from './sign-in.js';

/** Minutes for which failures are counted. */
const WINDOW = 15;
const WAIT = `Wait ${WINDOW} minutes, or ask the owner of the studio for a link.`;

function emailOf(req: Request): string {
  const email: unknown = (req.body as { email?: unknown } | null | undefined)?.email;
  return typeof email === 'string' ? plainEmail(email.slice(0, 254)) : '';
}

/**
 * Guessing is slowed down by account and address together: a coach who mistypes locks out neither the colleagues behind the same address, nor
 * can a stranger lock out a coach where they have signed in before.
 */
function signInLimits(source: DataSource, limits: Limits) {
  const knownHere = async (req: Request): Promise<boolean> =>
    source.manager
      .createQueryBuilder(AuthSessionEntity, 's')
      .innerJoin('s.coach', 'c', 'c.email = :email', { email: emailOf(req) })
      .where('s.address = :address', { address: req.ip ?? '' })
      .getExists();
  return [
    limits.of({
      name: 'sign-in-account',
      most: 10,
      minutes: WINDOW,
      failuresOnly: true,
      key: (req) => `${emailOf(req)}|${addressOf(req)}`,
      detail: `Too many failed sign-ins to this account from here. ${WAIT}`,
    }),
    limits.of({
      name: 'sign-in-address',
      most: 100,
      minutes: WINDOW,
      failuresOnly: true,
      detail: `Too many failed sign-ins from here. ${WAIT}`,
    }),
    limits.of({
      name: 'sign-in-guessed',
      most: 50,
      minutes: WINDOW,
      failuresOnly: true,
      key: emailOf,
      skip: knownHere,
      detail: `Too many failed sign-ins to this account. ${WAIT}`,
    }),
  ];
}

/** First visit, sign-in, sign-out, who am I; and the links by which somebody comes in, or back in. */
export function accountRoutes(source: DataSource, store: DatabaseSessionStore, clock: Clock, limits: Limits): Router {
  const router = Router();

  router.post('/setup', async (req, res) => {
    const now = clock.now();
    const coachId = await createStudio(source, req, validBody(setupSchema, req.body), now);
    await startSession(req, coachId, now);
    res.status(201).json({});
  });

  router.post('/sign-in', ...signInLimits(source, limits), async (req, res) => {
    const coach = await signIn(source, clock, req, validBody(signInSchema, req.body));
    await startSession(req, coach.id, clock.now());
    res.json({});
  });

  router.post('/sign-out', async (req, res) => {
    await endSession(req);
    res.clearCookie('yandle').json({});
  });

  const linkLimit = limits.of({
    name: 'account-link',
    most: 100,
    minutes: WINDOW,
    detail: 'Too many requests from here. Wait 15 minutes.',
  });
  router.get('/join/:token', linkLimit, async (req, res) => {
    const link = await accountLink(source, 'invitation', req.params.token, clock.now());
    const studio = await source.manager.findOneByOrFail(StudioEntity, { id: link.studioId });
    const view: JoinView = { studio: studio.name, role: link.role! };
    res.json(view);
  });
  router.post('/join/:token', linkLimit, async (req, res) => {
    const now = clock.now();
    await accountLink(source, 'invitation', req.params.token, now);
    const body = validBody(joinSchema, req.body);
    assertGoodPassword(body.password, [body.email, body.name]);
    const passwordHash = await hashPassword(body.password);
    const coach = await withRetries(() =>
      source.transaction('READ COMMITTED', async (m) => {
        const link = await accountLink(m, 'invitation', req.params.token, now, { lock: true });
        const email = plainEmail(body.email);
        // Whose address it is, nobody learns: of this studio or of another.
        if (await m.existsBy(CoachEntity, { email }))
          throw invalidField('email', 'This address can’t be used here. Enter another one.');
        const id = uuid();
        await m.insert(CoachEntity, {
          id,
          studioId: link.studioId,
          name: body.name,
          email,
          passwordHash,
          role: link.role!,
        });
        await m.update(AccountLinkEntity, { id: link.id }, { usedAt: now });
        const made = await m.findOneByOrFail(CoachEntity, { id });
        await dataOf(m, made, req, now).audit('coach-joined', { subject: made.role });
        return made;
      }),
    );
    await startSession(req, coach.id, now);
    res.status(201).json({});
  });

  router.get('/reset/:token', linkLimit, async (req, res) => {
    const link = await accountLink(source, 'reset', req.params.token, clock.now());
    const coach = await source.manager.findOneByOrFail(CoachEntity, { id: link.coachId! });
    const studio = await source.manager.findOneByOrFail(StudioEntity, { id: link.studioId });
    const view: ResetView = { name: coach.name, studio: studio.name };
    res.json(view);
  });
  router.post('/reset/:token', linkLimit, async (req, res) => {
    const now = clock.now();
    const { coachId } = await accountLink(source, 'reset', req.params.token, now);
    const { password } = validBody(resetSchema, req.body);
    const coach = await source.manager.findOneByOrFail(CoachEntity, { id: coachId! });
    assertGoodPassword(password, [coach.email ?? '', coach.name]);
    const passwordHash = await hashPassword(password);
    await withRetries(() =>
      source.transaction('READ COMMITTED', async (m) => {
        const link = await accountLink(m, 'reset', req.params.token, now, { lock: true });
        // Who lost the password may have lost the app too: the owner vouches for them. All other devices are out.
        await m.update(
          CoachEntity,
          { id: coach.id, removedAt: IsNull() },
          { passwordHash, totpSecret: null, totpOffered: null, totpStep: null, recoveryCodes: null },
        );
        await m.delete(AuthSessionEntity, { coachId: coach.id });
        await m.update(AccountLinkEntity, { id: link.id }, { usedAt: now });
        await dataOf(m, coach, req, now).audit('password-reset');
      }),
    );
    await startSession(req, coach.id, now);
    res.json({});
  });

  router.get('/me', requireCoach(source, store, clock), async (_req, res) => {
    const { coach, studio, today, data } = contextOf(res);
    const coaches = await data.find(CoachEntity, {}, { order: { name: 'ASC' } });
    const me: Me = {
      coach: { id: coach.id, name: coach.name, email: coach.email ?? '', role: coach.role },
      studio: { id: studio.id, name: studio.name, timeZone: studio.timeZone, settings: settingsOf(studio) },
      coaches: coaches.filter((c) => !c.removedAt).map((c) => ({ id: c.id, name: c.name })),
      standingInFor: coaches
        .filter((c) => c.standInId === coach.id && c.standInUntil !== null && c.standInUntil >= today)
        .map((c) => c.id),
      today,
    };
    res.json(me);
  });

  return router;
}
