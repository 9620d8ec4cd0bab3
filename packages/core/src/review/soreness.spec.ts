import { describe, expect, it } from 'vitest';
import { exerciseById } from '../catalogue/exercises.js';
import { exercisesOnHold, isSessionOnHold } from '../session/on-hold.js';
import type { PlannedWeek } from '../planning/plan.js';
import { easedAfterSoreness, restsOn, soreGroups, type SoreEntry } from './soreness.js';

const calf = { exerciseId: 'bent-knee-wall-calf' };
const hamstring = { exerciseId: 'supine-strap-hamstring' };
const entry = (soreness: number, region: 'thigh-back' | null = 'thigh-back') => ({
  date: '2026-03-09',
  region,
  soreness,
});

describe('soreness (domain 2.8)', () => {
  it('rests its region on that day and the next, from 7 of 10', () => {
    expect(['2026-03-08', '2026-03-09', '2026-03-10', '2026-03-11'].map((d) => restsOn(entry(7), d))).toEqual([
      ...[false, true, true, false],
    ]);
    expect(restsOn(entry(6), '2026-03-09')).toBe(false);
  });

  it('leaves out what works there, and the rest goes on', () => {
    const sore = soreGroups([entry(8)], '2026-03-10');
    expect(sore).toEqual(['hamstrings']);
    expect(exercisesOnHold([calf, hamstring], [], exerciseById, sore).map((e) => e.id)).toEqual([hamstring.exerciseId]);
    expect(isSessionOnHold([calf, hamstring], [], exerciseById, sore)).toBe(false);
  });

  it('rests everything where it is sore all over', () => {
    const sore = soreGroups([entry(9, null)], '2026-03-09');
    expect(isSessionOnHold([calf, hamstring], [], exerciseById, sore)).toBe(true);
    expect(isSessionOnHold([calf, hamstring], [], exerciseById, soreGroups([entry(9, null)], '2026-03-12'))).toBe(
      false,
    );
  });
});

describe('steps down after soreness', () => {
  const START = '2026-03-02';
  const cell = (week: number, codes: readonly string[] = []): PlannedWeek =>
    ({ week, reasons: codes.map((code) => ({ code })) }) as unknown as PlannedWeek;
  const lanes = (weeks: readonly PlannedWeek[]) => [
    { group: 'hamstrings' as const, weeks },
    { group: 'pectorals' as const, weeks },
  ];
  const sore = (date: string, soreness = 7): SoreEntry => ({ date, region: 'thigh-back', soreness });
  const eased = (entries: readonly SoreEntry[], weeks: readonly PlannedWeek[] = [], fromWeek = 4) =>
    easedAfterSoreness(entries, lanes(weeks), START, fromWeek);

  it('are one for a sore week and two for two entries, in the groups of the region, in the first week that can change', () => {
    expect(eased([sore('2026-03-18')])).toEqual([{ group: 'hamstrings', week: 4, steps: 1 }]);
    expect(eased([sore('2026-03-18'), sore('2026-03-10')])).toEqual([{ group: 'hamstrings', week: 4, steps: 2 }]);
    expect(eased([sore('2026-03-18', 6)])).toEqual([]);
  });
  it('look two weeks back, and are taken once', () => {
    expect(eased([sore('2026-03-04')])).toEqual([]);
    expect(eased([sore('2026-03-10')], [cell(3, ['eased'])])).toEqual([]);
    expect(eased([sore('2026-03-18')], [cell(2, ['eased'])])).toEqual([{ group: 'hamstrings', week: 4, steps: 1 }]);
  });
});
