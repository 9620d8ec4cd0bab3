import { whoseSchema } from '@yandle/contract/schemas';
import { Router } from 'express';
import { contextOf } from '../accounts/context.js';
import { validQuery } from '../http/validate.js';
import { todayOf } from './service.js';

export function todayRoutes(): Router {
  const router = Router();
  router.get('/today', async (req, res) => {
    const { data, coach, today } = contextOf(res);
    res.json(await todayOf(data, today, validQuery(whoseSchema, req.query).whose, coach.id));
  });
  return router;
}
