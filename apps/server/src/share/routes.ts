import { decideLateSchema } from '@yandle/contract/schemas';
import { Router } from 'express';
import { currentOf } from '../accounts/current.js';
import type { Clock } from '../clock.js';
import { pathId, validBody } from '../http/validate.js';
import { decideLate, lateRuns } from './late.js';
import { makeShareLink, revokeShareLinks, shareLinkOf } from './link.js';

/** A coach's side of a client's phone: its link, and what arrived late. */
export function shareRoutes(clock: Clock): Router {
  const router = Router();
  router.get('/clients/:id/share-link', async (req, res) => {
    res.json(await shareLinkOf(currentOf(res).data, pathId(req.params.id, 'client'), clock.now()));
  });
  router.post('/clients/:id/share-link', async (req, res) => {
    res.status(201).json(await makeShareLink(currentOf(res).data, pathId(req.params.id, 'client'), clock.now()));
  });
  router.post('/clients/:id/share-link/revoke', async (req, res) => {
    await revokeShareLinks(currentOf(res).data, pathId(req.params.id, 'client'), clock.now());
    res.json({});
  });
  router.get('/clients/:id/late-runs', async (req, res) => {
    res.json(await lateRuns(currentOf(res).data, pathId(req.params.id, 'client')));
  });
  router.put('/clients/:id/late-runs/:runId', async (req, res) => {
    const { accept } = validBody(decideLateSchema, req.body);
    const [clientId, runId] = [pathId(req.params.id, 'client'), pathId(req.params.runId, 'run')];
    res.json(await decideLate(currentOf(res).data, clientId, runId, accept, clock.now()));
  });
  return router;
}
