import { inclinometerSchema } from '@yandle/contract/schemas';
import type { InclinometerEvent, InclinometerView } from '@yandle/contract';
import { Router, type Response } from 'express';
import { contextOf } from '../accounts/context.js';
import { validBody } from '../http/validate.js';
import { Inclinometers, SAMPLE_MS } from './inclinometer.js';

export function deviceRoutes(devices = new Inclinometers()): Router {
  const router = Router();
  const device = (res: Response) => devices.of(contextOf(res).studio.id);

  router.get('/devices/inclinometer', (_req, res) => {
    const view: InclinometerView = { settings: device(res).settings };
    res.json(view);
  });
  router.put('/devices/inclinometer', (req, res) => {
    device(res).set(validBody(inclinometerSchema, req.body));
    const view: InclinometerView = { settings: device(res).settings };
    res.json(view);
  });
  // Server-sent events, 20 a second, until the browser closes the stream.
  router.get('/devices/inclinometer/stream', (req, res) => {
    const d = device(res);
    res.writeHead(200, {
      'content-type': 'text/event-stream',
      'cache-control': 'no-cache, no-transform',
      connection: 'keep-alive',
      'x-accel-buffering': 'no',
    });
    const start = performance.now();
    const send = () => {
      const event: InclinometerEvent = { at: Math.round(performance.now() - start), degrees: d.sample() };
      res.write(`event: sample\ndata: ${JSON.stringify(event)}\n\n`);
    };
    send();
    const timer = setInterval(send, SAMPLE_MS);
    req.on('close', () => clearInterval(timer));
  });
  return router;
}
