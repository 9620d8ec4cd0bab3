import type { Response } from 'express';

/** A stream that breaks half-way must not look like a whole file: the connection is cut instead. */
export async function sendAll(res: Response, work: Promise<void>): Promise<void> {
  try {
    await work;
  } catch (err) {
    if (!res.headersSent) throw err;
    res.destroy();
  }
}
