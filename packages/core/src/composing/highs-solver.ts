import type { Solver } from './linear.js';

/** The part of the HiGHS runtime (npm `highs`) that is used; whoever loads it passes it in. */
export interface HighsRuntime {
  readonly infinity: number;
  withModel<R>(source: HighsModelData, operation: (model: HighsModel) => R): R;
}

export interface HighsModelData {
  readonly numCols: number;
  readonly numRows: number;
  readonly colCost: readonly number[];
  readonly colLower: readonly number[];
  readonly colUpper: readonly number[];
  readonly rowLower: readonly number[];
  readonly rowUpper: readonly number[];
  readonly integrality: readonly (0 | 1)[];
  readonly matrix: {
    readonly format: 'csr';
    readonly numRows: number;
    readonly numCols: number;
    readonly starts: readonly number[];
    readonly indices: readonly number[];
    readonly values: readonly number[];
  };
}

export interface HighsModel {
  readonly options: { set(values: Readonly<Record<string, boolean | number | string>>): unknown };
  readonly info: { get(name: string): number | bigint };
  run(): { readonly modelStatus: number };
  getSolution(): { readonly colValue: ArrayLike<number> };
}

// Status codes of HiGHS.
const OPTIMAL = 7;
const INFEASIBLE = 8;
const UNBOUNDED_OR_INFEASIBLE = 9;
const FEASIBLE_POINT = 2;

/** A solver on HiGHS, an open branch-and-cut solver compiled to WebAssembly. Blocks until it is done: run it in a worker. */
export function highsSolver(highs: HighsRuntime): Solver {
  return (model, objective, nodes) => {
    const { variables, rows } = model;
    const finite = (x: number): number => (x === Infinity ? highs.infinity : x === -Infinity ? -highs.infinity : x);
    const starts = [0];
    const indices: number[] = [];
    const values: number[] = [];
    for (const row of rows) {
      for (const [variable, factor] of row.terms) {
        indices.push(variable);
        values.push(factor);
      }
      starts.push(indices.length);
    }
    const data: HighsModelData = {
      numCols: variables.length,
      numRows: rows.length,
      colCost: variables.map((_, i) => objective.get(i) ?? 0),
      colLower: variables.map((v) => finite(v.lower)),
      colUpper: variables.map((v) => finite(v.upper)),
      rowLower: rows.map((r) => finite(r.lower)),
      rowUpper: rows.map((r) => finite(r.upper)),
      integrality: variables.map((v) => (v.whole ? 1 : 0)),
      matrix: { format: 'csr', numRows: rows.length, numCols: variables.length, starts, indices, values },
    };
    return highs.withModel(data, (m) => {
      // Without these gaps "optimal" would mean within a ten-thousandth.
      m.options.set({ output_flag: false, mip_rel_gap: 0, mip_abs_gap: 1e-6 });
      if (nodes !== undefined) m.options.set({ mip_max_nodes: nodes });
      const { modelStatus } = m.run();
      if (modelStatus === INFEASIBLE || modelStatus === UNBOUNDED_OR_INFEASIBLE)
        return { status: 'infeasible', values: [], objective: NaN, bound: NaN };
      // A solver that stopped may hand back values that keep no row: only a feasible point is read.
      if (Number(m.info.get('primal_solution_status')) !== FEASIBLE_POINT)
        return { status: 'stopped', values: [], objective: NaN, bound: Number(m.info.get('mip_dual_bound')) };
      const found = Array.from(m.getSolution().colValue);
      const proven = modelStatus === OPTIMAL;
      const value = Number(m.info.get('objective_function_value'));
      return {
        status: proven ? 'optimal' : 'stopped',
        values: variables.map((v, i) => (v.whole ? Math.round(found[i] ?? 0) : (found[i] ?? 0))),
        objective: value,
        bound: proven ? value : Number(m.info.get('mip_dual_bound')),
      };
    });
  };
}
