import type { Block, CreateBlockBody, PlanningView, UpdateBlockBody } from '@yandle/contract';
import { endOfBlock, type PlainDate, runningBlock } from '@yandle/core';
import { IsNull } from 'typeorm';
import { ClientEntity } from '../clients/entities.js';
import { hashOf, type StudioData } from '../database/studio-data.js';
import { assertVersion } from '../database/versioned.js';
import { HttpProblem } from '../http/problem.js';
import { BlockEntity } from './entities.js';
import { allowedBy, assertExercises, assertRoutines, firstSidesOf, prepared, soundPlan } from './sound-plan.js';
import { lockedBlock, reviseLocked } from './replanning.js';
import { type Planner, contextOf, planningView } from './planning.js';
import { publish } from './publish.js';
import { blockView, blockViews } from './view.js';

export async function createBlock(
  data: StudioData,
  clientId: string,
  body: CreateBlockBody,
  planner: Planner,
): Promise<Block> {
  return data.transaction(async (tx) => {
    // Locked: of two plans for one client at the same moment the second sees the first.
    const client = await tx.getLocked(ClientEntity, clientId, 'client');
    if (await tx.isNew(BlockEntity, body.id, { clientId, ...body })) {
      const { id, reason, ...draft } = body;
      const { cautions, libraries, now } = await prepared(tx, client, planner);
      assertExercises(draft, cautions, libraries.exercises);
      assertRoutines(draft, cautions, libraries.exercises);
      const blocks = await tx.find(BlockEntity, { clientId });
      if (runningBlock(blocks, planner.today))
        throw new HttpProblem('conflict', 'This client has a running block. End it first, then build the next.');
      const plan = soundPlan(draft, contextOf(client, draft, cautions, now, libraries));
      await tx.insert(BlockEntity, {
        id,
        clientId,
        version: 1,
        startDate: draft.startDate,
        weeks: draft.weeks,
        ramp: draft.ramp.toFixed(2),
        easierEvery: draft.easierEvery,
        endedAt: null,
        requestHash: hashOf({ clientId, ...body }),
        createdAt: tx.now,
      });
      const publication = {
        blockId: id,
        clientId,
        coachId: planner.coachId,
        number: 1,
        reason,
        draft,
        plan,
        find: libraries.exercises.find,
        fromWeek: 1,
        firstSides: firstSidesOf(draft, now),
        today: planner.today,
        basis: now,
      };
      await publish(tx, publication, allowedBy(libraries.exercises, cautions));
    }
    return blockView(tx, await tx.get(BlockEntity, body.id, 'block'), planner.today);
  });
}

/** Publishes a changed block. What has been done stays; a running block changes from next week on. Every earlier state is kept. */
export async function reviseBlock(
  data: StudioData,
  id: string,
  { version, ...body }: UpdateBlockBody,
  planner: Planner,
): Promise<Block> {
  return data.transaction(async (tx) => {
    const { row, before } = await lockedBlock(tx, id, version, planner.today);
    return reviseLocked(tx, row, before, body, planner);
  });
}

export async function endBlock(data: StudioData, id: string, version: number, today: PlainDate): Promise<Block> {
  return data.transaction(async (tx) => {
    const row = await tx.getLocked(BlockEntity, id, 'block');
    assertVersion(row, version, await blockView(tx, row, today));
    if (row.endedAt === null) {
      await tx.update(BlockEntity, { id }, { endedAt: tx.now, version: version + 1 });
      await tx.audit('block-ended', { clientId: row.clientId, subject: id });
    }
    return blockView(tx, await tx.get(BlockEntity, id, 'block'), today);
  });
}

/**
 * Takes the end of a block back.
 * @throws HttpProblem `conflict` where another block has begun since
 */
export async function resumeBlock(data: StudioData, id: string, version: number, today: PlainDate): Promise<Block> {
  return data.transaction(async (tx) => {
    const row = await tx.getLocked(BlockEntity, id, 'block');
    assertVersion(row, version, await blockView(tx, row, today));
    if (row.endedAt !== null) {
      const running = (await tx.find(BlockEntity, { clientId: row.clientId, endedAt: IsNull() })).filter(
        (b) => b.id !== id && endOfBlock(b.startDate, b.weeks) >= today,
      );
      if (running.length > 0)
        throw new HttpProblem('conflict', 'Another block is running. End that one first, then resume this one.');
      await tx.update(BlockEntity, { id }, { endedAt: null, version: version + 1 });
      await tx.audit('block-resumed', { clientId: row.clientId, subject: id });
    }
    return blockView(tx, await tx.get(BlockEntity, id, 'block'), today);
  });
}

/** All blocks of a client, newest first. */
export async function listBlocks(data: StudioData, clientId: string, today: PlainDate): Promise<Block[]> {
  await data.get(ClientEntity, clientId, 'client');
  const rows = await data.find(BlockEntity, { clientId }, { order: { startDate: 'DESC', id: 'DESC' } });
  return blockViews(data, rows, today);
}

/** What planning for a client depends on, so that a screen computes the same plan. */
export async function planningOf(data: StudioData, clientId: string, planner: Planner): Promise<PlanningView> {
  const client = await data.get(ClientEntity, clientId, 'client');
  return planningView(data, client, planner.timeZone, planner.today);
}
