import { HttpErrorResponse } from '@angular/common/http';
import type { Problem } from '@yandle/contract';
import { CoreError, errorWords } from '@yandle/core';

/** Anything that went wrong with a request, as a problem a screen can show. */
export function problemOf(err: unknown): Problem {
  if (err instanceof HttpErrorResponse) {
    const body: unknown = err.error;
    if (body !== null && typeof body === 'object' && 'code' in body && 'detail' in body) return body as Problem;
    if (err.status === 0)
      return offline('Can’t reach Yandle. Check your connection. Your entries are saved on this device.');
  }
  if (err instanceof CoreError)
    return { ...offline(errorWords(err)), title: 'This can’t be planned', code: 'computation' };
  return offline('That didn’t work. Try again; if it keeps happening, reload the page.');
}

function offline(detail: string): Problem {
  return {
    type: 'urn:yandle:problem:internal',
    title: 'No answer',
    status: 0,
    code: 'internal',
    detail,
    instance: '',
  };
}

/** Message for one field of a form, from a problem's list. */
export function fieldMessage(problem: Problem | null, path: string): string | null {
  return problem?.errors?.find((e) => e.path === path)?.message ?? null;
}
