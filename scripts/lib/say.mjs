/** One line of progress. */
export function say(text) {
  process.stdout.write(`${text}\n`);
}

/** A reason to stop that needs no stack trace: it says what to do. */
export class Stop extends Error {}

/** Runs a script's main function; a Stop ends it with its message alone. */
export function main(work) {
  work().catch((err) => {
    process.stderr.write(err instanceof Stop ? `\n${err.message}\n` : `\n${err?.stack ?? err}\n`);
    process.exitCode = 1;
    // Whatever still holds the process open belongs to the failed attempt.
    setTimeout(() => process.exit(1), 200).unref();
  });
}
