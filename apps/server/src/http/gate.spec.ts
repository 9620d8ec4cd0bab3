import { EventEmitter } from 'node:events';
import type { Request, Response } from 'express';
import { describe, expect, it, vi } from 'vitest';
import { gate, Turnstile } from './gate.js';
import type { HttpProblem } from './problem.js';

describe('gate', () => {
  /** A request at the gate, and what became of it. */
  function ask(at: ReturnType<typeof gate>, path = '/today') {
    const res = new EventEmitter();
    const outcome = { in: false, refused: null as string | null, close: () => res.emit('close') };
    const req = { path, setTimeout: () => undefined };
    try {
      void at(req as unknown as Request, res as unknown as Response, (err?: unknown) => {
        if (err) outcome.refused = (err as HttpProblem).code;
        else outcome.in = true;
      });
    } catch (err) {
      outcome.refused = (err as HttpProblem).code;
    }
    return outcome;
  }

  it('lets so many in, queues the others in order, and refuses when the line is long', () => {
    const at = gate({ atOnce: 2, mostWaiting: 2, patienceMs: 1000 });
    const [a, b, c, d, e] = Array.from({ length: 5 }, () => ask(at));
    expect([a, b, c, d, e].map((x) => x!.in)).toEqual([true, true, false, false, false]);
    expect(e!.refused).toBe('busy');
    a!.close();
    expect([c!.in, d!.in]).toEqual([true, false]);
    // Whoever went away meanwhile gives up the place.
    d!.close();
    const f = ask(at);
    b!.close();
    expect([d!.in, f.in]).toEqual([false, true]);
    c!.close();
    f.close();
    expect(ask(at).in).toBe(true);
  });

  it('refuses rather than let anybody wait for long', () => {
    vi.useFakeTimers();
    const at = gate({ atOnce: 1, mostWaiting: 5, patienceMs: 1000 });
    const a = ask(at);
    const b = ask(at);
    vi.advanceTimersByTime(999);
    expect(b.refused).toBeNull();
    vi.advanceTimersByTime(2);
    expect(b.refused).toBe('busy');
    a.close();
    expect(b.in).toBe(false);
    expect(ask(at).in).toBe(true);
    vi.useRealTimers();
  });

  it('lets pass what takes long by its nature, and counts it not', () => {
    const at = gate({ atOnce: 1, mostWaiting: 0, patienceMs: 1000 });
    for (const path of ['/imports/results', '/exports/results.csv', '/devices/inclinometer/stream'])
      expect(ask(at, path).in).toBe(true);
    expect(ask(at).in).toBe(true);
    expect(ask(at, '/clients').refused).toBe('busy');
  });

  it('a turnstile lets the next one through after the one before, however that ended', async () => {
    const one = new Turnstile(1, 'Another file is being taken in.');
    let finish!: () => void;
    const first = one.pass(() => new Promise<void>((resolve) => (finish = resolve)));
    await expect(one.pass(() => Promise.resolve())).rejects.toMatchObject({ code: 'busy' });
    finish();
    await first;
    await expect(one.pass(() => Promise.reject(new Error('broken')))).rejects.toThrow('broken');
    await expect(one.pass(() => Promise.resolve('in'))).resolves.toBe('in');
  });
});
