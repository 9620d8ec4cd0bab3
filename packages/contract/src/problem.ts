/** Stable codes of every refusal on the wire. Screens may branch on them; they never change meaning. */
export type ProblemCode =
  | 'validation'
  | 'malformed-body'
  | 'body-too-large'
  | 'unsupported-media-type'
  | 'not-signed-in'
  | 'sign-in-refused'
  | 'second-factor'
  | 'not-allowed'
  | 'too-many-attempts'
  | 'cross-site'
  | 'not-found'
  | 'gone'
  | 'stale-version'
  | 'id-in-use'
  | 'already-set-up'
  | 'conflict'
  | 'screening-blocks-planning'
  | 'block-has-logs'
  | 'symptom-not-cleared'
  | 'import-refused'
  | 'computation'
  | 'database-unavailable'
  | 'disk-full'
  | 'busy'
  | 'internal';

/** What is wrong with one field of a request. */
export interface FieldError {
  /** Path in the body: `lanes.0.group`. */
  readonly path: string;
  readonly message: string;
}

/** The body of every error (RFC 9457, `application/problem+json`). */
export interface Problem {
  readonly type: string;
  readonly title: string;
  readonly status: number;
  readonly code: ProblemCode;
  /** A sentence that says what to do. */
  readonly detail: string;
  /** Id of the request, for the log. */
  readonly instance: string;
  readonly errors?: readonly FieldError[];
  /** On `stale-version`: the state as it is now. On `import-refused`: the report. */
  readonly current?: unknown;
}
