import { describe, expect, it } from 'vitest';
import { asDays, spreadOver, type DayRound } from './day-rounds.js';

describe('a session spread over a day', () => {
  it('stands on its day as often as it is done', () => {
    expect(
      spreadOver(['2026-03-09', '2026-03-10'], 3).map((d) => `${d.date} ${d.dayRound?.no}/${d.dayRound?.of}`),
    ).toEqual([
      ...['2026-03-09 1/3', '2026-03-09 2/3', '2026-03-09 3/3'],
      ...['2026-03-10 1/3', '2026-03-10 2/3', '2026-03-10 3/3'],
    ]);
  });

  it('is none where it is done at once', () => {
    expect(spreadOver(['2026-03-09'], 1)).toEqual([{ date: '2026-03-09' }]);
  });

  it('counts once a day, whatever else stands on it', () => {
    const round = (date: string, no: number, name = 'Desk') => ({ date, name, dayRound: { no, of: 2 } });
    const other: { date: string; name: string; dayRound?: DayRound } = { date: '2026-03-09', name: 'Desk' };
    const days = asDays([
      round('2026-03-09', 2),
      other,
      round('2026-03-09', 1),
      round('2026-03-10', 1),
      round('2026-03-09', 1, 'Feet'),
    ]);
    expect(days.map((d) => d.rounds.length)).toEqual([2, 1, 1, 1]);
    expect(days[0]!.rounds.map((r) => r.dayRound?.no)).toEqual([1, 2]);
  });
});
