import type { Side } from '../anatomy/side.js';
import type { Exercise } from '../catalogue/exercise.js';
import { boutDose, boutsOn } from '../dose/dose.js';
import { boutSegments, loggedBouts } from '../technique/bout.js';
import { demanding, isLoaded, kindOf, type Technique } from '../technique/catalogue.js';
import type { Bout } from '../technique/prescription.js';
import type { BoutSegment } from '../technique/segment.js';
import type { BoutShape } from '../technique/shape.js';
import type { Timings } from '../technique/timings.js';
import { isPattern, timingsAt, type Pace } from '../technique/pace.js';
import type { Part } from '../technique/part.js';
import { boutOf, type SessionItem } from './item.js';

/** One part of a set, as the timeline takes it. */
export interface PartBout {
  readonly bout: Bout;
  readonly name: string | null;
  readonly breaths: number | null;
  readonly pace: Pace | null;
}

type Technical = Pick<Exercise, 'technique' | 'pace'>;

/** What of a first bout a further part is not done with: its amounts are its own. */
function further(first: Bout, part: Part): Bout {
  const { sets, sensation, load, loadUnit, assistance } = first;
  const { name: _n, breaths: _b, technique = first.technique, ...amounts } = part;
  const support = isLoaded(technique) ? { ...(load !== undefined && { load }), ...(loadUnit && { loadUnit }) } : {};
  const help = isLoaded(technique) && assistance !== undefined ? { assistance } : {};
  return { technique, sets, sensation, ...amounts, ...support, ...help };
}

/**
 * The parts of one set of an item, in order: at least one. What the tighter side gets on top is added to the first.
 * @param side null for both at once
 */
export function partsOf(item: SessionItem, exercise: Technical, side: Side | null = null): readonly PartBout[] {
  const asked = boutOf(item, exercise);
  const pace = item.pace ?? exercise.pace ?? null;
  const first = { bout: boutsOn(asked, side).bout, name: item.name ?? null, breaths: item.breaths ?? null, pace };
  const then = (item.then ?? []).map((part): PartBout => ({
    ...{ bout: further(asked, part), name: part.name ?? null, breaths: part.breaths ?? null, pace },
  }));
  return [first, ...then];
}

/** Ways in which an item is done, each once, its main one first. */
export function techniquesIn(item: SessionItem, exercise: Technical): readonly Technique[] {
  return [...new Set(partsOf(item, exercise).map((p) => p.bout.technique))];
}

/**
 * Ways that cautions go by: a breath that is held strains as a push does, so whoever may not push is not given one. Common practice, no source.
 */
export function strainsIn(item: SessionItem, exercise: Technical): readonly Technique[] {
  const pace = item.pace ?? exercise.pace;
  const held = isPattern(pace) && pace.hold > 0;
  return [...new Set([...techniquesIn(item, exercise), ...(held ? demanding('push') : [])])];
}

/** The technique that decides its rests: a loaded one where any part is, else its main one. */
export function restingTechnique(item: SessionItem, exercise: Technical): Technique {
  const all = techniquesIn(item, exercise);
  return all.find(isLoaded) ?? all[0]!;
}

/** True when any part of it works against a load. */
export function isLoadedItem(item: SessionItem, exercise: Technical): boolean {
  return techniquesIn(item, exercise).some(isLoaded);
}

/** Seconds of one side that an item holds still, whatever its other parts do; without what the tighter side gets on top. */
export function stillSeconds(item: SessionItem, exercise: Technical): number {
  const still = partsOf(item, exercise).filter((p) => kindOf(p.bout.technique).still);
  return item.sets * still.reduce((sum, p) => sum + boutDose(p.bout), 0);
}

/** Bouts that one set is logged as: one a part, or one a cycle of contract-relax. */
export function boutsPerSet(item: SessionItem, exercise: Technical): number {
  return partsOf(item, exercise).reduce((sum, p) => sum + loggedBouts(p.bout), 0);
}

/** How many bouts of an item are logged on a side, in all rounds; with the middle the bouts of both sides at once. */
export function boutCount(item: SessionItem, exercise: Technical, side: Side | null, rounds = 1): number {
  const sets = item.middle && side === null ? 1 : boutsOn(boutOf(item, exercise), side).sets;
  return rounds * sets * boutsPerSet(item, exercise);
}

/** How the bout of a number is done. @param bout 1-based on its side, through all sets and rounds */
export function techniqueOfBout(item: SessionItem, exercise: Technical, bout: number): Technique {
  const parts = partsOf(item, exercise).flatMap((p) =>
    Array.from({ length: loggedBouts(p.bout) }, () => p.bout.technique),
  );
  return parts[(bout - 1) % parts.length]!;
}

/** Seconds of a part by the client's clock: breaths at their own pace, repetitions at theirs. */
function timed({ bout, breaths, pace }: PartBout, t: Timings): { readonly bout: Bout; readonly t: Timings } {
  const own = timingsAt(pace, t);
  const clocked = breaths === null ? bout : { ...bout, holdSeconds: breaths * own.breath };
  return { bout: clocked, t: own };
}

/** A hold says its direction, or the breaths it is counted in. */
function said({ name, breaths }: PartBout, segment: BoutSegment): BoutSegment {
  if (segment.says.code !== 'hold') return segment;
  if (name !== null) return { ...segment, says: { code: 'stage', args: { name } } };
  return breaths === null ? segment : { ...segment, says: { code: 'hold-breaths', args: { breaths } } };
}

/** One set from entry to exit: into it once, every part, and out. */
export function setSegments(parts: readonly PartBout[], t: Timings, shape: BoutShape): BoutSegment[] {
  return parts.flatMap((part, i) => {
    const { bout, t: own } = timed(part, t);
    const inner = i === 0 ? shape : { ...shape, check: null };
    const segments = boutSegments(bout, own, inner).map((s) => said(part, s));
    return segments.filter((s) => (s.kind !== 'entry' || i === 0) && (s.kind !== 'exit' || i === parts.length - 1));
  });
}

/** Seconds of one set from entry to exit. */
export function setSeconds(parts: readonly PartBout[], t: Timings, shape: BoutShape): number {
  return setSegments(parts, t, shape).reduce((sum, s) => sum + s.seconds, 0);
}
