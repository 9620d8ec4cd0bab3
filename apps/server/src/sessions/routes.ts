import {
  breathSchema,
  chooseRunSchema,
  clearSymptomSchema,
  createSeriesSchema,
  createSessionsSchema,
  sorenessSchema,
  editAnswersSchema,
  editSessionSchema,
  finishRunSchema,
  pacingSchema,
  moveSessionSchema,
  restoreSessionSchema,
  setLogSchema,
  startRunSchema,
  swapComingSchema,
  symptomSchema,
  withdrawSchema,
} from '@yandle/contract/schemas';
import { Router } from 'express';
import { contextOf } from '../accounts/context.js';
import { pathId, validBody } from '../http/validate.js';
import { putBreath, putPacing } from './pace.js';
import { sorenessEntries, putSoreness, withdrawSoreness } from './soreness.js';
import { createSessions, removeSession } from './create.js';
import { editSession, restoreSession } from './edit.js';
import { chooseRun, editAnswers, finishRun, putSet, putSymptom, startRun, withdrawRun } from './run.js';
import { clearSymptom, listSessions, moveSession } from './service.js';
import { swapComing } from './swap-coming.js';
import { sessionView } from './views.js';

export function sessionRoutes(): Router {
  const router = Router();

  router.get('/clients/:id/sessions', async (req, res) => {
    res.json(await listSessions(contextOf(res).data, pathId(req.params.id, 'client')));
  });
  router.get('/sessions/:id', async (req, res) => {
    res.json(await sessionView(contextOf(res).data, pathId(req.params.id, 'session')));
  });
  router.post('/clients/:id/sessions', async (req, res) => {
    const body = validBody(createSessionsSchema, req.body);
    const { data, today } = contextOf(res);
    res.status(201).json(await createSessions(data, pathId(req.params.id, 'client'), [body], today));
  });
  router.post('/clients/:id/sessions/series', async (req, res) => {
    const { lists } = validBody(createSeriesSchema, req.body);
    const { data, today } = contextOf(res);
    res.status(201).json(await createSessions(data, pathId(req.params.id, 'client'), lists, today));
  });
  router.delete('/sessions/:id', async (req, res) => {
    await removeSession(contextOf(res).data, pathId(req.params.id, 'session'));
    res.json({});
  });
  router.post('/sessions/:id/runs', async (req, res) => {
    const body = validBody(startRunSchema, req.body);
    const { data, today } = contextOf(res);
    res.status(201).json(await startRun(data, pathId(req.params.id, 'session'), body, today));
  });
  router.put('/sessions/:id/date', async (req, res) => {
    const { date } = validBody(moveSessionSchema, req.body);
    const { data, today } = contextOf(res);
    res.json(await moveSession(data, pathId(req.params.id, 'session'), date, today));
  });
  router.put('/sessions/:id/items', async (req, res) => {
    const body = validBody(editSessionSchema, req.body);
    const { data, today } = contextOf(res);
    res.json(await editSession(data, pathId(req.params.id, 'session'), body, today));
  });
  router.post('/sessions/:id/swap-coming', async (req, res) => {
    const body = validBody(swapComingSchema, req.body);
    const { data, today } = contextOf(res);
    res.json(await swapComing(data, pathId(req.params.id, 'session'), body, today));
  });
  router.post('/sessions/:id/restore', async (req, res) => {
    const { version } = validBody(restoreSessionSchema, req.body);
    res.json(await restoreSession(contextOf(res).data, pathId(req.params.id, 'session'), version));
  });
  router.put('/sessions/:id/counted-run', async (req, res) => {
    const { runId } = validBody(chooseRunSchema, req.body);
    res.json(await chooseRun(contextOf(res).data, pathId(req.params.id, 'session'), runId));
  });
  router.put('/runs/:id/withdrawn', async (req, res) => {
    const { withdrawn } = validBody(withdrawSchema, req.body);
    res.json(await withdrawRun(contextOf(res).data, pathId(req.params.id, 'run'), withdrawn));
  });
  router.put('/clients/:id/soreness/:noteId/withdrawn', async (req, res) => {
    const { withdrawn } = validBody(withdrawSchema, req.body);
    const { data, today } = contextOf(res);
    const noteId = pathId(req.params.noteId, 'day note');
    res.json(await withdrawSoreness(data, pathId(req.params.id, 'client'), noteId, withdrawn, today));
  });
  router.put('/runs/:id/answers', async (req, res) => {
    const body = validBody(editAnswersSchema, req.body);
    res.json(await editAnswers(contextOf(res).data, pathId(req.params.id, 'run'), body));
  });
  router.get('/clients/:id/soreness', async (req, res) => {
    const { data, today } = contextOf(res);
    res.json(await sorenessEntries(data, pathId(req.params.id, 'client'), today));
  });
  router.put('/clients/:id/soreness/:noteId', async (req, res) => {
    const body = validBody(sorenessSchema, req.body);
    const { data, today } = contextOf(res);
    const noteId = pathId(req.params.noteId, 'day note');
    res.json(await putSoreness(data, pathId(req.params.id, 'client'), noteId, body, today));
  });
  router.put('/clients/:id/breath', async (req, res) => {
    const { seconds } = validBody(breathSchema, req.body);
    const { data, today } = contextOf(res);
    await putBreath(data, pathId(req.params.id, 'client'), seconds, today);
    res.json({});
  });
  router.put('/clients/:id/timings', async (req, res) => {
    const pacing = validBody(pacingSchema, req.body);
    const { data, today } = contextOf(res);
    await putPacing(data, pathId(req.params.id, 'client'), pacing, today);
    res.json({});
  });
  router.put('/runs/:id/sets/:setId', async (req, res) => {
    const body = validBody(setLogSchema, req.body);
    await putSet(contextOf(res).data, pathId(req.params.id, 'run'), pathId(req.params.setId, 'set'), body);
    res.json({});
  });
  router.put('/runs/:id/symptoms/:symptomId', async (req, res) => {
    const body = validBody(symptomSchema, req.body);
    await putSymptom(contextOf(res).data, pathId(req.params.id, 'run'), pathId(req.params.symptomId, 'symptom'), body);
    res.json({});
  });
  router.post('/runs/:id/finish', async (req, res) => {
    const body = validBody(finishRunSchema, req.body);
    res.json(await finishRun(contextOf(res).data, pathId(req.params.id, 'run'), body));
  });
  router.post('/symptoms/:id/clear', async (req, res) => {
    const { data, coach } = contextOf(res);
    const body = validBody(clearSymptomSchema, req.body);
    res.json(await clearSymptom(data, pathId(req.params.id, 'symptom'), body, coach.id));
  });
  return router;
}
