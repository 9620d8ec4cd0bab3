import { CoreError } from '../errors.js';
import { STEADY_HOLD } from './steady-hold.js';
import type { Style } from './style.js';

/** The styles that ship with the product. */
export const STYLES: readonly Style[] = [STEADY_HOLD];

/**
 * A style by its id.
 * @throws CoreError `unknown-style`
 */
export function styleById(id: string): Style {
  const style = STYLES.find((s) => s.id === id);
  if (!style) throw new CoreError('unknown-style', `There is no style "${id}". Choose one from the list.`);
  return style;
}
