import { v5 } from 'uuid';
import type { EntityTarget } from 'typeorm';
import { hashOf, type CreatedRow, type StudioData } from './studio-data.js';

/** Rows that hold a definition read as a whole: own exercises, styles, templates. */
export interface DefinitionRow<D> extends CreatedRow {
  version: number;
  retired: boolean;
  definition: D;
  createdAt: Date;
}

/**
 * Takes definitions of a file in, all or nothing; those that are there with the same content count as the same. Ids come from studio and
 * content, so the same file twice adds once.
 * @param namespace a UUID of the kind of definition
 */
export async function importDefinitions<D, T extends DefinitionRow<D>>(
  data: StudioData,
  entity: EntityTarget<T>,
  namespace: string,
  definitions: readonly D[],
  now: Date,
): Promise<{ readonly added: number; readonly same: number }> {
  return data.transaction(async (tx) => {
    let added = 0;
    for (const definition of definitions) {
      const id = v5(`${data.studioId} ${hashOf(definition)}`, namespace);
      const body = { ...definition, version: null, retired: false };
      if (!(await tx.isNew(entity, id, body))) continue;
      await tx.insert(entity, {
        id,
        version: 1,
        retired: false,
        definition,
        requestHash: hashOf(body),
        createdAt: now,
      } as unknown as Omit<T, 'studioId'>);
      added++;
    }
    return { added, same: definitions.length - added };
  });
}
