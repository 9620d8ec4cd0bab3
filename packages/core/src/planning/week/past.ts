import { volume } from '../../dose/dose.js';
import { RETURN_WEEKS } from '../absence/return.js';
import { isWithout } from '../absence/without.js';
import type { CutFact, WeekFact } from '../facts.js';
import type { PlannedWeek } from '../plan.js';
import type { LaneSetting } from './lane-setting.js';
import { remembered, type LaneState, type Return, type Way } from './lane-state.js';
import { plain } from './lane-week.js';

const CUT: readonly (CutFact | WeekFact)['code'][] = ['fewer-sets', 'fewer-sessions', 'smaller-bouts'];

/** Where a lane stands after a week that was published and has begun: what was done in it is what the next goes on from. */
export function afterPast(of: LaneSetting, before: LaneState, past: PlannedWeek): LaneState {
  const state = { ...before, step: past.step };
  const has = (codes: readonly string[]): boolean => past.reasons.some((r) => codes.includes(r.code));
  if (past.kind === 'rest') return state.stand && isWithout(past) ? { ...state, absent: state.absent + 1 } : state;
  const part = of.input.partWeeks?.includes(past.week) ?? false;
  const there = { ...state, absent: 0 };
  if (past.kind !== 'build' || (part && state.stand !== null)) return there;
  const way = wayIn(of, state.way, past);
  const after = past.beforeAndAfter.find((e) => e.technique === way?.progression.style.after?.technique);
  const done = plain(past.prescription);
  const waited = has(['above-increase']) ? state.waited + 1 : 0;
  const settled = { settledAs: done, settled: volume(done), waited, refused: [] };
  const back = backIn(past, state.stand);
  if (back) {
    const returns = back.at === 0 ? state.returns + 1 : state.returns;
    return remembered({ ...there, way, back, returns, ...settled });
  }
  const whole = { ...there, way, back: null, returns: 0 };
  const lost = past.reasons.find((r) => r.code === 'fewer-days');
  const again = has(['begins-again']);
  const away = lost !== undefined && !again;
  if (away && state.stand) return whole;
  // Who began again goes on from what was meant, even when that week lost days.
  const meant = lost?.code === 'fewer-days' && again ? { ...done, sessionsPerWeek: lost.args.wanted } : done;
  const stands = state.stand !== null && !again && has(CUT);
  const stand = stands ? state.stand : { prescription: meant, activationReps: after?.reps ?? 0 };
  return remembered({ ...whole, stand, ...settled, settledAs: meant, settled: volume(meant) });
}

/** The phase that a past week was in. */
function wayIn({ styles }: LaneSetting, before: Way | null, past: PlannedWeek): Way | null {
  const run = styles.runOf(past.week);
  const now = before?.run === run.fromWeek ? before : null;
  const from = now?.index ?? 0;
  const { technique } = past.prescription;
  const index = Math.max(
    from,
    run.style.phases.findIndex(
      (_, i) => i >= from && styles.progressionOf(run.style, i)?.progression.phase.technique === technique,
    ),
  );
  const made = styles.progressionOf(run.style, index);
  return made && { ...made, run: run.fromWeek, index, since: now?.index === index ? now.since : past.week };
}

/** The return that a past week was in, while it was not whole yet. */
function backIn(past: PlannedWeek, stand: LaneState['stand']): Return | null {
  const back = past.reasons.find((r) => r.code === 'back-after');
  if (back?.code !== 'back-after' || !stand || back.args.back === undefined || back.args.back >= RETURN_WEEKS)
    return null;
  return { before: stand, stand, missed: back.args.weeks, at: back.args.back - 1 };
}
