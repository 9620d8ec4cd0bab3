import type { Side } from '../../anatomy/side.js';
import { sideWeeklyDose } from '../../dose/dose.js';
import { amountOf, type Bonus, type Prescription } from '../../technique/prescription.js';
import type { Limits } from '../limits.js';

/**
 * What the tighter side gets on top (domain rule 2.6, 6): one more set, or a bout half as long again when sets are at their cap; inside the
 * caps, outside the ramp. Null when neither fits.
 */
export function bonusFor(p: Prescription, side: Side, limits: Limits, stepSize: number): Bonus | null {
  const fits = (bonus: Bonus): boolean =>
    limits.doseMax === null || sideWeeklyDose({ ...p, bonus }, side) <= limits.doseMax;
  if (p.sets < limits.setsMax) {
    const bonus = { side, sets: 1, more: 0 };
    if (fits(bonus)) return bonus;
  }
  const amount = amountOf(p);
  const most = Math.min(Math.floor((amount * 0.5) / stepSize) * stepSize, limits.amountMax - amount);
  const bonus = { side, sets: 0, more: most };
  return most > 0 && fits(bonus) ? bonus : null;
}
