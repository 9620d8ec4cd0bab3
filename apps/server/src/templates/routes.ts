import { ownTemplateSchema, templateFileSchema } from '@yandle/contract/schemas';
import { upgradeFile } from '@yandle/core';
import { Router } from 'express';
import { contextOf } from '../accounts/context.js';
import { pathId, validBody } from '../http/validate.js';
import { importTemplates, listTemplates, putTemplate } from './service.js';

export function templateRoutes(): Router {
  const router = Router();
  router.get('/own-templates', async (_req, res) => {
    res.json(await listTemplates(contextOf(res).data));
  });
  router.put('/own-templates/:id', async (req, res) => {
    const body = validBody(ownTemplateSchema, req.body);
    res.json(await putTemplate(contextOf(res).data, pathId(req.params.id, 'template'), body));
  });
  router.post('/own-templates/import', async (req, res) => {
    res.json(await importTemplates(contextOf(res).data, validBody(templateFileSchema, upgradeFile(req.body))));
  });
  return router;
}
