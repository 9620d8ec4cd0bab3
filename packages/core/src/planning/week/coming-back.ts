import { volume } from '../../dose/dose.js';
import { percentOf } from '../../math/rounding.js';
import type { Prescription } from '../../technique/prescription.js';
import { beginningAgain, comingBack, LONG_ABSENCE, RETURN_WEEKS, shareBack, type Grid } from '../absence/return.js';
import { nextStep } from '../progression/next-step.js';
import { WAITED_RAMP, type Progression, type Step } from '../progression/progression.js';
import { mostAfter } from '../progression/ramp.js';
import { scaleTo } from '../progression/scale.js';
import { firstStep } from '../progression/start.js';
import { isCut, type LaneState, type Return, type Way } from './lane-state.js';
import { asking, percentDone, type LaneWeek } from './lane-week.js';
import { keepSize } from './size.js';

/** The grid of a progression's bouts and loads. */
export const gridOf = ({ limits, phase }: Progression): Grid => ({
  amountMin: limits.amountMin,
  stepSize: phase.stepSize,
  plate: limits.plate,
});

/** Where a lane stands, in the size of its last full week: its least where that was not done at all. */
export function asDone(state: LaneState, last: Step, { limits, phase }: Progression): Step {
  if (!isCut(state, last)) return last;
  const least = (): Prescription => scaleTo(last.prescription, 0, limits.amountMin, phase.stepSize);
  return { ...last, prescription: state.settledAs ? keepSize(last.prescription, state.settledAs) : least() };
}

/** The first week after missed ones (domain 2.6, 12; 2.10, 3). @param base where the lane stood */
export function firstWeekBack(state: LaneState, way: Way, done: Step, base: Step, ramp: number): LaneWeek {
  const { progression } = way;
  const grid = gridOf(progression);
  const missed = state.absent;
  if (missed >= LONG_ABSENCE) {
    const before = state.back?.before ?? done;
    const p = beginningAgain(before.prescription, firstStep(progression).prescription, grid);
    return asking(
      state,
      way,
      { ...before, prescription: p },
      (out) => [{ code: 'begins-again', args: { weeks: missed, percent: percentDone(out, before.prescription) } }],
      { firstBack: true },
    );
  }
  let { before, stand } = state.back ?? { before: done, stand: base };
  if (state.returns % 2 === 1) {
    const next = nextStep(before, progression, { ramp });
    const most = mostAfter(volume(before.prescription), WAITED_RAMP);
    if (!('why' in next) && volume(next.prescription) <= most + 1e-9) {
      if (volume(stand.prescription) <= volume(before.prescription) + 1e-9) stand = next;
      before = next;
    }
  }
  const back: Return = { before, stand, missed, at: 0 };
  const target = { ...before, prescription: comingBack(before.prescription, shareBack(missed, 0), true, grid) };
  return asking(state, way, target, backAfter(back), { stand, back, firstBack: true });
}

/** The next week of a return. */
export function nextWeekBack(state: LaneState, way: Way, now: Return): LaneWeek {
  const at = now.at + 1;
  const { before, missed } = now;
  const next: Return = { ...now, at };
  const share = shareBack(missed, at);
  const prescription = comingBack(before.prescription, share, false, gridOf(way.progression));
  return asking(state, way, { ...before, prescription }, backAfter(next), {
    stand: now.stand,
    back: at >= RETURN_WEEKS - 1 ? null : next,
  });
}

const backAfter =
  ({ before, missed, at }: Return): LaneWeek['facts'] =>
  (done) => [
    { code: 'back-after', args: { weeks: missed, percent: percentDone(done, before.prescription), back: at + 1 } },
  ];

/** A week after one that minutes or days cut: back towards the step, by at most half a week (domain 2.6, 2). */
export function backToStep(state: LaneState, way: Way, last: Step): LaneWeek {
  const { amountMin, stepSize } = gridOf(way.progression);
  const p = last.prescription;
  const floor = volume(scaleTo(p, 0, amountMin, stepSize));
  const from = state.settled;
  const most = Math.max(mostAfter(from, WAITED_RAMP), floor);
  const target = most >= volume(p) ? p : scaleTo(p, most, amountMin, stepSize);
  return asking(
    state,
    way,
    { ...last, prescription: target },
    (done) => [{ code: 'back-to-step', args: { from, to: volume(done), most: percentOf(WAITED_RAMP, 1) } }],
    { stand: last },
  );
}
