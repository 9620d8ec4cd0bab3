import { ownStyleSchema, styleFileSchema } from '@yandle/contract/schemas';
import { upgradeFile } from '@yandle/core';
import { Router } from 'express';
import { currentOf } from '../accounts/current.js';
import type { Clock } from '../clock.js';
import { pathId, validBody } from '../http/validate.js';
import { importStyles, listOwnStyles, putOwnStyle, styleVersions } from './service.js';

export function styleRoutes(clock: Clock): Router {
  const router = Router();
  router.get('/own-styles', async (_req, res) => {
    res.json(await listOwnStyles(currentOf(res).data));
  });
  router.put('/own-styles/:id', async (req, res) => {
    const body = validBody(ownStyleSchema, req.body);
    res.json(await putOwnStyle(currentOf(res).data, pathId(req.params.id, 'style'), body, clock.now()));
  });
  router.get('/own-styles/:id/versions', async (req, res) => {
    res.json(await styleVersions(currentOf(res).data, pathId(req.params.id, 'style')));
  });
  router.post('/own-styles/import', async (req, res) => {
    res.json(await importStyles(currentOf(res).data, validBody(styleFileSchema, upgradeFile(req.body)), clock.now()));
  });
  return router;
}
