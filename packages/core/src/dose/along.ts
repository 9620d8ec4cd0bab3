import type { Exercise } from '../catalogue/exercise.js';
import { shareOf, stretchedSide } from '../catalogue/exercise.js';
import { SIDES } from '../anatomy/side.js';
import type { DoseEntry } from './dose-entry.js';

/**
 * What the groups that a stretch works along get of seconds of it: by their share, on the side that is stretched (domain 2.4).
 * @param entry seconds of the main group on a side; null counts on each
 */
export function alongDose(
  exercise: Pick<Exercise, 'primary' | 'secondary' | 'otherSide'>,
  { week, side, seconds }: Omit<DoseEntry, 'group'>,
): DoseEntry[] {
  return exercise.secondary
    .filter((group) => group !== exercise.primary)
    .flatMap((group) =>
      SIDES.filter((done) => side === null || side === done).map((done): DoseEntry => ({
        week,
        group,
        side: stretchedSide(exercise, group, done),
        seconds: seconds * shareOf(exercise, group),
      })),
    );
}
