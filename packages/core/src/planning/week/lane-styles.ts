import type { Exercise } from '../../catalogue/exercise.js';
import { CoreError } from '../../errors.js';
import type { Weekday } from '../../schedule/weekday.js';
import { STEADY_HOLD } from '../../styles/catalogue/steady-hold.js';
import { styleById } from '../../styles/index.js';
import type { OrderStep, Style, StylePhase } from '../../styles/style.js';
import { isLoaded, LOADED_TECHNIQUES, PLAINEST, type Technique } from '../../technique/catalogue.js';
import type { Assistance, LoadUnit } from '../../technique/prescription.js';
import { isFor, type PlacedDayPlan } from '../day-plan/day-plan.js';
import type { PlaceBar } from '../../screening/place.js';
import { ableIn } from '../day-plan/able-in.js';
import { dayPlansOf } from '../day-plan/slots.js';
import type { LeftOutFact, LimitFact, TechniqueBar } from '../facts.js';
import { limitsFor, techniqueBar } from '../limits.js';
import type { BlockInput, LaneInput } from '../plan.js';
import { loadStep, type Progression } from '../progression/progression.js';

/** A run of weeks in one style, up to its end. */
interface StyleRun {
  readonly style: Style;
  readonly fromWeek: number;
  readonly weeks: number;
  /** Share of the dose before that the lane stays at; null where it goes on up. */
  readonly share: number | null;
}

/** Which exercises, styles, phases and limits count for a lane, and what was left out on the way. */
export class LaneStyles {
  leftOut: LeftOutFact[] = [];
  readonly limitReasons: LimitFact[] = [];
  readonly plans: readonly PlacedDayPlan[];
  private readonly progressions = new Map<string, Progression | null>();
  private readonly done = new Map<string, readonly (readonly Exercise[])[]>();

  constructor(
    private readonly lane: LaneInput,
    private readonly input: Omit<BlockInput, 'lanes'>,
  ) {
    this.plans = dayPlansOf(input);
  }

  /** Says once what is left out. */
  leave(technique: Technique, bar: TechniqueBar | null, instead: string | null): void {
    if (this.leftOut.some((l) => l.code === 'left-out' && l.args.technique === technique)) return;
    const missing = this.can(technique) ? this.missing(technique) : [];
    // Said once: what no day plan has is not said of each of them too.
    this.leftOut = this.leftOut.filter((l) => l.code !== 'not-in-day-plan' || l.args.technique !== technique);
    const why = bar === null && missing.length > 0 ? { missing } : {};
    this.leftOut.push({ code: 'left-out', args: { group: this.lane.group, technique, bar, instead, ...why } });
  }

  private find(id: string): Style {
    return (this.input.findStyle ?? styleById)(id);
  }

  /** True when there is an exercise for a technique, or exercises are not chosen yet. */
  can(technique: Technique): boolean {
    return this.lane.exercises === undefined || this.lane.exercises.some((e) => e.technique === technique);
  }

  /**
   * Exercises of a technique in each day plan, one or two; empty where the lane is not done in it: it is not for the group, its purpose does not
   * have the technique, or its place has not what they need.
   */
  exercisesIn(technique: Technique): readonly (readonly Exercise[])[] {
    const known = this.done.get(technique);
    if (known) return known;
    const { exercises, group } = this.lane;
    const made = this.plans.map((plan): readonly Exercise[] => {
      if (!isFor(plan, group)) return [];
      const those = (exercises ?? []).filter((e) => e.technique === technique);
      const own = those.filter((e) => e.dayPlanId === plan.id);
      const chosen = (own.length > 0 ? own : those.filter((e) => e.dayPlanId === null)).map((e) => e.exercise);
      const { able, missing } = ableIn(chosen, technique, plan);
      if (able.length === 0 && missing.length > 0)
        this.leftOut.push({
          code: 'not-in-day-plan',
          args: { group, technique, dayPlan: plan.name, missing: unique(missing) },
        });
      return able;
    });
    this.done.set(technique, made);
    return made;
  }

  /** True when a lane does a technique in a day plan. */
  isIn(technique: Technique, plan: number): boolean {
    if (this.lane.exercises === undefined) return isFor(this.plans[plan]!, this.lane.group);
    return this.exercisesIn(technique)[plan]!.length > 0;
  }

  /** Weekdays on which the lane can do a technique. */
  daysOf(technique: Technique): Weekday[] {
    return [...new Set(this.plans.flatMap((p, i) => (this.isIn(technique, i) ? p.weekdays : [])))].sort(
      (a, b) => a - b,
    );
  }

  /** What would make a technique possible somewhere; empty where nothing is missing. */
  missing(technique: Technique): readonly PlaceBar[] {
    this.exercisesIn(technique);
    const said = this.leftOut.flatMap((l) =>
      l.code === 'not-in-day-plan' && l.args.technique === technique ? l.args.missing : [],
    );
    return unique(said);
  }

  /** The run of weeks in one style that a week belongs to. */
  runOf(week: number): StyleRun {
    const { laterStyles = [], fromWeek = 1, untilWeek, styleId } = this.lane;
    const now = laterStyles.filter((l) => l.fromWeek <= week).at(-1);
    const next = laterStyles.find((l) => l.fromWeek > week);
    const from = now?.fromWeek ?? fromWeek;
    const end = next ? next.fromWeek - 1 : (untilWeek ?? this.input.weeks);
    const weeks = Math.max(1, end - from + 1);
    return { style: this.find(now?.styleId ?? styleId), fromWeek: from, weeks, share: now?.share ?? null };
  }

  /** Weeks of a phase of a style: the coach's, or an even share of its run. */
  phaseWeeks(run: StyleRun, index: number): number {
    return this.lane.phaseWeeks?.[index] ?? Math.ceil(run.weeks / run.style.phases.length);
  }

  /**
   * A style in one of its phases, with what speaks against it replaced by a steady hold, never silently; null where the lane can be done in no day
   * plan.
   */
  progressionOf(style: Style, index: number): { readonly progression: Progression; readonly key: string } | null {
    const phase = style.phases[index]!;
    const bar = techniqueBar(phase.technique, this.input.client);
    const nowhere = this.daysOf(phase.technique).length === 0 && this.can(PLAINEST) && this.daysOf(PLAINEST).length > 0;
    if (bar || !this.can(phase.technique) || nowhere) {
      if (!bar && (phase.technique === PLAINEST || !this.can(PLAINEST)))
        throw new CoreError('invalid-plan', {
          code: 'lane-needs-exercise',
          args: { group: this.lane.group, technique: phase.technique },
        });
      this.leave(phase.technique, bar, STEADY_HOLD.name);
      return this.progression(STEADY_HOLD, STEADY_HOLD.phases[0]!, 0);
    }
    return this.progression(style, phase, index);
  }

  private progression(style: Style, phase: StylePhase, index: number) {
    const key = `${style.id}#${index}`;
    let progression = this.progressions.get(key);
    if (progression === undefined) {
      progression = this.made(style, phase);
      this.progressions.set(key, progression);
    }
    return progression === null ? null : { progression, key };
  }

  private made(style: Style, phase: StylePhase): Progression | null {
    const { technique } = phase;
    const { client } = this.input;
    const days = this.daysOf(technique);
    if (days.length === 0 && this.plans.some((p) => p.weekdays.length > 0)) return null;
    const exercises = [...new Set(this.exercisesIn(technique).flat())];
    const loadedByHand = (this.lane.startLoad ?? 0) > 0;
    const loadMax = this.lane.loadMax ?? null;
    const limits = limitsFor(style, phase, client, { group: this.lane.group, days, exercises, loadMax, loadedByHand });
    for (const r of limits.reasons)
      if (!this.limitReasons.some((x) => JSON.stringify(x) === JSON.stringify(r))) this.limitReasons.push(r);
    const loadUnit = this.lane.loadUnit ?? this.usualUnit();
    const own = client.experience === 'experienced' ? (phase.experiencedOrder ?? phase.order) : phase.order;
    // A part that the lane does not have takes no step of the ladder.
    const order = own.filter((t: OrderStep) => t.variable !== 'activationReps' || this.hasAfter(style));
    return { style, phase, limits, loadUnit, order, begin: this.begin(phase, limits, loadUnit) };
  }

  /** True when what follows the stretch is there for this lane. */
  private hasAfter(style: Style): boolean {
    return (
      style.after !== null &&
      techniqueBar(style.after.technique, this.input.client) === null &&
      this.can(style.after.technique)
    );
  }

  /** Help and load that the lane begins with: the coach's, else by level (domain 2.5). */
  private begin(phase: StylePhase, limits: Progression['limits'], loadUnit: LoadUnit): Progression['begin'] {
    const { experience } = this.input.client;
    const { startLoad, startHelp } = this.lane;
    const usual: Assistance =
      isLoaded(phase.technique) && experience !== 'beginner' ? 0 : (phase.start.assistance ?? 0);
    const plate = experience === 'experienced' ? loadStep({ loadUnit, limits }) : 0;
    return { assistance: startHelp ?? usual, load: startLoad ?? Math.min(plate, limits.loadMax) };
  }

  private usualUnit(): LoadUnit {
    const loaded = (this.lane.exercises ?? []).find((e) => LOADED_TECHNIQUES.includes(e.technique));
    return loaded?.exercise.load === 'band' ? 'band' : 'kg';
  }
}

function unique(bars: readonly PlaceBar[]): PlaceBar[] {
  return [...new Map(bars.map((b) => [JSON.stringify(b), b])).values()];
}
