import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import { weeklyDose } from '../dose/dose.js';
import { CoreError } from '../errors.js';
import { styleById } from '../styles/index.js';
import type { Prescription, Variable } from '../styles/style.js';
import { easierWeek } from './easier-week.js';
import { ladder } from './ladder.js';
import { limitsFor, type PlanClient } from './limits.js';

/** Bounds of what a coach may ask of the builder. */
export const BLOCK_BOUNDS = {
  weeks: { min: 4, max: 16, default: 8 },
  ramp: { min: 0, max: 0.5, default: 0.2 },
  easierEvery: { min: 3, max: 6, default: 4 },
  lanes: { min: 1, max: 12 },
} as const;

export interface LaneInput {
  readonly group: MuscleGroupId;
  readonly styleId: string;
}

export interface BlockInput {
  readonly client: PlanClient;
  readonly lanes: readonly LaneInput[];
  /** 4 to 16. */
  readonly weeks: number;
  /** Largest rise of a lane's weekly dose between build weeks, 0 to 0.5. */
  readonly ramp: number;
  /** Every how manyth week is easier, 3 to 6; null for none. */
  readonly easierEvery: number | null;
}

export type WeekKind = 'build' | 'easier';

/** What a lane asks in one week, and why. */
export interface PlannedWeek {
  /** 1-based. */
  readonly week: number;
  readonly kind: WeekKind;
  readonly prescription: Prescription;
  /** Seconds per side in the week. */
  readonly dose: number;
  /** Rung of the lane's ladder, 1-based. */
  readonly step: number;
  /** The variable turned up against the last build week; null when none was. */
  readonly changed: Variable | null;
  readonly reason: string;
}

export interface PlannedLane {
  readonly group: MuscleGroupId;
  readonly styleId: string;
  readonly weeks: readonly PlannedWeek[];
  /** What narrowed the lane, in words. */
  readonly limitReasons: readonly string[];
}

export interface BlockPlan {
  readonly lanes: readonly PlannedLane[];
  /** Weeks with a retest, 1-based. Week 1 means before the first session. */
  readonly retestWeeks: readonly number[];
}

/** True when a week is an easier one: every nth (domain rule 2.6, 3). */
export function isEasierWeek(week: number, every: number | null): boolean {
  return every !== null && week % every === 0;
}

/** Retests: before week 1, in every easier week and in the last week (domain rule 2.6, 4). */
export function retestWeeks(weeks: number, easierEvery: number | null): number[] {
  const out = [1];
  for (let w = 2; w <= weeks; w++) if (w === weeks || isEasierWeek(w, easierEvery)) out.push(w);
  return out;
}

function assertInput(input: BlockInput): void {
  const { weeks, ramp, easierEvery, lanes } = BLOCK_BOUNDS;
  const refuse = (message: string): never => {
    throw new CoreError('invalid-plan', message);
  };
  if (!Number.isInteger(input.weeks) || input.weeks < weeks.min || input.weeks > weeks.max)
    refuse(`A block has ${weeks.min} to ${weeks.max} weeks.`);
  if (!(input.ramp >= ramp.min && input.ramp <= ramp.max)) refuse('The ramp lies between 0 and 50 % a week.');
  if (
    input.easierEvery !== null &&
    (!Number.isInteger(input.easierEvery) || input.easierEvery < easierEvery.min || input.easierEvery > easierEvery.max)
  )
    refuse('An easier week comes every 3 to 6 weeks, or never.');
  if (input.lanes.length < lanes.min || input.lanes.length > lanes.max)
    refuse(`Choose ${lanes.min} to ${lanes.max} muscle groups.`);
  if (new Set(input.lanes.map((l) => l.group)).size !== input.lanes.length)
    refuse('Each muscle group can have one lane only.');
}

function planLane(lane: LaneInput, input: BlockInput): PlannedLane {
  const style = styleById(lane.styleId);
  const limits = limitsFor(style, input.client, lane.group);
  const { steps, top } = ladder(style, limits, input.ramp, input.weeks);
  const buildWeeks = Array.from({ length: input.weeks }, (_, i) => i + 1).filter(
    (w) => !isEasierWeek(w, input.easierEvery),
  ).length;
  const planned = Math.min(buildWeeks, steps.length);

  const weeks: PlannedWeek[] = [];
  let built = 0;
  for (let week = 1; week <= input.weeks; week++) {
    if (isEasierWeek(week, input.easierEvery)) {
      const last = steps[Math.max(0, Math.min(built, steps.length) - 1)]!;
      const prescription = easierWeek(last.prescription);
      const share = Math.round((weeklyDose(prescription) / weeklyDose(last.prescription)) * 100);
      weeks.push({
        week,
        kind: 'easier',
        prescription,
        dose: weeklyDose(prescription),
        step: Math.max(1, Math.min(built, steps.length)),
        changed: null,
        reason: `Easier week: ${share} % of the last build week, nearest to 60 % that whole sets and sessions allow; sensation one lower.`,
      });
      continue;
    }
    const onTop = built >= steps.length;
    const index = onTop ? steps.length - 1 : built;
    const step = steps[index]!;
    weeks.push({
      week,
      kind: 'build',
      prescription: step.prescription,
      dose: weeklyDose(step.prescription),
      step: index + 1,
      changed: onTop ? null : step.changed,
      reason: onTop
        ? `Same as before: ${top!.words}.`
        : `${capital(step.words)}: planned step ${index + 1} of ${planned}.`,
    });
    built++;
  }
  return { group: lane.group, styleId: lane.styleId, weeks, limitReasons: limits.reasons };
}

function capital(s: string): string {
  return s.charAt(0).toUpperCase() + s.slice(1);
}

/**
 * A block of weeks: a prescription for every lane and week, each with its reason (domain 2.6, rules 1-5 and 8).
 * Pure and deterministic.
 * @throws CoreError `invalid-plan`, `unknown-style`
 */
export function buildBlock(input: BlockInput): BlockPlan {
  assertInput(input);
  return {
    lanes: input.lanes.map((lane) => planLane(lane, input)),
    retestWeeks: retestWeeks(input.weeks, input.easierEvery),
  };
}
