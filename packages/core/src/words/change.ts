import type { Change } from '../measuring/change.js';
import type { RomTest } from '../catalogue/rom-test.js';
import { formatReading } from './reading.js';

/**
 * A change in one sentence that a coach can repeat to a client: what is sure, or what is not.
 * @example changeSentence({ class: 'improved', delta: -10, gain: 10, mdc95: 8.3, probability: 0.991 }, { unit: 'deg' }) // '10° freer: a real change.'
 */
export function changeSentence({ class: kind, gain, mdc95 }: Change, { unit }: Pick<RomTest, 'unit'>): string {
  const size = `${formatReading(Math.abs(gain), unit)} ${gain > 0 ? 'freer' : 'tighter'}`;
  if (kind !== 'no detectable change') return `${size}: a real change.`;
  const sure = `a change is sure from ${formatReading(mdc95, unit)} on`;
  return gain === 0 ? `The same as before; ${sure}.` : `${size}, not sure yet: ${sure}.`;
}
