import type { EntityTarget } from 'typeorm';
import { HttpProblem } from '../http/problem.js';
import { hashOf, type CreatedRow, type NewRow, type StudioData } from './studio-data.js';

/** Rows that are edited: each edit names the version it started from. */
export interface VersionedRow extends CreatedRow {
  version: number;
}

/** What every new row of them begins with. */
export type RowHead = Pick<VersionedRow, 'id' | 'version' | 'requestHash'>;

/** Throws `stale-version` with the present state when an edit started from another version. */
export function assertVersion(row: { version: number }, version: number, current: unknown): void {
  if (row.version !== version)
    throw new HttpProblem('stale-version', 'Someone else changed this. Reload, then make your change again.', {
      current,
    });
}

/**
 * Creates (version null) or edits a row whose id the sender made. The same creation again changes nothing; an edit of another version is
 * refused with the present state. Inside a transaction.
 * @param view the row as it crosses the wire
 */
export async function putVersioned<T extends VersionedRow>(
  tx: StudioData,
  entity: EntityTarget<T>,
  id: string,
  body: { readonly version: number | null },
  what: string,
  make: { create: (head: RowHead) => NewRow<T>; edit: (row: T) => Partial<T> },
  view: (row: T) => unknown,
): Promise<void> {
  if (body.version === null) {
    if (await tx.isNew(entity, id, body))
      await tx.insert(entity, make.create({ id, version: 1, requestHash: hashOf(body) }));
    return;
  }
  const row = await tx.getLocked(entity, id, what);
  assertVersion(row, body.version, view(row));
  await tx.updateRow(entity, id, { ...make.edit(row), version: body.version + 1 });
}
