import {
  auditQuerySchema,
  editCoachSchema,
  editStudioSchema,
  inviteSchema,
  removeCoachSchema,
  standInSchema,
  studioSettingsSchema,
} from '@yandle/contract/schemas';
import { Router } from 'express';
import type { DataSource } from 'typeorm';
import { contextOf, requireRole } from '../accounts/context.js';
import { endAllSessions } from '../accounts/sign-in.js';
import { auditPage } from '../audit/list.js';
import { HttpProblem } from '../http/problem.js';
import { pathId, validBody, validQuery } from '../http/validate.js';
import { openLinks } from './links.js';
import { putSettings } from './settings.js';
import {
  editStudio,
  endInvitation,
  invite,
  makeResetLink,
  removeCoach,
  setRole,
  setStandIn,
  studioView,
} from './service.js';

/** The studio: its coaches, who may do what, and what was done. Owners run it; every coach names their own stand-in. */
export function studioRoutes(source: DataSource): Router {
  const router = Router();
  const owner = requireRole('owner');

  router.get('/studio', owner, async (_req, res) => {
    const { data, studio, today } = contextOf(res);
    res.json(await studioView(data, studio, today));
  });
  router.put('/studio', owner, async (req, res) => {
    await editStudio(contextOf(res).data, validBody(editStudioSchema, req.body));
    res.json({});
  });
  router.put('/studio/settings', owner, async (req, res) => {
    await putSettings(contextOf(res).data, validBody(studioSettingsSchema, req.body));
    res.json({});
  });
  router.post('/studio/invitations', owner, async (req, res) => {
    res.status(201).json(await invite(contextOf(res).data, validBody(inviteSchema, req.body)));
  });
  router.delete('/studio/invitations/:id', owner, async (req, res) => {
    await endInvitation(contextOf(res).data, pathId(req.params['id'], 'invitation'));
    res.json({});
  });
  router.put('/studio/coaches/:id/role', owner, async (req, res) => {
    const id = pathId(req.params['id'], 'coach');
    await setRole(contextOf(res).data, id, validBody(editCoachSchema, req.body).role);
    res.json({});
  });
  router.put('/studio/coaches/:id/stand-in', async (req, res) => {
    const { data, coach, today } = contextOf(res);
    const id = pathId(req.params.id, 'coach');
    if (coach.role !== 'owner' && coach.id !== id)
      throw new HttpProblem('not-allowed', 'You name your own stand-in; the owner names those of others.');
    await setStandIn(data, id, validBody(standInSchema, req.body), today);
    res.json({});
  });
  router.post('/studio/coaches/:id/reset-link', owner, async (req, res) => {
    res.status(201).json(await makeResetLink(contextOf(res).data, pathId(req.params['id'], 'coach')));
  });
  router.post('/studio/coaches/:id/remove', owner, async (req, res) => {
    const id = pathId(req.params['id'], 'coach');
    await removeCoach(contextOf(res).data, id, validBody(removeCoachSchema, req.body));
    // Without them the account is shut anyway: this frees the rows.
    await endAllSessions(source, id);
    res.json({});
  });
  router.get('/studio/links', owner, async (_req, res) => {
    res.json(await openLinks(contextOf(res).data));
  });
  router.get('/studio/audit', owner, async (req, res) => {
    res.json(await auditPage(contextOf(res).data, validQuery(auditQuerySchema, req.query)));
  });
  return router;
}
