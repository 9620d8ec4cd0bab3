import type { MuscleGroupId } from '../../anatomy/muscle-group.js';
import { boutDose } from '../../dose/dose.js';
import { purposeRules } from '../../session/purpose.js';
import { kindOf } from '../../technique/catalogue.js';
import type { Prescription } from '../../technique/prescription.js';
import { DEFAULT_TIMINGS, type Timings } from '../../technique/timings.js';
import { rankIn, type PlacedDayPlan } from '../day-plan/day-plan.js';
import type { Slot } from '../day-plan/slots.js';
import type { SessionLength } from '../plan-timing.js';
import { Between, type Held } from './between.js';
import { choicesOf, keepsGap } from './day-choices.js';
import { DaySearch, type SearchLane, type SearchPart } from './day-search.js';
import type { Load } from './lane-items.js';

/** A lane, as far as finding room for it goes. */
export interface RoomLane {
  readonly group: MuscleGroupId;
  readonly loaded: boolean;
  /** Last day of its group under load in the week before, 0-6; null when there was none. Loaded lanes keep 48 h from it. */
  readonly lastDay: number | null;
  /** True for each day plan that it is done in. */
  readonly inPlan: readonly boolean[];
  /** True for each day plan that is made for its group among others: it comes there first. */
  readonly themed: readonly boolean[];
  /** True where the routine of a day plan does sets of the lane: it comes there first, what is done anyhow is not planned again. */
  readonly given: (p: Prescription, plan: number) => boolean;
  /** What a number of sets is in a session of a day plan, beyond what its routine does of them. */
  readonly load: (p: Prescription, plan: number, sets: number) => Load;
}

/** A part of a lane's week: sets in one session. */
export interface Placed {
  readonly slot: number;
  readonly sets: number;
}

/** Days of a lane, each with its sessions. */
export type Placement = ReadonlyMap<number, readonly Placed[]>;

/** Days are assigned within this many tries a week (domain 2.6, 10). */
export const MOST_NODES = 2000;

function unevenness(days: readonly number[]): number {
  let sum = 0;
  for (let i = 0; i < days.length; i++) {
    const gap = i + 1 < days.length ? days[i + 1]! - days[i]! : 7 - days[i]! + days[0]!;
    sum += gap * gap;
  }
  return sum;
}

/** One session while lanes come and go. */
interface Session {
  readonly slot: Slot;
  readonly plan: PlacedDayPlan;
  room: number;
  held: readonly Held[];
  body: number;
  between: number;
}

/** What a lane asks of a week at least. */
interface Ask {
  readonly days: number;
  readonly seconds: number;
  readonly positions: readonly string[];
  readonly stations: readonly string[];
  readonly things: readonly string[];
}

/** The sessions of a week, and what each lane takes of them. Finds days for lanes; never lets a session pass its minutes. */
export class Room {
  /** Ways tried so far. */
  nodes = 0;
  /** True when {@link MOST_NODES} ended a search: what it did not find may exist. */
  struck = false;
  private readonly sessions: readonly Session[];
  private readonly at: (Placement | null)[];
  private readonly level: (Prescription | null)[];
  /** Days of the week that have a session, 0-6. */
  private readonly offsets: readonly number[];
  /** Sessions of each day and lane. */
  private readonly on: readonly (readonly (readonly number[])[])[];
  /** Days on which a session is made for a lane's group. */
  private readonly themedOn: readonly (readonly boolean[])[];
  private readonly toPosition: number;

  constructor(
    private readonly lanes: readonly RoomLane[],
    slots: readonly Slot[],
    plans: readonly PlacedDayPlan[],
    length: SessionLength,
    private readonly timings: Timings | undefined,
    private readonly mostLanes: number,
    private readonly between: Between = new Between(
      length,
      plans,
      timings,
      lanes.map((l) => l.group),
    ),
  ) {
    this.sessions = slots.map((slot) => {
      const plan = plans[slot.plan]!;
      return { slot, plan, room: length.room(plan, timings), held: [], body: 0, between: 0 };
    });
    this.at = lanes.map(() => null);
    this.level = lanes.map(() => null);
    this.offsets = [...new Set(slots.map((s) => s.offset))];
    this.on = lanes.map((l) =>
      Array.from({ length: 7 }, (_, o) => slots.flatMap((s, i) => (s.offset === o && l.inPlan[s.plan] ? [i] : []))),
    );
    this.themedOn = lanes.map((l) =>
      Array.from({ length: 7 }, (_, o) => slots.some((s) => s.offset === o && l.inPlan[s.plan] && l.themed[s.plan])),
    );
    const t = timings ?? DEFAULT_TIMINGS;
    this.toPosition = Math.max(0, t.newPosition - t.samePosition);
  }

  /** Where a lane stands now; null when it has no days. */
  placementOf(lane: number): Placement | null {
    return this.at[lane]!;
  }

  /** A session's lanes with one more, in its order. */
  private joined(session: Session, extra: Held): readonly Held[] {
    const rankOf = (h: Held): number => rankIn(session.plan, this.lanes[h.lane]!.group, h.lane);
    const rank = rankOf(extra);
    const others = session.held.filter((h) => h.lane !== extra.lane);
    const before = others.findIndex((h) => rankOf(h) > rank);
    return before < 0 ? [...others, extra] : others.toSpliced(before, 0, extra);
  }

  /** Work of a session when a lane has a load in it. */
  private workWith(session: Session, lane: number, load: Load): number {
    const now = session.held.find((h) => h.lane === lane);
    const body = session.body - (now?.load.body ?? 0) + load.body;
    if (now?.load.ways === load.ways) return body + session.between;
    return body + this.between.of(this.joined(session, { lane, load }), session.slot.plan);
  }

  private set(session: Session, held: readonly Held[], sameWays: boolean): void {
    session.held = held;
    let body = 0;
    for (const h of held) body += h.load.body;
    session.body = body;
    if (!sameWays)
      session.between = held.length === 0 || session.room === Infinity ? 0 : this.between.of(held, session.slot.plan);
  }

  /** True when the purpose of a session allows some sets in it. */
  private allows(p: Prescription, { slot, sets }: Placed): boolean {
    const { staticMax } = purposeRules(this.sessions[slot]!.plan.purpose);
    if (staticMax === null || !kindOf(p.technique).still) return true;
    const more = p.bonus ? { sets: p.bonus.sets, seconds: p.bonus.more } : { sets: 0, seconds: 0 };
    return (sets + more.sets) * (boutDose(p) + more.seconds) <= staticMax;
  }

  /** True when a session holds some sets of a lane, minutes, number of lanes and purpose looked at. */
  private holds(lane: number, p: Prescription, { slot, sets }: Placed): boolean {
    const session = this.sessions[slot]!;
    if (!this.allows(p, { slot, sets })) return false;
    const there = session.held.some((h) => h.lane === lane);
    if (session.held.length - (there ? 1 : 0) >= this.mostLanes) return false;
    if (session.room === Infinity) return true;
    const load = this.lanes[lane]!.load(p, session.slot.plan, sets);
    if (!there && session.body + session.between + load.least > session.room) return false;
    return this.workWith(session, lane, load) <= session.room;
  }

  /** The sessions of a day that can share a lane's sets, and how: all of them, else fewer, else one alone. */
  private shares(lane: number, p: Prescription, offset: number): readonly (readonly Placed[])[] {
    const able = this.on[lane]![offset]!;
    if (able.length === 1) return [[{ slot: able[0]!, sets: p.sets }]];
    const out: Placed[][] = [];
    for (let m = Math.min(able.length, p.sets); m > 1; m--)
      out.push(able.slice(0, m).map((slot, i) => ({ slot, sets: Math.floor(p.sets / m) + (i < p.sets % m ? 1 : 0) })));
    return [...out, ...able.map((slot) => [{ slot, sets: p.sets }])];
  }

  private onDay(lane: number, p: Prescription, offset: number): readonly Placed[] | null {
    return this.shares(lane, p, offset).find((share) => share.every((s) => this.holds(lane, p, s))) ?? null;
  }

  private take(lane: number): void {
    for (const placed of this.at[lane]?.values() ?? [])
      for (const { slot } of placed) {
        const session = this.sessions[slot]!;
        this.set(
          session,
          session.held.filter((h) => h.lane !== lane),
          false,
        );
      }
    this.at[lane] = null;
    this.level[lane] = null;
  }

  private put(lane: number, p: Prescription, placement: Placement): void {
    for (const placed of placement.values())
      for (const { slot, sets } of placed) {
        const session = this.sessions[slot]!;
        const load = this.lanes[lane]!.load(p, session.slot.plan, sets);
        this.set(session, this.joined(session, { lane, load }), false);
      }
    this.at[lane] = placement;
    this.level[lane] = p;
  }

  /** Puts a lane on days that are not asked for room: what the coach or the past has set. Its sessions then hold at least that. */
  fix(lane: number, p: Prescription, days: readonly number[] | null): void {
    const { loaded, lastDay } = this.lanes[lane]!;
    const able = this.offsets.filter((o) => this.on[lane]![o]!.length > 0);
    let chosen = days;
    for (let n = Math.min(p.sessionsPerWeek, able.length); chosen === null && n > 0; n--) {
      const apart = choicesOf(able, n).filter((c) => !loaded || keepsGap(c, lastDay));
      const over = (c: readonly number[]): number => c.filter((o) => this.onDay(lane, p, o) === null).length;
      chosen = apart.length === 0 ? null : best(apart, (c) => [over(c), unevenness(c)]);
    }
    const placement = new Map(
      (chosen ?? []).map((o) => [o, this.onDay(lane, p, o) ?? this.shares(lane, p, o)[0] ?? []]),
    );
    this.put(lane, p, placement);
    for (const placed of placement.values())
      for (const { slot } of placed) {
        const session = this.sessions[slot]!;
        session.room = Math.max(session.room, session.body + session.between);
      }
  }

  /** True where a routine of a day does sets of a lane. */
  private givenOn(lane: number, p: Prescription, offset: number): boolean {
    return this.on[lane]![offset]!.some((s) => this.lanes[lane]!.given(p, this.sessions[s]!.slot.plan));
  }

  /** Days on which a lane finds room as things are. */
  private able(lane: number, p: Prescription): Map<number, readonly Placed[]> {
    const on = new Map<number, readonly Placed[]>();
    for (const o of this.offsets) {
      const share = this.on[lane]![o]!.length === 0 ? null : this.onDay(lane, p, o);
      if (share) on.set(o, share);
    }
    return on;
  }

  /** The same days and sessions with another amount, where they hold it. */
  private grown(lane: number, p: Prescription): boolean {
    const before = this.at[lane];
    const was = this.level[lane];
    if (!before || !was || was.sessionsPerWeek !== p.sessionsPerWeek) return false;
    const next = new Map<number, readonly Placed[]>();
    for (const [o, placed] of before) {
      const share =
        was.sets === p.sets ? placed : this.shares(lane, p, o).find((s) => s.every((x) => this.holds(lane, p, x)));
      if (!share?.every((s) => this.holds(lane, p, s))) return false;
      next.set(o, share);
    }
    const same = was.sets === p.sets;
    if (!same) this.take(lane);
    for (const placed of next.values())
      for (const { slot, sets } of placed) {
        const session = this.sessions[slot]!;
        const load = this.lanes[lane]!.load(p, session.slot.plan, sets);
        const now = session.held.find((h) => h.lane === lane);
        this.set(session, this.joined(session, { lane, load }), now?.load.ways === load.ways);
      }
    this.at[lane] = next;
    this.level[lane] = p;
    return true;
  }

  /** Gives a lane a level, all others staying on their days; false, and nothing changed, when they leave no room. */
  place(lane: number, p: Prescription, keepDays: boolean): boolean {
    if (keepDays && this.grown(lane, p)) return true;
    const before = this.at[lane]!;
    const on = this.able(lane, p);
    if (on.size < p.sessionsPerWeek) return false;
    const { loaded, lastDay } = this.lanes[lane]!;
    const able = choicesOf([...on.keys()], p.sessionsPerWeek).filter((c) => !loaded || keepsGap(c, lastDay));
    if (able.length === 0) return false;
    const visited = (o: number): boolean =>
      this.sessions.some((s) => s.slot.offset === o && s.held.some((h) => h.lane !== lane));
    const chosen = best(able, (c) => [
      keepDays && before ? c.filter((o) => !before.has(o)).length : 0,
      -c.filter((o) => this.givenOn(lane, p, o)).length,
      -c.filter((o) => this.themedOn[lane]![o]!).length,
      unevenness(c),
      c.filter((o) => !visited(o)).length,
    ]);
    this.take(lane);
    this.put(lane, p, new Map(chosen.map((o) => [o, on.get(o)!])));
    return true;
  }

  /** Gives a lane a level with the days of all lanes assigned anew; false, and nothing changed, when there is no way. */
  rearrange(lane: number, p: Prescription, free: readonly number[]): boolean {
    if (this.struck || !this.mayFit(lane, p, free)) return false;
    const question = this.question(lane, p, free);
    if (this.between.impossible.has(question)) return false;
    const before = free.map((i) => ({ lane: i, level: this.level[i]!, at: this.at[i]! }));
    const wanted = new Map<number, Prescription>();
    for (const b of before) if (b.lane !== lane && b.level) wanted.set(b.lane, b.level);
    wanted.set(lane, p);
    const kept = this.sessions.map(({ held, body, between }) => ({ held, body, between }));
    for (const b of before) this.take(b.lane);
    // Loaded lanes first: from then on the days are alike but for what they hold.
    const asks = new Map([...wanted].map(([i, level]) => [i, this.ask(i, level)]));
    const loaded = (i: number): number => (this.lanes[i]!.loaded ? 0 : 1);
    const order = [...wanted.keys()].sort(
      (a, b) => loaded(a) - loaded(b) || asks.get(b)!.seconds - asks.get(a)!.seconds || a - b,
    );
    const search = new DaySearch(
      this.sessions.map(({ slot, room, held, body, between }) => ({ ...slot, room, held, body, between })),
      order.map((i) => this.asked(i, wanted.get(i)!, asks.get(i)!)),
      this.offsets,
      this.between,
      this.mostLanes,
      this.toPosition,
      MOST_NODES,
      this.nodes,
    );
    const found = search.run();
    this.nodes = search.nodes;
    this.struck = search.struck;
    if (found) {
      order.forEach((i, k) => {
        const days = [...found[k]!].map(([o, parts]): [number, readonly Placed[]] => [
          o,
          parts.map(({ session, sets }) => ({ slot: session, sets })),
        ]);
        this.put(i, wanted.get(i)!, new Map(days));
      });
      return true;
    }
    if (!this.struck) this.between.impossible.add(question);
    this.sessions.forEach((s, i) => Object.assign(s, kept[i]));
    for (const b of before) {
      this.level[b.lane] = b.level;
      this.at[b.lane] = b.at;
    }
    this.level[lane] = before.find((b) => b.lane === lane)?.level ?? null;
    return false;
  }

  /** All that the answer of {@link rearrange} depends on. */
  private question(lane: number, p: Prescription, free: readonly number[]): string {
    const asked = free.flatMap((i) => {
      const level = i === lane ? p : this.level[i];
      if (!level) return [];
      const { loaded, lastDay, inPlan } = this.lanes[i]!;
      // The seconds tell of what stands before and after the stretch too.
      const seconds = inPlan.map((yes, plan) => (yes ? this.lanes[i]!.load(level, plan, level.sets).body : '-'));
      return [`${i}:${sizeOf(level)}=${seconds.join('/')}${loaded ? `^${lastDay}` : ''}`];
    });
    const rooms = this.sessions.map((s) => {
      const fixed = s.held.filter((h) => !free.includes(h.lane)).map((h) => `${h.lane}.${h.load.ways}.${h.load.body}`);
      return `${s.slot.offset}.${s.slot.plan}.${s.room}(${fixed.join()})`;
    });
    return `${asked.join()}|${rooms.join()}`;
  }

  /** What a lane asks of a week at least, wherever it lands. */
  private ask(lane: number, p: Prescription): Ask {
    const loads = this.lanes[lane]!.inPlan.flatMap((inPlan, plan) =>
      inPlan ? [this.lanes[lane]!.load(p, plan, p.sets)] : [],
    );
    const common = (of: (l: Load) => readonly string[]): string[] =>
      of(loads[0]!).filter((x) => loads.every((l) => of(l).includes(x)));
    return {
      days: p.sessionsPerWeek,
      seconds: Math.min(...loads.map((l) => l.least)) * p.sessionsPerWeek,
      positions: common((l) => l.positions),
      stations: common((l) => l.stations),
      things: common((l) => l.things),
    };
  }

  /**
   * Least seconds of some lanes on top of what the sessions hold: their own, and for each position the way into it, in as many more sessions as the
   * lane with the most days in it needs.
   */
  private leastOf(asks: readonly Ask[], from: number): number {
    let seconds = 0;
    const counts = new Map<string, number>();
    for (let k = from; k < asks.length; k++) {
      const a = asks[k]!;
      seconds += a.seconds;
      for (const x of a.positions) counts.set(x, Math.max(counts.get(x) ?? 0, a.days));
    }
    for (const [x, days] of counts) {
      let there = 0;
      for (const s of this.sessions) if (s.held.some((h) => h.load.positions.includes(x))) there++;
      if (days > there) seconds += (days - there) * this.toPosition;
    }
    return seconds;
  }

  /**
   * Least seconds of lanes in empty sessions: their own; a way into each position of each section, but where a section can go on in the position that
   * the one before it ended in; and each thing fetched once a session.
   */
  private leastOfAll(asks: readonly Ask[]): number {
    const t = this.timings ?? DEFAULT_TIMINGS;
    const most = (of: (a: Ask) => readonly string[]): Map<string, number> => {
      const counts = new Map<string, number>();
      for (const a of asks) for (const x of of(a)) counts.set(x, Math.max(counts.get(x) ?? 0, a.days));
      return counts;
    };
    const sum = (counts: Map<string, number>): number => [...counts.values()].reduce((n, x) => n + x, 0);
    const stations = most((a) => a.stations);
    const sections = new Set([...stations.keys()].map((x) => x.slice(0, x.indexOf(' ')))).size;
    const goingOn = this.sessions.length * Math.max(0, sections - 1);
    const ways = Math.max(sum(most((a) => a.positions)), sum(stations) - goingOn);
    const own = asks.reduce((n, a) => n + a.seconds, 0);
    return own + ways * this.toPosition + sum(most((a) => a.things)) * t.prop;
  }

  /** False when all lanes together need more seconds, or more places, than all sessions have: then no arrangement will do. */
  private mayFit(lane: number, p: Prescription, free: readonly number[]): boolean {
    const asks = free.flatMap((i) => (i !== lane && this.level[i] ? [this.ask(i, this.level[i])] : []));
    asks.push(this.ask(lane, p));
    const kept = this.sessions.map((s) => s.held);
    let room = 0;
    let places = 0;
    for (const s of this.sessions) {
      s.held = s.held.filter((h) => !free.includes(h.lane));
      places += this.mostLanes - s.held.length;
      room += s.room - s.held.reduce((n, h) => n + h.load.least, 0);
    }
    const empty = this.sessions.every((s) => s.held.length === 0);
    const need = empty ? this.leastOfAll(asks) : this.leastOf(asks, 0);
    this.sessions.forEach((s, i) => (s.held = kept[i]!));
    return need <= room && asks.reduce((n, a) => n + a.days, 0) <= places;
  }

  /** A lane as the search of days takes it: the ways to do it on each day, purpose looked at. */
  private asked(lane: number, p: Prescription, ask: Ask): SearchLane {
    const { loaded, lastDay } = this.lanes[lane]!;
    const part = ({ slot, sets }: Placed): SearchPart => ({
      session: slot,
      sets,
      load: this.lanes[lane]!.load(p, this.sessions[slot]!.slot.plan, sets),
    });
    const on = Array.from({ length: 7 }, (_, o) =>
      this.on[lane]![o]!.length === 0
        ? []
        : this.shares(lane, p, o)
            .filter((share) => share.every((s) => this.allows(p, s)))
            .map((share) => share.map(part)),
    );
    return { lane, days: p.sessionsPerWeek, loaded, lastDay, seconds: ask.seconds, positions: ask.positions, on };
  }

  /** Seconds of work that a session is short of before a lane finds all its days; 0 when it does, null when there are not enough days. */
  short(lane: number, p: Prescription): number | null {
    const over = this.offsets.flatMap((o) => {
      const shares = this.on[lane]![o]!.length === 0 ? [] : this.shares(lane, p, o);
      if (shares.length === 0) return [];
      const worst = (share: readonly Placed[]): number =>
        Math.max(
          ...share.map(({ slot, sets }) => {
            const session = this.sessions[slot]!;
            const load = this.lanes[lane]!.load(p, session.slot.plan, sets);
            return Math.max(0, this.workWith(session, lane, load) - session.room);
          }),
        );
      return [Math.min(...shares.map(worst))];
    });
    over.sort((a, b) => a - b);
    const last = over[p.sessionsPerWeek - 1];
    return last === undefined ? null : Math.ceil(last);
  }
}

/** Everything of a level that decides how long it takes. */
function sizeOf(p: Prescription): string {
  const extra = p.bonus ? `+${p.bonus.side}${p.bonus.sets}.${p.bonus.more}` : '';
  return `${p.technique}${p.sets}x${p.holdSeconds}.${p.reps ?? ''}.${p.cycles ?? ''}.${p.pushSeconds ?? ''}.${p.lowerSeconds ?? ''}x${p.sessionsPerWeek}${extra}`;
}

/** The first of the choices with the smallest score, compared part by part. */
function best(
  all: readonly (readonly number[])[],
  score: (c: readonly number[]) => readonly number[],
): readonly number[] {
  let found = all[0]!;
  let least = score(found);
  for (const c of all.slice(1)) {
    const s = score(c);
    const k = s.findIndex((x, i) => x !== least[i]);
    if (k >= 0 && s[k]! < least[k]!) [found, least] = [c, s];
  }
  return found;
}
