import { boutDose, volume } from '../../dose/dose.js';
import { percentOf } from '../../math/rounding.js';
import { kindOf } from '../../technique/catalogue.js';
import { amountOf, withAmount, type Assistance, type Prescription } from '../../technique/prescription.js';
import { repsAfter } from '../../styles/style.js';
import type { WeekFact } from '../facts.js';
import { nextStep } from './next-step.js';
import { FREE, PATIENCE, type Progression, type Step, type TakenStep } from './progression.js';
import { mostAfter } from './ramp.js';
import { scaleTo } from './scale.js';

/** The first step: the style's start within the limits, with the help and the load that the lane begins with. */
export function firstStep(progression: Progression): TakenStep {
  const { style, phase, limits, loadUnit, begin } = progression;
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
    ...(loaded ? { assistance: begin.assistance, load: Math.min(begin.load, limits.loadMax), loadUnit } : {}),
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

/** Rise between two steps when a lane is put on the step of a dose that the client is used to. */
const USED_RAMP = 0.2;

/**
 * Highest step from the start whose volume does not pass a dose that the client is used to; the start itself when that is above it. Seconds of
 * stretch say nothing of load, help, push or depth: the climb ends where one of these would be next, so that nobody is given a load for having
 * held for long.
 */
export function stepAt(progression: Progression, usedTo: number): TakenStep {
  let current = firstStep(progression);
  for (let i = 0; i < 100; i++) {
    const next = nextStep(current, progression, { ramp: USED_RAMP, waited: PATIENCE });
    if ('why' in next || volume(next.prescription) > usedTo + 1e-9) break;
    if (next.changed === null || FREE.includes(next.changed)) break;
    current = next;
  }
  return current;
}

/** Smallest share of its seconds that a lane keeps across a change of phase. Common practice, no source. */
const KEPT_ACROSS = 0.8;

/** Every way to do a bout within the limits: sets, sessions and size. */
function* ways(p: Prescription, { limits, phase }: Progression): Generator<Prescription> {
  const days = Math.min(p.sessionsPerWeek, 2);
  for (let sessionsPerWeek = days; sessionsPerWeek <= limits.sessionsMax; sessionsPerWeek++)
    for (let sets = 1; sets <= limits.setsMax; sets++)
      for (let a = limits.amountMin; a <= limits.amountMax; a += phase.stepSize)
        yield withAmount({ ...p, sets, sessionsPerWeek }, a);
}

/**
 * The next phase of the same style: its start, in the size nearest to the seconds before, between −20 % and the ramp where the caps allow it.
 * Load and help go on.
 */
export function nextPhase(before: Step, progression: Progression, ramp: number): TakenStep {
  const from = before.prescription;
  const first = firstStep(progression);
  const carried = { assistance: Math.min(first.prescription.assistance ?? 0, from.assistance ?? 0) as Assistance };
  const start: Prescription =
    first.prescription.load !== undefined && from.load !== undefined
      ? { ...first.prescription, ...carried, load: from.load, loadUnit: from.loadUnit ?? 'kg' }
      : first.prescription;
  const fact: WeekFact = {
    code: 'phase-starts',
    args: { style: progression.style.name, technique: progression.phase.technique },
  };
  const made = (prescription: Prescription): TakenStep => ({ ...first, prescription, changed: null, fact });
  const was = volume(from);
  if (boutDose(from) > 0 !== boutDose(start) > 0 || was === 0) return made(start);
  const most = mostAfter(was, ramp);
  const badness = (p: Prescription): readonly number[] => {
    const now = volume(p);
    const inside = now >= KEPT_ACROSS * was - 1e-9 && now <= most + 1e-9;
    return [
      inside ? 0 : now > most ? 2 : 1,
      Math.abs(p.sessionsPerWeek - from.sessionsPerWeek),
      Math.abs(now - was),
      p.sets,
    ];
  };
  let best = start;
  let score = badness(start);
  for (const p of ways(start, progression)) {
    const s = badness(p);
    const k = s.findIndex((x, i) => Math.abs(x - score[i]!) > 1e-9);
    if (k >= 0 && s[k]! < score[k]!) [best, score] = [p, s];
  }
  return made(best);
}

/**
 * The first step in a style that follows another (rule 2 holds across the change). The same technique goes on at the highest step that does
 * not pass the dose before; another technique is learned from its start, made smaller where the ramp asks for it.
 * @param ramp largest rise against the dose before
 * @param share of the dose before that it keeps; null for all of it
 */
export function otherStyle(
  before: Step,
  progression: Progression,
  ramp: number,
  share: number | null = null,
): TakenStep {
  const from = before.prescription;
  const same = from.technique === progression.phase.technique;
  const entry = same ? stepAt(progression, (share ?? 1) * volume(from)) : firstStep(progression);
  let { prescription } = entry;
  if (prescription.load !== undefined && from.load !== undefined) {
    const assistance = Math.min(prescription.assistance ?? 0, from.assistance ?? 0) as Assistance;
    prescription = { ...prescription, load: from.load, loadUnit: from.loadUnit ?? 'kg', assistance };
  }
  const most = share === null ? mostAfter(volume(from), ramp) : share * volume(from);
  const comparable = boutDose(from) > 0 === boutDose(prescription) > 0;
  if (comparable && volume(prescription) > most + 1e-9)
    prescription = scaleTo(prescription, most, progression.limits.amountMin, progression.phase.stepSize);
  const { name } = progression.style;
  if (share !== null)
    return {
      ...entry,
      prescription,
      changed: null,
      fact: { code: 'kept', args: { style: name, percent: percentOf(share, 1) } },
    };
  const fact: WeekFact = same
    ? { code: 'phase-continues', args: { style: name } }
    : { code: 'phase-starts', args: { style: name, technique: progression.phase.technique } };
  return { ...entry, prescription, changed: null, fact };
}
