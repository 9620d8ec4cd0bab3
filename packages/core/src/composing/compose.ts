import type { SessionItem } from '../session/item.js';
import { workBudget } from '../technique/timings.js';
import { candidatesFor, type Candidate, type LeftOut } from './candidates.js';
import { clashOf, type SessionClash } from './clash.js';
import { explain, type Explanation } from './explain.js';
import type { Solver } from './linear.js';
import { composeModel, OBJECTIVES, picksOf } from './model.js';
import { withoutDominated } from './prune.js';
import { readySession } from './ready.js';
import { isWarm, realSession, workFromBelow, type Chosen } from './real-session.js';
import type { ComposeRequest } from './request.js';
import { scoreOf, isBetter } from './score.js';
import { settleInOrder, type ComposeLimits, type Settled, type SettleOptions } from './settle.js';
import { shortfallScale } from './shortfall-scale.js';
import type { Cut } from './time-model.js';
import { waysFor } from './ways.js';

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

export type ComposeOptions = SettleOptions & ComposeLimits;

/** Nodes of the search for each objective. Common practice, no source: about a second on a slow machine. */
const NODES = 1500;
/** Turns of the loop (domain 2.7). */
const TURNS = 30;

/** The best session that was found, with what nothing can be better than; null picks when none was. */
interface Found {
  readonly picks: readonly Chosen[] | null;
  readonly bounds: readonly Settled[];
  /** True when no session exists. */
  readonly none: boolean;
}

/**
 * The loop of domain 2.7: the model counts minutes from below; where the timeline of what it found is longer than the minutes, that is put into
 * the model as a cut and all is settled anew. What it finds within the minutes is the best there is.
 */
function search(
  request: ComposeRequest,
  contenders: readonly Candidate[],
  solve: Solver,
  { onStage, nodes = NODES, turns = TURNS }: ComposeOptions,
): Found {
  const asked = { keep: request.keep, locks: request.locks, timed: true };
  const mostWork = workBudget(request.budgetSeconds, isWarm(request));
  const ways = waysFor(request, contenders);
  const { percent } = shortfallScale(request, contenders);
  const cuts: Cut[] = [];
  let best: readonly Chosen[] | null = null;
  let bounds: readonly Settled[] = [];
  const offer = (picks: readonly Chosen[]): void => {
    if (best === null || isBetter(scoreOf(request, contenders, picks), scoreOf(request, contenders, best)))
      best = picks;
  };
  for (let turn = 0; turn < turns; turn++) {
    const model = composeModel(request, ways, { ...asked, cuts });
    const answer = settleInOrder(model, percent, solve, { nodes, ...(onStage && turn === 0 && { onStage }) });
    if (answer.kind === 'infeasible') return { picks: best, bounds, none: best === null };
    if (answer.kind !== 'values') break;
    bounds = answer.settled;
    const picks = picksOf(model, answer.values);
    const { work } = realSession(request, picks);
    if (work <= mostWork) {
      offer(picks);
      break;
    }
    if (turn === 0) {
      const above = composeModel(request, ways, { ...asked, counting: 'from above' });
      const safe = settleInOrder(above, percent, solve, { nodes });
      if (safe.kind === 'values') offer(picksOf(above, safe.values));
    }
    // Nothing is better than what the count from below allows: as good as that is the best.
    if (
      best !== null &&
      !isBetter(
        bounds.map((s) => s.bound),
        scoreOf(request, contenders, best),
      )
    )
      break;
    const used = new Set(picks.map((p) => p.candidate));
    cuts.push({ used, excess: work - workFromBelow(request, picks) });
  }
  if (best === null && request.keep.length === 0 && request.locks.length === 0)
    offer(readySession(request, contenders, mostWork));
  return { picks: best, bounds, none: false };
}

/** The objectives of a session beside what nothing can be better than. */
function settledOf(score: readonly number[], bounds: readonly Settled[]): Settled[] {
  let equal = true;
  return score.map((value, i): Settled => {
    const name = OBJECTIVES[i]!;
    const bound = equal && bounds[i] ? bounds[i].bound : 0;
    equal = equal && bounds[i] !== undefined && value - bound < 1e-6;
    return { name, value, bound, proven: equal };
  });
}

/**
 * The best session for some needs within the minutes: first what the week needs at least, then the smallest weighted shortfall, then the
 * fewest exercises and the fewest that are new to the client, then the fewest position changes; in the best order, with the reasons. Or what
 * clashes, and the smallest thing to give up.
 */
export function compose(
  request: ComposeRequest,
  solve: Solver,
  options: ComposeOptions = {},
): Composition | SessionClash {
  const { candidates, leftOut } = candidatesFor(request);
  const impossible = clashOf.unreachable(request, candidates, leftOut);
  if (impossible) return impossible;
  const contenders = withoutDominated(request, candidates);
  const { picks, bounds, none } = search(request, contenders, solve, options);
  if (none) return clashOf.tooMuch(request, contenders, solve, { nodes: NODES, ...options });
  if (picks === null) return clashOf.unsettled(request);
  const { items, timeline } = realSession(request, picks);
  const settled = settledOf(scoreOf(request, contenders, picks), bounds);
  return {
    kind: 'session',
    items,
    alreadyWarm: isWarm(request),
    totalSeconds: timeline.totalSeconds,
    proven: settled.every((s) => s.proven),
    settled,
    picks,
    leftOut,
    ...explain(request, candidates, leftOut, picks),
  };
}
