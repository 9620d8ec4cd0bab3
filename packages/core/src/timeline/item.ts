import type { Side } from '../anatomy/side.js';
import { boutsOn } from '../dose/dose.js';
import type { Bout } from '../styles/prescription.js';
import type { Technique } from '../styles/technique.js';

/** One exercise in a session, with its dose. The snapshot a session is published with. */
export interface SessionItem extends Omit<Bout, 'technique'> {
  readonly exerciseId: string;
  /** How it is done; left out when it is done as the exercise says. */
  readonly technique?: Technique;
  /** Side that begins: the tighter one, else left. */
  readonly firstSide: Side;
}

/** The bout an item asks for, its technique filled in from the exercise. */
export function boutOf(item: SessionItem, exercise: { readonly technique: Technique }): Bout {
  return { ...item, technique: item.technique ?? exercise.technique };
}

/** How many bouts are logged on a side: one a set, or one a cycle of contract-relax. */
export function boutCount(item: SessionItem, exercise: { readonly technique: Technique }, side: Side | null): number {
  const bout = boutOf(item, exercise);
  return boutsOn(bout, side).sets * (bout.technique === 'contract-relax' ? (bout.cycles ?? 1) : 1);
}
