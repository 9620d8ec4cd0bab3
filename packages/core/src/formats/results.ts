import { roundTo } from '../math/rounding.js';
import { parseNumber } from '../math/parse-number.js';
import type { Side } from '../anatomy/side.js';
import { isPlausible } from '../measuring/result.js';
import type { RomTest } from '../catalogue/rom-test.js';
import type { TestCatalogue } from '../measuring/test-catalogue.js';
import { isPlainDate, type PlainDate } from '../schedule/plain-date.js';

/** Columns of the results table, one reading a line. The order is that of the file; a header names them. */
export const RESULT_COLUMNS = [
  { id: 'client', needed: true, about: 'Name of the client as in the client list' },
  { id: 'date', needed: true, about: 'Day of the assessment, 2026-03-09' },
  { id: 'time', needed: false, about: 'Time of the assessment, 09:40; 12:00 when left out' },
  { id: 'body', needed: false, about: 'cold or warm; cold when left out' },
  { id: 'tester', needed: false, about: 'Name of the coach who measured; you, when left out' },
  { id: 'test', needed: true, about: 'Name of the test, or its id' },
  { id: 'side', needed: false, about: 'left, right, or empty for a test without sides' },
  { id: 'value', needed: true, about: 'The reading, with a point: 31.5' },
  { id: 'unit', needed: false, about: 'deg or cm; checked against the test when given' },
  { id: 'instrument', needed: false, about: 'What it was read with' },
  { id: 'id', needed: false, about: 'Identifier of the reading: the same one counts once' },
] as const;

export type ResultColumn = (typeof RESULT_COLUMNS)[number]['id'];

/** Version of the table's definition, written into JSON files. */
export const RESULTS_FORMAT = 'yandle-results-1';

/** A line of the table, as text. */
export type ResultLine = Readonly<Partial<Record<ResultColumn, string>>>;

/** A reading that was understood. */
export interface ImportedReading {
  readonly client: string;
  readonly date: PlainDate;
  readonly time: string;
  readonly warm: boolean;
  readonly tester: string | null;
  readonly test: RomTest;
  readonly side: Side | null;
  readonly value: number;
  readonly instrument: string;
  readonly id: string | null;
}

/** What is wrong with a cell of a line; the sentences are in `words/result-line.ts`. */
export type LineFault =
  | { readonly code: 'no-client' | 'no-date' | 'no-time' | 'no-body' | 'no-test' | 'no-side' | 'no-number' }
  | { readonly code: 'unknown-test'; readonly name: string }
  | { readonly code: 'side-needed' | 'no-sides' }
  | { readonly code: 'other-unit'; readonly unit: RomTest['unit'] }
  | { readonly code: 'implausible'; readonly min: number; readonly max: number }
  | { readonly code: 'too-long'; readonly most: number };

/** A fault and the column it is in. */
export interface LineError {
  readonly column: ResultColumn;
  readonly fault: LineFault;
}

/** A cell that was understood, or what is wrong with it. */
type Read<T> = { readonly value: T } | { readonly fault: LineFault };

const SIDE_WORDS: Readonly<Record<string, Side>> = { left: 'left', l: 'left', right: 'right', r: 'right' };
const WARM_WORDS: Readonly<Record<string, boolean>> = { cold: false, warm: true, '': false };
const UNIT_WORDS: Readonly<Record<string, RomTest['unit']>> = {
  deg: 'deg',
  '°': 'deg',
  degrees: 'deg',
  cm: 'cm',
  centimetres: 'cm',
};

/** Column names that files use, and the column they stand for. Common practice, no source. */
const ALIASES: Readonly<Record<string, ResultColumn>> = {
  name: 'client',
  person: 'client',
  day: 'date',
  when: 'date',
  clock: 'time',
  warm: 'body',
  state: 'body',
  coach: 'tester',
  measure: 'test',
  reading: 'value',
  result: 'value',
  device: 'instrument',
  laterality: 'side',
};

export const DELIMITERS = [',', ';', '\t'] as const;
export type Delimiter = (typeof DELIMITERS)[number];

/**
 * What separates the columns of a file: whichever its heading has most of, outside quotes. One separator only: a semicolon file may write
 * decimals with a comma, and splitting there would cut numbers in two.
 */
export function guessDelimiter(heading: string): Delimiter {
  const bare = heading.replace(/"[^"]*"/g, '');
  const count = (d: Delimiter) => bare.split(d).length - 1;
  return DELIMITERS.reduce((best, d) => (count(d) > count(best) ? d : best));
}

/** Which column a header most likely means; null for one that is not used. */
export function guessColumn(header: string): ResultColumn | null {
  const word = header.trim().toLowerCase();
  const known = RESULT_COLUMNS.find((c) => c.id === word);
  return known?.id ?? ALIASES[word] ?? null;
}

/**
 * Text cells as a spreadsheet may open them: a leading =, +, @ or − would be run as a formula, so an apostrophe goes before it.
 * {@link fromCell} takes it off again.
 */
export function toCell(text: string): string {
  return /^[=+@\-\t\r']/.test(text) ? `'${text}` : text;
}

export function fromCell(text: string): string {
  const t = text.trim();
  return /^'[=+@\-\t\r']/.test(t) ? t.slice(1) : t;
}

const MOST = { instrument: 60, id: 100 } as const;

function readTest(name: string, catalogue: TestCatalogue): Read<RomTest> {
  if (name === '') return { fault: { code: 'no-test' } };
  const test = catalogue.tests.find((t) => t.id === name || t.name.toLowerCase() === name.toLowerCase());
  return test ? { value: test } : { fault: { code: 'unknown-test', name } };
}

function readSide(word: string, test: RomTest | null): Read<Side | null> {
  const side = word === '' || word === '-' ? null : SIDE_WORDS[word];
  if (side === undefined) return { fault: { code: 'no-side' } };
  if (test && (test.sides !== 'none') !== (side !== null))
    return { fault: { code: side === null ? 'side-needed' : 'no-sides' } };
  return { value: side };
}

function readValue(text: string, test: RomTest | null): Read<number> {
  const typed = parseNumber(text);
  if (typed === null) return { fault: { code: 'no-number' } };
  const value = roundTo(typed, 2);
  if (test && !isPlausible(value, test)) return { fault: { code: 'implausible', ...test.plausible } };
  return { value };
}

const readText = (text: string, most: number): Read<string> =>
  text.length > most ? { fault: { code: 'too-long', most } } : { value: text };

/**
 * One line of the table: the reading it holds, or everything that is wrong with it. Who the client and the tester are is not known here.
 * A number may have a decimal comma. Values outside what a body can show are refused.
 */
export function readResultLine(
  line: ResultLine,
  catalogue: TestCatalogue,
): { reading: ImportedReading } | { errors: LineError[] } {
  const errors: LineError[] = [];
  const cell = (column: ResultColumn) => fromCell(line[column] ?? '');
  /** The value of a cell; null where it has a fault, which is noted. */
  const take = <T>(column: ResultColumn, read: Read<T>): T | null => {
    if ('value' in read) return read.value;
    errors.push({ column, fault: read.fault });
    return null;
  };
  const when = (column: ResultColumn, good: boolean, code: 'no-client' | 'no-date' | 'no-time'): string =>
    take(column, good ? { value: cell(column) } : { fault: { code } }) ?? '';

  const client = when('client', cell('client') !== '', 'no-client');
  const date = when('date', isPlainDate(cell('date')), 'no-date');
  const time = when('time', /^(([01]\d|2[0-3]):[0-5]\d)?$/.test(cell('time')), 'no-time') || '12:00';
  const body = WARM_WORDS[cell('body').toLowerCase()];
  const warm = take('body', body === undefined ? { fault: { code: 'no-body' } } : { value: body });
  const test = take('test', readTest(cell('test'), catalogue));
  const side = take('side', readSide(cell('side').toLowerCase(), test));
  const unit = cell('unit').toLowerCase();
  if (test && unit !== '' && UNIT_WORDS[unit] !== test.unit)
    errors.push({ column: 'unit', fault: { code: 'other-unit', unit: test.unit } });
  const value = take('value', readValue(cell('value'), test));
  const instrument = take('instrument', readText(cell('instrument') || (test?.instruments[0] ?? ''), MOST.instrument));
  const id = take('id', readText(cell('id'), MOST.id));
  if (errors.length > 0 || !test || warm === null || value === null) return { errors };
  const tester = cell('tester') || null;
  return {
    reading: { client, date, time, warm, tester, test, side, value, instrument: instrument ?? '', id: id || null },
  };
}
