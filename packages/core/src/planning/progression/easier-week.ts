import { volume } from '../../dose/dose.js';
import type { Prescription } from '../../technique/prescription.js';

/** What an easier week keeps of the last full week's dose. Common practice, no source. */
export const EASIER_SHARE = 0.6;

/** How far a prescription is from 60 % of a full week, in its weekly volume. */
export function easierMiss(p: Prescription, build: Prescription): number {
  return Math.abs(volume(p) - EASIER_SHARE * volume(build));
}

/**
 * An easier week after a full week (domain rule 2.6, 3): of all (sets ≥ 1, sessions ≥ 2) not above the full week's the one whose
 * dose is nearest 60 %; sensation one lower, hold unchanged. Of two equally near ones that with more sessions, so that the habit stays.
 */
export function easierWeek(build: Prescription): Prescription {
  let best: Prescription | null = null;
  const fewest = Math.min(2, build.sessionsPerWeek);
  for (let sessionsPerWeek = build.sessionsPerWeek; sessionsPerWeek >= fewest; sessionsPerWeek--)
    for (let sets = 1; sets <= build.sets; sets++) {
      const p = { ...build, sets, sessionsPerWeek };
      if (!best || easierMiss(p, build) < easierMiss(best, build) - 1e-9) best = p;
    }
  return { ...best!, sensation: Math.max(1, build.sensation - 1) };
}
