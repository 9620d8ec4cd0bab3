import { selfReportSchema, prioritiesSchema, goalSchema } from '@yandle/contract/schemas';
import { Router, type Response } from 'express';
import { currentOf } from '../accounts/current.js';
import { dateIn, type Clock } from '../clock.js';
import { pathId, validBody } from '../http/validate.js';
import { endGoal, prioritiesView, putSelfReport, putPriorities, putGoal } from './service.js';

export function prioritiesRoutes(clock: Clock): Router {
  const router = Router();
  const today = (res: Response) => dateIn(currentOf(res).studio.timeZone, clock.now());

  router.get('/clients/:id/priorities', async (req, res) => {
    res.json(await prioritiesView(currentOf(res).data, pathId(req.params.id, 'client')));
  });
  router.put('/clients/:id/priorities', async (req, res) => {
    const body = validBody(prioritiesSchema, req.body);
    res.json(await putPriorities(currentOf(res).data, pathId(req.params.id, 'client'), body));
  });
  router.put('/clients/:id/goals/:goalId', async (req, res) => {
    const body = validBody(goalSchema, req.body);
    const client = pathId(req.params.id, 'client');
    res.json(await putGoal(currentOf(res).data, client, pathId(req.params.goalId, 'goal'), body, today(res)));
  });
  router.post('/goals/:id/end', async (req, res) => {
    res.json(await endGoal(currentOf(res).data, pathId(req.params.id, 'goal'), today(res)));
  });
  router.put('/clients/:id/self-reports/:selfReportId', async (req, res) => {
    const body = validBody(selfReportSchema, req.body);
    const client = pathId(req.params.id, 'client');
    res.json(
      await putSelfReport(currentOf(res).data, client, pathId(req.params.selfReportId, 'entry'), body, today(res)),
    );
  });
  return router;
}
