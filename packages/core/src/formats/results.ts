import { roundTo } from '../math/rounding.js';
import { parseNumber } from '../math/parse-number.js';
import type { Side } from '../anatomy/side.js';
import { assertPlausible } from '../measuring/result.js';
import type { RomTest } from '../catalogue/rom-test.js';
import type { TestCatalogue } from '../measuring/test-catalogue.js';
import { isPlainDate, type PlainDate } from '../schedule/plain-date.js';
import { CoreError } from '../errors.js';

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
  { id: 'id', needed: false, about: 'Identifier of the reading: the same one is taken once only' },
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

/** What is wrong with a cell of a line, and what to write instead. */
export interface LineError {
  readonly column: ResultColumn;
  readonly message: string;
}

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

/**
 * One line of the table: the reading it holds, or everything that is wrong with it. Who the client and the tester are is not known here.
 * A number may have a decimal comma. Values outside what a body can show are refused.
 */
export function readResultLine(
  line: ResultLine,
  catalogue: TestCatalogue,
): { reading: ImportedReading } | { errors: LineError[] } {
  const errors: LineError[] = [];
  const wrong = (column: ResultColumn, message: string) => void errors.push({ column, message });
  const cell = (column: ResultColumn) => fromCell(line[column] ?? '');

  const client = cell('client');
  if (client === '') wrong('client', 'Enter the client’s name.');
  const date = cell('date');
  if (!isPlainDate(date)) wrong('date', 'Enter a date like 2026-03-09.');
  const time = cell('time') || '12:00';
  if (!/^([01]\d|2[0-3]):[0-5]\d$/.test(time)) wrong('time', 'Enter a time like 09:40, or leave it out.');
  const warm = WARM_WORDS[cell('body').toLowerCase()];
  if (warm === undefined) wrong('body', 'Write cold or warm.');
  const name = cell('test');
  const test = catalogue.tests.find((t) => t.id === name || t.name.toLowerCase() === name.toLowerCase());
  if (!test) wrong('test', name === '' ? 'Enter the name of the test.' : `There is no test "${name}".`);
  const word = cell('side').toLowerCase();
  const side = word === '' || word === '-' ? null : (SIDE_WORDS[word] ?? undefined);
  if (side === undefined) wrong('side', 'Write left, right, or nothing.');
  else if (test && (test.sides !== 'none') !== (side !== null))
    wrong('side', side === null ? 'This test has sides: write left or right.' : 'This test has no sides.');
  const unit = cell('unit').toLowerCase();
  if (test && unit !== '' && UNIT_WORDS[unit] !== test.unit)
    wrong('unit', `This test is read in ${test.unit === 'deg' ? 'degrees (deg)' : 'centimetres (cm)'}.`);
  const typed = parseNumber(cell('value'));
  const value = typed === null ? NaN : roundTo(typed, 2);
  if (Number.isNaN(value)) wrong('value', 'Enter the reading as a number, e.g. 31.5.');
  else if (test)
    try {
      assertPlausible(value, test);
    } catch (err) {
      wrong('value', (err as CoreError).message);
    }
  const instrument = cell('instrument') || (test?.instruments[0] ?? '');
  if (instrument.length > 60) wrong('instrument', 'At most 60 characters.');
  const id = cell('id');
  if (id.length > 100) wrong('id', 'At most 100 characters.');
  if (errors.length > 0 || !test || warm === undefined || side === undefined) return { errors };
  return {
    reading: {
      client,
      date,
      time,
      warm,
      tester: cell('tester') || null,
      test,
      side,
      value,
      instrument,
      id: id || null,
    },
  };
}
