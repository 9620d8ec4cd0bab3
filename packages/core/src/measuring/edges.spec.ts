import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ROM_TESTS, romTestById } from '../catalogue/tests.js';
import { changeBetween } from './change.js';
import { findings } from './findings/findings.js';
import { shortfall } from './findings/shortfall.js';
import { freedom } from './freedom.js';
import { bandOf, referenceFor } from './reference.js';
import { ownError } from './reliability/own-error.js';
import { resultOfReadings } from './result.js';
import { sideDifference } from './side-difference.js';

const value = fc.double({ min: -90, max: 90, noNaN: true });

/** A reading and its negative under the turned rule are the same movement: nothing may depend on which way a number counts. */
describe('direction of better', () => {
  it('turns changes, side differences, shortfalls and results with the numbers', () => {
    fc.assert(
      fc.property(value, value, (a, b) => {
        const more = changeBetween(a, b, 'more', [2, 3]);
        const less = changeBetween(-a, -b, 'less', [2, 3]);
        expect(less.class).toBe(more.class);
        expect(less.gain).toBeCloseTo(more.gain, 10);
        expect(less.probability).toBeCloseTo(more.probability, 12);

        const rule = {
          error: { sem: 2, source: { origin: 'practice', text: 'x' } },
          resolution: 1,
          sideThreshold: null,
        } as const;
        const one = sideDifference(a, b, { ...rule, better: 'more' });
        const two = sideDifference(-a, -b, { ...rule, better: 'less' });
        expect([two.notable, two.less]).toEqual([one.notable, one.less]);

        const g = shortfall(a, { ...rule, better: 'more' }, { value: b, sd: 8 });
        const h = shortfall(-a, { ...rule, better: 'less' }, { value: -b, sd: 8 });
        expect(h.spreads).toBeCloseTo(g.spreads, 10);

        const readings = { repeatTolerance: 5, plausible: { min: -100, max: 100 } };
        for (const valueRule of ['mean', 'best', 'median'] as const) {
          const r = resultOfReadings([a, b], { ...readings, valueRule, better: 'more' });
          const s = resultOfReadings([-a, -b], { ...readings, valueRule, better: 'less' });
          expect(s.value).toBeCloseTo(-r.value, 10);
        }
      }),
    );
  });
  it('draws freer readings further from the spine in every test, and calls none of them shorter', () => {
    const rank = { short: 0, typical: 1, ample: 2, 'no band': -1 };
    for (const t of ROM_TESTS)
      for (const sex of ['female', 'male'] as const) {
        const reference = referenceFor(t, { age: 65, sex });
        const step = (t.scale.freest - t.scale.stiffest) / 40;
        let [drawn, band] = [-1, -1];
        for (let i = 0; i <= 40; i++) {
          const v = t.scale.stiffest + i * step;
          expect(freedom(v, t), t.id).toBeGreaterThanOrEqual(drawn);
          const now = rank[bandOf(v, t, reference)];
          expect(now, t.id).toBeGreaterThanOrEqual(band);
          [drawn, band] = [freedom(v, t), now];
        }
      }
  });
});

describe('identical readings and no spread', () => {
  it('are a steady result', () => {
    const rule = { valueRule: 'mean', better: 'more', repeatTolerance: 5, plausible: { min: -90, max: 90 } } as const;
    for (const n of [2, 3, 4, 5])
      expect(resultOfReadings(Array<number>(n).fill(-12.5), rule)).toMatchObject({
        value: -12.5,
        spread: 0,
        steadiness: 'repeatable',
        stillEasing: false,
      });
  });
  it('give no error to adopt: not one of 0, and not one of clients who are all alike', () => {
    const refused = (table: number[][]) =>
      expect(() => ownError(table)).toThrow(expect.objectContaining({ code: 'invalid-reliability' }));
    const six = [2, 4, 7, 9, 12, 15];
    refused(six.map((x) => [x, x]));
    refused(six.map((x) => [x + 0.1, x + 0.4]));
    refused(six.map(() => [5, 5]));
    refused([5, 6, 5, 6, 5, 6].map((x) => [x, 11 - x]));
  });
});

describe('asymmetric and missing sides', () => {
  it('count the side that is there, and call no difference of one side alone', () => {
    const test = romTestById('active-knee-extension');
    const person = { age: 40, sex: null };
    const [one] = findings([{ test, left: null, right: 60, both: null }], person).ranked;
    expect(one!.tighter).toBeNull();
    expect(one!.tests[0]!.finding).toMatchObject({ side: 'right', value: 60, sideSpreads: 0 });
    const [two] = findings([{ test, left: 20, right: 60, both: null }], person).ranked;
    expect(two!.tests[0]!.finding).toMatchObject({ side: 'right', less: 'right' });
    expect(findings([{ test, left: null, right: null, both: null }], person).ranked).toEqual([]);
  });
});

describe('tables', () => {
  // CPAFLA 2003, box zero at 26 cm (from memory): fair and below end one below "good"; excellent begins one above "very good".
  const GRADES: readonly [
    sex: 'male' | 'female',
    age: number,
    fairMax: number,
    good: number,
    veryGoodMax: number,
    excellent: number,
  ][] = [
    ['male', 25, 29, 30, 39, 40],
    ['female', 25, 32, 33, 40, 41],
    ['male', 35, 27, 28, 37, 38],
    ['female', 35, 31, 32, 40, 41],
    ['male', 45, 23, 24, 34, 35],
    ['female', 45, 29, 30, 37, 38],
    ['male', 55, 23, 24, 34, 35],
    ['female', 55, 29, 30, 38, 39],
    ['male', 65, 19, 20, 32, 33],
    ['female', 65, 26, 27, 34, 35],
  ];
  it.each(GRADES)(
    'sit-and-reach, %s of %i: the bands meet without gap or overlap',
    (sex, age, fair, good, veryGood, excellent) => {
      const test = romTestById('sit-and-reach');
      const reference = referenceFor(test, { age, sex });
      const band = (v: number) => bandOf(v, test, reference);
      expect([fair, good, veryGood, excellent].map(band)).toEqual(['short', 'typical', 'typical', 'ample']);
      expect([good - fair, excellent - veryGood]).toEqual([1, 1]);
    },
  );

  // Rikli & Jones 1999, J Aging Phys Act 7:162-181, middle half in inches (from memory), ages 60-64 to 90-94.
  const INCHES: readonly [id: string, sex: 'female' | 'male', ranges: readonly (readonly [number, number])[]][] = [
    [
      'chair-sit-and-reach',
      'female',
      [
        [-0.5, 5],
        [-0.5, 4.5],
        [-1, 4],
        [-1.5, 3.5],
        [-2, 3],
        [-2.5, 2.5],
        [-4.5, 1],
      ],
    ],
    [
      'chair-sit-and-reach',
      'male',
      [
        [-2.5, 4],
        [-3, 3],
        [-3, 3],
        [-4, 2],
        [-5.5, 1.5],
        [-5.5, 0.5],
        [-6.5, -0.5],
      ],
    ],
    [
      'back-scratch',
      'female',
      [
        [-3, 1.5],
        [-3.5, 1.5],
        [-4, 1],
        [-5, 0.5],
        [-5.5, 0],
        [-7, -1],
        [-8, -1],
      ],
    ],
    [
      'back-scratch',
      'male',
      [
        [-6.5, 0],
        [-7.5, -1],
        [-8, -1],
        [-9, -2],
        [-9.5, -2],
        [-9.5, -3],
        [-10.5, -4],
      ],
    ],
  ];
  it.each(INCHES)('%s, %s: the printed inches are the centimetres of the table', (id, sex, ranges) => {
    ranges.forEach(([low, high], i) => {
      for (const age of [60 + 5 * i, 64 + 5 * i]) {
        const r = referenceFor(romTestById(id), { age, sex });
        if (r.kind !== 'band') throw new Error(`no band at ${age}`);
        expect(Math.abs(r.low - low * 2.54), `${age}`).toBeLessThanOrEqual(0.05 + 1e-9);
        expect(Math.abs(r.high - high * 2.54), `${age}`).toBeLessThanOrEqual(0.05 + 1e-9);
      }
    });
  });
});
