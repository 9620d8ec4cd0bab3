import { Router, type Response } from 'express';
import type { DataSource } from 'typeorm';
import { contextOfToken, isOpen, revokeLinks } from '../accounts/client-link.js';
import { actorOf, contextOf } from '../accounts/context.js';
import { ClientEntity } from '../clients/entities.js';
import type { Clock } from '../clock.js';
import { notFound } from '../http/problem.js';
import type { Limits } from '../limits/limit.js';
import { pathId } from '../http/validate.js';
import { calendarFile } from './file.js';
import { CalendarLinkEntity } from './entities.js';
import { calendarLinkOf, makeCalendarLink } from './link.js';

function send(res: Response, file: string): void {
  res.type('text/calendar; charset=utf-8');
  res.set('content-disposition', 'attachment; filename="stretching.ics"');
  res.send(file);
}

/** What a calendar program reads without an account: one client's sessions, by a token that can be taken back. */
export function calendarFeedRoutes(source: DataSource, clock: Clock, limits: Limits): Router {
  const router = Router();
  const limit = limits.of({
    name: 'calendar',
    most: 300,
    minutes: 15,
    step: 10,
    detail: 'Too many requests. Wait 15 minutes.',
  });
  router.get('/calendar/:file', limit, async (req, res) => {
    const token = String(req.params.file).replace(/\.ics$/, '');
    const at = await contextOfToken(source, clock, CalendarLinkEntity, token, actorOf(req, null));
    if (!at || !isOpen(at.link, at.now)) throw notFound('calendar');
    res.set('referrer-policy', 'no-referrer');
    send(res, await calendarFile(at.data, await at.data.get(ClientEntity, at.link.clientId, 'calendar')));
  });
  return router;
}

export function calendarRoutes(): Router {
  const router = Router();
  router.get('/clients/:id/calendar.ics', async (req, res) => {
    const { data } = contextOf(res);
    send(res, await calendarFile(data, await data.get(ClientEntity, pathId(req.params.id, 'client'), 'client')));
  });
  router.get('/clients/:id/calendar-link', async (req, res) => {
    res.json(await calendarLinkOf(contextOf(res).data, pathId(req.params.id, 'client')));
  });
  router.post('/clients/:id/calendar-link', async (req, res) => {
    res.status(201).json(await makeCalendarLink(contextOf(res).data, pathId(req.params.id, 'client')));
  });
  router.delete('/clients/:id/calendar-link', async (req, res) => {
    const { data } = contextOf(res);
    const clientId = pathId(req.params.id, 'client');
    await revokeLinks(data, CalendarLinkEntity, clientId);
    await data.audit('calendar-link-ended', { clientId });
    res.json({});
  });
  return router;
}
