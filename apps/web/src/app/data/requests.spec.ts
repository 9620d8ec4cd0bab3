import { HttpErrorResponse } from '@angular/common/http';
import { of, throwError } from 'rxjs';
import { describe, expect, it } from 'vitest';
import { Requests } from './requests';

const refusal = (code: string) =>
  new HttpErrorResponse({
    status: 409,
    error: { code, title: 'No', detail: 'Because.', status: 409, type: 'x', instance: '' },
  });

describe('Requests', () => {
  it('gives what a request came to, and is busy until then', async () => {
    const requests = new Requests();
    let release!: (n: number) => void;
    const answer = requests.run(() => new Promise<number>((r) => (release = r)));
    expect(requests.busy()).toBe(true);
    release(7);
    expect(await answer).toBe(7);
    expect(requests.busy()).toBe(false);
    expect(await requests.run(of('there'))).toBe('there');
  });

  it('stays busy while any of two is on its way', async () => {
    const requests = new Requests();
    let release!: () => void;
    const slow = requests.run(() => new Promise<void>((r) => (release = r)));
    await requests.run(of(1));
    expect(requests.busy()).toBe(true);
    release();
    await slow;
    expect(requests.busy()).toBe(false);
  });

  it('shows why it was refused until the next one starts', async () => {
    const requests = new Requests();
    expect(await requests.run(throwError(() => refusal('conflict')))).toBeUndefined();
    expect(requests.problem()?.code).toBe('conflict');
    expect(requests.busy()).toBe(false);
    const next = requests.run(of(1));
    expect(requests.problem()).toBeNull();
    await next;
  });

  it('leaves a refusal to who can deal with it, and a shown one where something only follows', async () => {
    const requests = new Requests();
    const seen: string[] = [];
    const settle = (p: { code: string }) => {
      seen.push(p.code);
      return p.code === 'stale-version';
    };
    await requests.run(
      throwError(() => refusal('stale-version')),
      settle,
    );
    expect(requests.problem()).toBeNull();
    await requests.run(
      throwError(() => refusal('conflict')),
      settle,
    );
    await requests.follow(of(1));
    expect(requests.problem()?.code).toBe('conflict');
    expect(seen).toEqual(['stale-version', 'conflict']);
  });
});
