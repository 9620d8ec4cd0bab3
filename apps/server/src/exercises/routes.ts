import { EXERCISE_FILE_SCHEMA, exerciseFileSchema, favouriteSchema, ownExerciseSchema } from '@yandle/contract/schemas';
import { upgradeFile } from '@yandle/core';
import { Router } from 'express';
import { contextOf } from '../accounts/context.js';
import { pathId, validBody } from '../http/validate.js';
import { myExercises, setFavourite } from './mine.js';
import { exerciseVersions, importExercises, listOwnExercises, putOwnExercise } from './service.js';

export function exerciseRoutes(): Router {
  const router = Router();
  router.get('/library/mine', async (_req, res) => {
    const { data, coach, today } = contextOf(res);
    res.json(await myExercises(data, coach, today));
  });
  router.put('/library/favourites/:exerciseId', async (req, res) => {
    const { data, coach } = contextOf(res);
    const body = validBody(favouriteSchema, req.body);
    res.json(await setFavourite(data, coach.id, String(req.params.exerciseId), body));
  });
  router.get('/own-exercises', async (_req, res) => {
    res.json(await listOwnExercises(contextOf(res).data));
  });
  router.put('/own-exercises/:id', async (req, res) => {
    const body = validBody(ownExerciseSchema, req.body);
    res.json(await putOwnExercise(contextOf(res).data, pathId(req.params.id, 'exercise'), body));
  });
  router.get('/own-exercises/:id/versions', async (req, res) => {
    res.json(await exerciseVersions(contextOf(res).data, pathId(req.params.id, 'exercise')));
  });
  router.post('/own-exercises/import', async (req, res) => {
    res.json(await importExercises(contextOf(res).data, validBody(exerciseFileSchema, upgradeFile(req.body))));
  });
  router.get('/own-exercises/schema', (_req, res) => {
    res.type('application/schema+json').send(JSON.stringify(EXERCISE_FILE_SCHEMA, null, 2));
  });
  return router;
}
