import { nerveGlidesSchema } from '@yandle/contract/schemas';
import { Router } from 'express';
import { invalidField } from '../http/problem.js';
import { validBody } from '../http/validate.js';
import { contextOf } from './context.js';
import { CoachEntity } from './entities.js';

/** A coach records that they are qualified for nerve glides, for the clients they lead, or takes it back. */
export function nerveGlideRoutes(): Router {
  const router = Router();
  router.put('/account/nerve-glides', async (req, res) => {
    const { data, coach, today } = contextOf(res);
    const { licence, since } = validBody(nerveGlidesSchema, req.body);
    if (since > today) throw invalidField('since', 'This day is in the future. Enter the day from which you hold it.');
    await data.transaction(async (tx) => {
      await tx.update(CoachEntity, { id: coach.id }, { glidesLicence: licence, glidesSince: since });
      await tx.audit('nerve-glides-on');
    });
    res.json({});
  });
  router.delete('/account/nerve-glides', async (_req, res) => {
    const { data, coach } = contextOf(res);
    await data.transaction(async (tx) => {
      await tx.update(CoachEntity, { id: coach.id }, { glidesLicence: null, glidesSince: null });
      await tx.audit('nerve-glides-off');
    });
    res.json({});
  });
  return router;
}
