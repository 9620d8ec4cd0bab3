import { isLoaded } from '../technique/catalogue.js';
import type { Position } from '../catalogue/rom-test.js';
import type { PropId } from '../catalogue/props.js';
import type { Candidate } from './candidates.js';
import { termsOf, type ModelBuilder, type Terms } from './linear.js';
import type { ModelWay } from './model.js';
import { kitOf } from './ways.js';
import type { ComposeRequest } from './request.js';

/**
 * How minutes are counted. `from below`: what no order of the session can save, so that what the model rules out is ruled out. `from above`:
 * more than any order costs, so that what it allows fits.
 */
export type Counting = 'from below' | 'from above';

/** What the timeline of some exercises costs above the count from below, whatever their sets: found by putting them in order. */
export interface Cut {
  readonly used: ReadonlySet<Candidate>;
  /** Seconds, more than none. */
  readonly excess: number;
}

/** Where the time of a session stands in its model. */
export interface TimeTerms {
  /** Seconds of work: at least this. */
  readonly time: number;
  readonly positions: Terms;
}

type Pair = [number, number];
const UNLIMITED = Infinity;
/** More seconds than any session has. */
const ENDLESS = 1e6;

/** Ways of each need that a candidate makes them have something of, as a sum that is 0 or 1. */
function byNeed(ways: readonly ModelWay[], has: (c: Candidate) => boolean): Pair[][] {
  const needs = new Map<number, Pair[]>();
  for (const { way, at } of ways)
    if (way.picks.some((p) => has(p.candidate))) needs.set(way.need, [...(needs.get(way.need) ?? []), [at, 1]]);
  return [...needs.values()];
}

/** Every candidate that some way uses, once. */
function candidatesIn(ways: readonly ModelWay[]): Candidate[] {
  return [...new Set(ways.flatMap(({ way }) => way.picks.map((p) => p.candidate)))];
}

/** For each phase and position that is possible, whether it is used. */
function usedPlaces(m: ModelBuilder, ways: readonly ModelWay[]): Map<number, Map<Position, number>> {
  const all = candidatesIn(ways);
  const phases = new Map<number, Map<Position, number>>();
  for (const phase of [...new Set(all.map((c) => c.phase))].sort((a, b) => a - b)) {
    const places = new Map<Position, number>();
    phases.set(phase, places);
    for (const at of new Set(all.filter((c) => c.phase === phase).map((c) => c.exercise.position))) {
      const y = m.variable(`y ${phase} ${at}`, 0, 1);
      places.set(at, y);
      const users = byNeed(ways, (c) => c.phase === phase && c.exercise.position === at);
      for (const mine of users)
        m.row(`place ${phase} ${at}`, [[y, 1], ...mine.map(([x]): Pair => [x, -1])], 0, UNLIMITED);
      m.row(`only used ${phase} ${at}`, [[y, 1], ...users.flat().map(([x]): Pair => [x, -1])], -UNLIMITED, 0);
    }
  }
  return phases;
}

/** Rows that hold one variable at or below another. */
function below(m: ModelBuilder, name: string, x: number, y: number): void {
  const pair: Pair[] = [
    [x, 1],
    [y, -1],
  ];
  m.row(name, pair, -UNLIMITED, 0);
}

/**
 * Position changes saved between phases: a phase that ends where the next one begins. Each phase with something in it has one first and one
 * last position, different ones where it has two or more; an empty phase passes on what came before it. Exact for every choice of exercises.
 * Only ends that can save something are decided.
 */
function savedChanges(m: ModelBuilder, phases: ReadonlyMap<number, ReadonlyMap<Position, number>>): Pair[] {
  const saved: Pair[] = [];
  const inOrder = [...phases.entries()];
  /** Where the body may be after the phases so far. */
  let before: ReadonlyMap<Position, number> = new Map();
  inOrder.forEach(([phase, places], i) => {
    const later = new Set(inOrder.slice(i + 1).flatMap(([, p]) => [...p.keys()]));
    const ys = [...places.values()];
    const firsts: Pair[] = [];
    const lasts: Pair[] = [];
    const after = new Map<Position, number>();
    for (const [at, y] of places) {
      const earlier = before.get(at);
      let f: number | null = null;
      if (earlier !== undefined) {
        f = m.variable(`first ${phase} ${at}`, 0, 1);
        firsts.push([f, 1]);
        saved.push([f, -1]);
        below(m, `first where it was ${phase} ${at}`, f, earlier);
        below(m, `first ${phase} ${at}`, f, y);
      }
      if (!later.has(at)) continue;
      const l = m.variable(`last ${phase} ${at}`, 0, 1);
      lasts.push([l, 1]);
      after.set(at, l);
      below(m, `last ${phase} ${at}`, l, y);
      if (f !== null)
        for (const other of ys)
          if (other !== y) {
            const both: Pair[] = [
              [f, 1],
              [l, 1],
              [other, 1],
            ];
            m.row(`two ends ${phase} ${at}`, both, -UNLIMITED, 2);
          }
    }
    if (firsts.length > 1) m.row(`one first ${phase}`, firsts, 0, 1);
    if (lasts.length > 1) m.row(`one last ${phase}`, lasts, 0, 1);
    const carried = new Map<Position, number>();
    for (const at of later) {
      const here = after.get(at);
      const passed = before.get(at);
      if (passed === undefined) {
        if (here !== undefined) carried.set(at, here);
        continue;
      }
      const c = m.variable(`carried ${phase} ${at}`, 0, 1, false);
      carried.set(at, c);
      // From here, or from before where nothing of the phase is used.
      m.row(
        `carried ${phase} ${at}`,
        [[c, 1], [passed, -1], ...(here === undefined ? [] : [[here, -1] as Pair])],
        -UNLIMITED,
        0,
      );
      for (const y of ys)
        m.row(
          `carried over ${phase} ${at}`,
          [[c, 1], [y, 1], ...(here === undefined ? [] : [[here, -1] as Pair])],
          -UNLIMITED,
          1,
        );
    }
    before = carried;
  });
  return saved;
}

/** Times that something is fetched, at least: sets of things that together hold all that is needed, each fetched at once. */
function fetches(m: ModelBuilder, ways: readonly ModelWay[]): Pair[] {
  const kits = new Map<string, { readonly props: readonly PropId[]; readonly at: number }>();
  for (const c of candidatesIn(ways)) {
    const kit = kitOf(c);
    if (kit !== '' && !kits.has(kit)) kits.set(kit, { props: c.exercise.props, at: m.variable(`fetch ${kit}`, 0, 1) });
  }
  for (const [kit, { at }] of kits) {
    const users = byNeed(ways, (c) => kitOf(c) === kit).flat();
    m.row('fetched for use', [[at, 1], ...users.map(([x]): Pair => [x, -1])], -UNLIMITED, 0);
  }
  for (const prop of new Set([...kits.values()].flatMap((k) => k.props))) {
    const fetched = [...kits.values()].filter((k) => k.props.includes(prop)).map((k): Pair => [k.at, 1]);
    for (const mine of byNeed(ways, (c) => c.exercise.props.includes(prop)))
      m.row(`at hand ${prop}`, [...fetched, ...mine.map(([x]): Pair => [x, -1])], 0, UNLIMITED);
  }
  return [...kits.values()].map((k): Pair => [k.at, 1]);
}

/** Seconds of rest that a loaded exercise may have to wait for, at most, after another one of its group. */
function longestWait(c: Candidate, all: readonly Candidate[], { timings }: ComposeRequest): number {
  if (!isLoaded(c.bout.technique)) return 0;
  const other = all.some(
    (x) => x.exercise.id !== c.exercise.id && x.exercise.primary === c.exercise.primary && isLoaded(x.bout.technique),
  );
  return other ? Math.max(0, timings.loadedRest - timings.samePosition - c.exercise.setupSeconds) : 0;
}

/**
 * Puts the time of a session into its model. @see Counting
 * @param cuts what is known of some exercises' timelines, from below only
 */
export function timeTerms(
  m: ModelBuilder,
  request: ComposeRequest,
  ways: readonly ModelWay[],
  counting: Counting,
  cuts: readonly Cut[],
): TimeTerms {
  const { timings } = request;
  const all = candidatesIn(ways);
  const phases = usedPlaces(m, ways);
  const positions: Pair[] = [...phases.values()].flatMap((p) => [...p.values()].map((y): Pair => [y, 1]));
  const above = counting === 'from above';
  if (!above) positions.push(...savedChanges(m, phases));
  const work = ways.map(({ way, at }): Pair => {
    const more = way.picks.reduce(
      (sum, { candidate: c }) => sum + (c.exercise.props.length > 0 ? timings.prop : 0) + longestWait(c, all, request),
      0,
    );
    return [at, way.seconds + (above ? more : 0)];
  });
  for (const [x, factor] of positions) work.push([x, factor * (timings.newPosition - timings.samePosition)]);
  if (!above) for (const [x] of fetches(m, ways)) work.push([x, timings.prop]);
  const time = m.variable('time', 0, ENDLESS, false);
  const spent = work.map(([x, seconds]): Pair => [x, -seconds]);
  m.row('time', [[time, 1], ...spent], 0, UNLIMITED);
  for (const { used, excess } of cuts)
    m.row(
      'cut',
      [
        [time, 1],
        ...spent,
        ...ways.map(({ way, at }): Pair => {
          const there = way.picks.filter((p) => used.has(p.candidate)).length;
          return [at, excess * (way.picks.length - 2 * there)];
        }),
      ],
      excess * (1 - used.size),
      UNLIMITED,
    );
  return { time, positions: termsOf(positions) };
}
