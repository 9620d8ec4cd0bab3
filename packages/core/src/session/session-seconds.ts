import { itemApproachSeconds, itemBodySeconds, NOWHERE, type Before, type PlacedExercise } from './timeline.js';
import { bestOrder, placedItem, type ItemPlace } from './order.js';
import type { SessionItem } from './item.js';
import { DEFAULT_TIMINGS, warmUpSeconds, type Timings } from '../technique/timings.js';

/** An item with the seconds of its bouts already worked out, so that a planner can try many sessions. */
export interface TimedItem {
  readonly exercise: PlacedExercise;
  readonly bodySeconds: number;
  readonly placed: ItemPlace;
  /** Number of the way into it: items of one number take as long to get to from any other. */
  readonly way: number;
}

/** Ways into an item, numbered as they come: there are no more than exercises, and a number is a short key. */
const ways = new Map<string, number>();

/** @param all that decides how long it takes to get from one item to the next */
function wayOf(all: string): number {
  let way = ways.get(all);
  if (way === undefined) ways.set(all, (way = ways.size));
  return way;
}

/** Works an item out once. */
export function timeItem(item: SessionItem, exercise: PlacedExercise, t: Timings = DEFAULT_TIMINGS): TimedItem {
  const placed = placedItem(item, exercise);
  return {
    exercise,
    bodySeconds: itemBodySeconds(item, exercise, t),
    placed,
    way: wayOf(
      `${placed.section} ${exercise.position} ${placed.height} ${exercise.setupSeconds} ${exercise.props.join()}`,
    ),
  };
}

/** Sets of items that are remembered; a block of sixteen weeks has some hundred. */
const REMEMBERED = 2000;
/**
 * Seconds between the bouts by set of items and timings. A planner asks for the same few sets of lanes week after week while only their
 * bouts change: putting them in order once is what keeps a block fast.
 */
const approaches = new Map<string, number>();

function approachSeconds(items: readonly TimedItem[], t: Timings): number {
  let before: Before = NOWHERE;
  let seconds = 0;
  for (const i of bestOrder(items.map((x) => x.placed))) {
    const { exercise } = items[i]!;
    seconds += itemApproachSeconds(exercise, before, t);
    before = exercise;
  }
  return seconds;
}

function rememberedApproach(items: readonly TimedItem[], t: Timings): number {
  // All that an approach takes from the timings.
  const key = `${t.newPosition} ${t.samePosition} ${t.prop};${items.map((i) => i.way).join()}`;
  let seconds = approaches.get(key);
  if (seconds === undefined) {
    if (approaches.size >= REMEMBERED) approaches.clear();
    seconds = approachSeconds(items, t);
    approaches.set(key, seconds);
  }
  return seconds;
}

/**
 * Length of a session of unlinked items in whole seconds, its items put in order: the same as the sum of the cues of its timeline, without
 * making them.
 */
export function sessionSeconds(items: readonly TimedItem[], t: Timings = DEFAULT_TIMINGS): number {
  const work = items.reduce((sum, i) => sum + i.bodySeconds, rememberedApproach(items, t));
  return work + warmUpSeconds(work, false);
}
