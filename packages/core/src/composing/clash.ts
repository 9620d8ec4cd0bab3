import type { ClashFact, WayOutFact } from './facts.js';
import { workBudget, warmUpSeconds } from '../technique/timings.js';
import { ModelBuilder, termsOf, valueOfTerms, type Solver, type Terms } from './linear.js';
import { composeModel, picksOf, setsOf, type ComposeModel } from './model.js';
import type { LeftOut, Candidate } from './candidates.js';
import { isWarm, realSession, workFromBelow, type Chosen } from './real-session.js';
import type { ComposeLimits } from './settle.js';
import type { Cut } from './time-model.js';
import { waysFor, type Way } from './ways.js';
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

/** What a model was solved for, and whether it is more than a guess. */
interface Least {
  readonly picks: readonly Chosen[];
  readonly model: ComposeModel;
  readonly values: readonly number[];
}

/**
 * Solves a model anew until the timeline of what it found is no longer than it may be, so that what is said about minutes is true.
 * @param most seconds of work that are allowed; null for as many as the model itself counts
 * @returns 'infeasible' when nothing keeps all rows, null when the limit was reached first
 */
function untilReal(
  request: ComposeRequest,
  solve: Solver,
  { nodes, turns = 30 }: ComposeLimits,
  make: (cuts: readonly Cut[]) => { readonly model: ComposeModel; readonly objective: Terms },
  most: number | null,
): Least | 'infeasible' | null {
  const cuts: Cut[] = [];
  for (let turn = 0; turn < turns; turn++) {
    const { model, objective } = make(cuts);
    const answer = solve(model.model, objective, nodes);
    if (answer.status === 'infeasible') return 'infeasible';
    if (answer.status === 'stopped') return null;
    const picks = picksOf(model, answer.values);
    const { work } = realSession(request, picks);
    if (work <= (most ?? valueOfTerms(model.work, answer.values)) + 1e-6)
      return { picks, model, values: answer.values };
    const used = new Set(picks.map((p) => p.candidate));
    cuts.push({ used, excess: work - workFromBelow(request, picks) });
  }
  return null;
}

/** Fewest seconds of work with every demand of the coach kept; 'infeasible' when they clash among themselves, null when it was not found out. */
function leastWork(
  request: ComposeRequest,
  ways: readonly Way[],
  solve: Solver,
  limits: ComposeLimits,
): number | 'infeasible' | null {
  const demands = { keep: request.keep, locks: request.locks, timed: false };
  const least = untilReal(
    request,
    solve,
    limits,
    (cuts) => {
      const model = composeModel(request, ways, { ...demands, cuts });
      return { model, objective: model.work };
    },
    null,
  );
  return least === null || least === 'infeasible' ? least : realSession(request, least.picks).work;
}

/** The fewest kept and locked exercises to let go so that the rest fits; all of them when it was not found out. */
function fewestLetGo(request: ComposeRequest, ways: readonly Way[], solve: Solver, limits: ComposeLimits): string[] {
  const wanted = [...new Set([...request.keep, ...request.locks.map((l) => l.exerciseId)])];
  const dropped: number[] = [];
  const make = (cuts: readonly Cut[]) => {
    const free = composeModel(request, ways, { keep: [], locks: [], timed: true, cuts });
    const m = new ModelBuilder();
    m.variables.push(...free.model.variables);
    m.rows.push(...free.model.rows);
    dropped.length = 0;
    for (const id of wanted) {
      const go = m.variable(`let go ${id}`, 0, 1);
      dropped.push(go);
      const lock = request.locks.find((l) => l.exerciseId === id);
      const sets = setsOf(free.ways, id);
      if (request.keep.includes(id))
        m.row(`keep ${id}`, [...sets.map(([at]): [number, number] => [at, 1]), [go, 1]], 1, Infinity);
      if (lock) {
        m.row(`lock from below ${id}`, [...sets, [go, lock.sets]], lock.sets, Infinity);
        m.row(`lock from above ${id}`, [...sets, [go, -Math.max(...sets.map(([, n]) => n), 0)]], -Infinity, lock.sets);
      }
    }
    return { model: { ...free, model: m }, objective: termsOf(dropped.map((go) => [go, 1])) };
  };
  const mostWork = workBudget(request.budgetSeconds, isWarm(request));
  const least = untilReal(request, solve, limits, make, mostWork);
  if (least === null || least === 'infeasible') return wanted;
  return wanted.filter((_, i) => least.values[dropped[i]!] === 1);
}

/** The demands are possible one by one but not together. */
function tooMuch(
  request: ComposeRequest,
  candidates: readonly Candidate[],
  solve: Solver,
  limits: ComposeLimits = {},
): SessionClash {
  const warm = isWarm(request);
  const ways = waysFor(request, candidates);
  const letGo = fewestLetGo(request, ways, solve, limits);
  const work = leastWork(request, ways, solve, limits);
  const remove: WayOutFact[] =
    letGo.length > 0 ? [{ code: 'remove', args: { exercises: letGo.map((id) => nameIn(request, id)) } }] : [];
  const clash = { kind: 'clash', exerciseIds: letGo, waysOut: remove } as const;
  if (work === 'infeasible') return { ...clash, why: [{ code: 'not-together' }] };
  if (work === null) return { ...clash, why: [{ code: 'too-long-by-some' }] };
  const seconds = work + warmUpSeconds(work, warm);
  const budget = request.budgetSeconds;
  return {
    ...clash,
    why: [{ code: 'too-long', args: { seconds, budget, work: workBudget(budget, warm) } }],
    waysOut: [{ code: 'more-time', args: { seconds: seconds - budget } }, ...remove],
  };
}

/** No session was found with all that the coach wants, and none was ruled out. */
function unsettled(request: ComposeRequest): SessionClash {
  const exerciseIds = [...new Set([...request.keep, ...request.locks.map((l) => l.exerciseId)])];
  return {
    kind: 'clash',
    exerciseIds,
    why: [{ code: 'not-settled' }],
    waysOut: [{ code: 'remove', args: { exercises: exerciseIds.map((id) => nameIn(request, id)) } }],
  };
}

/** Why no session exists. */
export const clashOf = { unreachable, tooMuch, unsettled };
