import { volume } from '../../dose/dose.js';
import { percentOf } from '../../math/rounding.js';
import type { Variable } from '../../technique/prescription.js';
import type { NoStepFact } from '../facts.js';
import {
  FREE,
  isOpen,
  PATIENCE,
  SMALL_BASE,
  WAITED_RAMP,
  type Progression,
  type Step,
  type TakenStep,
} from './progression.js';
import { mostAfter } from './ramp.js';
import { freeStep, rises } from './rises.js';

/** Why no further step exists. */
export interface NoStepLeft {
  readonly why: NoStepFact;
}

/** What else decides which step comes next. */
export interface StepTerms {
  /** Largest rise of the weekly volume, as a fraction (0.2 = 20 %). 0: no rise at all. */
  readonly ramp: number;
  /** Full weeks since the last step for which nothing fitted. */
  readonly waited?: number;
  /** Weekly volume of the group's other lane: the group counts for what is a small base. */
  readonly alongside?: number;
  /** Variables that minutes or days have just refused: others are tried first. */
  readonly refused?: readonly Variable[];
}

/**
 * The step above: one variable turned up in the style's order (rule 1), within the ramp (rule 2). Turns that add no seconds are taken only when
 * they have come. A rise that breaks the ramp is made smaller or re-split; where the first open turn has none that fits, a later one that adds
 * seconds is looked at. Below {@link SMALL_BASE} the smallest rise of all is allowed; above it the smallest is taken, of at most
 * {@link WAITED_RAMP}, when nothing has fitted for {@link PATIENCE} weeks.
 */
export function nextStep(current: Step, progression: Progression, terms: StepTerms): TakenStep | NoStepLeft {
  const { ramp, waited = 0, refused = [], alongside = 0 } = terms;
  const base = volume(current.prescription);
  const { doseMax } = progression.limits;
  const open = progression.order.filter((t) => isOpen(current, t, progression));
  if (open.length === 0) return { why: { code: 'all-at-limit' } };

  const within = (s: TakenStep): boolean => doseMax === null || volume(s.prescription) <= doseMax;
  const most = mostAfter(base, ramp) + 1e-9;
  const adding = open.filter((t) => !FREE.includes(t.variable));
  for (const turn of refused.length > 0 ? adding : []) {
    // What was refused is passed over where another fits.
    if (refused.includes(turn.variable)) continue;
    const other = rises(current, turn, progression).find((s) => within(s) && volume(s.prescription) <= most);
    if (other) return other;
  }
  let smallest: TakenStep | null = null;
  let capped = false;
  let free: TakenStep | null = null;
  for (const turn of open) {
    if (FREE.includes(turn.variable)) {
      const others = open.some((t) => t.variable !== 'sensation' && hasRise(current, t, progression));
      if (turn.variable === 'sensation' && others) continue;
      free ??= freeStep(current, turn, progression);
      if (smallest === null) return free;
      continue;
    }
    const up = rises(current, turn, progression);
    const steps = up.filter(within);
    capped ||= steps.length < up.length;
    const fits = steps.find((s) => volume(s.prescription) <= most);
    if (fits) return fits;
    for (const s of steps) if (!smallest || volume(s.prescription) < volume(smallest.prescription)) smallest = s;
  }
  const small = base + alongside < SMALL_BASE;
  if (smallest && small && ramp > 0) return smallest;
  // A set for a day, or a day for a set, before the lane waits.
  for (const turn of adding) {
    const fits = rises(current, turn, progression, true).find((s) => within(s) && volume(s.prescription) <= most);
    if (fits && ramp > 0) return fits;
  }
  if (!smallest)
    return {
      why: capped
        ? { code: 'style-dose', args: { style: progression.style.name, doseMax: doseMax ?? 0 } }
        : { code: 'no-smaller-step' },
    };
  const rise = volume(smallest.prescription) - base;
  const patient = waited >= PATIENCE;
  if (ramp > 0 && patient && rise <= WAITED_RAMP * base + 1e-9)
    return { ...smallest, fact: said(smallest, percentOf(rise, base)) };
  if (free && (ramp === 0 || patient)) return free;
  return { why: { code: 'above-increase', args: { percent: percentOf(rise, base), allowed: percentOf(ramp, 1) } } };
}

/** True when a turn could still add seconds. */
function hasRise(current: Step, turn: Progression['order'][number], progression: Progression): boolean {
  return FREE.includes(turn.variable) || rises(current, turn, progression).length > 0;
}

/** The fact of a step that was waited for, with how much it adds. */
function said(step: TakenStep, percent: number): TakenStep['fact'] {
  return step.fact.code === 'step' ? { ...step.fact, args: { ...step.fact.args, waited: percent } } : step.fact;
}
