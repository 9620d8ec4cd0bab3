import { CoreError } from '@yandle/core';
import { describe, expect, it } from 'vitest';
import type { Response } from 'express';
import { sendProblem, toProblem } from './error-handler.js';
import { HttpProblem } from './problem.js';

describe('toProblem', () => {
  it('passes our own refusals on', () => {
    const own = new HttpProblem('conflict', 'Do this.');
    expect(toProblem(own)).toBe(own);
  });
  it('turns refusals of the computation into 422 with their words', () => {
    const p = toProblem(new CoreError('invalid-plan', { code: 'weeks-bounds', args: { min: 4, max: 16 } }));
    expect([p.status, p.detail]).toEqual([422, 'A block has 4 to 16 weeks.']);
  });
  it.each([
    [{ type: 'entity.too.large' }, 413],
    [{ type: 'entity.parse.failed' }, 400],
    [{ type: 'charset.unsupported' }, 415],
    [new URIError('bad'), 400],
    [{ code: 'ENOENT', statusCode: 404 }, 404],
    [{ code: 'ECONNREFUSED' }, 503],
    [{ driverError: { code: 'PROTOCOL_CONNECTION_LOST' } }, 503],
    [{ driverError: { code: 'ER_LOCK_DEADLOCK' } }, 503],
    [{ code: 'ER_LOCK_WAIT_TIMEOUT' }, 503],
    [{ code: 'ER_DUP_ENTRY' }, 409],
    [new Error('a secret detail'), 500],
    [undefined, 500],
  ])('%j is %d', (err, status) => {
    const p = toProblem(err);
    expect(p.status).toBe(status);
    expect(p.detail).not.toContain('secret');
  });
});

describe('sendProblem', () => {
  /** What a refusal writes: status, headers and body. */
  function sent(problem: HttpProblem) {
    const headers = new Map<string, string>();
    const out = { status: 0, type: '', body: {} as Record<string, unknown> };
    const res = {
      setHeader: (name: string, value: string) => void headers.set(name, value),
      status: (n: number) => ((out.status = n), res),
      type: (t: string) => ((out.type = t), res),
      send: (text: string) => void (out.body = JSON.parse(text) as Record<string, unknown>),
    };
    sendProblem(res as unknown as Response, problem, 'r-1');
    return { ...out, headers };
  }

  it('is problem+json with a stable code, and the number of the request', () => {
    const { status, type, body, headers } = sent(new HttpProblem('conflict', 'Do this.'));
    expect([status, type]).toEqual([409, 'application/problem+json']);
    expect(body).toMatchObject({ code: 'conflict', detail: 'Do this.', instance: 'r-1', status: 409 });
    expect(headers.size).toBe(0);
  });
  it('says when to come again where nothing could be done now', () => {
    expect(sent(new HttpProblem('busy', 'Try again.')).headers.get('Retry-After')).toBe('3');
    expect(sent(new HttpProblem('database-unavailable', 'Wait.')).headers.get('Retry-After')).toBe('3');
  });
});
