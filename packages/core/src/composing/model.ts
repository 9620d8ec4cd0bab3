import { BODY_REGIONS } from '../anatomy/body-region.js';
import { purposeRules } from '../session/purpose.js';
import { workBudget } from '../technique/timings.js';
import { ModelBuilder, termsOf, type LinearModel, type Terms } from './linear.js';
import { isWarm, type Chosen } from './real-session.js';
import type { ComposeRequest } from './request.js';
import { timeTerms, type Counting, type Cut } from './time-model.js';
import { capsOf, type Way } from './ways.js';

/** Names of the objectives in the order in which they are settled. */
export const OBJECTIVES = ['floors', 'shortfall', 'exercises', 'positions'] as const;
export type ObjectiveName = (typeof OBJECTIVES)[number];

/** The model of a session, and where its decisions stand. */
export interface ComposeModel {
  readonly model: LinearModel;
  /** Each way with its place among the variables. */
  readonly ways: readonly ModelWay[];
  readonly objectives: Readonly<Record<ObjectiveName, Terms>>;
  /** Seconds of work as the model counts them: from below they are the timeline's of the exercises in its cuts, and never more than any. */
  readonly work: Terms;
}

/** A way with its variable: 1 where the need is done so. */
export interface ModelWay {
  readonly way: Way;
  readonly at: number;
}

/** Which demands of the coach are put into the model, whether the time is limited, and how it is counted. */
export interface Demands {
  readonly keep: readonly string[];
  readonly locks: ComposeRequest['locks'];
  readonly timed: boolean;
  readonly counting?: Counting;
  readonly cuts?: readonly Cut[];
}

type Pair = [number, number];

/** Sets of an exercise in each way that has it, with the way's variable. */
export function setsOf(ways: readonly ModelWay[], exerciseId: string): Pair[] {
  return ways.flatMap(({ way, at }): Pair[] => {
    const pick = way.picks.find((p) => p.candidate.exercise.id === exerciseId);
    return pick ? [[at, pick.sets]] : [];
  });
}

/** A short break stays in one region of the body. */
function inOneRegion(m: ModelBuilder, ways: readonly ModelWay[]): void {
  const regions = BODY_REGIONS.map((r) => ({ groups: r.groups, at: m.variable(`region ${r.id}`, 0, 1) }));
  m.row(
    'one region',
    regions.map((r): Pair => [r.at, 1]),
    0,
    1,
  );
  for (const { way, at } of ways)
    for (const { candidate } of way.picks) {
      const there = regions.filter((r) => r.groups.some((g) => g === candidate.exercise.primary));
      m.row('in its region', [[at, 1], ...there.map((r): Pair => [r.at, -1])], -Infinity, 0);
    }
}

/**
 * The session as a mixed-integer programme (domain 2.7). For every need exactly one of its ways is taken. That is the programme of used or
 * not, sets and extra sets, with each need's part of it worked out beforehand: a solver then finds far less to divide into halves.
 */
export function composeModel(request: ComposeRequest, all: readonly Way[], demands: Demands): ComposeModel {
  const m = new ModelBuilder();
  const ways = all.map((way, i): ModelWay => ({ way, at: m.variable(`way ${i} of ${way.need}`, 0, 1) }));
  request.needs.forEach((_, k) => {
    const mine = ways.filter(({ way }) => way.need === k);
    m.row(
      `one way ${k}`,
      mine.map(({ at }): Pair => [at, 1]),
      1,
      1,
    );
  });
  const { time, positions } = timeTerms(m, request, ways, demands.counting ?? 'from below', demands.cuts ?? []);
  if (demands.timed) m.row('minutes', [[time, 1]], -Infinity, workBudget(request.budgetSeconds, isWarm(request)));

  const needsOf = new Map<string, Set<number>>();
  for (const { way } of ways)
    for (const { candidate } of way.picks)
      needsOf.set(candidate.exercise.id, (needsOf.get(candidate.exercise.id) ?? new Set()).add(way.need));
  for (const [id, needs] of needsOf) {
    const kept = demands.keep.includes(id);
    const uses = setsOf(ways, id).map(([at]): Pair => [at, 1]);
    if (kept || needs.size > 1) m.row(`once ${id}`, uses, kept ? 1 : 0, 1);
  }
  for (const { exerciseId, sets } of demands.locks) m.row(`lock ${exerciseId}`, setsOf(ways, exerciseId), sets, sets);

  for (const { group, side, most, seconds } of capsOf(request)) {
    const held = ways.flatMap(({ way, at }): Pair[] => {
      const sum = seconds(way.picks);
      return sum > 0 ? [[at, sum]] : [];
    });
    if (held.length > 0) m.row(`cap ${group} ${side}`, held, 0, most);
  }
  if (purposeRules(request.purpose).oneRegion) inOneRegion(m, ways);

  const sumOf = (what: (w: Way) => number): Terms =>
    termsOf(ways.flatMap(({ way, at }): Pair[] => (what(way) === 0 ? [] : [[at, what(way)]])));
  return {
    model: m,
    ways,
    objectives: {
      floors: sumOf((w) => w.floors),
      shortfall: sumOf((w) => w.missing),
      exercises: sumOf((w) => w.exercises),
      positions,
    },
    work: termsOf([[time, 1]]),
  };
}

/** What a solution takes. */
export function picksOf({ ways }: Pick<ComposeModel, 'ways'>, values: readonly number[]): Chosen[] {
  return ways.flatMap(({ way, at }) => (values[at] === 1 ? way.picks : []));
}
