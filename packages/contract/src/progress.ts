import type { GroupChoice, PlannedDone, TighterFelt } from '@yandle/core';
import type { Assessment } from './assessments.js';

/** Everything the Progress screen needs of a client. */
export interface Progress {
  /** The studio's day. */
  readonly today: string;
  /** Oldest first. */
  readonly assessments: readonly Assessment[];
  /** Planned against done, weeks of the running (or last) block up to today. */
  readonly dose: {
    readonly blockId: string;
    readonly startDate: string;
    readonly weeks: number;
    /** Weeks that have ended. */
    readonly weeksOver: number;
    readonly rows: readonly PlannedDone[];
    /** What groups get from stretches of other groups, counted by its share. */
    readonly along: readonly PlannedDone[];
  } | null;
  /** Lanes of all blocks, earliest first: they say which results had chosen a lane. */
  readonly choices: readonly GroupChoice[];
  /** Sides that felt tighter in an exercise of the block, by its muscle group. */
  readonly felt: readonly TighterFelt[];
  readonly sensations: readonly { readonly date: string; readonly sensation: number | null }[];
}
