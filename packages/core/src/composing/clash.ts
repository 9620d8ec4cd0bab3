import type { ClashFact, WayOutFact } from './facts.js';
import { workBudget, warmUpSeconds } from '../technique/timings.js';
import { ModelBuilder, termsOf, valueOfTerms, type Solver } from './linear.js';
import { composeModel } from './model.js';
import type { LeftOut, Candidate } from './candidates.js';
import { purposeRules } from '../session/purpose.js';
import type { ComposeRequest } from './request.js';

/** Demands that cannot all be met, and what would have to give way. */
export interface SessionClash {
  readonly kind: 'clash';
  /** Exercises whose demands clash. */
  readonly exerciseIds: readonly string[];
  readonly why: readonly ClashFact[];
  /** The smallest ways out, each by itself enough. */
  readonly waysOut: readonly WayOutFact[];
}

function nameIn(request: ComposeRequest, id: string): string {
  return request.exercises.find((e) => e.id === id)?.name ?? id;
}

/** A demand for an exercise that serves no need, or may not be chosen. */
function unreachable(
  request: ComposeRequest,
  candidates: readonly Candidate[],
  leftOut: readonly LeftOut[],
): SessionClash | null {
  const wanted = [...new Set([...request.keep, ...request.locks.filter((l) => l.sets > 0).map((l) => l.exerciseId)])];
  const missing = wanted.filter((id) => !candidates.some((o) => o.exercise.id === id));
  if (missing.length === 0) return null;
  return {
    kind: 'clash',
    exerciseIds: missing,
    why: missing.map((id) => ({
      code: 'cannot-be-in',
      args: {
        exercise: nameIn(request, id),
        because: leftOut.find((l) => l.exercise.id === id)?.because ?? null,
      },
    })),
    waysOut: [{ code: 'remove', args: { exercises: missing.map((id) => nameIn(request, id)) } }],
  };
}

/** Fewest seconds of work with every demand of the coach kept; null when they clash among themselves. */
function leastWork(request: ComposeRequest, candidates: readonly Candidate[], solve: Solver): number | null {
  const { model, work } = composeModel(request, candidates, { keep: request.keep, locks: request.locks, timed: false });
  const answer = solve(model, work);
  return answer.status === 'infeasible' ? null : Math.round(valueOfTerms(work, answer.values));
}

/** The fewest kept and locked exercises to let go so that the rest fits. */
function fewestLetGo(request: ComposeRequest, candidates: readonly Candidate[], solve: Solver): string[] {
  const free = composeModel(request, candidates, { keep: [], locks: [], timed: true });
  const m = new ModelBuilder();
  m.variables.push(...free.model.variables);
  m.rows.push(...free.model.rows);
  const go: [number, number][] = [];
  const wanted = [...new Set([...request.keep, ...request.locks.map((l) => l.exerciseId)])];
  for (const id of wanted) {
    const dropped = m.variable(`let go ${id}`, 0, 1);
    go.push([dropped, 1]);
    const mine = candidates.flatMap((o, j) => (o.exercise.id === id ? [free.candidates[j]!] : []));
    const lock = request.locks.find((l) => l.exerciseId === id);
    if (request.keep.includes(id))
      m.row(`keep ${id}`, [...mine.map((v): [number, number] => [v.used, 1]), [dropped, 1]], 1, Infinity);
    if (lock) {
      const sets = mine.map((v): [number, number] => [v.sets, 1]);
      m.row(`lock from below ${id}`, [...sets, [dropped, lock.sets]], lock.sets, Infinity);
      const most = Math.max(
        ...candidates.filter((o) => o.exercise.id === id).map((o) => request.needs[o.need]!.bout.sets),
        0,
      );
      m.row(`lock from above ${id}`, [...sets, [dropped, -most]], -Infinity, lock.sets);
    }
  }
  const answer = solve(m, termsOf(go));
  return answer.status === 'infeasible' ? wanted : wanted.filter((_, i) => answer.values[go[i]![0]] === 1);
}

/** The demands are possible one by one but not together. */
function tooMuch(request: ComposeRequest, candidates: readonly Candidate[], solve: Solver): SessionClash {
  const warm = request.alreadyWarm || purposeRules(request.purpose).warm;
  const letGo = fewestLetGo(request, candidates, solve);
  const work = leastWork(request, candidates, solve);
  const remove: WayOutFact[] =
    letGo.length > 0 ? [{ code: 'remove', args: { exercises: letGo.map((id) => nameIn(request, id)) } }] : [];
  if (work === null) return { kind: 'clash', exerciseIds: letGo, why: [{ code: 'not-together' }], waysOut: remove };
  const seconds = work + warmUpSeconds(work, warm);
  const budget = request.budgetSeconds;
  return {
    kind: 'clash',
    exerciseIds: letGo,
    why: [{ code: 'too-long', args: { seconds, budget, work: workBudget(budget, warm) } }],
    waysOut: [{ code: 'more-time', args: { seconds: seconds - budget } }, ...remove],
  };
}

/** Why no session exists. */
export const clashOf = { unreachable, tooMuch };
