import { boundsOf } from '../catalogue/amount.js';
import type { FitFact } from './facts.js';
import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import type { FindExercise } from '../catalogue/exercises.js';
import { sessionDose } from '../dose/dose.js';
import { amountOf, withAmount } from '../technique/prescription.js';
import { unitOf } from '../technique/catalogue.js';
import { boutOf, type SessionItem } from '../session/item.js';
import { buildTimeline, type SessionShape } from '../session/timeline.js';
import type { Timings } from '../technique/timings.js';

/** Most that a session may be made longer than it was planned: a share of each exercise's dose, as the ramp of a block. */
export const MOST_EXTENSION = 0.2;
/** Steps in which holds are made shorter or longer, seconds. */
const HOLD_STEP = 5;

/** A way to bring a session to its minutes. Both sides stay equal but for what the tighter side gets on top. */
export interface FitProposal {
  readonly kind: 'holds' | 'sets' | 'leave out' | 'extra';
  readonly change: FitFact;
  readonly items: readonly SessionItem[];
  readonly totalSeconds: number;
  readonly budgetSeconds: number;
}

/** A session to be fitted. */
export interface FitInput {
  readonly items: readonly SessionItem[];
  readonly shape: SessionShape;
  readonly budgetSeconds: number;
  /** Groups by rank, the most important first; the others come after them. */
  readonly ranked: readonly MuscleGroupId[];
  readonly timings: Timings;
  readonly find: FindExercise;
}

function lengthOf(input: FitInput, items: readonly SessionItem[]): number {
  return buildTimeline(items, input.shape, input.timings, input.find).totalSeconds;
}

/** Places of the items, the least important first. */
function leastFirst({ items, ranked, find }: FitInput): number[] {
  const rank = (i: SessionItem): number => {
    const at = ranked.indexOf(find(i.exerciseId).primary);
    return at < 0 ? ranked.length : at;
  };
  return items.map((_, i) => i).sort((a, b) => rank(items[b]!) - rank(items[a]!) || b - a);
}

function isHold(item: SessionItem, find: FindExercise): boolean {
  return unitOf(boutOf(item, find(item.exerciseId)).technique) === 'seconds';
}

/** An item with its hold changed, within what the exercise is made for; null when it cannot be. */
function withHold(item: SessionItem, by: number, find: FindExercise): SessionItem | null {
  const exercise = find(item.exerciseId);
  if (!isHold(item, find)) return null;
  const bout = boutOf(item, exercise);
  const next = amountOf(bout) + by;
  const made = { min: HOLD_STEP, max: Infinity };
  const { min, max } = bout.technique === exercise.technique ? boundsOf(exercise) : made;
  if (next < min || next > max) return null;
  const { technique: _, ...rest } = withAmount(bout, next);
  return { ...item, ...rest, ...(item.technique ? { technique: item.technique } : {}) };
}

const replaced = (items: readonly SessionItem[], at: number, by: SessionItem | null): SessionItem[] =>
  items.flatMap((x, i) => (i === at ? (by ? [by] : []) : [x]));

function proposal(
  input: FitInput,
  kind: FitProposal['kind'],
  items: readonly SessionItem[],
  change: FitFact,
): FitProposal {
  return { kind, items, change, totalSeconds: lengthOf(input, items), budgetSeconds: input.budgetSeconds };
}

/**
 * Ways to shorten a session until it fits: shorter holds, fewer sets, the tighter side's extra left out, an exercise left out; each by itself
 * enough and as little as it takes. Empty when it fits already.
 */
export function cutProposals(input: FitInput): FitProposal[] {
  const { items, budgetSeconds, find } = input;
  const fits = (x: readonly SessionItem[]): boolean => lengthOf(input, x) <= budgetSeconds;
  if (items.length === 0 || fits(items)) return [];
  const order = leastFirst(input);
  const out: FitProposal[] = [];

  const plain = items.map(({ bonus: _, ...rest }): SessionItem => rest);
  if (items.some((i) => i.bonus) && fits(plain)) out.push(proposal(input, 'extra', plain, { code: 'no-extra' }));

  let now = [...items];
  let steps = 0;
  for (let moved = true; moved && !fits(now);) {
    moved = false;
    for (const at of order) {
      if (fits(now)) break;
      const shorter = withHold(now[at]!, -HOLD_STEP, find);
      if (!shorter) continue;
      now = replaced(now, at, shorter);
      moved = true;
      steps++;
    }
  }
  if (steps > 0 && fits(now)) {
    const holds = now.flatMap((x, i) => {
      const seconds = items[i]!.holdSeconds - x.holdSeconds;
      return seconds > 0 ? [{ exercise: find(x.exerciseId).name, seconds }] : [];
    });
    out.push(proposal(input, 'holds', now, { code: 'shorter-holds', args: { holds } }));
  }

  now = [...items];
  for (let moved = true; moved && !fits(now);) {
    moved = false;
    for (const at of order) {
      if (fits(now)) break;
      const item = now[at]!;
      if (item.sets < 2) continue;
      now = replaced(now, at, { ...item, sets: item.sets - 1 });
      moved = true;
    }
  }
  const sets = now.flatMap((x, i) =>
    x.sets < items[i]!.sets ? [{ exercise: find(x.exerciseId).name, from: items[i]!.sets, to: x.sets }] : [],
  );
  if (sets.length > 0 && fits(now)) out.push(proposal(input, 'sets', now, { code: 'fewer-sets', args: { sets } }));

  for (const at of order) {
    const without = replaced(items, at, null);
    if (without.length === 0 || !fits(without)) continue;
    out.push(
      proposal(input, 'leave out', without, {
        code: 'leave-out',
        args: { exercise: find(items[at]!.exerciseId).name },
      }),
    );
    break;
  }
  return out;
}

/**
 * Ways to use minutes that are left: longer holds, or another set for the most important; never more than a fifth above what the session was
 * planned with, and never past the minutes. Empty when nothing fits.
 * @param planned the items as the plan has them, which the fifth goes by
 */
export function extendProposals(input: FitInput, planned: readonly SessionItem[]): FitProposal[] {
  const { items, budgetSeconds, find } = input;
  const dose = (i: SessionItem): number => sessionDose(boutOf(i, find(i.exerciseId)));
  const fits = (x: readonly SessionItem[]): boolean => lengthOf(input, x) <= budgetSeconds;
  const groupDose = (list: readonly SessionItem[], item: SessionItem): number =>
    list
      .filter((x) => find(x.exerciseId).primary === find(item.exerciseId).primary)
      .reduce((sum, x) => sum + dose(x), 0);
  const within = (list: readonly SessionItem[], item: SessionItem): boolean =>
    groupDose(list, item) <= groupDose(planned, item) * (1 + MOST_EXTENSION) + 1e-9;
  if (!fits(items)) return [];
  const order = leastFirst(input).reverse();
  const out: FitProposal[] = [];

  let now = [...items];
  const longer = new Map<number, number>();
  for (let moved = true; moved;) {
    moved = false;
    for (const at of order) {
      const next = withHold(now[at]!, HOLD_STEP, find);
      if (!next) continue;
      const list = replaced(now, at, next);
      if (!fits(list) || !within(list, next)) continue;
      now = list;
      longer.set(at, (longer.get(at) ?? 0) + HOLD_STEP);
      moved = true;
    }
  }
  if (longer.size > 0) {
    const holds = [...longer].map(([at, seconds]) => ({ exercise: find(items[at]!.exerciseId).name, seconds }));
    out.push(proposal(input, 'holds', now, { code: 'longer-holds', args: { holds } }));
  }
  for (const at of order) {
    const item = items[at]!;
    const list = replaced(items, at, { ...item, sets: item.sets + 1 });
    if (!fits(list) || !within(list, item)) continue;
    out.push(proposal(input, 'sets', list, { code: 'one-more-set', args: { exercise: find(item.exerciseId).name } }));
    break;
  }
  return out;
}
