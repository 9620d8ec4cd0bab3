import {
  fitRoutineSchema,
  ownRoutineSchema,
  ownSeriesSchema,
  ROUTINE_FILE_SCHEMA,
  routineFileSchema,
} from '@yandle/contract/schemas';
import { Router } from 'express';
import { contextOf } from '../accounts/context.js';
import { pathId, validBody } from '../http/validate.js';
import { fitRoutine, importRoutines, listRoutines, putRoutine, routineVersions } from './service.js';
import { listSeries, putSeries } from './series.js';

export function routineRoutes(): Router {
  const router = Router();
  router.get('/routines', async (_req, res) => {
    res.json(await listRoutines(contextOf(res).data));
  });
  router.put('/routines/:id', async (req, res) => {
    const body = validBody(ownRoutineSchema, req.body);
    res.json(await putRoutine(contextOf(res).data, pathId(req.params.id, 'routine'), body));
  });
  router.get('/routines/:id/versions', async (req, res) => {
    res.json(await routineVersions(contextOf(res).data, pathId(req.params.id, 'routine')));
  });
  router.post('/routines/import', async (req, res) => {
    res.json(await importRoutines(contextOf(res).data, validBody(routineFileSchema, req.body)));
  });
  router.get('/routines/schema', (_req, res) => {
    res.type('application/schema+json').send(JSON.stringify(ROUTINE_FILE_SCHEMA, null, 2));
  });
  router.get('/series', async (_req, res) => {
    res.json(await listSeries(contextOf(res).data));
  });
  router.put('/series/:id', async (req, res) => {
    const body = validBody(ownSeriesSchema, req.body);
    res.json(await putSeries(contextOf(res).data, pathId(req.params.id, 'series'), body));
  });
  router.post('/routines/fit', async (req, res) => {
    const { data, today } = contextOf(res);
    res.json(await fitRoutine(data, validBody(fitRoutineSchema, req.body), today));
  });
  return router;
}
