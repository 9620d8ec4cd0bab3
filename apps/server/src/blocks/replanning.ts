import type { Block, UpdateBlockBody } from '@yandle/contract';
import {
  type BlockDraft,
  type BlockPlan,
  type Caution,
  type PlainDate,
  type LaneEased,
  type PlanContext,
  type PlannedWeek,
  keptBasis,
  type PlanBasis,
} from '@yandle/core';
import { ClientEntity } from '../clients/entities.js';
import { type StudioData } from '../database/studio-data.js';
import { assertVersion } from '../database/versioned.js';
import { type ExerciseLibrary } from '../exercises/library.js';
import { HttpProblem } from '../http/problem.js';
import { SessionEntity } from '../sessions/entities.js';
import { type StyleLibrary } from '../styles/service.js';
import { BlockEntity } from './entities.js';
import { allowedBy, assertExercises, assertRoutines, firstSidesOf, prepared, refuse, soundPlan } from './sound-plan.js';
import { type Planner, contextOf, loggedIn, sessionsOf } from './planning.js';
import { publish } from './publish.js';
import { blockView, changeableFrom, newestRevision, weeksDone } from './view.js';

/** What a running block may not change: its start, and lanes that have begun. */
async function assertFromWeek(tx: StudioData, before: Block, draft: BlockDraft, fromWeek: number): Promise<void> {
  if (fromWeek === 1) return;
  const errors: { path: string; message: string }[] = [];
  if (draft.startDate !== before.startDate)
    errors.push({ path: 'startDate', message: 'Sessions are logged, so the start date can’t change.' });
  if (draft.weeks < fromWeek - 1)
    errors.push({
      path: 'weeks',
      message: `Week ${fromWeek - 1} has started, so the block can end after it at the earliest.`,
    });
  for (const lane of before.lanes)
    if (!draft.lanes.some((l) => l.id === lane.id))
      errors.push({ path: 'lanes', message: 'This lane has started. Set its last week instead.' });
  const done = await weeksDone(tx, before.id);
  draft.missedWeeks.forEach((w, i) => {
    if (done.has(w))
      errors.push({ path: `missedWeeks.${i}`, message: `Something was done in week ${w}: it was not missed.` });
  });
  refuse(errors);
}

/** All that a new version of a running block is planned from, besides what the coach chooses. */
interface Replanning {
  readonly client: ClientEntity;
  readonly cautions: readonly Caution[];
  readonly libraries: { readonly exercises: ExerciseLibrary; readonly styles: StyleLibrary };
  readonly basis: PlanBasis;
  readonly fromWeek: number;
  readonly logged: Pick<PlanContext, 'partWeeks' | 'undoneWeeks' | 'eased'>;
  readonly past: (laneId: string) => readonly PlannedWeek[];
}

/** @param renew true to plan from what is known now; else from what the block was published from */
async function replanning(
  tx: StudioData,
  row: BlockEntity,
  before: Block,
  renew: boolean,
  planner: Planner,
): Promise<Replanning> {
  const client = await tx.get(ClientEntity, row.clientId, 'client');
  const { cautions, libraries, now } = await prepared(tx, client, planner);
  const basis = renew ? now : keptBasis(before.basis, now);
  const fromWeek = await changeableFrom(tx, row, planner.today);
  const logged = await loggedIn(tx, before, await sessionsOf(tx, before.id), planner.today);
  const past = (laneId: string) =>
    (before.lanes.find((l) => l.id === laneId)?.weeks ?? []).filter((w) => w.week < fromWeek);
  return { client, cautions, libraries, basis, fromWeek, logged, past };
}

/**
 * The block planned once more from the choices it was published with, and with further weeks that stay or go down: what a decision of a review
 * would make of it. Nothing is written.
 */
export async function replanned(
  data: StudioData,
  row: BlockEntity,
  before: Block,
  more: readonly LaneEased[],
  planner: Planner,
  draft: BlockDraft = before.choices,
): Promise<BlockPlan> {
  const { client, cautions, libraries, basis, fromWeek, logged, past } = await replanning(
    data,
    row,
    before,
    false,
    planner,
  );
  const eased = [...(logged.eased ?? []), ...more];
  const context = contextOf(client, draft, cautions, basis, libraries, past, { ...logged, eased });
  return soundPlan(draft, context, fromWeek);
}

/** Publishes a changed block, whose row the caller has locked and whose version is the newest. */
export async function reviseLocked(
  tx: StudioData,
  row: BlockEntity,
  before: Block,
  { reason, renew = false, ...draft }: Omit<UpdateBlockBody, 'version'>,
  planner: Planner,
): Promise<Block> {
  const { id } = row;
  if (row.endedAt !== null)
    throw new HttpProblem('block-has-logs', 'This block has ended. Build the next from where the client is now.');
  const { client, cautions, libraries, basis, fromWeek, logged, past } = await replanning(
    tx,
    row,
    before,
    renew,
    planner,
  );
  await assertFromWeek(tx, before, draft, fromWeek);
  assertExercises(draft, cautions, libraries.exercises);
  assertRoutines(draft, cautions, libraries.exercises);
  // A lane that comes in while the block runs begins with the first week that may change.
  const asked: BlockDraft = {
    ...draft,
    lanes: draft.lanes.map((l) => (past(l.id).length > 0 ? l : { ...l, fromWeek: Math.max(l.fromWeek, fromWeek) })),
  };
  const plan = soundPlan(asked, contextOf(client, asked, cautions, basis, libraries, past, logged), fromWeek);
  await tx.update(
    BlockEntity,
    { id },
    {
      version: row.version + 1,
      startDate: asked.startDate,
      weeks: asked.weeks,
      ramp: asked.ramp.toFixed(2),
      easierEvery: asked.easierEvery,
    },
  );
  const publication = {
    blockId: id,
    clientId: row.clientId,
    coachId: planner.coachId,
    number: (await newestRevision(tx, id)).number + 1,
    reason,
    draft: asked,
    plan,
    find: libraries.exercises.find,
    fromWeek,
    firstSides: firstSidesOf(asked, basis),
    today: planner.today,
    basis,
  };
  await publish(tx, publication, allowedBy(libraries.exercises, cautions));
  return blockView(tx, await tx.get(BlockEntity, id, 'block'), planner.today);
}

/** A block for a change, of the version that its coach saw (null for the program's own work), locked with its sessions: a run that begins meanwhile is either seen, or finds its session gone. */
export async function lockedBlock(
  tx: StudioData,
  id: string,
  version: number | null,
  today: PlainDate,
): Promise<{ readonly row: BlockEntity; readonly before: Block }> {
  const row = await tx.getLocked(BlockEntity, id, 'block');
  await tx.findLocked(SessionEntity, { blockId: id });
  const before = await blockView(tx, row, today);
  if (version !== null) assertVersion(row, version, before);
  return { row, before };
}
