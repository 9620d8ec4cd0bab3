import { orderItems } from '../session/order.js';
import type { SessionItem } from '../session/item.js';
import { buildTimeline } from '../session/timeline.js';
import { clashOf, type SessionClash } from './clash.js';
import { explain, type Explanation } from './explain.js';
import { valueOfTerms, type LinearModel, type Solver, type SolverAnswer, type Terms } from './linear.js';
import { composeModel, OBJECTIVES, type ComposeModel, type ObjectiveName } from './model.js';
import { offeredItem, candidatesFor, type LeftOut, type Candidate } from './candidates.js';
import { withoutDominated } from './prune.js';
import { purposeRules } from '../session/purpose.js';
import type { ComposeRequest } from './request.js';

/** One objective as it was settled. */
export interface Settled {
  readonly name: ObjectiveName;
  /** Sets for the floors, percent of a need times its weight for the shortfall, else a number. */
  readonly value: number;
  /** Nothing can be better than this. */
  readonly bound: number;
  readonly proven: boolean;
}

/** An candidate that was taken. */
export interface Chosen {
  readonly candidate: Candidate;
  /** Sets a side. */
  readonly sets: number;
  /** Extra sets of the tighter side. */
  readonly bonusSets: number;
}

/** A session made from needs. */
export interface Composition extends Explanation {
  readonly kind: 'session';
  /** In the best order. */
  readonly items: readonly SessionItem[];
  readonly alreadyWarm: boolean;
  readonly totalSeconds: number;
  /** True when nothing better exists within the minutes. */
  readonly proven: boolean;
  readonly settled: readonly Settled[];
  readonly picks: readonly Chosen[];
  readonly leftOut: readonly LeftOut[];
}

export interface ComposeOptions {
  /** Told before each objective, so that a screen can show how far it is. */
  readonly onStage?: (name: ObjectiveName, index: number) => void;
  /** Most seconds for each of the objectives that are not proven by all means. */
  readonly seconds?: number;
}

/** Objectives that are always proven, however long it takes. */
const PROVEN: readonly ObjectiveName[] = ['floors', 'shortfall'];
/** Slack that a settled objective is held with, against rounding. */
const TOLERANCE = 1e-5;

function held(model: LinearModel, settled: readonly { terms: Terms; value: number }[]): LinearModel {
  const rows = settled.map(({ terms, value }, i) => ({
    name: `settled ${i}`,
    terms,
    lower: -Infinity,
    upper: value + TOLERANCE * Math.max(1, Math.abs(value)),
  }));
  return { variables: model.variables, rows: [...model.rows, ...rows] };
}

/** Settles the objectives one after the other, each without spoiling those before it; null when no values keep all rows. */
export function settleInOrder(
  { model, objectives, percent }: Pick<ComposeModel, 'model' | 'objectives' | 'percent'>,
  solve: Solver,
  { onStage, seconds = 2 }: ComposeOptions = {},
): { readonly values: readonly number[]; readonly settled: Settled[] } | null {
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
    const answer: SolverAnswer = solve(held(model, kept), terms, PROVEN.includes(name) ? undefined : seconds);
    if (answer.status === 'infeasible') return null;
    // Stopped before a first solution: what was settled before stands.
    if (answer.values.length > 0) values = answer.values;
    const value = valueOfTerms(terms, values);
    const unit = name === 'shortfall' ? percent : 1;
    settled.push({ name, value: value * unit, bound: answer.bound * unit, proven: answer.status === 'optimal' });
    kept.push({ terms, value });
  }
  return { values, settled };
}

function picksOf(model: ComposeModel, candidates: readonly Candidate[], values: readonly number[]): Chosen[] {
  return candidates.flatMap((candidate, j): Chosen[] => {
    const v = model.candidates[j]!;
    const sets = values[v.sets]!;
    return sets > 0 ? [{ candidate, sets, bonusSets: v.bonus === null ? 0 : values[v.bonus]! }] : [];
  });
}

/**
 * The best session for some needs within the minutes: first what the week needs at least, then the smallest weighted shortfall, then the
 * fewest exercises, then the fewest positions; in the best order, with the reasons. Or what clashes, and the smallest thing to give up.
 */
export function compose(
  request: ComposeRequest,
  solve: Solver,
  options: ComposeOptions = {},
): Composition | SessionClash {
  const { candidates, leftOut } = candidatesFor(request);
  const demands = { keep: request.keep, locks: request.locks, timed: true };
  const impossible = clashOf.unreachable(request, candidates, leftOut);
  if (impossible) return impossible;
  const contenders = withoutDominated(request, candidates);
  const model = composeModel(request, contenders, demands);
  const found = settleInOrder(model, solve, options);
  if (!found) return clashOf.tooMuch(request, contenders, solve);
  const picks = picksOf(model, contenders, found.values);
  const items = orderItems(
    picks.map((p) => offeredItem(p.candidate, request.needs[p.candidate.need]!, p.sets, p.bonusSets)),
    (id) => picks.find((p) => p.candidate.exercise.id === id)!.candidate.exercise,
  );
  const alreadyWarm = request.alreadyWarm || purposeRules(request.purpose).warm;
  const timeline = buildTimeline(
    items,
    { alreadyWarm },
    request.timings,
    (id) => picks.find((p) => p.candidate.exercise.id === id)!.candidate.exercise,
  );
  return {
    kind: 'session',
    items,
    alreadyWarm,
    totalSeconds: timeline.totalSeconds,
    proven: found.settled.every((s) => s.proven),
    settled: found.settled,
    picks,
    leftOut,
    ...explain(request, candidates, leftOut, picks, timeline),
  };
}
