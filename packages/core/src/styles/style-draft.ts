import { kindOf, PLAINEST, type Technique } from '../technique/catalogue.js';
import { amountVariable, type Variable } from '../technique/prescription.js';
import type { StartField } from '../technique/shape.js';
import { ACTIVATE_AFTER, ROLL_BEFORE } from './catalogue/before-and-after.js';
import { STYLE_BOUNDS, type StyleDefinition } from './own-style.js';
import type { BeforeOrAfter, StylePhase, StyleStart } from './style.js';

/** A field of a start, with the bounds it is entered within. */
export interface StartEntry {
  /** `pause` for the seconds at the end of a repetition. */
  readonly name: StartField | 'pause';
  readonly key: StartField;
  readonly min: number;
  readonly max: number;
}

const BOUNDS: Readonly<Record<StartField | 'pause', { readonly min: number; readonly max: number }>> = {
  sets: STYLE_BOUNDS.sets,
  holdSeconds: STYLE_BOUNDS.holdSeconds,
  pause: STYLE_BOUNDS.pauseSeconds,
  sessionsPerWeek: STYLE_BOUNDS.sessionsPerWeek,
  reps: STYLE_BOUNDS.reps,
  cycles: STYLE_BOUNDS.cycles,
  pushSeconds: STYLE_BOUNDS.pushSeconds,
  effort: STYLE_BOUNDS.effort,
  lowerSeconds: STYLE_BOUNDS.lowerSeconds,
  assistance: { min: 0, max: 2 },
};

/** Start fields of a technique, in the order they are entered. */
export function startFields(technique: Technique): StartEntry[] {
  return kindOf(technique).fields.map((key) => {
    const name = key === 'holdSeconds' && amountVariable(technique) === 'reps' ? 'pause' : key;
    return { key, name, ...BOUNDS[name] };
  });
}

/** Values a start begins with; seconds come from the technique. Common practice, no source. */
const START: StyleStart = {
  sets: 2,
  holdSeconds: 0,
  sessionsPerWeek: 3,
  reps: 6,
  cycles: 3,
  pushSeconds: 6,
  effort: 20,
  lowerSeconds: 3,
  assistance: 2,
};

/** A phase of a technique to begin with. */
export function phaseFor(technique: Technique): StylePhase {
  const { fields, defaults } = kindOf(technique);
  const amount = amountVariable(technique);
  const given = Object.fromEntries(fields.map((k) => [k, START[k]])) as unknown as StyleStart;
  return {
    technique,
    start: { ...given, holdSeconds: defaults.holdSeconds },
    order: [
      { variable: amount, until: null },
      { variable: 'sets', until: null },
    ],
    step: defaults.step === 1 ? {} : { [amount]: defaults.step },
    caps: { [amount]: defaults.cap, sets: 4, sensation: 6 },
    amountFloor: defaults.amountFloor,
    stepSize: defaults.stepSize,
  };
}

/** A phase with one value of its start changed. */
export function withStart(p: StylePhase, key: keyof StyleStart, value: number): StylePhase {
  return { ...p, start: { ...p.start, [key]: value } };
}

/** A usual cap of a variable, when it comes into the order. */
const USUAL_CAP: Readonly<Partial<Record<Variable, number>>> = {
  sets: 4,
  sessionsPerWeek: 6,
  sensation: 6,
  cycles: 4,
  effort: 75,
  assistance: 0,
  load: 20,
  depth: 2,
  activationReps: 16,
};

/** A phase in which a variable progresses last. */
export function withVariable(p: StylePhase, v: Variable): StylePhase {
  const cap = p.caps[v] ?? USUAL_CAP[v] ?? 60;
  return { ...p, order: [...p.order, { variable: v, until: null }], caps: { ...p.caps, [v]: cap } };
}

/** A phase in which one turn of the order ends at a value; null for the variable's cap. */
export function withUntil(p: StylePhase, at: number, until: number | null): StylePhase {
  return { ...p, order: p.order.map((t, i) => (i === at ? { ...t, until } : t)) };
}

/** A phase without one turn of its order. */
export function withoutTurn(p: StylePhase, at: number): StylePhase {
  return { ...p, order: p.order.filter((_, i) => i !== at) };
}

/** A phase in which a variable stands one place earlier or later. */
export function moved(p: StylePhase, at: number, by: number): StylePhase {
  const order = [...p.order];
  const [v] = order.splice(at, 1);
  if (v === undefined) return p;
  order.splice(Math.max(0, at + by), 0, v);
  return { ...p, order };
}

/** What can stand before and after the stretch. */
export const BEFORE: readonly (BeforeOrAfter | null)[] = [null, ROLL_BEFORE];
export const AFTER: readonly (BeforeOrAfter | null)[] = [null, ACTIVATE_AFTER];

/** A style to write from nothing. */
export const EMPTY_STYLE: StyleDefinition = {
  name: '',
  summary: '',
  phases: [phaseFor(PLAINEST)],
  before: null,
  after: null,
  doseCap: null,
  easierWeeks: true,
  easierEvery: 4,
  sources: [{ origin: 'own', text: 'Our own way of working.' }],
};
