import { boundsOf } from '../../catalogue/amount.js';
import type { Style } from '../../styles/style.js';
import { type Technique, unitOf } from '../../technique/catalogue.js';
import { withAmount, type Bout, type Prescription } from '../../technique/prescription.js';
import type { BlockCalendar } from '../absence/calendar.js';
import { techniqueBar } from '../limits.js';
import type { BlockInput, LaneInput } from '../plan.js';
import { firstStep } from '../progression/start.js';
import { LaneItems } from './lane-items.js';
import type { LaneState } from './lane-state.js';
import { LaneStyles } from './lane-styles.js';
import type { LaneWeek } from './lane-week.js';

/** What of a lane stays the same from week to week. */
export class LaneSetting {
  readonly styles: LaneStyles;
  readonly timed: LaneItems;

  constructor(
    readonly lane: LaneInput,
    readonly input: BlockInput,
    readonly calendar: BlockCalendar,
    /** True when another lane of the same group comes before it: the tighter side's extra goes to the first. */
    readonly second: boolean,
  ) {
    this.styles = new LaneStyles(lane, input);
    this.timed = new LaneItems(lane.group, input.client.timings, ({ technique }, plan) =>
      lane.exercises === undefined ? null : this.styles.exercisesIn(technique)[plan]!,
    );
  }

  /** The technique of a week in which nothing is asked. */
  techniqueIn(state: LaneState, week: number): Technique {
    return state.stand?.prescription.technique ?? this.styles.runOf(week).style.phases[0]!.technique;
  }

  /** What the lane would begin with in a week. */
  startOf(week: number): Prescription {
    const { style } = this.styles.runOf(week);
    const made = this.styles.progressionOf(style, 0);
    if (made) return firstStep(made.progression).prescription;
    const { technique, start } = style.phases[0]!;
    return withAmount({ technique, ...start, sensation: 4 }, start.reps ?? start.holdSeconds);
  }

  /** What stands before and after the stretch in a week. */
  extrasOf(w: LaneWeek): readonly Bout[] {
    if (w.past) return w.past.beforeAndAfter;
    if (w.target === null || w.way === null) return [];
    const { style, limits } = w.way.progression;
    return this.beforeAndAfterOf(style, w.activationReps, w.locked ? limits.sensationMax : w.target.sensation);
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
}
