import { checkInSchema, seeAwaySchema } from '@yandle/contract/schemas';
import { Router } from 'express';
import { contextOf } from '../accounts/context.js';
import { planner } from '../blocks/routes.js';
import { pathId, validBody } from '../http/validate.js';
import { listCheckIns, putCheckIn, seeAway } from './service.js';

export function checkInRoutes(): Router {
  const router = Router();
  router.get('/clients/:id/check-ins', async (req, res) => {
    const { data, today } = contextOf(res);
    res.json(await listCheckIns(data, pathId(req.params.id, 'client'), today));
  });
  router.put('/clients/:id/check-ins/:checkInId', async (req, res) => {
    const { data, today } = contextOf(res);
    const body = validBody(checkInSchema, req.body);
    const [client, id] = [pathId(req.params.id, 'client'), pathId(req.params.checkInId, 'entry')];
    res.json(await putCheckIn(data, client, id, body, today));
  });
  router.put('/clients/:id/check-ins/:checkInId/away', async (req, res) => {
    const { plan } = validBody(seeAwaySchema, req.body);
    const [client, id] = [pathId(req.params.id, 'client'), pathId(req.params.checkInId, 'entry')];
    res.json(await seeAway(contextOf(res).data, client, id, plan, planner(res)));
  });
  return router;
}
