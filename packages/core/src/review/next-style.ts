import { volume } from '../dose/dose.js';
import type { LaneDraft } from '../planning/draft.js';
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

/** The style that is in force for a lane in a week. */
export function styleIn(lane: Pick<LaneDraft, 'styleId' | 'laterStyles'>, week: number): string {
  return lane.laterStyles.filter((s) => s.fromWeek <= week).at(-1)?.styleId ?? lane.styleId;
}

/**
 * What one change a plateau is answered by: null for a step of dose, where the plan still rises; else the style of the next technique that the
 * client can do. Undefined where neither is left: that is for the coach.
 * @param weeks the lane's weeks
 * @param canDo whether the client may do a technique of a style, and has an exercise for it
 */
export function onPlateau(
  weeks: readonly PlannedWeek[],
  week: number,
  canDo: (technique: Technique, styleId: string) => boolean,
): string | null | undefined {
  const now = weeks.filter((w) => w.week <= week && w.kind === 'build').at(-1)?.prescription;
  if (!now) return undefined;
  const next = weeks.find((w) => w.week > week && w.kind === 'build')?.prescription;
  const rises = next?.technique === now.technique && !sameData(next, now) && volume(next) >= volume(now) - 1e-9;
  if (rises) return null;
  const follows = FOLLOWS[now.technique];
  return follows && canDo(follows.technique, follows.styleId) ? follows.styleId : undefined;
}

/** The later style that a decision asks for from a week on; null for none. @param changeTo the style of a change; null for a step of dose */
export function laterStyleOf(move: DecidedMove, changeTo: string | null, fromWeek: number): LaterStyle | null {
  if (move === 'keep') return { fromWeek, styleId: KEEP_STYLE, share: KEEP_SHARE };
  return move === 'change' && changeTo !== null ? { fromWeek, styleId: changeTo } : null;
}

type Styled = Pick<LaneDraft, 'laterStyles' | 'locked'>;

/** What another style takes the place of: styles that were to begin then or later, and cells set by hand, which were meant for the style before. */
export function replacedBy({ laterStyles, locked }: Styled, { fromWeek }: LaterStyle): Styled {
  return {
    laterStyles: laterStyles.filter((s) => s.fromWeek >= fromWeek),
    locked: locked.filter((c) => c.week >= fromWeek),
  };
}

/** A lane with another style from a week on. */
export function withStyle<L extends Styled>(lane: L, later: LaterStyle): L {
  return {
    ...lane,
    laterStyles: [...lane.laterStyles.filter((s) => s.fromWeek < later.fromWeek), later],
    locked: lane.locked.filter((c) => c.week < later.fromWeek),
  };
}

/** A lane without the style that a decision had put there, with what that had replaced; as it is where the style is not there any more. */
export function withoutStyle<L extends Styled>(lane: L, later: LaterStyle, replaced: Styled): L {
  if (!lane.laterStyles.some((s) => sameData(s, later))) return lane;
  const kept = lane.laterStyles.filter((s) => !sameData(s, later));
  const weeks = new Set(kept.map((s) => s.fromWeek));
  const cells = new Set(lane.locked.map((c) => c.week));
  const styles = [...kept, ...replaced.laterStyles.filter((s) => !weeks.has(s.fromWeek))];
  const locked = [...lane.locked, ...replaced.locked.filter((c) => !cells.has(c.week))];
  return {
    ...lane,
    laterStyles: styles.sort((a, b) => a.fromWeek - b.fromWeek),
    locked: locked.sort((a, b) => a.week - b.week),
  };
}
