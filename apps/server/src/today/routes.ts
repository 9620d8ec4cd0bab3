import type { Today } from '@yandle/contract';
import { addDays, isStopSign, SORE_RESTS, type PlainDate } from '@yandle/core';
import { Router } from 'express';
import { Between, In, IsNull, MoreThanOrEqual } from 'typeorm';
import { contextOf } from '../accounts/context.js';
import { ClientEntity } from '../clients/entities.js';
import { overviews } from '../clients/overview.js';
import type { StudioData } from '../database/studio-data.js';
import { PrioritiesEntity } from '../priorities/entities.js';
import { BlockEntity, RetestEntity } from '../blocks/entities.js';
import { SorenessEntity, SessionEntity, SymptomEntity } from '../sessions/entities.js';
import { summaries, symptomViews } from '../sessions/views.js';
import { LateLogEntity } from '../phone/entities.js';

/** Days ahead that Today shows. */
const AHEAD = 6;
/** Days between quick checks. */
const CHECK_DAYS = 7;

async function todayOf(data: StudioData, date: PlainDate): Promise<Today> {
  const clients = await data.find(ClientEntity, { archivedAt: IsNull() }, { order: { name: 'ASC' } });
  const byId = new Map(clients.map((c) => [c.id, c]));
  const blocks = await data.find(BlockEntity, { endedAt: IsNull() });
  const live = new Set(blocks.filter((p) => byId.has(p.clientId)).map((p) => p.id));
  const states = await overviews(data, [...byId.keys()], date);

  const sessionRows = (
    await data.find(SessionEntity, { date: Between(date, addDays(date, AHEAD)) }, { order: { date: 'ASC', id: 'ASC' } })
  ).filter((s) => live.has(s.blockId));
  const sessions = (await summaries(data, sessionRows)).map((s) => ({
    ...s,
    clientName: byId.get(s.clientId)!.name,
  }));

  const due = [...states].filter(([, o]) => o.nextRetest !== null && o.nextRetest <= addDays(date, AHEAD));
  const dueRows = await data.find(RetestEntity, { blockId: In(due.map(([, o]) => o.block!.id)) });
  const retests = due
    .map(([clientId, o]) => ({
      clientId,
      clientName: byId.get(clientId)!.name,
      date: o.nextRetest!,
      week: dueRows.find((r) => r.blockId === o.block!.id && r.date === o.nextRetest)?.week ?? 1,
    }))
    .sort((a, b) => (a.date < b.date ? -1 : 1));

  const checks = (await data.find(PrioritiesEntity, {})).filter(
    (f) => byId.has(f.id) && f.content.quickCheck.length > 0,
  );
  const retestSoon = new Set(retests.map((r) => r.clientId));
  const quickChecks = checks
    .map((f) => ({
      clientId: f.id,
      clientName: byId.get(f.id)!.name,
      last: states.get(f.id)?.lastAssessment ?? null,
    }))
    // A retest takes the two tests along.
    .filter((c) => !retestSoon.has(c.clientId) && (c.last === null || c.last <= addDays(date, -CHECK_DAYS)))
    .sort((a, b) => (a.clientName < b.clientName ? -1 : 1));

  const symptoms = (await data.find(SymptomEntity, { clearedAt: IsNull() }, { order: { createdAt: 'ASC' } })).filter(
    (s) => isStopSign(s.symptom) && byId.has(s.clientId),
  );

  const waiting = (await data.find(LateLogEntity, { decidedAt: IsNull() })).filter((l) => byId.has(l.clientId));
  const notes = await data.find(
    SorenessEntity,
    { date: Between(addDays(date, -1), date), soreness: MoreThanOrEqual(SORE_RESTS) },
    { order: { date: 'DESC', createdAt: 'DESC' } },
  );
  const sore = notes.filter((n) => byId.has(n.clientId));

  return {
    date,
    lateLogs: clients.flatMap((c) => {
      const runs = new Set(waiting.filter((l) => l.clientId === c.id).map((l) => l.runId)).size;
      return runs > 0 ? [{ clientId: c.id, clientName: c.name, runs }] : [];
    }),
    sore: sore.map(({ clientId, date: on, region, soreness }) => ({
      clientId,
      clientName: byId.get(clientId)!.name,
      date: on,
      region,
      soreness,
    })),
    sessions,
    retests,
    quickChecks,
    symptoms: await symptomViews(data, symptoms),
    clearances: clients
      .filter((c) => c.screening === 'refer')
      .map((c) => ({ clientId: c.id, clientName: c.name, note: c.screeningNote })),
    withoutBlock: clients
      .filter((c) => c.screening !== 'refer' && states.get(c.id)?.block === null)
      .map((c) => ({
        clientId: c.id,
        clientName: c.name,
        reason:
          c.screening === 'open'
            ? 'intake questions not answered yet'
            : states.get(c.id)!.assessments === 0
              ? 'not measured yet'
              : 'measured, no block running',
      })),
  };
}

export function todayRoutes(): Router {
  const router = Router();
  router.get('/today', async (_req, res) => {
    const { data, today } = contextOf(res);
    res.json(await todayOf(data, today));
  });
  return router;
}
