import { boundsOf } from '../catalogue/amount.js';
import type { LimitFact, TechniqueBar } from './facts.js';
import { isLoaded, kindOf, type Technique } from '../technique/catalogue.js';
import { amountVariable, HIGHEST_TARGET } from '../technique/prescription.js';
import type { Exercise } from '../catalogue/exercise.js';
import type { MuscleGroupId } from '../anatomy/muscle-group.js';
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
  /** Different training days. */
  readonly days: number;
  /** What the lane's exercise is made for; null where it is not chosen yet, or done otherwise than it was made for. */
  readonly made: Exercise | null;
}

/** One limit: when it applies, given the bounds so far, what it makes of them, and how it is said. */
interface LimitRule {
  readonly applies: (c: LimitCase, b: Bounds) => boolean;
  readonly limit: (c: LimitCase, b: Bounds) => Partial<Bounds>;
  readonly fact: (c: LimitCase) => LimitFact;
}

const apartDays = ({ client }: LimitCase): number => mostApart(client.trainingDays, LOADED_GAP_DAYS);
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

/** All limits, in the order in which they are said. Holds by age: Garber et al. 2011, from memory; the others common practice, no source. */
const LIMITS: readonly LimitRule[] = [
  {
    applies: (c) => c.still && c.client.age >= 65,
    limit: (_, b) => {
      const amountMin = Math.max(b.amountMin, 30);
      return { amountMin, amountMax: Math.max(amountMin, Math.min(b.amountMax, 60)) };
    },
    fact: () => ({ code: 'age-65' }),
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
    applies: ({ made }, b) => made !== null && (boundsOf(made).max < b.amountMax || boundsOf(made).min > b.amountMin),
    limit: ({ made }, b) => {
      const { min, max } = boundsOf(made!);
      const amountMax = Math.max(min, Math.min(b.amountMax, max));
      return { amountMax, amountMin: Math.min(amountMax, Math.max(b.amountMin, min)) };
    },
    fact: ({ made }) => ({
      code: 'exercise-range',
      args: { exercise: made!.name, technique: made!.technique, ...boundsOf(made!) },
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

/**
 * Limits of a lane in a phase of its style: the style's own bounds, then every rule of {@link LIMITS} that applies.
 * @param exercise that the lane does the technique with; null where it is not chosen yet
 * @throws CoreError `invalid-plan` when no training day is given, or a caution rests the group
 */
export function limitsFor(
  style: Style,
  phase: StylePhase,
  client: PlanClient,
  group: MuscleGroupId,
  exercise: Exercise | null = null,
): Limits {
  const days = new Set(client.trainingDays).size;
  if (days === 0) throw new CoreError('invalid-plan', { code: 'no-days', args: {} });
  if (client.cautions?.excludedGroups.includes(group))
    throw new CoreError('invalid-plan', { code: 'group-ruled-out', args: { group } });
  const { loaded, still } = kindOf(phase.technique);
  const made = exercise?.technique === phase.technique ? exercise : null;
  const at: LimitCase = { client, group, still, loaded, days, made };
  const amount = amountVariable(phase.technique);
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
  return {
    ...bounds,
    sensationStart: Math.min(client.experience === 'beginner' ? 4 : 5, bounds.sensationMax),
    doseMax: style.doseCap,
    plate: client.smallestPlate ?? USUAL_PLATE,
    reasons,
    sensationBy,
  };
}
