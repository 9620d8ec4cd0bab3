import type { MuscleGroupId } from '../../anatomy/muscle-group.js';
import type { TimedItem } from '../../session/session-seconds.js';
import type { Timings } from '../../technique/timings.js';
import { rankIn, type PlacedDayPlan } from '../day-plan/day-plan.js';
import type { SessionLength } from '../plan-timing.js';
import type { Load } from './lane-items.js';

/** A lane in a session. */
export interface Held {
  readonly lane: number;
  readonly load: Load;
}

/** Seconds between the bouts of the lanes of a session: worked out once for each set of lanes and day plan of a block. */
export class Between {
  private readonly plain: Map<number, number>[];
  private readonly others = new Map<string, number>();
  /** Weeks that were searched to the end in vain: the weeks of a block ask the same again and again. */
  readonly impossible = new Set<string>();

  constructor(
    private readonly length: SessionLength,
    private readonly plans: readonly PlacedDayPlan[],
    private readonly timings: Timings | undefined,
    private readonly groups: readonly MuscleGroupId[],
  ) {
    this.plain = plans.map(() => new Map<number, number>());
  }

  /** Of the lanes that a session holds. @param lanes the same as bits */
  of(held: readonly Held[], plan: number, lanes = bitsOf(held)): number {
    if (held.every((h) => h.load.ways === 0)) {
      const known = this.plain[plan]!;
      let seconds = known.get(lanes);
      if (seconds === undefined) known.set(lanes, (seconds = this.worked(held, plan)));
      return seconds;
    }
    const ordered = this.inOrder(held, plan);
    const key = `${plan}|${ordered.map((h) => `${h.lane}.${h.load.ways}`).join()}`;
    let seconds = this.others.get(key);
    if (seconds === undefined) this.others.set(key, (seconds = this.worked(ordered, plan)));
    return seconds;
  }

  /** Of the lanes that a session holds and one more. */
  withOne(held: readonly Held[], lanes: number, extra: Held, plan: number): number {
    const all = lanes | (1 << extra.lane);
    if (extra.load.ways === 0 && held.every((h) => h.load.ways === 0)) {
      const seconds = this.plain[plan]!.get(all);
      if (seconds !== undefined) return seconds;
    }
    return this.of([...held, extra], plan, all);
  }

  /** In the order in which the day plan has them. */
  private inOrder(held: readonly Held[], plan: number): Held[] {
    const rank = ({ lane }: Held): number => rankIn(this.plans[plan]!, this.groups[lane]!, lane);
    return [...held].sort((a, b) => rank(a) - rank(b));
  }

  private worked(held: readonly Held[], plan: number): number {
    const items: TimedItem[] = this.inOrder(held, plan).flatMap((h) => [...h.load.items]);
    return this.length.between(items, this.plans[plan]!, this.timings);
  }
}

function bitsOf(held: readonly Held[]): number {
  let lanes = 0;
  for (const h of held) lanes |= 1 << h.lane;
  return lanes;
}
