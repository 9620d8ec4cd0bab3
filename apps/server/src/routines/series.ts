import { OWN_ROUTINE_PREFIX, type OwnSeries, type OwnSeriesBody } from '@yandle/contract';
import { ROUTINES, type SeriesEntry } from '@yandle/core';
import type { StudioData } from '../database/studio-data.js';
import { putVersioned, type RowHead } from '../database/versioned.js';
import { invalidField } from '../http/problem.js';
import { RoutineEntity, SeriesEntity } from './entities.js';

const view = (row: SeriesEntity): OwnSeries => ({
  ...row.definition,
  id: row.id,
  version: row.version,
  archived: row.archived,
});

/** Series of the studio, archived ones too. */
export async function listSeries(data: StudioData): Promise<OwnSeries[]> {
  return (await data.find(SeriesEntity, {}, { order: { createdAt: 'ASC', id: 'ASC' } })).map(view);
}

/** Every routine of a series is one that ships, or the studio's own. */
async function assertRoutines(tx: StudioData, entries: readonly SeriesEntry[]): Promise<void> {
  const own = await tx.find(RoutineEntity, {});
  const known = new Set([...ROUTINES.map((r) => r.id), ...own.map((r) => OWN_ROUTINE_PREFIX + r.id)]);
  entries.forEach((e, i) => {
    if (!known.has(e.routineId)) throw invalidField(`entries[${i}].routineId`, 'Choose a routine of the list.');
  });
}

/** Creates or edits a series. */
export async function putSeries(data: StudioData, id: string, body: OwnSeriesBody): Promise<OwnSeries> {
  const { version: _, archived, ...definition } = body;
  return data.transaction(async (tx) => {
    await assertRoutines(tx, definition.entries);
    const make = {
      create: (head: RowHead) => ({ ...head, definition, archived, createdAt: tx.now }),
      edit: () => ({ definition, archived }),
    };
    await putVersioned(tx, SeriesEntity, id, body, 'series', make, view);
    return view(await tx.get(SeriesEntity, id, 'series'));
  });
}
