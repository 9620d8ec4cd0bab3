import type {
  ClientRoutineFit,
  FileImport,
  FitRoutineBody,
  OwnRoutine,
  OwnRoutineBody,
  RoutineFile,
  RoutineVersion,
} from '@yandle/contract';
import {
  aboutFrom,
  buildTimeline,
  onHoldAfter,
  routineFor,
  type PlainDate,
  type RoutineDefinition,
} from '@yandle/core';
import { v7 as uuid } from 'uuid';
import { ClientEntity } from '../clients/entities.js';
import { importDefinitions } from '../database/import-definitions.js';
import type { StudioData } from '../database/studio-data.js';
import { putVersioned, type RowHead } from '../database/versioned.js';
import { loadExercises } from '../exercises/library.js';
import { latestIntake, screeningOf } from '../screening/service.js';
import { assertKnown } from '../sessions/edit.js';
import { openStopSigns } from '../sessions/symptoms.js';
import { timingsBy } from '../studio/settings.js';
import { RoutineEntity, RoutineVersionEntity } from './entities.js';

/** Ids of imported routines come from studio and content: the same file twice adds once. */
const IMPORT_NAMESPACE = '5b3c9d0e-71f4-4e0a-9d25-8a6e0f3b7c11';

const view = (row: RoutineEntity): OwnRoutine => ({
  ...row.definition,
  id: row.id,
  version: row.version,
  archived: row.archived,
  clientId: row.clientId,
});

/** Routines of the studio and of all its clients, archived ones too: sessions may speak of them. */
export async function listRoutines(data: StudioData): Promise<OwnRoutine[]> {
  return (await data.find(RoutineEntity, {}, { order: { createdAt: 'ASC', id: 'ASC' } })).map(view);
}

/** Creates or edits a routine; what it was before is kept. */
export async function putRoutine(data: StudioData, id: string, body: OwnRoutineBody): Promise<OwnRoutine> {
  const { version: _, archived, clientId, ...definition } = body;
  return data.transaction(async (tx) => {
    await assertKnown(tx, definition.items);
    if (clientId !== null) await tx.get(ClientEntity, clientId, 'client');
    const before = await tx.findOne(RoutineEntity, { id });
    const make = {
      create: (head: RowHead) => ({ ...head, definition, archived, clientId, createdAt: tx.now }),
      edit: () => ({ definition, archived, clientId }),
    };
    await putVersioned(tx, RoutineEntity, id, body, 'routine', make, view);
    const after = await tx.get(RoutineEntity, id, 'routine');
    if (before && after.version !== before.version)
      await tx.insert(RoutineVersionEntity, {
        id: uuid(),
        routineId: id,
        version: before.version,
        definition: before.definition,
        createdAt: tx.now,
      });
    return view(after);
  });
}

/** Earlier versions of a routine, newest first. */
export async function routineVersions(data: StudioData, id: string): Promise<RoutineVersion[]> {
  await data.get(RoutineEntity, id, 'routine');
  const rows = await data.find(RoutineVersionEntity, { routineId: id }, { order: { version: 'DESC' } });
  return rows.map((r) => ({ version: r.version, at: r.createdAt.toISOString(), definition: r.definition }));
}

/** Takes routines of a file in for the studio. Their exercises have to be known: a file carries no exercises. */
export async function importRoutines(data: StudioData, file: RoutineFile): Promise<FileImport> {
  for (const r of file.routines) await assertKnown(data, r.items);
  return importDefinitions<RoutineDefinition>(
    data,
    RoutineEntity,
    { namespace: IMPORT_NAMESPACE, kind: 'items' },
    file.routines,
  );
}

/** How each of some clients can do a list, at their usual place: what falls out, and what takes its place. */
export async function fitRoutine(
  data: StudioData,
  { items, alreadyWarm, rounds, pacing, clientIds, placeId }: FitRoutineBody,
  today: PlainDate,
): Promise<ClientRoutineFit[]> {
  await assertKnown(data, items);
  const { find, current } = await loadExercises(data);
  const out: ClientRoutineFit[] = [];
  for (const clientId of clientIds) {
    const client = await data.get(ClientEntity, clientId, 'client');
    const screening = await screeningOf(data, client, today);
    const hold = onHoldAfter(await openStopSigns(data, clientId), find);
    const intake = await latestIntake(data, clientId);
    const places = intake ? aboutFrom(intake.about).places : [];
    const place = (placeId === undefined ? places[0] : places.find((p) => p.id === placeId)) ?? null;
    const fit = routineFor(items, { cautions: screening.current, hold, place, exercises: current, find });
    const timings = (await timingsBy(data, client))({ pacing });
    const { totalSeconds } = buildTimeline(fit.items, { alreadyWarm, rounds }, timings, find);
    const waits = screening.holds || hold.everything;
    out.push({ ...fit, clientId, clientName: client.name, waits, placeId: place?.id ?? null, totalSeconds });
  }
  return out;
}
