import type { Exercise } from '../catalogue/exercise.js';
import { alternatives } from '../composing/swap.js';
import type { Caution } from '../screening/cautions.js';
import { cautionsAgainst } from '../screening/limits.js';
import { missingAt, type ClientPlace, type PlaceBar } from '../screening/place.js';
import { chosenItem } from '../session/choice.js';
import type { SessionItem } from '../session/item.js';
import { strainsIn } from '../session/parts.js';
import { isOnHold, type OnHold } from '../session/on-hold.js';

/** Why an item of a routine is not for a client, where the session is. */
export type RoutineBar =
  { readonly code: 'caution'; readonly caution: Caution } | { readonly code: 'on-hold' } | PlaceBar;

/** An item that a client cannot do, and what takes its place; null where nothing does. */
export interface RoutineOut {
  readonly place: number;
  readonly exerciseId: string;
  readonly why: readonly RoutineBar[];
  readonly insteadId: string | null;
}

/** A routine as one client can do it. */
export interface RoutineFit {
  readonly items: readonly SessionItem[];
  readonly out: readonly RoutineOut[];
}

/** Who a routine is given to, and where. */
export interface RoutineFor {
  readonly cautions: readonly Caution[];
  readonly hold: OnHold;
  /** Where it takes place; null for anywhere. */
  readonly place: ClientPlace | null;
  readonly exercises: readonly Exercise[];
  readonly find: (id: string) => Exercise;
}

function barsOf(item: SessionItem, exercise: Exercise, { cautions, hold, place }: RoutineFor): RoutineBar[] {
  const against = new Set(
    strainsIn(item, exercise).flatMap((technique) => cautionsAgainst({ ...exercise, technique }, cautions)),
  );
  return [
    ...[...against].map((c) => ({ code: 'caution' as const, caution: c })),
    ...(isOnHold(hold, exercise) ? [{ code: 'on-hold' as const }] : []),
    ...missingAt(exercise, place),
  ];
}

/** Links that lead nowhere any more are taken off: the last item, and one before an item that has gone. */
function relinked(items: readonly (SessionItem | null)[]): SessionItem[] {
  return items.flatMap((item, i): SessionItem[] => {
    if (!item) return [];
    const { link, ...rest } = item;
    return link === undefined || items[i + 1] ? [item] : [rest];
  });
}

/**
 * A routine for a client: what a caution, a hold or the place rules out is replaced by the best other exercise for the same group and way, with the
 * dose kept, or left out. Other choices on the spot that the client cannot do are taken off.
 */
export function routineFor(items: readonly SessionItem[], who: RoutineFor): RoutineFit {
  const out: RoutineOut[] = [];
  const free = (item: SessionItem): boolean => barsOf(item, who.find(item.exerciseId), who).length === 0;
  const inRoutine = items.map((i) => i.exerciseId);
  const fitted = items.map((item, place): SessionItem | null => {
    const exercise = who.find(item.exerciseId);
    const { choice, ...plain } = item;
    const kept = choice !== undefined && !free(chosenItem(item, who.find)) ? plain : item;
    const why = barsOf(item, exercise, who);
    if (why.length === 0) return kept;
    const taken = [...inRoutine, ...out.flatMap((o) => o.insteadId ?? [])];
    const others = alternatives(plain, exercise, { allowed: who.exercises, place: who.place, inSession: taken });
    const instead = others.map((a) => a.item).find(free) ?? null;
    out.push({ place, exerciseId: item.exerciseId, why, insteadId: instead?.exerciseId ?? null });
    return instead;
  });
  return { items: relinked(fitted), out };
}
