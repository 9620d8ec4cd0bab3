import { withAmount, amountOf, type Prescription } from '../../technique/prescription.js';

/** A prescription in the size that it got: sets, sessions, bout, and what the tighter side gets on top. */
export function keepSize(wanted: Prescription, level: Prescription): Prescription {
  const sized = { ...wanted, sets: level.sets, sessionsPerWeek: level.sessionsPerWeek };
  const out = withAmount(sized, amountOf(level.technique === wanted.technique ? level : wanted));
  return level.bonus ? { ...out, bonus: level.bonus } : out;
}
