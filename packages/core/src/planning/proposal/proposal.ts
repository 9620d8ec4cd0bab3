import type { MuscleGroupId } from '../../anatomy/muscle-group.js';
import type { WantedFact } from '../../measuring/findings/wanted.js';
import type { BlockDraft } from '../draft.js';
import type { BlockPlan } from '../plan.js';
import type { Reach } from '../reach.js';

/** What speaks for the style of a lane. */
export type StyleChoiceFact =
  /** Holds of the guideline volume: the plain way to lengthen. */
  | { readonly code: 'plain-hold' }
  /** A very mobile client: control before length. */
  | { readonly code: 'very-mobile' }
  /** Experienced, and something to load with is at hand. */
  | { readonly code: 'can-be-loaded' }
  /** Nothing is short: the range is kept. */
  | { readonly code: 'nothing-short' }
  /** More than upkeep would take what the others need. */
  | { readonly code: 'room-for-upkeep' };

/** A lane that is proposed, and why. */
export interface ProposedLane {
  readonly group: MuscleGroupId;
  readonly styleId: string;
  readonly why: readonly WantedFact[];
  readonly style: StyleChoiceFact;
}

/** A wanted group that a proposal leaves out, and why. */
export interface LeftGroup {
  readonly group: MuscleGroupId;
  /**
   * `impossible`: nothing can be done for it in these places; `no-room`: not even its least fits; `short-alone`: it stays short even alone;
   * `takes-reach`: with it, it or another would stay short.
   */
  readonly code: 'impossible' | 'no-room' | 'short-alone' | 'takes-reach' | 'too-many';
}

/** A block that could be begun with. */
export interface Proposal {
  /**
   * `reach`: fewer groups, to the amount that the reviews favour; `spread`: more groups, some of them only kept up; `between`: as the first, with
   * short sessions on days between.
   */
  readonly id: 'reach' | 'spread' | 'between';
  readonly draft: BlockDraft;
  readonly plan: BlockPlan;
  readonly lanes: readonly ProposedLane[];
  readonly left: readonly LeftGroup[];
  readonly reach: readonly Reach[];
}
