import type { FileImport, OwnTemplate, OwnTemplateBody, TemplateFile } from '@yandle/contract';
import { CoreError, type TemplateDefinition } from '@yandle/core';
import { importDefinitions } from '../database/import-definitions.js';
import type { StudioData } from '../database/studio-data.js';
import { putVersioned, type RowHead } from '../database/versioned.js';
import { HttpProblem } from '../http/problem.js';
import { loadStyles } from '../styles/service.js';
import { OwnTemplateEntity } from './entities.js';

/** Ids of imported templates come from studio and content: the same file twice adds once. */
const IMPORT_NAMESPACE = 'c2b4f2a0-1f0e-4b8a-9a77-0d9b6a5e3c33';

const view = (row: OwnTemplateEntity): OwnTemplate => ({
  ...row.definition,
  id: row.id,
  version: row.version,
  archived: row.archived,
});

/** A template speaks only of styles that this studio has. */
async function assertStyles(
  data: StudioData,
  templates: readonly { readonly template: TemplateDefinition; readonly path: string }[],
): Promise<void> {
  const { find } = await loadStyles(data);
  const errors = templates.flatMap(({ template, path }) =>
    template.lanes.flatMap((l, i) =>
      [l.styleId, ...l.laterStyles.map((s) => s.styleId)].flatMap((id) => {
        try {
          find(id);
          return [];
        } catch (err) {
          if (!(err instanceof CoreError)) throw err;
          return [
            {
              path: `${path}lanes.${i}.styleId`,
              message: 'This studio has no such style. Import the style first, or change the lane.',
            },
          ];
        }
      }),
    ),
  );
  if (errors.length > 0) throw new HttpProblem('validation', 'Fix the fields below and save again.', { errors });
}

export async function listTemplates(data: StudioData): Promise<OwnTemplate[]> {
  return (await data.find(OwnTemplateEntity, {}, { order: { createdAt: 'ASC', id: 'ASC' } })).map(view);
}

export async function putTemplate(data: StudioData, id: string, body: OwnTemplateBody): Promise<OwnTemplate> {
  const { version: _, archived, ...definition } = body;
  await assertStyles(data, [{ template: definition, path: '' }]);
  return data.transaction(async (tx) => {
    const make = {
      create: (head: RowHead) => ({ ...head, definition, archived, createdAt: tx.now }),
      edit: () => ({ definition, archived }),
    };
    await putVersioned(tx, OwnTemplateEntity, id, body, 'template', make, view);
    return view(await tx.get(OwnTemplateEntity, id, 'template'));
  });
}

export async function importTemplates(data: StudioData, file: TemplateFile): Promise<FileImport> {
  await assertStyles(
    data,
    file.templates.map((template, i) => ({ template, path: `templates.${i}.` })),
  );
  return importDefinitions(data, OwnTemplateEntity, { namespace: IMPORT_NAMESPACE, kind: 'template' }, file.templates);
}
