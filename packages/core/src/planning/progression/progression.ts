import type { Style, StylePhase, OrderStep } from '../../styles/style.js';
import {
  amountVariable,
  valueOf,
  type Assistance,
  type LoadUnit,
  type Prescription,
  type Variable,
} from '../../technique/prescription.js';
import type { WeekFact } from '../facts.js';
import type { Limits } from '../limits.js';

/** Where a lane stands: what it asks, and how many activation repetitions follow. */
export interface Step {
  readonly prescription: Prescription;
  /** Repetitions after the stretch; 0 without activation. */
  readonly activationReps: number;
}

/** One step of a lane: what is asked, and what changed against the step below. */
export interface TakenStep extends Step {
  /** The one variable that was turned up; null on the first step. */
  readonly changed: Variable | null;
  /** True when other parts were made smaller so that the new set or day keeps the ramp ("3 × 45 s instead of 2 × 60 s"). */
  readonly resplit: boolean;
  /** The change. */
  readonly fact: WeekFact;
}

/** A lane's style in one phase, and within which limits it climbs. */
export interface Progression {
  readonly style: Style;
  readonly phase: StylePhase;
  readonly limits: Limits;
  readonly loadUnit: LoadUnit;
  /** The client's way through the style: what is turned up, in order. Parts that the lane does not have are not in it. */
  readonly order: readonly OrderStep[];
  /** Help and load that the lane begins with. */
  readonly begin: { readonly assistance: Assistance; readonly load: number };
}

/** Below this weekly dose the smallest step in seconds is allowed whatever the ramp says (domain 2.6, 2). Common practice, no source. */
export const SMALL_BASE = 180;

/** Largest rise of a step that is taken because nothing smaller fitted for {@link PATIENCE} weeks. Common practice, no source. */
export const WAITED_RAMP = 0.5;
/** Full weeks without a step after which a larger one is taken. Common practice, no source. */
export const PATIENCE = 2;

/** A load grows by at most this part of itself, but by one plate at least (ACSM 2009, from memory). */
export const LOAD_RAMP = 0.1;
/** A load of fewer plates than this grows by a plate as by a smallest step, whatever its part. Common practice, no source. */
export const FEW_PLATES = 10;

/** Smallest step of a load that is no plate. Common practice, no source. */
const LOAD_STEPS: Readonly<Record<Exclude<LoadUnit, 'kg'>, number>> = { '% body mass': 2.5, band: 1 };
/** Heaviest load where kilograms are not counted. Common practice, no source. */
const LOAD_CAPS: Readonly<Record<Exclude<LoadUnit, 'kg'>, number>> = { '% body mass': 25, band: 5 };

/** Smallest step of a load in its unit. */
export function loadStep({ loadUnit, limits }: Pick<Progression, 'loadUnit' | 'limits'>): number {
  return loadUnit === 'kg' ? limits.plate : LOAD_STEPS[loadUnit];
}

/** Highest value of a variable: the strictest of style, client and exercise; for a load the coach's own. */
export function capOf(variable: Variable, { phase, limits, loadUnit }: Progression): number {
  if (variable === amountVariable(phase.technique)) return limits.amountMax;
  switch (variable) {
    case 'sets':
      return limits.setsMax;
    case 'sessionsPerWeek':
      return limits.sessionsMax;
    case 'sensation':
      return limits.sensationMax;
    case 'effort':
      return limits.effortMax;
    case 'load':
      return Math.min(limits.loadMax, loadUnit === 'kg' ? Infinity : LOAD_CAPS[loadUnit]);
    default:
      return phase.caps[variable] ?? 0;
  }
}

/** Value at which a turn of the order ends. */
export function endOf({ variable, until }: OrderStep, progression: Progression): number {
  const cap = capOf(variable, progression);
  if (until === null) return cap;
  return Math.min(cap, variable === 'load' ? until * loadStep(progression) : until);
}

/** True while a turn of the order has something left to turn up. */
export function isOpen(current: Step, turn: OrderStep, progression: Progression): boolean {
  const p = current.prescription;
  const { variable } = turn;
  if (variable === 'activationReps')
    return current.activationReps > 0 && current.activationReps < endOf(turn, progression);
  if (variable === 'assistance')
    return (p.assistance ?? 0) > Math.max(turn.until ?? 0, progression.phase.caps.assistance ?? 0);
  return valueOf(p, variable) < endOf(turn, progression);
}

/** Variables that add no seconds: each is turned up only when its turn has come, and the ramp does not ask after it. */
export const FREE: readonly Variable[] = ['effort', 'assistance', 'load', 'depth', 'activationReps', 'sensation'];
