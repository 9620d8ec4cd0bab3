import { muscleGroupOrder } from '../anatomy/muscle-group.js';
import { exerciseById, type FindExercise } from '../catalogue/exercises.js';
import { POSITIONS, type Position } from '../measuring/rom-test.js';
import type { Technique } from '../styles/technique.js';
import type { SessionItem } from './item.js';
import { linkedRuns } from './legs.js';

/** Phases of a session (domain 2.7): release, moving, contract-relax and loaded, static, activation, breathing. */
const PHASE: Readonly<Record<Technique, number>> = {
  release: 0,
  'nerve glide': 1,
  'moving stretch': 1,
  'contract-relax': 2,
  'loaded eccentric': 2,
  'loaded isometric': 2,
  'static hold': 3,
  activation: 4,
  breathing: 5,
};

/** Place of a technique in a session, from 0. */
export function phaseOf(technique: Technique): number {
  return PHASE[technique];
}

/** What of an item decides its place: a linked run counts as one, from its first position to its last. */
export interface Placed {
  readonly phase: number;
  readonly from: Position;
  readonly to: Position;
  readonly props: readonly string[];
  readonly propsAfter: readonly string[];
  /** Place of its main group from the floor up. */
  readonly height: number;
}

/** Items of one phase that are put in order exactly; more than these stand in the plain order. */
export const EXACT_ITEMS = 12;

// Each outweighs any number of those below it; items out of the order from the floor up cost 1 a pair. Getting up again comes between: on
// the way from standing to lying nobody goes down to the floor twice.
const CHANGE = 1e8;
const FETCH = 1e6;
const GET_UP = 1e4;

/** Cost of a run coming after another; null for the first. */
function stepCost(before: Placed | null, next: Placed): number {
  const change = before === null || before.to !== next.from ? CHANGE : 0;
  const fetch = next.props.some((p) => !before?.propsAfter.includes(p)) ? FETCH : 0;
  const up = before !== null && POSITIONS.indexOf(next.from) < POSITIONS.indexOf(before.to) ? GET_UP : 0;
  return change + fetch + up;
}

/** The plain order: by phase, position from standing to lying, from the floor up. Ties of the exact order fall this way. */
function plainly(a: Placed, b: Placed): number {
  return a.phase - b.phase || POSITIONS.indexOf(a.from) - POSITIONS.indexOf(b.from) || a.height - b.height;
}

/** Cost of an order: position changes, things fetched, getting up again, then pairs inside a phase that do not go from the floor up. */
export function orderCost(ordered: readonly Placed[]): number {
  let cost = 0;
  ordered.forEach((p, i) => {
    cost += stepCost(ordered[i - 1] ?? null, p);
    for (const earlier of ordered.slice(0, i)) if (earlier.phase === p.phase && earlier.height > p.height) cost += 1;
  });
  return cost;
}

/** The cheapest ways to have done everything up to a phase, one for each run that can stand last. */
interface Way {
  readonly cost: number;
  readonly order: readonly number[];
}

/** Cheapest ways through one phase (Held and Karp's recursion over subsets). */
function waysThrough(places: readonly Placed[], members: readonly number[], starts: readonly Way[]): Way[] {
  const n = members.length;
  const size = (1 << n) * n;
  const full = (1 << n) - 1;
  const cost = new Float64Array(size).fill(Infinity);
  // Of each subset and last member the one before it; of a single member the way it comes after.
  const from = new Int32Array(size);
  const at = members.map((m) => places[m]!);
  for (let k = 0; k < n; k++)
    starts.forEach((s, w) => {
      const last = s.order.at(-1);
      const c = s.cost + stepCost(last === undefined ? null : places[last]!, at[k]!);
      const i = (1 << k) * n + k;
      if (c < cost[i]!) {
        cost[i] = c;
        from[i] = w;
      }
    });
  for (let set = 1; set < full; set++)
    for (let k = 0; k < n; k++) {
      if (set & (1 << k)) continue;
      const next = at[k]!;
      let higher = 0;
      for (let j = 0; j < n; j++) if (set & (1 << j) && at[j]!.height > next.height) higher++;
      const to = (set | (1 << k)) * n + k;
      for (let last = 0; last < n; last++) {
        const so = cost[set * n + last]!;
        if (so === Infinity) continue;
        const c = so + stepCost(at[last]!, next) + higher;
        if (c < cost[to]!) {
          cost[to] = c;
          from[to] = last;
        }
      }
    }
  return members.map((_, end): Way => {
    const order: number[] = [];
    let set = full;
    let k = end;
    while (true) {
      order.unshift(members[k]!);
      const before = from[set * n + k]!;
      if (set === 1 << k) return { cost: cost[full * n + end]!, order: [...starts[before]!.order, ...order] };
      set &= ~(1 << k);
      k = before;
    }
  });
}

/**
 * The order of some runs with the fewest position changes, then the fewest things to fetch, then from standing to lying, then from the floor
 * up, phases one after the other: exact by dynamic programming for up to {@link EXACT_ITEMS} runs a phase.
 * @returns places in the list, in order
 */
export function bestOrder(places: readonly Placed[]): number[] {
  const plain = places.map((_, i) => i).sort((a, b) => plainly(places[a]!, places[b]!) || a - b);
  let ways: Way[] = [{ cost: 0, order: [] }];
  for (const phase of [...new Set(plain.map((i) => places[i]!.phase))]) {
    const members = plain.filter((i) => places[i]!.phase === phase);
    if (members.length > EXACT_ITEMS) {
      const [cheapest] = [...ways].sort((a, b) => a.cost - b.cost);
      ways = [{ cost: cheapest!.cost, order: [...cheapest!.order, ...members] }];
    } else ways = waysThrough(places, members, ways);
  }
  return [...ways.reduce((a, b) => (b.cost < a.cost ? b : a)).order];
}

/** Where an item stands, before it is put in order. */
export function placedItem(
  item: SessionItem,
  exercise: {
    readonly technique: Technique;
    readonly position: Position;
    readonly props: readonly string[];
    readonly primary: Parameters<typeof muscleGroupOrder>[0];
  },
): Placed {
  return {
    phase: phaseOf(item.technique ?? exercise.technique),
    from: exercise.position,
    to: exercise.position,
    props: exercise.props,
    propsAfter: exercise.props,
    height: muscleGroupOrder(exercise.primary),
  };
}

/** Items in the best order ({@link bestOrder}); linked ones stay together. */
export function orderItems(items: readonly SessionItem[], find: FindExercise = exerciseById): SessionItem[] {
  const runs = linkedRuns(items);
  const places = runs.map((run): Placed => {
    const first = placedItem(items[run[0]!]!, find(items[run[0]!]!.exerciseId));
    const last = placedItem(items[run.at(-1)!]!, find(items[run.at(-1)!]!.exerciseId));
    return { ...first, to: last.to, propsAfter: last.props };
  });
  return bestOrder(places).flatMap((r) => runs[r]!.map((i) => items[i]!));
}
