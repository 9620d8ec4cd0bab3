import { weeklyDose } from '../dose/dose.js';
import type { Prescription } from '../styles/style.js';

/** What an easier week keeps of the last build week's dose. Common practice, no source. */
export const EASIER_SHARE = 0.6;

/**
 * An easier week after a build week (domain rule 2.6, 3): of all (sets ≥ 1, sessions ≥ 2) not above the build week's the one whose
 * dose is nearest 60 %; sensation one lower, hold unchanged. Of two equally near ones that with more sessions, so that the habit stays.
 */
export function easierWeek(build: Prescription): Prescription {
  const target = EASIER_SHARE * weeklyDose(build);
  let best: Prescription | null = null;
  const fewest = Math.min(2, build.sessionsPerWeek);
  for (let sessionsPerWeek = build.sessionsPerWeek; sessionsPerWeek >= fewest; sessionsPerWeek--)
    for (let sets = 1; sets <= build.sets; sets++) {
      const p = { ...build, sets, sessionsPerWeek };
      if (!best || Math.abs(weeklyDose(p) - target) < Math.abs(weeklyDose(best) - target) - 1e-9) best = p;
    }
  return { ...best!, sensation: Math.max(1, build.sensation - 1) };
}
