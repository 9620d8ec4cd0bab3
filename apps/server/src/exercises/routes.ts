import { EXERCISE_FILE_SCHEMA, exerciseFileSchema, ownExerciseSchema } from '@yandle/contract/schemas';
import { upgradeFile } from '@yandle/core';
import { Router } from 'express';
import { currentOf } from '../accounts/current.js';
import type { Clock } from '../clock.js';
import { pathId, validBody } from '../http/validate.js';
import { exerciseVersions, importExercises, listOwnExercises, putOwnExercise } from './service.js';

export function exerciseRoutes(clock: Clock): Router {
  const router = Router();
  router.get('/own-exercises', async (_req, res) => {
    res.json(await listOwnExercises(currentOf(res).data));
  });
  router.put('/own-exercises/:id', async (req, res) => {
    const body = validBody(ownExerciseSchema, req.body);
    res.json(await putOwnExercise(currentOf(res).data, pathId(req.params.id, 'exercise'), body, clock.now()));
  });
  router.get('/own-exercises/:id/versions', async (req, res) => {
    res.json(await exerciseVersions(currentOf(res).data, pathId(req.params.id, 'exercise')));
  });
  router.post('/own-exercises/import', async (req, res) => {
    res.json(
      await importExercises(currentOf(res).data, validBody(exerciseFileSchema, upgradeFile(req.body)), clock.now()),
    );
  });
  router.get('/own-exercises/schema', (_req, res) => {
    res.type('application/schema+json').send(JSON.stringify(EXERCISE_FILE_SCHEMA, null, 2));
  });
  return router;
}
