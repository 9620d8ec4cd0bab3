import {
  beforeNext,
  itemApproachSeconds,
  itemBodySeconds,
  NOWHERE,
  type Before,
  type PlacedExercise,
} from './timeline.js';
import { isEasyMoving } from './easy-lead.js';
import { bestOrder, placedItem, type ItemPlace } from './order.js';
import type { SessionItem } from './item.js';
import { isLoaded, type Technique } from '../technique/catalogue.js';
import { DEFAULT_TIMINGS, warmUpSeconds, type Timings } from '../technique/timings.js';

/** An item with the seconds of its bouts already worked out, so that a planner can try many sessions. */
export interface TimedItem {
  readonly exercise: PlacedExercise;
  readonly technique: Technique;
  readonly bodySeconds: number;
  /** Seconds that it takes at least to get into it, whatever comes before. */
  readonly leastApproach: number;
  readonly placed: ItemPlace;
  /** True where it warms up by itself, when the session begins with it. */
  readonly easy: boolean;
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
  const technique = item.technique ?? exercise.technique;
  return {
    exercise,
    technique,
    bodySeconds: itemBodySeconds(item, exercise, t),
    leastApproach: itemApproachSeconds(exercise, { position: exercise.position, props: exercise.props }, t),
    placed,
    easy: isEasyMoving(item, exercise),
    way: wayOf(
      `${placed.section} ${exercise.position} ${placed.height} ${exercise.setupSeconds} ${exercise.props.join()} ${exercise.id} ${isLoaded(technique)}`,
    ),
  };
}

/** Sets of items that are remembered; a block of sixteen weeks has some hundred. */
const REMEMBERED = 20_000;
/**
 * Seconds between the bouts by set of items and timings. A planner asks for the same few sets of lanes week after week while only their
 * bouts change: putting them in order once is what keeps a block fast.
 */
const approaches = new Map<string, number>();

function approachSeconds(items: readonly TimedItem[], t: Timings, asListed: boolean): number {
  let before: Before = NOWHERE;
  let seconds = 0;
  for (const i of asListed ? items.keys() : bestOrder(items.map((x) => x.placed))) {
    const { exercise, technique } = items[i]!;
    seconds += itemApproachSeconds(exercise, before, t, technique);
    before = beforeNext(technique, exercise, before);
  }
  return seconds;
}

function rememberedApproach(items: readonly TimedItem[], t: Timings, asListed: boolean): number {
  // All that an approach takes from the timings.
  const key = `${t.newPosition} ${t.samePosition} ${t.prop} ${t.rest} ${t.loadedRest} ${t.sideSwitch} ${asListed};${items.map((i) => i.way).join()}`;
  let seconds = approaches.get(key);
  if (seconds === undefined) {
    if (approaches.size >= REMEMBERED) approaches.clear();
    seconds = approachSeconds(items, t, asListed);
    approaches.set(key, seconds);
  }
  return seconds;
}

/** How the items of a session follow one another, and whether the body is warm as it begins. */
export interface SessionManner {
  /** Leaves the warm-up out. */
  readonly warm?: boolean;
  /** True to keep the order of the list; else the order with the fewest changes. */
  readonly asListed?: boolean;
}

/** Seconds that lie between the bouts of a session's items: into positions, things, set-up. They do not depend on how much is done. */
export function betweenSeconds(items: readonly TimedItem[], t: Timings = DEFAULT_TIMINGS, asListed = false): number {
  return rememberedApproach(items, t, asListed);
}

/** Seconds of a session's items, put in order, without a warm-up. */
export function workSeconds(items: readonly TimedItem[], t: Timings = DEFAULT_TIMINGS, asListed = false): number {
  return items.reduce((sum, i) => sum + i.bodySeconds, betweenSeconds(items, t, asListed));
}

/** Seconds of easy movement that a session begins with. */
function easySeconds(items: readonly TimedItem[], t: Timings, asListed: boolean): number {
  if (!items.some((i) => i.easy)) return 0;
  const order = asListed ? [...items] : bestOrder(items.map((x) => x.placed)).map((i) => items[i]!);
  const first = order.findIndex((i) => !i.easy);
  const lead = first < 0 ? order : order.slice(0, first);
  return workSeconds(lead, t, true);
}

/**
 * Length of a session of unlinked items in whole seconds: the same as the sum of the cues of its timeline, without making them.
 */
export function sessionSeconds(
  items: readonly TimedItem[],
  t: Timings = DEFAULT_TIMINGS,
  { warm = false, asListed = false }: SessionManner = {},
): number {
  const work = workSeconds(items, t, asListed);
  return work + warmUpSeconds(work, warm, easySeconds(items, t, asListed));
}
