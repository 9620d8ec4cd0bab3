import loadGlpk from 'glpk.js/node';
import loadHighs from 'highs';
import { highsSolver } from './highs-solver.js';
import type { Solver } from './linear.js';

export const highs: Solver = highsSolver(await loadHighs());

const kit = await loadGlpk();

/** The same programme solved by GLPK, a solver that shares no code with HiGHS. */
export const glpk: Solver = (model, objective) => {
  const name = (i: number): string => `x${i}`;
  const bounds = (lower: number, upper: number) => ({
    type:
      lower === upper
        ? kit.GLP_FX
        : lower === -Infinity
          ? upper === Infinity
            ? kit.GLP_FR
            : kit.GLP_UP
          : upper === Infinity
            ? kit.GLP_LO
            : kit.GLP_DB,
    lb: lower === -Infinity ? 0 : lower,
    ub: upper === Infinity ? 0 : upper,
  });
  const terms = (t: ReadonlyMap<number, number>) => [...t].map(([i, coef]) => ({ name: name(i), coef }));
  const solved = kit.solve(
    {
      name: 'session',
      objective: {
        direction: kit.GLP_MIN,
        name: 'o',
        vars: model.variables.map((_, i) => ({ name: name(i), coef: objective.get(i) ?? 0 })),
      },
      // GLPK wants at least one variable in a row.
      subjectTo: model.rows
        .filter((r) => r.terms.size > 0)
        .map((r, i) => ({ name: `r${i}`, vars: terms(r.terms), bnds: bounds(r.lower, r.upper) })),
      bounds: model.variables.map((v, i) => ({ name: name(i), ...bounds(v.lower, v.upper) })),
      generals: model.variables.flatMap((v, i) => (v.whole ? [name(i)] : [])),
    },
    { msglev: kit.GLP_MSG_OFF, presol: true },
  ) as { result: { status: number; z: number; vars: Record<string, number> } };
  const { status, z, vars } = solved.result;
  if (status !== kit.GLP_OPT) return { status: 'infeasible', values: [], objective: NaN, bound: NaN };
  return { status: 'optimal', values: model.variables.map((_, i) => vars[name(i)]!), objective: z, bound: z };
};
