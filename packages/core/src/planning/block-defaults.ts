import type { FirstWeekday } from '../schedule/weekday.js';
import { BLOCK_BOUNDS } from './bounds.js';
import type { BlockDraft } from './draft.js';

/** What a studio begins a block with. */
export interface BlockDefaults extends Pick<BlockDraft, 'weeks' | 'ramp' | 'easierEvery' | 'lanesPerSession'> {
  /** Blocks start on this day. */
  readonly firstWeekday: FirstWeekday;
}

/** Apart from the draft: settings are read at the start, and are not to bring the catalogue along. */
export const BLOCK_DEFAULTS: BlockDefaults = {
  weeks: BLOCK_BOUNDS.weeks.default,
  ramp: BLOCK_BOUNDS.ramp.default,
  easierEvery: BLOCK_BOUNDS.easierEvery.default,
  lanesPerSession: BLOCK_BOUNDS.lanesPerSession.default,
  firstWeekday: 1,
};
