import { mostAfter } from './ramp.js';
import { percentOf, roundTo } from '../../math/rounding.js';
import type { NoStepFact, StepArgs, WeekFact } from '../facts.js';
import { kindOf } from '../../technique/catalogue.js';
import { boutDose, volume } from '../../dose/dose.js';
import {
  amountOf,
  amountVariable,
  valueOf,
  withAmount,
  type Assistance,
  type LoadUnit,
  type Prescription,
  type Variable,
} from '../../technique/prescription.js';
import { repsAfter, type Style, type StylePhase } from '../../styles/style.js';
import type { Limits } from '../limits.js';
import { scaleTo } from './scale.js';

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
  /** True when the bout was shortened so that the new set or day keeps the ramp ("3 × 45 s instead of 2 × 60 s"). */
  readonly resplit: boolean;
  /** The change. */
  readonly fact: WeekFact;
}

/** Why no further step exists. */
export interface NoStepLeft {
  readonly why: NoStepFact;
}

/** A lane's style in one phase, and within which limits it climbs. */
export interface Progression {
  readonly style: Style;
  readonly phase: StylePhase;
  readonly limits: Limits;
  readonly loadUnit: LoadUnit;
}

/** Below this weekly dose one smallest step is allowed whatever the ramp says. Seconds per side. */
export const SMALL_BASE = 60;

/** A load grows by at most this part of itself, but by one plate at least (ACSM 2009, from memory). */
export const LOAD_RAMP = 0.1;

/** Smallest step of a load that is no plate. Common practice, no source. */
const LOAD_STEPS: Readonly<Record<Exclude<LoadUnit, 'kg'>, number>> = { '% body mass': 2.5, band: 1 };
/** Heaviest load where kilograms are not counted. Common practice, no source. */
const LOAD_CAPS: Readonly<Record<Exclude<LoadUnit, 'kg'>, number>> = { '% body mass': 25, band: 5 };

/** Smallest step of a load in its unit. */
export function loadStep(progression: Progression): number {
  return progression.loadUnit === 'kg' ? progression.limits.plate : LOAD_STEPS[progression.loadUnit];
}

/** The first step: the style's start within the limits. */
export function firstStep(progression: Progression): TakenStep {
  const { style, phase, limits, loadUnit } = progression;
  const { start } = phase;
  const loaded = start.assistance !== undefined;
  const base: Prescription = {
    technique: phase.technique,
    sets: Math.min(start.sets, limits.setsMax),
    holdSeconds: start.holdSeconds,
    sessionsPerWeek: Math.min(start.sessionsPerWeek, limits.sessionsMax),
    sensation: limits.sensationStart,
    ...(start.reps === undefined ? {} : { reps: start.reps }),
    ...(start.cycles === undefined ? {} : { cycles: start.cycles }),
    ...(start.pushSeconds === undefined ? {} : { pushSeconds: start.pushSeconds }),
    ...(start.effort === undefined ? {} : { effort: Math.min(start.effort, limits.effortMax) }),
    ...(start.lowerSeconds === undefined ? {} : { lowerSeconds: start.lowerSeconds }),
    ...(loaded ? { assistance: start.assistance, load: 0, loadUnit } : {}),
    ...kindOf(phase.technique).extra,
  };
  const prescription = withAmount(base, Math.min(Math.max(amountOf(base), limits.amountMin), limits.amountMax));
  return {
    prescription,
    activationReps: repsAfter(style),
    changed: null,
    resplit: false,
    fact: { code: 'style-starts', args: { style: style.name } },
  };
}

function capOf(variable: Variable, { phase, limits, loadUnit }: Progression): number {
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
      return loadUnit === 'kg' ? (phase.caps.load ?? 0) : LOAD_CAPS[loadUnit];
    default:
      return phase.caps[variable] ?? 0;
  }
}

function isOpen(current: Step, variable: Variable, progression: Progression): boolean {
  const p = current.prescription;
  if (variable === 'activationReps')
    return current.activationReps > 0 && current.activationReps < capOf(variable, progression);
  if (variable === 'assistance') return (p.assistance ?? 0) > (progression.phase.caps.assistance ?? 0);
  return valueOf(p, variable) < capOf(variable, progression);
}

/** Variables that leave time under stretch as it is; the ramp does not ask after them. */
const FREE: readonly Variable[] = ['effort', 'assistance', 'load', 'depth', 'activationReps', 'sensation'];

/** A step that is taken: where it leads, and which variable it turned up. */
function taken(
  from: Step,
  to: Prescription,
  variable: Variable,
  values: readonly [from: number, to: number],
  over: Partial<Pick<StepArgs, 'resplit' | 'restart'>> & { readonly activationReps?: number } = {},
): TakenStep {
  const { activationReps = from.activationReps, resplit = null, restart = null } = over;
  const { technique, loadUnit = null } = to;
  return {
    prescription: to,
    activationReps,
    changed: variable,
    resplit: resplit !== null,
    fact: { code: 'step', args: { variable, from: values[0], to: values[1], technique, loadUnit, resplit, restart } },
  };
}

function freeStep(current: Step, variable: Variable, progression: Progression): TakenStep {
  const p = current.prescription;
  const most = capOf(variable, progression);
  const size = progression.phase.step[variable] ?? 1;
  if (variable === 'load') return loadedStep(current, progression);
  if (variable === 'activationReps') {
    const reps = Math.min(current.activationReps + size, most);
    return taken(current, p, variable, [current.activationReps, reps], { activationReps: reps });
  }
  if (variable === 'assistance') {
    const now = p.assistance ?? 0;
    const next = (now - 1) as Assistance;
    return taken(current, { ...p, assistance: next }, variable, [now, next]);
  }
  const now = valueOf(p, variable);
  const next = Math.min(now + size, most);
  return taken(current, { ...p, [variable]: next }, variable, [now, next]);
}

/** First load = the smallest plate; then one plate. A plate of more than 10 % comes only with the bout back at its start, to be built up again. */
function loadedStep(current: Step, progression: Progression): TakenStep {
  const p = current.prescription;
  const from = p.load ?? 0;
  const plate = loadStep(progression);
  const load = Math.min(roundTo(from + plate, 2), capOf('load', progression));
  const next = { ...p, load };
  if (from === 0 || plate <= LOAD_RAMP * from + 1e-9) return taken(current, next, 'load', [from, load]);
  const { limits, phase } = progression;
  const amount = Math.max(
    limits.amountMin,
    Math.min(phase.start[amountVariable(p.technique)] ?? limits.amountMin, amountOf(p)),
  );
  const restart = { amount, percent: percentOf(plate, from) };
  return taken(current, withAmount(next, amount), 'load', [from, load], { restart });
}

/** The ways to turn one variable of the dose up, boldest first: the style's own step, then smaller ones or a re-split with a shorter bout. */
function candidates(current: Step, variable: Variable, progression: Progression): TakenStep[] {
  const p = current.prescription;
  const { phase, limits } = progression;
  const key = variable as 'holdSeconds' | 'reps' | 'sets' | 'sessionsPerWeek' | 'cycles';
  const from = valueOf(p, key);
  const to = Math.min(from + (phase.step[variable] ?? 1), capOf(variable, progression));
  const size = phase.stepSize;
  const out: TakenStep[] = [];
  if (variable === amountVariable(p.technique)) {
    for (let a = to; a > from; a -= size) out.push(taken(current, withAmount(p, a), variable, [from, a]));
    return out;
  }
  const more = { ...p, [key]: to };
  out.push(taken(current, more, variable, [from, to]));
  const now = amountOf(p);
  for (let a = Math.ceil(now / size - 1) * size; a >= limits.amountMin; a -= size)
    out.push(taken(current, withAmount(more, a), variable, [from, to], { resplit: { from: now, to: a } }));
  return out;
}

/**
 * The step above: one variable turned up in the style's order (rule 1), never more than the ramp allows (rule 2).
 * A step that would break the ramp is re-split or made smaller; when none of a variable's steps fits, the next variable is tried;
 * intensity is touched only when everything else is at its cap.
 * @param ramp largest rise of the weekly volume, as a fraction (0.2 = 20 %)
 */
export function nextStep(current: Step, progression: Progression, ramp: number): TakenStep | NoStepLeft {
  const base = volume(current.prescription);
  const open = progression.phase.order.filter((v) => isOpen(current, v, progression));
  if (open.length === 0) return { why: { code: 'all-at-limit' } };

  const { doseMax } = progression.limits;
  let smallest: TakenStep | null = null;
  let capped = false;
  for (const variable of open) {
    if (variable === 'sensation' && open.some((v) => v !== 'sensation')) continue;
    if (FREE.includes(variable)) return freeStep(current, variable, progression);
    const up = candidates(current, variable, progression).filter((s) => volume(s.prescription) > base);
    const steps = up.filter((s) => doseMax === null || volume(s.prescription) <= doseMax);
    capped ||= steps.length < up.length;
    const fits = steps.find((s) => volume(s.prescription) <= mostAfter(base, ramp) + 1e-9);
    if (fits) return fits;
    // Boldest first: the last is the smallest.
    const least = steps.at(-1);
    if (least && base < SMALL_BASE) return least;
    if (least && (!smallest || volume(least.prescription) < volume(smallest.prescription))) smallest = least;
  }
  if (!smallest && capped)
    return { why: { code: 'style-dose', args: { style: progression.style.name, doseMax: doseMax ?? 0 } } };
  if (!smallest) return { why: { code: 'no-smaller-step' } };
  const percent = percentOf(volume(smallest.prescription) - base, base);
  return { why: { code: 'above-increase', args: { percent, allowed: percentOf(ramp, 1) } } };
}

/** A step brought back inside the limits, as after a cell set by hand; never with more volume than the ramp allows where that can be helped. */
export function clampStep(current: Step, progression: Progression, ramp: number): Step {
  const { limits, phase } = progression;
  const p = current.prescription;
  // A variable without a cap does not move; what was set by hand stays.
  const capped = (variable: 'cycles' | 'load', value: number): number =>
    phase.caps[variable] === undefined ? value : Math.min(value, capOf(variable, progression));
  const within: Prescription = withAmount(
    {
      ...p,
      sets: Math.min(p.sets, limits.setsMax),
      sessionsPerWeek: Math.min(p.sessionsPerWeek, limits.sessionsMax),
      sensation: Math.min(p.sensation, limits.sensationMax),
      ...(p.effort === undefined ? {} : { effort: Math.min(p.effort, limits.effortMax) }),
      ...(p.cycles === undefined ? {} : { cycles: capped('cycles', p.cycles) }),
      ...(p.load === undefined ? {} : { load: capped('load', p.load) }),
    },
    Math.min(Math.max(amountOf(p), limits.amountMin), limits.amountMax),
  );
  const most = Math.min(mostAfter(volume(p), ramp), limits.doseMax ?? Infinity);
  if (volume(within) > most + 1e-9)
    return { ...current, prescription: scaleTo(within, most, limits.amountMin, phase.stepSize) };
  return { ...current, prescription: within };
}

/**
 * Highest step from the start whose volume does not pass a startingDose; the start itself when that is above it. Seconds of stretch say nothing of
 * load, help, push or depth: the climb ends where one of these would be next, so that nobody is given a load for having held for long.
 */
export function stepAt(progression: Progression, startingDose: number, ramp: number): TakenStep {
  let current = firstStep(progression);
  for (let i = 0; i < 100; i++) {
    const next = nextStep(current, progression, ramp);
    if ('why' in next || volume(next.prescription) > startingDose + 1e-9) break;
    if (next.changed === null || FREE.includes(next.changed)) break;
    current = next;
  }
  return current;
}

/**
 * The first step of a phase that follows another (rule 2 holds across the change). The same technique goes on at the highest step that does
 * not pass the dose before; another technique is learned from its start, made smaller where the ramp asks for it.
 * @param ramp largest rise against the dose before; below 0 after missed weeks
 */
export function enterPhase(before: Step, progression: Progression, ramp: number): TakenStep {
  const from = before.prescription;
  const same = from.technique === progression.phase.technique;
  const entry = same
    ? stepAt(progression, Math.min(volume(from), mostAfter(volume(from), ramp)), Math.max(0, ramp))
    : firstStep(progression);
  let { prescription } = entry;
  if (prescription.load !== undefined && from.load !== undefined) {
    const assistance = Math.min(prescription.assistance ?? 0, from.assistance ?? 0) as Assistance;
    prescription = { ...prescription, load: from.load, loadUnit: from.loadUnit ?? 'kg', assistance };
  }
  const most = mostAfter(volume(from), ramp);
  const comparable = boutDose(from) > 0 === boutDose(prescription) > 0;
  if (comparable && (volume(from) >= SMALL_BASE || ramp < 0) && volume(prescription) > most + 1e-9)
    prescription = scaleTo(prescription, most, progression.limits.amountMin, progression.phase.stepSize);
  const { name } = progression.style;
  const fact: WeekFact = same
    ? { code: 'phase-continues', args: { style: name } }
    : { code: 'phase-starts', args: { style: name, technique: progression.phase.technique } };
  return { ...entry, prescription, changed: null, fact };
}
