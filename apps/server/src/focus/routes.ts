import { feltSchema, focusSchema, goalSchema } from '@yandle/contract/schemas';
import { Router, type Response } from 'express';
import { currentOf } from '../accounts/current.js';
import { dateIn, type Clock } from '../clock.js';
import { pathId, validBody } from '../http/validate.js';
import { endGoal, focusView, putFelt, putFocus, putGoal } from './service.js';

export function focusRoutes(clock: Clock): Router {
  const router = Router();
  const today = (res: Response) => dateIn(currentOf(res).studio.timeZone, clock.now());

  router.get('/clients/:id/focus', async (req, res) => {
    res.json(await focusView(currentOf(res).data, pathId(req.params.id, 'client')));
  });
  router.put('/clients/:id/focus', async (req, res) => {
    const body = validBody(focusSchema, req.body);
    res.json(await putFocus(currentOf(res).data, pathId(req.params.id, 'client'), body));
  });
  router.put('/clients/:id/goals/:goalId', async (req, res) => {
    const body = validBody(goalSchema, req.body);
    const client = pathId(req.params.id, 'client');
    res.json(await putGoal(currentOf(res).data, client, pathId(req.params.goalId, 'goal'), body, today(res)));
  });
  router.post('/goals/:id/end', async (req, res) => {
    res.json(await endGoal(currentOf(res).data, pathId(req.params.id, 'goal'), today(res)));
  });
  router.put('/clients/:id/felt/:feltId', async (req, res) => {
    const body = validBody(feltSchema, req.body);
    const client = pathId(req.params.id, 'client');
    res.json(await putFelt(currentOf(res).data, client, pathId(req.params.feltId, 'entry'), body, today(res)));
  });
  return router;
}
