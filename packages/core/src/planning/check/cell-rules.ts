import { mostAfter } from '../progression/ramp.js';
import { percentOf, roundTo } from '../../math/rounding.js';
import { sideWeeklyDose, volume } from '../../dose/dose.js';
import {
  amountOf,
  type HandVariable,
  HIGHEST_TARGET,
  type Prescription,
  valueOf,
  type Variable,
  withAmount,
} from '../../technique/prescription.js';
import { boutDose } from '../../dose/dose.js';
import { bonusFor } from '../week/bonus.js';
import { EASIER_SHARE, easierWeek } from '../progression/easier-week.js';
import { clampStep } from '../progression/clamp.js';
import {
  FREE,
  loadStep,
  LOAD_RAMP,
  PATIENCE,
  SMALL_BASE,
  WAITED_RAMP,
  type Progression,
} from '../progression/progression.js';
import { rises } from '../progression/rises.js';
import { comingBack, LONG_ABSENCE, returnShare } from '../absence/return.js';
import { firstStep } from '../progression/start.js';
import { isSafetyLimit, type PlanClient, techniqueBar } from '../limits.js';
import type { LimitFact } from '../facts.js';
import type { LaneInput, PlannedWeek } from '../plan.js';
import { scaleTo } from '../progression/scale.js';
import type { Fix, OutOfBounds, Violation, ViolationFact } from './violation.js';

/** A cell with what it is judged against. */
export interface CellView {
  readonly lane: number;
  readonly input: LaneInput;
  readonly client: PlanClient;
  readonly cell: PlannedWeek;
  /** The last full full week before it; null when there is none. */
  readonly base: PlannedWeek | null;
  /** True where minutes, days or the calendar took something off the base. */
  readonly cut: boolean;
  /** True where the lane was not done the week before for want of room: it comes back from its least. */
  readonly rested: boolean;
  /** True for a base that was a week of a return: several parts come back together. */
  readonly returned: boolean;
  /** Most weekly volume that the lane has had: after a return it may come back to it. */
  readonly stood: number;
  /** Full weeks since the dose last rose. */
  readonly still: number;
  /** The return that the week is part of; null for none. `at`: which week of it, from 0. */
  readonly back: { readonly before: PlannedWeek; readonly missed: number; readonly at: number } | null;
  readonly progression: Progression;
  readonly ramp: number;
}

type Found = Omit<Violation, 'lane' | 'week'>;

const COUNTED: readonly Exclude<Variable, 'activationReps'>[] = [
  'holdSeconds',
  'reps',
  'sets',
  'sessionsPerWeek',
  'cycles',
  'effort',
  'load',
  'depth',
  'sensation',
];

/** Variables that are turned up against another prescription of the same technique. */
export function raised(p: Prescription, base: Prescription): Variable[] {
  const up: Variable[] = COUNTED.filter((v) => valueOf(p, v) > valueOf(base, v));
  if ((p.assistance ?? 0) < (base.assistance ?? 0)) up.push('assistance');
  return up;
}

const plain = (p: Prescription): Prescription => {
  const { bonus: _, ...rest } = p;
  return rest;
};

function setCell(v: CellView, prescription: Prescription, what: 'all' | 'sensation' | 'extra' = 'all'): Fix {
  return { kind: 'cell', what, lane: v.lane, week: v.cell.week, prescription };
}

function unlock(v: CellView): Fix | null {
  return v.cell.locked ? { kind: 'unlock', lane: v.lane, week: v.cell.week, group: null } : null;
}

const warn = (rule: Violation['rule'], fact: ViolationFact, fix: Fix | null): Found => ({
  rule,
  severity: 'warning',
  fact,
  fix,
});

function oneVariable(v: CellView): Found[] {
  const { cell, base } = v;
  if (!base || cell.kind !== 'build' || base.prescription.technique !== cell.prescription.technique) return [];
  if (base.styleId !== cell.styleId || v.back !== null || v.returned) return [];
  // Coming back from a cut, several parts come back together.
  if (v.cut || (volume(base.prescription) < v.stood - 1e-9 && volume(cell.prescription) <= v.stood + 1e-9)) return [];
  const up = raised(cell.prescription, base.prescription);
  if (up.length < 2) return [];
  const fact = { code: 'rose-together' as const, args: { variables: up, since: base.week } };
  return [warn('one-variable', fact, unlock(v) ?? setCell(v, base.prescription))];
}

/** Smallest rise in volume that a base has, whatever the variable; null when there is none. */
function smallestRise(base: PlannedWeek, progression: Progression): number | null {
  const from = { prescription: plain(base.prescription), activationReps: 0 };
  const all = progression.order
    .filter((t) => !FREE.includes(t.variable))
    .flatMap((t) => rises(from, { ...t, until: null }, progression))
    .map((s) => volume(s.prescription));
  return all.length === 0 ? null : Math.min(...all);
}

/** Most weekly volume of a week after a full one (rule 2, its exemptions looked at). */
function mostNow(v: CellView, base: PlannedWeek): number {
  const before = v.rested ? 0 : volume(base.prescription);
  const ramped = mostAfter(before, v.ramp);
  const { limits, phase } = v.progression;
  const least = volume(scaleTo(v.cell.prescription, 0, limits.amountMin, phase.stepSize));
  // Back from a cut: to what it had, by half of the week before at most.
  const half = Math.max(mostAfter(before, WAITED_RAMP), least);
  const cut = v.cut || v.returned ? half : before < v.stood - 1e-9 ? Math.min(v.stood, half) : 0;
  const step = v.ramp > 0 && base.prescription.technique === phase.technique ? smallestRise(base, v.progression) : null;
  const small = step !== null && before < SMALL_BASE ? step : 0;
  const waited = step !== null && v.still >= PATIENCE && step <= mostAfter(before, WAITED_RAMP) ? step : 0;
  return Math.max(ramped, cut, small, waited);
}

function returning(v: CellView): Found[] {
  const { back, cell, progression } = v;
  if (!back || cell.kind !== 'build') return [];
  const before = volume(back.before.prescription);
  const now = volume(cell.prescription);
  const { limits, phase } = progression;
  const comparable = boutDose(back.before.prescription) > 0 === boutDose(cell.prescription) > 0;
  if (!comparable) return [];
  const share = back.at === 0 ? returnShare(back.missed) : 1;
  const least = volume(scaleTo(cell.prescription, 0, limits.amountMin, phase.stepSize));
  const another = back.before.prescription.technique !== cell.prescription.technique;
  const start = back.missed >= LONG_ABSENCE || another ? volume(firstStep(progression).prescription) : 0;
  const most = Math.max(share * before, least, another ? start : Math.min(start, before));
  if (now <= most + 1e-9) return [];
  const grid = { amountMin: limits.amountMin, stepSize: phase.stepSize, plate: limits.plate };
  const args = {
    seconds: now,
    weeks: back.missed,
    most: Math.floor(most),
    percent: percentOf(share, 1),
    since: back.before.week,
  };
  const fixed = comingBack(plain(back.before.prescription), share, back.at === 0, grid);
  return [warn('return', { code: 'return-too-high', args }, setCell(v, fixed))];
}

function ramp(v: CellView): Found[] {
  const { cell, base, progression } = v;
  if (!base || cell.kind !== 'build' || v.back !== null) return [];
  const out: Found[] = [];
  const before = v.rested ? 0 : volume(base.prescription);
  const now = volume(cell.prescription);
  const comparable = boutDose(base.prescription) > 0 === boutDose(cell.prescription) > 0;
  const most = mostNow(v, base);
  if (comparable && now > most + 1e-9) {
    const fixed = scaleTo(cell.prescription, most, progression.limits.amountMin, progression.phase.stepSize);
    // Where nothing smaller can be asked, the smallest is no fault.
    if (volume(fixed) < now)
      out.push(
        warn(
          'ramp',
          {
            code: 'rose-too-much',
            args: {
              from: before,
              to: now,
              percent: before === 0 ? 100 : percentOf(now - before, before),
              allowed: percentOf(v.ramp, 1),
              most: Math.floor(most),
              since: base.week,
            },
          },
          setCell(v, fixed),
        ),
      );
  }
  const from = base.prescription.load ?? 0;
  const to = cell.prescription.load ?? 0;
  const plate = Math.max(loadStep(progression), from * LOAD_RAMP);
  if (base.prescription.technique === cell.prescription.technique && to - from > plate + 1e-9)
    out.push(
      warn(
        'ramp',
        { code: 'load-rose-too-much', args: { from, to, most: roundTo(from + plate, 2) } },
        setCell(v, { ...cell.prescription, load: roundTo(from + loadStep(progression), 2) }),
      ),
    );
  return out;
}

function easier(v: CellView): Found[] {
  const { cell, base } = v;
  if (!base || cell.kind !== 'easier' || base.prescription.technique !== cell.prescription.technique) return [];
  const own = plain(base.prescription);
  if (own.sessionsPerWeek === 0) return [];
  const { phase, limits } = v.progression;
  // A base outside the caps, set by hand, is brought inside first.
  const from =
    own.technique === phase.technique
      ? clampStep({ prescription: own, activationReps: 0 }, v.progression, v.ramp).prescription
      : own;
  const { prescription: best, smaller } = easierWeek(from, limits.amountMin, phase.stepSize);
  // Less than that, for minutes or days, is no fault of the plan; and where nothing smaller exists it may stay.
  if (volume(cell.prescription) <= Math.max(volume(best), EASIER_SHARE.most * volume(from)) + 1e-9) return [];
  if (!smaller && volume(cell.prescription) <= volume(from) + 1e-9) return [];
  const percent = percentOf(volume(cell.prescription), volume(base.prescription));
  return [warn('easier-week', { code: 'not-easier', args: { percent, since: base.week } }, setCell(v, best))];
}

/** Limits that bound the size of a bout or its push, the gravest first. */
const BOUND_BY: Readonly<Record<'amount' | 'effort', readonly LimitFact['code'][]>> = {
  amount: ['caution-hold', 'hypermobile-hold', 'exercise-range', 'age-65', 'age-65-longest', 'under-18'],
  effort: ['caution-effort'],
};

function boundBy(values: readonly OutOfBounds[], reasons: readonly LimitFact[]): LimitFact | null {
  const codes = values.flatMap(({ what }) => (what === 'amount' || what === 'effort' ? BOUND_BY[what] : []));
  return codes.flatMap((code) => reasons.find((r) => r.code === code) ?? [])[0] ?? null;
}

function caps(v: CellView): Found[] {
  const { cell, progression } = v;
  const p = cell.prescription;
  const { limits, phase } = progression;
  if (p.technique !== phase.technique) return [];
  const { technique } = p;
  const values: OutOfBounds[] = [];
  let fixed = p;
  const amount = amountOf(p);
  if (amount > limits.amountMax || amount < limits.amountMin) {
    const [most, least] = amount > limits.amountMax ? [limits.amountMax, null] : [null, limits.amountMin];
    values.push({ what: 'amount', value: amount, most, least, technique });
    fixed = withAmount(fixed, most ?? least);
  }
  const most = (what: HandVariable, bound: number): void => {
    const value = valueOf(p, what);
    if (value <= bound) return;
    values.push({ what, value, most: bound, least: null, technique });
    fixed = { ...fixed, [what]: bound };
  };
  most('sets', limits.setsMax);
  most('sessionsPerWeek', limits.sessionsMax);
  if (p.effort !== undefined) most('effort', limits.effortMax);
  for (const key of ['cycles', 'load', 'depth'] as const) {
    const bound = key === 'load' ? Math.min(limits.loadMax, Number.MAX_VALUE) : phase.caps[key];
    if (bound !== undefined) most(key, bound);
  }
  const found: Found[] = [];
  if (values.length > 0) {
    const by = boundBy(values, limits.reasons);
    const args = { values, by, style: progression.style.name };
    const safety = by !== null && isSafetyLimit(by);
    const out = warn('cap', { code: 'out-of-bounds', args }, setCell(v, fixed));
    found.push(safety ? { ...out, severity: 'stop' } : out);
  }
  const side = p.bonus?.side ?? 'left';
  if (limits.doseMax !== null && sideWeeklyDose(p, side) > limits.doseMax)
    found.push(
      warn(
        'cap',
        {
          code: 'above-style-dose',
          args: { seconds: sideWeeklyDose(p, side), doseMax: limits.doseMax, style: progression.style.name },
        },
        setCell(v, scaleTo(plain(p), limits.doseMax, limits.amountMin, phase.stepSize)),
      ),
    );
  return found;
}

function intensity(v: CellView): Found[] {
  const { sensation } = v.cell.prescription;
  const { sensationMax, sensationBy } = v.progression.limits;
  if (sensation <= sensationMax) return [];
  const stops = sensation > HIGHEST_TARGET || (sensationBy !== null && isSafetyLimit(sensationBy));
  return [
    {
      rule: 'intensity',
      severity: stops ? 'stop' : 'warning',
      fact: { code: 'too-strong', args: { sensation, most: sensationMax, by: sensationBy } },
      fix: setCell(v, { ...v.cell.prescription, sensation: sensationMax }, 'sensation'),
    },
  ];
}

function caution(v: CellView): Found[] {
  const bar = techniqueBar(v.cell.prescription.technique, v.client);
  return bar === null
    ? []
    : [{ rule: 'caution', severity: 'stop', fact: { code: 'technique-barred', args: { bar } }, fix: unlock(v) }];
}

function tighterSide(v: CellView): Found[] {
  const p = v.cell.prescription;
  const side = v.input.tighterSide ?? null;
  const own = (v.input.exercises ?? []).filter((e) => e.technique === p.technique);
  const sided = own.length === 0 || own.some((e) => e.exercise.sides !== 'both');
  if (p.bonus && (side === null || p.bonus.side !== side))
    return [warn('tighter-side', { code: 'not-the-tighter-side', args: { side: p.bonus.side } }, setCell(v, plain(p)))];
  if (side === null || p.bonus || !sided || !v.cell.locked) return [];
  const bonus = bonusFor(p, side, v.progression.limits, v.progression.phase.stepSize);
  if (!bonus) return [];
  return [
    warn('tighter-side', { code: 'tighter-side-without-extra', args: { side } }, setCell(v, { ...p, bonus }, 'extra')),
  ];
}

/** Rules that one cell can break by itself, or against the full week before it. */
export function checkCell(v: CellView): Violation[] {
  if (v.cell.kind === 'rest') return [];
  return [oneVariable, ramp, returning, easier, caps, intensity, caution, tighterSide]
    .flatMap((rule) => rule(v))
    .map((f) => ({ ...f, lane: v.lane, week: v.cell.week }));
}
