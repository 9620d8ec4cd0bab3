import { downgradeStored, type StoredKind } from '@yandle/core';
import { v5 } from 'uuid';
import { In, type EntityTarget } from 'typeorm';
import { hashOf, type CreatedRow, type StudioData } from './studio-data.js';

/** Rows that hold a definition read as a whole: own exercises, styles, templates. */
export interface DefinitionRow<D> extends CreatedRow {
  version: number;
  archived: boolean;
  definition: D;
  createdAt: Date;
}

/**
 * Takes definitions of a file in, all or nothing; those that are there with the same content count as the same. Ids come from studio and
 * content, so the same file twice adds once.
 * @param of what the definitions are, and the UUID that their ids are made in
 */
export async function importDefinitions<D>(
  data: StudioData,
  entity: EntityTarget<DefinitionRow<D>>,
  of: { readonly namespace: string; readonly kind: StoredKind },
  definitions: readonly D[],
): Promise<{ readonly added: number; readonly same: number }> {
  return data.transaction(async (tx) => {
    let added = 0;
    for (const definition of definitions) {
      const idOf = (content: unknown): string => v5(`${data.studioId} ${hashOf(content)}`, of.namespace);
      const id = idOf(definition);
      // One that came in while its words were the old ones has its id from those.
      const earlier = idOf(downgradeStored(of.kind, definition));
      if (await tx.findOne(entity, { id: In([id, earlier]) })) continue;
      const body = { ...definition, version: null, archived: false };
      await tx.insert(entity, {
        id,
        version: 1,
        archived: false,
        definition,
        requestHash: hashOf(body),
        createdAt: tx.now,
      });
      added++;
    }
    return { added, same: definitions.length - added };
  });
}
