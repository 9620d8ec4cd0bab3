import { upgradeStored } from '@yandle/core';
import type { QueuedRequest, WireRequest } from './queued-request';

type Made = (ids: readonly string[], body: never) => QueuedRequest;

/** Requests that versions of before kept by method and path, and what they are. */
const BEFORE: readonly (readonly [method: 'POST' | 'PUT', path: RegExp, made: Made])[] = [
  [
    'POST',
    /^\/clients\/([^/]+)\/assessments$/,
    ([clientId], body) => ({ kind: 'assessment', clientId: clientId!, body }),
  ],
  [
    'PUT',
    /^\/assessments\/([^/]+)\/trials\/([^/]+)$/,
    ([assessmentId, id], body) => ({ kind: 'reading', assessmentId: assessmentId!, id: id!, body }),
  ],
  [
    'PUT',
    /^\/assessments\/([^/]+)\/events\/([^/]+)$/,
    ([assessmentId, id], body) => ({ kind: 'test-event', assessmentId: assessmentId!, id: id!, body }),
  ],
  [
    'PUT',
    /^\/assessments\/([^/]+)\/beighton\/([^/]+)$/,
    ([assessmentId, id], body) => ({ kind: 'beighton', assessmentId: assessmentId!, id: id!, body }),
  ],
  ['POST', /^\/sessions\/([^/]+)\/runs$/, ([sessionId], body) => ({ kind: 'start', sessionId: sessionId!, body })],
  ['PUT', /^\/runs\/([^/]+)\/sets\/([^/]+)$/, ([runId, id], body) => ({ kind: 'log', runId: runId!, id: id!, body })],
  [
    'PUT',
    /^\/runs\/([^/]+)\/symptoms\/([^/]+)$/,
    ([runId, id], body) => ({ kind: 'symptom', runId: runId!, id: id!, body }),
  ],
  ['POST', /^\/runs\/([^/]+)\/finish$/, ([runId], body) => ({ kind: 'finish', runId: runId!, body })],
  ['PUT', /^\/day-notes\/([^/]+)$/, ([id], body) => ({ kind: 'soreness', clientId: null, id: id!, body })],
  ['PUT', /^\/breath$/, (_, body) => ({ kind: 'breath', clientId: null, body })],
  ['PUT', /^\/clients\/([^/]+)\/breath$/, ([clientId], body) => ({ kind: 'breath', clientId: clientId!, body })],
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
  const body = upgradeStored('items', value.body) as never;
  for (const [method, path, made] of BEFORE) {
    const found = method === value.method ? path.exec(value.path) : null;
    if (found) return made(found.slice(1), body);
  }
  return { kind: 'as-written', ...value };
}
