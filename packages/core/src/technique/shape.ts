import type { Beat } from './beats.js';
import type { Bout, Variable } from './prescription.js';
import type { BoutSegment, HoldStage } from './segment.js';
import type { Timings } from './timings.js';

/** What a bout of a technique is counted in. */
export type BoutUnit = 'seconds' | 'repetitions' | 'breaths';

/** Fields of a bout that a start of a style gives, with the days. */
export type StartField =
  | 'sets'
  | 'holdSeconds'
  | 'sessionsPerWeek'
  | 'reps'
  | 'cycles'
  | 'pushSeconds'
  | 'effort'
  | 'lowerSeconds'
  | 'assistance';

/** What a technique asks of a body: a strong push, a load at the end of the range, lowering a load, pressure on tissue, moving a nerve. */
export type TechniqueDemand = 'push' | 'load' | 'lowering' | 'pressure' | 'nerve';

/** How a bout is done besides its own fields. */
export interface BoutShape {
  /** 2 when left and right take turns inside the bout, repetition by repetition. */
  readonly turns: 1 | 2;
  /** Named parts of a hold; empty for none. */
  readonly stages: readonly HoldStage[];
  /** What is asked after a check without hands that comes before it; null for none. */
  readonly check: string | null;
}

/** Values a new phase of a style begins with, until the coach changes them. Common practice, no source. */
export interface PhaseDefaults {
  /** Seconds of a hold or stretch, or of the pause at the end of a repetition; 0 where there is none. */
  readonly holdSeconds: number;
  readonly amountFloor: number;
  readonly stepSize: number;
  /** Step and cap of the bout's size. */
  readonly step: number;
  readonly cap: number;
}

/**
 * How a stretch is done: everything that depends on the technique, in one shape. Nothing outside this folder, the catalogue's data and the
 * styles' data asks which technique it is; it asks the technique.
 */
export interface TechniqueKind {
  /** How to breathe in it, where an exercise says nothing else. */
  readonly breath: string;
  /** How a bout is gone into. */
  readonly begin: string;
  readonly unit: BoutUnit;
  /** Works against a weight, a band or the body's bodyweight at the end of the range: 48 h apart, never under 18. */
  readonly loaded: boolean;
  /** Its seconds count as time under stretch (domain 2.1); others are counted in sessions and sets. */
  readonly stretches: boolean;
  /** The stretch is held without moving: what is limited before training, and what a lane can fall back to. */
  readonly still: boolean;
  /** One position is held: it can be counted in breaths, and its parts can have directions. */
  readonly held: boolean;
  /** Can be planned by a style. */
  readonly planned: boolean;
  /** Calms rather than rouses: fit for the evening. Common practice, no source. */
  readonly calms: boolean;
  /** What it asks of a body whatever the exercise; cautions go by it. */
  readonly demands: readonly TechniqueDemand[];
  /** Place among the sections of a session, from 0 (domain 2.7): rolling, moving, contract-relax and loaded, static, activation, breathing. */
  readonly section: number;
  /** Fields that a start gives, in the order they are entered. */
  readonly fields: readonly StartField[];
  /** Fields without which a bout cannot be done, besides its sets and its size. */
  readonly needs: readonly (keyof Bout)[];
  /** Usual bounds of one bout of an exercise, in its unit. Common practice, no source. */
  readonly amount: { readonly min: number; readonly max: number };
  readonly defaults: PhaseDefaults;
  /** Seconds of a hold that one press of + or − adds. */
  readonly handStep: number;
  /** Variables it can turn up besides its size, sets, days and sensation. */
  readonly variables: readonly Variable[];
  /** Values a new bout has besides those of its start. */
  readonly extra: Partial<Bout>;
  /** Bouts that one set is logged as: the cycles of contract-relax, else 1. */
  readonly logged: (b: Bout) => number;
  /** Time under stretch of one bout, whole seconds (domain 2.4). */
  readonly dose: (b: Bout) => number;
  /** Parts of one repetition or breath, in order; empty for what is not counted so. Parts of no length may stand in it. */
  readonly beats: (b: Bout, t: Timings) => Beat[];
  /** What is done between entry and exit, in order. */
  readonly segments: (b: Bout, t: Timings, shape: BoutShape) => BoutSegment[];
}
