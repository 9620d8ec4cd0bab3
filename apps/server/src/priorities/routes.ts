import { selfReportSchema, prioritiesSchema, goalSchema } from '@yandle/contract/schemas';
import { Router } from 'express';
import { contextOf } from '../accounts/context.js';
import { pathId, validBody } from '../http/validate.js';
import { endGoal, prioritiesView, putSelfReport, putPriorities, putGoal } from './service.js';

export function prioritiesRoutes(): Router {
  const router = Router();

  router.get('/clients/:id/priorities', async (req, res) => {
    res.json(await prioritiesView(contextOf(res).data, pathId(req.params.id, 'client')));
  });
  router.put('/clients/:id/priorities', async (req, res) => {
    const body = validBody(prioritiesSchema, req.body);
    res.json(await putPriorities(contextOf(res).data, pathId(req.params.id, 'client'), body));
  });
  router.put('/clients/:id/goals/:goalId', async (req, res) => {
    const body = validBody(goalSchema, req.body);
    const client = pathId(req.params.id, 'client');
    res.json(await putGoal(contextOf(res).data, client, pathId(req.params.goalId, 'goal'), body, contextOf(res).today));
  });
  router.post('/goals/:id/end', async (req, res) => {
    res.json(await endGoal(contextOf(res).data, pathId(req.params.id, 'goal'), contextOf(res).today));
  });
  router.put('/clients/:id/self-reports/:selfReportId', async (req, res) => {
    const body = validBody(selfReportSchema, req.body);
    const client = pathId(req.params.id, 'client');
    res.json(
      await putSelfReport(
        contextOf(res).data,
        client,
        pathId(req.params.selfReportId, 'entry'),
        body,
        contextOf(res).today,
      ),
    );
  });
  return router;
}
