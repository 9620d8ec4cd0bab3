import { describe, expect, it } from 'vitest';
import { withRetries } from './retry.js';

const clash = (code: string) => Object.assign(new Error(code), { driverError: { code } });

describe('withRetries', () => {
  /** Fails some times, then answers; and how long it waited each time. */
  async function tried(code: string, failures: number) {
    const waits: number[] = [];
    let runs = 0;
    const work = () => {
      runs++;
      return runs <= failures ? Promise.reject(clash(code)) : Promise.resolve('done');
    };
    const pause = (ms: number) => {
      waits.push(ms);
      return Promise.resolve();
    };
    const outcome = await withRetries(work, pause).catch((err: Error) => err.message);
    return { outcome, runs, waits };
  }

  it.each(['ER_LOCK_DEADLOCK', 'ER_CHECKREAD'])('does it again after %s', async (code) => {
    expect(await tried(code, 3)).toMatchObject({ outcome: 'done', runs: 4 });
  });
  it('gives up after the third time, with the error as it was', async () => {
    expect(await tried('ER_LOCK_DEADLOCK', 9)).toMatchObject({ outcome: 'ER_LOCK_DEADLOCK', runs: 4 });
  });
  it('waits for a lock once more only: each wait is long already', async () => {
    expect(await tried('ER_LOCK_WAIT_TIMEOUT', 1)).toMatchObject({ outcome: 'done', runs: 2 });
    expect(await tried('ER_LOCK_WAIT_TIMEOUT', 9)).toMatchObject({ outcome: 'ER_LOCK_WAIT_TIMEOUT', runs: 2 });
  });
  it('looks once for a row that another wrote first', async () => {
    expect(await tried('ER_DUP_ENTRY', 1)).toMatchObject({ outcome: 'done', runs: 2 });
    expect(await tried('ER_DUP_ENTRY', 9)).toMatchObject({ outcome: 'ER_DUP_ENTRY', runs: 2 });
  });
  it('leaves every other error alone', async () => {
    expect(await tried('ER_PARSE_ERROR', 1)).toMatchObject({ outcome: 'ER_PARSE_ERROR', runs: 1, waits: [] });
  });
  it('waits no longer than 40, 80 and 160 ms, and not always the same', async () => {
    const all = await Promise.all(Array.from({ length: 20 }, () => tried('ER_LOCK_DEADLOCK', 3)));
    for (const { waits } of all) waits.forEach((ms, i) => expect(ms).toBeLessThan(40 * 2 ** i));
    expect(new Set(all.map((a) => a.waits[0])).size).toBeGreaterThan(1);
  });
});
