import type { FillIn, IntakeBody } from '@yandle/contract';
import { intakeSchema } from '@yandle/contract/schemas';
import { ageOn, consentCounts } from '@yandle/core';
import { Router, type Request } from 'express';
import { IsNull, type DataSource } from 'typeorm';
import { contextOfToken, isOpen, makeLapsingLink } from '../accounts/client-link.js';
import { actorOf } from '../accounts/context.js';
import { ClientEntity } from '../clients/entities.js';
import type { Clock } from '../clock.js';
import type { StudioData } from '../database/studio-data.js';
import { HttpProblem } from '../http/problem.js';
import type { Limits } from '../limits/limit.js';
import { pathId, validBody } from '../http/validate.js';
import { IntakeEntity, IntakeLinkEntity } from './entities.js';
import { settingsOf } from '../studio/settings.js';
import { standingConsent } from './consent.js';
import { putIntake } from './service.js';

/** Days for which a link works. */
const LINK_DAYS = 14;

/** Makes a link for a client's intake; the one before stops working. */
export function makeIntakeLink(data: StudioData, clientId: string): ReturnType<typeof makeLapsingLink> {
  return makeLapsingLink(data, IntakeLinkEntity, clientId, LINK_DAYS, 'intake-link-made');
}

/** What a client without an account can do with a link: read who asks, and answer. */
export function fillInRoutes(source: DataSource, clock: Clock, limits: Limits): Router {
  const router = Router();

  /** @param again the answers that came by this link, sent again: they get the same answer */
  async function open(req: Request, again: string | null = null) {
    const at = await contextOfToken(source, clock, IntakeLinkEntity, req.params['token'], actorOf(req, null));
    if (!at || !isOpen(at.link, at.now))
      throw new HttpProblem('not-found', 'This link has ended. Ask your coach for a new one.');
    const { clientId, usedAt } = at.link;
    if (usedAt !== null && !(again && (await at.data.findOne(IntakeEntity, { id: again, clientId }))))
      throw new HttpProblem('not-found', 'Your answers have arrived. To change one, ask your coach for a new link.');
    return { ...at, client: await at.data.get(ClientEntity, clientId, 'client') };
  }

  // Guessing a token of 192 bits is hopeless; this keeps the noise away.
  router.use(
    '/fill-in',
    limits.of({ name: 'fill-in', most: 100, minutes: 15, detail: 'Too many requests from here. Wait 15 minutes.' }),
  );
  router.get('/fill-in/:token', async (req, res) => {
    const { client, studio, today, data } = await open(req);
    const age = ageOn(client.birthDate, today);
    const agreed = await standingConsent(data, client.id);
    const view: FillIn = {
      firstName: client.name.split(/\s+/)[0]!,
      studio: studio.name,
      units: settingsOf(studio).units,
      askedOn: today,
      age,
      consented: agreed !== null && consentCounts({ ...agreed, by: agreed.givenBy }, age),
    };
    res.json(view);
  });
  router.put('/fill-in/:token/:id', async (req, res) => {
    const id = pathId(req.params.id, 'answer');
    const { link, data, now, today } = await open(req, id);
    const body: IntakeBody = validBody(intakeSchema, req.body);
    await data.transaction(async (tx) => {
      await putIntake(tx, link.clientId, id, body, null, today);
      await tx.update(IntakeLinkEntity, { id: link.id, usedAt: IsNull() }, { usedAt: now });
    });
    res.json({});
  });
  return router;
}
