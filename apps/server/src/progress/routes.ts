import type { Progress } from '@yandle/contract';
import { Router } from 'express';
import { contextOf } from '../accounts/context.js';
import { listAssessments } from '../assessments/service.js';
import { BlockEntity } from '../blocks/entities.js';
import { laneChoices } from '../blocks/lane-choices.js';
import { pathId } from '../http/validate.js';
import { doseOf } from './dose.js';

export function progressRoutes(): Router {
  const router = Router();
  router.get('/clients/:id/progress', async (req, res) => {
    const { data, today, studio } = contextOf(res);
    const clientId = pathId(req.params.id, 'client');
    const assessments = await listAssessments(data, clientId, studio.timeZone);
    const [latest] = await data.find(BlockEntity, { clientId }, { order: { startDate: 'DESC', id: 'DESC' }, take: 1 });
    const dose = latest ? await doseOf(data, latest, today) : { dose: null, sensations: [], felt: [] };
    const choices = await laneChoices(data, clientId, studio.timeZone);
    const progress: Progress = { today, assessments, choices, ...dose };
    res.json(progress);
  });
  return router;
}
