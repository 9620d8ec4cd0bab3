import type { FieldError, ProblemCode } from '@yandle/contract';

/** Title and status of each code, in one place. */
const CATALOGUE: Readonly<Record<ProblemCode, { status: number; title: string }>> = {
  validation: { status: 400, title: 'Some fields need another look' },
  'malformed-body': { status: 400, title: 'The request could not be read' },
  'body-too-large': { status: 413, title: 'The request is too large' },
  'unsupported-media-type': { status: 415, title: 'This kind of content is not taken here' },
  'not-signed-in': { status: 401, title: 'Sign in first' },
  'sign-in-refused': { status: 401, title: 'Sign-in refused' },
  'second-factor': { status: 401, title: 'A code is needed' },
  'not-allowed': { status: 403, title: 'Not for this role' },
  'too-many-attempts': { status: 429, title: 'Too many attempts' },
  'cross-site': { status: 403, title: 'Request from another site' },
  'not-found': { status: 404, title: 'Not found' },
  gone: { status: 410, title: 'Erased' },
  'stale-version': { status: 409, title: 'Changed by someone else' },
  'id-in-use': { status: 409, title: 'Id already used' },
  'already-set-up': { status: 409, title: 'Already set up' },
  conflict: { status: 409, title: 'That isn’t possible right now' },
  'screening-blocks-planning': { status: 409, title: 'Planning is blocked' },
  'block-has-logs': { status: 409, title: 'Sessions of this block are already logged' },
  'symptom-not-cleared': { status: 409, title: 'A symptom is not cleared' },
  'import-refused': { status: 422, title: 'Nothing was imported' },
  computation: { status: 422, title: 'That can’t be computed' },
  'database-unavailable': { status: 503, title: 'The database does not answer' },
  'disk-full': { status: 507, title: 'The disk of the server is full' },
  busy: { status: 503, title: 'Too much at once' },
  internal: { status: 500, title: 'Something went wrong here' },
};

/** A refusal on its way to the client. */
export class HttpProblem extends Error {
  override readonly name = 'HttpProblem';
  readonly status: number;
  readonly title: string;
  constructor(
    readonly code: ProblemCode,
    /** What to do about it. */
    readonly detail: string,
    readonly extra: { readonly errors?: readonly FieldError[]; readonly current?: unknown } = {},
  ) {
    super(detail);
    this.status = CATALOGUE[code].status;
    this.title = CATALOGUE[code].title;
  }
}

/** The answer for a thing that is missing, or belongs to another studio: nobody can tell which. */
export function notFound(what: string): HttpProblem {
  return new HttpProblem('not-found', `There is no such ${what}. It may have been removed; go back to the list.`);
}

/** A refusal of one field that no schema could see. */
export function invalidField(path: string, message: string): HttpProblem {
  return new HttpProblem('validation', 'Fix the fields below and save again.', { errors: [{ path, message }] });
}
