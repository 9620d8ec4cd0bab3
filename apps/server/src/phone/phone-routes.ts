import {
  breathSchema,
  checkInSchema,
  sorenessSchema,
  finishRunSchema,
  openShareSchema,
  setLogSchema,
  sharedRunSchema,
  symptomSchema,
} from '@yandle/contract/schemas';
import { upgradeStored } from '@yandle/core';
import { parse as parseCookies } from 'cookie';
import { Router, type Request, type Response } from 'express';
import type { DataSource } from 'typeorm';
import { contextOfToken, isOpen } from '../accounts/client-link.js';
import { actorOf } from '../accounts/context.js';
import { mayBeToken } from '../accounts/token.js';
import type { Clock } from '../clock.js';
import type { Config } from '../config.js';
import { putCheckIn } from '../check-ins/service.js';
import { HttpProblem } from '../http/problem.js';
import type { Limits } from '../limits/limit.js';
import { pathId, validBody } from '../http/validate.js';
import { putBreath } from '../sessions/pace.js';
import { putSoreness } from '../sessions/soreness.js';
import { RunEntity, SessionEntity } from '../sessions/entities.js';
import { finishRun, putSet, putSymptom, startRun } from '../sessions/run.js';
import { PhoneLinkEntity } from './entities.js';
import { keepLate, type QueuedRequest } from './late.js';
import { sharedBlock } from './block.js';

const COOKIE = 'yandle-share';
const ENDED = 'This link has ended. Ask your coach for a new one.';
const GONE = 'Nothing is kept for this link any more. If you still train with your coach, ask them for a new one.';

function cookieOf(req: Request): string | null {
  return parseCookies(req.get('cookie') ?? '')[COOKIE] ?? null;
}

/** What a client's phone can do with its link: read its own block, and log. Nothing else is reached from here. */
export function phoneRoutes(
  source: DataSource,
  clock: Clock,
  config: Pick<Config, 'publicUrl'>,
  limits: Limits,
): Router {
  const router = Router();
  router.use(
    '/shared',
    limits.of({
      name: 'shared',
      // A session of twenty minutes sends some sixty logs.
      most: 2000,
      minutes: 15,
      step: 20,
      detail: 'Too many requests from here. Wait 15 minutes.',
    }),
  );

  /** @param given token of a link that is being opened; else the cookie says it */
  async function linked(req: Request, given?: string) {
    const token = given ?? cookieOf(req);
    const at = await contextOfToken(source, clock, PhoneLinkEntity, token, actorOf(req, null));
    // A link that was once given out, of which nothing is left: the client was erased. The phone erases its own store.
    if (!at && given === undefined && mayBeToken(token)) throw new HttpProblem('gone', GONE);
    if (!at) throw new HttpProblem('not-signed-in', ENDED);
    return { ...at, clientId: at.link.clientId };
  }
  type Linked = Awaited<ReturnType<typeof linked>>;

  async function opened(req: Request): Promise<Linked> {
    const at = await linked(req);
    if (!isOpen(at.link, at.now)) throw new HttpProblem('not-signed-in', ENDED);
    return at;
  }

  /** Takes a part of a run; what cannot be taken because the link or the plan has ended is kept for the coach. */
  async function takeRequest(at: Linked, res: Response, queued: QueuedRequest, take: () => Promise<unknown>) {
    const reason = isOpen(at.link, at.now) ? null : 'link';
    if (reason === null) {
      try {
        await take();
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
    const at = await linked(req, token);
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
    const at = await linked(req);
    const { snapshot, ...body } = validBody(sharedRunSchema, req.body, (b) => upgradeStored('items', b));
    const id = pathId(req.params.id, 'session');
    const queued: QueuedRequest = { kind: 'start', runId: body.id, target: id, body: { ...body, snapshot } };
    await takeRequest(at, res, queued, async () => {
      await ownSession(at, id);
      // Its sets came first, and the coach has taken them in.
      if (await at.data.findOne(RunEntity, { id: body.id, sessionId: id })) return;
      await startRun(at.data, id, body, at.today, 'client');
    });
  });
  router.put('/shared/runs/:id/sets/:setId', async (req, res) => {
    const at = await linked(req);
    const body = validBody(setLogSchema, req.body);
    const [runId, target] = [pathId(req.params.id, 'run'), pathId(req.params.setId, 'set')];
    await takeRequest(at, res, { kind: 'set', runId, target, body }, async () => {
      await ownRun(at, runId);
      await putSet(at.data, runId, target, body);
    });
  });
  router.put('/shared/runs/:id/symptoms/:symptomId', async (req, res) => {
    const at = await linked(req);
    const body = validBody(symptomSchema, req.body);
    const [runId, target] = [pathId(req.params.id, 'run'), pathId(req.params.symptomId, 'symptom')];
    await takeRequest(at, res, { kind: 'symptom', runId, target, body }, async () => {
      await ownRun(at, runId);
      await putSymptom(at.data, runId, target, body);
    });
  });
  router.post('/shared/runs/:id/finish', async (req, res) => {
    const at = await linked(req);
    const body = validBody(finishRunSchema, req.body);
    const runId = pathId(req.params.id, 'run');
    await takeRequest(at, res, { kind: 'finish', runId, target: runId, body }, async () => {
      await ownRun(at, runId);
      await finishRun(at.data, runId, body);
    });
  });
  router.put('/shared/soreness/:id', async (req, res) => {
    const { data, clientId, today } = await opened(req);
    const body = validBody(sorenessSchema, req.body);
    res.json(await putSoreness(data, clientId, pathId(req.params.id, 'day note'), body, today));
  });
  router.put('/shared/check-ins/:id', async (req, res) => {
    const { data, clientId, today } = await opened(req);
    const body = validBody(checkInSchema, req.body);
    res.json(await putCheckIn(data, clientId, pathId(req.params.id, 'entry'), body, today));
  });
  router.put('/shared/breath', async (req, res) => {
    const { data, clientId, today } = await opened(req);
    const { seconds } = validBody(breathSchema, req.body);
    await putBreath(data, clientId, seconds, today);
    res.json({});
  });
  return router;
}
