import { daySchema, whoseSchema } from '@yandle/contract/schemas';
import { Router } from 'express';
import { contextOf } from '../accounts/context.js';
import { validQuery } from '../http/validate.js';
import { sessionsOfDay, todayOf } from './service.js';

export function todayRoutes(): Router {
  const router = Router();
  router.get('/today', async (req, res) => {
    const { data, coach, today } = contextOf(res);
    res.json(await todayOf(data, today, validQuery(whoseSchema, req.query).whose, coach.id));
  });
  router.get('/today/sessions', async (req, res) => {
    const { data, coach, today } = contextOf(res);
    const { whose, date } = validQuery(daySchema, req.query);
    res.json(await sessionsOfDay(data, date, whose, coach.id, today));
  });
  return router;
}
