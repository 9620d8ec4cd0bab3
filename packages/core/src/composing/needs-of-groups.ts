import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import type { Side } from '../anatomy/side.js';
import type { Exercise } from '../catalogue/exercise.js';
import { serves } from '../catalogue/forms.js';
import type { WantedGroup } from '../measuring/findings/wanted.js';
import { firstBout } from '../session/first-item.js';
import { PLAINEST, STRETCHING, unitOf, type Technique } from '../technique/catalogue.js';
import type { ComposeNeed } from './request.js';

/** A group that a coach wants in a session, and its tighter side where one is known. */
export interface GroupWish {
  readonly group: MuscleGroupId;
  readonly tighter: Side | null;
}

/** Seconds a side that can be asked for a group in one session. Common practice, no source. */
export const WISHED_SECONDS = { min: 10, max: 600, usual: 60 } as const;
/** Length of one hold that the seconds are divided into, about. Common practice, no source. */
const USUAL_HOLD = 30;
/** What a hold is rounded to, seconds. */
const STEP = 5;

/** What the findings ask for, with the tighter side. */
export function wishesOf(wanted: readonly WantedGroup[]): GroupWish[] {
  return wanted.map(({ group, facts }) => {
    const tighter = facts.find((f) => f.code === 'tighter');
    return { group, tighter: tighter ? tighter.args.side : null };
  });
}

/** Sets and seconds of a hold for some seconds a side. @example holdsFor(100) // { sets: 3, holdSeconds: 35 } */
export function holdsFor(seconds: number): { readonly sets: number; readonly holdSeconds: number } {
  const sets = Math.max(1, Math.round(seconds / USUAL_HOLD));
  return { sets, holdSeconds: Math.max(STEP, Math.round(seconds / sets / STEP) * STEP) };
}

/** The way a group is stretched when nothing else is said: held, or else the first way in which an exercise can. Null where there is none. */
function wayFor(group: MuscleGroupId, exercises: readonly Exercise[]): Technique | null {
  const ways = [PLAINEST, ...STRETCHING.filter((t) => t !== PLAINEST)];
  return ways.find((t) => exercises.some((e) => serves(e, group, t))) ?? null;
}

/**
 * What a session asks for when a coach names groups and seconds, no block needed: the first group weighs most, the tighter side has one set more,
 * and each has at least one set before any has a second (domain 2.7). Groups that no exercise can stretch are left out.
 * @param exercises that the client may do
 * @param seconds a side of each group
 */
export function needsOfGroups(
  wishes: readonly GroupWish[],
  exercises: readonly Exercise[],
  seconds: number = WISHED_SECONDS.usual,
): ComposeNeed[] {
  return wishes.flatMap(({ group, tighter }, i): ComposeNeed[] => {
    const technique = wayFor(group, exercises);
    if (technique === null) return [];
    const own = exercises.find((e) => serves(e, group, technique))!;
    const { sets, holdSeconds } = holdsFor(seconds);
    const first = firstBout(own, technique);
    const bout = unitOf(technique) === 'seconds' ? { ...first, sets, holdSeconds } : { ...first, sets };
    return [
      {
        group,
        bout: tighter ? { ...bout, bonus: { side: tighter, sets: 1, more: 0 } } : bout,
        firstSide: tighter ?? 'left',
        weight: 2 * (wishes.length - i),
        floorSets: 1,
      },
    ];
  });
}
