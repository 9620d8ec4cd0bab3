import { CoreError } from '@yandle/core';
import { describe, expect, it } from 'vitest';
import { toProblem } from './error-handler.js';
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
    [{ code: 'ER_DUP_ENTRY' }, 409],
    [new Error('a secret detail'), 500],
    [undefined, 500],
  ])('%j is %d', (err, status) => {
    const p = toProblem(err);
    expect(p.status).toBe(status);
    expect(p.detail).not.toContain('secret');
  });
});
