import { weeklyDose } from '../dose/dose.js';
import type { Prescription, Style, Variable } from '../styles/style.js';
import type { Limits } from './limits.js';

/** Names of the variables in a reason. */
const VARIABLE_NAME: Readonly<Record<Variable, string>> = {
  holdSeconds: 'hold',
  sets: 'sets',
  sessionsPerWeek: 'sessions a week',
  sensation: 'sensation target',
};

/** One rung of a lane: what is asked, and what changed against the rung below. */
export interface Step {
  readonly prescription: Prescription;
  /** The one variable that was turned up; null on the first rung. */
  readonly changed: Variable | null;
  /** True when the hold was shortened so that the new set or day keeps the ramp ("3 × 45 s instead of 2 × 60 s"). */
  readonly resplit: boolean;
  /** The change in words: "hold 30 → 35 s". */
  readonly words: string;
}

/** Why no further step exists. */
export interface TopOfLadder {
  readonly why: 'all caps reached' | 'ramp too small';
  readonly words: string;
}

/** Below this weekly dose one smallest step is allowed whatever the ramp says. Seconds per side. */
const SMALL_BASE = 60;

/** Hold seconds are prescribed in fives; nobody counts 48. */
const HOLD_GRAIN = 5;

/** The first rung: the style's start within the limits. */
export function firstStep(style: Style, limits: Limits): Step {
  const prescription: Prescription = {
    technique: style.technique,
    sets: Math.min(style.start.sets, limits.setsMax),
    holdSeconds: Math.min(Math.max(style.start.holdSeconds, limits.holdMin), limits.holdMax),
    sessionsPerWeek: Math.min(style.start.sessionsPerWeek, limits.sessionsMax),
    sensation: limits.sensationStart,
  };
  return { prescription, changed: null, resplit: false, words: `${style.name} starts here` };
}

function capOf(variable: Variable, limits: Limits): number {
  switch (variable) {
    case 'holdSeconds':
      return limits.holdMax;
    case 'sets':
      return limits.setsMax;
    case 'sessionsPerWeek':
      return limits.sessionsMax;
    case 'sensation':
      return limits.sensationMax;
  }
}

/** The ways to turn one variable up, boldest first: the style's own step, then smaller ones or a re-split with a shorter hold. */
function candidates(p: Prescription, variable: Variable, style: Style, limits: Limits): Step[] {
  const from = p[variable];
  const to = Math.min(from + style.step[variable], capOf(variable, limits));
  const named = (q: Prescription, words: string, resplit = false): Step => ({
    prescription: q,
    changed: variable,
    resplit,
    words,
  });
  if (variable === 'holdSeconds') {
    const out: Step[] = [];
    for (let h = to; h > from; h -= HOLD_GRAIN) out.push(named({ ...p, holdSeconds: h }, `hold ${from} → ${h} s`));
    return out;
  }
  const words = `${VARIABLE_NAME[variable]} ${from} → ${to}`;
  const out = [named({ ...p, [variable]: to }, words)];
  if (variable === 'sensation') return out;
  const firstShorter = Math.ceil(p.holdSeconds / HOLD_GRAIN - 1) * HOLD_GRAIN;
  for (let h = firstShorter; h >= limits.holdMin; h -= HOLD_GRAIN)
    out.push(
      named(
        { ...p, [variable]: to, holdSeconds: h },
        `${words}, hold ${p.holdSeconds} → ${h} s to keep the ramp`,
        true,
      ),
    );
  return out;
}

/**
 * The rung above `current`: one variable turned up in the style's order (rule 1), never more than the ramp allows (rule 2).
 * A step that would break the ramp is re-split or made smaller; when none of a variable's steps fits, the next variable is tried;
 * intensity is touched only when everything else is at its cap.
 * @param ramp largest rise of the weekly dose, as a fraction (0.2 = 20 %)
 */
export function nextStep(current: Prescription, style: Style, limits: Limits, ramp: number): Step | TopOfLadder {
  const base = weeklyDose(current);
  const open = style.order.filter((v) => current[v] < capOf(v, limits));
  if (open.length === 0) return { why: 'all caps reached', words: 'every variable is at its cap; the dose stays' };

  let smallest: Step | null = null;
  for (const variable of open) {
    if (variable === 'sensation') {
      if (open.some((v) => v !== 'sensation')) continue;
      return candidates(current, variable, style, limits)[0]!;
    }
    const steps = candidates(current, variable, style, limits).filter((s) => weeklyDose(s.prescription) > base);
    const fits = steps.find((s) => weeklyDose(s.prescription) <= base * (1 + ramp) + 1e-9);
    if (fits) return fits;
    // Boldest first: the last is the smallest.
    const least = steps.at(-1);
    if (least && base < SMALL_BASE) return least;
    if (least && (!smallest || weeklyDose(least.prescription) < weeklyDose(smallest.prescription))) smallest = least;
  }
  const least = smallest ? Math.round((weeklyDose(smallest.prescription) / base - 1) * 100) : 0;
  return {
    why: 'ramp too small',
    words: `the smallest step would add ${least} %, more than the ${Math.round(ramp * 100)} % ramp; the dose stays`,
  };
}

/** A lane's rungs from the start, as far as `count` or until nothing fits any more. */
export function ladder(
  style: Style,
  limits: Limits,
  ramp: number,
  count: number,
): { steps: Step[]; top: TopOfLadder | null } {
  const steps = [firstStep(style, limits)];
  while (steps.length < count) {
    const next = nextStep(steps[steps.length - 1]!.prescription, style, limits, ramp);
    if ('why' in next) return { steps, top: next };
    steps.push(next);
  }
  return { steps, top: null };
}
