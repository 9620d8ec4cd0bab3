import { NOTHING_KNOWN, QUESTION_IDS } from '@yandle/core';
import type Joi from 'joi';
import { v7 as uuid } from 'uuid';

/** The parts of a Joi schema that say what it is made of. */
interface Made {
  readonly type?: string;
  readonly $_terms: {
    readonly keys?: readonly { readonly key: string; readonly schema: Joi.Schema }[] | null;
    readonly items?: readonly Joi.Schema[];
  };
  readonly _flags?: { readonly presence?: string };
}

/** Values of which each leaf of the contract takes one. */
const CANDIDATES: readonly (() => unknown)[] = [
  () => null,
  () => 1,
  () => 5,
  () => 30,
  () => 60,
  () => 0.2,
  () => false,
  () => '2026-03-09',
  () => '09:40',
  () => '2026-03-09T08:00:00.000Z',
  () => uuid(),
  () => 'neck-rotation',
  () => 'steady-hold',
  () => 'a@b.example',
  () => 'UTC',
  () => 'x'.repeat(32),
  () => 'Plain words',
];

function takes(schema: Joi.Schema, value: unknown): boolean {
  try {
    return schema.validate(value, { convert: false }).error === undefined;
  } catch {
    // It looks at a field beside it, which is not here: a text will do there.
    return typeof value === 'string';
  }
}

function leaf(schema: Joi.Schema): unknown {
  const valids = (schema.describe() as { allow?: readonly unknown[] }).allow?.filter((v) => v !== null && v !== '');
  for (const value of [...(valids ?? []), ...CANDIDATES.map((make) => make())]) if (takes(schema, value)) return value;
  return null;
}

/** A body that a schema takes, made from the schema alone: a new route's are made as soon as it has one. */
export function bodyOf(schema: Joi.Schema): unknown {
  const made = schema as unknown as Made;
  if (made.type === 'object' && made.$_terms.keys) {
    // Two that only the server can check in the whole.
    const keys = made.$_terms.keys.map((k) => k.key);
    if (keys.includes('yes') && keys.includes('regions')) return { yes: [], no: [...QUESTION_IDS], regions: {} };
    if (keys.includes('sittingHours')) return { ...NOTHING_KNOWN };
    return Object.fromEntries(
      made.$_terms.keys
        .filter((k) => (k.schema as unknown as Made)._flags?.presence === 'required')
        .map((k) => [k.key, bodyOf(k.schema)]),
    );
  }
  if (made.type === 'array') {
    const [item] = made.$_terms.items ?? [];
    const length = [0, 1, 2, 9].find(
      (n) =>
        schema.validate(
          Array.from({ length: n }, () => (item ? bodyOf(item) : null)),
          { convert: false },
        ).error === undefined,
    );
    return Array.from({ length: length ?? 1 }, () => (item ? bodyOf(item) : null));
  }
  return leaf(schema);
}
