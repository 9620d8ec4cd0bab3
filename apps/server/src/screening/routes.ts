import { clearanceSchema, consentSchema, eraseAnswerSchema, intakeSchema } from '@yandle/contract/schemas';
import { Router, type Response } from 'express';
import { revokeLinks } from '../accounts/client-link.js';
import { contextOf } from '../accounts/context.js';
import { pathId, validBody } from '../http/validate.js';
import { IntakeLinkEntity } from './entities.js';
import { makeIntakeLink } from './fill-in.js';
import { eraseAnswers, putClearance, putIntake, recordConsent, screeningView, withdrawClearance } from './service.js';

export function screeningRoutes(): Router {
  const router = Router();
  const view = (res: Response, clientId: string) => screeningView(contextOf(res).data, clientId, contextOf(res).today);

  router.get('/clients/:id/screening', async (req, res) => {
    res.json(await view(res, pathId(req.params.id, 'client')));
  });
  router.put('/clients/:id/intakes/:intakeId', async (req, res) => {
    const { data, coach } = contextOf(res);
    const clientId = pathId(req.params.id, 'client');
    const body = validBody(intakeSchema, req.body);
    await putIntake(data, clientId, pathId(req.params.intakeId, 'intake'), body, coach.id, contextOf(res).today);
    res.json(await view(res, clientId));
  });
  router.put('/clients/:id/clearances/:clearanceId', async (req, res) => {
    const { data, coach } = contextOf(res);
    const clientId = pathId(req.params.id, 'client');
    const body = validBody(clearanceSchema, req.body);
    await putClearance(
      data,
      clientId,
      pathId(req.params.clearanceId, 'clearance'),
      body,
      coach.id,
      contextOf(res).today,
    );
    res.json(await view(res, clientId));
  });
  router.post('/clearances/:id/withdraw', async (req, res) => {
    const id = pathId(req.params.id, 'clearance');
    res.json(await view(res, await withdrawClearance(contextOf(res).data, id, contextOf(res).today)));
  });
  router.put('/clients/:id/consents/:consentId', async (req, res) => {
    const { data, coach, today } = contextOf(res);
    const clientId = pathId(req.params.id, 'client');
    const body = validBody(consentSchema, req.body);
    await recordConsent(data, clientId, pathId(req.params.consentId, 'consent'), body, coach.id, today);
    res.json(await view(res, clientId));
  });
  router.post('/clients/:id/consent/withdraw', async (req, res) => {
    const clientId = pathId(req.params.id, 'client');
    await eraseAnswers(contextOf(res).data, clientId, 'consent', contextOf(res).today);
    res.json(await view(res, clientId));
  });
  router.post('/clients/:id/answers/erase', async (req, res) => {
    const clientId = pathId(req.params.id, 'client');
    const { question } = validBody(eraseAnswerSchema, req.body);
    await eraseAnswers(contextOf(res).data, clientId, question, contextOf(res).today);
    res.json(await view(res, clientId));
  });
  router.post('/clients/:id/intake-link', async (req, res) => {
    const clientId = pathId(req.params.id, 'client');
    res.status(201).json(await makeIntakeLink(contextOf(res).data, clientId));
  });
  router.post('/clients/:id/intake-link/revoke', async (req, res) => {
    const clientId = pathId(req.params.id, 'client');
    await revokeLinks(contextOf(res).data, IntakeLinkEntity, clientId);
    res.json(await view(res, clientId));
  });
  return router;
}
