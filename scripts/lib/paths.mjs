import { fileURLToPath } from 'node:url';

/** Root of the checkout. */
export const ROOT = fileURLToPath(new URL('../..', import.meta.url)).replace(/\/$/, '');
/** What a running product keeps: database, secrets, logs. */
export const DATA = `${ROOT}/.data`;
