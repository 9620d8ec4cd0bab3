import { isLoaded, kindOf, type Technique } from '../technique/catalogue.js';
import { amountVariable, HIGHEST_TARGET } from '../technique/prescription.js';
import { muscleGroupName, type MuscleGroupId } from '../anatomy/muscle-group.js';
import { CoreError } from '../errors.js';
import { mostApart } from '../schedule/spread-days.js';
import type { Weekday } from '../schedule/weekday.js';
import type { CautionLimits } from '../screening/limits.js';
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
}

/** The strictest of what style, client and cautions allow (domain rule 2.6, 5), with the reasons of each that bites. */
export interface Limits {
  /** Seconds, repetitions or breaths of one bout. */
  readonly amountMin: number;
  readonly amountMax: number;
  readonly setsMax: number;
  readonly sessionsMax: number;
  readonly sensationStart: number;
  readonly sensationMax: number;
  /** Weekly seconds a side; null for none. */
  readonly doseMax: number | null;
  /** Smallest step of a load in kilograms. */
  readonly plate: number;
  readonly reasons: readonly string[];
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
export function techniqueBar(technique: Technique, client: PlanClient): string | null {
  if (kindOf(technique).demands.includes('nerve'))
    return 'Nerve glides are off: they are for coaches who are qualified for them.';
  if (isLoaded(technique) && client.age < 18) return 'Under 18: no loaded end range.';
  if (isLoaded(technique) && client.hypermobile)
    return 'Hypermobile joints: no loaded end range; mid-range control instead.';
  if (client.cautions?.excludedTechniques.includes(technique))
    return `A caution of the intake speaks against ${technique}.`;
  return null;
}

/**
 * Limits of a lane in a phase of its style. 65+: static holds of 30-60 s (Garber et al. 2011); under 18: 20-30 s (common practice, no source).
 * @throws CoreError `invalid-plan` when no training day is given, or a caution rests the group
 */
export function limitsFor(style: Style, phase: StylePhase, client: PlanClient, group: MuscleGroupId): Limits {
  const days = new Set(client.trainingDays).size;
  if (days === 0) throw new CoreError('invalid-plan', 'The client has no training days. Choose at least one first.');
  if (client.cautions?.excludedGroups.includes(group))
    throw new CoreError('invalid-plan', `A caution of the intake rests this muscle group: ${muscleGroupName(group)}.`);
  const reasons: string[] = [];

  const amount = amountVariable(phase.technique);
  let amountMin = phase.amountFloor;
  let amountMax = phase.caps[amount] ?? phase.start[amount] ?? phase.amountFloor;
  if (kindOf(phase.technique).still && client.age >= 65) {
    amountMin = Math.max(amountMin, 30);
    amountMax = Math.max(amountMin, Math.min(amountMax, 60));
    reasons.push('65 or older: holds of 30-60 s from the start (Garber et al. 2011, from memory).');
  } else if (kindOf(phase.technique).still && client.age < 18) {
    amountMin = Math.min(20, amountMax);
    amountMax = Math.min(amountMax, 30);
    reasons.push('Under 18: holds of 20-30 s (common practice, no source).');
  }

  let setsMax = phase.caps.sets ?? phase.start.sets;
  if (client.experience === 'beginner' && setsMax > BEGINNER_SETS) {
    setsMax = BEGINNER_SETS;
    reasons.push(`Beginner: at most ${BEGINNER_SETS} sets (common practice, no source).`);
  }

  let sessionsCap = phase.caps.sessionsPerWeek ?? phase.start.sessionsPerWeek;
  let sessionsMax = Math.min(sessionsCap, days);
  if (days < sessionsCap)
    reasons.push(`At most ${days} ${days === 1 ? 'session' : 'sessions'} a week: the client's training days.`);
  if (isLoaded(phase.technique)) {
    sessionsCap = Math.min(sessionsCap, LOADED_SESSIONS);
    const apart = mostApart(client.trainingDays, LOADED_GAP_DAYS);
    if (apart < Math.min(sessionsMax, sessionsCap))
      reasons.push(
        `The training days leave room for ${apart} loaded ${apart === 1 ? 'session' : 'sessions'} 48 h apart, so the lane has no more.`,
      );
    sessionsMax = Math.min(sessionsMax, sessionsCap, apart);
  }

  let sensationMax = Math.min(phase.caps.sensation ?? HIGHEST_TARGET, HIGHEST_TARGET);
  const lower = (to: number, why: string): void => {
    if (to >= sensationMax) return;
    sensationMax = to;
    reasons.push(why);
  };
  if (client.experience === 'beginner')
    lower(BEGINNER_SENSATION, `Beginner: sensation at most ${BEGINNER_SENSATION} (common practice, no source).`);
  const anywhere = client.cautions?.sensationMax ?? null;
  if (anywhere !== null) lower(anywhere, `A caution of the intake: sensation at most ${anywhere}.`);
  if (client.hypermobile)
    lower(CAUTION_SENSATION, `Hypermobile joints: sensation at most ${CAUTION_SENSATION}, no forcing of end range.`);
  if (client.gentleGroups.includes(group) || (client.cautions?.gentleGroups.includes(group) ?? false))
    lower(CAUTION_SENSATION, `Go easy on this group: sensation at most ${CAUTION_SENSATION}.`);
  const sensationStart = Math.min(client.experience === 'beginner' ? 4 : 5, sensationMax);

  return {
    amountMin,
    amountMax,
    setsMax,
    sessionsMax,
    sensationStart,
    sensationMax,
    doseMax: style.doseCap,
    plate: client.smallestPlate ?? USUAL_PLATE,
    reasons,
  };
}
