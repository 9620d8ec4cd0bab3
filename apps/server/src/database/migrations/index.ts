import { FirstTables1764028800000 } from './0001-first-tables.js';

/** All schema changes, oldest first. */
export const MIGRATIONS = [FirstTables1764028800000];
