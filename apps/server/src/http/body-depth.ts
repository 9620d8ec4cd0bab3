import express, { type RequestHandler } from 'express';
import { HttpProblem } from './problem.js';

/** Deepest nesting of lists and objects that any body of the contract has, with room to spare. */
const DEEPEST = 20;
/** Longest text in a body, bytes: longer than any that a schema takes. */
const LONGEST_TEXT = 100_000;

const QUOTE = 0x22;
const BACKSLASH = 0x5c;
const OPENS = new Set([0x5b, 0x7b]);
const CLOSES = new Set([0x5d, 0x7d]);

/**
 * Watches JSON go by, in pieces, before a parser sees it: nesting and texts beyond all measure are refused by the byte, for parsers take
 * time with the square of the depth. It says nothing about whether the JSON is right.
 */
export class JsonWatch {
  private depth = 0;
  private text = -1;
  private escaped = false;

  /** @throws HttpProblem `malformed-body` */
  see(bytes: Uint8Array): void {
    for (const byte of bytes) {
      if (this.text >= 0) {
        if (this.escaped) this.escaped = false;
        else if (byte === BACKSLASH) this.escaped = true;
        else if (byte === QUOTE) {
          this.text = -1;
          continue;
        }
        if (++this.text > LONGEST_TEXT)
          throw new HttpProblem('malformed-body', 'A text in this is far too long. Shorten it and send it again.');
      } else if (byte === QUOTE) this.text = 0;
      else if (OPENS.has(byte)) {
        if (++this.depth > DEEPEST)
          throw new HttpProblem(
            'malformed-body',
            `Lists and objects are nested more than ${DEEPEST} deep. Send them flat.`,
          );
      } else if (CLOSES.has(byte)) this.depth--;
    }
  }
}

/** Bytes of a JSON body, at most. */
const MOST_BYTES = 200_000;

/** Reads JSON bodies, watched. */
export function jsonBody(): RequestHandler {
  return express.json({
    limit: MOST_BYTES,
    strict: true,
    verify: (_req, _res, bytes) => {
      try {
        new JsonWatch().see(bytes);
      } catch (err) {
        // The reader gives what is thrown here a status of its own: what it is travels by its type.
        throw Object.assign(new Error((err as HttpProblem).detail), { type: 'entity.shape' });
      }
    },
  });
}
