import { describe, expect, it } from 'vitest';
import type { Reference } from '../../catalogue/reference.js';
import type { RomTest, TestLimit } from '../../catalogue/rom-test.js';
import { romTestById } from '../../catalogue/tests.js';
import type { MeasuredTest } from '../measured-test.js';
import { findings, type Interest } from './findings.js';

// Clients at the edges of domain 2.2. All numbers by hand: typical from 52 (mean 60, SD 8), error 3°, so a shortfall counts above
// 1.645·3 = 4.935° and a side difference above 1.96·√2·3 = 8.316°.
const SOURCE = { origin: 'practice', text: 'made up' } as const;
const BAND: Reference = { kind: 'distribution', mean: 60, sd: 8, source: SOURCE };
const NOMINAL: Reference = { kind: 'nominal', value: 60, source: SOURCE };
const NO_REFERENCE: Reference = { kind: 'none', why: 'made up' };
const HAMSTRINGS: TestLimit = { group: 'hamstrings', weight: 1, side: 'same' };
const PERSON = { age: 40, sex: null } as const;

function test(reference: Reference, limit: Partial<TestLimit> = {}, over: Partial<RomTest> = {}): RomTest {
  const base = romTestById('active-knee-extension');
  return {
    ...base,
    error: { sem: 3, source: SOURCE },
    better: 'more',
    sideThreshold: null,
    reference,
    limits: [{ ...HAMSTRINGS, ...limit }],
    ...over,
  };
}
const of = (
  left: number | null,
  right: number | null,
  t = test(BAND),
  over: Partial<MeasuredTest> = {},
): MeasuredTest => ({
  test: t,
  left,
  right,
  both: null,
  ...over,
});

interface Expected {
  readonly score: number;
  readonly tighter?: 'left' | 'right' | null;
}
type Row = readonly [who: string, measured: readonly MeasuredTest[], wish: Partial<Interest>, expected: Expected];
const turned = { better: 'less', reference: { kind: 'distribution', mean: -60, sd: 8, source: SOURCE } } as const;

const CLIENTS: readonly Row[] = [
  ['at the mean', [of(60, 60)], {}, { score: 0 }],
  ['at the lower edge of typical', [of(52, 52)], {}, { score: 0 }],
  ['short by less than the error', [of(47.1, 52)], {}, { score: 0 }],
  ['short by a little more than the error: 5/8', [of(47, 52)], {}, { score: 0.625 }],
  ['short by one spread on one side', [of(44, 52)], {}, { score: 1 }],
  ['far out: clipped at three spreads', [of(0, 0)], {}, { score: 3 }],
  ['with one side measured', [of(44, null)], {}, { score: 1, tighter: null }],
  ['with the other side measured', [of(null, 44)], {}, { score: 1, tighter: null }],
  ['sides 8° apart, within the error', [of(44, 52)], {}, { score: 1, tighter: null }],
  ['sides 8.4° apart: 1 + 0.5·8.4/8', [of(44, 52.4)], {}, { score: 1.525, tighter: 'left' }],
  ['sides 26° apart: the side part is 1 at most', [of(44, 70)], {}, { score: 2, tighter: 'left' }],
  ['tighter on the right', [of(70, 44)], {}, { score: 2, tighter: 'right' }],
  ['sides 17° apart, both typical: not counted', [of(53, 70)], {}, { score: 0, tighter: 'left' }],
  [
    'the other side limits: left short, right tight',
    [of(44, 70, test(BAND, { side: 'opposite' }))],
    {},
    { score: 2, tighter: 'right' },
  ],
  ['a test that tells no side', [of(44, 70, test(BAND, { side: 'none' }))], {}, { score: 1, tighter: null }],
  [
    'a group that limits a little: 0.3·3, and no side',
    [of(0, 60, test(BAND, { weight: 0.3 }))],
    {},
    { score: 0.9, tighter: null },
  ],
  [
    'two tests, weights 1 and 0.5: (1·1 + 0.5·3)/1.5',
    [of(44, 44), of(0, 0, test(BAND, { weight: 0.5 }, { id: 'second' }))],
    {},
    { score: 5 / 3 },
  ],
  [
    'fewer is better: the same client turned',
    [of(-44, -52.4, test(turned.reference, {}, { better: 'less' }))],
    {},
    { score: 1.525, tighter: 'left' },
  ],
  ['against a nominal value, two spreads short: nothing', [of(44, 44, test(NOMINAL))], {}, { score: 0 }],
  ['against a nominal value, three spreads short: one', [of(36, 36, test(NOMINAL))], {}, { score: 1 }],
  ['without any reference', [of(0, 0, test(NO_REFERENCE))], {}, { score: 0 }],
  [
    'without any reference, sides 26° apart: the practice spread of 8°',
    [of(34, 60, test(NO_REFERENCE))],
    {},
    { score: 1, tighter: 'left' },
  ],
  ['the coach’s interest 3', [of(60, 60)], { coach: 3 }, { score: 1 }],
  ['the larger of two interests', [of(60, 60)], { coach: 1, client: 2 }, { score: 2 / 3 }],
  ['a complaint and nothing short', [of(60, 60)], { complaint: true }, { score: 1 }],
  ['everything at once: 1 + 1 + 1 + 1', [of(44, 70)], { coach: 3, complaint: true }, { score: 4, tighter: 'left' }],
  ['a goal of 70: (70 − 60)/8', [of(60, 60, test(BAND), { goal: 70 })], {}, { score: 1.25 }],
  ['a goal below typical that is met', [of(47, 47, test(BAND), { goal: 45 })], {}, { score: 0 }],
  ['a goal nearer than the error', [of(60, 60, test(BAND), { goal: 64 })], {}, { score: 0 }],
  // A single reading: √(3² + (5/2.77)²/2) = 3.26°, so 5° short is within 1.645·3.26 = 5.36°.
  ['short by 5° in a single reading', [of(47, 52, test(BAND), { errors: { left: { sem: 3.26 } } })], {}, { score: 0 }],
  // √(3² + 5²) = 5.83; ·1.96 = 11.43° for the difference of the sides.
  [
    'sides 10° apart, one read unsteadily',
    [of(60, 50, test(BAND), { errors: { right: { sem: 5 } } })],
    {},
    { score: 0, tighter: null },
  ],
];

describe('clients at the edges', () => {
  it.each(CLIENTS)('%s', (_who, measured, wish, { score, tighter }) => {
    const interest = { coach: 0, client: 0, complaint: false, ...wish };
    const found = findings(measured, PERSON, { hamstrings: interest });
    const group = found.ranked.find((g) => g.group === 'hamstrings');
    expect(group?.score ?? 0).toBeCloseTo(score, 10);
    expect(found.fine.includes('hamstrings')).toBe(score === 0);
    if (tighter !== undefined && group) expect(group.tighter).toBe(tighter);
    // The parts add up to the score.
    if (group) expect(Object.values(group.parts).reduce((a, b) => a + b, 0)).toBeCloseTo(group.score, 10);
  });

  it('who was not measured has no score, and stands with what they asked for', () => {
    const found = findings([of(null, null)], PERSON, { hamstrings: { coach: 0, client: 3, complaint: true } });
    expect(found.ranked).toEqual([]);
    expect(found.notMeasured).toContain('hamstrings');
    expect(found.asked).toEqual([{ group: 'hamstrings', interest: 1, complaint: 1 }]);
  });

  it('whose sides differ within typical is told so', () => {
    expect(findings([of(53, 70)], PERSON).notCounted).toMatchObject([{ difference: 17 }]);
  });

  // "A man of 24 and one of 25 with the same hip rotation score 0.88 and 0": no cliff between two birthdays.
  it('scores the same at 24 and at 25 with the same hip', () => {
    const hip = romTestById('hip-internal-rotation');
    const at = (age: number) => findings([of(18, 18, hip)], { age, sex: 'male' }).ranked.map((g) => g.score);
    expect(at(25)).toEqual(at(24));
    expect(at(25)[0]).toBeGreaterThan(0);
  });

  // The table begins at 60 (Rikli & Jones 1999): a year before, the nearest row is shown and nobody is short against it.
  it('a year outside a table is held against nothing', () => {
    const chair = romTestById('chair-sit-and-reach');
    const at = (age: number) => findings([of(-20, -20, chair)], { age, sex: 'male' }).ranked;
    expect(at(60).map((g) => g.parts.shortfall > 0)).toContain(true);
    expect(at(59).every((g) => g.parts.shortfall === 0)).toBe(true);
  });
});
