import type { Between, Held } from './between.js';
import { choicesOf, keepsGap } from './day-choices.js';
import type { Load } from './lane-items.js';

/** A session as a search begins: what is set in it already, and its room. */
export interface SearchSession {
  readonly offset: number;
  readonly plan: number;
  /** Seconds of work that it holds; Infinity for no limit. */
  readonly room: number;
  readonly held: readonly Held[];
  readonly body: number;
  readonly between: number;
}

/** A lane's sets in one session. */
export interface SearchPart {
  readonly session: number;
  readonly sets: number;
  readonly load: Load;
}

/** A lane that looks for days. */
export interface SearchLane {
  readonly lane: number;
  readonly days: number;
  readonly loaded: boolean;
  readonly lastDay: number | null;
  /** Seconds that all its days take at least. */
  readonly seconds: number;
  /** Positions that it is in wherever it lands. */
  readonly positions: readonly string[];
  /** Ways to do it on each day of the week, best first: in one session, or shared by several; empty where it cannot be done. */
  readonly on: readonly (readonly (readonly SearchPart[])[])[];
}

/** What a lane got: its days, each with the way it is done there. */
export type FoundDays = ReadonlyMap<number, readonly SearchPart[]>;

interface Choice {
  readonly days: readonly number[];
  readonly full: number;
}

const ALL_DAYS = [0, 1, 2, 3, 4, 5, 6] as const;
/** Kinds of day that are told apart in what is remembered of a search: four of them go into one number. */
const DEAD_STATES = 2 ** 13;
const packed = (a: number, b: number, c: number, d: number): number =>
  ((a * DEAD_STATES + b) * DEAD_STATES + c) * DEAD_STATES + d;

/**
 * Days for all lanes at once, by branch and bound: lane after lane; of days that hold the same only one is tried, the emptiest first. A branch ends
 * where what is left to place needs more than is left of the sessions, or where a state of before comes again. It runs on numbers: this is where a
 * tight block spends its time.
 */
export class DaySearch {
  private readonly body: number[];
  private readonly between: number[];
  private readonly mask: number[];
  private readonly held: Held[][];
  private readonly on: readonly (readonly number[])[];
  /** Number of the days that begin alike, above the lanes that are on them. */
  private readonly begins: readonly number[];
  private readonly severalOnDay: boolean;
  private readonly states = new Map<number | string, number>();
  private readonly positions: readonly string[];
  private readonly mine: readonly (readonly number[])[];
  /** Lanes of each session in each position, and sessions with any. */
  private readonly inPosition: readonly number[][];
  private readonly there: number[];
  private readonly ofLoad = new Map<Load, readonly number[]>();
  /** What the lanes from one on ask for: seconds, days in each position, and places in sessions. */
  private readonly later: readonly {
    readonly seconds: number;
    readonly days: readonly number[];
    readonly places: number;
  }[];
  private readonly dead = new Map<number, Set<number>>();
  private readonly found: FoundDays[];
  /** True when the most tries ended it: what it did not find may exist. */
  struck = false;

  constructor(
    private readonly sessions: readonly SearchSession[],
    private readonly lanes: readonly SearchLane[],
    private readonly offsets: readonly number[],
    private readonly ways: Between,
    private readonly mostLanes: number,
    private readonly toPosition: number,
    private readonly most: number,
    /** Tries so far in the week. */
    public nodes: number,
  ) {
    this.body = sessions.map((s) => s.body);
    this.between = sessions.map((s) => s.between);
    this.held = sessions.map((s) => [...s.held]);
    this.mask = sessions.map((s) => s.held.reduce((m, h) => m | (1 << h.lane), 0));
    this.on = Array.from({ length: 7 }, (_, o) => sessions.flatMap((s, i) => (s.offset === o ? [i] : [])));
    this.severalOnDay = this.on.some((s) => s.length > 1);
    const starts = this.on.map((on) =>
      on.map((i) => `${sessions[i]!.plan}:${this.mask[i]}=${this.body[i]},${sessions[i]!.room}`).join('&'),
    );
    this.begins = starts.map((s) => starts.indexOf(s));
    this.positions = [...new Set(lanes.flatMap((l) => l.positions))];
    this.mine = lanes.map((l) => this.numbers(l.positions));
    this.inPosition = sessions.map(() => this.positions.map(() => 0));
    this.there = this.positions.map(() => 0);
    sessions.forEach((s, i) => s.held.forEach((h) => this.count(i, h.load, 1)));
    const later = [{ seconds: 0, days: this.positions.map(() => 0), places: 0 }];
    for (let k = lanes.length - 1; k >= 0; k--) {
      const { seconds, days, places } = later[0]!;
      later.unshift({
        places: places + lanes[k]!.days,
        seconds: seconds + lanes[k]!.seconds,
        days: days.map((d, x) => (this.mine[k]!.includes(x) ? Math.max(d, lanes[k]!.days) : d)),
      });
    }
    this.later = later;
    this.found = [];
  }

  /** Days of each lane, in their order; null when there are none, or none were found within the tries. */
  run(): readonly FoundDays[] | null {
    return this.from(0) ? this.found : null;
  }

  private numbers(positions: readonly string[]): number[] {
    return positions.flatMap((x) => (this.positions.includes(x) ? [this.positions.indexOf(x)] : []));
  }

  private count(session: number, load: Load, by: number): void {
    const counts = this.inPosition[session]!;
    let mine = this.ofLoad.get(load);
    if (!mine) this.ofLoad.set(load, (mine = this.numbers(load.positions)));
    for (const x of mine) {
      if (counts[x] === 0) this.there[x]!++;
      counts[x]! += by;
      if (counts[x] === 0) this.there[x]!--;
    }
  }

  /** Least seconds of the lanes from one on, with the ways into positions that no session is in yet. */
  private least(at: number): number {
    const { seconds, days } = this.later[at]!;
    let sum = seconds;
    for (let x = 0; x < days.length; x++) {
      const more = days[x]! - this.there[x]!;
      if (more > 0) sum += more * this.toPosition;
    }
    return sum;
  }

  private holds(lane: number, { session: s, load }: SearchPart): boolean {
    if (this.held[s]!.length >= this.mostLanes) return false;
    const { room, plan } = this.sessions[s]!;
    if (room === Infinity) return true;
    const body = this.body[s]!;
    if (body + this.between[s]! + load.least > room) return false;
    return body + load.body + this.ways.withOne(this.held[s]!, this.mask[s]!, { lane, load }, plan) <= room;
  }

  private put(lane: number, { session: s, load }: SearchPart): void {
    const { room, plan } = this.sessions[s]!;
    const held = { lane, load };
    this.between[s] = room === Infinity ? 0 : this.ways.withOne(this.held[s]!, this.mask[s]!, held, plan);
    this.body[s]! += load.body;
    this.mask[s]! |= 1 << lane;
    this.held[s]!.push(held);
    this.count(s, load, 1);
  }

  /** Number of what a day holds, as far as what may still come to it goes: days of one number are alike. */
  private stateOf(offset: number): number {
    const on = this.on[offset]!;
    let key: number | string;
    if (this.severalOnDay) {
      key = `${this.begins[offset]}`;
      for (const s of on) key += `|${this.mask[s]}=${this.body[s]}`;
    } else key = on.length === 0 ? -1 : this.begins[offset]! * 2 ** 21 + this.mask[on[0]!]!;
    let number = this.states.get(key);
    if (number === undefined) this.states.set(key, (number = this.states.size));
    return number;
  }

  /** True when the lanes from one on were searched in vain with days like these before. @param mark true to remember that they are now */
  private isDead(at: number, states: readonly number[], mark: boolean): boolean {
    const days = [...states].sort((a, b) => a - b);
    if (days[6]! >= DEAD_STATES) return false;
    const [a, b, c, d, e, f, g] = days as [number, number, number, number, number, number, number];
    const first = packed(at, a, b, c);
    const second = packed(d, e, f, g);
    const seconds = this.dead.get(first);
    if (!mark) return seconds?.has(second) ?? false;
    if (seconds) seconds.add(second);
    else this.dead.set(first, new Set([second]));
    return true;
  }

  /** Choices of days for a lane, the emptiest first; of choices that are alike only one. */
  private choices(at: number, able: readonly number[], states: readonly number[]): Choice[] {
    const { days, loaded, lastDay } = this.lanes[at]!;
    const fullness = [0, 0, 0, 0, 0, 0, 0];
    for (const o of able)
      for (const s of this.on[o]!) fullness[o]! += this.body[s]! + this.between[s]! - this.sessions[s]!.room;
    // Three bits for how often each kind of day is in a choice.
    const kind = states.map((n) => 3 * states.indexOf(n));
    const seen = new Set<number>();
    const out: Choice[] = [];
    for (const c of choicesOf(able, days)) {
      if (loaded) {
        if (!keepsGap(c, lastDay)) continue;
      } else {
        let key = 0;
        for (const o of c) key += 1 << kind[o]!;
        if (seen.has(key)) continue;
        seen.add(key);
      }
      let full = 0;
      for (const o of c) full += fullness[o]!;
      out.push({ days: c, full });
    }
    return out.sort((a, b) => a.full - b.full);
  }

  private from(at: number): boolean {
    const lane = this.lanes[at];
    if (!lane) return true;
    let left = 0;
    let places = 0;
    for (let s = 0; s < this.sessions.length; s++) {
      left += this.sessions[s]!.room - this.body[s]! - this.between[s]!;
      places += this.mostLanes - this.held[s]!.length;
    }
    if (this.later[at]!.places > places || this.least(at) > left) return false;
    const states = ALL_DAYS.map((o) => this.stateOf(o));
    // Loaded lanes come first, and their days are no more alike than the gaps between them.
    if (!lane.loaded && this.isDead(at, states, false)) return false;
    const ways: (readonly SearchPart[] | undefined)[] = [];
    const able: number[] = [];
    for (const o of this.offsets) {
      ways[o] = lane.on[o]!.find((share) => share.every((part) => this.holds(lane.lane, part)));
      if (ways[o]) able.push(o);
    }
    if (able.length < lane.days) return false;
    for (const { days } of this.choices(at, able, states)) {
      if (++this.nodes > this.most) {
        this.struck = true;
        return false;
      }
      const parts = days.flatMap((o) => ways[o]!);
      const before = parts.map(({ session: s }) => this.between[s]!);
      for (const part of parts) this.put(lane.lane, part);
      if (this.from(at + 1)) {
        this.found[at] = new Map(days.map((o) => [o, ways[o]!]));
        return true;
      }
      parts.forEach(({ session: s, load }, i) => {
        this.held[s]!.pop();
        this.mask[s]! &= ~(1 << lane.lane);
        this.body[s]! -= load.body;
        this.between[s] = before[i]!;
        this.count(s, load, -1);
      });
      if (this.struck) return false;
    }
    if (!lane.loaded) this.isDead(at, states, true);
    return false;
  }
}
