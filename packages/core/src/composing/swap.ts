import type { AlternativeFact } from './facts.js';
import { sameTurn, type Exercise } from '../catalogue/exercise.js';
import type { FindExercise } from '../catalogue/exercises.js';
import { techniquesOf } from '../catalogue/forms.js';
import { sessionDose } from '../dose/dose.js';
import { boutOf, type SessionItem } from '../session/item.js';
import { techniquesIn } from '../session/parts.js';
import { missingAt, thingsMissingAt, type ClientPlace } from '../screening/place.js';
import { clipped } from './candidates.js';

/** Another exercise for the same work. */
export interface Alternative {
  readonly exercise: Exercise;
  /** The item it would become: the dose is kept, within what the exercise is made for. */
  readonly item: SessionItem;
  /** Seconds a side that it stretches less, when the exercise is not made for bouts as long; 0 for none. */
  readonly lost: number;
  /** Why it stands where it stands. */
  readonly facts: readonly AlternativeFact[];
}

/** What alternatives are ranked by. */
export interface SwapContext {
  /** Exercises that may be done: those a caution or a stop sign speaks against are left out already. */
  readonly allowed: readonly Exercise[];
  /** Where the session takes place; null for anywhere. */
  readonly place: ClientPlace | null;
  /** Exercises of the session: none is taken twice. */
  readonly inSession: readonly string[];
}

/** The item that another exercise of the same ways becomes in place of one: the dose is kept, within what it is made for. */
function inPlaceOf(item: SessionItem, exercise: Exercise, other: Exercise): SessionItem {
  const { technique, bonus, ...rest } = clipped(boutOf(item, exercise), other);
  return {
    ...rest,
    ...(bonus && other.sides === 'each' ? { bonus } : {}),
    exerciseId: other.id,
    firstSide: item.firstSide,
    ...(technique === other.technique ? {} : { technique }),
    ...(item.link ? { link: item.link } : {}),
  };
}

/** True where one exercise can stand in for another: the same group, every way of the item, and the joint turned the same way. */
function standsIn(item: SessionItem, exercise: Exercise, other: Exercise): boolean {
  const able = techniquesOf(other);
  const ways = techniquesIn(item, exercise);
  return (
    other.primary === exercise.primary &&
    other.id !== exercise.id &&
    ways.every((t) => able.includes(t)) &&
    sameTurn(other, exercise)
  );
}

/**
 * A list with one exercise in place of another wherever it is done in a way that the other can be; null where nothing is, or where the other one
 * is in the list already.
 */
export function swappedIn(
  items: readonly SessionItem[],
  fromId: string,
  toId: string,
  find: FindExercise,
): readonly SessionItem[] | null {
  if (items.some((i) => i.exerciseId === toId)) return null;
  const to = find(toId);
  const swapped = items.map((item) => {
    if (item.exerciseId !== fromId) return item;
    const from = find(fromId);
    return standsIn(item, from, to) ? inPlaceOf(item, from, to) : item;
  });
  return swapped.every((item, i) => item === items[i]) ? null : swapped;
}

/**
 * Exercises for the same group and technique instead of an item's, in a position that is possible there, best first: no dose lost, nothing to
 * fetch that is not at hand, same
 * position, same way with the sides, nearest in level, most groups in common; then as the library has them.
 */
export function alternatives(
  item: SessionItem,
  exercise: Exercise,
  { allowed, place, inSession }: SwapContext,
): Alternative[] {
  const bout = boutOf(item, exercise);
  const shared = (e: Exercise): number => e.secondary.filter((g) => exercise.secondary.includes(g)).length;
  const ranked = allowed
    .filter((e) => !inSession.includes(e.id) && standsIn(item, exercise, e))
    .filter((e) => missingAt(e, place).every((b) => b.code === 'thing'))
    .map((e, at) => {
      const asked = clipped(bout, e);
      const things = thingsMissingAt(e, place);
      const lost = Math.max(0, sessionDose(bout) - sessionDose(asked));
      const key = [
        lost,
        thingsMissingAt(e, place).length,
        Number(e.position !== exercise.position),
        Number(e.sides !== exercise.sides),
        Math.abs(e.difficulty - exercise.difficulty),
        -shared(e),
        at,
      ];
      const harder = Math.sign(e.difficulty - exercise.difficulty);
      const facts: AlternativeFact[] = [
        lost > 0 ? { code: 'less-dose', args: { seconds: lost } } : { code: 'same-dose' },
        { code: 'position', args: { position: e.position, same: e.position === exercise.position } },
        ...(things.length > 0 ? [{ code: 'needs' as const, args: { props: things } }] : []),
        ...(harder === 0 ? [] : [{ code: harder < 0 ? ('easier' as const) : ('harder' as const) }]),
        ...(e.secondary.length > 0 ? [{ code: 'also-stretches' as const, args: { groups: e.secondary } }] : []),
      ];
      return {
        key,
        alternative: { exercise: e, item: inPlaceOf(item, exercise, e), lost, facts },
      };
    });
  ranked.sort((a, b) => {
    const i = a.key.findIndex((x, k) => x !== b.key[k]);
    return i < 0 ? 0 : a.key[i]! - b.key[i]!;
  });
  return ranked.map((r) => r.alternative);
}
