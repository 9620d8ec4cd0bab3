/** A body side. Always the side that is measured or *stretched*, never the side leaned to. */
export type Side = 'left' | 'right';

export const SIDES: readonly Side[] = ['left', 'right'];

/** The opposite side. */
export function otherSide(side: Side): Side {
  return side === 'left' ? 'right' : 'left';
}
