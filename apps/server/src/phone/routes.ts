import { decideLateSchema } from '@yandle/contract/schemas';
import { Router } from 'express';
import { contextOf } from '../accounts/context.js';
import { pathId, validBody } from '../http/validate.js';
import { decideLate, lateLogs } from './late.js';
import { endPhoneLink, makePhoneLink, phoneLinkOf } from './link.js';

/** A coach's side of a client's phone: its link, and what arrived late. */
export function phoneLinkRoutes(): Router {
  const router = Router();
  router.get('/clients/:id/phone-link', async (req, res) => {
    res.json(await phoneLinkOf(contextOf(res).data, pathId(req.params.id, 'client')));
  });
  router.post('/clients/:id/phone-link', async (req, res) => {
    res.status(201).json(await makePhoneLink(contextOf(res).data, pathId(req.params.id, 'client')));
  });
  router.post('/clients/:id/phone-link/revoke', async (req, res) => {
    await endPhoneLink(contextOf(res).data, pathId(req.params.id, 'client'));
    res.json({});
  });
  router.get('/clients/:id/late-logs', async (req, res) => {
    res.json(await lateLogs(contextOf(res).data, pathId(req.params.id, 'client')));
  });
  router.put('/clients/:id/late-logs/:runId', async (req, res) => {
    const decision = validBody(decideLateSchema, req.body);
    const [clientId, runId] = [pathId(req.params.id, 'client'), pathId(req.params.runId, 'run')];
    res.json(await decideLate(contextOf(res).data, clientId, runId, decision));
  });
  return router;
}
