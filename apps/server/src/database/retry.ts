/** Refusals of the database after which the same transaction may succeed at once. */
const CLASHES = new Set([
  // A deadlock, and on a cluster a row that another node committed first.
  'ER_LOCK_DEADLOCK',
  'ER_LOCK_WAIT_TIMEOUT',
  'ER_CHECKREAD',
]);
/** It has waited long already: once more, and then whoever asks is told. */
const WAITED = 'ER_LOCK_WAIT_TIMEOUT';
/** Another transaction wrote the same id first: on the second try it is found, and answers the same. */
const TWIN = 'ER_DUP_ENTRY';
const TRIES = 4;
/** Longest wait before the second try, milliseconds; it doubles with each. */
const FIRST_WAIT = 40;

/** Code that the database driver gave; undefined for any other error. */
export function driverCode(err: unknown): string | undefined {
  const { code, driverError } = (err ?? {}) as { code?: unknown; driverError?: { code?: unknown } };
  const given = code ?? driverError?.code;
  return typeof given === 'string' ? given : undefined;
}

/** True for an error that says: two transactions met, nothing was written, send it again. */
export function isClash(err: unknown): boolean {
  return CLASHES.has(driverCode(err) ?? '');
}

/**
 * Does a transaction again when it met another one: up to three times, after a wait with jitter so that the same two do not meet again. A row
 * that another wrote first is looked for once. What is left is thrown as it is.
 * @param work all of a transaction; it may run several times, so it reads nothing that can be read once only
 * @param pause waits some milliseconds
 */
export async function withRetries<R>(
  work: () => Promise<R>,
  pause: (ms: number) => Promise<void> = (ms) => new Promise((done) => setTimeout(done, ms)),
): Promise<R> {
  let twins = 0;
  let waited = 0;
  for (let attempt = 1; ; attempt++) {
    try {
      return await work();
    } catch (err) {
      const code = driverCode(err);
      const again = code === WAITED ? waited++ === 0 : isClash(err) ? attempt < TRIES : code === TWIN && twins++ === 0;
      if (!again) throw err;
      await pause(Math.random() * FIRST_WAIT * 2 ** (attempt - 1));
    }
  }
}
