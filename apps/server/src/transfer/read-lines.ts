import { Readable, Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { guessColumn, guessDelimiter, RESULT_COLUMNS, type ResultColumn, type ResultLine } from '@yandle/core';
import { parse } from 'csv-parse';
import StreamJson from 'stream-json';
import Pick from 'stream-json/filters/Pick.js';
import StreamArray from 'stream-json/streamers/StreamArray.js';
import { JsonWatch } from '../http/body-depth.js';
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
  const text = utf8();
  pipeline(input, text).catch(() => undefined);
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

/** Bytes as they are, watched: nesting and texts beyond all measure end the reading before the parser has them. */
function watched(): Transform {
  const watch = new JsonWatch();
  return new Transform({
    transform: (chunk: Buffer, _encoding, done) => {
      try {
        watch.see(chunk);
        done(null, chunk);
      } catch (err) {
        done(err as Error);
      }
    },
  });
}

const NO_RESULTS = 'The file has no list "results" with one object for each result. See docs/api.md for its form.';
const NOT_JSON = 'The file isn’t valid JSON. Fix it and send it again.';

/** Readings of a JSON file `{ "format": …, "results": [ … ] }`, one at a time. */
export async function* jsonLines(input: Readable): AsyncGenerator<NumberedLine> {
  let listed = false;
  const picked = Pick.pick({ filter: 'results', once: true });
  picked.once('data', (token: { readonly name: string }) => (listed = token.name === 'startArray'));
  const rows = StreamArray.streamArray();
  // Where one of them fails all are ended, and the reader hears why.
  const whole = pipeline(input, watched(), utf8(), StreamJson.parser(), picked, rows);
  whole.catch(() => undefined);
  try {
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
    await whole;
  } catch (err) {
    if (err instanceof HttpProblem) throw err;
    // The readers of JSON say what is wrong with it in words of their own.
    const why: unknown = await whole.catch((reason: unknown) => reason);
    throw why instanceof HttpProblem ? why : unreadable(listed ? NOT_JSON : NO_RESULTS);
  }
  if (!listed) throw unreadable(NO_RESULTS);
}
