import { openDataSource } from '../src/database/data-source.js';
import { acceptStandingOfAll } from '../src/review/standing.js';

/** The hourly acceptance of plain reviews in a process of its own, so that a test can kill it: at a moment, on a database. */
const [url, now] = process.argv.slice(2);
const source = await openDataSource(url!);
await acceptStandingOfAll(source, { now: () => new Date(now!) }, (err) => void process.stderr.write(String(err)));
await source.destroy();
