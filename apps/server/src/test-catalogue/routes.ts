import {
  adoptErrorSchema,
  ownBatterySchema,
  ownTestSchema,
  readingHabitsQuerySchema,
  studySchema,
} from '@yandle/contract/schemas';
import { Router, type Response } from 'express';
import { contextOf } from '../accounts/context.js';
import { pathId, validBody, validQuery } from '../http/validate.js';
import { readingHabits } from './reading-habits.js';
import { adoptError, bookView, listStudies, putOwnBattery, putOwnTest, putStudy, withdrawError } from './service.js';

export function testCatalogueRoutes(): Router {
  const router = Router();
  const who = (res: Response) => {
    const { coach, studio } = contextOf(res);
    return { coachId: coach.id, timeZone: studio.timeZone };
  };

  router.get('/test-catalogue', async (_req, res) => {
    const { data, studio } = contextOf(res);
    res.json(await bookView(data, studio.timeZone));
  });
  router.put('/own-tests/:id', async (req, res) => {
    const body = validBody(ownTestSchema, req.body);
    res.json(await putOwnTest(contextOf(res).data, pathId(req.params.id, 'test'), body));
  });
  router.put('/own-batteries/:id', async (req, res) => {
    const body = validBody(ownBatterySchema, req.body);
    res.json(await putOwnBattery(contextOf(res).data, pathId(req.params.id, 'battery'), body));
  });
  router.get('/reading-habits', async (req, res) => {
    const { data, coach } = contextOf(res);
    const { testId } = validQuery(readingHabitsQuerySchema, req.query);
    res.json(await readingHabits(data, testId, coach.id));
  });
  router.get('/studies', async (_req, res) => {
    res.json(await listStudies(contextOf(res).data));
  });
  router.put('/studies/:id', async (req, res) => {
    const body = validBody(studySchema, req.body);
    res.json(await putStudy(contextOf(res).data, pathId(req.params.id, 'study'), body, who(res)));
  });
  router.post('/own-errors', async (req, res) => {
    res.status(201).json(await adoptError(contextOf(res).data, validBody(adoptErrorSchema, req.body), who(res)));
  });
  router.post('/own-errors/:id/withdraw', async (req, res) => {
    await withdrawError(contextOf(res).data, pathId(req.params.id, 'error'), who(res));
    res.status(204).end();
  });
  return router;
}
