import { within } from '../math/within.js';
import type { Link, SessionItem } from './item.js';

/** A change of an item, made of whatever it is by then: two that come fast after one another both count. */
export type ItemEdit = (item: SessionItem) => SessionItem;

/** How far a coach may turn what is done of an exercise in one session. */
export const ITEM_BOUNDS = { sets: { min: 1, max: 20 }, seconds: { min: 1, max: 600 }, counts: { min: 1, max: 100 } };

/** The list with something else at a place; with nothing, what stood there is taken out. */
export function putAt<T>(list: readonly T[], place: number, ...next: readonly T[]): readonly T[] {
  return list.flatMap((x, i) => (i === place ? next : [x]));
}

/** The list with one of it at another place. */
export function movedTo<T>(list: readonly T[], from: number, to: number): readonly T[] {
  const moved = [...list];
  moved.splice(to, 0, ...moved.splice(from, 1));
  return moved;
}

/** The list with an item once more, right after itself; what leads on to the next leads on from the second. */
export function repeatedAt(list: readonly SessionItem[], place: number): readonly SessionItem[] {
  const item = list[place]!;
  return putAt(list, place, withLink(item, null), item);
}

/** @returns null where that many sets cannot be */
export function withSets(item: SessionItem, sets: number): SessionItem | null {
  return within(sets, ITEM_BOUNDS.sets) ? { ...item, sets } : null;
}

/** @param link null for an item that stands alone */
export function withLink({ link: _, ...item }: SessionItem, link: Link | null): SessionItem {
  return link === null ? item : { ...item, link };
}
