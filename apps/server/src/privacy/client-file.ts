import type { JsonSchema } from '@yandle/contract/schemas';
import type { DataSource } from 'typeorm';
import type { ColumnMetadata } from 'typeorm/metadata/ColumnMetadata.js';
import { CoachEntity } from '../accounts/entities.js';
import { ClientEntity } from '../clients/entities.js';
import type { StudioData, StudioRow } from '../database/studio-data.js';
import { SECTIONS, type Section } from './sections.js';

export const CLIENT_FORMAT = 'yandle-client';
export const CLIENT_FORMAT_VERSION = 1;

/** What serves the program and says nothing about the client. */
const LEFT_OUT = new Set(['studioId', 'requestHash', 'tokenHash']);
/** Rows of one statement. Pictures are large: they come one by one. */
const PAGE = 500;
const pageOf = (section: Section): number => (section.name === 'pictures' ? 1 : PAGE);

function plain(row: StudioRow): Readonly<Record<string, unknown>> {
  return Object.fromEntries(
    Object.entries(row)
      .filter(([key]) => !LEFT_OUT.has(key))
      .map(([key, value]: [string, unknown]) => [key, Buffer.isBuffer(value) ? value.toString('base64') : value]),
  );
}

async function* rowsOf(data: StudioData, section: Section, clientId: string): AsyncGenerator<StudioRow> {
  const page = pageOf(section);
  for (let skipped = 0; ; skipped += page) {
    const find = data.rows(section.entity, 'r').andWhere(section.of, { clientId });
    // Large columns are read only where they are asked for: here they are.
    for (const column of find.expressionMap.mainAlias!.metadata.columns)
      if (!column.isSelect) find.addSelect(`r.${column.propertyName}`);
    const rows = await find
      .orderBy({ [section.order]: 'ASC', 'r.id': 'ASC' })
      .offset(skipped)
      .limit(page)
      .getMany();
    yield* rows;
    if (rows.length < page) return;
  }
}

/**
 * Everything that is kept of one client, as the text of one JSON file, piece by piece.
 * @throws HttpProblem `not-found`
 */
export async function* clientFile(data: StudioData, clientId: string): AsyncGenerator<string> {
  await data.get(ClientEntity, clientId, 'client');
  const head = {
    format: CLIENT_FORMAT,
    formatVersion: CLIENT_FORMAT_VERSION,
    exportedAt: data.now.toISOString(),
    coaches: (await data.find(CoachEntity, {}, { order: { name: 'ASC' } })).map(({ id, name }) => ({ id, name })),
  };
  yield JSON.stringify(head, null, 1).slice(0, -2);
  for (const section of SECTIONS) {
    yield `,\n "${section.name}": [`;
    let first = true;
    for await (const row of rowsOf(data, section, clientId)) {
      yield `${first ? '\n  ' : ',\n  '}${JSON.stringify(plain(row))}`;
      first = false;
    }
    yield ']';
  }
  yield '\n}\n';
}

function typeOf(column: ColumnMetadata): JsonSchema {
  const kind = String(column.type);
  if (kind === 'simple-json') return {};
  const type = kind === 'boolean' ? 'boolean' : kind === 'int' || kind === 'double' ? 'number' : 'string';
  const format = kind === 'date' ? { format: 'date' } : kind === 'datetime' ? { format: 'date-time' } : {};
  const encoding = kind.includes('blob') ? { contentEncoding: 'base64' } : {};
  return { type: column.isNullable ? [type, 'null'] : type, ...format, ...encoding };
}

/** The published JSON Schema of the file, from the tables themselves. */
export function clientFileSchema(source: DataSource): JsonSchema {
  const list = (properties: Readonly<Record<string, JsonSchema>>): JsonSchema => ({
    type: 'array',
    items: { type: 'object', properties, required: Object.keys(properties), additionalProperties: false },
  });
  const sections = SECTIONS.map(({ name, entity }) => {
    const columns = source.getMetadata(entity).columns.filter((c) => !LEFT_OUT.has(c.propertyName));
    return [name, list(Object.fromEntries(columns.map((c) => [c.propertyName, typeOf(c)])))] as const;
  });
  const properties: Readonly<Record<string, JsonSchema>> = {
    format: { const: CLIENT_FORMAT },
    formatVersion: { const: CLIENT_FORMAT_VERSION },
    exportedAt: { type: 'string', format: 'date-time' },
    coaches: list({ id: { type: 'string' }, name: { type: 'string' } }),
    ...Object.fromEntries(sections),
  };
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: 'All that Yandle keeps of one client',
    type: 'object',
    properties,
    required: Object.keys(properties),
    additionalProperties: false,
  };
}
