import {
  assessmentConditionsSchema,
  beightonSchema,
  createAssessmentSchema,
  readingSchema,
  removedSchema,
  testEventSchema,
  withdrawnSchema,
} from '@yandle/contract/schemas';
import { Router } from 'express';
import { contextOf } from '../accounts/context.js';
import { pathId, validBody } from '../http/validate.js';
import { createAssessment, getAssessment, listAssessments, putBeighton, putEvent, putReading } from './service.js';
import { eraseAssessment, listRemoved, putConditions, setRemoved, setWithdrawn } from './taking-back.js';

export function assessmentRoutes(): Router {
  const router = Router();

  router.get('/clients/:id/assessments', async (req, res) => {
    const { data, studio } = contextOf(res);
    res.json(await listAssessments(data, pathId(req.params.id, 'client'), studio.timeZone));
  });
  router.post('/clients/:id/assessments', async (req, res) => {
    const { data, coach, studio, today } = contextOf(res);
    const body = validBody(createAssessmentSchema, req.body);
    const who = { coachId: coach.id, timeZone: studio.timeZone, today };
    res.status(201).json(await createAssessment(data, pathId(req.params.id, 'client'), body, who));
  });
  router.get('/assessments/:id', async (req, res) => {
    const { data, studio } = contextOf(res);
    res.json(await getAssessment(data, pathId(req.params.id, 'assessment'), studio.timeZone));
  });
  router.put('/assessments/:id/readings/:readingId', async (req, res) => {
    const { data, studio } = contextOf(res);
    const body = validBody(readingSchema, req.body);
    const readingId = pathId(req.params.readingId, 'reading');
    res.json(await putReading(data, pathId(req.params.id, 'assessment'), readingId, body, studio.timeZone));
  });
  router.put('/assessments/:id/events/:eventId', async (req, res) => {
    const { data, studio } = contextOf(res);
    const body = validBody(testEventSchema, req.body);
    const eventId = pathId(req.params.eventId, 'entry');
    res.json(await putEvent(data, pathId(req.params.id, 'assessment'), eventId, body, studio.timeZone));
  });
  router.put('/assessments/:id/beighton/:lookId', async (req, res) => {
    const { data, studio } = contextOf(res);
    const body = validBody(beightonSchema, req.body);
    const lookId = pathId(req.params.lookId, 'entry');
    res.json(await putBeighton(data, pathId(req.params.id, 'assessment'), lookId, body, studio.timeZone));
  });
  router.get('/clients/:id/assessments/removed', async (req, res) => {
    const { data, studio } = contextOf(res);
    res.json(await listRemoved(data, pathId(req.params.id, 'client'), studio.timeZone));
  });
  router.put('/assessments/:id/conditions/:changeId', async (req, res) => {
    const { data, coach, studio, today } = contextOf(res);
    const body = validBody(assessmentConditionsSchema, req.body);
    const who = { coachId: coach.id, timeZone: studio.timeZone, today };
    const changeId = pathId(req.params.changeId, 'entry');
    res.json(await putConditions(data, pathId(req.params.id, 'assessment'), changeId, body, who));
  });
  router.put('/assessments/:id/removed', async (req, res) => {
    const { data, studio } = contextOf(res);
    const { removed } = validBody(removedSchema, req.body);
    res.json(await setRemoved(data, pathId(req.params.id, 'assessment'), removed, studio.timeZone));
  });
  router.put('/assessments/:id/readings/:readingId/withdrawn', async (req, res) => {
    const { data, studio } = contextOf(res);
    const { withdrawn } = validBody(withdrawnSchema, req.body);
    const readingId = pathId(req.params.readingId, 'reading');
    res.json(await setWithdrawn(data, pathId(req.params.id, 'assessment'), readingId, withdrawn, studio.timeZone));
  });
  router.delete('/assessments/:id', async (req, res) => {
    await eraseAssessment(contextOf(res).data, pathId(req.params.id, 'assessment'));
    res.status(204).end();
  });
  return router;
}
