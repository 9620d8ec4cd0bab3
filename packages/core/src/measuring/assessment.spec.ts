import { describe, expect, it } from 'vitest';
import { ROM_TESTS } from '../catalogue/tests.js';
import {
  currentResult,
  isWarm,
  readingsOf,
  resultIn,
  resultSeries,
  testerIn,
  type TakenAssessment,
  type TakenReading,
} from './assessment.js';
import { SHIPPED_TESTS, testCatalogue } from './test-catalogue.js';

const KNEE = ROM_TESTS.find((t) => t.id === 'active-knee-extension')!;
let n = 0;
const reading = (value: number, over: Partial<TakenReading> = {}): TakenReading => ({
  id: `r${++n}`,
  testId: KNEE.id,
  side: 'left',
  value,
  replaces: null,
  warm: null,
  testerId: null,
  ...over,
});
const assessment = (date: string, readings: TakenReading[], over: Partial<TakenAssessment> = {}): TakenAssessment => ({
  id: `a${++n}`,
  date,
  time: '09:00',
  warm: false,
  testerId: 'coach',
  readings,
  ...over,
});
const series = (all: TakenAssessment[], catalogue = SHIPPED_TESTS) =>
  resultSeries(all, catalogue, KNEE, 'left').map((r) => [r.date, r.value]);

describe('a result of an assessment', () => {
  // By hand: 31, 38 and a third that is corrected from 13 to 35. In its place the closest two are 38 and 35: 36.5.
  // Taken from the end of the list, as one derivation did, the order would be lost and with it "still easing".
  it('counts a correction in the place of what it corrects, for whoever asks', () => {
    const wrong = reading(13);
    const a = assessment('2026-03-01', [reading(31), wrong, reading(38), reading(35, { replaces: wrong.id })]);
    expect(readingsOf(a, KNEE, 'left').map((r) => r.value)).toEqual([31, 35, 38]);
    expect(resultIn(a, KNEE, 'left')!.readings).toEqual([31, 35, 38]);
    expect(resultIn(a, KNEE, 'right')).toBeNull();
  });

  it('has the tester and the body state of its own readings', () => {
    const a = assessment('2026-03-01', [reading(31), reading(32, { testerId: 'other', warm: true })]);
    expect([testerIn(a, KNEE, 'left'), testerIn(a, KNEE, 'right')]).toEqual(['other', 'coach']);
    expect([isWarm(a, KNEE, 'left'), isWarm(a, KNEE, 'right')]).toEqual([true, false]);
  });
});

describe('a series of results', () => {
  it('is in the order of days, whatever the order of the list', () => {
    const [late, early] = [assessment('2026-03-20', [reading(30)]), assessment('2026-03-01', [reading(40)])];
    expect(series([late, early])).toEqual([
      ['2026-03-01', 40],
      ['2026-03-20', 30],
    ]);
    expect(currentResult([late, early], SHIPPED_TESTS, KNEE, 'left')!.value).toBe(30);
  });

  it('leaves warm results beside: they count only where nothing was taken cold', () => {
    const cold = assessment('2026-03-01', [reading(40)]);
    const warm = assessment('2026-03-08', [reading(30)], { warm: true });
    expect(series([cold, warm])).toEqual([['2026-03-01', 40]]);
    expect(series([warm])).toEqual([['2026-03-08', 30]]);
  });

  // Domain 2.2: a result taken warm or after a session is shown beside the cold one and never replaces it.
  it('leaves what was taken right after a session beside, and counts it again on the other half of the day', () => {
    const series = (hoursSinceSession: number | null) =>
      resultSeries(
        [assessment('2026-03-01', [reading(40)]), { ...assessment('2026-03-20', [reading(10)]), hoursSinceSession }],
        SHIPPED_TESTS,
        KNEE,
        'left',
      ).map((r) => r.value);
    expect(series(0.5)).toEqual([40]);
    expect(series(12)).toEqual([40, 10]);
    expect(series(null)).toEqual([40, 10]);
  });

  it('averages two assessments of one day, with the error of one', () => {
    const day = [assessment('2026-03-01', [reading(40)]), assessment('2026-03-01', [reading(36)], { time: '17:00' })];
    const [one] = resultSeries(day, SHIPPED_TESTS, KNEE, 'left');
    expect(one).toMatchObject({ value: 38, from: [{ time: '09:00' }, { time: '17:00' }] });
    expect(one!.sem).toBeCloseTo(resultSeries([day[0]!], SHIPPED_TESTS, KNEE, 'left')[0]!.sem, 9);
  });

  it('takes the error of whoever took the readings', () => {
    const own = [
      { testId: KNEE.id, coachId: 'other', sem: 1.5, clients: 10, source: { origin: 'own' as const, text: 'x' } },
    ];
    const pair = [reading(40, { testerId: 'other' }), reading(41, { testerId: 'other' })];
    const a = assessment('2026-03-01', pair);
    // Ten clients measured twice leave nine degrees of freedom.
    expect(resultSeries([a], testCatalogue([], own), KNEE, 'left')[0]!).toMatchObject({ sem: 1.5, df: 9 });
  });
});
