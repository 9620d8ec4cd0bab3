import {
  breathSchema,
  sorenessSchema,
  finishRunSchema,
  openShareSchema,
  setLogSchema,
  sharedRunSchema,
  symptomSchema,
} from '@yandle/contract/schemas';
import { upgradeStored } from '@yandle/core';
import { Router, type Request, type Response } from 'express';
import { rateLimit } from 'express-rate-limit';
import type { DataSource } from 'typeorm';
import { contextOfToken, isOpen } from '../accounts/client-link.js';
import type { Clock } from '../clock.js';
import type { Config } from '../config.js';
import { HttpProblem } from '../http/problem.js';
import { pathId, validBody } from '../http/validate.js';
import { putBreath, putSoreness } from '../sessions/soreness.js';
import { RunEntity, SessionEntity } from '../sessions/entities.js';
import { finishRun, putSet, putSymptom, startRun } from '../sessions/run.js';
import { PhoneLinkEntity } from './entities.js';
import { keepLate, type QueuedRequest } from './late.js';
import { sharedBlock } from './block.js';

const COOKIE = 'yandle-share';
const ENDED = 'This link has ended. Ask your coach for a new one.';

function cookieOf(req: Request): string | null {
  const pair = (req.get('cookie') ?? '').split(/;\s*/).find((c) => c.startsWith(`${COOKIE}=`));
  return pair ? decodeURIComponent(pair.slice(COOKIE.length + 1)) : null;
}

/** What a client's phone can do with its link: read its own block, and log. Nothing else is reached from here. */
export function phoneRoutes(source: DataSource, clock: Clock, config: Pick<Config, 'publicUrl'>): Router {
  const router = Router();
  router.use(
    '/shared',
    rateLimit({
      windowMs: 15 * 60 * 1000,
      // A session of twenty minutes sends some sixty logs.
      limit: 2000,
      standardHeaders: 'draft-8',
      legacyHeaders: false,
      handler: () => {
        throw new HttpProblem('too-many-attempts', 'Too many requests from here. Wait 15 minutes.');
      },
    }),
  );

  async function linked(token: unknown) {
    const at = await contextOfToken(source, clock, PhoneLinkEntity, token);
    if (!at) throw new HttpProblem('not-signed-in', ENDED);
    return { ...at, clientId: at.link.clientId };
  }
  type Linked = Awaited<ReturnType<typeof linked>>;

  async function opened(req: Request): Promise<Linked> {
    const at = await linked(cookieOf(req));
    if (!isOpen(at.link, at.now)) throw new HttpProblem('not-signed-in', ENDED);
    return at;
  }

  /** Takes a part of a run; what cannot be taken because the link or the plan has ended is kept for the coach. */
  async function takeRequest(
    req: Request,
    res: Response,
    queued: QueuedRequest,
    take: (at: Linked) => Promise<unknown>,
  ) {
    const at = await linked(cookieOf(req));
    const reason = isOpen(at.link, at.now) ? null : 'link';
    if (reason === null) {
      try {
        await take(at);
        res.json({});
        return;
      } catch (err) {
        // What is gone is kept; what is wrong is refused with its reason. A run that may not be is refused, but what was done is not lost.
        const code = err instanceof HttpProblem ? err.code : null;
        if (queued.kind === 'start' && (code === 'screening-blocks-planning' || code === 'symptom-not-cleared'))
          await keepLate(at.data, at.clientId, queued, 'stop');
        if (code !== 'not-found') throw err;
      }
    }
    await keepLate(at.data, at.clientId, queued, reason ?? 'plan');
    res.status(202).json({ kept: true });
  }

  const ownRun = async ({ data, clientId }: Linked, runId: string): Promise<void> => {
    const run = await data.get(RunEntity, runId, 'run');
    await ownSession({ data, clientId }, run.sessionId);
  };
  const ownSession = async ({ data, clientId }: Pick<Linked, 'data' | 'clientId'>, id: string): Promise<void> => {
    const session = await data.get(SessionEntity, id, 'session');
    if (session.clientId !== clientId) throw new HttpProblem('not-found', 'There is no such session.');
  };

  router.post('/shared/open', async (req, res) => {
    const { token } = validBody(openShareSchema, req.body);
    const at = await linked(token);
    if (!isOpen(at.link, at.now)) throw new HttpProblem('not-signed-in', ENDED);
    await at.data.update(PhoneLinkEntity, { id: at.link.id }, { usedAt: at.now });
    res.cookie(COOKIE, token, {
      httpOnly: true,
      sameSite: 'strict',
      secure: config.publicUrl?.startsWith('https:') ?? false,
      path: '/api/v1/shared',
      // It outlives the link, so that what is sent late still finds its client.
      maxAge: 400 * 24 * 60 * 60 * 1000,
    });
    res.json({});
  });
  router.get('/shared/block', async (req, res) => {
    const at = await opened(req);
    res.json(await sharedBlock(at, at.clientId));
  });
  router.post('/shared/sessions/:id/runs', async (req, res) => {
    const { snapshot, ...body } = validBody(sharedRunSchema, upgradeStored('items', req.body));
    const id = pathId(req.params.id, 'session');
    const queued: QueuedRequest = { kind: 'start', runId: body.id, target: id, body: { ...body, snapshot } };
    await takeRequest(req, res, queued, async (at) => {
      await ownSession(at, id);
      await startRun(at.data, id, body, at.today, 'client');
    });
  });
  router.put('/shared/runs/:id/sets/:setId', async (req, res) => {
    const body = validBody(setLogSchema, req.body);
    const [runId, target] = [pathId(req.params.id, 'run'), pathId(req.params.setId, 'set')];
    await takeRequest(req, res, { kind: 'set', runId, target, body }, async (at) => {
      await ownRun(at, runId);
      await putSet(at.data, runId, target, body);
    });
  });
  router.put('/shared/runs/:id/symptoms/:symptomId', async (req, res) => {
    const body = validBody(symptomSchema, req.body);
    const [runId, target] = [pathId(req.params.id, 'run'), pathId(req.params.symptomId, 'symptom')];
    await takeRequest(req, res, { kind: 'symptom', runId, target, body }, async (at) => {
      await ownRun(at, runId);
      await putSymptom(at.data, runId, target, body);
    });
  });
  router.post('/shared/runs/:id/finish', async (req, res) => {
    const body = validBody(finishRunSchema, req.body);
    const runId = pathId(req.params.id, 'run');
    await takeRequest(req, res, { kind: 'finish', runId, target: runId, body }, async (at) => {
      await ownRun(at, runId);
      await finishRun(at.data, runId, body);
    });
  });
  router.put('/shared/soreness/:id', async (req, res) => {
    const body = validBody(sorenessSchema, req.body);
    const { data, clientId, today } = await opened(req);
    res.json(await putSoreness(data, clientId, pathId(req.params.id, 'day note'), body, today));
  });
  router.put('/shared/breath', async (req, res) => {
    const { seconds } = validBody(breathSchema, req.body);
    const { data, clientId } = await opened(req);
    await putBreath(data, clientId, seconds);
    res.json({});
  });
  return router;
}
