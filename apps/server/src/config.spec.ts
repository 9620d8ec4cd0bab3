import { describe, expect, it } from 'vitest';
import { dateIn, instantOf } from './clock.js';
import { readConfig } from './config.js';
import { hashOf } from './database/studio-data.js';
import { countedRun, statusOf } from './sessions/views.js';

describe('readConfig', () => {
  const url = 'mysql://u:p@127.0.0.1:3306/y';
  it('has working defaults', () => {
    expect(readConfig({ DATABASE_URL: url })).toMatchObject({ port: 4100, host: '127.0.0.1', publicUrl: null });
    expect(readConfig({ DATABASE_URL: url }).sessionSecret).toHaveLength(64);
  });
  it('takes mariadb:// as well', () => {
    expect(readConfig({ DATABASE_URL: 'mariadb://u:p@h/y' }).databaseUrl).toBe('mysql://u:p@h/y');
  });
  it.each([
    [{}],
    [{ DATABASE_URL: 'postgres://x' }],
    [{ DATABASE_URL: url, PORT: '99999' }],
    [{ DATABASE_URL: url, SESSION_SECRET: 'short' }],
  ])('refuses %j', (env) => {
    expect(() => readConfig(env as NodeJS.ProcessEnv)).toThrow(/Settings:/);
  });
});

describe('time zones', () => {
  // 23:30 UTC is the next day in Vienna (UTC+1 in winter) and the same day in New York.
  it('knows the date at a place', () => {
    const instant = new Date('2026-01-15T23:30:00Z');
    expect(dateIn('Europe/Vienna', instant)).toBe('2026-01-16');
    expect(dateIn('America/New_York', instant)).toBe('2026-01-15');
  });
  // Vienna is UTC+1 in January and UTC+2 in July.
  it('knows the instant of a local time', () => {
    expect(instantOf('2026-01-15', '09:40', 'Europe/Vienna').toISOString()).toBe('2026-01-15T08:40:00.000Z');
    expect(instantOf('2026-07-15', '09:40', 'Europe/Vienna').toISOString()).toBe('2026-07-15T07:40:00.000Z');
  });
});

describe('hashOf', () => {
  it('does not depend on the order of keys, but on everything else', () => {
    expect(hashOf({ a: 1, b: [1, { c: null }] })).toBe(hashOf({ b: [1, { c: null }], a: 1 }));
    expect(hashOf({ a: 1 })).not.toBe(hashOf({ a: '1' }));
    expect(hashOf([1, 2])).not.toBe(hashOf([2, 1]));
  });
});

describe('countedRun', () => {
  const run = (start: number, end: number | null) => ({
    id: `run ${start}`,
    startedAt: new Date(start),
    endedAt: end ? new Date(end) : null,
    hasWork: true,
    withdrawnAt: null as Date | null,
  });
  it('takes the first finished run, else the one started last', () => {
    expect(countedRun([], null)).toBeNull();
    const [a, b, c] = [run(1, null), run(2, 9), run(3, 5)];
    expect(countedRun([a, b, c], null)).toBe(c);
    expect(countedRun([a, run(4, null)], null)?.startedAt.getTime()).toBe(4);
    expect(countedRun([a, b, c], 'run 2')).toBe(b);
    expect([null, a, b].map(statusOf)).toEqual(['planned', 'started', 'done']);
  });
  it('takes none that was taken back, and none that was finished with nothing in it', () => {
    const [a, b] = [run(1, 5), run(2, 9)];
    expect(countedRun([{ ...a, withdrawnAt: new Date(9) }, b], null)).toBe(b);
    expect(countedRun([{ ...a, hasWork: false }], a.id)).toBeNull();
    expect(countedRun([{ ...run(1, null), hasWork: false }], null)?.id).toBe('run 1');
  });
});
