import { volume } from '../../dose/dose.js';
import { amountOf, withAmount, type Prescription } from '../../technique/prescription.js';

/**
 * The prescription nearest to a smaller volume without passing it, of all with no more sets, no more sessions (at least two, where there are two)
 * and no longer bouts. Of equally near ones that with more sessions, then with longer bouts. When even the smallest is too much, the smallest.
 * @param target weekly volume, as {@link volume} counts it
 */
export function scaleTo(p: Prescription, target: number, amountMin: number, stepSize: number): Prescription {
  let best: Prescription | null = null;
  const amount = amountOf(p);
  const fewest = Math.min(2, p.sessionsPerWeek);
  const least = Math.min(amountMin, amount);
  for (let sessionsPerWeek = p.sessionsPerWeek; sessionsPerWeek >= fewest; sessionsPerWeek--)
    for (let sets = p.sets; sets >= 1; sets--)
      for (let a = amount; a >= least; a = Math.ceil(a / stepSize - 1) * stepSize) {
        const q = withAmount({ ...p, sets, sessionsPerWeek }, a);
        if (volume(q) > target + 1e-9) continue;
        if (!best || volume(q) > volume(best) + 1e-9) best = q;
        break;
      }
  return best ?? withAmount({ ...p, sets: 1, sessionsPerWeek: fewest }, least);
}
