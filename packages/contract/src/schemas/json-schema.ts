import type Joi from 'joi';

/** A JSON Schema, draft 2020-12. */
export type JsonSchema = Readonly<Record<string, unknown>>;

interface Exporting {
  readonly '~standard': { readonly jsonSchema: { input(options: { readonly target: string }): JsonSchema } };
}

/** Joi says in `type` that null is allowed, and leaves it out of the list of values. */
function withNull(node: unknown): unknown {
  if (Array.isArray(node)) return node.map(withNull);
  if (node === null || typeof node !== 'object') return node;
  const out: Record<string, unknown> = {};
  for (const [key, value] of Object.entries(node)) out[key] = withNull(value);
  const { type, enum: values } = out;
  if (Array.isArray(values) && Array.isArray(type) && type.includes('null'))
    out['enum'] = [...(values as unknown[]), null];
  return out;
}

/**
 * The published schema of a file, from the one the server goes by, so that the two cannot differ. What only the server can check (a
 * custom rule) is not in it.
 */
export function jsonSchemaOf(schema: Joi.Schema, title: string): JsonSchema {
  const exported = (schema as unknown as Exporting)['~standard'].jsonSchema.input({ target: 'draft-2020-12' });
  return { $schema: 'https://json-schema.org/draft/2020-12/schema', title, ...(withNull(exported) as JsonSchema) };
}
