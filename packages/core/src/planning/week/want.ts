import { volume } from '../../dose/dose.js';
import { percentOf } from '../../math/rounding.js';
import { sameData } from '../../math/same-data.js';
import { isLoaded } from '../../technique/catalogue.js';
import type { Slot } from '../day-plan/slots.js';
import type { WeekFact } from '../facts.js';
import { clampStep } from '../progression/clamp.js';
import { easierWeek } from '../progression/easier-week.js';
import { nextStep } from '../progression/next-step.js';
import { FREE, type Progression, type Step } from '../progression/progression.js';
import { rises } from '../progression/rises.js';
import { firstStep, nextPhase, otherStyle, stepAt } from '../progression/start.js';
import { asDone, backToStep, firstWeekBack, nextWeekBack } from './coming-back.js';
import type { LaneSetting } from './lane-setting.js';
import { isCut, type LaneState, type Way, type StepsDown } from './lane-state.js';
import type { EasedWeek } from '../plan.js';
import { asking, nothing, percentDone, plain, type LaneWeek, type NothingFact } from './lane-week.js';
import { mostApart } from './day-choices.js';

/** What of the other lanes a lane looks at. */
export interface Around {
  /** Weekly volume of the group's other lanes. */
  readonly groupOthers: number;
  /** Last day of the group under load in the week before, 0-6; null when there was none. */
  readonly lastLoaded: number | null;
}

/**
 * What a lane means to do in a week, from where it stands (domain 2.6, first stage).
 * @param slots the week's sessions
 */
export function wantWeek(
  of: LaneSetting,
  state: LaneState,
  week: number,
  slots: readonly Slot[],
  around: Around,
): LaneWeek {
  const { lane, input, calendar } = of;
  const rest = (code: NothingFact['code'], way: Way | null = state.way): LaneWeek =>
    nothing(state, code, way, of.techniqueIn(state, week));
  const past = lane.past?.find((w) => w.week === week);
  const missed = input.missedWeeks?.includes(week) ?? false;
  if (past && !missed) return { ...rest('over'), past };
  if (week < (lane.fromWeek ?? 1)) return rest('not-started', null);
  if (lane.untilWeek && week > lane.untilWeek) return rest('over');
  if (calendar.missed.has(week)) return rest(missed ? 'missed' : 'away');
  const wanted = onAnyDays(of, state, week, around.groupOthers);
  return wanted.target === null || wanted.locked ? wanted : onItsDays(of, week, wanted, slots, around.lastLoaded);
}

/** A week with fewer days than the lane wants: as many as there are. */
function onItsDays(
  of: LaneSetting,
  week: number,
  w: LaneWeek,
  slots: readonly Slot[],
  lastLoaded: number | null,
): LaneWeek {
  const { styles } = of;
  const { state, facts } = w;
  const p = w.target!;
  const mine = slots.filter((s) => styles.isIn(p.technique, s.plan));
  const days = [...new Set(mine.map((s) => s.offset))];
  const most = isLoaded(p.technique) ? mostApart(days, lastLoaded) : days.length;
  const lost = of.input.partWeeks?.includes(week) ?? false;
  const steps = w.steps.filter((s) => s.prescription.sessionsPerWeek <= most);
  if (p.sessionsPerWeek <= most && !lost) return { ...w, steps };
  if (days.length === 0) return nothing(state, 'away', w.way, of.techniqueIn(state, week));
  if (most === 0) {
    const args = { sessions: 0, wanted: p.sessionsPerWeek };
    const cuts = [{ code: 'gap-between-loaded', args } as const];
    return nothing(state, 'no-room', w.way, of.techniqueIn(state, week), cuts);
  }
  const away = lost || days.length < styles.daysOf(p.technique).length;
  const sessions = Math.min(p.sessionsPerWeek, most);
  const counts = { sessions, wanted: p.sessionsPerWeek };
  const held = w.kind === 'build' && w.changed !== null ? state.stand : null;
  const asked = held?.prescription ?? p;
  return {
    ...w,
    target: { ...asked, sessionsPerWeek: Math.min(asked.sessionsPerWeek, most) },
    stand: held ?? w.stand,
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

/** The phase of a week: the one it is in until its weeks are over, help is off and, under load, the first plate is on. */
function wayOf({ styles }: LaneSetting, state: LaneState, week: number, easier: boolean): Way | null {
  const run = styles.runOf(week);
  const now = state.way;
  // An easier week belongs to the weeks before it, even when the style changes with it.
  if (now && easier) return now;
  if (!now || now.run !== run.fromWeek || state.stand === null) {
    const made = styles.progressionOf(run.style, 0);
    return made && { ...made, run: run.fromWeek, index: 0, since: week };
  }
  const last = run.style.phases.length - 1;
  const over = week >= now.since + styles.phaseWeeks(run, now.index);
  // Nobody learns another technique in the weeks of a return.
  const returning = state.absent > 0 || state.back !== null;
  if (now.index >= last || !over || returning || !isReady(state.stand, now.progression)) return now;
  const made = styles.progressionOf(run.style, now.index + 1);
  // Where the next one can be done nowhere, this one goes on.
  return made ? { ...made, run: run.fromWeek, index: now.index + 1, since: week } : now;
}

function isReady({ prescription: p }: Step, { limits, phase }: Progression): boolean {
  if ((p.assistance ?? 0) > 0) return false;
  return !isLoaded(phase.technique) || (p.load ?? 0) > 0 || limits.loadMax === 0;
}

const BY_COACH: LaneWeek['facts'] = () => [{ code: 'set-by-coach' }];

/** What the lane means to do where no day is short. */
function onAnyDays(of: LaneSetting, before: LaneState, week: number, groupOthers: number): LaneWeek {
  const { lane, calendar, styles } = of;
  const run = styles.runOf(week);
  const easier =
    calendar.easier.includes(week) && run.style.easierWeeks && before.stand !== null && before.absent === 0;
  const way = wayOf(of, before, week, easier);
  const locked = lane.locked?.find((l) => l.week === week)?.prescription;
  const kind = easier ? 'easier' : 'build';
  if (way === null) {
    const none = nothing(before, 'no-room', null, of.techniqueIn(before, week));
    if (locked && locked.sessionsPerWeek > 0) {
      const stand = { prescription: plain(locked), activationReps: 0 };
      const asked = { target: locked, stand, facts: BY_COACH, technique: locked.technique };
      return { ...none, ...asked, kind, locked: true, base: !easier };
    }
    const { technique } = run.style.phases[0]!;
    const args = { group: lane.group, missing: styles.missing(technique) };
    return { ...none, cuts: [{ code: 'nowhere', args }] };
  }
  const state = { ...before, down: further(before.down, lane.eased?.filter((e) => e.week === week) ?? []) };
  const held = state.stand;
  if (locked?.sessionsPerWeek === 0)
    return { ...nothing(state, 'missed', way, of.techniqueIn(state, week)), locked: true, facts: BY_COACH };
  if (locked) {
    const activationReps = held?.activationReps ?? firstStep(way.progression).activationReps;
    const stand = easier ? held : { prescription: plain(locked), activationReps };
    const over = { kind, locked: true, stand, technique: locked.technique } as const;
    return asking(state, way, { prescription: locked, activationReps }, BY_COACH, over);
  }
  if (held === null) return beginning(of, state, way);
  return easier ? easing(of, state, way, held) : building(of, state, way, held, groupOthers, run.share);
}

/** The lane's first week: the style's start, or what the client is used to. */
function beginning({ lane }: LaneSetting, state: LaneState, way: Way): LaneWeek {
  const { startingDose } = lane;
  const { progression } = way;
  const style = progression.style.name;
  const start = firstStep(progression);
  const first = startingDose ? stepAt(progression, startingDose) : start;
  const above = startingDose && volume(first.prescription) > volume(start.prescription);
  const fact: WeekFact = above
    ? { code: 'starts-at-dose', args: { style, seconds: startingDose } }
    : { code: 'style-starts', args: { style } };
  return asking(state, way, first, () => [fact]);
}

/** Where the lane stands, inside the limits of its phase; as it is where the phase is another one. */
function inLimits({ input }: LaneSetting, state: LaneState, way: Way, held: Step): { last: Step; fits: boolean } {
  const { progression } = way;
  const fits = held.prescription.technique === progression.phase.technique && way.key === state.way?.key;
  return { last: fits ? clampStep(held, progression, input.ramp) : held, fits };
}

/** An easier week: a share of the last full week as it came out, as minutes may have cut it and a return may have gone above its step. */
function easing(of: LaneSetting, state: LaneState, way: Way, held: Step): LaneWeek {
  const { progression } = way;
  const { last } = inLimits(of, state, way, held);
  const other = Math.abs(state.settled - volume(last.prescription)) > 1e-9;
  const done = state.settledAs && other ? state.settledAs : last.prescription;
  // A week that the coach set outside the limits is brought inside first.
  const from = clampStep({ ...last, prescription: done }, progression, of.input.ramp).prescription;
  const { prescription, smaller } = easierWeek(from, progression.limits.amountMin, progression.phase.stepSize);
  return asking(
    state,
    way,
    { ...last, prescription },
    (out) => [{ code: 'easier', args: { percent: percentDone(out, from), smaller } }],
    { kind: 'easier', stand: held },
  );
}

/** A full week: back after an absence, in a new phase, a step down, back towards the step, or a step up. */
function building(
  of: LaneSetting,
  state: LaneState,
  way: Way,
  held: Step,
  groupOthers: number,
  share: number | null,
): LaneWeek {
  const { ramp } = of.input;
  const { progression } = way;
  const now = state.way?.progression ?? progression;
  const { last, fits } = inLimits(of, state, way, held);
  if (!fits && state.absent > 0) {
    const before = otherStyle(state.back?.before ?? asDone(state, held, now), progression, 0, share);
    return firstWeekBack({ ...state, back: null }, way, before, before, ramp);
  }
  const onward = way.run === state.way?.run && way.index > state.way.index;
  const from = asDone(state, held, now);
  const entered = fits
    ? null
    : onward
      ? nextPhase(from, progression, ramp)
      : otherStyle(from, progression, ramp, share);
  // A return is lower already.
  const at = state.absent > 0 || state.back ? { ...state, down: null } : state;
  if (state.absent > 0) return firstWeekBack(at, way, asDone(state, last, progression), entered ?? last, ramp);
  if (entered) return asking(at, way, entered, () => [entered.fact]);
  if (state.back) return nextWeekBack(at, way, state.back);
  if (state.down) return steppingDown(state, way, last, state.down);
  if (last !== held && !sameData(last.prescription, held.prescription))
    return asking(state, way, last, () => [{ code: 'back-in-limits' }]);
  if (isCut(state, last)) return backToStep(state, way, last);
  if (share !== null) {
    const args = { style: progression.style.name, percent: percentOf(share, 1) };
    return asking(state, way, last, () => [{ code: 'kept', args }]);
  }
  return steppingUp(state, way, last, groupOthers, ramp);
}

/** What is asked of a lane: the most steps down of all that is. */
function further(before: StepsDown | null, asked: readonly EasedWeek[]): StepsDown | null {
  return asked.reduce<StepsDown | null>(
    (most, { week: _, ...e }) => (most && most.steps >= e.steps ? most : e),
    before,
  );
}

/**
 * Steps down, or none, that soreness or a review asked for: back to the settled step before, and on from there (domain 2.10, 1 and 6). What minutes
 * had cut does not come back in such a week, though there be room now: no decision raises a dose after a stop sign or soreness (domain 2.8).
 */
function steppingDown(state: LaneState, way: Way, last: Step, { steps, why }: StepsDown): LaneWeek {
  const index = Math.max(0, state.rungs.length - 1 - steps);
  const at = state.rungs[index] ?? last;
  const from = volume(last.prescription);
  const rung = volume(at.prescription) < from ? at : last;
  const asked = asDone(state, rung, way.progression);
  const to = volume(asked.prescription);
  return asking(
    { ...state, down: null, rungs: state.rungs.slice(0, index + 1) },
    way,
    asked,
    () => [steps === 0 ? { code: 'repeats' } : { code: 'eased', args: { steps, from, to, ...(why && { why }) } }],
    { stand: rung },
  );
}

function steppingUp(state: LaneState, way: Way, last: Step, groupOthers: number, ramp: number): LaneWeek {
  const { progression } = way;
  const { waited, refused } = state;
  const next = nextStep(last, progression, { ramp, waited, refused, alongside: groupOthers });
  if ('why' in next) {
    const { why } = next;
    return asking(state, way, last, () => [why], { waits: why.code === 'above-increase' });
  }
  const variable = next.changed!;
  if (FREE.includes(variable)) return asking(state, way, next, () => [next.fact], { changed: variable });
  const smaller = rises(last, { variable, until: null }, progression).filter(
    (s) => volume(s.prescription) < volume(next.prescription) - 1e-9,
  );
  return asking(state, way, last, () => [], { steps: [next, ...smaller] });
}
