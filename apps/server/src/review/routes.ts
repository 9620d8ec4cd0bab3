import { decideReviewSchema } from '@yandle/contract/schemas';
import { Router } from 'express';
import { contextOf } from '../accounts/context.js';
import { planner } from '../blocks/routes.js';
import { pathId, validBody } from '../http/validate.js';
import { decideReview, weekReview } from './service.js';

export function reviewRoutes(): Router {
  const router = Router();
  router.get('/clients/:id/review', async (req, res) => {
    res.json(await weekReview(contextOf(res).data, pathId(req.params.id, 'client'), planner(res)));
  });
  router.put('/clients/:id/review', async (req, res) => {
    const body = validBody(decideReviewSchema, req.body);
    res.json(await decideReview(contextOf(res).data, pathId(req.params.id, 'client'), body, planner(res)));
  });
  return router;
}
