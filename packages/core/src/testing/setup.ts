import fc from 'fast-check';
import { runs } from './runs.js';

/** Properties that do not say how many cases they try. */
fc.configureGlobal(runs(100));
