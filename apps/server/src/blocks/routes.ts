import type { Planner } from './planning.js';
import { createBlockSchema, moveRetestSchema, updateBlockSchema, versionSchema } from '@yandle/contract/schemas';
import { Router } from 'express';
import { contextOf } from '../accounts/context.js';
import { notFound } from '../http/problem.js';
import { pathId, validBody } from '../http/validate.js';
import { BlockEntity } from './entities.js';
import { moveRetest } from './retests.js';
import { createBlock, endBlock, resumeBlock, listBlocks, planningOf, reviseBlock } from './service.js';
import { listVersions, revisionView } from './view.js';

/** Who plans, where and when, of a request. */
export function planner(res: Parameters<typeof contextOf>[0]): Planner {
  const { coach, studio, today } = contextOf(res);
  return { coachId: coach.id, timeZone: studio.timeZone, today };
}

export function blockRoutes(): Router {
  const router = Router();

  router.get('/clients/:id/blocks', async (req, res) => {
    res.json(await listBlocks(contextOf(res).data, pathId(req.params.id, 'client'), planner(res).today));
  });
  router.get('/clients/:id/planning', async (req, res) => {
    res.json(await planningOf(contextOf(res).data, pathId(req.params.id, 'client'), planner(res)));
  });
  router.post('/clients/:id/blocks', async (req, res) => {
    const body = validBody(createBlockSchema, req.body);
    res.status(201).json(await createBlock(contextOf(res).data, pathId(req.params.id, 'client'), body, planner(res)));
  });
  router.put('/blocks/:id', async (req, res) => {
    const body = validBody(updateBlockSchema, req.body);
    res.json(await reviseBlock(contextOf(res).data, pathId(req.params.id, 'block'), body, planner(res)));
  });
  router.post('/blocks/:id/end', async (req, res) => {
    const { version } = validBody(versionSchema, req.body);
    const id = pathId(req.params.id, 'block');
    res.json(await endBlock(contextOf(res).data, id, version, planner(res).today));
  });
  router.post('/blocks/:id/resume', async (req, res) => {
    const { version } = validBody(versionSchema, req.body);
    const id = pathId(req.params.id, 'block');
    res.json(await resumeBlock(contextOf(res).data, id, version, planner(res).today));
  });
  router.put('/blocks/:id/retests/:week', async (req, res) => {
    const { date } = validBody(moveRetestSchema, req.body);
    const week = Number(req.params.week);
    if (!Number.isInteger(week)) throw notFound('retest');
    res.json(await moveRetest(contextOf(res).data, pathId(req.params.id, 'block'), week, date, planner(res).today));
  });
  router.get('/blocks/:id/revisions', async (req, res) => {
    const { data } = contextOf(res);
    const block = await data.get(BlockEntity, pathId(req.params.id, 'block'), 'block');
    res.json(await listVersions(data, block.id));
  });
  router.get('/blocks/:id/revisions/:number', async (req, res) => {
    const { data } = contextOf(res);
    const block = await data.get(BlockEntity, pathId(req.params.id, 'block'), 'block');
    const number = Number(req.params.number);
    if (!Number.isInteger(number)) throw notFound('revision');
    res.json(await revisionView(data, block.id, number));
  });
  return router;
}
