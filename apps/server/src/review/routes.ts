import { decideReviewSchema } from '@yandle/contract/schemas';
import { Router } from 'express';
import { contextOf } from '../accounts/context.js';
import type { Planner } from '../blocks/service.js';
import { pathId, validBody } from '../http/validate.js';
import { decideReview, weekReview } from './service.js';

export function reviewRoutes(): Router {
  const router = Router();
  const planner = (res: Parameters<typeof contextOf>[0]): Planner => {
    const { coach, studio, today } = contextOf(res);
    return { coachId: coach.id, timeZone: studio.timeZone, today };
  };
  router.get('/clients/:id/review', async (req, res) => {
    res.json(await weekReview(contextOf(res).data, pathId(req.params.id, 'client'), planner(res)));
  });
  router.put('/clients/:id/review', async (req, res) => {
    const body = validBody(decideReviewSchema, req.body);
    res.json(await decideReview(contextOf(res).data, pathId(req.params.id, 'client'), body, planner(res)));
  });
  return router;
}
