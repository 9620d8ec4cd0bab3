import type Joi from 'joi';
import type { FieldError } from '../problem.js';

/** The parts of Joi's description of a schema that say how much it takes. */
export interface Described {
  readonly type?: string;
  readonly keys?: Readonly<Record<string, Described>>;
  readonly items?: readonly Described[];
  readonly matches?: readonly { readonly schema?: Described }[];
  readonly rules?: readonly { readonly name: string; readonly args?: { readonly limit?: unknown } }[];
  readonly flags?: Readonly<Record<string, unknown>>;
}

/** Unknown fields of an object that are still named one by one in the refusal. */
const UNKNOWN_FIELDS = 20;

const described = new WeakMap<Joi.Schema, Described>();

/** Joi's description of a schema, made once. */
export function describeOnce(schema: Joi.Schema): Described {
  let made = described.get(schema);
  if (!made) described.set(schema, (made = schema.describe() as Described));
  return made;
}

/** Entries that a list takes at most; Infinity where its schema does not say. */
export function mostEntries(list: Described): number {
  const limits = (list.rules ?? []).filter((r) => r.name === 'max' || r.name === 'length').map((r) => r.args?.limit);
  return Math.min(Infinity, ...limits.filter((l) => typeof l === 'number'));
}

function firstTooLong(d: Described, value: unknown, path: readonly (string | number)[]): FieldError | null {
  if (Array.isArray(value)) {
    if (d.type !== 'array') return null;
    const most = mostEntries(d);
    if (value.length > most) return { path: path.join('.'), message: `Choose at most ${most}.` };
    const [item, another] = d.items ?? [];
    if (!item || another) return null;
    for (const [i, entry] of value.entries()) {
      const found = firstTooLong(item, entry, [...path, i]);
      if (found) return found;
    }
    return null;
  }
  if (typeof value !== 'object' || value === null || d.type !== 'object') return null;
  const keys = d.keys ?? {};
  const fields = Object.entries(value);
  if (fields.length > Object.keys(keys).length + UNKNOWN_FIELDS)
    return { path: path.join('.'), message: 'There are far more fields here than are known. Leave them out.' };
  for (const [key, entry] of fields) {
    const known = Object.hasOwn(keys, key) ? keys[key] : undefined;
    const found = known ? firstTooLong(known, entry, [...path, key]) : null;
    if (found) return found;
  }
  return null;
}

/**
 * The first list or object of a body that is longer than its schema takes; null where there is none. It is asked before the schema looks at
 * the contents: a list of 65,000 wrong entries costs as little to refuse as one of 30. Reads no further than the schema goes, however deep
 * the body is.
 */
export function oversize(schema: Joi.Schema, body: unknown): FieldError | null {
  return firstTooLong(describeOnce(schema), body, []);
}
