import type { Problem } from '@yandle/contract';
import { CoreError, errorWords } from '@yandle/core';
import type { ErrorRequestHandler, Response } from 'express';
import type {} from 'pino-http';
import { driverCode, isClash } from '../database/retry.js';
import { HttpProblem } from './problem.js';

/** Driver and system codes that mean "the database is not there", not "the query is wrong". */
const UNREACHABLE = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'ETIMEDOUT',
  'EPIPE',
  'ENOENT',
  'PROTOCOL_CONNECTION_LOST',
  'PROTOCOL_SEQUENCE_TIMEOUT',
  'PROTOCOL_ENQUEUE_AFTER_FATAL_ERROR',
  'ER_SERVER_SHUTDOWN',
  'ER_CON_COUNT_ERROR',
]);

/** Codes of the system and of the database for a full disk. */
const FULL = new Set(['ENOSPC', 'EDQUOT', 'ER_DISK_FULL', 'ER_RECORD_FILE_FULL', 'ER_DISK_FULL_NOWAIT']);

/** Codes of the database for a statement or transaction that took too long and was ended. */
const TOO_SLOW = new Set(['ER_STATEMENT_TIMEOUT', 'ER_CONNECTION_KILLED', 'ER_QUERY_INTERRUPTED']);

/** Any error as a refusal that says what to do. What is not expected becomes `internal`, without its innards. */
export function toProblem(err: unknown): HttpProblem {
  if (err instanceof HttpProblem) return err;
  if (err instanceof CoreError) return new HttpProblem('computation', errorWords(err));
  const type = (err as { type?: unknown } | null)?.type;
  if (type === 'entity.too.large')
    return new HttpProblem('body-too-large', 'The request is larger than this route takes. Send less at once.');
  if (type === 'entity.parse.failed')
    return new HttpProblem('malformed-body', 'The body isn’t valid JSON. Fix it and send it again.');
  if (type === 'entity.shape') return new HttpProblem('malformed-body', (err as Error).message);
  if (type === 'encoding.unsupported' || type === 'charset.unsupported')
    return new HttpProblem('unsupported-media-type', 'Send the body as application/json in UTF-8.');
  if (err instanceof URIError || typeof type === 'string')
    return new HttpProblem('malformed-body', 'The request could not be read. Fix it and send again.');
  // A file that is not there, from the static files: no sign of the database.
  if ((err as { statusCode?: unknown } | null)?.statusCode === 404)
    return new HttpProblem('not-found', 'There is nothing at this address. Go to the start page.');
  // What the body reader refused: broken compression, a body cut short.
  const status = (err as { status?: unknown } | null)?.status;
  if (typeof status === 'number' && status >= 400 && status < 500)
    return new HttpProblem('malformed-body', 'The request could not be read. Fix it and send again.');
  if (isClash(err))
    return new HttpProblem(
      'busy',
      'Nothing was saved, because others were saving the same. Try again in a few seconds.',
    );
  const code = driverCode(err);
  if (code && UNREACHABLE.has(code))
    return new HttpProblem(
      'database-unavailable',
      'Nothing was saved. Wait a moment and try again; your entries are saved on this device.',
    );
  if (code && FULL.has(code))
    return new HttpProblem(
      'disk-full',
      'Nothing was saved: the disk of the server is full. Tell whoever runs your Yandle; your entries are saved on this device.',
    );
  if (code && TOO_SLOW.has(code))
    return new HttpProblem(
      'busy',
      'Nothing was saved, because the database took too long. Try again in a few seconds.',
    );
  if (code === 'ER_DUP_ENTRY') return new HttpProblem('conflict', 'This exists already. Reload the page to see it.');
  return new HttpProblem(
    'internal',
    'This is a fault in Yandle and has been logged. Try again. If it keeps happening, give the number below to whoever runs your Yandle.',
  );
}

/** Seconds after which a request that could not be served now is sent again. */
const RETRY_AFTER = '3';

/** Writes a refusal as `application/problem+json`. */
export function sendProblem(res: Response, problem: HttpProblem, requestId: string): void {
  const body: Problem = {
    type: `urn:yandle:problem:${problem.code}`,
    title: problem.title,
    status: problem.status,
    code: problem.code,
    detail: problem.detail,
    instance: requestId,
    ...problem.extra,
  };
  if (problem.status === 503) res.setHeader('Retry-After', RETRY_AFTER);
  res.status(problem.status).type('application/problem+json').send(JSON.stringify(body));
}

/** What the log keeps of an error: its kind and its place in the code. Messages hold values, names, rows and statements: they stay out. */
export function errorForLog(err: unknown): Readonly<Record<string, unknown>> {
  const { name, stack } = (err ?? {}) as { name?: unknown; stack?: unknown };
  const frames = typeof stack === 'string' ? stack.split('\n').filter((l) => /^\s+at /.test(l)) : [];
  return {
    kind: typeof name === 'string' ? name : typeof err,
    code: driverCode(err) ?? null,
    at: frames.slice(0, 8).map((l) => l.trim()),
  };
}

/** Last in the chain: everything thrown becomes a problem body. */
export const errorHandler: ErrorRequestHandler = (err, req, res, next) => {
  if (res.headersSent) return next(err);
  const problem = toProblem(err);
  if (problem.status >= 500) req.log.error({ fault: errorForLog(err) }, problem.code);
  sendProblem(res, problem, typeof req.id === 'string' ? req.id : '');
};
