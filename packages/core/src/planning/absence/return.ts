import { volume } from '../../dose/dose.js';
import type { Prescription } from '../../technique/prescription.js';
import { scaleTo } from '../progression/scale.js';

/** What a missed week takes off the dose on return, and after how many weeks no more is taken off. Common practice, no source. */
export const RETURN_LOSS = { perWeek: 0.2, weeksAtMost: 2.5 } as const;

/** Weeks in which a client who was away for few weeks is back at the dose before, the first included. Common practice, no source. */
export const RETURN_WEEKS = 3;

/** Missed weeks from which a lane begins again, from half of the dose before. Common practice, no source. */
export const LONG_ABSENCE = 4;

/**
 * Share of the dose before that a client comes back to in the first week after missed ones (domain 2.6, 12).
 * @example returnShare(2) // 0.6
 */
export function returnShare(missedWeeks: number): number {
  return 1 - RETURN_LOSS.perWeek * Math.min(missedWeeks, RETURN_LOSS.weeksAtMost);
}

/**
 * Share of the dose before in a week of the return: evenly from the first week's to all of it in the last.
 * @param back 0 for the first week back, {@link RETURN_WEEKS} − 1 for the last
 */
export function shareBack(missedWeeks: number, back: number): number {
  const first = returnShare(missedWeeks);
  return first + ((1 - first) * back) / (RETURN_WEEKS - 1);
}

/** The grid on which a bout is made smaller, its smallest size, and the smallest plate. */
export interface Grid {
  readonly amountMin: number;
  readonly stepSize: number;
  readonly plate: number;
}

/** Load and push at a share of what they were: the load in whole plates, the push in whole percent. */
function eased(p: Prescription, share: number, { plate }: Grid): Prescription {
  return {
    ...p,
    ...(p.load === undefined ? {} : { load: Math.floor((p.load * share) / plate + 1e-9) * plate }),
    ...(p.effort === undefined ? {} : { effort: Math.max(1, Math.floor(p.effort * share + 1e-9)) }),
  };
}

/**
 * What a lane asks at a share of the dose before, or its least where that is more: sessions, sets and hold come down together, load and push by the
 * same share. In the first week back the sensation is one lower.
 */
export function comingBack(before: Prescription, share: number, firstWeek: boolean, grid: Grid): Prescription {
  if (share >= 1) return before;
  const p = scaleTo(before, share * volume(before), grid.amountMin, grid.stepSize);
  const sensation = firstWeek ? Math.max(1, p.sensation - 1) : p.sensation;
  return { ...eased(p, share, grid), sensation };
}

/** Where a lane begins again after a long absence: half of the dose before, or the style's start where that is more and no more than before. */
export function beginningAgain(before: Prescription, start: Prescription, grid: Grid): Prescription {
  const share = returnShare(LONG_ABSENCE);
  const half = comingBack(before, share, true, grid);
  if (volume(start) <= volume(half) || volume(start) > volume(before)) return half;
  const { load, effort, assistance } = half;
  return {
    ...start,
    sensation: Math.min(start.sensation, half.sensation),
    ...(load === undefined ? {} : { load }),
    ...(effort === undefined ? {} : { effort: Math.min(effort, start.effort ?? effort) }),
    ...(assistance === undefined ? {} : { assistance }),
  };
}
