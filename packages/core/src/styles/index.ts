import { CoreError } from '../errors.js';
import { LOADED_RANGE } from './catalogue/loaded-range.js';
import { LONG_HOLD } from './catalogue/long-hold.js';
import { MOVE_THROUGH } from './catalogue/move-through.js';
import { PUSH_RELAX } from './catalogue/push-relax.js';
import { RELEASE_LENGTHEN_ACTIVATE } from './catalogue/release-lengthen-activate.js';
import { STEADY_HOLD } from './catalogue/steady-hold.js';
import { UPKEEP } from './catalogue/upkeep.js';
import type { Style } from './style.js';

/** The styles that ship with the product. */
export const STYLES: readonly Style[] = [
  STEADY_HOLD,
  UPKEEP,
  LONG_HOLD,
  PUSH_RELAX,
  LOADED_RANGE,
  MOVE_THROUGH,
  RELEASE_LENGTHEN_ACTIVATE,
];

/** How a style is found by its id: among those that ship, or in a studio's own. Throws `unknown-style`. */
export type FindStyle = (id: string) => Style;

/**
 * A style that ships, by its id.
 * @throws CoreError `unknown-style`
 */
export function styleById(id: string): Style {
  const style = STYLES.find((s) => s.id === id);
  if (!style) throw new CoreError('unknown-style', { code: 'unknown-style', args: { id } });
  return style;
}

/** Looks among a studio's own styles first, then among those that ship. */
export function findStyleAmong(own: readonly Style[]): FindStyle {
  return (id) => own.find((s) => s.id === id) ?? styleById(id);
}
