import fc from 'fast-check';
import { inject } from 'vitest';
import { runs } from './runs.js';

/**
 * Where the cases of `npm test` begin: the same ones every time, so that what fails, fails for everyone and by a change. `npm run deep` draws new
 * ones each time, and more of them; what it finds is mended and becomes a case of its own.
 */
const SEED = 20261201;

/** Properties that do not say how many cases they try. */
fc.configureGlobal({ ...runs(100), ...(inject('deep') === 1 && { seed: SEED }) });
