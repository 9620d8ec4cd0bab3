import type { FieldError } from '@yandle/contract';
import { STRICT } from '@yandle/contract/schemas';
import type Joi from 'joi';
import { HttpProblem } from './problem.js';

function fieldErrors(error: Joi.ValidationError): FieldError[] {
  return error.details.map((d) => ({ path: d.path.join('.'), message: d.message }));
}

/**
 * The body, checked against its schema.
 * @throws HttpProblem `validation` with one entry a field
 */
export function validBody<T>(schema: Joi.ObjectSchema<T>, body: unknown): T {
  const result = schema.required().validate(body, STRICT);
  if (result.error)
    throw new HttpProblem('validation', 'Fix the fields below and save again.', {
      errors: fieldErrors(result.error),
    });
  return result.value;
}

/** Query values are text: this one converts them. */
export function validQuery<T>(schema: Joi.ObjectSchema<T>, query: unknown): T {
  const result = schema.validate(query, { ...STRICT, convert: true });
  if (result.error)
    throw new HttpProblem('validation', 'Fix the query values listed and send again.', {
      errors: fieldErrors(result.error),
    });
  return result.value;
}

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/;

/**
 * An id from the path.
 * @throws HttpProblem `not-found` when it is no UUID: such a thing cannot exist
 */
export function pathId(value: unknown, what: string): string {
  if (typeof value !== 'string' || !UUID.test(value))
    throw new HttpProblem('not-found', `There is no such ${what}. It may have been removed; go back to the list.`);
  return value;
}
