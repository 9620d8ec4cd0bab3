import type { TimedItem } from '../../session/session-seconds.js';
import { isLoaded, type Technique } from '../../technique/catalogue.js';
import type { Bonus, Bout, Prescription } from '../../technique/prescription.js';
import type { BlockCalendar } from '../absence/calendar.js';
import { boutMissing } from '../day-plan/day-routine.js';
import { firstWeekday, offsetOf, type Slot } from '../day-plan/slots.js';
import type { CutFact } from '../facts.js';
import type { BlockInput, LaneInput, PlannedLane, PlannedWeek } from '../plan.js';
import { bonusFor } from './bonus.js';
import type { Got, Want } from './fit.js';
import { Loads, type Load } from './lane-items.js';
import { LaneSetting } from './lane-setting.js';
import { BEFORE_ALL, type LaneState } from './lane-state.js';
import type { LaneWeek } from './lane-week.js';
import { afterPast } from './past.js';
import type { RoomLane } from './room.js';
import { settleWeek } from './settle.js';
import { wantWeek, type Around } from './want.js';

/** A lane while it is being planned: its weeks so far, and where it stands after them. */
export class LanePlanner {
  readonly cells: PlannedWeek[] = [];
  private state: LaneState = BEFORE_ALL;
  private readonly of: LaneSetting;
  private readonly loads = new Loads();

  constructor(
    readonly lane: LaneInput,
    private readonly input: BlockInput,
    calendar: BlockCalendar,
    second: boolean,
  ) {
    this.of = new LaneSetting(lane, input, calendar, second);
  }

  /** Weekly volume of the last full week: what the ramp of the group goes by. */
  get volumeNow(): number {
    return this.state.settled;
  }

  /** What the lane means to do in a week. */
  week(week: number, slots: readonly Slot[], around: Around): LaneWeek {
    return wantWeek(this.of, this.state, week, slots, around);
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
    if (side === null || this.of.second || w.way === null) return null;
    const exercises = this.lane.exercises?.filter((e) => e.technique === p.technique) ?? [];
    if (exercises.length > 0 && exercises.every((e) => e.exercise.sides === 'both')) return null;
    const { limits, phase } = w.way.progression;
    return bonusFor(p, side, limits, phase.stepSize);
  }

  /** The lane as the week's sessions see it. @param lastDay last day of its group under load in the week before, 0-6; null for none */
  roomLane(technique: Technique, w: LaneWeek, lastDay: number | null): RoomLane {
    const { styles } = this.of;
    const extras = this.of.extrasOf(w);
    const loads = new Map<string, Load>();
    return {
      group: this.lane.group,
      loaded: isLoaded(technique),
      lastDay,
      inPlan: styles.plans.map((_, i) => styles.isIn(technique, i)),
      themed: styles.plans.map((p) => p.theme !== null),
      given: (p, plan) => this.missing(p, plan) !== p,
      load: (p, plan, sets): Load => {
        const key = `${plan}|${sets}|${p.reps ?? p.holdSeconds}|${p.cycles ?? ''}|${p.bonus ? `${p.bonus.sets},${p.bonus.more}` : ''}`;
        let load = loads.get(key);
        if (!load) {
          const extra = extras.filter((e) => styles.isIn(e.technique, plan)).flatMap((e) => this.timedIn(e, plan));
          loads.set(key, (load = this.loads.of([...this.timedIn({ ...p, sets }, plan), ...extra], plan)));
        }
        return load;
      },
    };
  }

  /** What of a bout the routine of a day plan leaves to the lane; null for nothing. */
  private missing(bout: Bout, plan: number): Bout | null {
    const { steps = [] } = this.of.styles.plans[plan]!;
    if (steps.length === 0) return bout;
    const exercises = this.lane.exercises === undefined ? [] : this.of.styles.exercisesIn(bout.technique)[plan]!;
    return boutMissing(steps, this.lane.group, bout, exercises);
  }

  /** Items of a bout in a day plan, without what its routine does of it. */
  private timedIn(bout: Bout, plan: number): readonly TimedItem[] {
    const missing = this.missing(bout, plan);
    return missing === null ? [] : this.of.timed.of(missing, plan);
  }

  /** The session items of a cell with some sets in a day plan. */
  itemsOf(
    cell: Pick<PlannedWeek, 'prescription' | 'beforeAndAfter'>,
    plan: number,
    sets: number,
  ): readonly TimedItem[] {
    const { styles } = this.of;
    const bouts = [{ ...cell.prescription, sets }, ...cell.beforeAndAfter];
    return bouts.filter((b) => styles.isIn(b.technique, plan)).flatMap((b) => this.timedIn(b, plan));
  }

  /** Takes the week as it came out. @returns what it is short of */
  settle(week: number, w: LaneWeek, got: Got, slots: readonly Slot[]): readonly CutFact[] {
    if (w.past) {
      this.cells.push(w.past);
      this.state = afterPast(this.of, this.state, w.past);
      return [];
    }
    const { cell, state, cuts } = settleWeek(this.of, week, w, got, slots);
    this.cells.push(cell);
    this.state = state;
    return cuts;
  }

  finished(): PlannedLane {
    return {
      group: this.lane.group,
      styleId: this.lane.styleId,
      weeks: this.cells,
      limitReasons: this.of.styles.limitReasons,
      leftOut: this.of.styles.leftOut,
    };
  }
}
