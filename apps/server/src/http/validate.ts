import { channel } from 'node:diagnostics_channel';
import type { FieldError } from '@yandle/contract';
import { oversize, STRICT } from '@yandle/contract/schemas';
import type Joi from 'joi';
import { HttpProblem } from './problem.js';

/** Errors named in one refusal; what comes after them is looked at when these are mended. */
const MOST_ERRORS = 20;

const BODY = 'Fix the fields below and save again.';
const QUERY = 'Fix the query values listed and send again.';

function refusal(detail: string, errors: readonly FieldError[]): HttpProblem {
  return new HttpProblem('validation', detail, { errors: errors.slice(0, MOST_ERRORS) });
}

function fieldErrors(error: Joi.ValidationError): FieldError[] {
  return error.details.map((d) => ({ path: d.path.join('.'), message: d.message }));
}

/** Tells whoever listens by which schema a body or query was looked at: the tests make their hostile ones from it. */
const looked = channel('yandle:validate');

/**
 * The body, checked against its schema: how much of it there is first, then what it says.
 * @param bringUp brings a body of the version before up to today's words, once its size is known to be right
 * @throws HttpProblem `validation` with one entry a field, twenty at most
 */
export function validBody<T>(schema: Joi.ObjectSchema<T>, body: unknown, bringUp?: (body: unknown) => unknown): T {
  looked.publish({ schema, of: 'body' });
  const tooLong = oversize(schema, body);
  if (tooLong) throw refusal(BODY, [tooLong]);
  const result = schema.required().validate(bringUp ? bringUp(body) : body, STRICT);
  if (result.error) throw refusal(BODY, fieldErrors(result.error));
  return result.value;
}

/** Query values are text: this one converts them. */
export function validQuery<T>(schema: Joi.ObjectSchema<T>, query: unknown): T {
  looked.publish({ schema, of: 'query' });
  const tooLong = oversize(schema, query);
  if (tooLong) throw refusal(QUERY, [tooLong]);
  const result = schema.validate(query, { ...STRICT, convert: true });
  if (result.error) throw refusal(QUERY, fieldErrors(result.error));
  return result.value;
}

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/;

/** True for an id as rows have it. */
export function isId(value: unknown): value is string {
  return typeof value === 'string' && UUID.test(value);
}

/**
 * An id from the path.
 * @throws HttpProblem `not-found` when it is no UUID: such a thing cannot exist
 */
export function pathId(value: unknown, what: string): string {
  if (!isId(value))
    throw new HttpProblem('not-found', `There is no such ${what}. It may have been removed; go back to the list.`);
  return value;
}
