import type { Side } from '../anatomy/side.js';
import type { Exercise } from '../catalogue/exercise.js';
import { boutsOn } from '../dose/dose.js';
import { loggedBouts } from '../technique/bout.js';
import type { Bout } from '../technique/prescription.js';
import type { Technique } from '../technique/catalogue.js';

/** How the sides of an item follow one another: all sets of one side and then of the other, or in turn. */
export const SIDE_PATTERNS = ['side by side', 'alternating'] as const;
export type SidePattern = (typeof SIDE_PATTERNS)[number];

/**
 * How an item hangs together with the one after it. `chain`: both on one side, then both on the other. `flow`: one leads into the next, and
 * nothing may come between.
 */
export const LINKS = ['chain', 'flow'] as const;
export type Link = (typeof LINKS)[number];

/** One exercise in a session, with its dose. The snapshot a session is published with. */
export interface SessionItem extends Omit<Bout, 'technique'> {
  readonly exerciseId: string;
  /** How it is done; left out when it is done as the exercise says. */
  readonly technique?: Technique;
  /** Side that begins: the tighter one, else left. */
  readonly firstSide: Side;
  /** Left out when the sides follow one another as the exercise says. */
  readonly sidePattern?: SidePattern;
  /** Left out when it stands alone. */
  readonly link?: Link;
  /** Another exercise that the client may choose on the spot ("move or hold"); what was done is logged. */
  readonly choice?: string;
}

/** Most often that the list of a session is gone through. */
export const MOST_ROUNDS = 4;

/** The bout an item asks for, its technique filled in from the exercise. */
export function boutOf(item: SessionItem, exercise: { readonly technique: Technique }): Bout {
  return { ...item, technique: item.technique ?? exercise.technique };
}

/** True when left and right take turns. */
export function alternates(item: SessionItem, exercise: Pick<Exercise, 'sides' | 'sidePattern'>): boolean {
  return exercise.sides === 'each' && (item.sidePattern ?? exercise.sidePattern) === 'alternating';
}

/** How many bouts are logged on a side: one a set, or one a cycle of contract-relax; in every round. */
export function boutCount(
  item: SessionItem,
  exercise: { readonly technique: Technique },
  side: Side | null,
  rounds = 1,
): number {
  const bout = boutOf(item, exercise);
  return rounds * boutsOn(bout, side).sets * loggedBouts(bout);
}
