import type { Block, BlockBody, CreateBlockBody, PlanningView, UpdateBlockBody } from '@yandle/contract';
import {
  type BlockDraft,
  blockInputOf,
  type BlockPlan,
  buildBlock,
  endOfBlock,
  type Caution,
  cautionsAgainst,
  checkBlock,
  CoreError,
  errorWords,
  type Exercise,
  type PlainDate,
  type LaneEased,
  type PlanContext,
  type PlannedWeek,
  runningBlock,
  type Screening,
  strainsIn,
  techniquesOf,
  techniquesUsed,
  keptBasis,
  type PlanBasis,
  tighterSideIn,
  violationWords,
  cautionTitle,
  cautionChanges,
} from '@yandle/core';
import { assertItems } from '../sessions/edit.js';
import { IsNull } from 'typeorm';
import { ClientEntity } from '../clients/entities.js';
import { hashOf, type StudioData } from '../database/studio-data.js';
import { assertVersion } from '../database/versioned.js';
import { loadExercises, type ExerciseLibrary } from '../exercises/library.js';
import { HttpProblem } from '../http/problem.js';
import { screeningOf } from '../screening/service.js';
import { SessionEntity } from '../sessions/entities.js';
import { loadStyles, type StyleLibrary } from '../styles/service.js';
import { BlockEntity } from './entities.js';
import { basisNow, contextOf, loggedIn, planningView, sessionsOf } from './planning.js';
import { publish, type MayBeDone } from './publish.js';
import { blockView, changeableFrom, newestRevision, weeksDone, blockViews } from './view.js';

/** Who plans, and when. */
export interface Planner {
  readonly coachId: string;
  readonly timeZone: string;
  readonly today: PlainDate;
}

const refuse = (errors: { path: string; message: string }[]): void => {
  if (errors.length > 0) throw new HttpProblem('validation', 'Fix the fields below and save again.', { errors });
};

/** Nobody is planned for who has not been asked, or whom a licensed professional should see first. */
function assertScreened({ state }: Screening): void {
  if (state === 'refer')
    throw new HttpProblem(
      'screening-blocks-planning',
      'The client sees a doctor or physiotherapist first. Record the clearance in the intake, then plan.',
    );
  if (state === 'open')
    throw new HttpProblem(
      'screening-blocks-planning',
      'The questions before planning have not been asked. Answer them in the intake, then plan.',
    );
}

function known({ find, archived }: ExerciseLibrary, id: string): Exercise | null {
  if (archived.has(id)) return null;
  try {
    return find(id);
  } catch (err) {
    if (err instanceof CoreError) return null;
    throw err;
  }
}

/** Every exercise is there, works the lane's group, can be done so, and no caution speaks against it: no plan with one can be stored. */
function assertExercises(draft: BlockBody, cautions: readonly Caution[], library: ExerciseLibrary): void {
  refuse(
    draft.lanes.flatMap((l, i) =>
      l.exercises.flatMap((chosen, k) => {
        const path = `lanes.${i}.exercises.${k}.exerciseId`;
        const exercise = known(library, chosen.exerciseId);
        if (!exercise)
          return [{ path, message: 'This exercise is not in the library, or it is archived. Choose another.' }];
        const opens = chosen.technique === 'activation' && (exercise.opens?.includes(l.group) ?? false);
        if (exercise.primary !== l.group && !opens)
          return [{ path, message: 'This exercise does not work the lane’s muscle group.' }];
        if (!techniquesOf(exercise).includes(chosen.technique))
          return [{ path, message: `This exercise can’t be done as ${chosen.technique}. Choose another.` }];
        return cautionsAgainst({ ...exercise, technique: chosen.technique }, cautions).map((c) => ({
          path,
          message: `${cautionTitle(c)}: ${cautionChanges(c)}`,
        }));
      }),
    ),
  );
}

/** The same of the routines of day plans: no caution speaks against an exercise of one. */
function assertRoutines(draft: BlockBody, cautions: readonly Caution[], library: ExerciseLibrary): void {
  draft.dayPlans.forEach((p, i) => {
    const at = `dayPlans.${i}.routine.items`;
    const items = p.routine?.items ?? [];
    assertItems(library, items, at);
    refuse(
      items.flatMap((item, k) => {
        const exercise = library.find(item.exerciseId);
        const against = strainsIn(item, exercise).flatMap((technique) =>
          cautionsAgainst({ ...exercise, technique }, cautions),
        );
        return [...new Set(against)].map((c) => ({
          path: `${at}.${k}.exerciseId`,
          message: `${exercise.name}: ${cautionTitle(c)}. Choose the routine again, so that it is fitted to the client.`,
        }));
      }),
    );
  });
}

function assertStyles(draft: BlockDraft, context: PlanContext): void {
  refuse(
    draft.lanes.flatMap((l, i) =>
      [l.styleId, ...l.laterStyles.map((s) => s.styleId)].flatMap((id) => {
        try {
          context.findStyle(id);
          return [];
        } catch (err) {
          if (!(err instanceof CoreError)) throw err;
          return [{ path: `lanes.${i}.styleId`, message: errorWords(err) }];
        }
      }),
    ),
  );
}

/** A plan whose lanes all have their exercises and break no rule that no coach may break. */
function soundPlan(draft: BlockDraft, context: PlanContext, fromWeek = 1): BlockPlan {
  assertStyles(draft, context);
  const input = blockInputOf(draft, context);
  const plan = buildBlock(input);
  refuse(
    plan.lanes.flatMap((lane, i) =>
      techniquesUsed(lane, fromWeek)
        .filter((t) => !draft.lanes[i]!.exercises.some((e) => e.technique === t))
        .map((t) => ({ path: `lanes.${i}.exercises`, message: `Choose an exercise for ${t}.` })),
    ),
  );
  refuse(
    checkBlock(input, plan)
      .filter((v) => v.severity === 'stop')
      .map((v) => ({
        path: v.lane === null ? 'lanes' : `lanes.${v.lane}`,
        message: `Week ${v.week}: ${violationWords(v.fact)}`,
      })),
  );
  return plan;
}

/** What planning for a client needs, read once. */
async function prepared(tx: StudioData, client: ClientEntity, planner: Planner) {
  const screening = await screeningOf(tx, client, planner.today);
  assertScreened(screening);
  const libraries = { exercises: await loadExercises(tx), styles: await loadStyles(tx) };
  const now = await basisNow(tx, client, planner.timeZone, planner.today);
  return { cautions: screening.current, libraries, now };
}

const firstSidesOf = (draft: BlockDraft, basis: PlanBasis) =>
  draft.lanes.map((l) => tighterSideIn(basis, l.group) ?? 'left');

const allowedBy =
  (library: ExerciseLibrary, cautions: readonly Caution[]): MayBeDone =>
  (exerciseId, technique) =>
    cautionsAgainst({ ...library.find(exerciseId), technique }, cautions).length === 0;

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
): Promise<BlockPlan> {
  const { client, cautions, libraries, basis, fromWeek, logged, past } = await replanning(
    data,
    row,
    before,
    false,
    planner,
  );
  const eased = [...(logged.eased ?? []), ...more];
  const context = contextOf(client, before.choices, cautions, basis, libraries, past, { ...logged, eased });
  return soundPlan(before.choices, context, fromWeek);
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

/** A block for a change, locked with its sessions: a run that begins meanwhile is either seen, or finds its session gone. */
export async function lockedBlock(
  tx: StudioData,
  id: string,
  version: number,
  today: PlainDate,
): Promise<{ readonly row: BlockEntity; readonly before: Block }> {
  const row = await tx.getLocked(BlockEntity, id, 'block');
  await tx.findLocked(SessionEntity, { blockId: id });
  const before = await blockView(tx, row, today);
  assertVersion(row, version, before);
  return { row, before };
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
