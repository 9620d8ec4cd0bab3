import { HttpErrorResponse } from '@angular/common/http';
import type { Problem } from '@yandle/contract';
import { CoreError } from '@yandle/core';
import { fieldMessage, problemOf } from './problem';

const PROBLEM: Problem = {
  type: 'urn:yandle:problem:validation',
  title: 'Some fields need another look',
  status: 400,
  code: 'validation',
  detail: 'Fix the fields below and save again.',
  instance: 'r-1',
  errors: [
    { path: 'name', message: 'Required.' },
    { path: 'lanes.0.group', message: 'Choose a muscle group.' },
  ],
};

describe('problemOf', () => {
  it('passes on what the server says', () => {
    expect(problemOf(new HttpErrorResponse({ status: 400, error: PROBLEM }))).toBe(PROBLEM);
  });
  it('says that nothing was reached, and that entries are safe', () => {
    const p = problemOf(new HttpErrorResponse({ status: 0, error: new ProgressEvent('error') }));
    expect(p.status).toBe(0);
    expect(p.detail).toContain('Your entries are saved on this device');
  });
  it('says what the computation refused, in its words', () => {
    const p = problemOf(new CoreError('invalid-plan', { code: 'no-days', args: {} }));
    expect([p.code, p.title, p.detail]).toEqual([
      'computation',
      'This can’t be planned',
      'Choose at least one day for sessions.',
    ]);
  });
  it.each([
    ['a page instead of an answer', new HttpErrorResponse({ status: 502, error: '<html>' })],
    ['an answer without a code', new HttpErrorResponse({ status: 500, error: { message: 'x' } })],
    ['anything else', new Error('a secret detail')],
    ['nothing', undefined],
  ])('says what to do about %s, without its innards', (_, err) => {
    const p = problemOf(err);
    expect(p.detail).toBe('That didn’t work. Try again; if it keeps happening, reload the page.');
    expect(JSON.stringify(p)).not.toContain('secret');
  });
});

describe('fieldMessage', () => {
  it('finds the message of a field', () => {
    expect(fieldMessage(PROBLEM, 'lanes.0.group')).toBe('Choose a muscle group.');
    expect(fieldMessage(PROBLEM, 'aim')).toBeNull();
    expect(fieldMessage(null, 'name')).toBeNull();
  });
});
