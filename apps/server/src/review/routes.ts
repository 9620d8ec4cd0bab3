import { decideReviewSchema, standingReviewSchema, whoseSchema } from '@yandle/contract/schemas';
import { Router } from 'express';
import { contextOf } from '../accounts/context.js';
import { planner } from '../blocks/routes.js';
import { pathId, validBody, validQuery } from '../http/validate.js';
import { decideReview, setStanding, studioReviews, weekReview } from './service.js';

export function reviewRoutes(): Router {
  const router = Router();
  router.get('/reviews', async (req, res) => {
    const { whose } = validQuery(whoseSchema, req.query);
    res.json(await studioReviews(contextOf(res).data, whose, planner(res)));
  });
  router.get('/clients/:id/review', async (req, res) => {
    res.json(await weekReview(contextOf(res).data, pathId(req.params.id, 'client'), planner(res)));
  });
  router.put('/clients/:id/review', async (req, res) => {
    const body = validBody(decideReviewSchema, req.body);
    res.json(await decideReview(contextOf(res).data, pathId(req.params.id, 'client'), body, planner(res)));
  });
  router.put('/clients/:id/review/standing', async (req, res) => {
    const { standing } = validBody(standingReviewSchema, req.body);
    await setStanding(contextOf(res).data, pathId(req.params.id, 'client'), standing);
    res.status(204).end();
  });
  return router;
}
