import type { Block, BlockBody, CreateBlockBody, UpdateBlockBody } from '@yandle/contract';
import {
  ageOn,
  buildBlock,
  cautionsAgainst,
  CoreError,
  endOfBlock,
  limitsOfCautions,
  type BlockPlan,
  type Caution,
  type Exercise,
  type PlainDate,
  type Screening,
} from '@yandle/core';
import { In } from 'typeorm';
import { latestSidedValues } from '../assessments/service.js';
import { ClientEntity } from '../clients/entities.js';
import { runningOf } from '../clients/overview.js';
import { hashOf, type StudioData } from '../database/studio-data.js';
import { assertVersion } from '../database/versioned.js';
import { loadExercises, type ExerciseBook } from '../exercises/book.js';
import { HttpProblem } from '../http/problem.js';
import { screeningOf } from '../screening/service.js';
import { RunEntity, SessionEntity } from '../sessions/entities.js';
import { LaneEntity, PrescriptionEntity, ProgrammeEntity, RetestEntity, RevisionEntity } from './entities.js';
import { publish } from './publish.js';

/** Who plans, and when. */
export interface Planner {
  readonly coachId: string;
  readonly timeZone: string;
  readonly today: PlainDate;
}

async function hasRuns(data: StudioData, programmeId: string): Promise<boolean> {
  const n = await data.manager
    .createQueryBuilder(RunEntity, 'r')
    .innerJoin(SessionEntity, 's', 's.id = r.session_id')
    .where('r.studioId = :studio AND s.programmeId = :programmeId', { studio: data.studioId, programmeId })
    .getCount();
  return n > 0;
}

async function blockView(data: StudioData, row: ProgrammeEntity): Promise<Block> {
  const [revision] = await data.find(RevisionEntity, { programmeId: row.id }, { order: { number: 'DESC' }, take: 1 });
  const lanes = await data.find(LaneEntity, { revisionId: revision!.id }, { order: { place: 'ASC' } });
  const weeks = await data.find(PrescriptionEntity, { laneId: In(lanes.map((l) => l.id)) }, { order: { week: 'ASC' } });
  const retests = await data.find(RetestEntity, { programmeId: row.id }, { order: { week: 'ASC' } });
  return {
    id: row.id,
    clientId: row.clientId,
    version: row.version,
    revision: revision!.number,
    startDate: row.startDate,
    endDate: endOfBlock(row.startDate, row.weeks),
    weeks: row.weeks,
    ramp: Number(row.ramp),
    easierEvery: row.easierEvery,
    lanes: lanes.map((l) => ({
      id: l.laneKey,
      group: l.group,
      styleId: l.styleId,
      exerciseId: l.exerciseId,
      limitReasons: l.limitReasons,
      weeks: weeks
        .filter((w) => w.laneId === l.id)
        .map((w) => ({
          week: w.week,
          kind: w.kind,
          prescription: {
            technique: w.technique,
            sets: w.sets,
            holdSeconds: w.holdSeconds,
            sessionsPerWeek: w.sessionsPerWeek,
            sensation: w.sensation,
          },
          dose: w.dose,
          step: w.step,
          changed: w.changed,
          reason: w.reason,
        })),
    })),
    retests: retests.map((r) => ({ week: r.week, date: r.date })),
    replannable: row.endedAt === null && !(await hasRuns(data, row.id)),
    endedAt: row.endedAt?.toISOString() ?? null,
  };
}

/** Nobody is planned for who has not been asked, or whom a licensed professional should see first. */
function assertScreened({ state }: Screening): void {
  if (state === 'refer')
    throw new HttpProblem(
      'screening-blocks-planning',
      'A licensed professional comes first. Record the clearance in the intake, then plan.',
    );
  if (state === 'open')
    throw new HttpProblem(
      'screening-blocks-planning',
      'The questions before planning have not been asked. Answer them in the intake, then plan.',
    );
}

function known({ find, retired }: ExerciseBook, id: string): Exercise | null {
  if (retired.has(id)) return null;
  try {
    return find(id);
  } catch (err) {
    if (err instanceof CoreError) return null;
    throw err;
  }
}

/** Every lane has a stretch of its group, and none that a caution speaks against: no plan with one can be stored. */
function assertExercises(body: BlockBody, cautions: readonly Caution[], book: ExerciseBook): void {
  const errors = body.lanes.flatMap((l, i) => {
    const path = `lanes.${i}.exerciseId`;
    const exercise = known(book, l.exerciseId);
    if (!exercise) return [{ path, message: 'This exercise is not in the library, or it is retired. Choose another.' }];
    if (exercise.primary !== l.group)
      return [{ path, message: 'This exercise does not work the lane’s muscle group.' }];
    if (exercise.technique !== 'static hold')
      return [{ path, message: `The style holds still; this exercise is another technique: ${exercise.technique}.` }];
    return cautionsAgainst(exercise, cautions).map((c) => ({ path, message: `${c.title}: ${c.changes}` }));
  });
  if (errors.length > 0) throw new HttpProblem('validation', 'Mend the fields listed and send again.', { errors });
}

function planFor(client: ClientEntity, body: BlockBody, cautions: readonly Caution[]): BlockPlan {
  return buildBlock({
    client: {
      age: ageOn(client.birthDate, body.startDate),
      level: client.level,
      trainingDays: client.trainingDays,
      easyOn: client.easyOn,
      cautions: limitsOfCautions(cautions),
    },
    lanes: body.lanes,
    weeks: body.weeks,
    ramp: body.ramp,
    easierEvery: body.easierEvery,
  });
}

export async function createBlock(
  data: StudioData,
  clientId: string,
  body: CreateBlockBody,
  planner: Planner,
): Promise<Block> {
  return data.transaction(async (tx) => {
    // Locked: of two plans for one client at the same moment the second sees the first.
    const client = await tx.getLocked(ClientEntity, clientId, 'client');
    if (await tx.isNew(ProgrammeEntity, body.id, { clientId, ...body })) {
      const screening = await screeningOf(tx, client, planner.today);
      assertScreened(screening);
      const book = await loadExercises(tx);
      assertExercises(body, screening.standing, book);
      const programmes = await tx.find(ProgrammeEntity, { clientId });
      if (runningOf(programmes, planner.today))
        throw new HttpProblem('conflict', 'This client has a running block. End it first, then build the next.');
      const plan = planFor(client, body, screening.standing);
      await tx.insert(ProgrammeEntity, {
        id: body.id,
        clientId,
        version: 1,
        startDate: body.startDate,
        weeks: body.weeks,
        ramp: body.ramp.toFixed(2),
        easierEvery: body.easierEvery,
        endedAt: null,
        requestHash: hashOf({ clientId, ...body }),
        createdAt: new Date(),
      });
      await publish(tx, {
        programmeId: body.id,
        clientId,
        coachId: planner.coachId,
        number: 1,
        reason: 'First plan',
        body,
        plan,
        trainingDays: client.trainingDays,
        find: book.find,
        measured: await latestSidedValues(tx, clientId, planner.timeZone),
      });
    }
    return blockView(tx, await tx.get(ProgrammeEntity, body.id, 'block'));
  });
}

/** Plans a block anew, as long as nothing of it has been done: the dated sessions are replaced, the earlier revision stays. */
export async function replanBlock(
  data: StudioData,
  id: string,
  body: UpdateBlockBody,
  planner: Planner,
): Promise<Block> {
  return data.transaction(async (tx) => {
    const row = await tx.getLocked(ProgrammeEntity, id, 'block');
    const before = await blockView(tx, row);
    assertVersion(row, body.version, before);
    if (!before.replannable)
      throw new HttpProblem(
        'block-has-logs',
        'Sessions of this block have been done, or it has ended. End it and build the next from where the client is now.',
      );
    const client = await tx.get(ClientEntity, row.clientId, 'client');
    const screening = await screeningOf(tx, client, planner.today);
    assertScreened(screening);
    const book = await loadExercises(tx);
    assertExercises(body, screening.standing, book);
    const plan = planFor(client, body, screening.standing);
    await tx.delete(SessionEntity, { programmeId: id });
    await tx.delete(RetestEntity, { programmeId: id });
    await tx.update(
      ProgrammeEntity,
      { id },
      {
        version: row.version + 1,
        startDate: body.startDate,
        weeks: body.weeks,
        ramp: body.ramp.toFixed(2),
        easierEvery: body.easierEvery,
      },
    );
    await publish(tx, {
      programmeId: id,
      clientId: row.clientId,
      coachId: planner.coachId,
      number: before.revision + 1,
      reason: 'Planned anew',
      body,
      plan,
      trainingDays: client.trainingDays,
      find: book.find,
      measured: await latestSidedValues(tx, row.clientId, planner.timeZone),
    });
    return blockView(tx, await tx.get(ProgrammeEntity, id, 'block'));
  });
}

export async function endBlock(data: StudioData, id: string, version: number, now: Date): Promise<Block> {
  return data.transaction(async (tx) => {
    const row = await tx.getLocked(ProgrammeEntity, id, 'block');
    assertVersion(row, version, await blockView(tx, row));
    if (row.endedAt === null) await tx.update(ProgrammeEntity, { id }, { endedAt: now, version: version + 1 });
    return blockView(tx, await tx.get(ProgrammeEntity, id, 'block'));
  });
}

/** All blocks of a client, newest first. */
export async function listBlocks(data: StudioData, clientId: string): Promise<Block[]> {
  await data.get(ClientEntity, clientId, 'client');
  const rows = await data.find(ProgrammeEntity, { clientId }, { order: { startDate: 'DESC', id: 'DESC' } });
  return Promise.all(rows.map((r) => blockView(data, r)));
}
