import { boundsOf } from '../catalogue/amount.js';
import type { LimitFact, TechniqueBar } from './facts.js';
import { isLoaded, kindOf, type Technique } from '../technique/catalogue.js';
import { amountVariable, HIGHEST_TARGET } from '../technique/prescription.js';
import { onlyByHand } from '../catalogue/by-hand.js';
import type { Exercise } from '../catalogue/exercise.js';
import { MUSCLE_GROUPS, type MuscleGroupId } from '../anatomy/muscle-group.js';
import { CoreError } from '../errors.js';
import { mostApart } from '../schedule/spread-days.js';
import type { Weekday } from '../schedule/weekday.js';
import type { CautionLimits } from '../screening/limits.js';
import type { Timings } from '../technique/timings.js';
import { LOADED_GAP_DAYS, LOADED_SESSIONS, type Style, type StylePhase } from '../styles/style.js';

/** How used to stretching a client is. */
export const EXPERIENCES = ['beginner', 'regular', 'experienced'] as const;
export type Experience = (typeof EXPERIENCES)[number];

/** What the planner needs to know of a client. */
export interface PlanClient {
  /** Age in whole years at the start of the block. */
  readonly age: number;
  readonly experience: Experience;
  /** Days for sessions; the day plans of a block say which are used. */
  readonly trainingDays: readonly Weekday[];
  /** Groups that a caution asks to go easy on: sensation never above 4 there. */
  readonly gentleGroups: readonly MuscleGroupId[];
  /** What the cautions of the intake allow; left out when there are none. */
  readonly cautions?: CautionLimits;
  /** Joints beyond the usual range in three tests, or a high Beighton score. */
  readonly hypermobile?: boolean;
  /** Minutes of one session; left out when there is no budget. */
  readonly minutesPerSession?: number;
  /** Smallest plate at hand, kilograms. */
  readonly smallestPlate?: number;
  /** Seconds of everything that is no stretch, with the client's breath; the usual ones when left out. */
  readonly timings?: Timings;
}

/** Bounds of a lane's bouts, sets, sessions and sensation. */
interface Bounds {
  /** Seconds, repetitions or breaths of one bout. */
  readonly amountMin: number;
  readonly amountMax: number;
  readonly setsMax: number;
  readonly sessionsMax: number;
  readonly sensationMax: number;
  /** Strongest push in percent; infinite where only the style bounds it. */
  readonly effortMax: number;
}

/** The strictest of what style, client and cautions allow (domain rule 2.6, 5), with the reasons of each that bites. */
export interface Limits extends Bounds {
  readonly sensationStart: number;
  /** Weekly seconds a side; null for none. */
  readonly doseMax: number | null;
  /** Smallest step of a load in kilograms. */
  readonly plate: number;
  /** Heaviest load, in the lane's unit; infinite where the coach has set none. */
  readonly loadMax: number;
  readonly reasons: readonly LimitFact[];
  /** What holds the sensation where it is; null when only the style or the talk test does. */
  readonly sensationBy: LimitFact | null;
}

/** Highest sensation target on a region with a caution. Common practice, no source. */
export const CAUTION_SENSATION = 4;
/** Highest sensation target of a beginner. Common practice, no source. */
export const BEGINNER_SENSATION = 5;
/** Most sets of a beginner. Common practice, no source. */
export const BEGINNER_SETS = 3;
/** Smallest plate when nobody said otherwise, kilograms. Common practice, no source. */
export const USUAL_PLATE = 1.25;

/** Why a client may not do a technique; null when it is allowed (domain rules 2.6, 5 and 9). */
export function techniqueBar(technique: Technique, client: PlanClient): TechniqueBar | null {
  const takenAway = client.cautions?.excludedTechniques.includes(technique);
  // Without a word about them they are off: nobody has said that they are qualified.
  if (kindOf(technique).demands.includes('nerve') && (takenAway ?? true)) return { code: 'not-qualified' };
  if (isLoaded(technique) && client.age < 18) return { code: 'loaded-under-18' };
  if (isLoaded(technique) && client.hypermobile) return { code: 'loaded-hypermobile' };
  if (takenAway) return { code: 'caution', args: { technique } };
  return null;
}

/** For whom and for what limits are looked up. */
interface LimitCase {
  readonly client: PlanClient;
  readonly group: MuscleGroupId;
  readonly still: boolean;
  readonly loaded: boolean;
  /** Different days on which the lane can be done. */
  readonly days: number;
  /** How many of them lie far enough apart for loaded sessions. */
  readonly apart: number;
  /** The bounds that all exercises of the lane share; null where none is chosen yet, or they are done otherwise than they were made for. */
  readonly made: { readonly exercise: Exercise; readonly min: number; readonly max: number } | null;
}

/** One limit: when it applies, given the bounds so far, what it makes of them, and how it is said. */
interface LimitRule {
  readonly applies: (c: LimitCase, b: Bounds) => boolean;
  readonly limit: (c: LimitCase, b: Bounds) => Partial<Bounds>;
  readonly fact: (c: LimitCase) => LimitFact;
}

const apartDays = ({ apart }: LimitCase): number => apart;
const beginner = ({ client }: LimitCase): boolean => client.experience === 'beginner';

type SensationCode = 'beginner-sensation' | 'caution-sensation' | 'hypermobile-sensation' | 'gentle-group';

/** A sensation target that is lower than the one so far. */
function sensationRule(
  code: SensationCode,
  applies: (c: LimitCase) => boolean,
  to: (c: LimitCase) => number,
): LimitRule {
  return {
    applies: (c, b) => applies(c) && to(c) < b.sensationMax,
    limit: (c) => ({ sensationMax: to(c) }),
    fact: (c) => ({ code, args: { sensation: to(c) } }),
  };
}

/** Longest hold of hypermobile clients, seconds. Common practice, no source. */
const HYPERMOBILE_HOLD = 30;

const shorter = (b: Bounds, amountMax: number): Partial<Bounds> => ({
  amountMax,
  amountMin: Math.min(b.amountMin, amountMax),
});
const cautionHold = ({ client }: LimitCase): number => client.cautions?.holdMax ?? Infinity;
const cautionEffort = ({ client }: LimitCase): number => client.cautions?.effortMax ?? Infinity;

/** Groups that are held shortly at any age: the minimum from 65 does not bind them. Common practice, no source. */
const SHORT_HOLDS: readonly MuscleGroupId[] = MUSCLE_GROUPS.filter(
  (g) => g.region === 'neck' || g.id === 'plantar-foot',
).map((g) => g.id);
/** A hold of several named directions is held as long as they take, at any age. */
const heldShortly = ({ group, made }: LimitCase): boolean =>
  SHORT_HOLDS.includes(group) || (made?.exercise.stages.length ?? 0) > 0;

/** All limits, in the order in which they are said. Holds by age: Garber et al. 2011, from memory; the others common practice, no source. */
const LIMITS: readonly LimitRule[] = [
  {
    applies: (c) => c.still && c.client.age >= 65 && !heldShortly(c),
    limit: (_, b) => ({
      amountMin: Math.max(b.amountMin, 30),
      amountMax: Math.max(b.amountMin, 30, Math.min(b.amountMax, 60)),
    }),
    fact: () => ({ code: 'age-65' }),
  },
  {
    // No minimum where holds are short by nature, but the same maximum.
    applies: (c, b) => c.still && c.client.age >= 65 && heldShortly(c) && b.amountMax > 60,
    limit: (_, b) => ({ amountMax: Math.max(b.amountMin, 60) }),
    fact: () => ({ code: 'age-65-longest' }),
  },
  {
    applies: (c) => c.still && c.client.age < 18,
    limit: (_, b) => ({ amountMin: Math.min(20, b.amountMax), amountMax: Math.min(b.amountMax, 30) }),
    fact: () => ({ code: 'under-18' }),
  },
  {
    applies: (c, b) => beginner(c) && b.setsMax > BEGINNER_SETS,
    limit: () => ({ setsMax: BEGINNER_SETS }),
    fact: () => ({ code: 'beginner-sets', args: { sets: BEGINNER_SETS } }),
  },
  {
    applies: (c, b) => c.days < b.sessionsMax,
    limit: (c) => ({ sessionsMax: c.days }),
    fact: (c) => ({ code: 'training-days', args: { days: c.days } }),
  },
  {
    applies: (c, b) => c.loaded && b.sessionsMax > LOADED_SESSIONS,
    limit: () => ({ sessionsMax: LOADED_SESSIONS }),
    fact: () => ({ code: 'loaded-sessions', args: { days: LOADED_SESSIONS } }),
  },
  {
    applies: (c, b) => c.loaded && apartDays(c) < b.sessionsMax,
    limit: (c) => ({ sessionsMax: apartDays(c) }),
    fact: (c) => ({ code: 'loaded-days', args: { days: apartDays(c) } }),
  },
  sensationRule('beginner-sensation', beginner, () => BEGINNER_SENSATION),
  sensationRule(
    'caution-sensation',
    ({ client }) => (client.cautions?.sensationMax ?? null) !== null,
    ({ client }) => client.cautions!.sensationMax!,
  ),
  sensationRule(
    'hypermobile-sensation',
    ({ client }) => client.hypermobile ?? false,
    () => CAUTION_SENSATION,
  ),
  sensationRule(
    'gentle-group',
    ({ client, group }) =>
      client.gentleGroups.includes(group) || (client.cautions?.gentleGroups.includes(group) ?? false),
    () => CAUTION_SENSATION,
  ),
  {
    applies: (c, b) => c.still && cautionHold(c) < b.amountMax,
    limit: (c, b) => shorter(b, cautionHold(c)),
    fact: (c) => ({ code: 'caution-hold', args: { seconds: cautionHold(c) } }),
  },
  {
    applies: (c, b) => c.still && (c.client.hypermobile ?? false) && HYPERMOBILE_HOLD < b.amountMax,
    limit: (_, b) => shorter(b, HYPERMOBILE_HOLD),
    fact: () => ({ code: 'hypermobile-hold', args: { seconds: HYPERMOBILE_HOLD } }),
  },
  {
    applies: (c, b) => cautionEffort(c) < b.effortMax,
    limit: (c) => ({ effortMax: cautionEffort(c) }),
    fact: (c) => ({ code: 'caution-effort', args: { effort: cautionEffort(c) } }),
  },
  {
    // Last: a minimum by age gives way to what the exercise is made for (domain 2.6, 5).
    applies: ({ made }, b) => made !== null && (made.max < b.amountMax || made.min > b.amountMin),
    limit: ({ made }, b) => {
      const { min, max } = made!;
      const amountMax = Math.max(min, Math.min(b.amountMax, max));
      return { amountMax, amountMin: Math.min(amountMax, Math.max(b.amountMin, min)) };
    },
    fact: ({ made }) => ({
      code: 'exercise-range',
      args: { exercise: made!.exercise.name, technique: made!.exercise.technique, min: made!.min, max: made!.max },
    }),
  },
];

/** Limits that guard a body rather than taste: what breaks one of them cannot be published. */
const SAFETY_LIMITS: readonly LimitFact['code'][] = [
  'caution-sensation',
  'hypermobile-sensation',
  'gentle-group',
  'caution-hold',
  'hypermobile-hold',
  'caution-effort',
];

/** True for a limit that guards a body: a caution, hypermobile joints, a group to go easy on. */
export function isSafetyLimit(limit: LimitFact): boolean {
  return SAFETY_LIMITS.includes(limit.code);
}

/** What of a lane, besides its style, bounds it. */
export interface LaneBounds {
  readonly group: MuscleGroupId;
  /** Weekdays on which it can be done. */
  readonly days: readonly Weekday[];
  /** Exercises that it does the technique with; empty where none is chosen yet. */
  readonly exercises: readonly Exercise[];
  /** Heaviest load, by the coach's own hand; null for none. */
  readonly loadMax: number | null;
  /** True where the coach has set the load that the lane begins with. */
  readonly loadedByHand: boolean;
}

/** The bounds that all exercises share which are done as they were made; those of the first where they share none. */
function madeFor(exercises: readonly Exercise[], technique: Technique): LimitCase['made'] {
  const own = exercises.filter((e) => e.technique === technique);
  const [first] = own;
  if (!first) return null;
  const min = Math.max(...own.map((e) => boundsOf(e).min));
  const max = Math.min(...own.map((e) => boundsOf(e).max));
  const narrowest = own.find((e) => boundsOf(e).max === max) ?? first;
  return min <= max ? { exercise: narrowest, min, max } : { exercise: first, ...boundsOf(first) };
}

/**
 * Limits of a lane in a phase of its style: the style's own bounds, then every rule of {@link LIMITS} that applies.
 * @throws CoreError `invalid-plan` when it can be done on no day, or a caution rests the group
 */
export function limitsFor(style: Style, phase: StylePhase, client: PlanClient, lane: LaneBounds): Limits {
  const { group, exercises } = lane;
  const days = new Set(lane.days).size;
  if (days === 0) throw new CoreError('invalid-plan', { code: 'no-days', args: {} });
  if (client.cautions?.excludedGroups.includes(group))
    throw new CoreError('invalid-plan', { code: 'group-ruled-out', args: { group } });
  const { technique } = phase;
  const { loaded, still } = kindOf(technique);
  const apart = loaded ? mostApart(lane.days, LOADED_GAP_DAYS) : days;
  const at: LimitCase = { client, group, still, loaded, days, apart, made: madeFor(exercises, technique) };
  const amount = amountVariable(technique);
  let bounds: Bounds = {
    amountMin: phase.amountFloor,
    amountMax: phase.caps[amount] ?? phase.start[amount] ?? phase.amountFloor,
    setsMax: phase.caps.sets ?? phase.start.sets,
    sessionsMax: phase.caps.sessionsPerWeek ?? phase.start.sessionsPerWeek,
    sensationMax: Math.min(phase.caps.sensation ?? HIGHEST_TARGET, HIGHEST_TARGET),
    effortMax: phase.caps.effort ?? phase.start.effort ?? 0,
  };
  const reasons: LimitFact[] = [];
  let sensationBy: LimitFact | null = null;
  for (const rule of LIMITS) {
    if (!rule.applies(at, bounds)) continue;
    const part = rule.limit(at, bounds);
    const fact = rule.fact(at);
    bounds = { ...bounds, ...part };
    reasons.push(fact);
    if (part.sensationMax !== undefined) sensationBy = fact;
  }
  // Where the spine is bent under it, load is the coach's own hand, and stays what that hand set (domain 2.5).
  const byHand = loaded && !lane.loadedByHand && exercises.some((e) => onlyByHand(e, technique));
  if (byHand) reasons.push({ code: 'load-by-hand' });
  return {
    ...bounds,
    sensationStart: Math.min(client.experience === 'beginner' ? 4 : 5, bounds.sensationMax),
    doseMax: style.doseCap,
    plate: client.smallestPlate ?? USUAL_PLATE,
    loadMax: byHand ? 0 : (lane.loadMax ?? phase.caps.load ?? Infinity),
    reasons,
    sensationBy,
  };
}
