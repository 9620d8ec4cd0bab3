import type { Prescription } from '../../technique/prescription.js';

/** The rules of a block, as the coach reads them (domain 2.6). */
export const BLOCK_RULES = [
  {
    id: 'one-variable',
    name: 'One change a week',
    text: 'Of a lane only one thing is turned up from one build week to the next.',
  },
  { id: 'ramp', name: 'Ramp', text: 'The weekly dose rises by no more than the ramp; a load by one plate or a tenth.' },
  {
    id: 'return',
    name: 'Return',
    text: 'After missed weeks the dose comes back lower: a fifth off for each week, half at most.',
  },
  {
    id: 'easier-week',
    name: 'Easier week',
    text: 'An easier week keeps about 60 % of the dose, and one comes at least every six weeks.',
  },
  { id: 'retest', name: 'Retest', text: 'Measured before week 1, in every easier week and in the last week.' },
  { id: 'cap', name: 'Caps', text: 'The strictest of style, client and caution counts.' },
  {
    id: 'tighter-side',
    name: 'Tighter side',
    text: 'A notably tighter side gets more, until a retest shows the difference gone.',
  },
  { id: 'spacing', name: 'Spacing', text: 'Loaded sessions of a group lie 48 h apart, three a week at most.' },
  {
    id: 'intensity',
    name: 'Intensity',
    text: 'No target lies above 6 of 10, or above 4 where a caution says go easy.',
  },
  { id: 'caution', name: 'Cautions', text: 'What a caution of the intake rules out is not planned.' },
  {
    id: 'time',
    name: 'Minutes',
    text: 'Every session fits the minutes of a session and holds no more lanes than can be done well.',
  },
  {
    id: 'weekly-dose',
    name: 'Weekly amount',
    text: 'Beyond 600 s a week for a group, with what other stretches add, gains flatten.',
  },
] as const;
export type BlockRuleId = (typeof BLOCK_RULES)[number]['id'];

/** Name of a rule, for screens. */
export function blockRuleName(id: BlockRuleId): string {
  return BLOCK_RULES.find((r) => r.id === id)!.name;
}

/** A change of the draft that fixes a broken rule. */
export type Fix =
  | {
      readonly kind: 'cell';
      readonly label: string;
      readonly lane: number;
      readonly week: number;
      readonly prescription: Prescription;
    }
  | { readonly kind: 'unlock'; readonly label: string; readonly lane: number; readonly week: number }
  | { readonly kind: 'easier-weeks'; readonly label: string; readonly weeks: readonly number[] };

/** A broken rule. `stop`: the block cannot be published with it. `warning`: the coach may decide otherwise. */
export interface Violation {
  readonly rule: BlockRuleId;
  /** Place of the lane; null when the week as a whole is meant. */
  readonly lane: number | null;
  /** 1-based; null when the block as a whole is meant. */
  readonly week: number | null;
  readonly severity: 'stop' | 'warning';
  readonly message: string;
  readonly fix: Fix | null;
}
