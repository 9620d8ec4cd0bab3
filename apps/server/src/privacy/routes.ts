import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { eraseClientSchema } from '@yandle/contract/schemas';
import { Router } from 'express';
import type { DataSource } from 'typeorm';
import { contextOf, requireRole } from '../accounts/context.js';
import { ClientEntity } from '../clients/entities.js';
import { pathId, validBody } from '../http/validate.js';
import { sendAll } from '../http/send-all.js';
import { clientFile, clientFileSchema } from './client-file.js';
import { eraseClient } from './erase.js';
import type { TellErased } from './erased-file.js';

/** What a client may ask of a studio: all that is kept of them, and that it is erased. */
export function privacyRoutes(source: DataSource, tell: TellErased): Router {
  const router = Router();
  const team = requireRole('owner', 'coach');

  router.get('/clients/:id/record.json', team, async (req, res) => {
    const { data } = contextOf(res);
    const id = pathId(req.params['id'], 'client');
    await data.get(ClientEntity, id, 'client');
    await data.audit('client-exported', { clientId: id });
    res.attachment('yandle-client.json').type('application/json; charset=utf-8');
    await sendAll(res, pipeline(Readable.from(clientFile(data, id)), res));
  });
  router.get('/schemas/client.json', (_req, res) => {
    res.type('application/schema+json').send(JSON.stringify(clientFileSchema(source), null, 1));
  });
  router.post('/clients/:id/erase', team, async (req, res) => {
    const id = pathId(req.params['id'], 'client');
    const { data } = contextOf(res);
    await eraseClient(data, id, validBody(eraseClientSchema, req.body).name);
    await tell({ id, studioId: data.studioId });
    res.json({});
  });
  return router;
}
