import { valueOfTerms, type LinearModel, type Solver, type Terms } from './linear.js';
import { OBJECTIVES, type ComposeModel, type ObjectiveName } from './model.js';

/** One objective as it was settled. */
export interface Settled {
  readonly name: ObjectiveName;
  /** Sets for the floors, percent of a need times its weight for the shortfall, else a number. */
  readonly value: number;
  /** Nothing can be better than this, as long as the objectives before it are no worse. */
  readonly bound: number;
  readonly proven: boolean;
}

/** How far a search goes: in nodes and turns and not in seconds, so that slow and fast machines answer alike. */
export interface ComposeLimits {
  /** Most nodes of the search for each objective; left out for no limit. */
  readonly nodes?: number;
  /** Most times that a model is solved anew with what the timeline of a session that was too long has shown. */
  readonly turns?: number;
}

export interface SettleOptions extends Pick<ComposeLimits, 'nodes'> {
  /** Told before each objective, so that a screen can show how far it is. */
  readonly onStage?: (name: ObjectiveName, index: number) => void;
}

/** What came out: values and objectives, or that there are none, or that none were found within the limit. */
export type SettleAnswer =
  | { readonly kind: 'values'; readonly values: readonly number[]; readonly settled: readonly Settled[] }
  | { readonly kind: 'infeasible' }
  | { readonly kind: 'not-found' };

/** Half of the smallest step of an objective: all of them are whole. */
const HALF_A_STEP = 0.5;

function held(model: LinearModel, kept: readonly { terms: Terms; value: number }[]): LinearModel {
  const rows = kept.map(({ terms, value }, i) => ({
    name: `settled ${i}`,
    terms,
    lower: -Infinity,
    upper: value + HALF_A_STEP,
  }));
  return { variables: model.variables, rows: [...model.rows, ...rows] };
}

/** Settles the objectives one after the other, each without spoiling those before it. @param percent what one part of the shortfall is */
export function settleInOrder(
  { model, objectives }: Pick<ComposeModel, 'model' | 'objectives'>,
  percent: number,
  solve: Solver,
  { onStage, nodes }: SettleOptions = {},
): SettleAnswer {
  const settled: Settled[] = [];
  const kept: { terms: Terms; value: number }[] = [];
  let values: readonly number[] = [];
  for (const [index, name] of OBJECTIVES.entries()) {
    onStage?.(name, index);
    const terms = objectives[name];
    if (index > 0 && terms.size === 0) {
      settled.push({ name, value: 0, bound: 0, proven: true });
      continue;
    }
    const answer = solve(held(model, kept), terms, nodes);
    // What was settled before is a solution: only the first of them can show that there is none.
    if (answer.status === 'infeasible' && index === 0) return { kind: 'infeasible' };
    if (answer.values.length > 0) values = answer.values;
    if (values.length === 0) return { kind: 'not-found' };
    // Matches of positions may be any part up to whole ones: the sum is whole all the same.
    const value = Math.round(valueOfTerms(terms, values));
    const unit = name === 'shortfall' ? percent : 1;
    const proven = answer.status === 'optimal';
    const bound = proven ? value : Math.min(value, Math.ceil(Math.max(0, answer.bound) - 1e-6));
    settled.push({ name, value: value * unit, bound: (Number.isFinite(bound) ? bound : 0) * unit, proven });
    kept.push({ terms, value });
  }
  return { kind: 'values', values, settled };
}
