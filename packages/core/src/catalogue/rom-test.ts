import type { Demand } from './demand.js';
import type { Reference } from './reference.js';
import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import type { Source } from '../source.js';

/** Unit of a reading. */
export type RomUnit = 'deg' | 'cm';

/** Body position of a test or exercise, in the order in which an assessment goes through them. */
export const POSITIONS = [
  'standing',
  'sitting on a chair',
  'kneeling',
  'all fours',
  'sitting on the floor',
  'supine',
  'side-lying',
  'prone',
] as const;
export type Position = (typeof POSITIONS)[number];

/** How the value is made from the readings that are used. */
export type ValueRule = 'mean' | 'best' | 'median';

/** Whether a larger or a smaller reading means freer movement. */
export type Better = 'more' | 'less';

/** Test-retest error of a test: what two assessments differ by when nothing has changed. */
export interface ErrorFigure {
  /** Standard error of measurement of a result between assessments, in the unit of the test. */
  readonly sem: number;
  readonly source: Source;
  /** Readings behind each result of the study; left out where the source does not say. */
  readonly readings?: number;
  /** Degrees of freedom of the study when the error is a coach's own, from few clients; left out for a published one. */
  readonly df?: number | null;
}

/**
 * On which side a muscle group limits a motion that is named left or right: the side that is named, the other, or neither, where both do or
 * nobody can tell.
 */
export const LIMIT_SIDES = ['same', 'opposite', 'none'] as const;
export type LimitSide = (typeof LIMIT_SIDES)[number];

/** A muscle group that limits a motion. */
export interface TestLimit {
  readonly group: MuscleGroupId;
  /** How much, 0 to 1. */
  readonly weight: number;
  readonly side: LimitSide;
}

/** Which way a limb is turned. */
export const TURNS = ['in', 'out'] as const;
export type Turn = (typeof TURNS)[number];
/** Groups that hold two opposite motions: what stretches one does not stretch the other. */
export const TURNING_GROUPS: readonly MuscleGroupId[] = ['shoulder-rotators', 'deep-hip-rotators'];

/** What moves the joint to the end that is read: the client, the weight of the body or limb, or the tester. Changed, it is another test. */
export const MOVERS = ['active', 'weight', 'tester'] as const;
export type Mover = (typeof MOVERS)[number];

/** One standardised way to measure a motion. Data: everything a coach must know to repeat it. */
export interface RomTest {
  readonly id: string;
  readonly name: string;
  /** Motion measured: joint and direction. */
  readonly motion: string;
  readonly purpose: string;
  /** Left out by tests of a studio from before it was asked. */
  readonly moved?: Mover;
  readonly position: Position;
  readonly landmarks: readonly string[];
  readonly steps: readonly string[];
  /** The first compensation: it ends the reading. */
  readonly endPoint: string;
  readonly instruments: readonly string[];
  readonly unit: RomUnit;
  /** What the number means, in words: "degrees short of straight". */
  readonly reads: string;
  readonly better: Better;
  /** Body sides, directions (a rotation to the left), or none. */
  readonly sides: 'body' | 'direction' | 'none';
  readonly valueRule: ValueRule;
  /** Readings that lie within this of each other agree. In the unit of the test. */
  readonly repeatTolerance: number;
  /** Smallest step the instrument shows. In the unit of the test. */
  readonly resolution: number;
  /** Readings outside are refused as slips of the pen. In the unit of the test. */
  readonly plausible: { readonly min: number; readonly max: number };
  /** Ends of the drawn scale: from the spine (stiffest) to the outer end (freest). In the unit of the test. */
  readonly scale: { readonly stiffest: number; readonly freest: number };
  readonly error: ErrorFigure;
  /** A side difference must also exceed this to be called notable. In the unit of the test. */
  readonly sideThreshold: { readonly value: number; readonly source: Source } | null;
  readonly reference: Reference;
  /** Which muscle groups limit the motion, how much, and on which side. */
  readonly limits: readonly TestLimit[];
  /** Which way a joint is turned where the group holds two opposite motions; left out elsewhere. */
  readonly turns?: Turn;
  /** What it asks of the body beyond the groups it stretches; cautions go by it. */
  readonly demands: readonly Demand[];
  /** True when a firm bed or a couch will do in place of the floor. */
  readonly bed: boolean;
  readonly cautions: readonly string[];
  /** Who else should not be measured, in words; what the questions ask about is said from the demands. */
  readonly notFor: readonly string[];
  readonly faults: readonly string[];
}
