import type { Health } from '@yandle/contract';
import { Router } from 'express';
import type { DataSource } from 'typeorm';
import { StudioEntity } from '../accounts/entities.js';

/** Says database and migration state; 503 when the database does not answer. */
export function healthRoutes(source: DataSource): Router {
  const router = Router();
  router.get('/health', async (req, res) => {
    try {
      const [newest] = await source.query<{ name: string }[]>('SELECT name FROM migration ORDER BY id DESC LIMIT 1');
      const body: Health = {
        status: 'ok',
        database: 'up',
        migration: newest?.name ?? null,
        needsSetup: (await source.manager.count(StudioEntity)) === 0,
      };
      res.set('cache-control', 'no-store').json(body);
    } catch (err) {
      req.log.warn({ err }, 'health: database down');
      const body: Health = { status: 'degraded', database: 'down', migration: null, needsSetup: false };
      res.status(503).json(body);
    }
  });
  return router;
}
