import type { Exercise } from '../catalogue/exercise.js';
import { techniquesOf } from '../catalogue/forms.js';
import { within } from '../math/within.js';
import { PLAINEST, unitOf, type Technique } from '../technique/catalogue.js';
import { amountVariable } from '../technique/prescription.js';
import { DEFAULT_TIMINGS } from '../technique/timings.js';
import { firstBout } from './first-item.js';
import { PART_BOUNDS, type Part } from '../technique/part.js';
import type { SessionItem } from './item.js';
import { ITEM_BOUNDS, putAt } from './list-edits.js';

const FIELDS = [
  ...(['holdSeconds', 'reps', 'trips', 'cycles', 'pushSeconds', 'effort', 'lowerSeconds', 'depth'] as const),
  ...(['technique', 'name', 'breaths'] as const),
];

/** What a part is counted in: what its technique is, a hold in breaths, or repetitions as trips there and back. */
export type PartUnit = 'seconds' | 'repetitions' | 'breaths' | 'trips';

/** All parts of an item, each with its technique said; the first is what the item itself says. */
export function partList(item: SessionItem, exercise: Pick<Exercise, 'technique'>): readonly Part[] {
  const technique = item.technique ?? exercise.technique;
  return [item, ...(item.then ?? [])].map((p: Part) => {
    const said = Object.fromEntries(FIELDS.filter((f) => p[f] !== undefined).map((f) => [f, p[f]]));
    return { ...said, technique: p.technique ?? technique, holdSeconds: p.holdSeconds };
  });
}

/** The item with other parts; at least one. */
function withParts(item: SessionItem, exercise: Pick<Exercise, 'technique'>, parts: readonly Part[]): SessionItem {
  const [{ technique, ...first }, ...then] = parts as [Part, ...Part[]];
  const { then: _t, technique: _w, ...rest } = item;
  const kept = Object.fromEntries(Object.entries(rest).filter(([k]) => !(FIELDS as readonly string[]).includes(k)));
  return {
    ...(kept as Pick<SessionItem, 'exerciseId' | 'sets' | 'sensation' | 'firstSide'>),
    ...first,
    ...(technique !== undefined && technique !== exercise.technique && { technique }),
    ...(then.length > 0 && { then }),
  };
}

export function partUnit(part: Part, exercise: Pick<Exercise, 'technique'>): PartUnit {
  if (part.breaths !== undefined) return 'breaths';
  return part.trips ? 'trips' : unitOf(part.technique ?? exercise.technique);
}

/** The size of a part in its unit. */
export function partAmount(part: Part, exercise: Pick<Exercise, 'technique'>): number {
  return part.breaths ?? part[amountVariable(part.technique ?? exercise.technique)] ?? 0;
}

/** @returns null where that much cannot be */
export function partOf(part: Part, exercise: Pick<Exercise, 'technique'>, amount: number): Part | null {
  const unit = partUnit(part, exercise);
  if (part.breaths !== undefined)
    return within(amount, { min: 1, max: PART_BOUNDS.breaths })
      ? { ...part, breaths: amount, holdSeconds: amount * DEFAULT_TIMINGS.breath }
      : null;
  const bounds = unit === 'seconds' ? ITEM_BOUNDS.seconds : ITEM_BOUNDS.counts;
  const field = amountVariable(part.technique ?? exercise.technique);
  return within(amount, bounds) ? { ...part, [field]: amount } : null;
}

/** A part as a technique begins, a hold in seconds or in breaths. @param name a direction that stays */
export function partDoneAs(exercise: Exercise, technique: Technique, inBreaths: boolean, name?: string): Part {
  const {
    sets: _s,
    sensation: _f,
    load: _l,
    loadUnit: _u,
    assistance: _a,
    bonus: _b,
    ...amounts
  } = firstBout(exercise, technique);
  const part: Part = { ...amounts, ...(name && { name }) };
  if (!inBreaths) return part;
  const breaths = Math.max(1, Math.round(part.holdSeconds / DEFAULT_TIMINGS.breath));
  return { ...part, breaths, holdSeconds: breaths * DEFAULT_TIMINGS.breath };
}

/** The item with one of its parts changed; null takes it out. The last one stays. */
export function withPart(item: SessionItem, exercise: Exercise, place: number, part: Part | null): SessionItem {
  const parts = putAt(partList(item, exercise), place, ...(part ? [part] : []));
  return parts.length === 0 ? item : withParts(item, exercise, parts);
}

/** The item with one more part: another of a direction where directions are named, else a hold after moves, moves after a hold. */
export function withNextPart(item: SessionItem, exercise: Exercise): SessionItem {
  const parts = partList(item, exercise);
  if (parts.length > PART_BOUNDS.parts) return item;
  const last = parts.at(-1)!;
  const able = techniquesOf(exercise);
  const other = able.includes(PLAINEST) ? PLAINEST : able[0]!;
  const next = last.technique === other ? { ...last, name: '' } : partDoneAs(exercise, other, false);
  const { name: _, ...plain } = next;
  return withParts(item, exercise, [...parts, plain]);
}
