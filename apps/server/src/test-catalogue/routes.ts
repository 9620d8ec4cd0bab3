import { adoptErrorSchema, ownBatterySchema, ownTestSchema, studySchema } from '@yandle/contract/schemas';
import { Router, type Response } from 'express';
import { currentOf } from '../accounts/current.js';
import type { Clock } from '../clock.js';
import { pathId, validBody } from '../http/validate.js';
import { adoptError, bookView, listStudies, putOwnBattery, putOwnTest, putStudy, withdrawError } from './service.js';

export function testCatalogueRoutes(clock: Clock): Router {
  const router = Router();
  const who = (res: Response) => {
    const { coach, studio } = currentOf(res);
    return { coachId: coach.id, timeZone: studio.timeZone, now: clock.now() };
  };

  router.get('/test-catalogue', async (_req, res) => {
    const { data, studio } = currentOf(res);
    res.json(await bookView(data, studio.timeZone));
  });
  router.put('/own-tests/:id', async (req, res) => {
    const body = validBody(ownTestSchema, req.body);
    res.json(await putOwnTest(currentOf(res).data, pathId(req.params.id, 'test'), body, clock.now()));
  });
  router.put('/own-batteries/:id', async (req, res) => {
    const body = validBody(ownBatterySchema, req.body);
    res.json(await putOwnBattery(currentOf(res).data, pathId(req.params.id, 'battery'), body, clock.now()));
  });
  router.get('/studies', async (_req, res) => {
    res.json(await listStudies(currentOf(res).data));
  });
  router.put('/studies/:id', async (req, res) => {
    const body = validBody(studySchema, req.body);
    res.json(await putStudy(currentOf(res).data, pathId(req.params.id, 'study'), body, who(res)));
  });
  router.post('/own-errors', async (req, res) => {
    res.status(201).json(await adoptError(currentOf(res).data, validBody(adoptErrorSchema, req.body), who(res)));
  });
  router.post('/own-errors/:id/withdraw', async (req, res) => {
    await withdrawError(currentOf(res).data, pathId(req.params.id, 'error'), who(res));
    res.status(204).end();
  });
  return router;
}
