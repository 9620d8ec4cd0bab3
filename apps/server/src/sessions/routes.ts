import {
  clearSymptomSchema,
  finishRunSchema,
  setLogSchema,
  startRunSchema,
  symptomSchema,
} from '@yandle/contract/schemas';
import { Router } from 'express';
import { currentOf } from '../accounts/current.js';
import type { Clock } from '../clock.js';
import { pathId, validBody } from '../http/validate.js';
import { clearSymptom, finishRun, listSessions, putSet, putSymptom, startRun } from './service.js';
import { sessionView } from './views.js';

export function sessionRoutes(clock: Clock): Router {
  const router = Router();

  router.get('/clients/:id/sessions', async (req, res) => {
    res.json(await listSessions(currentOf(res).data, pathId(req.params.id, 'client')));
  });
  router.get('/sessions/:id', async (req, res) => {
    res.json(await sessionView(currentOf(res).data, pathId(req.params.id, 'session')));
  });
  router.post('/sessions/:id/runs', async (req, res) => {
    const body = validBody(startRunSchema, req.body);
    res.status(201).json(await startRun(currentOf(res).data, pathId(req.params.id, 'session'), body));
  });
  router.put('/runs/:id/sets/:setId', async (req, res) => {
    const body = validBody(setLogSchema, req.body);
    await putSet(currentOf(res).data, pathId(req.params.id, 'run'), pathId(req.params.setId, 'set'), body);
    res.json({});
  });
  router.put('/runs/:id/symptoms/:symptomId', async (req, res) => {
    const body = validBody(symptomSchema, req.body);
    await putSymptom(currentOf(res).data, pathId(req.params.id, 'run'), pathId(req.params.symptomId, 'symptom'), body);
    res.json({});
  });
  router.post('/runs/:id/finish', async (req, res) => {
    const body = validBody(finishRunSchema, req.body);
    res.json(await finishRun(currentOf(res).data, pathId(req.params.id, 'run'), body));
  });
  router.post('/symptoms/:id/clear', async (req, res) => {
    const { data, coach } = currentOf(res);
    const { note } = validBody(clearSymptomSchema, req.body);
    res.json(await clearSymptom(data, pathId(req.params.id, 'symptom'), note, coach.id, clock.now()));
  });
  return router;
}
