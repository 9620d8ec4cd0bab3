import { muscleGroupOrder } from '../anatomy/muscle-group.js';
import { exerciseById, type FindExercise } from '../catalogue/exercises.js';
import { POSITIONS, type Position } from '../catalogue/rom-test.js';
import { kindOf, type Technique } from '../technique/catalogue.js';
import type { SessionItem } from './item.js';
import { linkedRuns } from './segments.js';

/** Place of a technique in a session, from 0. */
export function sectionOf(technique: Technique): number {
  return kindOf(technique).section;
}

/** What of an item decides its place: a linked run counts as one, from its first position to its last. */
export interface ItemPlace {
  readonly section: number;
  readonly from: Position;
  readonly to: Position;
  /** Things it needs; what was fetched for one before it lies at hand. */
  readonly props: readonly string[];
  /** Place of its main group from the floor up. */
  readonly height: number;
}

/** Items of one section that are put in order exactly; more than these stand in the plain order. */
export const EXACT_ITEMS = 12;

// Each outweighs any number of those below it; items out of the order from the floor up cost 1 a pair. Getting up again comes between: on
// the way from standing to lying nobody goes down to the floor twice.
const CHANGE = 1e8;
const FETCH = 1e6;
const GET_UP = 1e4;

/** Cost of a run coming after another, but for the things it needs; null for the first. */
function stepCost(before: ItemPlace | null, next: ItemPlace): number {
  const change = before === null || before.to !== next.from ? CHANGE : 0;
  const up = before !== null && POSITIONS.indexOf(next.from) < POSITIONS.indexOf(before.to) ? GET_UP : 0;
  return change + up;
}

/** The plain order: by section, position from standing to lying, from the floor up. Ties of the exact order fall this way. */
function plainly(a: ItemPlace, b: ItemPlace): number {
  return a.section - b.section || POSITIONS.indexOf(a.from) - POSITIONS.indexOf(b.from) || a.height - b.height;
}

/** Cost of an order: position changes, times that something is fetched, getting up again, then pairs inside a section that do not go from the floor up. */
export function orderCost(ordered: readonly ItemPlace[]): number {
  let cost = 0;
  const atHand = new Set<string>();
  ordered.forEach((p, i) => {
    cost += stepCost(ordered[i - 1] ?? null, p);
    if (p.props.some((x) => !atHand.has(x))) cost += FETCH;
    for (const x of p.props) atHand.add(x);
    for (const earlier of ordered.slice(0, i))
      if (earlier.section === p.section && earlier.height > p.height) cost += 1;
  });
  return cost;
}

/** The cheapest ways to have done everything up to a section, one for each run that can stand last. */
interface Way {
  readonly cost: number;
  readonly order: readonly number[];
}

/** How many bits of a small whole number are set. */
function bits(mask: number): number {
  let n = 0;
  for (let m = mask; m !== 0; m &= m - 1) n++;
  return n;
}

/**
 * Cheapest ways through one section (Held and Karp's recursion over subsets). What lies at hand depends on which runs were done and not on
 * their order, so that the recursion is exact for things too.
 */
function waysThrough(places: readonly ItemPlace[], members: readonly number[], starts: readonly Way[]): Way[] {
  const n = members.length;
  const at = members.map((m) => places[m]!);
  const atHand = new Set(starts[0]!.order.flatMap((i) => places[i]!.props));
  const wanted = at.map((p) => p.props.filter((x) => !atHand.has(x)));
  /** Of each thing that a member still wants: the members that want it too. */
  const sharers = wanted.map((things) =>
    things.map((x) => wanted.reduce((set, w, j) => (w.includes(x) ? set | (1 << j) : set), 0)),
  );
  const fetchCost = (k: number, done: number): number => (sharers[k]!.some((set) => (set & done) === 0) ? FETCH : 0);
  const entry = starts.map((s) => {
    const last = s.order.length > 0 ? places[s.order[s.order.length - 1]!]! : null;
    return at.map((p, k) => s.cost + stepCost(last, p) + fetchCost(k, 0));
  });
  /** Start and cost with which a member comes first. */
  const first = members.map((_, k) => {
    let best = 0;
    for (let w = 1; w < starts.length; w++) if (entry[w]![k]! < entry[best]![k]!) best = w;
    return { start: best, cost: entry[best]![k]! };
  });
  if (n === 1) return [{ cost: first[0]!.cost, order: [...starts[first[0]!.start]!.order, members[0]!] }];
  // Planners try many sessions: the costs of a step are worked out once, not once a subset.
  const step = new Float64Array(n * n);
  const higher = new Int32Array(n);
  for (let k = 0; k < n; k++)
    for (let j = 0; j < n; j++) {
      if (j === k) continue;
      step[j * n + k] = stepCost(at[j]!, at[k]!);
      if (at[j]!.height > at[k]!.height) higher[k]! |= 1 << j;
    }
  const full = (1 << n) - 1;
  const cost = new Float64Array((full + 1) * n).fill(Infinity);
  // Of each subset and last member the one before it.
  const from = new Int8Array((full + 1) * n);
  for (let k = 0; k < n; k++) cost[(1 << k) * n + k] = first[k]!.cost;
  for (let set = 1; set < full; set++)
    for (let k = 0; k < n; k++) {
      if (set & (1 << k)) continue;
      const upside = bits(set & higher[k]!) + fetchCost(k, set);
      const to = (set | (1 << k)) * n + k;
      for (let last = 0; last < n; last++) {
        if (!(set & (1 << last))) continue;
        const c = cost[set * n + last]! + step[last * n + k]! + upside;
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
    for (;;) {
      order.push(members[k]!);
      if (set === 1 << k) break;
      const before = from[set * n + k]!;
      set &= ~(1 << k);
      k = before;
    }
    return { cost: cost[full * n + end]!, order: [...starts[first[k]!.start]!.order, ...order.reverse()] };
  });
}

/**
 * The order of some runs with the fewest position changes, then the fewest things to fetch, then from standing to lying, then from the floor
 * up, sections one after the other: exact by dynamic programming for up to {@link EXACT_ITEMS} runs a section.
 * @returns places in the list, in order
 */
export function bestOrder(places: readonly ItemPlace[]): number[] {
  const plain = places.map((_, i) => i).sort((a, b) => plainly(places[a]!, places[b]!) || a - b);
  let ways: Way[] = [{ cost: 0, order: [] }];
  for (const section of [...new Set(plain.map((i) => places[i]!.section))]) {
    const members = plain.filter((i) => places[i]!.section === section);
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
): ItemPlace {
  return {
    section: sectionOf(item.technique ?? exercise.technique),
    from: exercise.position,
    to: exercise.position,
    props: exercise.props,
    height: muscleGroupOrder(exercise.primary),
  };
}

/** Items in the best order ({@link bestOrder}); linked ones stay together. */
export function orderItems(items: readonly SessionItem[], find: FindExercise = exerciseById): SessionItem[] {
  const runs = linkedRuns(items);
  const places = runs.map((run): ItemPlace => {
    const first = placedItem(items[run[0]!]!, find(items[run[0]!]!.exerciseId));
    const last = placedItem(items[run.at(-1)!]!, find(items[run.at(-1)!]!.exerciseId));
    const props = [...new Set(run.flatMap((i) => find(items[i]!.exerciseId).props))];
    return { ...first, to: last.to, props };
  });
  return bestOrder(places).flatMap((r) => runs[r]!.map((i) => items[i]!));
}
