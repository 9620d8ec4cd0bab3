import type { FillIn, IntakeBody } from '@yandle/contract';
import { intakeSchema } from '@yandle/contract/schemas';
import { ageOn } from '@yandle/core';
import { Router } from 'express';
import { rateLimit } from 'express-rate-limit';
import { IsNull, MoreThan, type DataSource } from 'typeorm';
import { v7 as uuid } from 'uuid';
import { StudioEntity } from '../accounts/entities.js';
import { hashLinkToken, newLinkToken } from '../accounts/link-token.js';
import { ClientEntity } from '../clients/entities.js';
import { dateIn, type Clock } from '../clock.js';
import { StudioData } from '../database/studio-data.js';
import { HttpProblem } from '../http/problem.js';
import { pathId, validBody } from '../http/validate.js';
import { IntakeLinkEntity } from './entities.js';
import { putIntake } from './service.js';

/** Days for which a link works. */
const LINK_DAYS = 14;
/** Makes a link for a client; the one before stops working. Its token is given out here and never again. */
export async function makeLink(
  data: StudioData,
  clientId: string,
  now: Date,
): Promise<{ readonly token: string; readonly expiresAt: string }> {
  return data.transaction(async (tx) => {
    await tx.getLocked(ClientEntity, clientId, 'client');
    await revokeLinks(tx, clientId, now);
    const token = newLinkToken();
    const expiresAt = new Date(now.getTime() + LINK_DAYS * 24 * 60 * 60 * 1000);
    await tx.insert(IntakeLinkEntity, {
      id: uuid(),
      clientId,
      tokenHash: hashLinkToken(token),
      expiresAt,
      usedAt: null,
      revokedAt: null,
      createdAt: now,
    });
    return { token, expiresAt: expiresAt.toISOString() };
  });
}

/** Ends all links of a client. */
export async function revokeLinks(data: StudioData, clientId: string, now: Date): Promise<void> {
  await data.get(ClientEntity, clientId, 'client');
  await data.update(IntakeLinkEntity, { clientId, revokedAt: IsNull() }, { revokedAt: now });
}

/** What a client without an account can do with a link: read who asks, and answer. */
export function fillInRoutes(source: DataSource, clock: Clock): Router {
  const router = Router();

  async function open(token: unknown) {
    const row =
      typeof token === 'string' && token.length < 100
        ? await source.manager.findOne(IntakeLinkEntity, {
            where: { tokenHash: hashLinkToken(token), revokedAt: IsNull(), expiresAt: MoreThan(clock.now()) },
          })
        : null;
    if (!row) throw new HttpProblem('not-found', 'This link has ended. Ask your coach for a new one.');
    const data = new StudioData(source.manager, row.studioId);
    const client = await data.get(ClientEntity, row.clientId, 'client');
    const studio = await source.manager.findOneByOrFail(StudioEntity, { id: row.studioId });
    return { row, data, client, studio, today: dateIn(studio.timeZone, clock.now()) };
  }

  // Guessing a token of 192 bits is hopeless; this keeps the noise away.
  router.use(
    '/fill-in',
    rateLimit({
      windowMs: 15 * 60 * 1000,
      limit: 100,
      standardHeaders: 'draft-8',
      legacyHeaders: false,
      handler: () => {
        throw new HttpProblem('too-many-attempts', 'Too many requests from here. Wait a quarter of an hour.');
      },
    }),
  );
  router.get('/fill-in/:token', async (req, res) => {
    const { client, studio, today } = await open(req.params.token);
    const view: FillIn = {
      firstName: client.name.split(/\s+/)[0]!,
      studio: studio.name,
      askedOn: today,
      age: ageOn(client.birthDate, today),
    };
    res.json(view);
  });
  router.put('/fill-in/:token/:id', async (req, res) => {
    const { row, data, today } = await open(req.params.token);
    const body: IntakeBody = validBody(intakeSchema, req.body);
    await putIntake(data, row.clientId, pathId(req.params.id, 'answer'), body, null, today);
    await data.update(IntakeLinkEntity, { id: row.id }, { usedAt: clock.now() });
    res.json({});
  });
  return router;
}
