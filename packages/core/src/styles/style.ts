import type { Source } from '../source.js';

/** How a stretch is done. */
export const TECHNIQUES = [
  'static hold',
  'contract-relax',
  'loaded eccentric',
  'loaded isometric',
  'moving stretch',
  'release',
  'nerve glide',
  'activation',
  'breathing',
] as const;
export type Technique = (typeof TECHNIQUES)[number];

/** What a lane asks in one week when its technique is a static hold. */
export interface Prescription {
  readonly technique: 'static hold';
  /** Bouts on each side in one session. */
  readonly sets: number;
  /** Seconds of one bout. */
  readonly holdSeconds: number;
  /** Sessions in the week. */
  readonly sessionsPerWeek: number;
  /** Target sensation, 0-10; never above 6, where conversation stays possible. */
  readonly sensation: number;
}

/** What a style can turn up, one at a time. */
export type Variable = 'holdSeconds' | 'sets' | 'sessionsPerWeek' | 'sensation';

/** Highest sensation that is ever a target: someone who cannot hold a conversation has gone too far (talk test). */
export const HIGHEST_TARGET = 6;

/** A school of progression, as data (domain 2.5). */
export interface Style {
  readonly id: string;
  readonly name: string;
  /** One sentence for the coach. */
  readonly summary: string;
  readonly technique: Prescription['technique'];
  readonly start: { readonly sets: number; readonly holdSeconds: number; readonly sessionsPerWeek: number };
  /** Variables in the order in which they progress. */
  readonly order: readonly Variable[];
  /** Size of one step of each variable. */
  readonly step: Readonly<Record<Variable, number>>;
  /** A re-split never takes the hold below this. Seconds. */
  readonly holdFloor: number;
  readonly caps: Readonly<Record<Variable, number>>;
  /** Every how manyth week is easier; null for never. */
  readonly easierEvery: number | null;
  readonly sources: readonly Source[];
}
