import { clearanceSchema, intakeSchema } from '@yandle/contract/schemas';
import { Router, type Response } from 'express';
import { currentOf } from '../accounts/current.js';
import { dateIn, type Clock } from '../clock.js';
import { pathId, validBody } from '../http/validate.js';
import { makeLink, revokeLinks } from './fill-in.js';
import { putClearance, putIntake, screeningView, withdrawClearance } from './service.js';

export function screeningRoutes(clock: Clock): Router {
  const router = Router();
  const today = (res: Response) => dateIn(currentOf(res).studio.timeZone, clock.now());
  const view = (res: Response, clientId: string) =>
    screeningView(currentOf(res).data, clientId, today(res), clock.now());

  router.get('/clients/:id/screening', async (req, res) => {
    res.json(await view(res, pathId(req.params.id, 'client')));
  });
  router.put('/clients/:id/intakes/:intakeId', async (req, res) => {
    const { data, coach } = currentOf(res);
    const clientId = pathId(req.params.id, 'client');
    const body = validBody(intakeSchema, req.body);
    await putIntake(data, clientId, pathId(req.params.intakeId, 'intake'), body, coach.id, today(res));
    res.json(await view(res, clientId));
  });
  router.put('/clients/:id/clearances/:clearanceId', async (req, res) => {
    const { data, coach } = currentOf(res);
    const clientId = pathId(req.params.id, 'client');
    const body = validBody(clearanceSchema, req.body);
    await putClearance(data, clientId, pathId(req.params.clearanceId, 'clearance'), body, coach.id, today(res));
    res.json(await view(res, clientId));
  });
  router.post('/clearances/:id/withdraw', async (req, res) => {
    const id = pathId(req.params.id, 'clearance');
    res.json(await view(res, await withdrawClearance(currentOf(res).data, id, clock.now(), today(res))));
  });
  router.post('/clients/:id/intake-link', async (req, res) => {
    const clientId = pathId(req.params.id, 'client');
    res.status(201).json(await makeLink(currentOf(res).data, clientId, clock.now()));
  });
  router.post('/clients/:id/intake-link/revoke', async (req, res) => {
    const clientId = pathId(req.params.id, 'client');
    await revokeLinks(currentOf(res).data, clientId, clock.now());
    res.json(await view(res, clientId));
  });
  return router;
}
