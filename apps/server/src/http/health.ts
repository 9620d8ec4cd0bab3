import type { Health } from '@yandle/contract';
import { Router } from 'express';
import type { HealthProbe } from '../database/health-probe.js';

/** Whether this process goes on serving: set when it is told to end. */
export interface Life {
  stopping: boolean;
}

/** Says whether this process can serve, and what is wrong where it cannot (503). */
export function healthRoutes(probe: HealthProbe, life: Life): Router {
  const router = Router();
  router.get('/health', async (_req, res) => {
    const state = await probe.ask();
    const up = state.database === 'up' ? state : null;
    const ready = up?.migrated === true && !life.stopping;
    const body: Health = {
      status: life.stopping ? 'stopping' : ready ? 'ok' : 'degraded',
      database: state.database,
      migration: up?.migration ?? null,
      needsSetup: up?.needsSetup ?? false,
    };
    res.status(ready ? 200 : 503).json(body);
  });
  return router;
}
