import { boundsOf } from '../../catalogue/amount.js';
import { percentOf } from '../../math/rounding.js';
import type { CutFact, WeekFact } from '../facts.js';
import { volume, weeklyDose } from '../../dose/dose.js';
import type { Weekday } from '../../schedule/weekday.js';
import type { Bout, Prescription } from '../../technique/prescription.js';
import type { Style } from '../../styles/style.js';
import { type Technique, unitOf } from '../../technique/catalogue.js';
import type { SessionItem } from '../../session/item.js';
import { timeItem, type TimedItem } from '../../session/session-seconds.js';
import type { PlacedExercise } from '../../session/timeline.js';
import { bonusFor } from './bonus.js';
import { isPast, type Draft } from './draft-cell.js';
import { easierWeek } from '../progression/easier-week.js';
import {
  clampStep,
  enterPhase,
  firstStep,
  nextStep,
  stepAt,
  type Progression,
  type Step,
} from '../progression/progression.js';
import { LaneStyles } from './lane-styles.js';
import { techniqueBar } from '../limits.js';
import type { BlockInput, LaneInput, PlannedLane, PlannedWeek } from '../plan.js';
import { returnShare, scaleTo } from '../progression/scale.js';

/** A lane while it is being planned. */
export class LanePlanner {
  readonly cells: PlannedWeek[] = [];
  private at: Step | null = null;
  private key = '';
  private progressed: Progression | null = null;
  private step = 0;
  private missed = 0;
  lastDay: number | null = null;
  private readonly timed = new WeakMap<Bout, TimedItem>();
  private readonly styles: LaneStyles;

  constructor(
    readonly lane: LaneInput,
    private readonly input: BlockInput,
    private readonly easier: readonly number[],
  ) {
    this.styles = new LaneStyles(lane, input, easier);
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
      const made = this.lane.exercises?.[extra.technique];
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

  private rest(week: number, code: 'not-started' | 'over' | 'missed' | 'away'): Draft {
    const { progression } = this.styles.progressionIn(week);
    const p = this.at?.prescription ?? firstStep(progression).prescription;
    const { bonus: _, ...plain } = p;
    return {
      kind: 'rest',
      prescription: { ...plain, sessionsPerWeek: 0 },
      beforeAndAfter: [],
      changed: null,
      reasons: [{ code }],
      step: this.step,
      locked: false,
      styleId: progression.style.id,
      before: null,
      base: false,
      activationReps: 0,
      dress: (p) => p,
    };
  }

  /** What the lane wants in a week, before days and minutes are looked at. */
  draft(week: number, open: number, usual: number): Draft | PlannedWeek {
    const past = this.lane.past?.find((w) => w.week === week);
    const { lane, input } = this;
    const missed = input.missedWeeks?.includes(week) ?? false;
    if (past && !missed) return past;
    if (week < (lane.fromWeek ?? 1)) return this.rest(week, 'not-started');
    if (lane.untilWeek && week > lane.untilWeek) return this.rest(week, 'over');
    if (missed || open === 0) return this.rest(week, missed ? 'missed' : 'away');
    const draft = this.wanted(week);
    const sessions = draft.prescription.sessionsPerWeek;
    if (!draft.locked && open < usual && open < sessions) {
      // A shortened week is no base: the next full week goes on from the last full one.
      const back = draft.before ?? { prescription: draft.prescription, activationReps: draft.activationReps };
      const kept = draft.kind === 'build' && draft.before ? back.prescription : draft.prescription;
      return {
        ...draft,
        prescription: { ...kept, sessionsPerWeek: Math.min(kept.sessionsPerWeek, open) },
        changed: null,
        reasons: [{ code: 'fewer-days', args: { sessions: open, wanted: kept.sessionsPerWeek } }],
        step: Math.max(1, draft.before ? draft.step - 1 : draft.step),
        base: this.at === null,
      };
    }
    return draft;
  }

  private wanted(week: number): Draft {
    const now = this.styles.progressionIn(week);
    const held = this.at;
    const easier = this.easier.includes(week) && now.progression.style.easierWeeks;
    // An easier week belongs to the weeks before it, even when the style changes with it.
    const { progression, key } = easier && this.progressed ? { progression: this.progressed, key: this.key } : now;
    const { style, phase, limits } = progression;
    const fits = held?.prescription.technique === phase.technique && key === this.key;
    const last = held && fits ? clampStep(held, progression, this.input.ramp) : held;
    const locked = this.lane.locked?.find((l) => l.week === week);
    if (locked) {
      this.key = key;
      const reps = last?.activationReps ?? firstStep(progression).activationReps;
      return {
        kind: locked.prescription.sessionsPerWeek === 0 ? 'rest' : easier ? 'easier' : 'build',
        prescription: locked.prescription,
        beforeAndAfter:
          locked.prescription.sessionsPerWeek === 0 ? [] : this.beforeAndAfterOf(style, reps, limits.sensationMax),
        changed: null,
        reasons: [{ code: 'set-by-coach' }],
        step: Math.max(1, this.step),
        locked: true,
        styleId: style.id,
        before: null,
        base: !easier && locked.prescription.sessionsPerWeek > 0,
        activationReps: reps,
        dress: (p) => p,
      };
    }
    const made = (at: Step, fact: WeekFact, over: Partial<Draft> = {}): Draft => {
      const side = this.lane.tighterSide ?? null;
      const sided = this.lane.exercises?.[at.prescription.technique]?.sides !== 'both';
      const dress = (p: Prescription): Prescription => {
        const bonus = side && sided ? bonusFor(p, side, limits, phase.stepSize) : null;
        return bonus ? { ...p, bonus } : p;
      };
      return {
        kind: 'build',
        prescription: dress(at.prescription),
        beforeAndAfter: this.beforeAndAfterOf(style, at.activationReps, limits.sensationMax),
        changed: null,
        reasons: [fact],
        step: this.step,
        locked: false,
        styleId: style.id,
        before: null,
        base: true,
        activationReps: at.activationReps,
        dress,
        ...over,
      };
    };
    if (easier) {
      const from =
        last ??
        (this.lane.startingDose
          ? stepAt(progression, this.lane.startingDose, this.input.ramp)
          : firstStep(progression));
      const prescription = easierWeek(from.prescription);
      const percent = percentOf(volume(prescription), volume(from.prescription));
      return made(
        { prescription, activationReps: from.activationReps },
        { code: 'easier', args: { percent } },
        { kind: 'easier', step: Math.max(1, this.step), base: false },
      );
    }
    if (!last) {
      const { startingDose } = this.lane;
      const entry = startingDose ? stepAt(progression, startingDose, this.input.ramp) : firstStep(progression);
      const above = startingDose && volume(entry.prescription) > volume(firstStep(progression).prescription);
      const fact: WeekFact = above
        ? { code: 'starts-at-dose', args: { style: style.name, seconds: startingDose } }
        : { code: 'style-starts', args: { style: style.name } };
      this.key = key;
      return made(entry, fact, { step: 1 });
    }
    if (key !== this.key || last.prescription.technique !== phase.technique) {
      this.key = key;
      const entry = enterPhase(last, progression, this.missed > 0 ? returnShare(this.missed) - 1 : this.input.ramp);
      return made(entry, entry.fact, { step: this.step + 1 });
    }
    if (this.missed > 0) {
      const share = returnShare(this.missed);
      // The share is of what was done: a locked week below today's limits was less than what they would make of it.
      const done = Math.min(volume(last.prescription), volume((held ?? last).prescription));
      const to = scaleTo(last.prescription, done * share, limits.amountMin, phase.stepSize);
      return made(
        { ...last, prescription: to },
        { code: 'back-after', args: { weeks: this.missed, percent: percentOf(volume(to), done) } },
        { step: this.step },
      );
    }
    if (held && last !== held && !samePrescription(last.prescription, held.prescription))
      return made(last, { code: 'back-in-limits' });
    const next = nextStep(last, progression, this.input.ramp);
    if ('why' in next) return made(last, next.why);
    return made(next, next.fact, { changed: next.changed, step: this.step + 1, before: last });
  }

  private exerciseOf(technique: Technique): PlacedExercise {
    const known = this.lane.exercises?.[technique];
    return (
      known ?? {
        id: '',
        primary: this.lane.group,
        technique,
        position: 'standing',
        props: [],
        sides: 'each',
        sidePattern: 'side by side',
        setupSeconds: 0,
        check: null,
      }
    );
  }

  /** The session items of a cell, worked out once a bout. */
  items(cell: { readonly prescription: Prescription; readonly beforeAndAfter: readonly Bout[] }): TimedItem[] {
    return [cell.prescription, ...cell.beforeAndAfter].map((b) => {
      let t = this.timed.get(b);
      if (!t) {
        const exercise = this.exerciseOf(b.technique);
        const item: SessionItem = { ...b, exerciseId: exercise.id, firstSide: 'left' };
        this.timed.set(b, (t = timeItem(item, exercise, this.input.client.timings)));
      }
      return t;
    });
  }

  /** Takes the cell as it came out of the week. */
  settle(
    week: number,
    draft: Draft | PlannedWeek,
    offsets: readonly number[],
    first: Weekday,
    cuts: readonly CutFact[],
  ): void {
    if (isPast(draft)) {
      this.cells.push(draft);
      if (draft.kind === 'build') {
        const { bonus: _, ...plain } = draft.prescription;
        const after = draft.beforeAndAfter.find(
          (e) => e.technique === this.styles.progressionIn(week).progression.style.after?.technique,
        );
        this.at = { prescription: plain, activationReps: after?.reps ?? 0 };
        this.missed = 0;
        this.key = this.styles.progressionIn(week).key;
        this.progressed = this.styles.progressionIn(week).progression;
      } else if (draft.kind === 'rest' && this.at) this.missed++;
      this.step = draft.step;
      this.lastDay = lastOffset(draft.days, first);
      return;
    }
    const wished = draft.prescription.sessionsPerWeek;
    const placed = draft.kind !== 'rest' && offsets.length !== wished;
    // A cell that the coach set is kept as it is; the rule checker says what the week cannot hold.
    const prescription =
      placed && !draft.locked ? { ...draft.prescription, sessionsPerWeek: offsets.length } : draft.prescription;
    if (draft.base && offsets.length > 0) {
      const { bonus: _, ...plain } = prescription;
      this.at = { prescription: plain, activationReps: draft.activationReps };
      this.progressed = this.styles.progressionIn(week).progression;
      this.missed = 0;
      this.step = draft.step;
    }
    const none = draft.kind !== 'rest' && offsets.length === 0;
    if ((none || draft.kind === 'rest') && this.at) this.missed++;
    this.cells.push({
      week,
      kind: none ? 'rest' : draft.kind,
      prescription,
      beforeAndAfter: none ? [] : draft.beforeAndAfter,
      dose: weeklyDose(prescription),
      days: offsets.map((o) => (((first - 1 + o) % 7) + 1) as Weekday).sort((a, b) => a - b),
      step: draft.step,
      changed: draft.changed,
      styleId: draft.styleId,
      locked: draft.locked,
      reasons: none ? [{ code: 'no-room' }, ...cuts] : [...draft.reasons, ...cuts],
    });
    this.lastDay = offsets.length > 0 ? Math.max(...offsets) : null;
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

function samePrescription(a: Prescription, b: Prescription): boolean {
  return JSON.stringify(a) === JSON.stringify(b);
}

function lastOffset(days: readonly Weekday[], first: Weekday): number | null {
  return days.length === 0 ? null : Math.max(...days.map((d) => (d - first + 7) % 7));
}
