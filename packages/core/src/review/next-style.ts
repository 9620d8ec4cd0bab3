import { volume } from '../dose/dose.js';
import type { LaterStyle, PlannedWeek } from '../planning/plan.js';
import { sameData } from '../math/same-data.js';
import type { Technique } from '../technique/catalogue.js';
import type { DecidedMove } from './lane-review.js';

/** Share of the dose that keeps what is reached (domain 2.8). Common practice, no source. */
export const KEEP_SHARE = 1 / 3;
/** The style that keeps it. */
export const KEEP_STYLE = 'upkeep';

/** The style that follows a technique on a plateau: from static to contract-relax to loaded (domain 2.8). */
const FOLLOWS: Readonly<Partial<Record<Technique, { readonly styleId: string; readonly technique: Technique }>>> = {
  'static hold': { styleId: 'push-relax', technique: 'contract-relax' },
  'contract-relax': { styleId: 'loaded-range', technique: 'loaded eccentric' },
};

/** A change by which a plateau of the lane was answered before. */
export interface ChangedBefore {
  /** The week that was reviewed. */
  readonly week: number;
  /** The style that came in; null for a step of dose. */
  readonly styleId: string | null;
}

/** Weeks that a change is given before a plateau is answered by another: as long as one has to last (domain 2.3). */
const CHANGE_WEEKS = 4;

/** True while a change is too young for the tests to show what it does: a plateau asks for one thing at a time. */
export function changeIsYoung(before: ChangedBefore | null, week: number): boolean {
  return before !== null && week < before.week + CHANGE_WEEKS;
}

/**
 * What one change a plateau is answered by: null for a step of dose, where the plan still rises and more dose has not been tried; else the style
 * of the next technique that the client can do. Undefined where neither is left: that is for the coach.
 * @param weeks the lane's weeks
 * @param canDo whether the client may do a technique of a style, and has an exercise for it
 * @param before what was changed last
 */
export function onPlateau(
  weeks: readonly PlannedWeek[],
  week: number,
  canDo: (technique: Technique, styleId: string) => boolean,
  before: ChangedBefore | null = null,
): string | null | undefined {
  const now = weeks.filter((w) => w.week <= week && w.kind === 'build').at(-1)?.prescription;
  if (!now) return undefined;
  const next = weeks.find((w) => w.week > week && w.kind === 'build')?.prescription;
  const rises = next?.technique === now.technique && !sameData(next, now) && volume(next) >= volume(now) - 1e-9;
  const doseTried = before !== null && before.styleId === null;
  if (rises && !doseTried) return null;
  const follows = FOLLOWS[now.technique];
  if (follows && canDo(follows.technique, follows.styleId)) return follows.styleId;
  return rises ? null : undefined;
}

/** The later style that a decision asks for from a week on; null for none. @param changeTo the style of a change; null for a step of dose */
export function laterStyleOf(move: DecidedMove, changeTo: string | null, fromWeek: number): LaterStyle | null {
  if (move === 'keep') return { fromWeek, styleId: KEEP_STYLE, share: KEEP_SHARE };
  return move === 'change' && changeTo !== null ? { fromWeek, styleId: changeTo } : null;
}
