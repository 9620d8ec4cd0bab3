import { boutDose, FAVOURED_WEEKLY_SECONDS, FLATTENING_WEEKLY_SECONDS, weeklyDose } from '../../dose/dose.js';
import { amountOf, withAmount, type Bonus, type Prescription } from '../../technique/prescription.js';
import type { MuscleGroupId } from '../../anatomy/muscle-group.js';
import { Room, type Placement, type RoomLane } from './room.js';

/** What a lane wants of a week, for finding room. */
export interface Want {
  /** What it holds without a new step; null when it is not done this week. */
  readonly target: Prescription | null;
  /** Steps above it, boldest first; empty where there is none. */
  readonly steps: readonly Prescription[];
  /** Smallest bout, and the grid above it. */
  readonly least: { readonly amount: number; readonly grid: number };
  /** True for what the coach has set: it is not made smaller. */
  readonly set: boolean;
  /** Days that are given, 0-6; null to find them. */
  readonly days: readonly number[] | null;
  /** What the tighter side gets on top of a prescription; null for nothing. */
  readonly bonus: (p: Prescription) => Bonus | null;
}

/** What a lane got. */
export interface Got {
  /** Null when there was no room for its least. */
  readonly level: Prescription | null;
  /** Place of the step that was taken; null when none was. */
  readonly step: number | null;
  /** True when there was something for the tighter side, and no room for it. */
  readonly noExtra: boolean;
  /** Seconds that one session is short of what the lane wanted; null where it got that, or days are what is missing. */
  readonly short: number | null;
  readonly placement: Placement;
}

type Group = MuscleGroupId;

/** Parts of the way up: one day more, one set more, the bout by one of its grid. The finest comes last, so that little room is used. */
const WAYS = ['days', 'sets', 'amount'] as const;

/** One week's lanes in its sessions. */
class Week {
  private readonly levels: (Prescription | null)[];
  private readonly taken: (number | null)[];
  private readonly noExtra: boolean[];
  private readonly failed: Set<string>[];
  private readonly free: number[];

  constructor(
    private readonly room: Room,
    private readonly wants: readonly Want[],
    private readonly groups: readonly Group[],
  ) {
    this.levels = wants.map(() => null);
    this.taken = wants.map(() => null);
    this.noExtra = wants.map(() => false);
    this.failed = wants.map(() => new Set());
    this.free = wants.flatMap((w, i) => (w.target && !w.set && w.days === null ? [i] : []));
  }

  /** What is set and what is past stands where it is; the rest is planned around it. */
  private fixSet(): void {
    this.wants.forEach((w, i) => {
      if (!w.target || this.free.includes(i)) return;
      this.room.fix(i, w.target, w.days);
      this.levels[i] = w.target;
    });
  }

  /** Gives a lane a level if there is room, with all days assigned anew where that is needed. What has failed once fails for the rest of the week. */
  private attempt(i: number, p: Prescription): boolean {
    const key = `${p.sets}|${amountOf(p)}|${p.sessionsPerWeek}|${p.cycles ?? ''}|${p.bonus ? `${p.bonus.sets},${p.bonus.more}` : ''}`;
    if (this.failed[i]!.has(key)) return false;
    if (this.room.place(i, p, true) || this.room.rearrange(i, p, this.free)) {
      this.levels[i] = p;
      return true;
    }
    this.failed[i]!.add(key);
    return false;
  }

  private groupDose(i: number): number {
    return this.levels.reduce((sum, p, k) => (p && this.groups[k] === this.groups[i] ? sum + weeklyDose(p) : sum), 0);
  }

  /** All lanes with all they want, each on its most even days; false when that does not work out. */
  private allAtOnce(): boolean {
    for (const i of this.free) {
      const w = this.wants[i]!;
      const plain = w.steps[0] ?? w.target!;
      const bonus = w.bonus(plain);
      const p = bonus ? { ...plain, bonus } : plain;
      if (!this.room.place(i, p, false)) return false;
      this.levels[i] = p;
      this.taken[i] = w.steps.length > 0 ? 0 : null;
    }
    return true;
  }

  private floorOf({ target, least }: Want): Prescription {
    const p = target!;
    return withAmount(
      { ...p, sets: 1, sessionsPerWeek: Math.min(2, p.sessionsPerWeek) },
      Math.min(least.amount, amountOf(p)),
    );
  }

  /** The level that is one part nearer to what the lane holds; null when that part is there. */
  private nearer(i: number, way: (typeof WAYS)[number]): Prescription | null {
    const { target, least } = this.wants[i]!;
    const now = this.levels[i]!;
    const goal = target!;
    if (way === 'amount') {
      const a = amountOf(now);
      if (a >= amountOf(goal)) return null;
      const up = (Math.floor(a / least.grid + 1e-9) + 1) * least.grid;
      return withAmount(now, Math.min(up, amountOf(goal)));
    }
    const key = way === 'days' ? 'sessionsPerWeek' : 'sets';
    return now[key] < goal[key] ? { ...now, [key]: now[key] + 1 } : null;
  }

  /** Levels on the way from where a lane stands to what it holds: days first, then sets, then the bout. */
  private way(i: number, limit: number): Prescription[] {
    const now = this.levels[i]!;
    const others = this.groupDose(i) - weeklyDose(now);
    const out: Prescription[] = [];
    const from = this.levels[i]!;
    for (let p: Prescription | null = from; ;) {
      this.levels[i] = p;
      if (p !== from) out.push(p);
      if (boutDose(p) > 0 && others + weeklyDose(p) >= limit) break;
      const next: Prescription | undefined = WAYS.map((w) => this.nearer(i, w)).find((x) => x !== null) ?? undefined;
      if (next === undefined) break;
      p = next;
    }
    this.levels[i] = from;
    return out;
  }

  /** As far on the way as the days that a lane has will hold, found by halving. */
  private leap(i: number, limit: number): void {
    const way = this.way(i, limit);
    let low = -1;
    let high = way.length;
    while (high - low > 1) {
      const mid = low < 0 && high === way.length ? way.length - 1 : (low + high) >> 1;
      if (this.room.place(i, way[mid]!, true)) {
        this.levels[i] = way[mid]!;
        low = mid;
      } else high = mid;
    }
  }

  private climb(i: number, limit: number, last: boolean): void {
    const w = this.wants[i]!;
    if (this.taken[i] === null) this.leap(i, limit);
    for (;;) {
      const now = this.levels[i]!;
      if (boutDose(now) > 0 && this.groupDose(i) >= limit) return;
      const next = this.taken[i] === null ? WAYS.flatMap((way) => this.nearer(i, way) ?? []) : [];
      if (next.length > 0) {
        if (next.some((p) => this.attempt(i, p))) continue;
        return;
      }
      if (this.taken[i] === null) {
        const step = w.steps.findIndex((p) => this.attempt(i, p));
        if (step >= 0) {
          this.taken[i] = step;
          continue;
        }
      }
      if (last && !now.bonus) {
        const bonus = w.bonus(now);
        if (bonus && !this.attempt(i, { ...now, bonus })) this.noExtra[i] = true;
      }
      return;
    }
  }

  private passes(): void {
    const done = (i: number): boolean => this.levels[i] !== null;
    for (const i of this.free) this.attempt(i, this.floorOf(this.wants[i]!));
    for (const limit of [FAVOURED_WEEKLY_SECONDS, FLATTENING_WEEKLY_SECONDS, Infinity])
      for (const i of this.free.filter(done)) this.climb(i, limit, limit === Infinity);
    // Days as even as the others leave room for.
    for (const i of this.free.filter(done)) this.room.place(i, this.levels[i]!, false);
  }

  run(again: () => Week): readonly Got[] {
    this.fixSet();
    if (!this.allAtOnce()) {
      const other = again();
      other.fixSet();
      other.passes();
      return other.results();
    }
    return this.results();
  }

  private results(): readonly Got[] {
    return this.wants.map((w, i) => {
      const level = this.levels[i]!;
      const wanted = w.target === null ? null : w.steps.length > 0 && this.taken[i] === null ? w.steps[0]! : w.target;
      const whole = level !== null && wanted !== null && (w.set || this.taken[i] !== null || sameSize(level, wanted));
      return {
        level,
        step: this.taken[i]!,
        noExtra: this.noExtra[i]!,
        short: wanted === null || whole ? null : this.room.short(i, wanted),
        placement: this.room.placementOf(i) ?? new Map(),
      };
    });
  }
}

function sameSize(a: Prescription, b: Prescription): boolean {
  return a.sets === b.sets && a.sessionsPerWeek === b.sessionsPerWeek && amountOf(a) === amountOf(b);
}

/**
 * Fits one week's lanes into its sessions in four passes (domain 2.6, 10), each in order of priority and finished before the next: the least of
 * each lane; up to 300 s a week for its group, or what it wants where it has no dose; up to 600 s; the rest, the tighter side's extra with it. Days
 * are assigned anew for every part that does not fit as they are.
 * @param room a new, empty one at each call
 */
export function fitWeek(
  room: () => Room,
  wants: readonly Want[],
  lanes: readonly Pick<RoomLane, 'group'>[],
): { readonly got: readonly Got[]; readonly struck: boolean } {
  const groups = lanes.map((l) => l.group);
  let used = room();
  const got = new Week(used, wants, groups).run(() => new Week((used = room()), wants, groups));
  return { got, struck: used.struck };
}
