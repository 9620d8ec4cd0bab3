import type { FileImport, OwnStyle, OwnStyleBody, StyleFile, StyleVersion } from '@yandle/contract';
import { OWN_STYLE_PREFIX } from '@yandle/contract';
import { findStyleAmong, type FindStyle } from '@yandle/core';
import { v7 as uuid } from 'uuid';
import { importDefinitions } from '../database/import-definitions.js';
import type { StudioData } from '../database/studio-data.js';
import { putVersioned, type RowHead } from '../database/versioned.js';
import { OwnStyleEntity, OwnStyleVersionEntity } from './entities.js';

/** Ids of imported styles come from studio and content: the same file twice adds once. */
const IMPORT_NAMESPACE = '9f0a6f9e-3d0f-4f57-8a0e-5c6f1d4e7b22';

const view = (row: OwnStyleEntity): OwnStyle => ({
  ...row.definition,
  id: row.id,
  version: row.version,
  archived: row.archived,
});

/** Styles that ship and a studio's own together, archived ones too: blocks may speak of them. */
export interface StyleLibrary {
  readonly find: FindStyle;
  readonly archived: ReadonlySet<string>;
}

export async function loadStyles(data: StudioData): Promise<StyleLibrary> {
  const rows = await data.find(OwnStyleEntity, {});
  return {
    find: findStyleAmong(rows.map((r) => ({ ...r.definition, id: OWN_STYLE_PREFIX + r.id }))),
    archived: new Set(rows.filter((r) => r.archived).map((r) => OWN_STYLE_PREFIX + r.id)),
  };
}

export async function listOwnStyles(data: StudioData): Promise<OwnStyle[]> {
  return (await data.find(OwnStyleEntity, {}, { order: { createdAt: 'ASC', id: 'ASC' } })).map(view);
}

/** Creates or edits a style; what it was before is kept. */
export async function putOwnStyle(data: StudioData, id: string, body: OwnStyleBody): Promise<OwnStyle> {
  const { version: _, archived, ...definition } = body;
  return data.transaction(async (tx) => {
    const before = await tx.findOne(OwnStyleEntity, { id });
    const make = {
      create: (head: RowHead) => ({ ...head, definition, archived, createdAt: tx.now }),
      edit: () => ({ definition, archived }),
    };
    await putVersioned(tx, OwnStyleEntity, id, body, 'style', make, view);
    const after = await tx.get(OwnStyleEntity, id, 'style');
    if (before && after.version !== before.version)
      await tx.insert(OwnStyleVersionEntity, {
        id: uuid(),
        styleId: id,
        version: before.version,
        definition: before.definition,
        createdAt: tx.now,
      });
    return view(after);
  });
}

/** Earlier versions of an own style, newest first. */
export async function styleVersions(data: StudioData, id: string): Promise<StyleVersion[]> {
  await data.get(OwnStyleEntity, id, 'style');
  const rows = await data.find(OwnStyleVersionEntity, { styleId: id }, { order: { version: 'DESC' } });
  return rows.map((r) => ({ version: r.version, at: r.createdAt.toISOString(), definition: r.definition }));
}

export function importStyles(data: StudioData, file: StyleFile): Promise<FileImport> {
  return importDefinitions(data, OwnStyleEntity, { namespace: IMPORT_NAMESPACE, kind: 'style' }, file.styles);
}
