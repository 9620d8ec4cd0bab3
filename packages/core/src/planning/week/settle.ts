import { volume, weeklyDose } from '../../dose/dose.js';
import { amountOf, type Prescription } from '../../technique/prescription.js';
import { firstWeekday, weekdayAt, type Slot } from '../day-plan/slots.js';
import type { CutFact } from '../facts.js';
import type { PlannedWeek } from '../plan.js';
import type { TakenStep } from '../progression/progression.js';
import type { Got } from './fit.js';
import type { LaneSetting } from './lane-setting.js';
import { remembered, type LaneState } from './lane-state.js';
import { plain, type LaneWeek } from './lane-week.js';
import { keepSize } from './size.js';

/** A week as it came out. */
export interface Settled {
  readonly cell: PlannedWeek;
  readonly state: LaneState;
  /** What it is short of. */
  readonly cuts: readonly CutFact[];
}

/** Takes a week as it came out of the sessions (domain 2.6, third stage). */
export function settleWeek(of: LaneSetting, week: number, w: LaneWeek, got: Got, slots: readonly Slot[]): Settled {
  const { level } = got;
  if (w.target === null || level === null || (got.placement.size === 0 && !w.locked))
    return settleNothing(of, week, w, got.short);
  const first = firstWeekday(of.input);
  const taken = got.step === null ? null : w.steps[got.step]!;
  const days = [...got.placement.keys()].sort((a, b) => a - b);
  const body = taken ? { ...level } : w.locked ? level : keepSize(w.target, level);
  const done: Prescription = { ...body, sessionsPerWeek: w.locked ? level.sessionsPerWeek : days.length };
  const postponed = w.steps.length > 0 && taken === null;
  const size = got.short === null ? [] : cutsOf(of, w.target, done, got.short);
  const cuts: CutFact[] = [
    ...w.cuts,
    ...size,
    ...(postponed ? [{ code: 'no-step' as const, args: { short: got.short } }] : []),
    ...(got.noExtra ? [{ code: 'no-extra' as const }] : []),
  ];
  const state = stateAfter(w, done, taken, postponed);
  const reasons = taken ? [taken.fact] : postponed ? [{ code: 'step-waits' as const }] : w.facts(plain(done));
  const cell: PlannedWeek = {
    week,
    kind: w.kind,
    prescription: done,
    beforeAndAfter: of.extrasOf({ ...w, activationReps: taken ? taken.activationReps : w.activationReps }),
    dose: weeklyDose(done),
    days: days.map((o) => weekdayAt(o, first)).sort((a, b) => a - b),
    sessions: days.flatMap((o) =>
      got.placement.get(o)!.map(({ slot, sets }) => ({
        weekday: weekdayAt(o, first),
        dayPlanId: of.styles.plans[slots[slot]!.plan]!.id,
        sets,
      })),
    ),
    step: Math.max(1, state.step),
    changed: (taken ? taken.changed : w.changed) ?? null,
    styleId: (w.way?.progression.style ?? of.styles.runOf(week).style).id,
    locked: w.locked,
    reasons: reasons.length + cuts.length > 0 ? [...reasons, ...cuts] : [{ code: 'unchanged' }],
  };
  return { cell, state, cuts };
}

/** A week in which the lane is not done: nobody is there, or there is no room. */
function settleNothing(of: LaneSetting, week: number, w: LaneWeek, short: number | null): Settled {
  const { state } = w;
  const away = w.absent && state.stand !== null;
  // Not done for want of room: it comes back from its least.
  const noRoom = w.cuts.length > 0 || w.target !== null;
  const after = away ? { ...state, absent: state.absent + 1 } : noRoom ? { ...state, settled: 0 } : state;
  const shown = state.stand?.prescription ?? of.startOf(week);
  const cuts: readonly CutFact[] =
    w.target === null ? w.cuts : [...w.cuts, { code: 'no-room-for-lane', args: { short } }];
  const cell: PlannedWeek = {
    week,
    kind: 'rest',
    prescription: { ...plain(shown), sessionsPerWeek: 0 },
    beforeAndAfter: [],
    dose: 0,
    days: [],
    sessions: [],
    step: state.step,
    changed: null,
    styleId: of.styles.runOf(week).style.id,
    locked: w.locked,
    reasons: w.target === null ? [...w.facts(shown), ...cuts] : [{ code: 'no-room' }, ...cuts],
  };
  return { cell, state: after, cuts };
}

/** Where the lane stands after a week in which it was done. */
function stateAfter(w: LaneWeek, done: Prescription, taken: TakenStep | null, postponed: boolean): LaneState {
  const { state } = w;
  const { stand } = state;
  const entered = w.way !== null && w.way.key !== state.way?.key && w.kind === 'build';
  // Who begins again does so from what was meant, even when the first week lost days.
  const beginsAgain = w.firstBack && w.back === null;
  const back =
    w.kind !== 'build'
      ? { back: state.back, returns: state.returns }
      : { back: w.back, returns: w.firstBack ? state.returns + 1 : w.back ? state.returns : 0 };
  const next: LaneState = { ...state, ...back, absent: 0 };
  if (!(w.base || stand === null || entered || beginsAgain))
    return w.kind === 'easier' ? { ...next, way: state.way ?? w.way } : next;
  const stepped =
    taken !== null ||
    w.changed !== null ||
    stand === null ||
    w.stand?.prescription.technique !== stand.prescription.technique;
  const now = taken ? { ...taken, prescription: plain(taken.prescription) } : w.stand;
  // A first week that lost sessions says nothing of what the lane holds.
  const settledAs = w.base ? plain(done) : (w.back?.before ?? now!).prescription;
  return remembered({
    ...next,
    step: stepped ? state.step + 1 : state.step,
    stand: now,
    settledAs,
    settled: volume(settledAs),
    way: w.way ?? state.way,
    waited: w.waits ? state.waited + 1 : 0,
    refused: postponed ? [w.steps[0]!.changed!] : [],
  });
}

function cutsOf({ styles }: LaneSetting, wanted: Prescription, got: Prescription, short: number): CutFact[] {
  const minutes = Math.max(0, ...styles.plans.map((p) => p.minutes ?? 0));
  const out: CutFact[] = [];
  const say = (code: 'fewer-sets' | 'fewer-sessions' | 'smaller-bouts', from: number, to: number): void => {
    if (to < from) out.push({ code, args: { from, to, minutes, short } });
  };
  say('fewer-sets', wanted.sets, got.sets);
  say('fewer-sessions', wanted.sessionsPerWeek, got.sessionsPerWeek);
  say('smaller-bouts', amountOf(wanted), amountOf(got));
  return out;
}
