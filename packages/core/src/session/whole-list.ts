import { muscleGroupOrder } from '../anatomy/muscle-group.js';
import type { FindExercise } from '../catalogue/exercises.js';
import { techniquesOf } from '../catalogue/forms.js';
import { beatSeconds } from '../technique/beats.js';
import { beatsOf } from '../technique/bout.js';
import { unitOf, type Technique } from '../technique/catalogue.js';
import { DEFAULT_TIMINGS, type Timings } from '../technique/timings.js';
import { amountBounds } from './first-item.js';
import { boutOf, type Link, type SessionItem } from './item.js';
import { withLink } from './list-edits.js';
import { orderItems } from './order.js';
import { partDoneAs, partList, partOf, withPart } from './part-edits.js';
import { timingsAt } from '../technique/pace.js';
import { linkedRuns } from './segments.js';

/** Every exercise of a list done one way, as that way begins; those that cannot be, and those of several parts, stay as they are. */
export function allDoneAs(items: readonly SessionItem[], technique: Technique, find: FindExercise): SessionItem[] {
  return items.map((item) => {
    const exercise = find(item.exerciseId);
    const same = boutOf(item, exercise).technique === technique;
    if (item.then !== undefined || same || !techniquesOf(exercise).includes(technique)) return item;
    return withPart(item, exercise, 0, partDoneAs(exercise, technique, false, item.name));
  });
}

/**
 * Every exercise of a list about as long, within what each is made for: a hold of the seconds, or as many whole repetitions or breaths as fit in
 * them. Those of several parts stay as they are.
 * @param seconds of one bout on a side
 */
export function allOfSeconds(
  items: readonly SessionItem[],
  seconds: number,
  find: FindExercise,
  timings: Timings = DEFAULT_TIMINGS,
): SessionItem[] {
  return items.map((item) => {
    const exercise = find(item.exerciseId);
    if (item.then !== undefined) return item;
    const bout = boutOf(item, exercise);
    const part = partList(item, exercise)[0]!;
    const t = timingsAt(item.pace ?? exercise.pace ?? null, timings);
    const one = unitOf(bout.technique) === 'seconds' ? 1 : beatSeconds(beatsOf(bout, t));
    const { min, max } = amountBounds(exercise, bout.technique);
    const amount = Math.min(max, Math.max(min, Math.floor(seconds / one)));
    const inUnit = part.breaths === undefined ? amount : Math.max(1, Math.floor(amount / t.breath));
    const sized = partOf(part, exercise, inUnit);
    return sized ? withPart(item, exercise, 0, sized) : item;
  });
}

/** Every exercise of a list hanging together with the next in the same way; the last one leads nowhere. */
export function allLinked(items: readonly SessionItem[], link: Link | null): SessionItem[] {
  return items.map((item, i) => withLink(item, i === items.length - 1 ? null : link));
}

/** Orders that a whole list can be put in. */
export const LIST_ORDERS = ['fewest changes', 'lower to upper', 'upper to lower'] as const;
export type ListOrder = (typeof LIST_ORDERS)[number];

/** A list put in order: with the fewest changes of position, or from the feet up or down, as the muscle groups lie. Linked ones stay together. */
export function allOrdered(items: readonly SessionItem[], order: ListOrder, find: FindExercise): SessionItem[] {
  if (order === 'fewest changes') return orderItems(items, find);
  const turn = order === 'lower to upper' ? 1 : -1;
  const height = (run: readonly number[]): number => muscleGroupOrder(find(items[run[0]!]!.exerciseId).primary);
  const runs = linkedRuns(items).sort((a, b) => turn * (height(a) - height(b)));
  return runs.flatMap((run) => run.map((i) => items[i]!));
}
