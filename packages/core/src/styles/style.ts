import type { Source } from '../source.js';
import type { Assistance, Variable } from '../technique/prescription.js';
import { type Technique, unitOf } from '../technique/catalogue.js';

/** Values a phase of a style begins with; those its technique does not use are left out. */
export interface StyleStart {
  readonly sets: number;
  readonly holdSeconds: number;
  readonly sessionsPerWeek: number;
  readonly reps?: number;
  readonly cycles?: number;
  readonly pushSeconds?: number;
  readonly effort?: number;
  readonly lowerSeconds?: number;
  readonly assistance?: Assistance;
}

/** A variable, and how far it goes before the next one has its turn; it may come again later with a higher limit. */
export interface OrderStep {
  readonly variable: Variable;
  /** Value at which its turn ends (for help the lowest, for a load the number of plates); null for its cap. */
  readonly until: number | null;
}

/** A stretch of weeks with one technique. Phases share the weeks of a lane evenly, unless the coach says otherwise. */
export interface StylePhase {
  readonly technique: Technique;
  readonly start: StyleStart;
  /** What progresses, in order. */
  readonly order: readonly OrderStep[];
  /** The same for experienced clients; left out where there is no difference. */
  readonly experiencedOrder?: readonly OrderStep[];
  /** Size of one step of each variable; 1 where nothing is said. */
  readonly step: Readonly<Partial<Record<Variable, number>>>;
  /** Highest value of each variable (lowest help); a variable without a cap does not move, but for a load: its cap is the coach's own. */
  readonly caps: Readonly<Partial<Record<Variable, number>>>;
  /** A re-split never takes the bout below this: seconds, repetitions or breaths. */
  readonly amountFloor: number;
  /** Bouts are prescribed in multiples of this when a step is made smaller or re-split. */
  readonly stepSize: number;
}

/** What stands before or after the stretch in every session. */
export interface BeforeOrAfter {
  readonly technique: Technique;
  readonly sets: number;
  /** Seconds, repetitions or breaths. */
  readonly amount: number;
  readonly cap: number;
}

/** A school of progression, as data (domain 2.5). */
export interface Style {
  readonly id: string;
  readonly name: string;
  /** One sentence for the coach. */
  readonly summary: string;
  /** At least one; the last goes on to the end of the block. */
  readonly phases: readonly StylePhase[];
  readonly before: BeforeOrAfter | null;
  readonly after: BeforeOrAfter | null;
  /** Highest weekly seconds a side of the lane; null for none. */
  readonly doseCap: number | null;
  /** False when easier weeks pass it by: there is nothing to make easier. */
  readonly easierWeeks: boolean;
  /** Every how manyth week the style would make easier when the coach leaves it to the style; null for never. */
  readonly easierEvery: number | null;
  readonly sources: readonly Source[];
}

/** Repetitions that a style lets follow the stretch, and that it can turn up; 0 where it has none. */
export function repsAfter({ after }: Pick<Style, 'after'>): number {
  return after && unitOf(after.technique) === 'repetitions' ? after.amount : 0;
}

/** Sessions of one group stand at least this many days apart when they are loaded: 48 h. Common practice, no source. */
export const LOADED_GAP_DAYS = 2;
/** Loaded sessions of one group in a week, at most. Common practice, no source. */
export const LOADED_SESSIONS = 3;
