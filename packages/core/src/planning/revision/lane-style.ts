import { sameData } from '../../math/same-data.js';
import type { LaneDraft } from '../draft.js';
import type { LaterStyle } from '../plan.js';

/** The style that is in force for a lane in a week. */
export function styleIn(lane: Pick<LaneDraft, 'styleId' | 'laterStyles'>, week: number): string {
  return lane.laterStyles.filter((s) => s.fromWeek <= week).at(-1)?.styleId ?? lane.styleId;
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
