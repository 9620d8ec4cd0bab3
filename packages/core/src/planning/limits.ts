import { muscleGroupName, type MuscleGroupId } from '../anatomy/muscle-group.js';
import { CoreError } from '../errors.js';
import type { Weekday } from '../schedule/weekday.js';
import type { CautionLimits } from '../screening/limits.js';
import { HIGHEST_TARGET, type Style } from '../styles/style.js';

/** How used to stretching a client is. */
export const LEVELS = ['beginner', 'regular', 'experienced'] as const;
export type Level = (typeof LEVELS)[number];

/** What the planner needs to know of a client. */
export interface PlanClient {
  /** Age in whole years at the start of the block. */
  readonly age: number;
  readonly level: Level;
  readonly trainingDays: readonly Weekday[];
  /** Groups that a caution asks to go easy on: sensation never above 4 there. */
  readonly easyOn: readonly MuscleGroupId[];
  /** What the cautions of the intake allow; left out when there are none. */
  readonly cautions?: CautionLimits;
}

/** The strictest of what style, client and cautions allow (domain rule 2.6, 5), with the reasons of each that bites. */
export interface Limits {
  readonly holdMin: number;
  readonly holdMax: number;
  readonly setsMax: number;
  readonly sessionsMax: number;
  readonly sensationStart: number;
  readonly sensationMax: number;
  readonly reasons: readonly string[];
}

/** Highest sensation target on a region with a caution. Common practice, no source. */
export const CAUTION_SENSATION = 4;

/**
 * Limits of a lane. 65+: holds of 30-60 s (Garber et al. 2011); under 18: 20-30 s (common practice, no source).
 * @throws CoreError `invalid-plan` when no training day is given, or a caution rests the group
 */
export function limitsFor(style: Style, client: PlanClient, group: MuscleGroupId): Limits {
  const days = new Set(client.trainingDays).size;
  if (days === 0) throw new CoreError('invalid-plan', 'The client has no training days. Choose at least one first.');
  if (client.cautions?.groupsOff.includes(group))
    throw new CoreError('invalid-plan', `A caution of the intake rests this muscle group: ${muscleGroupName(group)}.`);
  const reasons: string[] = [];

  let holdMin = style.holdFloor;
  let holdMax = style.caps.holdSeconds;
  if (client.age >= 65) {
    holdMin = Math.max(holdMin, 30);
    holdMax = Math.min(holdMax, 60);
    reasons.push('65 or older: holds of 30-60 s from the start (Garber et al. 2011, from memory).');
  } else if (client.age < 18) {
    holdMin = Math.min(20, holdMax);
    holdMax = Math.min(holdMax, 30);
    reasons.push('Under 18: holds of 20-30 s (common practice, no source).');
  }

  const sessionsMax = Math.min(style.caps.sessionsPerWeek, days);
  if (days < style.caps.sessionsPerWeek)
    reasons.push(`At most ${days} ${days === 1 ? 'session' : 'sessions'} a week: the client's training days.`);

  let sensationStart = client.level === 'beginner' ? 4 : 5;
  let sensationMax = Math.min(style.caps.sensation, HIGHEST_TARGET);
  const anywhere = client.cautions?.sensationMax ?? null;
  if (anywhere !== null && anywhere < sensationMax) {
    sensationMax = anywhere;
    reasons.push(`A caution of the intake: sensation at most ${anywhere}.`);
  }
  const easy = client.easyOn.includes(group) || (client.cautions?.groupsEasy.includes(group) ?? false);
  if (easy && sensationMax > CAUTION_SENSATION) {
    sensationMax = CAUTION_SENSATION;
    reasons.push(`Go easy on this group: sensation at most ${CAUTION_SENSATION}.`);
  }
  sensationStart = Math.min(sensationStart, sensationMax);

  return { holdMin, holdMax, setsMax: style.caps.sets, sessionsMax, sensationStart, sensationMax, reasons };
}
