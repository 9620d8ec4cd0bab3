import type { Report } from '@yandle/contract';
import { openReportSchema, reportLinkSchema } from '@yandle/contract/schemas';
import { Router } from 'express';
import type { DataSource } from 'typeorm';
import { contextOfToken, isOpen, revokeLinks } from '../accounts/client-link.js';
import { actorOf, contextOf } from '../accounts/context.js';
import type { Clock } from '../clock.js';
import { HttpProblem } from '../http/problem.js';
import { pathId, validBody } from '../http/validate.js';
import type { Limits } from '../limits/limit.js';
import { ReportLinkEntity } from './entities.js';
import { makeReportLink, reportOf } from './service.js';

const ENDED = 'This link has ended. Ask your coach for a new one.';

/** A coach's side of reports. */
export function reportRoutes(): Router {
  const router = Router();
  router.get('/clients/:id/report', async (req, res) => {
    const { data, today } = contextOf(res);
    res.json(await reportOf(data, pathId(req.params.id, 'client'), today));
  });
  router.post('/clients/:id/report-link', async (req, res) => {
    const { data, today } = contextOf(res);
    const { days } = validBody(reportLinkSchema, req.body);
    res.status(201).json(await makeReportLink(data, pathId(req.params.id, 'client'), days, today));
  });
  router.post('/clients/:id/report-link/revoke', async (req, res) => {
    const { data } = contextOf(res);
    const clientId = pathId(req.params.id, 'client');
    await revokeLinks(data, ReportLinkEntity, clientId);
    await data.audit('report-link-ended', { clientId });
    res.json({});
  });
  return router;
}

/** What a client's link opens: the one report, and nothing else. The token travels in the body, so that no log ever sees it. */
export function openReportRoutes(source: DataSource, clock: Clock, limits: Limits): Router {
  const router = Router();
  const limit = limits.of({
    name: 'report',
    most: 60,
    minutes: 15,
    step: 5,
    detail: 'Too many requests from here. Wait 15 minutes.',
  });
  router.post('/shared-report', limit, async (req, res) => {
    const { token } = validBody(openReportSchema, req.body);
    const at = await contextOfToken(source, clock, ReportLinkEntity, token, actorOf(req, null));
    if (!at || !isOpen(at.link, at.now)) throw new HttpProblem('not-signed-in', ENDED);
    await at.data.update(ReportLinkEntity, { id: at.link.id }, { usedAt: at.now });
    res.json(JSON.parse(at.link.content) as Report);
  });
  return router;
}
