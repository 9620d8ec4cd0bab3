/** A sum of variables, each with its factor. */
export type Terms = ReadonlyMap<number, number>;

/** A decision; its place in the list is how terms name it. */
export interface LinearVariable {
  readonly name: string;
  readonly lower: number;
  readonly upper: number;
  readonly whole: boolean;
}

/** lower ≤ Σ factor·variable ≤ upper; infinite bounds bind nothing. */
export interface LinearRow {
  readonly name: string;
  readonly terms: Terms;
  readonly lower: number;
  readonly upper: number;
}

/** A mixed-integer linear programme without its objective. */
export interface LinearModel {
  readonly variables: readonly LinearVariable[];
  readonly rows: readonly LinearRow[];
}

/** What a solver found. */
export interface SolverAnswer {
  /** `optimal`: proven. `stopped`: the best found when the limit was reached, or nothing. `infeasible`: proven that no values keep all rows. */
  readonly status: 'optimal' | 'stopped' | 'infeasible';
  /** Value of every variable, in order; empty when none were found. */
  readonly values: readonly number[];
  readonly objective: number;
  /** Lower bound on every objective, from the dual; equal to the objective when proven. */
  readonly bound: number;
}

/**
 * Minimises an objective over a model. Passed in, so that the same model is solved in a browser, on a server and in tests.
 * @param nodes most nodes of its search, so that slow and fast machines answer alike; left out for no limit
 */
export type Solver = (model: LinearModel, objective: Terms, nodes?: number) => SolverAnswer;

/** Collects variables and rows. */
export class ModelBuilder implements LinearModel {
  readonly variables: LinearVariable[] = [];
  readonly rows: LinearRow[] = [];

  /** Adds a decision and gives its place. */
  variable(name: string, lower: number, upper: number, whole = true): number {
    this.variables.push({ name, lower, upper, whole });
    return this.variables.length - 1;
  }

  /** Adds a row; a variable named twice counts the sum of its factors. */
  row(name: string, terms: readonly (readonly [number, number])[], lower: number, upper: number): void {
    this.rows.push({ name, terms: termsOf(terms), lower, upper });
  }
}

/** Terms from pairs of variable and factor. */
export function termsOf(pairs: readonly (readonly [number, number])[]): Terms {
  const out = new Map<number, number>();
  for (const [variable, factor] of pairs) out.set(variable, (out.get(variable) ?? 0) + factor);
  return out;
}

/** Value of a sum. */
export function valueOfTerms(terms: Terms, values: readonly number[]): number {
  let sum = 0;
  for (const [variable, factor] of terms) sum += factor * values[variable]!;
  return sum;
}
