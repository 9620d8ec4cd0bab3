import { inclinometerSchema } from '@yandle/contract/schemas';
import type { InclinometerEvent, InclinometerView } from '@yandle/contract';
import { Router } from 'express';
import { contextOf } from '../accounts/context.js';
import type { DatabaseSessionStore } from '../accounts/session-store.js';
import type { Clock } from '../clock.js';
import type { Life } from '../http/health.js';
import { validBody } from '../http/validate.js';
import { inclinometerOf, SAMPLE_MS, sampleOf, setInclinometer } from './inclinometer.js';

/** Milliseconds after which a stream looks at what another process may have set, and whether its session still stands. */
const LOOK_MS = 500;

export function deviceRoutes(store: DatabaseSessionStore, clock: Clock, life: Life): Router {
  const router = Router();

  router.get('/devices/inclinometer', async (_req, res) => {
    const view: InclinometerView = { settings: (await inclinometerOf(contextOf(res).data)).settings };
    res.json(view);
  });
  router.put('/devices/inclinometer', async (req, res) => {
    const settings = validBody(inclinometerSchema, req.body);
    const view: InclinometerView = { settings: (await setInclinometer(contextOf(res).data, settings)).settings };
    res.json(view);
  });
  // Server-sent events, 20 a second, until the browser closes the stream, signs out, or this process is told to end.
  router.get('/devices/inclinometer/stream', async (req, res) => {
    const { data } = contextOf(res);
    let state = await inclinometerOf(data);
    res.writeHead(200, {
      'content-type': 'text/event-stream',
      'cache-control': 'no-cache, no-transform',
      connection: 'keep-alive',
      'x-accel-buffering': 'no',
    });
    const start = performance.now();
    const send = () => {
      if (life.stopping) return void res.end();
      const degrees = sampleOf(state, clock.now().getTime(), Math.random);
      const event: InclinometerEvent = { at: Math.round(performance.now() - start), degrees };
      res.write(`event: sample\ndata: ${JSON.stringify(event)}\n\n`);
    };
    const look = async () => {
      if (!(await store.isOpen(req.sessionID))) return void res.end();
      state = await inclinometerOf(data);
    };
    send();
    const timers = [
      setInterval(send, SAMPLE_MS),
      // A database that is away for a moment ends no measurement.
      setInterval(() => void look().catch(() => undefined), LOOK_MS),
    ];
    res.on('close', () => timers.forEach((t) => clearInterval(t)));
  });
  return router;
}
