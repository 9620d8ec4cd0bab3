import { upgradeStored } from '@yandle/core';
import type { QueuedRequest, WireRequest } from './queued-request';

/** What a request was: all but its body, which the version of before made. */
type Made = (ids: readonly string[]) => Omit<QueuedRequest, 'body'>;

/** Requests that versions of before kept by method and path, and what they are. */
const BEFORE: readonly (readonly [method: 'POST' | 'PUT', path: RegExp, made: Made])[] = [
  ['POST', /^\/clients\/([^/]+)\/assessments$/, ([clientId]) => ({ kind: 'assessment', clientId: clientId! })],
  [
    'PUT',
    /^\/assessments\/([^/]+)\/trials\/([^/]+)$/,
    ([assessmentId, id]) => ({ kind: 'reading', assessmentId: assessmentId!, id: id! }),
  ],
  [
    'PUT',
    /^\/assessments\/([^/]+)\/events\/([^/]+)$/,
    ([assessmentId, id]) => ({ kind: 'test-event', assessmentId: assessmentId!, id: id! }),
  ],
  [
    'PUT',
    /^\/assessments\/([^/]+)\/beighton\/([^/]+)$/,
    ([assessmentId, id]) => ({ kind: 'beighton', assessmentId: assessmentId!, id: id! }),
  ],
  ['POST', /^\/sessions\/([^/]+)\/runs$/, ([sessionId]) => ({ kind: 'start', sessionId: sessionId! })],
  ['PUT', /^\/runs\/([^/]+)\/sets\/([^/]+)$/, ([runId, id]) => ({ kind: 'log', runId: runId!, id: id! })],
  ['PUT', /^\/runs\/([^/]+)\/symptoms\/([^/]+)$/, ([runId, id]) => ({ kind: 'symptom', runId: runId!, id: id! })],
  ['POST', /^\/runs\/([^/]+)\/finish$/, ([runId]) => ({ kind: 'finish', runId: runId! })],
  ['PUT', /^\/day-notes\/([^/]+)$/, ([id]) => ({ kind: 'soreness', clientId: null, id: id! })],
  ['PUT', /^\/breath$/, () => ({ kind: 'breath', clientId: null })],
  ['PUT', /^\/clients\/([^/]+)\/breath$/, ([clientId]) => ({ kind: 'breath', clientId: clientId! })],
];

function isWire(value: unknown): value is WireRequest {
  const v = value as Partial<WireRequest> | null;
  return (
    typeof v === 'object' && v !== null && typeof v.path === 'string' && (v.method === 'PUT' || v.method === 'POST')
  );
}

/** A request as a version of before kept it, as it is kept now; null for what is no request at all. */
export function queuedBefore(value: unknown): QueuedRequest | null {
  if (!isWire(value)) return null;
  const body = upgradeStored('items', value.body);
  for (const [method, path, made] of BEFORE) {
    const found = method === value.method ? path.exec(value.path) : null;
    // Its body is taken on trust: the server looks at it as at any other.
    if (found) return { ...made(found.slice(1)), body } as QueuedRequest;
  }
  return { kind: 'as-written', ...value };
}
