import { describe, expect, it } from 'vitest';
import { readResultLine, type ResultLine } from '../formats/results.js';
import { SHIPPED_TESTS } from '../measuring/test-catalogue.js';
import { styleById } from '../styles/index.js';
import { styleFaults, type StyleDefinition } from '../styles/own-style.js';
import { lineFaultWords } from './result-line.js';
import { capsWords, styleFaultWords } from './style.js';

const GOOD: ResultLine = {
  client: 'Noor Adeyemi',
  date: '2026-03-09',
  test: 'active-knee-extension',
  side: 'left',
  value: '31',
};

describe('what is wrong with a line of results', () => {
  it.each([
    [{ client: '' }, 'Enter the client’s name.'],
    [{ date: '9 March' }, 'Enter a date like 2026-03-09.'],
    [{ time: '9:40' }, 'Enter a time like 09:40, or leave it out.'],
    [{ body: 'hot' }, 'Enter cold or warm.'],
    [{ test: '' }, 'Enter the name of the test.'],
    [{ test: 'jump' }, 'There is no test “jump”.'],
    [{ side: 'middle' }, 'Enter left, right, or nothing.'],
    [{ side: '' }, 'This test has sides: enter left or right.'],
    [{ test: 'finger-to-floor', value: '5' }, 'This test has no sides.'],
    [{ unit: 'cm' }, 'This test is read in degrees (deg).'],
    [{ test: 'finger-to-floor', side: '', value: '5', unit: 'deg' }, 'This test is read in centimetres (cm).'],
    [{ value: 'forty' }, 'Enter the reading as a number, e.g. 31.5.'],
    [{ instrument: 'x'.repeat(61) }, 'At most 60 characters.'],
    [{ id: 'x'.repeat(101) }, 'At most 100 characters.'],
  ] as const)('%o: %s', (wrong, words) => {
    const out = readResultLine({ ...GOOD, ...wrong }, SHIPPED_TESTS);
    expect('errors' in out && out.errors.map((e) => lineFaultWords(e.fault))).toEqual([words]);
  });
  it('names the bounds of the test', () => {
    const out = readResultLine({ ...GOOD, value: '400' }, SHIPPED_TESTS);
    const { min, max } = SHIPPED_TESTS.tests.find((t) => t.id === 'active-knee-extension')!.plausible;
    const words = `A reading of this test lies between ${min} and ${max}. Check the number.`;
    expect('errors' in out && out.errors.map((e) => lineFaultWords(e.fault))).toEqual([words]);
  });
});

describe('what is wrong with a style', () => {
  const { id: _, ...steady } = styleById('steady-hold');
  const phase = steady.phases[0]!;
  const withPhase = (over: object): StyleDefinition => ({ ...steady, phases: [{ ...phase, ...over }] });
  it.each([
    [{ ...steady, phases: [] }, 'A style needs at least one phase.'],
    [
      withPhase({ order: [{ variable: 'effort', until: null }], caps: { effort: 60 } }),
      'Push effort: can’t progress with this technique.',
    ],
    [withPhase({ order: [{ variable: 'sets', until: null }], caps: {} }), 'Sets: add a cap, because it progresses.'],
    [
      withPhase({
        order: [
          { variable: 'sets', until: null },
          { variable: 'sets', until: 2 },
        ],
      }),
      'A variable that comes again must go further than before.',
    ],
    [withPhase({ amountFloor: 90 }), 'The start is below the least this phase allows.'],
    [withPhase({ caps: { ...phase.caps, sessionsPerWeek: 1 } }), 'Sessions per week: the cap is below the start.'],
    [withPhase({ caps: { ...phase.caps, sensation: 7 } }), 'Target sensation can’t be above 6 of 10 (talk test).'],
  ])('is said in a sentence: %#', (style, words) => {
    expect(styleFaults(style).map(styleFaultWords)).toContain(words);
  });
  it('names the phase where there are several', () => {
    const two: StyleDefinition = { ...steady, phases: [phase, { ...phase, amountFloor: 90 }] };
    expect(styleFaults(two).map(styleFaultWords)).toEqual(['Phase 2: The start is below the least this phase allows.']);
  });
  it('says how far each variable goes', () => {
    expect(capsWords({ holdSeconds: 60, sets: 4 })).toBe('hold 60 · sets 4');
  });
});
