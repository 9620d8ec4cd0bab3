import type { Side } from '../anatomy/side.js';
import { CoreError } from '../errors.js';
import type { Source } from '../source.js';

/** One item of the score: present or not. */
export interface BeightonItem {
  readonly id: string;
  readonly name: string;
  readonly how: string;
  readonly side: Side | null;
}

const pair = (id: string, name: string, how: string): BeightonItem[] => [
  { id: `${id}-left`, name, how, side: 'left' },
  { id: `${id}-right`, name, how, side: 'right' },
];

/** The nine items, in the order in which they are looked at. */
export const BEIGHTON_ITEMS: readonly BeightonItem[] = [
  ...pair(
    'little-finger',
    'Little finger',
    'Bends back to 90° or more at its knuckle, forearm and hand flat on a table.',
  ),
  ...pair('thumb', 'Thumb', 'Touches the forearm, wrist bent, elbow straight. Guided gently, never forced.'),
  ...pair('elbow', 'Elbow', 'Straightens 10° or more beyond straight, arm out to the side, palm up.'),
  ...pair('knee', 'Knee', 'Straightens 10° or more beyond straight, standing or lying.'),
  {
    id: 'palms',
    name: 'Palms to the floor',
    how: 'Both palms lie flat in front of the feet, knees straight.',
    side: null,
  },
];

export const BEIGHTON_SOURCE: Source = {
  origin: 'memory',
  text: 'Beighton P, Solomon L, Soskolne CL 1973, Ann Rheum Dis 32:413-418; cut-offs Malfait F et al. 2017, Am J Med Genet C 175:8-26',
};

/** Puberty is not asked for: below this age the children's cut-off is taken. Common practice, no source. */
const CHILD_BELOW = 13;

/**
 * Score from which joints count as generally very mobile at an age: 6 before puberty, 5 to 50 years, 4 above.
 * @example beightonCutOff(30) // 5
 */
export function beightonCutOff(age: number): number {
  if (age < CHILD_BELOW) return 6;
  return age > 50 ? 4 : 5;
}

export interface Beighton {
  readonly score: number;
  /** Items not looked at; the score is then a least one. */
  readonly missing: number;
  readonly cutOff: number;
  readonly high: boolean;
}

/**
 * The Beighton score of nine items (true, false, null for not looked at). A screen of general joint mobility, no diagnosis.
 * @throws CoreError `invalid-reading` unless there are nine items
 * @example beighton([true, true, true, true, null, false, false, false, false], 60).high // true
 */
export function beighton(items: readonly (boolean | null)[], age: number): Beighton {
  if (items.length !== BEIGHTON_ITEMS.length)
    throw new CoreError('invalid-reading', {
      code: 'beighton-items',
      args: { items: BEIGHTON_ITEMS.length },
    });
  const score = items.filter((i) => i === true).length;
  const cutOff = beightonCutOff(age);
  return { score, missing: items.filter((i) => i === null).length, cutOff, high: score >= cutOff };
}
