import { boundsOf } from '../../catalogue/amount.js';
import { volume, weeklyDose } from '../../dose/dose.js';
import { percentOf } from '../../math/rounding.js';
import type { TimedItem } from '../../session/session-seconds.js';
import type { Style } from '../../styles/style.js';
import { isLoaded, type Technique, unitOf } from '../../technique/catalogue.js';
import { withAmount, type Bonus, type Bout, type Prescription, type Variable } from '../../technique/prescription.js';
import type { BlockCalendar } from '../absence/calendar.js';
import { beginningAgain, comingBack, LONG_ABSENCE, RETURN_WEEKS, shareBack } from '../absence/return.js';
import { firstWeekday, offsetOf, weekdayAt, type Slot } from '../day-plan/slots.js';
import type { CutFact, WeekFact } from '../facts.js';
import { techniqueBar } from '../limits.js';
import type { BlockInput, LaneInput, PlannedLane, PlannedWeek } from '../plan.js';
import { clampStep } from '../progression/clamp.js';
import { easierWeek } from '../progression/easier-week.js';
import { nextStep } from '../progression/next-step.js';
import { FREE, WAITED_RAMP, type Progression, type Step, type TakenStep } from '../progression/progression.js';
import { mostAfter } from '../progression/ramp.js';
import { rises } from '../progression/rises.js';
import { scaleTo } from '../progression/scale.js';
import { firstStep, nextPhase, otherStyle, stepAt } from '../progression/start.js';
import { bonusFor } from './bonus.js';
import type { Got, Want } from './fit.js';
import { LaneItems, Loads, type Load } from './lane-items.js';
import { LaneStyles } from './lane-styles.js';
import { Room, type RoomLane } from './room.js';

/** Where a lane stands in its style. */
interface Way {
  readonly progression: Progression;
  readonly key: string;
  /** First week of the run of its style. */
  readonly run: number;
  readonly index: number;
  /** First week of the phase. */
  readonly since: number;
}

/** A return after missed weeks. */
interface Return {
  /** The last full week, as it came out. */
  readonly before: Step;
  /** Where the lane stood; higher than that where minutes had cut it. */
  readonly stand: Step;
  readonly missed: number;
  /** Which week of it, from 0. */
  readonly at: number;
}

/** What a lane means to do in a week, before days and minutes are looked at. */
export interface LaneWeek {
  readonly kind: PlannedWeek['kind'];
  readonly way: Way | null;
  /** Null when nothing is done. */
  readonly target: Prescription | null;
  readonly activationReps: number;
  /** Steps that it could take, boldest first. */
  readonly steps: readonly TakenStep[];
  /** Where it stands when no step is taken. */
  readonly stand: Step | null;
  /** Why, for what came out. */
  readonly facts: (done: Prescription) => readonly WeekFact[];
  /** The variable that was turned up in the target already: it takes no time. */
  readonly changed: Variable | null;
  readonly locked: boolean;
  /** False for a week that lost sessions: no base for the next, and no fall. */
  readonly base: boolean;
  readonly cuts: readonly CutFact[];
  readonly back: Return | null;
  /** True when nothing fitted the weekly increase. */
  readonly waits: boolean;
  /** True in the week of a return that begins it. */
  readonly firstBack: boolean;
  /** True when nothing is done because the client is not there. */
  readonly absent: boolean;
  readonly past: PlannedWeek | null;
  readonly technique: Technique;
}

const plain = (p: Prescription): Prescription => {
  const { bonus: _, ...rest } = p;
  return rest;
};

/** A lane while it is being planned, week by week. */
export class LanePlanner {
  readonly cells: PlannedWeek[] = [];
  private stand: Step | null = null;
  /** Volume of the last full week as it came out; below that of `stand` where minutes or days cut it. */
  private settled = 0;
  private settledAs: Prescription | null = null;
  private way: Way | null = null;
  private step = 0;
  private waited = 0;
  private refused: readonly Variable[] = [];
  private absent = 0;
  private back: Return | null = null;
  /** Settled steps of the lane, the present one last, and steps down that are still to be taken. */
  private readonly rungs: Step[] = [];
  private down = 0;
  /** Returns that began one after another without a whole one. */
  private returns = 0;
  private lastLoaded: number | null = null;
  readonly styles: LaneStyles;
  private readonly timed: LaneItems;
  private readonly loads = new Loads();

  constructor(
    readonly lane: LaneInput,
    private readonly input: BlockInput,
    private readonly calendar: BlockCalendar,
    /** True when another lane of the same group comes before it: the tighter side's extra goes to the first. */
    private readonly second: boolean,
  ) {
    this.styles = new LaneStyles(lane, input);
    this.timed = new LaneItems(lane.group, input.client.timings, ({ technique }, plan) =>
      lane.exercises === undefined ? null : this.styles.exercisesIn(technique)[plan]!,
    );
  }

  /** Weekly volume of the last full week: what the ramp of the group goes by. */
  get volumeNow(): number {
    return this.settled;
  }

  private beforeAndAfterOf(style: Style, activationReps: number, sensation: number): Bout[] {
    const out: Bout[] = [];
    for (const extra of [style.before, style.after]) {
      if (!extra) continue;
      const bar = techniqueBar(extra.technique, this.input.client);
      if (bar !== null || !this.styles.can(extra.technique)) {
        this.styles.leave(extra.technique, bar, null);
        continue;
      }
      const asked = extra === style.after && activationReps > 0 ? activationReps : extra.amount;
      // Never more, or less, than the exercise is made for.
      const made = this.lane.exercises?.find((e) => e.technique === extra.technique)?.exercise;
      const range = made?.technique === extra.technique ? boundsOf(made) : { min: 0, max: Infinity };
      const amount = Math.min(range.max, Math.max(range.min, asked));
      const timed = unitOf(extra.technique) === 'seconds';
      out.push({
        technique: extra.technique,
        sets: extra.sets,
        holdSeconds: timed ? amount : 0,
        sensation: Math.min(4, sensation),
        ...(timed ? {} : { reps: amount }),
      });
    }
    return out;
  }

  private nothing(
    week: number,
    code: 'not-started' | 'over' | 'missed' | 'away' | 'no-room',
    way: Way | null,
    cuts: readonly CutFact[] = [],
  ): LaneWeek {
    return {
      kind: 'rest',
      way,
      target: null,
      activationReps: 0,
      steps: [],
      stand: this.stand,
      facts: () => [{ code }],
      changed: null,
      locked: false,
      base: false,
      cuts,
      back: this.back,
      waits: false,
      firstBack: false,
      absent: code === 'missed' || code === 'away',
      past: null,
      technique: this.techniqueIn(week),
    };
  }

  private techniqueIn(week: number): Technique {
    return this.stand?.prescription.technique ?? this.styles.runOf(week).style.phases[0]!.technique;
  }

  /** The phase of a week: the one it is in until its weeks are over, help is off and, under load, the first plate is on. */
  private wayOf(week: number, easier: boolean): Way | null {
    const run = this.styles.runOf(week);
    const now = this.way;
    // An easier week belongs to the weeks before it, even when the style changes with it.
    if (now && easier) return now;
    if (!now || now.run !== run.fromWeek || this.stand === null) {
      const made = this.styles.progressionOf(run.style, 0);
      return made && { ...made, run: run.fromWeek, index: 0, since: week };
    }
    const last = run.style.phases.length - 1;
    const over = week >= now.since + this.styles.phaseWeeks(run, now.index);
    // Nobody learns another technique in the weeks of a return.
    const returning = this.absent > 0 || this.back !== null;
    if (now.index >= last || !over || returning || !this.isReady(now.progression)) return now;
    const made = this.styles.progressionOf(run.style, now.index + 1);
    // Where the next one can be done nowhere, this one goes on.
    return made ? { ...made, run: run.fromWeek, index: now.index + 1, since: week } : now;
  }

  private isReady({ limits, phase }: Progression): boolean {
    const p = this.stand!.prescription;
    if ((p.assistance ?? 0) > 0) return false;
    return !isLoaded(phase.technique) || (p.load ?? 0) > 0 || limits.loadMax === 0;
  }

  /** What the lane means to do in a week. @param groupOthers weekly volume of the group's other lanes */
  week(week: number, slots: readonly Slot[], groupOthers: number): LaneWeek {
    const { lane } = this;
    const past = lane.past?.find((w) => w.week === week);
    const missed = this.input.missedWeeks?.includes(week) ?? false;
    if (past && !missed) return { ...this.nothing(week, 'over', this.way), past };
    if (week < (lane.fromWeek ?? 1)) return this.nothing(week, 'not-started', null);
    if (lane.untilWeek && week > lane.untilWeek) return this.nothing(week, 'over', this.way);
    if (this.calendar.missed.has(week)) return this.nothing(week, missed ? 'missed' : 'away', this.way);
    const wanted = this.wanted(week, groupOthers);
    return wanted.target === null || wanted.locked ? wanted : this.onDays(week, wanted, slots);
  }

  /** A week with fewer days than the lane wants: as many as there are. */
  private onDays(week: number, w: LaneWeek, slots: readonly Slot[]): LaneWeek {
    const p = w.target!;
    const most = Room.mostDays(this.roomLane(p.technique), slots);
    const lost = this.input.partWeeks?.includes(week) ?? false;
    const steps = w.steps.filter((s) => s.prescription.sessionsPerWeek <= most);
    if (p.sessionsPerWeek <= most && !lost) return { ...w, steps };
    const days = new Set(slots.filter((s) => this.styles.isIn(p.technique, s.plan)).map((s) => s.offset)).size;
    const away = lost || days < this.styles.daysOf(p.technique).length;
    if (days === 0) return this.nothing(week, 'away', w.way);
    if (most === 0) {
      const args = { sessions: 0, wanted: p.sessionsPerWeek };
      return this.nothing(week, 'no-room', w.way, [{ code: 'gap-between-loaded', args }]);
    }
    const sessions = Math.min(p.sessionsPerWeek, most);
    const target = { ...p, sessionsPerWeek: sessions };
    const counts = { sessions, wanted: p.sessionsPerWeek };
    const facts = w.facts;
    const { stand } = w;
    const held = w.kind === 'build' && w.changed !== null && this.stand ? this.stand : null;
    return {
      ...w,
      target: held
        ? { ...held.prescription, sessionsPerWeek: Math.min(held.prescription.sessionsPerWeek, most) }
        : target,
      stand: held ?? stand,
      changed: null,
      steps: [],
      waits: false,
      base: !away,
      ...(away
        ? {
            facts: (done) => [
              ...facts(done).filter((f) => f.code === 'back-after' || f.code === 'begins-again' || f.code === 'easier'),
              { code: 'fewer-days', args: counts },
            ],
          }
        : isLoaded(p.technique)
          ? { cuts: [...w.cuts, { code: 'gap-between-loaded', args: counts }] }
          : {}),
    };
  }

  private wanted(week: number, groupOthers: number): LaneWeek {
    const { ramp } = this.input;
    const run = this.styles.runOf(week);
    const now = this.calendar.easier.includes(week) && run.style.easierWeeks;
    const easier = now && this.stand !== null && this.absent === 0;
    const way = this.wayOf(week, easier);
    const locked = this.lane.locked?.find((l) => l.week === week);
    if (way === null && locked && locked.prescription.sessionsPerWeek > 0) {
      const { prescription } = locked;
      const at = { prescription: plain(prescription), activationReps: 0 };
      return {
        ...this.nothing(week, 'no-room', null),
        kind: easier ? 'easier' : 'build',
        target: prescription,
        stand: at,
        facts: () => [{ code: 'set-by-coach' }],
        locked: true,
        base: !easier,
        technique: prescription.technique,
      };
    }
    if (way === null) {
      const { technique } = run.style.phases[0]!;
      const missing = this.styles.missing(technique);
      return this.nothing(week, 'no-room', null, [{ code: 'nowhere', args: { group: this.lane.group, missing } }]);
    }
    const { progression } = way;
    const { style, phase, limits } = progression;
    const made = (
      kind: LaneWeek['kind'],
      at: Step,
      facts: LaneWeek['facts'],
      over: Partial<LaneWeek> = {},
    ): LaneWeek => ({
      kind,
      way,
      target: at.prescription,
      activationReps: at.activationReps,
      steps: [],
      stand: at,
      facts,
      changed: null,
      locked: false,
      base: kind === 'build',
      cuts: [],
      back: null,
      waits: false,
      firstBack: false,
      absent: false,
      past: null,
      technique: phase.technique,
      ...over,
    });
    const held = this.stand;
    this.down = Math.max(this.down, this.lane.eased?.find((e) => e.week === week)?.steps ?? 0);
    if (locked) {
      const reps = held?.activationReps ?? firstStep(progression).activationReps;
      const p = locked.prescription;
      if (p.sessionsPerWeek === 0)
        return { ...this.nothing(week, 'missed', way), locked: true, facts: () => [{ code: 'set-by-coach' }] };
      const at = { prescription: p, activationReps: reps };
      const stand = easier ? held : { ...at, prescription: plain(p) };
      return made(easier ? 'easier' : 'build', at, () => [{ code: 'set-by-coach' }], {
        locked: true,
        base: !easier,
        stand,
        technique: p.technique,
      });
    }
    if (held === null) {
      const { startingDose } = this.lane;
      const first = startingDose ? stepAt(progression, startingDose) : firstStep(progression);
      const above = startingDose && volume(first.prescription) > volume(firstStep(progression).prescription);
      const fact: WeekFact = above
        ? { code: 'starts-at-dose', args: { style: style.name, seconds: startingDose } }
        : { code: 'style-starts', args: { style: style.name } };
      return made('build', first, () => [fact]);
    }
    const fits = held.prescription.technique === phase.technique && way.key === this.way?.key;
    const last = fits ? clampStep(held, progression, ramp) : held;
    const grid = { amountMin: limits.amountMin, stepSize: phase.stepSize, plate: limits.plate };
    if (easier) {
      // Of the last full week as it came out: minutes may have cut it, and a return may have gone above the step it comes back to.
      const other = Math.abs(this.settled - volume(last.prescription)) > 1e-9;
      const done = this.settledAs && other ? this.settledAs : last.prescription;
      // A week that the coach set outside the limits is brought inside first.
      const from = clampStep({ ...last, prescription: done }, progression, ramp).prescription;
      const { prescription, smaller } = easierWeek(from, limits.amountMin, phase.stepSize);
      return made(
        'easier',
        { ...last, prescription },
        (done) => [{ code: 'easier', args: { percent: percentOf(volume(done), volume(from)), smaller } }],
        { stand: held },
      );
    }
    if (!fits && this.absent > 0) {
      const from = this.back?.before ?? this.asDone(held, this.way?.progression ?? progression);
      const before = otherStyle(from, progression, 0);
      this.back = null;
      return this.returning(before, before, progression, grid, made);
    }
    const entered = fits
      ? null
      : way.run === this.way?.run && way.index > this.way.index
        ? nextPhase(this.asDone(held, this.way?.progression ?? progression), progression, ramp)
        : otherStyle(this.asDone(held, this.way?.progression ?? progression), progression, ramp);
    const base: Step = entered ?? last;
    // A return is lower already.
    if (this.absent > 0 || this.back) this.down = 0;
    if (this.absent > 0) return this.returning(this.asDone(last, progression), base, progression, grid, made);
    if (this.back && entered === null) {
      const at = this.back.at + 1;
      const { before, missed } = this.back;
      const share = shareBack(missed, at);
      const target = { ...before, prescription: comingBack(before.prescription, share, false, grid) };
      const whole = at >= RETURN_WEEKS - 1;
      return made(
        'build',
        target,
        (done) => [
          {
            code: 'back-after',
            args: { weeks: missed, percent: percentOf(volume(done), volume(before.prescription)), back: at + 1 },
          },
        ],
        { stand: this.back.stand, back: whole ? null : { ...this.back, at } },
      );
    }
    if (entered) return made('build', entered, () => [entered.fact]);
    if (this.down > 0) return this.goingDown(last, made);
    if (last !== held && !sameAs(last.prescription, held.prescription))
      return made('build', last, () => [{ code: 'back-in-limits' }]);
    if (this.settled < volume(last.prescription) - 1e-9) return this.backToStep(last, grid, made);
    return this.stepping(last, progression, groupOthers, made);
  }

  /** Steps down that soreness or a review asked for: back to the settled step before, and on from there (domain 2.10, 1 and 6). */
  private goingDown(
    last: Step,
    made: (k: 'build', at: Step, facts: LaneWeek['facts'], over?: Partial<LaneWeek>) => LaneWeek,
  ): LaneWeek {
    const steps = this.down;
    this.down = 0;
    const index = Math.max(0, this.rungs.length - 1 - steps);
    this.rungs.length = Math.min(this.rungs.length, index + 1);
    const at = this.rungs[index] ?? last;
    const [from, to] = [volume(last.prescription), volume(at.prescription)];
    return made('build', to < from ? at : last, () => [
      { code: 'eased', args: { steps, from, to: Math.min(from, to) } },
    ]);
  }

  /** A step that is settled, so that a later week can go back to it; steps of another technique are none to go back to. */
  private remember(): void {
    const { stand } = this;
    if (!stand) return;
    const before = this.rungs.at(-1);
    if (before && before.prescription.technique !== stand.prescription.technique) this.rungs.length = 0;
    // Back on an earlier step: those above it are to be taken again.
    const there = this.rungs.findIndex((r) => sameAs(r.prescription, stand.prescription));
    if (there >= 0) this.rungs.length = there + 1;
    else this.rungs.push(stand);
  }

  /** The first week after missed ones (domain 2.6, 12; 2.10, 3). */
  private returning(
    done: Step,
    base: Step,
    progression: Progression,
    grid: Parameters<typeof comingBack>[3],
    made: (k: 'build', at: Step, facts: LaneWeek['facts'], over?: Partial<LaneWeek>) => LaneWeek,
  ): LaneWeek {
    const missed = this.absent;
    if (missed >= LONG_ABSENCE) {
      const before = this.back?.before ?? done;
      const p = beginningAgain(before.prescription, firstStep(progression).prescription, grid);
      return made(
        'build',
        { ...before, prescription: p },
        (done) => [
          {
            code: 'begins-again',
            args: { weeks: missed, percent: percentOf(volume(done), volume(before.prescription)) },
          },
        ],
        { firstBack: true },
      );
    }
    let { before, stand } = this.back ?? { before: done, stand: base };
    if (this.returns % 2 === 1) {
      const next = nextStep(before, progression, { ramp: this.input.ramp });
      const most = mostAfter(volume(before.prescription), WAITED_RAMP);
      if (!('why' in next) && volume(next.prescription) <= most + 1e-9) {
        if (volume(stand.prescription) <= volume(before.prescription) + 1e-9) stand = next;
        before = next;
      }
    }
    const target = { ...before, prescription: comingBack(before.prescription, shareBack(missed, 0), true, grid) };
    return made(
      'build',
      target,
      (done) => [
        {
          code: 'back-after',
          args: { weeks: missed, percent: percentOf(volume(done), volume(before.prescription)), back: 1 },
        },
      ],
      { stand, back: { before, stand, missed, at: 0 }, firstBack: true },
    );
  }

  /** Where the lane stands, in the size of its last full week: its least where that was not done at all. */
  private asDone(last: Step, { limits, phase }: Progression): Step {
    if (this.settled >= volume(last.prescription) - 1e-9) return last;
    const least = (): Prescription => scaleTo(last.prescription, 0, limits.amountMin, phase.stepSize);
    return { ...last, prescription: this.settledAs ? keepSize(last.prescription, this.settledAs) : least() };
  }

  /** A week after one that minutes or days cut: back towards the step, by at most half a week (domain 2.6, 2). */
  private backToStep(
    last: Step,
    { amountMin, stepSize }: { readonly amountMin: number; readonly stepSize: number },
    made: (k: 'build', at: Step, facts: LaneWeek['facts'], over?: Partial<LaneWeek>) => LaneWeek,
  ): LaneWeek {
    const p = last.prescription;
    const floor = volume(scaleTo(p, 0, amountMin, stepSize));
    const most = Math.max(mostAfter(this.settled, WAITED_RAMP), floor);
    const target = most >= volume(p) ? p : scaleTo(p, most, amountMin, stepSize);
    const from = this.settled;
    return made(
      'build',
      { ...last, prescription: target },
      (done) => [{ code: 'back-to-step', args: { from, to: volume(done), most: percentOf(WAITED_RAMP, 1) } }],
      { stand: last },
    );
  }

  private stepping(
    last: Step,
    progression: Progression,
    groupOthers: number,
    made: (k: 'build', at: Step, facts: LaneWeek['facts'], over?: Partial<LaneWeek>) => LaneWeek,
  ): LaneWeek {
    const { ramp } = this.input;
    const { waited, refused } = this;
    const next = nextStep(last, progression, { ramp, waited, refused, alongside: groupOthers });
    if ('why' in next) return made('build', last, () => [next.why], { waits: next.why.code === 'above-increase' });
    const variable = next.changed!;
    if (FREE.includes(variable)) return made('build', next, () => [next.fact], { changed: variable });
    const turn = { variable, until: null };
    const smaller = rises(last, turn, progression).filter(
      (s) => volume(s.prescription) < volume(next.prescription) - 1e-9,
    );
    return made('build', last, () => [], { steps: [next, ...smaller] });
  }

  /** What the lane wants of the week's sessions. */
  wantOf(w: LaneWeek): Want {
    const first = firstWeekday(this.input);
    if (w.past) {
      const { past } = w;
      const done = past.kind !== 'rest' && past.days.length > 0;
      return {
        target: done ? past.prescription : null,
        steps: [],
        least: { amount: 1, grid: 1 },
        set: true,
        days: past.days.map((d) => offsetOf(d, first)),
        bonus: () => null,
      };
    }
    const grid = w.way?.progression.phase.stepSize ?? 1;
    const amount = w.way?.progression.limits.amountMin ?? 1;
    return {
      target: w.target,
      steps: w.steps.map((s) => s.prescription),
      least: { amount, grid },
      set: w.locked,
      days: null,
      bonus: (p) => (w.locked ? null : this.bonusOf(p, w)),
    };
  }

  private bonusOf(p: Prescription, w: LaneWeek): Bonus | null {
    const side = this.lane.tighterSide ?? null;
    if (side === null || this.second || w.way === null) return null;
    const exercises = this.lane.exercises?.filter((e) => e.technique === p.technique) ?? [];
    if (exercises.length > 0 && exercises.every((e) => e.exercise.sides === 'both')) return null;
    const { limits, phase } = w.way.progression;
    return bonusFor(p, side, limits, phase.stepSize);
  }

  /** The lane as the week's sessions see it. */
  roomLane(technique: Technique, w?: LaneWeek): RoomLane {
    const inPlan = this.styles.plans.map((_, i) => this.styles.isIn(technique, i));
    const extras = w ? this.extrasOf(w) : [];
    const loads = new Map<string, Load>();
    return {
      group: this.lane.group,
      loaded: isLoaded(technique),
      lastDay: this.lastLoaded,
      inPlan,
      themed: this.styles.plans.map((p) => p.theme !== null),
      load: (p, plan, sets): Load => {
        const key = `${plan}|${sets}|${sizeOf(p)}|${p.cycles ?? ''}|${p.bonus ? `${p.bonus.sets},${p.bonus.more}` : ''}`;
        let load = loads.get(key);
        if (!load) {
          const extra = extras
            .filter((e) => this.styles.isIn(e.technique, plan))
            .flatMap((e) => this.timed.of(e, plan));
          loads.set(key, (load = this.loads.of([...this.timed.of({ ...p, sets }, plan), ...extra], plan)));
        }
        return load;
      },
    };
  }

  /** The session items of a cell with some sets in a day plan. */
  itemsOf(
    cell: Pick<PlannedWeek, 'prescription' | 'beforeAndAfter'>,
    plan: number,
    sets: number,
  ): readonly TimedItem[] {
    const bouts = [{ ...cell.prescription, sets }, ...cell.beforeAndAfter];
    return bouts.filter((b) => this.styles.isIn(b.technique, plan)).flatMap((b) => this.timed.of(b, plan));
  }

  private extrasOf(w: LaneWeek): readonly Bout[] {
    if (w.past) return w.past.beforeAndAfter;
    if (w.target === null || w.way === null) return [];
    const { style, limits } = w.way.progression;
    return this.beforeAndAfterOf(style, w.activationReps, w.locked ? limits.sensationMax : w.target.sensation);
  }

  /** Last loaded day of the lane's group, 0-6 in the week before; null for none. */
  set lastLoadedDay(day: number | null) {
    this.lastLoaded = day;
  }

  /** Takes the week as it came out. @returns what it is short of */
  settle(week: number, w: LaneWeek, got: Got, slots: readonly Slot[]): readonly CutFact[] {
    if (w.past) {
      this.takePast(w.past);
      return [];
    }
    const { level } = got;
    const first = firstWeekday(this.input);
    if (w.target === null || level === null || (got.placement.size === 0 && !w.locked)) {
      if (w.absent && this.stand !== null) this.absent++;
      // Not done for want of room: it comes back from its least.
      else if (w.cuts.length > 0 || w.target !== null) this.settled = 0;
      const shown = this.stand?.prescription ?? this.startOf(week);
      const cuts: readonly CutFact[] =
        w.target === null ? w.cuts : [...w.cuts, { code: 'no-room-for-lane', args: { short: got.short } }];
      this.cells.push({
        week,
        kind: 'rest',
        prescription: { ...plain(shown), sessionsPerWeek: 0 },
        beforeAndAfter: [],
        dose: 0,
        days: [],
        sessions: [],
        step: this.step,
        changed: null,
        styleId: this.styles.runOf(week).style.id,
        locked: w.locked,
        reasons: w.target === null ? [...w.facts(shown), ...cuts] : [{ code: 'no-room' }, ...cuts],
      });
      return cuts;
    }
    const taken = got.step === null ? null : w.steps[got.step]!;
    const days = [...got.placement.keys()].sort((a, b) => a - b);
    const body = taken ? { ...level } : w.locked ? level : keepSize(w.target, level);
    const done: Prescription = { ...body, sessionsPerWeek: w.locked ? level.sessionsPerWeek : days.length };
    const changed = taken ? taken.changed : w.changed;
    const postponed = w.steps.length > 0 && taken === null;
    const size = got.short === null ? [] : this.cutsOf(w.target, done, got.short);
    const cuts: CutFact[] = [
      ...w.cuts,
      ...size,
      ...(postponed ? [{ code: 'no-step' as const, args: { short: got.short } }] : []),
      ...(got.noExtra ? [{ code: 'no-extra' as const }] : []),
    ];
    const entered = w.way !== null && w.way.key !== this.way?.key && w.kind === 'build';
    // Who begins again does so from what was meant, even when the first week lost days.
    const beginsAgain = w.firstBack && w.back === null;
    if (w.base || this.stand === null || entered || beginsAgain) {
      if (
        taken !== null ||
        w.changed !== null ||
        this.stand === null ||
        w.stand?.prescription.technique !== this.stand.prescription.technique
      )
        this.step++;
      this.stand = taken ? { ...taken, prescription: plain(taken.prescription) } : w.stand;
      // A first week that lost sessions says nothing of what the lane holds.
      this.settledAs = w.base ? plain(done) : (w.back?.before ?? this.stand!).prescription;
      this.settled = volume(this.settledAs);
      this.way = w.way ?? this.way;
      this.remember();
      this.waited = w.waits ? this.waited + 1 : 0;
      this.refused = postponed ? [w.steps[0]!.changed!] : [];
    } else if (w.kind === 'easier') this.way ??= w.way;
    if (w.kind === 'build') {
      this.back = w.back;
      this.returns = w.firstBack ? this.returns + 1 : w.back ? this.returns : 0;
      if (w.back === null && !w.firstBack) this.returns = 0;
    }
    this.absent = 0;
    const reasons = taken ? [taken.fact] : postponed ? [{ code: 'step-waits' as const }] : w.facts(plain(done));
    this.cells.push({
      week,
      kind: w.kind,
      prescription: done,
      beforeAndAfter: this.extrasOf({ ...w, activationReps: taken ? taken.activationReps : w.activationReps }),
      dose: weeklyDose(done),
      days: days.map((o) => weekdayAt(o, first)).sort((a, b) => a - b),
      sessions: days.flatMap((o) =>
        got.placement.get(o)!.map(({ slot, sets }) => ({
          weekday: weekdayAt(o, first),
          dayPlanId: this.styles.plans[slots[slot]!.plan]!.id,
          sets,
        })),
      ),
      step: Math.max(1, this.step),
      changed: changed ?? null,
      styleId: (w.way?.progression.style ?? this.styles.runOf(week).style).id,
      locked: w.locked,
      reasons: reasons.length + cuts.length > 0 ? [...reasons, ...cuts] : [{ code: 'unchanged' }],
    });
    return cuts;
  }

  private startOf(week: number): Prescription {
    const { style } = this.styles.runOf(week);
    const made = this.styles.progressionOf(style, 0);
    if (made) return firstStep(made.progression).prescription;
    const { technique, start } = style.phases[0]!;
    return withAmount({ technique, ...start, sensation: 4 }, start.reps ?? start.holdSeconds);
  }

  private cutsOf(wanted: Prescription, got: Prescription, short: number): CutFact[] {
    const minutes = Math.max(0, ...this.styles.plans.map((p) => p.minutes ?? 0));
    const out: CutFact[] = [];
    const say = (code: 'fewer-sets' | 'fewer-sessions' | 'smaller-bouts', from: number, to: number): void => {
      if (to < from) out.push({ code, args: { from, to, minutes, short } });
    };
    say('fewer-sets', wanted.sets, got.sets);
    say('fewer-sessions', wanted.sessionsPerWeek, got.sessionsPerWeek);
    say('smaller-bouts', sizeOf(wanted), sizeOf(got));
    return out;
  }

  /** A week that was published and has begun: what was done in it is what the next goes on from. */
  private takePast(past: PlannedWeek): void {
    this.cells.push(past);
    this.step = past.step;
    if (past.kind === 'rest') {
      if (this.stand && past.reasons.some((r) => r.code === 'missed' || r.code === 'away')) this.absent++;
      return;
    }
    const part = this.input.partWeeks?.includes(past.week) ?? false;
    this.absent = 0;
    if (past.kind !== 'build' || (part && this.stand !== null)) return;
    const run = this.styles.runOf(past.week);
    const now = this.way?.run === run.fromWeek ? this.way : null;
    const from = now?.index ?? 0;
    const { technique } = past.prescription;
    const index = Math.max(
      from,
      run.style.phases.findIndex(
        (_, i) => i >= from && this.styles.progressionOf(run.style, i)?.progression.phase.technique === technique,
      ),
    );
    const made = this.styles.progressionOf(run.style, index);
    this.way = made && { ...made, run: run.fromWeek, index, since: now?.index === index ? now.since : past.week };
    const after = past.beforeAndAfter.find((e) => e.technique === made?.progression.style.after?.technique);
    let prescription = plain(past.prescription);
    const back = past.reasons.find((r) => r.code === 'back-after');
    const stepped = this.stand;
    if (back?.code === 'back-after' && stepped && back.args.back !== undefined && back.args.back < RETURN_WEEKS) {
      this.back = { before: stepped, stand: stepped, missed: back.args.weeks, at: back.args.back - 1 };
      this.returns = back.args.back === 1 ? this.returns + 1 : this.returns;
    } else {
      this.back = null;
      this.returns = 0;
      const cut = past.reasons.some(
        (r) => r.code === 'fewer-sets' || r.code === 'fewer-sessions' || r.code === 'smaller-bouts',
      );
      const lost = past.reasons.find((r) => r.code === 'fewer-days');
      const again = past.reasons.some((r) => r.code === 'begins-again');
      if (lost?.code === 'fewer-days' && again) prescription = { ...prescription, sessionsPerWeek: lost.args.wanted };
      const away = lost !== undefined && !again;
      if (!stepped || again || !(cut || away)) this.stand = { prescription, activationReps: after?.reps ?? 0 };
      if (away && stepped) return;
    }
    this.remember();
    this.settledAs = prescription;
    this.settled = volume(prescription);
    this.waited = past.reasons.some((r) => r.code === 'above-increase') ? this.waited + 1 : 0;
    this.refused = [];
  }

  finished(): PlannedLane {
    return {
      group: this.lane.group,
      styleId: this.lane.styleId,
      weeks: this.cells,
      limitReasons: this.styles.limitReasons,
      leftOut: this.styles.leftOut,
    };
  }
}

const sizeOf = (p: Prescription): number => p.reps ?? p.holdSeconds;

/** A prescription in the size that it got: sets, sessions, bout, and what the tighter side gets on top. */
function keepSize(wanted: Prescription, level: Prescription): Prescription {
  const sized = { ...wanted, sets: level.sets, sessionsPerWeek: level.sessionsPerWeek };
  const out = withAmount(
    sized,
    level.technique === wanted.technique ? (level.reps ?? level.holdSeconds) : sizeOf(wanted),
  );
  return level.bonus ? { ...out, bonus: level.bonus } : out;
}

function sameAs(a: Prescription, b: Prescription): boolean {
  return JSON.stringify(a) === JSON.stringify(b);
}
