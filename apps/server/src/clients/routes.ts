import { clientListSchema, createClientSchema, updateClientSchema, versionSchema } from '@yandle/contract/schemas';
import { Router } from 'express';
import { contextOf } from '../accounts/context.js';
import { pathId, validBody, validQuery } from '../http/validate.js';
import { clientPath, createClient, listClients, setArchived, updateClient } from './service.js';

export function clientRoutes(): Router {
  const router = Router();

  router.get('/clients', async (req, res) => {
    const { data, coach, today } = contextOf(res);
    res.json(await listClients(data, validQuery(clientListSchema, req.query), coach.id, today));
  });
  router.post('/clients', async (req, res) => {
    res
      .status(201)
      .json(await createClient(contextOf(res).data, validBody(createClientSchema, req.body), contextOf(res).today));
  });
  router.get('/clients/:id', async (req, res) => {
    res.json(await clientPath(contextOf(res).data, pathId(req.params.id, 'client'), contextOf(res).today));
  });
  router.put('/clients/:id', async (req, res) => {
    const body = validBody(updateClientSchema, req.body);
    res.json(await updateClient(contextOf(res).data, pathId(req.params.id, 'client'), body, contextOf(res).today));
  });
  router.post('/clients/:id/archive', async (req, res) => {
    const { version } = validBody(versionSchema, req.body);
    const id = pathId(req.params.id, 'client');
    res.json(await setArchived(contextOf(res).data, id, version, true, contextOf(res).today));
  });
  router.post('/clients/:id/restore', async (req, res) => {
    const { version } = validBody(versionSchema, req.body);
    const id = pathId(req.params.id, 'client');
    res.json(await setArchived(contextOf(res).data, id, version, false, contextOf(res).today));
  });
  return router;
}
