import { decideLateSchema } from '@yandle/contract/schemas';
import { Router } from 'express';
import { currentOf } from '../accounts/current.js';
import type { Clock } from '../clock.js';
import { pathId, validBody } from '../http/validate.js';
import { decideLate, lateLogs } from './late.js';
import { makePhoneLink, revokePhoneLinks, phoneLinkOf } from './link.js';

/** A coach's side of a client's phone: its link, and what arrived late. */
export function phoneLinkRoutes(clock: Clock): Router {
  const router = Router();
  router.get('/clients/:id/phone-link', async (req, res) => {
    res.json(await phoneLinkOf(currentOf(res).data, pathId(req.params.id, 'client'), clock.now()));
  });
  router.post('/clients/:id/phone-link', async (req, res) => {
    res.status(201).json(await makePhoneLink(currentOf(res).data, pathId(req.params.id, 'client'), clock.now()));
  });
  router.post('/clients/:id/phone-link/revoke', async (req, res) => {
    await revokePhoneLinks(currentOf(res).data, pathId(req.params.id, 'client'), clock.now());
    res.json({});
  });
  router.get('/clients/:id/late-logs', async (req, res) => {
    res.json(await lateLogs(currentOf(res).data, pathId(req.params.id, 'client')));
  });
  router.put('/clients/:id/late-logs/:runId', async (req, res) => {
    const { accept } = validBody(decideLateSchema, req.body);
    const [clientId, runId] = [pathId(req.params.id, 'client'), pathId(req.params.runId, 'run')];
    res.json(await decideLate(currentOf(res).data, clientId, runId, accept, clock.now()));
  });
  return router;
}
