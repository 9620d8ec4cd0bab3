import { boutDose, volume } from '../dose/dose.js';
import {
  amountOf,
  amountVariable,
  ASSISTANCE_WORDS,
  valueOf,
  VARIABLE_NAME,
  withAmount,
  type Assistance,
  type LoadUnit,
  type Prescription,
  type Variable,
} from '../styles/prescription.js';
import type { Style, StylePhase } from '../styles/style.js';
import { loadWords } from '../words/prescription.js';
import type { Limits } from './limits.js';
import { scaleTo } from './scale.js';

/** Where a lane stands: what it asks, and how many activation repetitions follow. */
export interface Rung {
  readonly prescription: Prescription;
  /** Repetitions after the stretch; 0 without activation. */
  readonly activationReps: number;
}

/** One rung of a lane: what is asked, and what changed against the rung below. */
export interface Step extends Rung {
  /** The one variable that was turned up; null on the first rung. */
  readonly changed: Variable | null;
  /** True when the bout was shortened so that the new set or day keeps the ramp ("3 × 45 s instead of 2 × 60 s"). */
  readonly resplit: boolean;
  /** The change in words: "hold 30 → 35 s". */
  readonly words: string;
}

/** Why no further step exists. */
export interface TopOfLadder {
  readonly why: 'all caps reached' | 'ramp too small';
  readonly words: string;
}

/** A lane's style in one phase, and within which limits it climbs. */
export interface Climb {
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
export function loadStep(climb: Climb): number {
  return climb.loadUnit === 'kg' ? climb.limits.plate : LOAD_STEPS[climb.loadUnit];
}

/** The first rung: the style's start within the limits. */
export function firstStep(climb: Climb): Step {
  const { style, phase, limits, loadUnit } = climb;
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
    ...(start.effort === undefined ? {} : { effort: start.effort }),
    ...(start.lowerSeconds === undefined ? {} : { lowerSeconds: start.lowerSeconds }),
    ...(loaded ? { assistance: start.assistance, load: 0, loadUnit } : {}),
    ...(phase.technique === 'moving stretch' ? { depth: 0 } : {}),
  };
  const prescription = withAmount(base, Math.min(Math.max(amountOf(base), limits.amountMin), limits.amountMax));
  return {
    prescription,
    activationReps: style.after?.technique === 'activation' ? style.after.amount : 0,
    changed: null,
    resplit: false,
    words: `${style.name} starts here`,
  };
}

function capOf(variable: Variable, { phase, limits, loadUnit }: Climb): number {
  if (variable === amountVariable(phase.technique)) return limits.amountMax;
  switch (variable) {
    case 'sets':
      return limits.setsMax;
    case 'sessionsPerWeek':
      return limits.sessionsMax;
    case 'sensation':
      return limits.sensationMax;
    case 'load':
      return loadUnit === 'kg' ? (phase.caps.load ?? 0) : LOAD_CAPS[loadUnit];
    default:
      return phase.caps[variable] ?? 0;
  }
}

function isOpen(rung: Rung, variable: Variable, climb: Climb): boolean {
  const p = rung.prescription;
  if (variable === 'activationReps') return rung.activationReps > 0 && rung.activationReps < capOf(variable, climb);
  if (variable === 'assistance') return (p.assistance ?? 0) > (climb.phase.caps.assistance ?? 0);
  return valueOf(p, variable) < capOf(variable, climb);
}

/** Variables that leave time under stretch as it is; the ramp does not ask after them. */
const FREE: readonly Variable[] = ['effort', 'assistance', 'load', 'depth', 'activationReps', 'sensation'];

function freeStep(rung: Rung, variable: Variable, climb: Climb): Step {
  const p = rung.prescription;
  const to = (next: number): number => Math.min(next, capOf(variable, climb));
  const step = climb.phase.step[variable] ?? 1;
  const made = (prescription: Prescription, words: string, activationReps = rung.activationReps): Step => ({
    prescription,
    activationReps,
    changed: variable,
    resplit: false,
    words,
  });
  switch (variable) {
    case 'activationReps': {
      const reps = to(rung.activationReps + step);
      return made(p, `${VARIABLE_NAME.activationReps} ${rung.activationReps} → ${reps}`, reps);
    }
    case 'assistance': {
      const next = ((p.assistance ?? 0) - 1) as Assistance;
      return made({ ...p, assistance: next }, `${ASSISTANCE_WORDS[p.assistance ?? 0]} → ${ASSISTANCE_WORDS[next]}`);
    }
    case 'load':
      return loadedStep(rung, climb, made);
    case 'effort':
      return made({ ...p, effort: to((p.effort ?? 0) + step) }, `push ${p.effort} → ${to((p.effort ?? 0) + step)} %`);
    default: {
      const key = variable as 'depth' | 'sensation';
      const next = to(valueOf(p, key) + step);
      return made({ ...p, [key]: next }, `${VARIABLE_NAME[key]} ${valueOf(p, key)} → ${next}`);
    }
  }
}

/** First load = the smallest plate; then one plate. A plate of more than 10 % comes only with the bout back at its start, to be built up again. */
function loadedStep(rung: Rung, climb: Climb, made: (p: Prescription, words: string) => Step): Step {
  const p = rung.prescription;
  const from = p.load ?? 0;
  const plate = loadStep(climb);
  const load = Math.min(Math.round((from + plate) * 100) / 100, capOf('load', climb));
  const next = { ...p, load };
  const words = `load ${loadWords(p) || 'none'} → ${loadWords(next)}`;
  if (from === 0 || plate <= LOAD_RAMP * from + 1e-9) return made(next, words);
  const start = Math.max(
    climb.limits.amountMin,
    Math.min(climb.phase.start[amountVariable(p.technique)] ?? climb.limits.amountMin, amountOf(p)),
  );
  const unit = amountVariable(p.technique) === 'reps' ? 'repetitions' : 's';
  return made(
    withAmount(next, start),
    `${words}, with ${start} ${unit} again: a plate is ${Math.round((plate / from) * 100)} % more, a smaller plate would help`,
  );
}

/** The ways to turn one variable of the dose up, boldest first: the style's own step, then smaller ones or a re-split with a shorter bout. */
function candidates(rung: Rung, variable: Variable, climb: Climb): Step[] {
  const p = rung.prescription;
  const { phase, limits } = climb;
  const key = variable as 'holdSeconds' | 'reps' | 'sets' | 'sessionsPerWeek' | 'cycles';
  const from = valueOf(p, key);
  const to = Math.min(from + (phase.step[variable] ?? 1), capOf(variable, climb));
  const named = (q: Prescription, words: string, resplit = false): Step => ({
    prescription: q,
    activationReps: rung.activationReps,
    changed: variable,
    resplit,
    words,
  });
  const amount = amountVariable(p.technique);
  const grain = phase.amountGrain;
  const unit = amount === 'holdSeconds' ? ' s' : '';
  if (variable === amount) {
    const out: Step[] = [];
    const name = p.technique === 'contract-relax' ? 'stretch' : VARIABLE_NAME[amount];
    for (let a = to; a > from; a -= grain) out.push(named(withAmount(p, a), `${name} ${from} → ${a}${unit}`));
    return out;
  }
  const words = `${VARIABLE_NAME[variable]} ${from} → ${to}`;
  const out = [named({ ...p, [key]: to }, words)];
  const now = amountOf(p);
  for (let a = Math.ceil(now / grain - 1) * grain; a >= limits.amountMin; a -= grain)
    out.push(
      named(
        withAmount({ ...p, [key]: to }, a),
        `${words}, ${VARIABLE_NAME[amount]} ${now} → ${a}${unit} to keep the ramp`,
        true,
      ),
    );
  return out;
}

/**
 * The rung above: one variable turned up in the style's order (rule 1), never more than the ramp allows (rule 2).
 * A step that would break the ramp is re-split or made smaller; when none of a variable's steps fits, the next variable is tried;
 * intensity is touched only when everything else is at its cap.
 * @param ramp largest rise of the weekly volume, as a fraction (0.2 = 20 %)
 */
export function nextStep(rung: Rung, climb: Climb, ramp: number): Step | TopOfLadder {
  const base = volume(rung.prescription);
  const open = climb.phase.order.filter((v) => isOpen(rung, v, climb));
  if (open.length === 0) return { why: 'all caps reached', words: 'every variable is at its cap; the dose stays' };

  const { doseMax } = climb.limits;
  let smallest: Step | null = null;
  let capped = false;
  for (const variable of open) {
    if (variable === 'sensation' && open.some((v) => v !== 'sensation')) continue;
    if (FREE.includes(variable)) return freeStep(rung, variable, climb);
    const up = candidates(rung, variable, climb).filter((s) => volume(s.prescription) > base);
    const steps = up.filter((s) => doseMax === null || volume(s.prescription) <= doseMax);
    capped ||= steps.length < up.length;
    const fits = steps.find((s) => volume(s.prescription) <= base * (1 + ramp) + 1e-9);
    if (fits) return fits;
    // Boldest first: the last is the smallest.
    const least = steps.at(-1);
    if (least && base < SMALL_BASE) return least;
    if (least && (!smallest || volume(least.prescription) < volume(smallest.prescription))) smallest = least;
  }
  if (!smallest && capped)
    return { why: 'all caps reached', words: `${climb.style.name} stays within ${doseMax} s a week; the dose stays` };
  if (!smallest) return { why: 'ramp too small', words: 'no smaller step is left; the dose stays' };
  const least = Math.round((volume(smallest.prescription) / base - 1) * 100);
  return {
    why: 'ramp too small',
    words: `the smallest step would add ${least} %, more than the ${Math.round(ramp * 100)} % ramp; the dose stays`,
  };
}

/** A rung brought back inside the limits, as after a cell set by hand; never with more volume than the ramp allows where that can be helped. */
export function clampRung(rung: Rung, climb: Climb, ramp: number): Rung {
  const { limits, phase } = climb;
  const p = rung.prescription;
  // A variable without a cap does not move; what was set by hand stays.
  const capped = (variable: 'effort' | 'cycles' | 'load', value: number): number =>
    phase.caps[variable] === undefined ? value : Math.min(value, capOf(variable, climb));
  const within: Prescription = withAmount(
    {
      ...p,
      sets: Math.min(p.sets, limits.setsMax),
      sessionsPerWeek: Math.min(p.sessionsPerWeek, limits.sessionsMax),
      sensation: Math.min(p.sensation, limits.sensationMax),
      ...(p.effort === undefined ? {} : { effort: capped('effort', p.effort) }),
      ...(p.cycles === undefined ? {} : { cycles: capped('cycles', p.cycles) }),
      ...(p.load === undefined ? {} : { load: capped('load', p.load) }),
    },
    Math.min(Math.max(amountOf(p), limits.amountMin), limits.amountMax),
  );
  const most = Math.min(volume(p) * (1 + ramp), limits.doseMax ?? Infinity);
  if (volume(within) > most + 1e-9)
    return { ...rung, prescription: scaleTo(within, most, limits.amountMin, phase.amountGrain) };
  return { ...rung, prescription: within };
}

/**
 * Highest rung from the start whose volume does not pass a baseline; the start itself when that is above it. Seconds of stretch say nothing of
 * load, help, push or depth: the climb ends where one of these would be next, so that nobody is given a load for having held for long.
 */
export function rungAt(climb: Climb, baseline: number, ramp: number): Step {
  let rung = firstStep(climb);
  for (let i = 0; i < 100; i++) {
    const next = nextStep(rung, climb, ramp);
    if ('why' in next || volume(next.prescription) > baseline + 1e-9) break;
    if (next.changed === null || FREE.includes(next.changed)) break;
    rung = next;
  }
  return rung;
}

/**
 * The first rung of a phase that follows another (rule 2 holds across the change). The same technique goes on at the highest rung that does
 * not pass the dose before; another technique is learned from its start, made smaller where the ramp asks for it.
 * @param ramp largest rise against the dose before; below 0 after missed weeks
 */
export function enterPhase(before: Rung, climb: Climb, ramp: number): Step {
  const from = before.prescription;
  const same = from.technique === climb.phase.technique;
  const entry = same ? rungAt(climb, volume(from) * Math.min(1, 1 + ramp), Math.max(0, ramp)) : firstStep(climb);
  let { prescription } = entry;
  if (prescription.load !== undefined && from.load !== undefined) {
    const assistance = Math.min(prescription.assistance ?? 0, from.assistance ?? 0) as Assistance;
    prescription = { ...prescription, load: from.load, loadUnit: from.loadUnit ?? 'kg', assistance };
  }
  const most = volume(from) * (1 + ramp);
  const comparable = boutDose(from) > 0 === boutDose(prescription) > 0;
  if (comparable && (volume(from) >= SMALL_BASE || ramp < 0) && volume(prescription) > most + 1e-9)
    prescription = scaleTo(prescription, most, climb.limits.amountMin, climb.phase.amountGrain);
  const words = same
    ? `${climb.style.name} from here, at the step nearest to the dose before`
    : `${climb.style.name}: ${climb.phase.technique} from here, at its start`;
  return { ...entry, prescription, changed: null, words };
}
