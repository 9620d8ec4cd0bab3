import { Readable, Transform } from 'node:stream';
import { guessColumn, guessDelimiter, RESULT_COLUMNS, type ResultColumn, type ResultLine } from '@yandle/core';
import { parse } from 'csv-parse';
import StreamJson from 'stream-json';
import Pick from 'stream-json/filters/Pick.js';
import StreamArray from 'stream-json/streamers/StreamArray.js';
import { HttpProblem } from '../http/problem.js';

/** A line of a file, with its number (the header is 1; in JSON the place in the list). */
export interface NumberedLine {
  readonly line: number;
  readonly cells: ResultLine;
}

/** Longest line taken, characters. */
const LONGEST_LINE = 20_000;

const unreadable = (detail: string) => new HttpProblem('malformed-body', detail);

/** Bytes to text; anything but UTF-8 is refused instead of filling names with question marks. */
function utf8(): Transform {
  const decoder = new TextDecoder('utf-8', { fatal: true });
  const decode = (chunk: Buffer | undefined, done: (err: Error | null, text?: string) => void) => {
    try {
      done(null, decoder.decode(chunk, { stream: chunk !== undefined }));
    } catch {
      done(unreadable('The file is not UTF-8 text. Save it as "CSV UTF-8" and send it again.'));
    }
  };
  return new Transform({
    decodeStrings: true,
    encoding: 'utf8',
    transform: (chunk: Buffer, _e, done) => decode(chunk, done),
    flush: (done) => decode(undefined, done),
  });
}

function assertColumns(columns: readonly (ResultColumn | null)[]): void {
  const missing = RESULT_COLUMNS.filter((c) => c.needed && !columns.includes(c.id)).map((c) => c.id);
  if (missing.length > 0)
    throw unreadable(`The file has no column for ${missing.join(', ')}. Say which column holds it.`);
  const twice = columns.find((c, i) => c !== null && columns.indexOf(c) !== i);
  if (twice) throw unreadable(`Two columns are taken for ${twice}. Choose one.`);
}

/**
 * Lines of a CSV file, one at a time. The separator is comma, semicolon or tab, whichever the heading has most of.
 * @param mapping what each place holds; null to go by the header
 * @throws HttpProblem `malformed-body`
 */
export async function* csvLines(
  input: Readable,
  mapping: readonly (ResultColumn | null)[] | null,
): AsyncGenerator<NumberedLine> {
  const text = input.pipe(utf8());
  input.on('error', (err) => text.destroy(err));
  const chunks = text[Symbol.asyncIterator]() as AsyncIterator<string>;
  // The heading is read first: it says what separates the columns.
  let head = '';
  while (!head.includes('\n') && head.length <= LONGEST_LINE) {
    const next = await chunks.next();
    if (next.done) break;
    head += next.value;
  }
  const parser = parse({
    bom: true,
    delimiter: guessDelimiter(head.split('\n')[0]!),
    relax_column_count: true,
    skip_empty_lines: true,
    max_record_size: LONGEST_LINE,
    info: true,
  });
  const whole = Readable.from(
    (async function* () {
      if (head !== '') yield head;
      for (let next = await chunks.next(); !next.done; next = await chunks.next()) yield next.value;
    })(),
  );
  whole.on('error', (err) => parser.destroy(err));
  whole.pipe(parser);
  let columns: readonly (ResultColumn | null)[] | null = null;
  try {
    for await (const { record, info } of parser as AsyncIterable<{ record: string[]; info: { lines: number } }>) {
      if (!columns) {
        columns = mapping ?? record.map(guessColumn);
        assertColumns(columns);
        continue;
      }
      const cells: Partial<Record<ResultColumn, string>> = {};
      columns.forEach((c, i) => {
        if (c !== null) cells[c] = record[i] ?? '';
      });
      yield { line: info.lines, cells };
    }
  } catch (err) {
    if (err instanceof HttpProblem) throw err;
    const code = (err as { code?: unknown }).code;
    if (typeof code === 'string' && code.startsWith('CSV_'))
      throw unreadable(`The file isn’t readable CSV: ${(err as Error).message.split('\n')[0]}`);
    throw err;
  }
  if (!columns) throw unreadable('The file is empty. Its first line names the columns.');
}

/** Readings of a JSON file `{ "format": …, "results": [ … ] }`, one at a time. */
export async function* jsonLines(input: Readable): AsyncGenerator<NumberedLine> {
  const text = input.pipe(utf8());
  const parser = StreamJson.parser();
  const rows = parser.pipe(Pick.pick({ filter: 'results' })).pipe(StreamArray.streamArray());
  const fail = (err: Error) => void rows.destroy(err);
  input.on('error', fail);
  text.on('error', fail);
  parser.on('error', () => fail(unreadable('The file isn’t valid JSON. Fix it and send it again.')));
  text.pipe(parser);
  for await (const { key, value } of rows as AsyncIterable<{ key: number; value: unknown }>) {
    if (value === null || typeof value !== 'object' || Array.isArray(value))
      throw unreadable(`Entry ${key + 1} of "results" isn’t an object with client, date, test and value.`);
    const cells: Partial<Record<ResultColumn, string>> = {};
    for (const c of RESULT_COLUMNS) {
      const cell = (value as Record<string, unknown>)[c.id];
      if (typeof cell === 'string' || typeof cell === 'number') cells[c.id] = String(cell);
    }
    yield { line: key + 1, cells };
  }
}
