import { volume } from '../../dose/dose.js';
import { percentOf, roundTo } from '../../math/rounding.js';
import {
  amountOf,
  amountVariable,
  valueOf,
  withAmount,
  type Assistance,
  type Prescription,
  type Variable,
} from '../../technique/prescription.js';
import type { OrderStep } from '../../styles/style.js';
import type { StepArgs } from '../facts.js';
import { endOf, FEW_PLATES, LOAD_RAMP, loadStep, type Progression, type Step, type TakenStep } from './progression.js';

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

/** The step of a variable that adds no seconds. */
export function freeStep(current: Step, turn: OrderStep, progression: Progression): TakenStep {
  const { variable } = turn;
  const p = current.prescription;
  if (variable === 'load') return loadedStep(current, turn, progression);
  if (variable === 'assistance') {
    const now = p.assistance ?? 0;
    const next = (now - 1) as Assistance;
    return taken(current, { ...p, assistance: next }, variable, [now, next]);
  }
  const size = progression.phase.step[variable] ?? 1;
  const most = endOf(turn, progression);
  if (variable === 'activationReps') {
    const reps = Math.min(current.activationReps + size, most);
    return taken(current, p, variable, [current.activationReps, reps], { activationReps: reps });
  }
  const now = valueOf(p, variable);
  const next = Math.min(now + size, most);
  return taken(current, { ...p, [variable]: next }, variable, [now, next]);
}

/**
 * One plate more. Where its turn comes after the bout has grown, the bout goes back to its start with it, to be built up again. A plate of more
 * than a tenth of ten plates or more says that a smaller plate would help.
 */
function loadedStep(current: Step, turn: OrderStep, progression: Progression): TakenStep {
  const p = current.prescription;
  const from = p.load ?? 0;
  const plate = loadStep(progression);
  const load = Math.min(roundTo(from + plate, 2), Math.max(endOf(turn, progression), from));
  const next = { ...p, load };
  const { limits, phase, order } = progression;
  const variable = amountVariable(p.technique);
  const builtUp = order.findIndex((t) => t.variable === variable);
  const start = Math.min(Math.max(phase.start[variable] ?? limits.amountMin, limits.amountMin), limits.amountMax);
  const amount = Math.min(start, amountOf(p));
  if (builtUp < 0 || builtUp > order.indexOf(turn) || amount === amountOf(p))
    return taken(current, next, 'load', [from, load]);
  const heavy = from >= FEW_PLATES * plate && plate > LOAD_RAMP * from + 1e-9;
  const restart = { amount, percent: heavy ? percentOf(plate, from) : null };
  return taken(current, withAmount(next, amount), 'load', [from, load], { restart });
}

/** Sizes of a bout below one, largest first, on the grid of the style. */
function below(amount: number, progression: Progression): number[] {
  const size = progression.phase.stepSize;
  const out: number[] = [];
  for (let a = Math.ceil(amount / size - 1) * size; a >= progression.limits.amountMin; a -= size) out.push(a);
  return out;
}

/**
 * The ways to turn one variable of the dose up that add seconds, boldest first: the style's own step, then smaller ones on the grid, or a
 * re-split: one more set, day or cycle with a shorter bout (domain 2.6, 2; 2.10, 1).
 * @param giving true for the re-splits that give a day or a set for it instead
 */
export function rises(current: Step, turn: OrderStep, progression: Progression, giving = false): TakenStep[] {
  const p = current.prescription;
  const { phase } = progression;
  const key = turn.variable as 'holdSeconds' | 'reps' | 'sets' | 'sessionsPerWeek' | 'cycles';
  const from = valueOf(p, key);
  const to = Math.min(from + (phase.step[key] ?? 1), endOf(turn, progression));
  const out: TakenStep[] = [];
  if (key === amountVariable(p.technique)) {
    if (giving) return [];
    const values = [to, ...below(to, progression)].filter((a) => a > from);
    for (const a of values) out.push(taken(current, withAmount(p, a), key, [from, a]));
  } else {
    const now = amountOf(p);
    const other = key === 'sets' ? ('sessionsPerWeek' as const) : ('sets' as const);
    // Only what may come back is given.
    if (giving && !progression.order.some((t) => t.variable === other)) return [];
    const rest = p[other] - (giving ? 1 : 0);
    if (rest < (other === 'sets' ? 1 : Math.min(2, p.sessionsPerWeek))) return [];
    for (const a of [now, ...below(now, progression)]) {
      const next = withAmount({ ...p, [other]: rest, [key]: to }, a);
      const also = giving ? { variable: other, from: p[other], to: rest } : null;
      out.push(
        taken(current, next, key, [from, to], { resplit: a !== now || giving ? { from: now, to: a, also } : null }),
      );
    }
  }
  const base = volume(p);
  return out.filter((s) => volume(s.prescription) > base);
}
