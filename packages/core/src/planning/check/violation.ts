import type { MuscleGroupId } from '../../anatomy/muscle-group.js';
import type { Side } from '../../anatomy/side.js';
import type { Technique } from '../../technique/catalogue.js';
import type { Prescription, Variable } from '../../technique/prescription.js';
import type { LimitFact, TechniqueBar } from '../facts.js';

/** The rules of a block (domain 2.6), in the order in which they are listed. */
export const BLOCK_RULE_IDS = [
  'one-variable',
  'ramp',
  'return',
  'easier-week',
  'retest',
  'cap',
  'tighter-side',
  'spacing',
  'intensity',
  'caution',
  'time',
] as const;
export type BlockRuleId = (typeof BLOCK_RULE_IDS)[number];

/** A change of the draft that fixes a broken rule. */
export type Fix =
  | {
      readonly kind: 'cell';
      /** What of the prescription is other than now. */
      readonly what: 'all' | 'sensation' | 'extra';
      readonly lane: number;
      readonly week: number;
      readonly prescription: Prescription;
    }
  | {
      readonly kind: 'unlock';
      readonly lane: number;
      readonly week: number;
      /** Group of the lane where the rule concerns the week as a whole; null where the cell itself is meant. */
      readonly group: MuscleGroupId | null;
    }
  | { readonly kind: 'easier-weeks'; readonly added: number; readonly weeks: readonly number[] };

/** A value outside its bounds. */
export interface OutOfBounds {
  readonly what: 'amount' | Variable;
  readonly value: number;
  readonly most: number | null;
  readonly least: number | null;
  readonly technique: Technique;
}

/** What is wrong, as a fact. Seconds, whole percent, 1-based weeks. */
export type ViolationFact =
  | { readonly code: 'above-experience'; readonly args: { readonly exercise: string } }
  | {
      readonly code: 'rose-together';
      readonly args: { readonly variables: readonly Variable[]; readonly since: number };
    }
  | {
      readonly code: 'return-too-high';
      readonly args: {
        readonly seconds: number;
        readonly weeks: number;
        readonly most: number;
        readonly percent: number;
        readonly since: number;
      };
    }
  | {
      readonly code: 'rose-too-much';
      readonly args: {
        readonly from: number;
        readonly to: number;
        readonly percent: number;
        readonly allowed: number;
        readonly most: number;
        readonly since: number;
      };
    }
  | {
      readonly code: 'load-rose-too-much';
      readonly args: { readonly from: number; readonly to: number; readonly most: number };
    }
  | { readonly code: 'not-easier'; readonly args: { readonly percent: number; readonly since: number } }
  | {
      readonly code: 'out-of-bounds';
      readonly args: {
        readonly values: readonly OutOfBounds[];
        /** What of the client sets the bounds of the bout; null for the style. */
        readonly by: LimitFact | null;
        readonly style: string;
      };
    }
  | {
      readonly code: 'above-style-dose';
      readonly args: { readonly seconds: number; readonly doseMax: number; readonly style: string };
    }
  | {
      readonly code: 'too-strong';
      readonly args: { readonly sensation: number; readonly most: number; readonly by: LimitFact | null };
    }
  | { readonly code: 'technique-barred'; readonly args: { readonly bar: TechniqueBar } }
  | { readonly code: 'not-the-tighter-side' | 'tighter-side-without-extra'; readonly args: { readonly side: Side } }
  | { readonly code: 'session-too-long'; readonly args: { readonly seconds: number; readonly budget: number } }
  | { readonly code: 'too-many-lanes'; readonly args: { readonly lanes: number; readonly most: number } }
  | {
      readonly code: 'days-too-few';
      readonly args: { readonly sessions: number; readonly days: number; readonly loaded: boolean };
    }
  | { readonly code: 'too-many-loaded'; readonly args: { readonly sessions: number; readonly most: number } }
  | { readonly code: 'loaded-after-last-week' | 'loaded-too-close' }
  | { readonly code: 'no-retest'; readonly args: { readonly week: number } }
  | { readonly code: 'no-easier-week'; readonly args: { readonly weeks: number; readonly most: number } }
  | { readonly code: 'exercise-ruled-out'; readonly args: { readonly exercise: string } };

/** A broken rule. `stop`: the block cannot be published with it. `warning`: the coach may decide otherwise. */
export interface Violation {
  readonly rule: BlockRuleId;
  /** Place of the lane; null when the week as a whole is meant. */
  readonly lane: number | null;
  /** 1-based; null when the block as a whole is meant. */
  readonly week: number | null;
  readonly severity: 'stop' | 'warning';
  readonly fact: ViolationFact;
  readonly fix: Fix | null;
}
