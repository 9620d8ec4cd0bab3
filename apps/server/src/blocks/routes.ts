import { createBlockSchema, updateBlockSchema, versionSchema } from '@yandle/contract/schemas';
import { Router } from 'express';
import { currentOf } from '../accounts/current.js';
import { dateIn, type Clock } from '../clock.js';
import { pathId, validBody } from '../http/validate.js';
import { createBlock, endBlock, listBlocks, replanBlock, type Planner } from './service.js';

export function blockRoutes(clock: Clock): Router {
  const router = Router();
  const planner = (res: Parameters<typeof currentOf>[0]): Planner => {
    const { coach, studio } = currentOf(res);
    return { coachId: coach.id, timeZone: studio.timeZone, today: dateIn(studio.timeZone, clock.now()) };
  };

  router.get('/clients/:id/blocks', async (req, res) => {
    res.json(await listBlocks(currentOf(res).data, pathId(req.params.id, 'client')));
  });
  router.post('/clients/:id/blocks', async (req, res) => {
    const body = validBody(createBlockSchema, req.body);
    res.status(201).json(await createBlock(currentOf(res).data, pathId(req.params.id, 'client'), body, planner(res)));
  });
  router.put('/blocks/:id', async (req, res) => {
    const body = validBody(updateBlockSchema, req.body);
    res.json(await replanBlock(currentOf(res).data, pathId(req.params.id, 'block'), body, planner(res)));
  });
  router.post('/blocks/:id/end', async (req, res) => {
    const { version } = validBody(versionSchema, req.body);
    res.json(await endBlock(currentOf(res).data, pathId(req.params.id, 'block'), version, clock.now()));
  });
  return router;
}
