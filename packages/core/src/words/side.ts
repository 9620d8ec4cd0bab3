import { otherSide, type Side } from '../anatomy/side.js';
import type { Exercise } from '../catalogue/exercise.js';

const NAME: Readonly<Record<Side, string>> = { left: 'Left', right: 'Right' };

/**
 * What a side of an exercise means, in words: "Left: turn to the left; the right side of the back is stretched." A text of a coach's own that
 * names no side stands behind the side as it is.
 * @param exercise its `sideWords`, in which `{side}` is the side that is named and `{other}` the one across
 */
export function sideInWords({ sideWords }: Pick<Exercise, 'sideWords'>, side: Side): string {
  if (sideWords === '') return `${NAME[side]} side.`;
  const filled = sideWords.replaceAll('{side}', side).replaceAll('{other}', otherSide(side));
  return filled === sideWords ? `${NAME[side]}. ${sideWords}` : `${NAME[side]}: ${filled}.`;
}
