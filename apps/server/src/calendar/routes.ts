import { Router, type Response } from 'express';
import { rateLimit } from 'express-rate-limit';
import type { DataSource } from 'typeorm';
import { currentOf } from '../accounts/current.js';
import { ClientEntity } from '../clients/entities.js';
import type { Clock } from '../clock.js';
import { HttpProblem } from '../http/problem.js';
import { pathId } from '../http/validate.js';
import { calendarFile } from './file.js';
import { calendarLinkOf, clientOfToken, endCalendarLink, makeCalendarLink } from './link.js';

function send(res: Response, file: string): void {
  res.type('text/calendar; charset=utf-8');
  res.set('content-disposition', 'attachment; filename="stretching.ics"');
  res.send(file);
}

/** What a calendar program reads without an account: one client's sessions, by a token that can be taken back. */
export function calendarFeedRoutes(source: DataSource): Router {
  const router = Router();
  const limit = rateLimit({
    windowMs: 15 * 60 * 1000,
    limit: 300,
    standardHeaders: true,
    legacyHeaders: false,
    handler: () => {
      throw new HttpProblem('too-many-attempts', 'Too many requests. Wait a quarter of an hour.');
    },
  });
  router.get('/calendar/:file', limit, async (req, res) => {
    const token = String(req.params.file).replace(/\.ics$/, '');
    const { data, client } = await clientOfToken(source, token);
    res.set('referrer-policy', 'no-referrer');
    send(res, await calendarFile(data, client));
  });
  return router;
}

export function calendarRoutes(clock: Clock): Router {
  const router = Router();
  router.get('/clients/:id/calendar.ics', async (req, res) => {
    const { data } = currentOf(res);
    send(res, await calendarFile(data, await data.get(ClientEntity, pathId(req.params.id, 'client'), 'client')));
  });
  router.get('/clients/:id/calendar-link', async (req, res) => {
    res.json(await calendarLinkOf(currentOf(res).data, pathId(req.params.id, 'client')));
  });
  router.post('/clients/:id/calendar-link', async (req, res) => {
    res.status(201).json(await makeCalendarLink(currentOf(res).data, pathId(req.params.id, 'client'), clock.now()));
  });
  router.delete('/clients/:id/calendar-link', async (req, res) => {
    await endCalendarLink(currentOf(res).data, pathId(req.params.id, 'client'), clock.now());
    res.json({});
  });
  return router;
}
