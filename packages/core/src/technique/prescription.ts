import type { Side } from '../anatomy/side.js';
import { CoreError } from '../errors.js';
import { kindOf, unitOf, type Technique } from './catalogue.js';

/** In what a load is written down. `% body mass` and `band` (a step of a set of bands) for clients without scales. */
export const LOAD_UNITS = ['kg', '% body mass', 'band'] as const;
export type LoadUnit = (typeof LOAD_UNITS)[number];

/** Help taken at a loaded stretch: 2 full, 1 light, 0 none. */
export type Assistance = 0 | 1 | 2;

/** How deep a moving stretch goes: 0 easy, 1 middle, 2 full. */
export type Depth = 0 | 1 | 2;

/** What the tighter side gets on top (domain 2.6, rule 6). */
export interface Bonus {
  readonly side: Side;
  /** Extra bouts on that side. */
  readonly sets: number;
  /** Seconds, or repetitions, added to each bout of that side. */
  readonly more: number;
}

/**
 * One bout and how often it is done in a session. Which fields a technique uses:
 * static hold, loaded isometric and rolling: `holdSeconds`; contract-relax: `cycles`, `pushSeconds`, `effort`, and `holdSeconds` for the
 * stretch of a cycle; loaded eccentric: `reps`, `lowerSeconds`, and `holdSeconds` for the pause; moving stretch: `reps`, and `holdSeconds` for
 * the pause at the end; activation, nerve glide: `reps`; breathing: `reps` breaths. Loaded techniques also `load`, `loadUnit`, `assistance`.
 */
export interface Bout {
  readonly technique: Technique;
  /** Bouts on each side in one session. */
  readonly sets: number;
  /** Whole seconds; 0 where the technique has none. */
  readonly holdSeconds: number;
  /** Target sensation, 0-10; never above 6, where conversation stays possible. */
  readonly sensation: number;
  readonly reps?: number;
  /** True where a repetition is a trip there and back, along a mat or a room; left out elsewhere. */
  readonly trips?: true;
  readonly cycles?: number;
  readonly pushSeconds?: number;
  /** Push in percent of the strongest possible. */
  readonly effort?: number;
  readonly lowerSeconds?: number;
  readonly load?: number;
  readonly loadUnit?: LoadUnit;
  readonly assistance?: Assistance;
  readonly depth?: number;
  readonly bonus?: Bonus;
}

/** What a lane asks in one week. */
export interface Prescription extends Bout {
  /** Sessions in the week; 0 in a week of rest. */
  readonly sessionsPerWeek: number;
}

/** What a style can turn up, one at a time. `assistance` goes down: help is taken away. */
export const VARIABLES = [
  'holdSeconds',
  'sets',
  'sessionsPerWeek',
  'sensation',
  'cycles',
  'effort',
  'reps',
  'assistance',
  'load',
  'depth',
  'activationReps',
] as const;
export type Variable = (typeof VARIABLES)[number];

/** A variable of a prescription itself. */
export type HandVariable = Exclude<Variable, 'activationReps'>;

/** Highest sensation that is ever a target: someone who cannot hold a conversation has gone too far (talk test). */
export const HIGHEST_TARGET = 6;

/** The variable that sizes a bout: seconds for holds, repetitions or breaths otherwise. */
export function amountVariable(technique: Technique): 'holdSeconds' | 'reps' {
  return unitOf(technique) === 'seconds' ? 'holdSeconds' : 'reps';
}

/** Size of one bout in its own unit: seconds of a hold or stretch phase, repetitions, breaths. */
export function amountOf(p: Bout): number {
  return amountVariable(p.technique) === 'holdSeconds' ? p.holdSeconds : (p.reps ?? 0);
}

/** The same bout with another size. */
export function withAmount<P extends Bout>(p: P, amount: number): P {
  return { ...p, [amountVariable(p.technique)]: amount };
}

/** Value of a variable; 0 where the prescription has none. */
export function valueOf(p: Prescription, variable: Exclude<Variable, 'activationReps'>): number {
  return p[variable] ?? 0;
}

/** Which variables of a prescription can be turned by hand. */
export function handVariables(p: Prescription): HandVariable[] {
  const own = kindOf(p.technique).variables.filter((v): v is HandVariable => v !== 'activationReps');
  return [amountVariable(p.technique), 'sets', 'sessionsPerWeek', 'sensation', ...own];
}

const whole = (n: number | undefined, min: number, max: number): boolean =>
  n === undefined || (Number.isInteger(n) && n >= min && n <= max);

/** Fields that are whole numbers within bounds wherever they stand; a technique may need some of them. */
const BOUNDS: readonly (readonly [field: keyof Prescription, min: number, max: number])[] = [
  ['sets', 1, 20],
  ['sessionsPerWeek', 0, 7],
  ['cycles', 1, 10],
  ['pushSeconds', 1, 60],
  ['effort', 1, 100],
  ['lowerSeconds', 1, 60],
  ['assistance', 0, 2],
  ['depth', 0, 2],
];

/** True when a prescription can be done as it stands. */
export function isDoable(p: Prescription): boolean {
  const kind = kindOf(p.technique);
  const timed = kind.unit === 'seconds';
  return (
    BOUNDS.every(([field, min, max]) => whole(p[field] as number | undefined, min, max)) &&
    whole(p.holdSeconds, timed ? 1 : 0, 600) &&
    whole(p.reps, timed ? 0 : 1, 100) &&
    (timed || p.reps !== undefined) &&
    (p.load === undefined || (p.load >= 0 && p.load <= 500)) &&
    kind.needs.every((field) => p[field] !== undefined)
  );
}

/**
 * Refuses a prescription that nobody can do.
 * @throws CoreError `invalid-prescription`
 */
export function assertPrescription(p: Prescription): void {
  if (!isDoable(p)) throw new CoreError('invalid-prescription', { code: 'not-doable', args: {} });
}
