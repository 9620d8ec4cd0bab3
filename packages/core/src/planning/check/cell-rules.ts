import { sideWeeklyDose, volume } from '../../dose/dose.js';
import {
  amountOf,
  amountVariable,
  HIGHEST_TARGET,
  valueOf,
  withAmount,
  type Prescription,
  type Variable,
} from '../../technique/prescription.js';
import { boutDose } from '../../dose/dose.js';
import { prescriptionWords, VARIABLE_NAME } from '../../words/prescription.js';
import { bonusFor } from '../bonus.js';
import { easierMiss, easierWeek } from '../easier-week.js';
import { clampStep, loadStep, LOAD_RAMP, SMALL_BASE, type Progression } from '../progression.js';
import { techniqueBar, type PlanClient } from '../limits.js';
import type { LaneInput, PlannedWeek } from '../plan.js';
import { returnShare, scaleTo } from '../scale.js';
import type { Fix, Violation } from './violation.js';

/** A cell with what it is judged against. */
export interface CellView {
  readonly lane: number;
  readonly input: LaneInput;
  readonly client: PlanClient;
  readonly cell: PlannedWeek;
  /** The last full build week before it; null when there is none. */
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

function setCell(v: CellView, prescription: Prescription, label = prescriptionWords(prescription)): Fix {
  return { kind: 'cell', label: `Take ${label}`, lane: v.lane, week: v.cell.week, prescription };
}

function unlock(v: CellView): Fix | null {
  return v.cell.locked
    ? { kind: 'unlock', label: 'Let the plan set this week', lane: v.lane, week: v.cell.week }
    : null;
}

function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}

function oneVariable(v: CellView): Found[] {
  const { cell, base } = v;
  if (!base || cell.kind !== 'build' || base.prescription.technique !== cell.prescription.technique) return [];
  if (base.styleId !== cell.styleId) return [];
  const up = raised(cell.prescription, base.prescription);
  if (up.length < 2) return [];
  return [
    {
      rule: 'one-variable',
      severity: 'warning',
      message: `${capital(up.map((x) => VARIABLE_NAME[x]).join(' and '))} rise together against week ${base.week}; nobody could tell which did it.`,
      fix: unlock(v) ?? setCell(v, base.prescription),
    },
  ];
}

function ramp(v: CellView): Found[] {
  const { cell, base, progression } = v;
  if (!base || cell.kind !== 'build') return [];
  const out: Found[] = [];
  const before = volume(base.prescription);
  const now = volume(cell.prescription);
  const comparable = boutDose(base.prescription) > 0 === boutDose(cell.prescription) > 0;
  const share = v.missed > 0 ? returnShare(v.missed) : 1 + v.ramp;
  const fixed = scaleTo(cell.prescription, before * share, progression.limits.amountMin, progression.phase.stepSize);
  // Where nothing smaller can be asked, the smallest is no fault.
  const tooMuch = comparable && now > before * share + 1e-9 && volume(fixed) < now;
  if (tooMuch && v.missed > 0)
    out.push({
      rule: 'return',
      severity: 'warning',
      message: `${now} s after ${v.missed} ${v.missed === 1 ? 'week' : 'weeks'} without training; at most ${Math.floor(before * share)} s, ${Math.round(share * 100)} % of week ${base.week}.`,
      fix: setCell(v, fixed),
    });
  else if (tooMuch && v.missed === 0 && before >= SMALL_BASE)
    out.push({
      rule: 'ramp',
      severity: 'warning',
      message: `${before} → ${now} s is ${Math.round((now / before - 1) * 100)} % more than week ${base.week}; the ramp allows ${Math.round(v.ramp * 100)} %, ${Math.floor(before * share)} s.`,
      fix: setCell(v, fixed),
    });
  const from = base.prescription.load ?? 0;
  const to = cell.prescription.load ?? 0;
  const most = Math.max(loadStep(progression), from * LOAD_RAMP);
  if (base.prescription.technique === cell.prescription.technique && to - from > most + 1e-9)
    out.push({
      rule: 'ramp',
      severity: 'warning',
      message: `The load rises from ${from} to ${to}; one plate or a tenth at a time is ${Math.round((from + most) * 100) / 100}.`,
      fix: setCell(v, { ...cell.prescription, load: Math.round((from + loadStep(progression)) * 100) / 100 }),
    });
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
  return [
    {
      rule: 'easier-week',
      severity: 'warning',
      message: `${Math.round((volume(cell.prescription) / volume(base.prescription)) * 100)} % of week ${base.week}; an easier week keeps about 60 %, with the bout unchanged.`,
      fix: setCell(v, best),
    },
  ];
}

function caps(v: CellView): Found[] {
  const { cell, progression, client } = v;
  const p = cell.prescription;
  const { limits, phase } = progression;
  if (p.technique !== phase.technique) return [];
  const over: string[] = [];
  let fixed = p;
  const cap = (over_: boolean, words: string, to: Partial<Prescription>): void => {
    if (!over_) return;
    over.push(words);
    fixed = { ...fixed, ...to };
  };
  const amount = amountOf(p);
  const unit = amountVariable(p.technique) === 'holdSeconds' ? ' s' : ' repetitions';
  if (amount > limits.amountMax) {
    over.push(`${amount}${unit}, at most ${limits.amountMax}`);
    fixed = withAmount(fixed, limits.amountMax);
  }
  if (amount < limits.amountMin) {
    over.push(`${amount}${unit}, at least ${limits.amountMin}`);
    fixed = withAmount(fixed, limits.amountMin);
  }
  cap(p.sets > limits.setsMax, `${p.sets} sets, at most ${limits.setsMax}`, { sets: limits.setsMax });
  cap(p.sessionsPerWeek > limits.sessionsMax, `${p.sessionsPerWeek} sessions, at most ${limits.sessionsMax}`, {
    sessionsPerWeek: limits.sessionsMax,
  });
  for (const key of ['effort', 'cycles', 'load', 'depth'] as const) {
    const most = key === 'load' && progression.loadUnit !== 'kg' ? undefined : phase.caps[key];
    if (most !== undefined)
      cap((p[key] ?? 0) > most, `${VARIABLE_NAME[key]} ${p[key]}, at most ${most}`, { [key]: most });
  }
  const found: Found[] = [];
  if (over.length > 0) {
    const why = client.age >= 65 || client.age < 18 ? limits.reasons[0] : undefined;
    found.push({
      rule: 'cap',
      severity: 'warning',
      message: `${over.join('; ')}.${why ? ` ${why}` : ` Cap of ${progression.style.name} for this client.`}`,
      fix: setCell(v, fixed),
    });
  }
  const side = p.bonus?.side ?? 'left';
  if (limits.doseMax !== null && sideWeeklyDose(p, side) > limits.doseMax)
    found.push({
      rule: 'cap',
      severity: 'warning',
      message: `${sideWeeklyDose(p, side)} s a week; ${progression.style.name} stays within ${limits.doseMax} s.`,
      fix: setCell(v, scaleTo(plain(p), limits.doseMax, limits.amountMin, phase.stepSize)),
    });
  return found;
}

function intensity(v: CellView): Found[] {
  const { sensation } = v.cell.prescription;
  const { sensationMax, reasons } = v.progression.limits;
  if (sensation <= sensationMax) return [];
  const why = reasons.find((r) => r.includes('ensation at most'));
  return [
    {
      rule: 'intensity',
      severity: sensation > HIGHEST_TARGET || why !== undefined ? 'stop' : 'warning',
      message: `Sensation ${sensation} of 10, at most ${sensationMax}. ${why ?? 'Someone who cannot hold a conversation has gone too far.'}`,
      fix: setCell(v, { ...v.cell.prescription, sensation: sensationMax }, `sensation ${sensationMax}`),
    },
  ];
}

function caution(v: CellView): Found[] {
  const bar = techniqueBar(v.cell.prescription.technique, v.client);
  return bar === null ? [] : [{ rule: 'caution', severity: 'stop', message: bar, fix: unlock(v) }];
}

function tighterSide(v: CellView): Found[] {
  const p = v.cell.prescription;
  const side = v.input.tighterSide ?? null;
  const sided = v.input.exercises?.[p.technique]?.sides !== 'both';
  if (p.bonus && (side === null || p.bonus.side !== side))
    return [
      {
        rule: 'tighter-side',
        severity: 'warning',
        message: `The ${p.bonus.side} side gets more, but it is not the tighter one by a notable difference.`,
        fix: setCell(v, plain(p)),
      },
    ];
  if (side === null || p.bonus || !sided || !v.cell.locked) return [];
  const bonus = bonusFor(p, side, v.progression.limits, v.progression.phase.stepSize);
  if (!bonus) return [];
  return [
    {
      rule: 'tighter-side',
      severity: 'warning',
      message: `The ${side} side is notably tighter and gets nothing on top here.`,
      fix: setCell(v, { ...p, bonus }, `the extra on the ${side} side`),
    },
  ];
}

/** Rules that one cell can break by itself, or against the build week before it. */
export function checkCell(v: CellView): Violation[] {
  if (v.cell.kind === 'rest') return [];
  return [oneVariable, ramp, easier, caps, intensity, caution, tighterSide]
    .flatMap((rule) => rule(v))
    .map((f) => ({ ...f, lane: v.lane, week: v.cell.week }));
}
