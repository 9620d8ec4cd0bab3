import { ownStyleSchema, styleFileSchema } from '@yandle/contract/schemas';
import { upgradeFile } from '@yandle/core';
import { Router } from 'express';
import { contextOf } from '../accounts/context.js';
import { pathId, validBody } from '../http/validate.js';
import { importStyles, listOwnStyles, putOwnStyle, styleVersions } from './service.js';

export function styleRoutes(): Router {
  const router = Router();
  router.get('/own-styles', async (_req, res) => {
    res.json(await listOwnStyles(contextOf(res).data));
  });
  router.put('/own-styles/:id', async (req, res) => {
    const body = validBody(ownStyleSchema, req.body);
    res.json(await putOwnStyle(contextOf(res).data, pathId(req.params.id, 'style'), body));
  });
  router.get('/own-styles/:id/versions', async (req, res) => {
    res.json(await styleVersions(contextOf(res).data, pathId(req.params.id, 'style')));
  });
  router.post('/own-styles/import', async (req, res) => {
    res.json(await importStyles(contextOf(res).data, validBody(styleFileSchema, upgradeFile(req.body))));
  });
  return router;
}
