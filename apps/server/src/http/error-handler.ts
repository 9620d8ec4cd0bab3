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

/** Any error as a refusal that says what to do. What is not expected becomes `internal`, without its innards. */
export function toProblem(err: unknown): HttpProblem {
  if (err instanceof HttpProblem) return err;
  if (err instanceof CoreError) return new HttpProblem('computation', errorWords(err));
  const type = (err as { type?: unknown } | null)?.type;
  if (type === 'entity.too.large')
    return new HttpProblem('body-too-large', 'The request is larger than this route takes. Send less at once.');
  if (type === 'entity.parse.failed')
    return new HttpProblem('malformed-body', 'The body isn’t valid JSON. Fix it and send it again.');
  if (type === 'encoding.unsupported' || type === 'charset.unsupported')
    return new HttpProblem('unsupported-media-type', 'Send the body as application/json in UTF-8.');
  if (err instanceof URIError || typeof type === 'string')
    return new HttpProblem('malformed-body', 'The request could not be read. Fix it and send again.');
  // A file that is not there, from the static files: no sign of the database.
  if ((err as { statusCode?: unknown } | null)?.statusCode === 404)
    return new HttpProblem('not-found', 'There is nothing at this address. Go to the start page.');
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

/** Last in the chain: everything thrown becomes a problem body. */
export const errorHandler: ErrorRequestHandler = (err, req, res, next) => {
  if (res.headersSent) return next(err);
  const problem = toProblem(err);
  if (problem.status >= 500) req.log.error({ err }, problem.code);
  sendProblem(res, problem, typeof req.id === 'string' ? req.id : '');
};
