import {
  amountVariable,
  STYLE_BOUNDS,
  type StyleDefinition,
  type BeforeOrAfter,
  type StylePhase,
  type StyleStart,
  type Technique,
  type Variable,
} from '@yandle/core';

/** Fields of a start, by technique, with the bounds they are entered within. */
export interface StartField {
  readonly key: keyof StyleStart;
  readonly label: string;
  readonly min: number;
  readonly max: number;
}

const FIELD: Readonly<Record<keyof StyleStart, Omit<StartField, 'key'>>> = {
  sets: { label: 'Sets', ...STYLE_BOUNDS.sets },
  holdSeconds: { label: 'Hold, s', ...STYLE_BOUNDS.holdSeconds },
  sessionsPerWeek: { label: 'Days a week', ...STYLE_BOUNDS.sessionsPerWeek },
  reps: { label: 'Repetitions', ...STYLE_BOUNDS.reps },
  cycles: { label: 'Cycles', ...STYLE_BOUNDS.cycles },
  pushSeconds: { label: 'Push, s', ...STYLE_BOUNDS.pushSeconds },
  effort: { label: 'Push, %', ...STYLE_BOUNDS.effort },
  lowerSeconds: { label: 'Lowering, s', ...STYLE_BOUNDS.lowerSeconds },
  assistance: { label: 'Help, 0-2', min: 0, max: 2 },
};

const USED: Readonly<Partial<Record<Technique, readonly (keyof StyleStart)[]>>> = {
  'static hold': ['sets', 'holdSeconds', 'sessionsPerWeek'],
  'contract-relax': ['sets', 'holdSeconds', 'sessionsPerWeek', 'cycles', 'pushSeconds', 'effort'],
  'loaded eccentric': ['sets', 'reps', 'lowerSeconds', 'holdSeconds', 'sessionsPerWeek', 'assistance'],
  'loaded isometric': ['sets', 'holdSeconds', 'sessionsPerWeek', 'assistance'],
  'moving stretch': ['sets', 'reps', 'holdSeconds', 'sessionsPerWeek'],
  rolling: ['sets', 'holdSeconds', 'sessionsPerWeek'],
  activation: ['sets', 'reps', 'sessionsPerWeek'],
  breathing: ['sets', 'reps', 'sessionsPerWeek'],
};

/** Start fields of a technique, in the order they are entered. */
export function startFields(technique: Technique): StartField[] {
  return (USED[technique] ?? []).map((key) => {
    const pause = key === 'holdSeconds' && amountVariable(technique) === 'reps';
    return pause ? { key, label: 'Pause, s', ...STYLE_BOUNDS.pauseSeconds } : { key, ...FIELD[key] };
  });
}

const START: StyleStart = {
  sets: 2,
  holdSeconds: 30,
  sessionsPerWeek: 3,
  reps: 6,
  cycles: 3,
  pushSeconds: 6,
  effort: 20,
  lowerSeconds: 3,
  assistance: 2,
};

/** Seconds at the end of a repetition, where the technique has a pause. */
function pauseOf(technique: Technique): number {
  return technique === 'loaded eccentric' || technique === 'moving stretch' ? 2 : 0;
}

/** A phase of a technique to begin with. */
export function phaseFor(technique: Technique): StylePhase {
  const keys = USED[technique] ?? [];
  const timed = amountVariable(technique) === 'holdSeconds';
  const start = Object.fromEntries(keys.map((k) => [k, START[k]])) as unknown as StyleStart;
  const amount = amountVariable(technique);
  return {
    technique,
    start: { ...start, holdSeconds: timed ? (technique === 'contract-relax' ? 15 : 30) : pauseOf(technique) },
    order: [amount, 'sets'],
    step: timed ? { holdSeconds: 5 } : {},
    caps: { [amount]: timed ? 60 : 12, sets: 4, sensation: 6 },
    amountFloor: timed ? (technique === 'contract-relax' ? 10 : 20) : 4,
    stepSize: technique === 'static hold' ? 5 : 1,
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
  return { ...p, order: [...p.order, v], caps: { ...p.caps, [v]: cap } };
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
export const BEFORE: readonly (BeforeOrAfter | null)[] = [
  null,
  { technique: 'rolling', sets: 1, amount: 60, cap: 120 },
];
export const AFTER: readonly (BeforeOrAfter | null)[] = [
  null,
  { technique: 'activation', sets: 1, amount: 10, cap: 16 },
];

/** A style to write from nothing. */
export const EMPTY_STYLE: StyleDefinition = {
  name: '',
  summary: '',
  phases: [phaseFor('static hold')],
  before: null,
  after: null,
  doseCap: null,
  easierWeeks: true,
  easierEvery: 4,
  sources: [{ origin: 'own', text: 'Our own way of working.' }],
};
