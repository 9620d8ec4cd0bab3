import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { dateIn } from './clock.js';

// Whole hours and halves, three quarters, and a summer time of half an hour.
const ZONES = [
  ...['Europe/Vienna', 'America/St_Johns', 'Asia/Kathmandu', 'Pacific/Chatham', 'Australia/Lord_Howe'],
  ...['Pacific/Kiritimati', 'Pacific/Pago_Pago', 'UTC'],
];
/** The same from the platform's own formatter. */
const byPlatform = (timeZone: string, at: Date): string =>
  new Intl.DateTimeFormat('en-CA', { timeZone, year: 'numeric', month: '2-digit', day: '2-digit' }).format(at);

describe('the date of an instant in a zone', () => {
  it('is that of the calendar, asked in any order and twice', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...ZONES),
        fc.date({ min: new Date('2000-01-01'), max: new Date('2060-01-01'), noInvalidDate: true }),
        (zone, at) => {
          const wanted = byPlatform(zone, at);
          expect(dateIn(zone, at)).toBe(wanted);
          expect(dateIn(zone, new Date(at.getTime()))).toBe(wanted);
        },
      ),
    );
  });
  it('holds on both sides of midnight, also in the nights in which the clock is put forward and back', () => {
    // EU rules: forward on the last Sunday of March, back on that of October, at 01:00 UTC.
    for (const [at, date] of [
      ['2026-03-28T22:59:59.999Z', '2026-03-28'],
      ['2026-03-28T23:00:00.000Z', '2026-03-29'],
      ['2026-03-29T21:59:59.999Z', '2026-03-29'],
      ['2026-03-29T22:00:00.000Z', '2026-03-30'],
      ['2026-10-24T21:59:59.999Z', '2026-10-24'],
      ['2026-10-24T22:00:00.000Z', '2026-10-25'],
      ['2026-10-25T22:59:59.999Z', '2026-10-25'],
      ['2026-10-25T23:00:00.000Z', '2026-10-26'],
    ] as const)
      expect(dateIn('Europe/Vienna', new Date(at)), at).toBe(date);
  });
  it('refuses a zone that there is not', () => {
    expect(() => dateIn('Nowhere/Atall', new Date('2026-03-29T22:00:00.000Z'))).toThrow();
  });
});
