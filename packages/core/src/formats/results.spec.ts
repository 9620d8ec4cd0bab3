import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { SHIPPED_TESTS } from '../measuring/test-catalogue.js';
import {
  fromCell,
  guessColumn,
  guessDelimiter,
  readResultLine,
  RESULT_COLUMNS,
  toCell,
  type ResultLine,
} from './results.js';

const good: ResultLine = {
  client: 'Noor Adeyemi',
  date: '2026-03-09',
  time: '09:40',
  body: 'warm',
  tester: 'Mara Lindqvist',
  test: 'active-knee-extension',
  side: 'L',
  value: '31,5',
  unit: '°',
  instrument: 'inclinometer',
  id: 'r-1',
};
const errorsOf = (line: ResultLine) => {
  const out = readResultLine(line, SHIPPED_TESTS);
  return 'errors' in out ? out.errors : [];
};

describe('readResultLine', () => {
  it('reads a full line, decimal comma and short words included', () => {
    const out = readResultLine(good, SHIPPED_TESTS);
    expect(out).toMatchObject({
      reading: { client: 'Noor Adeyemi', warm: true, side: 'left', value: 31.5, time: '09:40', id: 'r-1' },
    });
  });
  it('fills in what may be left out', () => {
    const { client, date, test, side, value } = good;
    expect(readResultLine({ client, date, test, side, value }, SHIPPED_TESTS)).toMatchObject({
      reading: { time: '12:00', warm: false, tester: null, id: null, instrument: expect.any(String) as string },
    });
  });
  it('finds a test by its name too, and takes negative values and tests without sides', () => {
    const reach = SHIPPED_TESTS.tests.find((t) => t.id === 'finger-to-floor')!;
    const line = { ...good, test: reach.name.toUpperCase(), side: '', unit: 'cm', value: '−4' };
    expect(readResultLine(line, SHIPPED_TESTS)).toMatchObject({ reading: { side: null, value: -4 } });
  });
  it.each([
    ['client', { client: ' ' }],
    ['date', { date: '09.03.2026' }],
    ['date', { date: '2026-02-30' }],
    ['time', { time: '9:40' }],
    ['body', { body: 'hot' }],
    ['test', { test: 'jump height' }],
    ['test', { test: '' }],
    ['side', { side: 'middle' }],
    ['side', { side: '' }],
    ['unit', { unit: 'inch' }],
    ['unit', { unit: 'cm' }],
    ['value', { value: 'forty' }],
    ['value', { value: '1e3' }],
    ['value', { value: '400' }],
    ['instrument', { instrument: 'x'.repeat(61) }],
    ['id', { id: 'x'.repeat(101) }],
  ])('names the %s when it is wrong', (column, wrong) => {
    expect(errorsOf({ ...good, ...wrong }).map((e) => e.column)).toEqual([column]);
  });
  it('lists every error of a line at once', () => {
    expect(errorsOf({ date: 'x', test: 'y', value: 'z' }).map((e) => e.column)).toEqual([
      'client',
      'date',
      'test',
      'value',
    ]);
    expect(errorsOf({ ...good, test: 'side-split-height', side: 'left', value: '9', unit: 'cm' })).toMatchObject([
      { column: 'side' },
    ]);
  });
  it('never throws, whatever the cells hold', () => {
    const line = fc.record(Object.fromEntries(RESULT_COLUMNS.map((c) => [c.id, fc.string()])), { requiredKeys: [] });
    fc.assert(fc.property(line, (l) => void readResultLine(l as ResultLine, SHIPPED_TESTS)));
  });
});

describe('cells', () => {
  it('cannot be run as a formula by a spreadsheet, and come back as they were', () => {
    expect(toCell('=HYPERLINK("x")')).toBe(`'=HYPERLINK("x")`);
    fc.assert(
      fc.property(
        fc.string().map((t) => t.trim()),
        (text) => {
          expect(/^[=+@\-\t\r]/.test(toCell(text))).toBe(false);
          expect(fromCell(toCell(text))).toBe(text);
        },
      ),
    );
  });
});

describe('guessColumn', () => {
  it('knows its own names, whatever their case, and a few that files use', () => {
    for (const c of RESULT_COLUMNS) expect(guessColumn(` ${c.id.toUpperCase()} `)).toBe(c.id);
    expect(guessColumn('Reading')).toBe('value');
    expect(guessColumn('shoe size')).toBeNull();
  });
});

describe('guessDelimiter', () => {
  it('takes the one the heading has most of, outside quotes', () => {
    expect(guessDelimiter('client,date,test,value')).toBe(',');
    expect(guessDelimiter('client;date;value, in degrees')).toBe(';');
    expect(guessDelimiter('client\tdate\tvalue')).toBe('\t');
    expect(guessDelimiter('"a,b,c,d";date')).toBe(';');
    expect(guessDelimiter('client')).toBe(',');
  });
});
