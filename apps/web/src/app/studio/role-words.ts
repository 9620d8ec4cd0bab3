import type { CoachRole } from '@yandle/contract';

/** What each role may do. */
export const ROLE_WORDS: Readonly<Record<CoachRole, string>> = {
  owner: 'Owner: everything, and runs the studio',
  coach: 'Coach: works with all clients',
  guest: 'Guest: reads, changes nothing',
};
