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
import { easierMiss, easierWeek } from '../progression/easier-week.js';
import { clampStep, loadStep, LOAD_RAMP, SMALL_BASE, type Progression } from '../progression/progression.js';
import { isSafetyLimit, type PlanClient, techniqueBar } from '../limits.js';
import type { LimitFact } from '../facts.js';
import type { LaneInput, PlannedWeek } from '../plan.js';
import { returnShare, scaleTo } from '../progression/scale.js';
import type { Fix, OutOfBounds, Violation, ViolationFact } from './violation.js';

/** A cell with what it is judged against. */
export interface CellView {
  readonly lane: number;
  readonly input: LaneInput;
  readonly client: PlanClient;
  readonly cell: PlannedWeek;
  /** The last full full week before it; null when there is none. */
  readonly base: PlannedWeek | null;
  /** Weeks without training since that week. */
  readonly missed: number;
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
  if (base.styleId !== cell.styleId) return [];
  const up = raised(cell.prescription, base.prescription);
  if (up.length < 2) return [];
  const fact = { code: 'rose-together' as const, args: { variables: up, since: base.week } };
  return [warn('one-variable', fact, unlock(v) ?? setCell(v, base.prescription))];
}

function ramp(v: CellView): Found[] {
  const { cell, base, progression } = v;
  if (!base || cell.kind !== 'build') return [];
  const out: Found[] = [];
  const before = volume(base.prescription);
  const now = volume(cell.prescription);
  const comparable = boutDose(base.prescription) > 0 === boutDose(cell.prescription) > 0;
  const most = mostAfter(before, v.missed > 0 ? returnShare(v.missed) - 1 : v.ramp);
  const fixed = scaleTo(cell.prescription, most, progression.limits.amountMin, progression.phase.stepSize);
  // Where nothing smaller can be asked, the smallest is no fault.
  const tooMuch = comparable && now > most + 1e-9 && volume(fixed) < now;
  if (tooMuch && v.missed > 0)
    out.push(
      warn(
        'return',
        {
          code: 'return-too-high',
          args: {
            seconds: now,
            weeks: v.missed,
            most: Math.floor(most),
            percent: percentOf(returnShare(v.missed), 1),
            since: base.week,
          },
        },
        setCell(v, fixed),
      ),
    );
  else if (tooMuch && v.missed === 0 && before >= SMALL_BASE)
    out.push(
      warn(
        'ramp',
        {
          code: 'rose-too-much',
          args: {
            from: before,
            to: now,
            percent: percentOf(now - before, before),
            allowed: percentOf(v.ramp, 1),
            most: Math.floor(most),
            since: base.week,
          },
        },
        setCell(v, fixed),
      ),
    );
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
  // A base outside the caps, set by hand, is brought inside first.
  const own = plain(base.prescription);
  const from =
    own.technique === v.progression.phase.technique
      ? clampStep({ prescription: own, activationReps: 0 }, v.progression, v.ramp).prescription
      : own;
  const best = easierWeek(from);
  const same = amountOf(cell.prescription) === amountOf(best);
  if (same && easierMiss(cell.prescription, from) <= easierMiss(best, from) + 1e-9) return [];
  // Fewer days than usual, as when away: less than 60 % is no fault.
  if (volume(cell.prescription) < volume(best)) return [];
  const percent = percentOf(volume(cell.prescription), volume(base.prescription));
  return [warn('easier-week', { code: 'not-easier', args: { percent, since: base.week } }, setCell(v, best))];
}

/** Limits that bound the size of a bout or its push, the gravest first. */
const BOUND_BY: Readonly<Record<'amount' | 'effort', readonly LimitFact['code'][]>> = {
  amount: ['caution-hold', 'hypermobile-hold', 'exercise-range', 'age-65', 'under-18'],
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
    const bound = key === 'load' && progression.loadUnit !== 'kg' ? undefined : phase.caps[key];
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
  const sided = v.input.exercises?.[p.technique]?.sides !== 'both';
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
  return [oneVariable, ramp, easier, caps, intensity, caution, tighterSide]
    .flatMap((rule) => rule(v))
    .map((f) => ({ ...f, lane: v.lane, week: v.cell.week }));
}
