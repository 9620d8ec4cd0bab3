import type { FindExercise } from '../catalogue/exercises.js';
import { techniquesOf } from '../catalogue/forms.js';
import { boundsOf } from '../catalogue/amount.js';
import { kindOf, PLAINEST } from '../technique/catalogue.js';
import type { SessionItem } from './item.js';
import { techniquesIn } from './parts.js';

/** What a client says of the day before a session begins (domain 2.9): well, a little unwell, or so unwell that there is no session. */
export const WELLNESS = ['well', 'lighter', 'unwell'] as const;
export type Wellness = (typeof WELLNESS)[number];

/** A session as it is done on a day on which the client is a little unwell. Its places stay those of the plan. */
export interface LighterDay {
  readonly items: readonly SessionItem[];
  /** Places that are left out: what is pushed or loaded and cannot be held plainly. */
  readonly leftOut: readonly number[];
}

/** True for what a lighter day has none of: a push or a load. */
function asksTooMuch(item: SessionItem, find: FindExercise): boolean {
  return techniquesIn(item, find(item.exerciseId)).some((technique) =>
    kindOf(technique).demands.some((d) => d === 'push' || d === 'load' || d === 'lowering'),
  );
}

/** The item held plainly, in the bounds it is made for; null where its exercise cannot be. */
function heldPlainly(item: SessionItem, find: FindExercise): SessionItem | null {
  const exercise = find(item.exerciseId);
  if (exercise.technique !== PLAINEST || !techniquesOf(exercise).includes(PLAINEST)) return null;
  const { min, max } = boundsOf(exercise);
  const { exerciseId, sets, firstSide, sensation, link, choice, sidePattern } = item;
  const kept = { ...(link && { link }), ...(choice && { choice }), ...(sidePattern && { sidePattern }) };
  return {
    exerciseId,
    sets,
    firstSide,
    sensation,
    ...kept,
    holdSeconds: Math.min(max, Math.max(min, item.holdSeconds)),
  };
}

/** Sensation −1, no load, no push, today only (domain 2.9). */
export function lighterDay(items: readonly SessionItem[], find: FindExercise): LighterDay {
  const leftOut: number[] = [];
  const lighter = items.map((item, place): SessionItem => {
    const less = { ...item, sensation: Math.max(1, item.sensation - 1) };
    if (!asksTooMuch(item, find)) return less;
    const plain = heldPlainly(less, find);
    if (plain) return plain;
    leftOut.push(place);
    return item;
  });
  return { items: lighter, leftOut };
}
