import { ownTemplateSchema, templateFileSchema } from '@yandle/contract/schemas';
import { upgradeFile } from '@yandle/core';
import { Router } from 'express';
import { currentOf } from '../accounts/current.js';
import type { Clock } from '../clock.js';
import { pathId, validBody } from '../http/validate.js';
import { importTemplates, listTemplates, putTemplate } from './service.js';

export function templateRoutes(clock: Clock): Router {
  const router = Router();
  router.get('/own-templates', async (_req, res) => {
    res.json(await listTemplates(currentOf(res).data));
  });
  router.put('/own-templates/:id', async (req, res) => {
    const body = validBody(ownTemplateSchema, req.body);
    res.json(await putTemplate(currentOf(res).data, pathId(req.params.id, 'template'), body, clock.now()));
  });
  router.post('/own-templates/import', async (req, res) => {
    res.json(
      await importTemplates(currentOf(res).data, validBody(templateFileSchema, upgradeFile(req.body)), clock.now()),
    );
  });
  return router;
}
