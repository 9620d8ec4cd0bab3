import { createReadStream, createWriteStream } from 'node:fs';
import { rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Transform, type Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { v4 as uuid } from 'uuid';
import { IMPORT_BYTES } from '@yandle/contract';
import { HttpProblem } from '../http/problem.js';

/** Counts what goes by. @throws HttpProblem `body-too-large` */
function bounded(most: number): Transform {
  let bytes = 0;
  return new Transform({
    transform: (chunk: Buffer, _encoding, done) => {
      bytes += chunk.length;
      if (bytes > most)
        done(new HttpProblem('body-too-large', `At most ${most / 1_000_000} MB at once. Send the file in parts.`));
      else done(null, chunk);
    },
  });
}

/**
 * Takes a file in whole before it is worked on, so that a slow sender holds no connection of the database: into a file that nobody else can
 * read and that is gone afterwards. Memory stays bounded whatever its length.
 * @throws HttpProblem `body-too-large`; ENOSPC where there is no room
 */
export async function withWholeFile<R>(input: Readable, work: (file: Readable) => Promise<R>): Promise<R> {
  const path = join(tmpdir(), `yandle-import-${uuid()}`);
  try {
    await pipeline(input, bounded(IMPORT_BYTES), createWriteStream(path, { mode: 0o600, flags: 'wx' }));
    const file = createReadStream(path);
    try {
      return await work(file);
    } finally {
      file.destroy();
    }
  } finally {
    await rm(path, { force: true });
  }
}
