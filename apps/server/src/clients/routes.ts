import { clientListSchema, createClientSchema, updateClientSchema, versionSchema } from '@yandle/contract/schemas';
import { Router } from 'express';
import { currentOf } from '../accounts/current.js';
import { dateIn, type Clock } from '../clock.js';
import { pathId, validBody, validQuery } from '../http/validate.js';
import { clientPath, createClient, listClients, setArchived, updateClient } from './service.js';

export function clientRoutes(clock: Clock): Router {
  const router = Router();
  const today = (res: Parameters<typeof currentOf>[0]) => dateIn(currentOf(res).studio.timeZone, clock.now());

  router.get('/clients', async (req, res) => {
    res.json(await listClients(currentOf(res).data, validQuery(clientListSchema, req.query), today(res)));
  });
  router.post('/clients', async (req, res) => {
    res.status(201).json(await createClient(currentOf(res).data, validBody(createClientSchema, req.body), today(res)));
  });
  router.get('/clients/:id', async (req, res) => {
    res.json(await clientPath(currentOf(res).data, pathId(req.params.id, 'client'), today(res)));
  });
  router.put('/clients/:id', async (req, res) => {
    const body = validBody(updateClientSchema, req.body);
    res.json(await updateClient(currentOf(res).data, pathId(req.params.id, 'client'), body, today(res)));
  });
  router.post('/clients/:id/archive', async (req, res) => {
    const { version } = validBody(versionSchema, req.body);
    const id = pathId(req.params.id, 'client');
    res.json(await setArchived(currentOf(res).data, id, version, clock.now(), today(res)));
  });
  router.post('/clients/:id/restore', async (req, res) => {
    const { version } = validBody(versionSchema, req.body);
    const id = pathId(req.params.id, 'client');
    res.json(await setArchived(currentOf(res).data, id, version, null, today(res)));
  });
  return router;
}
